import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { adviseMethods, type Ground, inMonths, lastDayBeforeSeed, type MethodCase } from "@/core/control";
import { dayOfYear, monthOf, REFERENCE, STAGES } from "@/core/flora";
import { currentFlora } from "@/flora/load";
import { readShippedMethods } from "@/server/flora/method-book";

const { book } = readShippedMethods();
const flora = currentFlora();
const far = { known: "none-within", meters: 5000, by: "the map" } as const;
const open: Ground = { noProduct: false, noMachines: false, grazed: false, hayed: false, foraged: false, water: far };
const advice = (asked: Pick<MethodCase, "taxon" | "stage" | "day"> & Partial<MethodCase>) =>
  adviseMethods(book, { ground: open, size: { infestedM2: 50 }, told: [], climate: REFERENCE, ...asked });
const anyTaxon = fc.constantFrom(...flora.taxa);
const anyStage = fc.constantFrom(...STAGES);
const anyDay = fc
  .date({ min: new Date("2025-01-01"), max: new Date("2027-12-31"), noInvalidDate: true })
  .map((d) => d.toISOString().slice(0, 10));
const anyClimate = fc.record({
  hemisphere: fc.constantFrom("north" as const, "south" as const),
  seasonShift: fc.constantFrom(0, 0, -25, 30),
});

describe("months", () => {
  it("run over the turn of the year", () => {
    expect([11, 12, 1, 2].every((m) => inMonths("11-2", m))).toBe(true);
    expect([3, 6, 10].some((m) => inMonths("11-2", m))).toBe(false);
  });
  it("of a range and of the rest of the year never overlap", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 11 }),
        fc.integer({ min: 1, max: 12 }),
        (first, length, month) => {
          const last = ((first + length - 2) % 12) + 1;
          const next = (last % 12) + 1;
          const before = ((first + 10) % 12) + 1;
          if (length === 12) return;
          expect(inMonths(`${first}-${last}`, month)).toBe(!inMonths(`${next}-${before}`, month));
        },
      ),
      { seed: 111 },
    );
  });
});

describe("the window of a method", () => {
  it("opens no earlier than the day asked, closes no earlier than it opens, within a year", () => {
    fc.assert(
      fc.property(anyTaxon, anyStage, anyDay, anyClimate, (taxon, stage, day, climate) => {
        for (const { window } of advice({ taxon, stage, day, climate })) {
          if (!window) continue;
          expect(window.from >= day).toBe(true);
          expect(window.to >= window.from).toBe(true);
          expect(Date.parse(window.to) - Date.parse(day)).toBeLessThanOrEqual(366 * 86400e3);
        }
      }),
      { seed: 112, numRuns: 40 },
    );
  });

  it("that opens later opens in a month that suits the method", () => {
    fc.assert(
      fc.property(anyTaxon, anyStage, anyDay, anyClimate, (taxon, stage, day, climate) => {
        for (const { method, answer, window } of advice({ taxon, stage, day, climate })) {
          if (answer !== "not-now" || !window) continue;
          expect(
            inMonths(method.months, monthOf(dayOfYear(window.from, climate))),
            `${taxon.name} ${method.id} ${window.from}`,
          ).toBe(true);
        }
      }),
      { seed: 113, numRuns: 40 },
    );
  });
});

describe("site rules only ever take away", () => {
  const rank = { eligible: 2, "not-now": 1, never: 0 };
  it.each<Partial<Ground>>([
    { noProduct: true },
    { noMachines: true },
    { hayed: true },
    { water: { known: "at", meters: 3, by: "the map" } },
  ])("%j", (rule) => {
    fc.assert(
      fc.property(anyTaxon, anyStage, anyDay, (taxon, stage, day) => {
        // Without products, cutting for years is offered where a treated stump would be better.
        const free = new Map(advice({ taxon, stage, day }).map((a) => [a.method.id, rank[a.answer]]));
        for (const { method, answer } of advice({ taxon, stage, day, ground: { ...open, ...rule } }))
          if (!(rule.noProduct && method.id === "cut-repeat"))
            expect(rank[answer], method.id).toBeLessThanOrEqual(free.get(method.id) as number);
      }),
      { seed: 114, numRuns: 30 },
    );
  });
});

describe("hours", () => {
  it("grow with the area and never fall under half an hour", () => {
    const [taxon] = flora.taxa;
    const hours = (area: number) =>
      new Map(
        advice({ taxon, stage: "vegetative", day: "2026-05-01", size: { infestedM2: area } }).map((a) => [
          a.method.id,
          a.hours,
        ]),
      );
    const areas = [1, 50, 500, 5000];
    for (let i = 1; i < areas.length; i++) {
      const [less, more] = [hours(areas[i - 1]), hours(areas[i])];
      expect(Math.min(...less.values())).toBeGreaterThanOrEqual(0.5);
      for (const [id, h] of more) expect(h).toBeGreaterThanOrEqual(less.get(id) as number);
    }
  });
});

describe("the last day before seed", () => {
  it("comes the day before fruiting begins, and never for a plant without fruit", () => {
    const fruiting = flora.taxa.find((t) => t.name === "Jacobaea vulgaris") as (typeof flora.taxa)[number];
    const last = lastDayBeforeSeed(fruiting, "2026-03-01", REFERENCE) as string;
    expect(last >= "2026-03-01").toBe(true);
    expect(last.slice(8)).toMatch(/^(28|29|30|31)$/);
    expect(lastDayBeforeSeed({ ...fruiting, calendar: {} }, "2026-03-01", REFERENCE)).toBeNull();
  });
});
