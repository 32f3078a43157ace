import { z } from "zod";
import {
  LIFE_FORMS,
  STAGES,
  type Stage,
  dayOfYear,
  type Climate,
  monthOf,
  stageBegins,
  stageShares,
  type Taxon,
} from "../flora";
import { type WaterNear, waterWithin } from "../records";

/** Instead of months: those in which this plant's bark slips, for what is more than a seedling. */
const BARK_SLIPS = "bark-slips";
const rule = z.object({
  if: z.string().optional(),
  stage: z.enum(STAGES).optional(),
  months: z
    .string()
    .regex(/^(\d{1,2}-\d{1,2}|bark-slips)$/)
    .optional(),
  why: z.string().min(1),
});
export const methodSchema = z.object({
  id: z.string().min(1),
  name: z.string().min(1),
  kind: z.enum(["hand", "machine", "product", "cover", "grazing"]),
  "life-forms": z.array(z.enum(LIFE_FORMS)),
  stages: z.array(z.enum(STAGES)),
  months: z.string().regex(/^\d{1,2}-\d{1,2}$/),
  never: z.array(rule),
  "not-now": z.array(rule),
  cautions: z.array(z.string()),
  follows: z.array(z.string()),
  equipment: z.array(z.string()),
  "pace-m2-per-hour": z.number().positive(),
});
export type Method = z.output<typeof methodSchema>;

/** What the place and the plant allow: all that the rules may ask about. */
export interface Ground {
  noProduct: boolean;
  noMachines: boolean;
  grazed: boolean;
  hayed: boolean;
  foraged: boolean;
  water: WaterNear;
}

export interface MethodAdvice {
  method: Method;
  answer: "now" | "not-now" | "never";
  why: string[];
  /** next span of days on which the method suits, ISO dates; null for never */
  window: { from: string; to: string } | null;
  cautions: string[];
  hours: number;
}

/** Every method with its answer for this plant, here, on this day: suited first, with the reason for every refusal. */
export function adviseMethods(
  methods: Method[],
  taxon: Taxon,
  stage: Stage,
  ground: Ground,
  day: string,
  climate: Climate,
  areaM2: number,
): MethodAdvice[] {
  const rank = { now: 0, "not-now": 1, never: 2 };
  const year = yearAhead(taxon, day, climate);
  return methods
    .map((m) => advise(m, taxon, stage, ground, year, areaM2))
    .sort((a, b) => rank[a.answer] - rank[b.answer]);
}

/** A day to come: how this plant's individuals stand in it, and the month of the calendars that it is like. */
interface DayAhead {
  day: string;
  shares: number[];
  month: number;
}

/** The day asked and the year after it. */
function yearAhead(taxon: Taxon, day: string, climate: Climate): DayAhead[] {
  const start = Date.parse(`${day}T00:00:00Z`);
  return Array.from({ length: 366 }, (_, i) => {
    const iso = new Date(start + i * 86400000).toISOString().slice(0, 10);
    const yearDay = dayOfYear(iso, climate);
    return { day: iso, shares: stageShares(taxon, yearDay), month: monthOf(yearDay) };
  });
}

function advise(
  method: Method,
  taxon: Taxon,
  stage: Stage,
  ground: Ground,
  year: DayAhead[],
  areaM2: number,
): MethodAdvice {
  const hours = Math.max(0.5, Math.round((areaM2 / method["pace-m2-per-hour"]) * 4) / 4);
  const base = { method, cautions: cautionsFor(method, taxon, ground), hours };
  const never = method.never.filter((r) => holds(r.if, taxon, ground)).map((r) => r.why);
  if (!method["life-forms"].includes(taxon.lifeForm)) never.unshift(`Not for a ${lifeFormWords[taxon.lifeForm]}.`);
  if (never.length > 0) return { ...base, answer: "never", why: never, window: null };
  const blocked = method["not-now"].filter((r) => r.if && holds(r.if, taxon, ground)).map((r) => r.why);
  if (hangsOnUnknownWater(method, ground))
    blocked.push(
      "This hangs on the distance to water, which is unknown here. Say at the patch what you see on the ground.",
    );
  const barred = barredMonths(method, taxon, stage);
  const why = blocked.concat(reasonsNotNow(method, stage, year[0].month, barred));
  const window = blocked.length > 0 ? null : nextWindow(method, year, why.length > 0, barred);
  if (why.length > 0) return { ...base, answer: "not-now", why, window };
  return {
    ...base,
    answer: "now",
    why: [
      `Suits ${/^[aeiou]/.test(taxon.cycle) ? "an" : "a"} ${taxon.cycle} ${lifeFormWords[taxon.lifeForm]} in this stage.`,
    ],
    window,
  };
}

const lifeFormWords: Record<Taxon["lifeForm"], string> = {
  grass: "grass",
  rush: "rush",
  herb: "herb",
  vine: "twiner",
  liana: "woody climber",
  shrub: "shrub",
  tree: "tree",
  aquatic: "water plant",
};

