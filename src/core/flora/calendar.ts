import { itemAt } from "../items";
import { type MonthRange, type Stage, STAGES, type Taxon } from "./types";

export type Hemisphere = "north" | "south";

/** Where a district lies in the year. */
export interface Climate {
  hemisphere: Hemisphere;
  /** days by which spring comes later, and autumn earlier, than the calendars say; below 0 in warmer districts; at most `MOST_SHIFT` */
  seasonShift: number;
}

/** The climate that the calendars are written for. */
export const REFERENCE: Climate = { hemisphere: "north", seasonShift: 0 };
/** Beyond this the bent year would run backwards somewhere before long, and no calendar of this flora holds. */
export const MOST_SHIFT = 40;

/** Deep winter and, half a year on, high summer: about these days a colder place is neither behind nor ahead. */
const MIDWINTER = 14;
const aheadAt = (yearDay: number, shift: number): number =>
  shift * Math.sin((2 * Math.PI * (yearDay - MIDWINTER)) / 365);
const around = (yearDay: number): number => ((yearDay % 365) + 365) % 365;

/** Days of the year before each month, and the whole year. */
const DAYS_BEFORE = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334, 365];

/**
 * Day of the calendars' year, from 0 to 364.x, that an ISO date is like in this climate: 29 February counts as
 * 28 February, south is half a year later, and a cold spring lags while its autumn is early.
 */
export function dayOfYear(day: string, climate: Climate): number {
  const local = localDay(day, climate.hemisphere);
  return climate.seasonShift === 0 ? local : around(local - aheadAt(local, climate.seasonShift));
}

/** Day of the year as if in the north, by the sun alone. */
function localDay(day: string, hemisphere: Hemisphere): number {
  const [, month, date] = day.split("-").map(Number);
  const north = DAYS_BEFORE[month - 1] + Math.min(date, month === 2 ? 28 : 31) - 1;
  return hemisphere === "north" ? north : (north + 182.5) % 365;
}

/** The local day that is like a day of the calendars: `dayOfYear` the other way round, by halving. */
function localDayOf(yearDay: number, shift: number): number {
  let [low, high] = [yearDay - MOST_SHIFT, yearDay + MOST_SHIFT];
  for (let i = 0; i < 24; i++) {
    const middle = (low + high) / 2;
    if (middle - aheadAt(middle, shift) < yearDay) low = middle;
    else high = middle;
  }
  return high;
}

/** Month 1–12 that holds a day of the year. */
export function monthOf(yearDay: number): number {
  return DAYS_BEFORE.findIndex((before) => before > yearDay) || 1;
}

/** Days from the start of a range to a day, and the length of the range. */
function intoRange([first, last]: MonthRange, yearDay: number): { since: number; length: number } {
  const start = DAYS_BEFORE[first - 1];
  return { since: (yearDay - start + 365) % 365, length: (DAYS_BEFORE[last] - start + 365) % 365 || 365 };
}

function within(range: MonthRange, yearDay: number): boolean {
  const { since, length } = intoRange(range, yearDay);
  return since < length;
}

/** How much a plant is in a stage on a day: 1 inside its months, falling to the floor within 20 days outside. */
function stageWeight(ranges: MonthRange[] | undefined, yearDay: number): number {
  if (!ranges) return 0.004;
  let best = 0.02;
  for (const range of ranges) {
    const { since, length } = intoRange(range, yearDay);
    if (since < length) return 1;
    const outside = Math.min(since - length, 365 - since);
    best = Math.max(best, 1 - outside / 20);
  }
  return best;
}

/** True where a day lies within the months of a plant's stage in this climate. */
export function inSeason(taxon: Taxon, stage: Stage, day: string, climate: Climate): boolean {
  return taxon.calendar[stage]?.some((range) => within(range, dayOfYear(day, climate))) ?? false;
}

/** Share of this plant's individuals in each stage on a day, summing to 1. */
export function stageShares(taxon: Taxon, yearDay: number): number[] {
  const weights = STAGES.map((stage) => stageWeight(taxon.calendar[stage], yearDay));
  const total = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / total);
}

/**
 * First day on or after `day` on which the stage begins for this plant, or null if it never shows it.
 * @param day ISO date
 */
export function stageBegins(taxon: Taxon, stage: Stage, day: string, climate: Climate): string | null {
  const ranges = taxon.calendar[stage];
  if (!ranges?.length) return null;
  const ahead = Math.min(...ranges.map((range) => daysUntil(range, day, climate)));
  const begins = new Date(`${day}T00:00:00Z`);
  begins.setUTCDate(begins.getUTCDate() + ahead);
  // a leap day on the way counts as the day before it, so that the count falls one short; a bent year may cost one more
  for (let more = 0; more < MOST_SHORT && !inSeason(taxon, stage, isoDay(begins), climate); more++)
    begins.setUTCDate(begins.getUTCDate() + 1);
  return isoDay(begins);
}

/**
 * First day on or after `day` on which all of these plants are in a stage, or, where their months of it never meet, on which
 * the last of them has come to it; null if one never does.
 */
export function allBegin(taxa: Taxon[], stage: Stage, day: string, climate: Climate): string | null {
  let from = day;
  let first: string | null = null;
  // each round goes on to the next beginning of some range, of which a plant has few: a year is soon gone through
  for (let round = 0; round < 12; round++) {
    const begins = taxa.map((taxon) => stageBegins(taxon, stage, from, climate));
    if (begins.includes(null)) return null;
    const last = (begins as string[]).sort().at(-1) as string;
    if (last === from) return from;
    first ??= last;
    from = last;
  }
  return first;
}

/** By so many days the count to the beginning of a stage may fall short, at most. */
const MOST_SHORT = 4;
const isoDay = (date: Date): string => date.toISOString().slice(0, 10);

/** Whole days until the months of a range, 0 within them. */
function daysUntil(range: MonthRange, day: string, climate: Climate): number {
  if (within(range, dayOfYear(day, climate))) return 0;
  const start = DAYS_BEFORE[range[0] - 1];
  const begins = climate.seasonShift === 0 ? start : localDayOf(start, climate.seasonShift);
  return Math.ceil(around(begins - localDay(day, climate.hemisphere)) - 1e-6);
}

/** The stage most plants of this kind are in on a day. */
export function stageOn(taxon: Taxon, day: string, climate: Climate): Stage {
  const shares = stageShares(taxon, dayOfYear(day, climate));
  return itemAt(STAGES, shares.indexOf(Math.max(...shares)));
}
