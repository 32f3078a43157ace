/** A day in words, the same everywhere: "9 June 2026". @param iso day or instant; of an instant the day at the meridian */
export const dayWords = (iso: string): string =>
  new Date(`${iso.slice(0, 10)}T00:00:00Z`).toLocaleDateString("en-GB", {
    day: "numeric",
    month: "long",
    year: "numeric",
    timeZone: "UTC",
  });