function holds(condition: string | undefined, taxon: Taxon, ground: Ground): boolean {
  if (!condition) return false;
  const [key, value] = condition.split(":");
  if (key === "sprouts") return taxon.sprouts.includes(value);
  if (key === "not-sprouts") return !taxon.sprouts.includes(value);
  if (key === "fragments") return taxon.fragments.includes(value);
  if (key === "cycle") return taxon.cycle === value;
  if (key === "life-form") return taxon.lifeForm === value;
  if (key === "site") return ground[value as keyof Ground] === true;
  if (key === "water-within") return waterWithin(ground.water, Number(value)) === true;
  throw new Error(`methods.yaml: unknown condition "${condition}"`);
}

/** A rule that asks for the distance to water cannot be answered while nobody knows it. */
const hangsOnUnknownWater = (method: Method, ground: Ground): boolean =>
  [...method.never, ...method["not-now"]].some(({ if: condition }) => {
    const [key, value] = (condition ?? "").split(":");
    return key === "water-within" && waterWithin(ground.water, Number(value)) === "unknown";
  });

interface Barred {
  months: string;
  why: string;
}

/** Months in which the rules hold this plant back, whatever its stage. */
function barredMonths(method: Method, taxon: Taxon, stage: Stage): Barred[] {
  return method["not-now"].flatMap(({ if: only, months, why }) => {
    if (only || !months) return [];
    if (months !== BARK_SLIPS) return [{ months, why }];
    return stage === "seedling"
      ? []
      : (taxon.barkSlips ?? []).map(([first, last]) => ({ months: `${first}-${last}`, why }));
  });
}

function reasonsNotNow(method: Method, stage: Stage, month: number, barred: Barred[]): string[] {
  const ruled = [
    ...method["not-now"].filter((r) => !r.if && r.stage === stage),
    ...barred.filter((b) => inMonths(b.months, month)),
  ].map((r) => r.why);
  if (ruled.length > 0) return ruled;
  if (!method.stages.includes(stage)) return [`Not while it is ${stageWords[stage]}.`];
  return inMonths(method.months, month) ? [] : ["Outside the months that suit it."];
}

/** Whether a pulled stem leaves its bark in the hand on this day, and its root in the ground. */
export function barkSlipsOn(taxon: Taxon, day: string, climate: Climate): boolean {
  const month = monthOf(dayOfYear(day, climate));
  return (taxon.barkSlips ?? []).some(([first, last]) => inMonths(`${first}-${last}`, month));
}

const stageWords: Record<Stage, string> = {
  seedling: "a seedling",
  vegetative: "in leaf",
  flowering: "in flower",
  fruiting: "in seed",
  winter: "in winter rest",
};

export function inMonths(range: string, month: number): boolean {
  const [first, last] = range.split("-").map(Number);
  return first <= last ? month >= first && month <= last : month >= first || month <= last;
}

/** A window is not planned further ahead than this, however long it stays open. */
const LONGEST_WINDOW_DAYS = 183;

/** First run of days, within the next year, on which the plant is mostly in a suited stage and the month suits. */
function nextWindow(
  method: Method,
  year: DayAhead[],
  notToday: boolean,
  barred: Barred[],
): { from: string; to: string } | null {
  const suited = STAGES.map((s) => method.stages.includes(s) && !method["not-now"].some((r) => r.stage === s));
  const suits = ({ shares, month }: DayAhead) =>
    shares.reduce((sum, share, i) => sum + (suited[i] ? share : 0), 0) >= 0.45 &&
    inMonths(method.months, month) &&
    !barred.some((b) => inMonths(b.months, month));
  const first = year.findIndex((at, i) => i >= (notToday ? 1 : 0) && suits(at));
  if (first < 0) return notToday ? null : { from: year[0].day, to: year[14].day };
  let last = first;
  while (last + 1 < year.length && last - first < LONGEST_WINDOW_DAYS && suits(year[last + 1])) last++;
  return { from: year[first].day, to: year[last].day };
}

function cautionsFor(method: Method, taxon: Taxon, ground: Ground): string[] {
  const { people, stock, handling, contact } = taxon.hazards;
  const own = [
    people,
    handling,
    contact === "sap"
      ? "Sap harms the skin: long sleeves, gloves, eye cover."
      : contact === "skin"
        ? "Do not touch with bare skin, and never burn it."
        : undefined,
  ];
  if (stock && (method.kind === "grazing" || ground.grazed || ground.hayed)) own.push(stock);
  if (ground.foraged) own.push("People gather food on this site: put up a notice, and keep the waits of the label.");
  return [...own.filter((c) => c !== undefined), ...method.cautions];
}

/** Last good day before seed: the day before the plant begins to fruit, or null where it never does. */
export function lastDayBeforeSeed(taxon: Taxon, day: string, climate: Climate): string | null {
  const begins = stageBegins(taxon, "fruiting", day, climate);
  return begins ? new Date(Date.parse(`${begins}T00:00:00Z`) - 86400000).toISOString().slice(0, 10) : null;
}
