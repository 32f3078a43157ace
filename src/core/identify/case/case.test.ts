import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { caseSchema, DEFAULT_COSTS, observationSchema } from "./case";

const faults = (value: unknown) => caseSchema.safeParse(value).error?.issues.map((i) => i.path.join(".")) ?? [];
const minimal = { day: "2026-05-01" };

describe("a case as it comes from outside", () => {
  it("needs only a day; the rest has its defaults", () => {
    expect(caseSchema.parse(minimal)).toMatchObject({
      hemisphere: "north",
      stage: null,
      observations: [],
      costs: DEFAULT_COSTS,
    });
  });

  it.each([
    ["no day", {}, "day"],
    ["a day that is none", { day: "2026-02-30" }, "day"],
    ["a hemisphere that is none", { ...minimal, hemisphere: "east" }, "hemisphere"],
    ["a stage that is none", { ...minimal, stage: "old" }, "stage"],
    ["a status that is none", { ...minimal, list: { "Malus prima": "hated" } }, "list.Malus prima"],
    ["a cost of nothing", { ...minimal, costs: { wrongClear: 0 } }, "costs.wrongClear"],
    ["a count below nothing", { ...minimal, confirmed: { "Malus prima": -1 } }, "confirmed.Malus prima"],
    ["a tool that is none", { ...minimal, kit: ["laser"] }, "kit.0"],
    [
      "a measure below nothing",
      { ...minimal, observations: [{ character: "length", value: -3 }] },
      "observations.0.value",
    ],
    [
      "no states in a list of states",
      { ...minimal, observations: [{ character: "edge", states: [] }] },
      "observations.0.states",
    ],
    [
      "more observations than anyone makes",
      { ...minimal, observations: Array.from({ length: 301 }, () => ({ character: "edge", states: ["smooth"] })) },
      "observations",
    ],
  ])("refuses %s and names the field", (_, value, field) => expect(faults(value)).toContain(field));

  it("reads again what it wrote", () => {
    const observation = fc.record({
      character: fc.constantFrom("edge", "hair"),
      states: fc.array(fc.constantFrom("a", "b"), { minLength: 1, maxLength: 2 }),
      sure: fc.constantFrom("sure", "likely", "guess"),
      answer: fc.constantFrom("seen", "absent", "cannot-tell"),
    });
    fc.assert(
      fc.property(fc.array(observation, { maxLength: 5 }), (observations) => {
        const once = caseSchema.parse({ ...minimal, observations });
        expect(caseSchema.parse(JSON.parse(JSON.stringify(once)))).toEqual(once);
      }),
      { seed: 91 },
    );
  });

  it("takes what is not a number for no number", () => {
    for (const value of [Number.NaN, Number.POSITIVE_INFINITY, "5"])
      expect(observationSchema.safeParse({ character: "length", value }).success).toBe(false);
  });
});
