import {
  LIFE_FORMS,
  type MonthRange,
  SEED_COLOURS,
  type SeedColour,
  type Stage,
  STAGES,
  type Stand,
  STANDS,
  STOCK_HARMS,
  type StockHarm,
  STOCK,
  type Stock,
  type Taxon,
} from "../flora";

/** What a plant is, as its files and tables write it: nothing is checked yet. */
export type RawPlant = Partial<
  Record<
    | "rank"
    | "family"
    | "life-form"
    | "cycle"
    | "seed-years"
    | "fragments"
    | "bark-slips"
    | "ripe-seed"
    | "disposal"
    | "ripens-cut"
    | "stand"
    | "wilted-toxic"
    | "stock-harm",
    unknown
  >
> & {
  id?: unknown;
  common?: string[];
  synonyms?: string[];
  spread?: string[];
  sprouts?: string[];
  interfertile?: string[];
  "grazed-by"?: string[];
  calendar?: Record<string, string>;
  hazards?: Taxon["hazards"];
  forms?: Record<string, number>;
};

/** Stable id of a taxon: its name, lower case, hyphens; the hybrid sign becomes x. */
export function taxonId(name: string): string {
  return name
    .toLowerCase()
    .replace(/×\s*/g, "x-")
    .replace(/\./g, "")
    .replace(/[^a-z-]+/g, "-");
}

export type Say = (field: string, got: unknown, wanted: string) => void;

/** Reads what a plant is; each fault is told to `say`, with the field, what it holds and what would be right. */
export function readPlant(name: string, raw: RawPlant, sets: string[], say: Say): Taxon {
  const oneOf = (field: "life-form" | "cycle" | "rank", words: readonly string[]) => {
    if (!words.includes(String(raw[field]))) say(field, raw[field], `write one of ${words.join(", ")}`);
  };
  oneOf("life-form", LIFE_FORMS);
  oneOf("cycle", ["annual", "biennial", "perennial"]);
  if (raw.rank !== undefined) oneOf("rank", ["species", "genus", "hybrid", "subspecies"]);
  if (!raw.family) say("family", raw.family, "needs a family");
  const forms = Object.entries(raw.forms ?? {}).map(([id, share]) => ({ id, share }));
  return {
    id: String(raw.id ?? taxonId(name)),
    name,
    rank: (raw.rank as Taxon["rank"]) ?? "species",
    genus: name.split(" ")[0],
    family: String(raw.family),
    lifeForm: raw["life-form"] as Taxon["lifeForm"],
    cycle: raw.cycle as Taxon["cycle"],
    common: raw.common ?? [],
    synonyms: raw.synonyms ?? [],
    sets,
    calendar: readCalendar(raw.calendar ?? {}, say),
    spread: raw.spread ?? [],
    sprouts: raw.sprouts ?? [],
    fragments: String(raw.fragments ?? "none"),
    ...readSeedYears(raw["seed-years"], say),
    ...readStand(raw, say),
    ...readRemains(raw, say),
    hazards: raw.hazards ?? {},
    interfertile: raw.interfertile ?? [],
    forms: forms.length > 0 ? forms : [{ id: "any", share: 1 }],
  };
}

function readSeedYears(raw: unknown, say: Say): Pick<Taxon, "seedYears"> {
  const text = String(raw ?? "").trim();
  if (text === "") return {};
  const [low, high, ...more] = text.split("-").map(Number);
  if (low === undefined || high === undefined || more.length > 0 || !(low >= 0) || !(high >= low)) {
    say("seed-years", raw, "write low-high, or leave the line out");
    return {};
  }
  return { seedYears: [low, high] };
}

/** Facts that methods of control ask of a plant; what is not written is left out. */
function readStand(
  raw: RawPlant,
  say: Say,
): Pick<Taxon, "ripensCut" | "stand" | "wiltedToxic" | "grazedBy" | "stockHarm"> {
  const stand = String(raw.stand ?? "").trim();
  if (stand && !(STANDS as readonly string[]).includes(stand)) say("stand", stand, `write one of ${STANDS.join(", ")}`);
  const grazedBy = raw["grazed-by"] ?? [];
  for (const animal of grazedBy)
    if (!(STOCK as readonly string[]).includes(animal))
      say("grazed-by", animal, `write one or more of ${STOCK.join(", ")}`);
  const harm = String(raw["stock-harm"] ?? "").trim();
  if (harm && !(STOCK_HARMS as readonly string[]).includes(harm))
    say("stock-harm", harm, `write one of ${STOCK_HARMS.join(", ")}`);
  if (harm && !raw.hazards?.stock) say("stock-harm", harm, "say under hazards, stock, how it harms stock");
  const ripensCut = yesOrNo("ripens-cut", raw["ripens-cut"], say);
  const wiltedToxic = yesOrNo("wilted-toxic", raw["wilted-toxic"], say);
  return {
    ...(ripensCut === undefined ? {} : { ripensCut }),
    ...(stand ? { stand: stand as Stand } : {}),
    ...(wiltedToxic === undefined ? {} : { wiltedToxic }),
    ...(grazedBy.length > 0 ? { grazedBy: grazedBy as Stock[] } : {}),
    ...(harm ? { stockHarm: harm as StockHarm } : {}),
  };
}

/** In YAML yes and no may come as words or as truth values. */
function yesOrNo(field: string, raw: unknown, say: Say): boolean | undefined {
  if (raw === true || raw === "yes") return true;
  if (raw === false || raw === "no") return false;
  if (raw !== undefined && raw !== "") say(field, raw, "write yes or no, or leave the line out");
  return undefined;
}

/** What a plant leaves behind and how it comes out of the ground; what is not written is left out. */
function readRemains(raw: RawPlant, say: Say): Pick<Taxon, "barkSlips" | "ripeSeed" | "disposal"> {
  const colours = words(String(raw["ripe-seed"] ?? ""));
  for (const colour of colours)
    if (!(SEED_COLOURS as readonly string[]).includes(colour))
      say("ripe-seed", colour, `write one or more of ${SEED_COLOURS.join(", ")}`);
  const months = raw["bark-slips"] ? readMonths("bark-slips", String(raw["bark-slips"]), say) : [];
  const disposal = String(raw.disposal ?? "").trim();
  return {
    ...(months.length > 0 ? { barkSlips: months } : {}),
    ...(colours.length > 0 ? { ripeSeed: colours as SeedColour[] } : {}),
    ...(disposal ? { disposal } : {}),
  };
}

function readMonths(field: string, text: string, say: Say): MonthRange[] {
  const ranges = text
    .trim()
    .split(/\s+/)
    .map((range) => range.split("-").map(Number) as MonthRange);
  if (ranges.some((r) => r.length !== 2 || !r.every((m) => Number.isInteger(m) && m >= 1 && m <= 12)))
    say(field, text, "write months as 5-7");
  return ranges;
}

function readCalendar(raw: Record<string, string>, say: Say): Taxon["calendar"] {
  const calendar: Taxon["calendar"] = {};
  for (const [stage, text] of Object.entries(raw)) {
    if (!(STAGES as readonly string[]).includes(stage)) {
      say("calendar", stage, `is not a stage. The stages are ${STAGES.join(", ")}`);
      continue;
    }
    calendar[stage as Stage] = readMonths(stage, String(text), say);
  }
  return calendar;
}

/** The words of a list with commas between. */
export const words = (text: string): string[] =>
  text
    .split(",")
    .map((w) => w.trim())
    .filter(Boolean);
