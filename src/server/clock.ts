/** Today in a time zone, as an ISO date. The one place where the server reads the clock for days. */
export function todayIn(zone: string): string {
  return new Intl.DateTimeFormat("en-CA", { timeZone: zone, year: "numeric", month: "2-digit", day: "2-digit" }).format(
    new Date(),
  );
}
