import { TZDate } from "@date-fns/tz";

/** A wall-clock time in a zone as an instant (ISO with offset); the text itself if it is no time, for the schema to refuse. */
export function fromZonedTime(local: string, zone: string): string {
  const match = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})$/.exec(local);
  if (!match) return local;
  const [year, month, day, hour, minute] = match.slice(1).map(Number);
  return new Date(new TZDate(year, month - 1, day, hour, minute, 0, zone).getTime()).toISOString();
}

/** An instant as wall-clock time in a zone, e.g. "9 June 2026, 14:05". */
export function inZone(iso: string, zone: string): string {
  return new Intl.DateTimeFormat("en-GB", {
    timeZone: zone,
    day: "numeric",
    month: "long",
    year: "numeric",
    hour: "2-digit",
    minute: "2-digit",
  }).format(new Date(iso));
}

/** Whether a name is that of a time zone, such as "America/Los_Angeles". */
export function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat("en", { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}
