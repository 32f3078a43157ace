import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { areaText, fullDay, longDay, monthSpans, parseDay, parseTime, shortDay } from "./dates";

describe("days in words", () => {
  it("do not depend on where the reader's clock stands", () => {
    expect(shortDay("2026-06-09")).toBe("9 June");
    expect(longDay("2026-06-09")).toBe("Tuesday, 9 June 2026");
    expect(fullDay("2026-12-31T23:59:59Z")).toBe("31 December 2026");
  });
});

describe("a day or a time that was typed", () => {
  it("is read back as it was written", () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date("1950-01-01"), max: new Date("2099-12-31"), noInvalidDate: true }),
        (date) => {
          const iso = date.toISOString().slice(0, 10);
          expect(parseDay(fullDay(iso))).toBe(iso);
          expect(parseDay(iso)).toBe(iso);
        },
      ),
    );
  });

  it.each([
    ["9 Jun 2026", "2026-06-09"],
    ["June 9, 2026", "2026-06-09"],
    ["june 9th 2026", "2026-06-09"],
    ["6/9/2026", "2026-06-09"],
    ["13/6/2026", null],
    ["30 February 2026", null],
    ["9 Ju 2026", null],
    ["9 June", null],
    ["yesterday", null],
    ["", null],
  ])("a day: %s", (said, iso) => expect(parseDay(said)).toBe(iso));

  it.each([
    ["16:30", "16:30"],
    ["1630", "16:30"],
    ["7:05", "07:05"],
    ["4:30 pm", "16:30"],
    ["12 a.m.", "00:00"],
    ["12 pm", "12:00"],
    ["24:00", null],
    ["16:75", null],
    ["13 pm", null],
    ["16", null],
  ])("a time: %s", (said, time) => expect(parseTime(said)).toBe(time));
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
