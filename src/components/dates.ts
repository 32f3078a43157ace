const at = (iso: string) => new Date(`${iso.slice(0, 10)}T00:00:00Z`);

/** "9 June" */
export const shortDay = (iso: string): string => at(iso).toLocaleDateString("en-GB", { day: "numeric", month: "long", timeZone: "UTC" });
/** "Tuesday, 9 June 2026" */
export const longDay = (iso: string): string => at(iso).toLocaleDateString("en-GB", { weekday: "long", day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });
/** "9 June 2026" */
export const fullDay = (iso: string): string => at(iso).toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });

/** Square metres or hectares, with sensible precision. */
export const areaText = (m2: number): string => (m2 < 10000 ? `${Number(m2.toPrecision(3)).toLocaleString("en")} m²` : `${Number((m2 / 10000).toPrecision(3))} ha`);
