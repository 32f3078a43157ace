import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { seen, tinyFlora } from "../../../../tests/support/tiny-flora";
import { buildModel } from "..";
import { evidenceOf } from "./evidence-of";
import { chanceOfAll } from "./state";

/** Every way in which n parts may show states, one after another. */
function everyOutcome(states: number, n: number): number[][] {
  if (n === 0) return [[]];
  return everyOutcome(states, n - 1).flatMap((before) => Array.from({ length: states }, (_, s) => [...before, s]));
}

const shares = fc
  .array(fc.double({ min: 0.001, max: 1, noNaN: true }), { minLength: 2, maxLength: 5 })
  .map((raw) => raw.map((x) => x / raw.reduce((a, b) => a + b, 0)));

describe("states seen together on one plant", () => {
  it("have the joint probability that is found by going through all that the parts may show", () => {
    fc.assert(
      fc.property(shares, fc.integer({ min: 1, max: 3 }), (rows, wanted) => {
        const n = Math.min(wanted, rows.length);
        const byReport = new Map<string, number>();
        for (const outcome of everyOutcome(rows.length, n)) {
          const report = [...new Set(outcome)].sort().join(" ");
          const chance = outcome.reduce((product, s) => product * rows[s], 1);
          byReport.set(report, (byReport.get(report) ?? 0) + chance);
        }
        let sum = 0;
        for (const [report, chance] of byReport) {
          const named = report.split(" ").map(Number);
          if (named.length === n) expect(chanceOfAll(rows, 0, named)).toBeCloseTo(chance, 12);
          sum += named.length === n ? chanceOfAll(rows, 0, named) : chance;
        }
        expect(sum).toBeCloseTo(1, 12);
      }),
      { seed: 2505, numRuns: 200 },
    );
  });

  it("count once each, and are likelier of a plant that shows both than of one that shows one", () => {
    const flora = tinyFlora();
    const edge = flora.characters.findIndex((c) => c.id === "edge");
    flora.scores = flora.scores.map((s) =>
      s.taxon === 0 && s.character === edge
        ? { ...s, shares: flora.characters[edge].states.map((_, i) => (i < 2 ? 0.5 : 0)) }
        : s,
    );
    const model = buildModel(flora);
    const [first, second] = flora.characters[edge].states.map((s) => s.id);
    const chance = (states: string[]) => {
      const item = evidenceOf(model, { ...seen("edge", first), states, join: "all" }, 0, null);
      return [0, 1].map((t) => (item as NonNullable<typeof item>).chance[model.firstCondition[t] + 1]);
    };
    const [both, one] = chance([first, second]);
    expect(both).toBeGreaterThan(1.5 * one);
    expect(chance([first, first, second])).toEqual(chance([first, second]));
  });
});
