import { type Climate, dayOfYear, monthOf, type Stage, type Taxon } from "../flora";
import { type WaterNear, waterWithin } from "../records";
import { OF_THE_DAY, type When } from "./method-schema";

/** How much there is; what is left out is not known. Heights and stems in cm, area in m². */
export interface StandSize {
  heightCm?: number;
  stemCm?: number;
  count?: number;
  infestedM2?: number;
}

/** What the place allows; what is left out is not known. */
export interface Ground {
  noProduct?: boolean;
  noMachines?: boolean;
  grazed?: boolean;
  hayed?: boolean;
  foraged?: boolean;
  slope?: "flat" | "moderate" | "steep";
  /** left out: nobody has said; a water that is stated to be unknown has to be seen first */
  water?: WaterNear;
}

/** A plant at a place: all that a rule may ask, but for the day. `told`: words of the vocabulary that are known to be true. */
export interface Asked {
  taxon: Taxon;
  size: StandSize;
  ground: Ground;
  told: string[];
}

/** Unstated: nobody has said. Unknown: it was asked, and nobody knows. */
export type Holds = boolean | "unknown" | "unstated";

/** Whether a plant and its place meet the conditions, the day left aside: false if one fails, else whether one is not known. */
export function holdsHere(when: When, asked: Asked): Holds {
  const answers = Object.entries(when)
    .filter(([key]) => !(OF_THE_DAY as readonly string[]).includes(key))
    .map(([key, wanted]) => holdsOne(key, wanted, asked));
  if (answers.includes(false)) return false;
  if (answers.includes("unknown")) return "unknown";
  return answers.includes("unstated") ? "unstated" : true;
}

const some = (wanted: unknown, held: readonly (string | undefined)[]): boolean =>
  held.some((value) => value !== undefined && (wanted as string[]).includes(value));

/** Whether stock that eats it is poisoned; awns and burs that wound are another thing. */
export const poisonsStock = ({ hazards, stockHarm = "poison" }: Taxon): boolean =>
  Boolean(hazards.stock) && stockHarm === "poison";

const OF_PLANT: Record<string, (taxon: Taxon, wanted: unknown) => boolean> = {
  "life-form": ({ lifeForm }, wanted) => some(wanted, [lifeForm]),
  cycle: ({ cycle }, wanted) => some(wanted, [cycle]),
  sprouts: ({ sprouts }, wanted) => some(wanted, sprouts),
  fragments: ({ fragments }, wanted) => some(wanted, fragments.split(", ")),
  stand: ({ stand }, wanted) => some(wanted, [stand]),
  contact: ({ hazards }, wanted) => some(wanted, [hazards.contact]),
  "ripens-cut": ({ ripensCut }) => ripensCut === true,
  "wilted-toxic": ({ wiltedToxic }) => wiltedToxic === true,
  "poisons-stock": poisonsStock,
  "stock-recorded": ({ grazedBy }, wanted) => (grazedBy !== undefined) === wanted,
};
const OF_SITE: Record<string, "noProduct" | "noMachines" | "grazed" | "hayed" | "foraged" | "slope"> = {
  ...{ "no-product": "noProduct", "no-machines": "noMachines" },
  ...{ grazed: "grazed", hayed: "hayed", foraged: "foraged", slope: "slope" },
};

function holdsOne(key: string, wanted: unknown, { taxon, size, ground, told }: Asked): Holds {
  const ofPlant = OF_PLANT[key];
  if (ofPlant) return ofPlant(taxon, wanted);
  const [measure, side] = key.split("-");
  if (side === "over" || side === "under") return compare(measured(measure, size), side, wanted as number);
  if (key === "water-within") return ground.water ? waterWithin(ground.water, wanted as number) : "unstated";
  if (key === "told-not") return !told.includes(wanted as string);
  const value = ground[OF_SITE[key]];
  if (value === undefined) return "unstated";
  return Array.isArray(wanted) ? wanted.includes(value) : value === wanted;
}

const measured = (measure: string, size: StandSize): number | undefined =>
  ({ stem: size.stemCm, height: size.heightCm, count: size.count, area: size.infestedM2 })[measure];

function compare(value: number | undefined, side: "over" | "under", limit: number): Holds {
  if (value === undefined) return "unstated";
  return side === "over" ? value > limit : value < limit;
}

/** Whether a stage in a month meets the conditions of the day. `month` is that of the calendars, north. */
export function holdsOn(when: When, taxon: Taxon, stage: Stage, month: number): boolean {
  if (when.stage && !when.stage.includes(stage)) return false;
  if (when.months && !inMonths(when.months, month)) return false;
  return !when["bark-slips"] || barkSlipsIn(taxon, month);
}

const barkSlipsIn = (taxon: Taxon, month: number): boolean =>
  (taxon.barkSlips ?? []).some(([first, last]) => inMonths(`${first}-${last}`, month));

/** Whether a pulled stem leaves its bark in the hand on this day, and its root in the ground. */
export const barkSlipsOn = (taxon: Taxon, day: string, climate: Climate): boolean =>
  barkSlipsIn(taxon, monthOf(dayOfYear(day, climate)));

export function inMonths(range: string, month: number): boolean {
  const [first, last] = range.split("-").map(Number);
  return first <= last ? month >= first && month <= last : month >= first || month <= last;
}
