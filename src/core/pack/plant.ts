import { z } from "zod";
import { InputError } from "../errors";
import {
  type CompiledFlora,
  LIFE_FORMS,
  type MonthRange,
  SEED_COLOURS,
  type SeedColour,
  type Stand,
  STANDS,
  STOCK,
  type Stock,
  type Stage,
  STAGES,
  type Taxon,
} from "../flora";

const months = (what: string) =>
  z.string().default("").describe(`months ${what}, north: 4 to 6, or 4 to 6, 9 to 10; empty: not seen so`);
const list = (what: string) => z.string().default("").describe(`${what}, with commas between`);

/** What a plant is, as one row of a spreadsheet. All of it is text, so that the same row goes into a table and into JSON. */
export const plantRowSchema = z.object({
  taxon: z.string().trim().min(1).describe("accepted name"),
  rank: z.string().default("").describe("species, genus, hybrid or subspecies; empty: species"),
  family: z.string().default(""),
  "life-form": z.string().default("").describe(LIFE_FORMS.join(", ")),
  cycle: z.string().default("").describe("annual, biennial or perennial"),
  common: list("common names, the one that is used first"),
  synonyms: list("other botanical names"),
  sets: list("ids of the sets of look-alikes that it belongs to"),
  seedling: months("as a seedling"),
  vegetative: months("in leaf"),
  flowering: months("in flower"),
  fruiting: months("in seed or fruit"),
  winter: months("in its winter state"),
  spread: list("how it spreads"),
  sprouts: list("what it sprouts from when it is cut: root, stump"),
  fragments: z.string().default("").describe("what grows from pieces; empty: nothing"),
  "seed-years": z.string().default("").describe("years that seed lives in the ground: 2 to 8; empty: not recorded"),
  "ripens-cut": z.string().default("").describe("yes or no: seed ripens on stems cut in flower; empty: not recorded"),
  stand: z
    .string()
    .default("")
    .describe(`${STANDS.join(", ")}: how a stand comes about; empty: not recorded`),
  "wilted-toxic": z
    .string()
    .default("")
    .describe("yes or no: it poisons stock when wilted or dried; empty: not recorded"),
  "grazed-by": list(`stock that eats it: ${STOCK.join(", ")}`),
  "bark-slips": months("in which the bark of a pulled stem slips off and leaves the root"),
  "ripe-seed": list(`colours of ripe seed as it falls, of a fleshy fruit the fruit's: ${SEED_COLOURS.join(", ")}`),
  disposal: z
    .string()
    .default("")
    .describe("what its remains need, beyond what follows from how it spreads and whom it harms"),
  people: z.string().default("").describe("how it harms people"),
  stock: z.string().default("").describe("how it harms stock"),
  handling: z.string().default("").describe("what to mind when it is handled"),
  contact: z.string().default("").describe("what must not touch bare skin: sap or skin"),
  interfertile: list("plants that it crosses with, by accepted name"),
  forms: z.string().default("").describe("forms of one plant with their shares: entire-leaved .3, ivy-leaved .7"),
  reason: z.string().default("").describe("why a district changed or added it"),
});
export type PlantRow = z.output<typeof plantRowSchema>;
export const PLANT_COLUMNS = Object.keys(plantRowSchema.shape) as (keyof PlantRow)[];
/** The columns that say something of the plant. */
const FACTS = PLANT_COLUMNS.filter((c) => c !== "taxon" && c !== "reason");

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
    | "wilted-toxic",
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

