import fc from "fast-check";
import { expect, it } from "vitest";
import { hoursOfWeek, weekOf } from "./index";

it("a week begins on Monday", () => {
  expect(["2026-11-30", "2026-12-01", "2026-12-06"].map(weekOf)).toEqual(["2026-11-30", "2026-11-30", "2026-11-30"]);
  expect(weekOf("2026-12-07")).toBe("2026-12-07");
});

it("hours are shared over days and people, and what is done needs none", () => {
  const work = [
    { days: ["2026-11-30", "2026-12-08"], people: ["a", "b"], hours: 8, doneShare: 0 },
    { days: ["2026-12-01"], people: ["a"], hours: 4, doneShare: 0.25 },
    { days: ["2026-12-01"], people: ["c"], hours: 4, doneShare: 1 },
  ];
  expect([...hoursOfWeek(work, "2026-11-30")]).toEqual([
    ["a", 5],
    ["b", 2],
  ]);
});

it("over all weeks every hour is someone's", () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 5 }),
      fc.integer({ min: 1, max: 4 }),
      fc.double({ min: 0.5, max: 50, noNaN: true }),
      (offsets, count, hours) => {
        const day = (i: number) => new Date(Date.UTC(2026, 5, 1 + i)).toISOString().slice(0, 10);
        const work = [
          { days: offsets.map(day), people: Array.from({ length: count }, (_, i) => `${i}`), hours, doneShare: 0 },
        ];
        let sum = 0;
        for (let i = 0; i < 70; i += 7) for (const h of hoursOfWeek(work, weekOf(day(i))).values()) sum += h;
        expect(sum).toBeCloseTo(hours, 6);
      },
    ),
  ));
