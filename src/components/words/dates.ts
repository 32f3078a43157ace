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
export const fullDay = (iso: string): string =>
  at(iso).toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });

/** A share in percent, to three figures: "1.6%". */
export const percentOf = (p: number): string => `${Number((100 * p).toPrecision(3))}%`;

/** Square metres or hectares, with sensible precision. */
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
