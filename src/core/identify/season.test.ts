import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { tinyFlora } from "../../../tests/support/tiny-flora";
import { STAGES } from "./flora-types";
import { dayOfYear, monthOf, stageBegins, stageShares, stageStatedChance } from "./season";

const [plant] = tinyFlora().taxa;
const anyDay = fc.date({ min: new Date("2024-01-01"), max: new Date("2029-12-31"), noInvalidDate: true }).map((d) => d.toISOString().slice(0, 10));

describe("days of the year", () => {
  it("stay between 0 and 365 in both hemispheres, half a year apart", () => {
    fc.assert(
      fc.property(anyDay, (day) => {
        const north = dayOfYear(day, "north");
        const south = dayOfYear(day, "south");
        for (const d of [north, south]) {
          expect(d).toBeGreaterThanOrEqual(0);
          expect(d).toBeLessThan(365);
        }
        expect((((north - south + 365) % 365) + 365) % 365).toBeCloseTo(182.5, 9);
      }),
      { seed: 101 },
    );
  });

  it("fall in the month that the date names", () => {
    fc.assert(
      fc.property(anyDay, (day) => {
        expect(monthOf(dayOfYear(day, "north"))).toBe(Number(day.slice(5, 7)));
      }),
      { seed: 102 },
    );
  });
});

describe("stages through the year", () => {
  it("begin on a day on or after the one asked, on which that stage is at its fullest", () => {
    fc.assert(
      fc.property(anyDay, fc.constantFrom("vegetative", "flowering", "fruiting", "winter" as const), fc.constantFrom("north", "south" as const), (day, stage, hemisphere) => {
        const begins = stageBegins(plant, stage as "winter", day, hemisphere as "north");
        expect(begins).not.toBeNull();
        expect((begins as string) >= day).toBe(true);
        const shares = stageShares(plant, dayOfYear(begins as string, hemisphere as "north"));
        expect(shares[STAGES.indexOf(stage as "winter")]).toBeGreaterThanOrEqual(Math.max(...shares) - 1e-9);
      }),
      { seed: 103, numRuns: 60 },
    );
  });

  it("begin in the first month of theirs that comes, leap years and the day after their end included", () => {
    fc.assert(
      fc.property(anyDay, fc.integer({ min: 1, max: 12 }), fc.integer({ min: 0, max: 10 }), (day, first, more) => {
        const months = Array.from({ length: more + 1 }, (_, i) => ((first - 1 + i) % 12) + 1);
        const begins = stageBegins({ ...plant, calendar: { flowering: [[first, months[more]]] } }, "flowering", day, "north") as string;
        const month = (iso: string) => Number(iso.slice(5, 7));
        expect(months).toContain(month(begins));
        expect(begins >= day).toBe(true);
        if (begins > day) {
          expect(begins.slice(8)).toBe("01");
          expect(months).not.toContain(month(day));
          expect(month(begins)).toBe(first);
        }
      }),
      { seed: 104 },
    );
  });

  it("never begin where a plant has none", () => expect(stageBegins(plant, "seedling", "2026-01-01", "north")).toBeNull());

  it("are told right more often than wrong, and wrongly more often for the stage next to it", () => {
    for (const truth of STAGES) {
      for (const stated of STAGES) if (stated !== truth) expect(stageStatedChance(truth, truth)).toBeGreaterThan(5 * stageStatedChance(stated, truth));
    }
    expect(stageStatedChance("flowering", "fruiting")).toBeGreaterThan(stageStatedChance("flowering", "seedling"));
  });
});
