import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { read, seen, tinyCase, tinyFlora } from "../../../../tests/support/tiny-flora";
import { InputError } from "../../errors";
import type { Observation } from "../case/case";
import { judge } from "../posterior/judge";
import { buildModel } from "..";
import { evidenceOf } from "./evidence-of";

const model = buildModel(tinyFlora());
const NAMES = ["Malus prima", "Malus secunda", "Bonus prima", "Bonus rara"];

/** Chance of an observation on a plant in leaf. */
function chanceOf(taxon: string, observation: Observation): number {
  const t = NAMES.indexOf(taxon);
  const z = model.conditions.findIndex((c) => c.taxon === t && c.stage === 1);
  return (evidenceOf(model, observation, 0, null) as NonNullable<ReturnType<typeof evidenceOf>>).chance[z];
}

function refusal(observation: Observation): InputError {
  try {
    evidenceOf(model, observation, 2, null);
  } catch (error) {
    if (error instanceof InputError) return error;
  }
  throw new Error("was not refused");
}

describe("what one observation says", () => {
  it("shares out all answers of a character: their chances sum to 1 on every plant", () => {
    for (const id of ["edge", "hair", "sap"]) {
      const { states } = model.flora.characters[model.characterIndex.get(id) as number];
      for (const taxon of NAMES) {
        const sum = states.reduce((total, s) => total + chanceOf(taxon, seen(id, s.id)), 0);
        expect(sum, `${taxon} ${id}`).toBeCloseTo(1, 6);
      }
    }
  });

  it("gives 'one of these' the sum of the two", () => {
    const either = seen("edge", "smooth", { states: ["smooth", "teeth"] });
    expect(chanceOf("Malus prima", either)).toBeCloseTo(1, 6);
  });

  it("takes 'checked and absent' as all but the states named", () => {
    const absent = seen("hair", "some", { answer: "absent" });
    expect(chanceOf("Malus prima", absent)).toBeCloseTo(1 - chanceOf("Malus prima", seen("hair", "some")), 6);
  });

  it("says less the less sure the scout is", () => {
    const ratio = (sure: string) => {
      const o = seen("sap", "milky", { sure });
      return chanceOf("Malus prima", o) / chanceOf("Malus secunda", o);
    };
    expect(ratio("sure")).toBeGreaterThan(ratio("likely"));
    expect(ratio("likely")).toBeGreaterThan(ratio("guess"));
    expect(ratio("guess")).toBeGreaterThan(1);
  });

  it("reads k of n as a binomial: 9 of 10 smooth fits a smooth plant, 1 of 10 does not", () => {
    const many = seen("edge", "smooth", { of: { yes: 9, n: 10 } });
    const few = seen("edge", "smooth", { of: { yes: 1, n: 10 } });
    expect(chanceOf("Malus prima", many)).toBeGreaterThan(chanceOf("Bonus prima", many));
    expect(chanceOf("Malus prima", few)).toBeLessThan(chanceOf("Bonus prima", few));
  });

  it("makes a part seen out of its stage unlikely, not impossible", () => {
    const petals = seen("petals", "five");
    const inLeaf = chanceOf("Malus prima", petals);
    const t = NAMES.indexOf("Malus prima");
    const flowering = model.conditions.findIndex((c) => c.taxon === t && c.stage === 2);
    const evidence = evidenceOf(model, petals, 0, null);
    expect(inLeaf).toBeGreaterThan(0);
    expect(inLeaf).toBeLessThan((evidence?.chance[flowering] ?? 0) / 5);
  });

  it("says nothing where nothing was told", () => {
    expect(evidenceOf(model, seen("sap", "milky", { answer: "cannot-tell" }), 0, null)).toBeNull();
    expect(evidenceOf(model, seen("petals", "five", { answer: "not-there-yet" }), 0, null)).toBeNull();
  });
});

