import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { tinyFlora } from "../../../../tests/support/tiny-flora";
import { dayOfYear, REFERENCE, stageBegins, stageShares } from "../../flora";
import { cumulative, type FourPoints, minimumWidth, quantile, readingChance, readingHalfWidth } from "./measures";
import { confusionTable } from "./observer";

const points = fc
  .array(fc.double({ min: 0, max: 500, noNaN: true }), { minLength: 4, maxLength: 4 })
  .map((v) => [...v].sort((a, b) => a - b) as FourPoints);

describe("four-point distribution", () => {
  it("holds 80 % between the inner and 99 % between the outer points", () => {
    const p: FourPoints = [2, 10, 30, 44];
    expect(cumulative(p, 30, 0.1) - cumulative(p, 10, 0.1)).toBeCloseTo(0.8, 6);
    expect(cumulative(p, 44, 0.1) - cumulative(p, 2, 0.1)).toBeCloseTo(0.99, 6);
  });

  it("rises from 0 to 1 and never falls, for any four points", () => {
    fc.assert(
      fc.property(
        points,
        fc.double({ min: -100, max: 700, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (p, x, step) => {
          const [a, b] = [cumulative(p, x, 0.3), cumulative(p, x + step, 0.3)];
          expect(a).toBeGreaterThanOrEqual(0);
          expect(b).toBeLessThanOrEqual(1);
          expect(b).toBeGreaterThanOrEqual(a - 1e-12);
        },
      ),
      { seed: 21 },
    );
  });

  it("is inverted by the quantile", () => {
    fc.assert(
      fc.property(points, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (p, share) => {
        expect(cumulative(p, quantile(p, share, 0.3), 0.3)).toBeCloseTo(share, 4);
      }),
      { seed: 22 },
    );
  });

  it("keeps a constant count apart from its neighbours", () => {
    const three: FourPoints = [3, 3, 3, 3];
    expect(cumulative(three, 3.5, 0.8) - cumulative(three, 2.5, 0.8)).toBeGreaterThan(0.8);
  });

  it("keeps small ratios apart: a leaf's stalk of a tenth of the blade is not one of a third", () => {
    const chance = (points: FourPoints, value: number) =>
      readingChance(points, value, readingHalfWidth("ratio", value, 1, 1), minimumWidth("ratio"));
    const [short, long]: FourPoints[] = [
      [0.07, 0.1, 0.2, 0.25],
      [0.22, 0.28, 0.55, 0.7],
    ];
    expect(chance(short, 0.12)).toBeGreaterThan(50 * chance(long, 0.12));
    expect(chance(long, 0.4)).toBeGreaterThan(50 * chance(short, 0.4));
  });

  it("narrows the observer's part by the root of the repeats", () =>
    expect(readingHalfWidth("measure", 100, 4, 1)).toBeCloseTo(readingHalfWidth("measure", 100, 1, 1) / 2, 9));
});

describe("observer", () => {
  const flora = tinyFlora();
  it("makes rows that sum to 1 at any error and sureness", () => {
    for (const error of [0, 0.05, 0.2])
      for (const sure of ["sure", "likely", "guess"] as const)
        for (const c of flora.characters.filter((x) => x.states.length)) {
          const table = confusionTable(c, error, sure);
          for (let r = 0; r < 2; r++) expect(table[2 * r] + table[2 * r + 1]).toBeCloseTo(1, 12);
        }
  });
  it("misses hair more often than it imagines hair", () => {
    const table = confusionTable(flora.characters[1], 0.05, "sure");
    expect(table[2]).toBeGreaterThan(3 * table[1]);
  });
  it("spreads the error over the other states only", () =>
    expect(confusionTable(flora.characters[0], 0, "sure")[1]).toBe(0));
});

describe("season", () => {
  const [taxon] = tinyFlora().taxa;
  it("counts days of the year, 29 February as the 28th, and half a year on in the south", () => {
    expect(dayOfYear("2026-01-01", REFERENCE)).toBe(0);
    expect(dayOfYear("2028-02-29", REFERENCE)).toBe(dayOfYear("2028-02-28", REFERENCE));
    expect(dayOfYear("2026-12-31", REFERENCE)).toBe(364);
    expect(Math.abs(dayOfYear("2026-01-01", { ...REFERENCE, hemisphere: "south" }) - 182.5)).toBeLessThan(1);
  });
  it("shares the stages, summing to 1, on every day", () => {
    for (let d = 0; d < 365; d += 5) expect(stageShares(taxon, d).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
  });
  it("names the first day of a stage, over the turn of the year too, and null if there is none", () => {
    expect(stageBegins(taxon, "flowering", "2026-05-01", REFERENCE)).toBe("2026-06-01");
    expect(stageBegins(taxon, "flowering", "2026-07-01", REFERENCE)).toBe("2026-07-01");
    expect(stageBegins(taxon, "winter", "2026-05-01", REFERENCE)?.startsWith("2026-11")).toBe(true);
    expect(stageBegins(taxon, "seedling", "2026-05-01", REFERENCE)).toBeNull();
  });
});