type Say = (field: string, got: unknown, wanted: string) => void;

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
function readStand(raw: RawPlant, say: Say): Pick<Taxon, "ripensCut" | "stand" | "wiltedToxic" | "grazedBy"> {
  const stand = String(raw.stand ?? "").trim();
  if (stand && !(STANDS as readonly string[]).includes(stand)) say("stand", stand, `write one of ${STANDS.join(", ")}`);
  const grazedBy = raw["grazed-by"] ?? [];
  for (const animal of grazedBy)
    if (!(STOCK as readonly string[]).includes(animal))
      say("grazed-by", animal, `write one or more of ${STOCK.join(", ")}`);
  const ripensCut = yesOrNo("ripens-cut", raw["ripens-cut"], say);
  const wiltedToxic = yesOrNo("wilted-toxic", raw["wilted-toxic"], say);
  return {
    ...(ripensCut === undefined ? {} : { ripensCut }),
    ...(stand ? { stand: stand as Stand } : {}),
    ...(wiltedToxic === undefined ? {} : { wiltedToxic }),
    ...(grazedBy.length > 0 ? { grazedBy: grazedBy as Stock[] } : {}),
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

/** Ranges as the flora files write them. In a table they stand with "to": a spreadsheet would make a date of 4-6. */
const ranges = (text: string): string =>
  text
    .replace(/\s*(?:to|–|-)\s*/g, "-")
    .split(/[\s,;]+/)
    .filter(Boolean)
    .join(" ");
const rangeText = ([low, high]: [number, number]): string => `${low} to ${high}`;

const yesNoText = (fact: boolean | undefined): string => (fact === undefined ? "" : fact ? "yes" : "no");

const words = (text: string): string[] =>
  text
    .split(",")
    .map((w) => w.trim())
    .filter(Boolean);

/**
 * The plant that a row describes, as this flora may hold it.
 * @throws {InputError} naming the column that does not check
 */
export function plantOfRow(flora: CompiledFlora, row: PlantRow): Taxon {
  const fail: Say = (field, got, wanted) => {
    throw new InputError("unreadable-plant", field, got, wanted);
  };
  const calendar = Object.fromEntries(STAGES.filter((s) => row[s].trim()).map((s) => [s, ranges(row[s])]));
  const hazards = Object.fromEntries(
    (["people", "stock", "handling", "contact"] as const).filter((h) => row[h].trim()).map((h) => [h, row[h].trim()]),
  );
  const plain = (text: string) => text.trim() || undefined;
  const taxon = readPlant(
    row.taxon.trim(),
    {
      rank: plain(row.rank),
      family: plain(row.family),
      "life-form": row["life-form"].trim(),
      cycle: row.cycle.trim(),
      "seed-years": ranges(row["seed-years"]),
      "bark-slips": ranges(row["bark-slips"]),
      "ripe-seed": row["ripe-seed"],
      disposal: row.disposal,
      "ripens-cut": row["ripens-cut"].trim(),
      stand: row.stand.trim(),
      "wilted-toxic": row["wilted-toxic"].trim(),
      "grazed-by": words(row["grazed-by"]),
      fragments: plain(row.fragments),
      common: words(row.common),
      synonyms: words(row.synonyms),
      spread: words(row.spread),
      sprouts: words(row.sprouts),
      interfertile: words(row.interfertile),
      calendar,
      hazards,
      forms: readForms(row.forms, fail),
    },
    words(row.sets),
    fail,
  );
  checkPlace(flora, taxon, fail);
  return taxon;
}

function readForms(text: string, fail: Say): Record<string, number> {
  const forms = Object.fromEntries(
    words(text)
      .map((part) => part.split(/\s+/))
      .map(([id, share]) => [id, Number(share)]),
  );
  const total = Object.values(forms).reduce((a, b) => a + b, 0);
  if (Object.keys(forms).length > 0 && !(Math.abs(total - 1) < 0.02))
    fail("forms", text, "write each form with its share; the shares sum to 1");
  return forms;
}

/** Whether the plant fits into this flora: its name, sets, kind and forms. */
function checkPlace(flora: CompiledFlora, taxon: Taxon, fail: Say): void {
  const held = flora.taxa.find((t) => t.name === taxon.name);
  if (!/^[A-Z][a-z-]+( [×a-z.-]+)*$/.test(taxon.name))
    fail("taxon", taxon.name, "write the accepted name, as Genus species");
  const known = flora.taxa.find((t) => t.name !== taxon.name && (t.id === taxon.id || t.synonyms.includes(taxon.name)));
  if (known) fail("taxon", taxon.name, `the flora has it as ${known.name}`);
  if (taxon.common.length === 0) fail("common", "", "write the name that people use");
  if (taxon.sets.length === 0) fail("sets", "", "name the set of look-alikes that it belongs to");
  for (const set of taxon.sets)
    if (!flora.sets.some((s) => s.id === set))
      fail("sets", set, `there are: ${flora.sets.map((s) => s.id).join(", ")}`);
  if (Object.keys(taxon.calendar).length === 0) fail("vegetative", "", "write the months of at least one stage");
  for (const part of taxon.sprouts)
    if (!["root", "stump"].includes(part)) fail("sprouts", part, "write root, stump or both");
  const { contact } = taxon.hazards;
  if (contact && contact !== "sap" && contact !== "skin") fail("contact", contact, "write sap or skin");
  if (!held) return;
  if (held.lifeForm !== taxon.lifeForm)
    fail("life-form", taxon.lifeForm, `the flora has it as a ${held.lifeForm}, and its scores are those of one`);
  const at = flora.taxa.indexOf(held);
  const gone = flora.scores.find((s) => s.taxon === at && s.form && !taxon.forms.some((f) => f.id === s.form));
  if (gone) fail("forms", taxon.forms.map((f) => f.id).join(", "), `scores hold for its form ${gone.form}`);
}

/** A plant of the flora as a row; `plantOfRow` of it gives the same plant. */
export function plantToRow(taxon: Taxon, reason = ""): PlantRow {
  const calendar = Object.fromEntries(
    STAGES.map((s) => [s, (taxon.calendar[s] ?? []).map(rangeText).join(", ")]),
  ) as Record<Stage, string>;
  const { people = "", stock = "", handling = "", contact = "" } = taxon.hazards;
  return {
    taxon: taxon.name,
    rank: taxon.rank,
    family: taxon.family,
    "life-form": taxon.lifeForm,
    cycle: taxon.cycle,
    common: taxon.common.join(", "),
    synonyms: taxon.synonyms.join(", "),
    sets: taxon.sets.join(", "),
    ...calendar,
    spread: taxon.spread.join(", "),
    sprouts: taxon.sprouts.join(", "),
    fragments: taxon.fragments,
    "seed-years": taxon.seedYears ? rangeText(taxon.seedYears) : "",
    "ripens-cut": yesNoText(taxon.ripensCut),
    stand: taxon.stand ?? "",
    "wilted-toxic": yesNoText(taxon.wiltedToxic),
    "grazed-by": (taxon.grazedBy ?? []).join(", "),
    "bark-slips": (taxon.barkSlips ?? []).map(rangeText).join(", "),
    "ripe-seed": (taxon.ripeSeed ?? []).join(", "),
    disposal: taxon.disposal ?? "",
    people,
    stock,
    handling,
    contact,
    interfertile: taxon.interfertile.join(", "),
    forms:
      taxon.forms.length === 1 && taxon.forms[0].id === "any"
        ? ""
        : taxon.forms.map((f) => `${f.id} ${f.share}`).join(", "),
    reason,
  };
}

/** What a row says of a plant, as one text: a fact a line, in the order of the columns, what is empty left out. */
export const writePlant = (taxon: Taxon): string => {
  const row = plantToRow(taxon);
  return FACTS.filter((column) => row[column])
    .map((column) => `${column}: ${row[column]}`)
    .join("\n");
};

/** The row that `writePlant` made a text of. */
export function readPlantText(taxon: string, text: string): PlantRow {
  const facts = Object.fromEntries(
    text.split("\n").map((line) => [line.slice(0, line.indexOf(":")), line.slice(line.indexOf(":") + 1).trim()]),
  );
  return plantRowSchema.parse({ ...facts, taxon });
}

/** The flora with this plant in it: in place of the one of its name, or as a new one in its sets. Twins that were not held and are this plant are held from now on. */
export function withPlant(flora: CompiledFlora, taxon: Taxon): CompiledFlora {
  const at = flora.taxa.findIndex((t) => t.name === taxon.name);
  const own = at < 0 ? taxon : { ...taxon, id: flora.taxa[at].id };
  const inSet = (set: CompiledFlora["sets"][number]) => {
    const belongs = own.sets.includes(set.id);
    if (belongs === set.taxa.includes(own.id)) return set;
    return { ...set, taxa: belongs ? [...set.taxa, own.id] : set.taxa.filter((id) => id !== own.id) };
  };
  return {
    ...flora,
    taxa: at < 0 ? [...flora.taxa, own] : flora.taxa.with(at, own),
    sets: flora.sets.map(inSet),
    pairs: flora.pairs.map((pair) => {
      if (pair.unheld?.name !== own.name) return pair;
      const { unheld: _, ...rest } = pair;
      return { ...rest, b: own.id };
    }),
  };
}
