import { type Climate, dayOfYear, monthOf, type Stage, STAGES, stageBegins, stageShares, type Taxon } from "../flora";
import { addDays } from "../time";
import { holdsOn, inMonths } from "./conditions";
import type { Method, Rule } from "./method-schema";

/** Days on which a method suits, both included, ISO dates. */
export interface Window {
  from: string;
  to: string;
}

/** A day to come: how this plant's individuals stand in it, and the month of the calendars that it is like. */
interface DayAhead {
  day: string;
  shares: number[];
  month: number;
}

/** The day asked and the year after it, with the windows already found in it: many places ask for the same. */
export interface YearAhead {
  days: DayAhead[];
  windows: Map<string, Window | null>;
}

/** The day asked and the year after it. */
export function yearAhead(taxon: Taxon, day: string, climate: Climate): YearAhead {
  const start = Date.parse(`${day}T00:00:00Z`);
  const days = Array.from({ length: 366 }, (_, i) => {
    const iso = new Date(start + i * 86400000).toISOString().slice(0, 10);
    const yearDay = dayOfYear(iso, climate);
    return { day: iso, shares: stageShares(taxon, yearDay), month: monthOf(yearDay) };
  });
  return { days, windows: new Map() };
}

/** Share of the plants that must be in a suited stage for a day to suit. */
const ENOUGH = 0.45;

/** The first run of days within the year that suit. Of an eligible method it begins today, and never ends before its calendar does. */
export function windowOf(
  method: Method,
  later: Rule[],
  taxon: Taxon,
  { days, windows }: YearAhead,
  notToday: boolean,
): Window | null {
  // What a rule asks of the day is all of it that moves a window.
  const asks = later.map(({ when }) => `${when.stage}/${when.months}/${when["bark-slips"]}`);
  const key = `${method.id} ${notToday} ${asks.join()}`;
  const known = windows.get(key);
  if (known !== undefined) return known;
  const suited = Array.from({ length: 12 }, (_, i) => suitedStages(method, later, taxon, i + 1));
  const found = firstRun(days, suited, notToday);
  windows.set(key, found);
  return found;
}

/** For each stage, in the order of the stages, whether a plant in it suits the method in this month. */
const suitedStages = (method: Method, later: Rule[], taxon: Taxon, month: number): boolean[] =>
  STAGES.map(
    (stage: Stage) =>
      inMonths(method.months, month) &&
      method.stages.includes(stage) &&
      !later.some(({ when }) => holdsOn(when, taxon, stage, month)),
  );

function firstRun(days: DayAhead[], suited: boolean[][], notToday: boolean): Window | null {
  const dayOk = ({ shares, month }: DayAhead) =>
    shares.reduce((sum, share, i) => sum + (suited[month - 1][i] ? share : 0), 0) >= ENOUGH;
  const from = notToday ? days.findIndex((at, i) => i > 0 && dayOk(at)) : 0;
  if (from < 0) return null;
  let to = from;
  while (to + 1 < days.length && dayOk(days[to + 1])) to++;
  return { from: days[from].day, to: days[to].day };
}

/**
 * Last good day before seed: the day before the plant begins to fruit. Of one that is in seed already it is that of the next time;
 * null where it never fruits, or always.
 */
export function lastDayBeforeSeed(taxon: Taxon, day: string, climate: Climate): string | null {
  for (let from = day, i = 0; i <= 366; from = addDays(from, 1), i++) {
    const begins = stageBegins(taxon, "fruiting", from, climate);
    if (begins !== from) return begins && addDays(begins, -1);
  }
  return null;
}
