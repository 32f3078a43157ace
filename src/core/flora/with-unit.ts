/** A number, or a range in words, with its unit: "12 cm", "4 to 9 florets", and of one alone "1 floret". */
export function withUnit(value: number | string, unit = ""): string {
  const isOne = String(value) === "1";
  return `${value} ${isOne && /^[a-z]{4,}s$/.test(unit) ? unit.slice(0, -1) : unit}`.trim();
}
