import { z } from "zod";
import { InputError } from "../errors";
import {
  type CompiledFlora,
  LIFE_FORMS,
  SEED_COLOURS,
  type Stage,
  STAGES,
  STANDS,
  STOCK,
  STOCK_HARMS,
  type Taxon,
} from "../flora";
import { readPlant, type Say, words } from "./raw-plant";

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
  "ripe-seed": list(`colors of ripe seed as it falls, of a fleshy fruit the fruit's: ${SEED_COLOURS.join(", ")}`),
  disposal: z
    .string()
    .default("")
    .describe("what its remains need, beyond what follows from how it spreads and whom it harms"),
  people: z.string().default("").describe("how it harms people"),
  stock: z.string().default("").describe("how it harms stock"),
  "stock-harm": z
    .string()
    .default("")
    .describe(`${STOCK_HARMS.join(", ")}: in which way it harms stock; empty: it poisons, where it harms stock`),
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

/** Ranges as the flora files write them. In a table they stand with "to": a spreadsheet would make a date of 4-6. */
const ranges = (text: string): string =>
  text
    .replace(/\s*(?:to|–|-)\s*/g, "-")
    .split(/[\s,;]+/)
    .filter(Boolean)
    .join(" ");
const rangeText = ([low, high]: [number, number]): string => `${low} to ${high}`;

const yesNoText = (fact: boolean | undefined): string => (fact === undefined ? "" : fact ? "yes" : "no");

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
      "stock-harm": row["stock-harm"].trim(),
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
    "stock-harm": taxon.stockHarm ?? "",
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
