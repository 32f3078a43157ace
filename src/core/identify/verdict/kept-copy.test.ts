import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { goldenCase, goldenCases as cases, goldenFlora as flora } from "../../../../tests/support/golden";
import type { CompiledFlora } from "../../flora";
import { buildModel, decide, judge, type Model } from "..";

/** The flora with a plant added that is a target in all but its name: the same scores, the same calendar. */
function withCopyOf(name: string): CompiledFlora {
  const at = flora.taxa.findIndex((t) => t.name === name);
  const own = flora.taxa[at];
  return {
    ...flora,
    taxa: [...flora.taxa, { ...own, id: "kept-copy", name: "Copia servanda", interfertile: [] }],
    scores: [
      ...flora.scores,
      ...flora.scores.filter((s) => s.taxon === at).map((s) => ({ ...s, taxon: flora.taxa.length })),
    ],
  };
}

const cleared = cases.filter((c) => c.verdict === "clear" && c.about !== null);
const models = new Map(
  [...new Set(cleared.map((c) => c.about as string))].map((name) => [name, buildModel(withCopyOf(name))]),
);

describe("a kept plant that shows all that a target shows", () => {
  it("always prevents Clear, whatever was seen of it and whatever a mistake costs", () => {
    expect(cleared.length).toBeGreaterThan(5);
    fc.assert(
      fc.property(
        fc.constantFrom(...cleared),
        fc.constantFrom<"kept" | "protected" | "tolerated" | "crop">("kept", "protected", "tolerated", "crop"),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.integer({ min: 0, max: 30 }),
        (golden, status, wrongClear, confirmed) => {
          const name = golden.about as string;
          const judgement = judge(
            models.get(name) as Model,
            goldenCase(golden, {
              list: { "Copia servanda": status },
              costs: { wrongClear, missedTarget: 10, hold: 10 },
              confirmed: { [name]: confirmed },
            }),
          );
          expect(decide(judgement).verdict).not.toBe("clear");
        },
      ),
      { seed: 2511, numRuns: 150 },
    );
  });
});
