import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { refusalOf } from "../../../../tests/support/refusal";
import { seen, tinyFlora } from "../../../../tests/support/tiny-flora";
import type { Observation } from "../case/case";
import { withSecondPlant } from "../case/with-second-plant";
import { buildModel } from "..";
import { evidenceOf } from "./evidence-of";

const model = buildModel(tinyFlora());
const NAMES = ["Malus prima", "Malus secunda", "Bonus prima", "Bonus rara"];
const CHARACTERS = ["edge", "hair", "sap"];
const statesOf = (id: string) => model.flora.characters[model.characterIndex.get(id) as number].states.map((s) => s.id);

function chanceOf(taxon: string, observation: Observation): number {
  const t = NAMES.indexOf(taxon);
  const z = model.conditions.findIndex((c) => c.taxon === t && c.stage === 1);
  return (evidenceOf(model, observation, 0, null) as NonNullable<ReturnType<typeof evidenceOf>>).chance[z];
}

describe("what several plants of a patch show", () => {
  it.each(CHARACTERS)("shares out all that two of them may show, %s", (id) => {
    for (const taxon of NAMES) {
      const pairs = statesOf(id).flatMap((a) =>
        statesOf(id).map((b) => chanceOf(taxon, withSecondPlant(seen(id, a), seen(id, b)))),
      );
      expect(
        pairs.reduce((x, y) => x + y, 0),
        taxon,
      ).toBeCloseTo(1, 5);
    }
  });
  it("says of one of one plant what that plant says, where that is recorded", () => {
    for (const id of CHARACTERS)
      for (const state of statesOf(id))
        for (const taxon of NAMES.slice(0, 3))
          expect(chanceOf(taxon, seen(id, state, { of: { yes: 1, n: 1 } }))).toBeCloseTo(
            chanceOf(taxon, seen(id, state)),
            6,
          );
  });
  it("shares out the numbers of those that show it among n, in every order", () => {
    const choose = (n: number, k: number): number => (k === 0 ? 1 : (choose(n - 1, k - 1) * n) / k);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.constantFrom(...NAMES),
        fc.constantFrom(...CHARACTERS),
        (n, taxon, id) => {
          let sum = 0;
          for (let yes = 0; yes <= n; yes++)
            sum += choose(n, yes) * chanceOf(taxon, seen(id, statesOf(id)[0], { of: { yes, n } }));
          expect(sum).toBeCloseTo(1, 5);
        },
      ),
      { seed: 7, numRuns: 60 },
    );
  });
  it("takes what goes against a plant for one mistake of the flora, not for one with each plant", () => {
    const [one, two, four] = [
      seen("edge", "teeth"),
      seen("edge", "teeth", { of: { yes: 2, n: 2 } }),
      seen("edge", "teeth", { of: { yes: 4, n: 4 } }),
    ].map((o) => Math.log(chanceOf("Malus prima", o) / chanceOf("Bonus prima", o)));
    expect(one).toBeLessThan(-1);
    expect(two).toBeGreaterThan(2 * one);
    expect(four).toBeGreaterThan(3 * one);
  });
  it("forgives a plant most of what the first showed where the second shows what it should", () => {
    const against = Math.log(
      chanceOf("Malus prima", seen("edge", "teeth")) / chanceOf("Bonus prima", seen("edge", "teeth")),
    );
    const both = withSecondPlant(seen("edge", "teeth"), seen("edge", "smooth"));
    expect(both).toMatchObject({ states: ["teeth"], of: { yes: 1, n: 2 }, other: "smooth" });
    expect(Math.log(chanceOf("Malus prima", both) / chanceOf("Bonus prima", both))).toBeGreaterThan(0.8 * against);
  });
  it("refuses another state that is none, or is not one of two", () => {
    const half = { of: { yes: 1, n: 2 } };
    expect(refusalOf(model, seen("edge", "teeth", { ...half, other: "woolly" }))).toEqual({
      code: "unknown-state",
      field: "observations.0.other",
    });
    for (const wrong of [
      seen("edge", "teeth", { other: "smooth" }),
      seen("edge", "teeth", { ...half, other: "teeth" }),
      seen("edge", "teeth", { of: { yes: 2, n: 2 }, other: "smooth" }),
      { ...seen("edge", "teeth", { ...half, other: "smooth" }), states: ["teeth", "smooth"] },
    ])
      expect(refusalOf(model, wrong)).toEqual({ code: "not-one-of-two", field: "observations.0.other" });
    expect(refusalOf(model, seen("edge", "teeth", { ...half, other: "smooth" }))).toBeNull();
  });
});
