import { dayIn, dayWords } from "@/core/time";

const at = (iso: string) => new Date(`${iso.slice(0, 10)}T00:00:00Z`);

/** "9 June" */
export const shortDay = (iso: string): string =>
  at(iso).toLocaleDateString("en-GB", { day: "numeric", month: "long", timeZone: "UTC" });
/** "Tuesday, 9 June 2026" */
export const longDay = (iso: string): string =>
  at(iso).toLocaleDateString("en-GB", {
    weekday: "long",
    day: "numeric",
    month: "long",
    year: "numeric",
    timeZone: "UTC",
  });
/** "9 June 2026" */
export const fullDay = dayWords;

const MONTHS = Array.from({ length: 12 }, (_, i) =>
  at(`2026-${String(i + 1).padStart(2, "0")}-15`)
    .toLocaleDateString("en-GB", { month: "long", timeZone: "UTC" })
    .toLowerCase(),
);
const monthCalled = (word: string): number => {
  const called = word.toLowerCase();
  return called.length < 3 ? 0 : MONTHS.findIndex((month) => month.startsWith(called)) + 1;
};

/**
 * A day as people write it: "9 June 2026", "9 Jun 2026", "June 9, 2026", "6/9/2026" (month first) or "2026-06-09".
 * @returns the ISO day, or null where it is none
 */
export function parseDay(text: string): string | null {
  const said = text.trim();
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(said);
  if (iso) return isoDay(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const dayFirst = /^(\d{1,2})\.?\s+([a-z]+)\.?,?\s+(\d{4})$/i.exec(said);
  if (dayFirst) return isoDay(Number(dayFirst[3]), monthCalled(dayFirst[2] ?? ""), Number(dayFirst[1]));
  const monthFirst = /^([a-z]+)\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4})$/i.exec(said);
  if (monthFirst) return isoDay(Number(monthFirst[3]), monthCalled(monthFirst[1] ?? ""), Number(monthFirst[2]));
  const slashes = /^(\d{1,2})\/(\d{1,2})\/(\d{4})$/.exec(said);
  return slashes ? isoDay(Number(slashes[3]), Number(slashes[1]), Number(slashes[2])) : null;
}

function isoDay(year: number, month: number, day: number): string | null {
  const made = new Date(Date.UTC(year, month - 1, day));
  if (year < 1000 || made.getUTCMonth() !== month - 1 || made.getUTCDate() !== day) return null;
  return made.toISOString().slice(0, 10);
}

/**
 * A time of day as people write it: "16:30", "1630", "4:30 pm", "8 am".
 * @returns hours and minutes of 24 hours, "16:30", or null where it is none
 */
export function parseTime(text: string): string | null {
  const said = /^(\d{1,2})(?::?(\d{2}))?\s*(am|pm)?$/i.exec(text.trim().replaceAll(".", ""));
  if (!said) return null;
  const half = said[3]?.toLowerCase();
  const hour = Number(said[1]);
  const minute = Number(said[2] ?? 0);
  if (minute > 59 || (half ? hour < 1 || hour > 12 : hour > 23 || said[2] === undefined)) return null;
  const of24 = half ? (hour % 12) + (half === "pm" ? 12 : 0) : hour;
  return `${String(of24).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;
}

/** The day at the site on which something began: half past four in the afternoon belongs to that day, whatever day it is elsewhere. */
export const siteDay = ({ from, zone }: { from: string; zone: string }): string => dayIn(zone, new Date(from));

/** The time of day at a site, of 24 hours: "16:30". */
export const siteTime = (instant: string, zone: string): string =>
  new Date(instant).toLocaleTimeString("en-GB", { timeZone: zone, hour: "2-digit", minute: "2-digit" });

/** A share in percent, to three figures: "1.6%". */
export const percentOf = (p: number): string => `${Number((100 * p).toPrecision(3))}%`;

/** Square meters or hectares, with sensible precision. */
export const areaText = (m2: number): string =>
  m2 < 10000 ? `${Number(m2.toPrecision(3)).toLocaleString("en")} m²` : `${Number((m2 / 10000).toPrecision(3))} ha`;

/** A day in the middle of a month, 1 to 12, of a year that stands for all. */
export const midMonth = (month: number): string => `2026-${String(month).padStart(2, "0")}-15`;

const monthName = (month: number): string =>
  at(midMonth(month)).toLocaleDateString("en-GB", { month: "long", timeZone: "UTC" });

/** The months of a year for which something holds, as spans over its turn too: "October to January"; empty where it never does. */
export function monthSpans(holds: (month: number) => boolean): string {
  const months = Array.from({ length: 12 }, (_, i) => i + 1).filter(holds);
  if (months.length === 12) return "all year";
  const follows = (month: number) => (month % 12) + 1;
  const firsts = months.filter((month) => !months.some((other) => follows(other) === month));
  return firsts
    .map((first) => {
      let last = first;
      while (months.includes(follows(last))) last = follows(last);
      return last === first ? monthName(first) : `${monthName(first)} to ${monthName(last)}`;
    })
    .join(", ");
}
