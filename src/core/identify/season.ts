import { type MonthRange, STAGES, type Stage, type Taxon } from "./flora-types";

export type Hemisphere = "north" | "south";

/** Days of the year before each month, and the whole year. */
const DAYS_BEFORE = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334, 365];

/** Day of the year from 0 to 364.x for an ISO date; 29 February counts as 28 February. South is half a year later. */
export function dayOfYear(day: string, hemisphere: Hemisphere): number {
  const [, month, date] = day.split("-").map(Number);
  const north = DAYS_BEFORE[month - 1] + Math.min(date, month === 2 ? 28 : 31) - 1;
  return hemisphere === "north" ? north : (north + 182.5) % 365;
}

/** Month 1–12 that holds a day of the year. */
export function monthOf(yearDay: number): number {
  return DAYS_BEFORE.findIndex((before) => before > yearDay) || 1;
}

/** How much a plant is in a stage on a day: 1 inside its months, falling to the floor within 20 days outside. */
function stageWeight(ranges: MonthRange[] | undefined, yearDay: number): number {
  if (!ranges) return 0.004;
  let best = 0.02;
  for (const [first, last] of ranges) {
    const start = DAYS_BEFORE[first - 1];
    const length = (DAYS_BEFORE[last] - start + 365) % 365 || 365;
    const since = (yearDay - start + 365) % 365;
    if (since < length) return 1;
    const outside = Math.min(since - length, 365 - since);
    best = Math.max(best, 1 - outside / 20);
  }
  return best;
}

/** Share of this plant's individuals in each stage on a day, summing to 1. */
export function stageShares(taxon: Taxon, yearDay: number): number[] {
  const weights = STAGES.map((stage) => stageWeight(taxon.calendar[stage], yearDay));
  const total = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / total);
}

/** Chance that a scout who stands before a plant in `truth` says `stated`. */
export function stageStatedChance(stated: Stage, truth: Stage): number {
  if (stated === truth) return 0.88;
  const near: Record<Stage, Stage[]> = {
    seedling: ["vegetative"],
    vegetative: ["seedling", "flowering", "winter"],
    flowering: ["vegetative", "fruiting"],
    fruiting: ["flowering", "winter"],
    winter: ["fruiting", "vegetative"],
  };
  return near[truth].includes(stated) ? 0.04 : 0.012;
}

/**
 * First day on or after `day` on which the stage begins for this plant, or null if it never shows it.
 * @param day ISO date
 */
export function stageBegins(taxon: Taxon, stage: Stage, day: string, hemisphere: Hemisphere): string | null {
  const ranges = taxon.calendar[stage];
  if (!ranges?.length) return null;
  const yearDay = dayOfYear(day, hemisphere);
  const ahead = Math.min(...ranges.map((range) => daysUntil(range, yearDay)));
  const begins = new Date(`${day}T00:00:00Z`);
  begins.setUTCDate(begins.getUTCDate() + ahead);
  // a leap day on the way counts as the day before it, so that the count falls one short
  while (stageWeight(ranges, dayOfYear(isoDay(begins), hemisphere)) < 1) begins.setUTCDate(begins.getUTCDate() + 1);
  return isoDay(begins);
}

const isoDay = (date: Date): string => date.toISOString().slice(0, 10);

/** Whole days until the months of a range, 0 within them. */
function daysUntil([first, last]: MonthRange, yearDay: number): number {
  const start = DAYS_BEFORE[first - 1];
  const length = (DAYS_BEFORE[last] - start + 365) % 365 || 365;
  const since = (yearDay - start + 365) % 365;
  return since < length ? 0 : Math.ceil(365 - since);
}
