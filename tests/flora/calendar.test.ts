import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  allBegin,
  type Climate,
  dayOfYear,
  monthOf,
  MOST_SHIFT,
  REFERENCE,
  stageBegins,
  stageShares,
} from "@/core/flora/calendar";
import { STAGES } from "@/core/flora/types";
import { stageStatedChance } from "@/core/identify/posterior/stage-stated";
import { currentFlora } from "@/flora/load";
import { tinyFlora } from "../support/tiny-flora";

const [plant] = tinyFlora().taxa;
const anyDay = fc
  .date({ min: new Date("2024-01-01"), max: new Date("2029-12-31"), noInvalidDate: true })
  .map((d) => d.toISOString().slice(0, 10));

const SOUTH: Climate = { ...REFERENCE, hemisphere: "south" };
const anyClimate = fc.record({
  hemisphere: fc.constantFrom("north" as const, "south" as const),
  seasonShift: fc.integer({ min: -MOST_SHIFT, max: MOST_SHIFT }),
});
const dayAfter = (day: string, days = 1) =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86400e3).toISOString().slice(0, 10);

describe("days of the year", () => {
  it("stay between 0 and 365 in both hemispheres, half a year apart", () => {
    fc.assert(
      fc.property(anyDay, (day) => {
        const north = dayOfYear(day, REFERENCE);
        const south = dayOfYear(day, SOUTH);
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
        expect(monthOf(dayOfYear(day, REFERENCE))).toBe(Number(day.slice(5, 7)));
      }),
      { seed: 102 },
    );
  });
});

describe("a district's warmth", () => {
  it("bends the year without ever turning it back", () => {
    fc.assert(
      fc.property(anyDay, anyClimate, (day, climate) => {
        const step = (dayOfYear(dayAfter(day), climate) - dayOfYear(day, climate) + 365) % 365;
        if (day.endsWith("-02-28") || day.endsWith("-02-29")) return;
        expect(step).toBeGreaterThan(0.25);
        expect(step).toBeLessThan(1.75);
      }),
      { seed: 105 },
    );
  });

  it("brings spring later and autumn earlier where it is colder, and leaves midwinter and midsummer", () => {
    const cold: Climate = { ...REFERENCE, seasonShift: 20 };
    expect(dayOfYear("2026-04-15", REFERENCE) - dayOfYear("2026-04-15", cold)).toBeCloseTo(20, 0);
    expect(dayOfYear("2026-10-15", cold) - dayOfYear("2026-10-15", REFERENCE)).toBeCloseTo(20, 0);
    for (const day of ["2026-01-15", "2026-07-16"])
      expect(dayOfYear(day, cold)).toBeCloseTo(dayOfYear(day, REFERENCE), 0);
  });

  it("names the first day of a stage: the day before is not yet in it", () => {
    fc.assert(
      fc.property(
        anyDay,
        anyClimate,
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 0, max: 6 }),
        (day, climate, first, more) => {
          const one = {
            ...plant,
            calendar: {
              flowering: [[first, ((first + more - 1) % 12) + 1]] as [number, number][],
              winter: [[1, 12]] as [number, number][],
            },
          };
          const inFlower = (at: string) => stageShares(one, dayOfYear(at, climate))[STAGES.indexOf("flowering")] > 0.49;
          const begins = stageBegins(one, "flowering", day, climate) as string;
          expect(inFlower(begins)).toBe(true);
          if (begins > day) expect(stageBegins(one, "flowering", dayAfter(begins, -1), climate)).toBe(begins);
        },
      ),
      { seed: 106 },
    );
  });
});

describe("stages through the year", () => {
  it("begin on a day on or after the one asked, on which that stage is at its fullest", () => {
    fc.assert(
      fc.property(
        anyDay,
        fc.constantFrom("vegetative", "flowering", "fruiting", "winter" as const),
        anyClimate,
        (day, stage, climate) => {
          const begins = stageBegins(plant, stage as "winter", day, climate);
          expect(begins).not.toBeNull();
          expect((begins as string) >= day).toBe(true);
          const shares = stageShares(plant, dayOfYear(begins as string, climate));
          expect(shares[STAGES.indexOf(stage as "winter")]).toBeGreaterThanOrEqual(Math.max(...shares) - 1e-9);
        },
      ),
      { seed: 103, numRuns: 60 },
    );
  });

  it("begin in the first month of theirs that comes, leap years and the day after their end included", () => {
    fc.assert(
      fc.property(anyDay, fc.integer({ min: 1, max: 12 }), fc.integer({ min: 0, max: 10 }), (day, first, more) => {
        const months = Array.from({ length: more + 1 }, (_, i) => ((first - 1 + i) % 12) + 1);
        const begins = stageBegins(
          { ...plant, calendar: { flowering: [[first, months[more]]] } },
          "flowering",
          day,
          REFERENCE,
        ) as string;
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

  it("never begin where a plant has none", () =>
    expect(stageBegins(plant, "seedling", "2026-01-01", REFERENCE)).toBeNull());

  it("are told right more often than wrong, and wrongly more often for the stage next to it", () => {
    for (const truth of STAGES) {
      for (const stated of STAGES)
        if (stated !== truth)
          expect(stageStatedChance(truth, truth)).toBeGreaterThan(5 * stageStatedChance(stated, truth));
    }
    expect(stageStatedChance("flowering", "fruiting")).toBeGreaterThan(stageStatedChance("flowering", "seedling"));
  });
});

describe("a day on which several plants show a stage", () => {
  const { taxa } = currentFlora();
  const named = (name: string) => taxa.find((t) => t.name === name) as (typeof taxa)[number];
  const inStage = (taxon: (typeof taxa)[number], stage: (typeof STAGES)[number], day: string, climate: Climate) =>
    stageBegins(taxon, stage, day, climate) === day;

  it("is not the day on which the last begins, where the first has ended by then", () => {
    // the carrot still bears its old umbels in November; when the hemlock has seed again, in June, the carrot has none yet
    expect(allBegin([named("Conium maculatum"), named("Daucus carota")], "fruiting", "2026-11-27", REFERENCE)).toBe(
      "2027-07-01",
    );
  });

  it("has all of them in it, whatever the order, and no day before it has, where their months meet", () => {
    fc.assert(
      fc.property(
        fc.subarray(taxa, { minLength: 2, maxLength: 3 }),
        fc.constantFrom(...STAGES),
        anyDay,
        anyClimate,
        (plants, stage, day, climate) => {
          const from = allBegin(plants, stage, day, climate);
          expect(allBegin([...plants].reverse(), stage, day, climate)).toBe(from);
          expect(from === null).toBe(plants.some((t) => !t.calendar[stage]));
          if (from === null) return;
          expect(from >= day).toBe(true);
          if (!plants.every((t) => inStage(t, stage, from, climate))) return;
          const before = Array.from({ length: 400 }, (_, i) => dayAfter(day, i)).filter((d) => d < from);
          for (const d of before) expect(plants.every((t) => inStage(t, stage, d, climate))).toBe(false);
        },
      ),
      { seed: 107, numRuns: 60 },
    );
  });
});
