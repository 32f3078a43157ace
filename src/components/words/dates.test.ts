import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { areaText, fullDay, longDay, monthSpans, shortDay } from "./dates";

describe("days in words", () => {
  it("do not depend on where the reader's clock stands", () => {
    expect(shortDay("2026-06-09")).toBe("9 June");
    expect(longDay("2026-06-09")).toBe("Tuesday, 9 June 2026");
    expect(fullDay("2026-12-31T23:59:59Z")).toBe("31 December 2026");
  });
});

describe("months in words", () => {
  it.each([
    [[4, 5, 6, 7], "April to July"],
    [[10, 11, 12, 1], "October to January"],
    [[3, 6, 7], "March, June to July"],
    [[], ""],
    [[1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], "all year"],
  ])("%j", (months, words) => expect(monthSpans((month) => months.includes(month))).toBe(words));
});

describe("areas in words", () => {
  it.each([
    [0.5, "0.5 m²"],
    [312.4, "312 m²"],
    [9999, "10,000 m²"],
    [10000, "1 ha"],
    [123456, "12.3 ha"],
  ])("%d", (area, words) => expect(areaText(area)).toBe(words));
  it("always carry their unit and are never out by more than half a hundredth", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 1e7, noNaN: true }), (area) => {
        const [, number, unit] = /^([\d.,]+) (m²|ha)$/.exec(areaText(area)) as RegExpExecArray;
        const read = Number(number.replace(/,/g, "")) * (unit === "ha" ? 10000 : 1);
        expect(Math.abs(read - area) / area).toBeLessThan(0.0051);
      }),
      { seed: 141 },
    );
  });
});
