import { InputError } from "../errors";

/** Before this day nobody writes a finding: what is older is a slip of the pen. */
const EARLIEST_DAY = "1950-01-01";
const DAY_MS = 86_400_000;

/** The day it is at a place: ISO date of an instant in a time zone. */
export function dayIn(zone: string, instant: Date): string {
  return new Intl.DateTimeFormat("en-CA", { timeZone: zone, year: "numeric", month: "2-digit", day: "2-digit" }).format(
    instant,
  );
}

/** ISO date so many days after another; before it where `days` is below 0. */
export function addDays(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
}

/**
 * A day on which someone says that something was seen or done. A device's clock may be a day ahead.
 * @param today the site's day
 * @throws {InputError} where it lies before 1950 or after tomorrow
 */
export function mustBePast(field: string, day: string, today: string): void {
  const latest = addDays(today, 1);
  if (!(day >= EARLIEST_DAY && day <= latest))
    throw new InputError("day-out-of-range", field, day, `give a day from ${EARLIEST_DAY} to ${latest}`);
}

/**
 * The season that a day belongs to, by the year in which it begins: a label's limit for a season counts within one. North of the
 * equator it is the calendar's year; south of it, it begins in July, in the middle of winter.
 */
export function seasonOf(day: string, hemisphere: "north" | "south"): number {
  const [year, month] = day.split("-").map(Number);
  return hemisphere === "south" && month < 7 ? year - 1 : year;
}