describe("a measured character", () => {
  it("prefers the plant whose range holds the reading, for any reading inside it", () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 14, noNaN: true }), (x) => {
        expect(chanceOf("Bonus prima", read("length", x))).toBeGreaterThan(chanceOf("Malus prima", read("length", x)));
      }),
      { seed: 71 },
    );
  });

  it("never rules a plant out, however far off the reading", () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 360, noNaN: true }), (x) => {
        for (const taxon of NAMES) expect(chanceOf(taxon, read("length", x))).toBeGreaterThan(0);
      }),
      { seed: 72 },
    );
  });

  it("tells more with repeated readings that agree", () => {
    const ratio = (o: Observation) => chanceOf("Malus prima", o) / chanceOf("Bonus prima", o);
    const once = read("length", 5);
    const often = read("length", 5, { value: undefined, values: [5, 5, 5, 5, 5, 5] });
    expect(ratio(often)).toBeGreaterThan(0.9 * ratio(once));
  });
});

describe("an observation that is not right is refused with the field, the value and what would be right", () => {
  it("an unknown character", () => {
    expect(refusal(seen("glow", "yes")).toJSON()).toEqual({
      code: "unknown-character",
      field: "observations.2.character",
      got: "glow",
      wanted: "give a character of the vocabulary",
    });
  });
  it("an unknown state", () => {
    expect(refusal(seen("edge", "wavy")).toJSON()).toMatchObject({
      code: "unknown-state",
      field: "observations.2.states",
      got: "wavy",
      wanted: "give one of smooth, teeth",
    });
  });
  it("no state at all", () => {
    expect(refusal(seen("edge", "smooth", { states: undefined })).code).toBe("no-state");
  });
  it("no number where one is wanted", () => {
    expect(refusal(read("length", 1, { value: undefined })).toJSON()).toMatchObject({
      code: "no-value",
      wanted: "give a number in cm",
    });
  });
  it("through the whole engine, and nothing is judged by halves", () => {
    expect(() => judge(model, tinyCase([seen("sap", "clear"), seen("edge", "wavy")]))).toThrow(
      /observations\.1\.states/,
    );
  });
  it.each([
    ["a state of what is measured", seen("length", "long"), "wrong-kind", "observations.2.states"],
    [
      "plants counted of what is measured",
      read("length", 3, { of: { yes: 1, n: 2 } }),
      "wrong-kind",
      "observations.2.of",
    ],
    ["a number for what has states", seen("edge", "smooth", { value: 4 }), "wrong-kind", "observations.2.value"],
    [
      "more plants than were looked at",
      seen("edge", "smooth", { of: { yes: 5, n: 4 } }),
      "more-than-all",
      "observations.2.of",
    ],
    [
      "another plant where none is compared",
      seen("edge", "smooth", { against: "Malus secunda" }),
      "not-comparative",
      "observations.2.against",
    ],
    ["a length that no plant comes near", read("length", 5000), "out-of-range", "observations.2.value"],
  ])("%s", (_, observation, code, field) => {
    expect(refusal(observation).toJSON()).toMatchObject({ code, field });
  });
});

describe("observations that cannot stand together", () => {
  it.each([
    ["two states that shut each other out", seen("edge", "smooth"), seen("edge", "teeth"), "contradiction"],
    ["seen and absent", seen("hair", "some"), seen("hair", "some", { answer: "absent" }), "contradiction"],
    ["the same look twice", seen("edge", "smooth"), seen("edge", "smooth"), "twice"],
  ])("%s", (_, first, second, code) => {
    expect(() => judge(model, tinyCase([first, second]))).toThrow(expect.objectContaining({ code }));
  });
  it("but low and high leaves are two looks", () => {
    expect(() =>
      judge(
        model,
        tinyCase([seen("edge", "smooth", { position: "low" }), seen("edge", "teeth", { position: "high" })]),
      ),
    ).not.toThrow();
  });
});
