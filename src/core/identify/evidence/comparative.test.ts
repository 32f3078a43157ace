import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { read, seen, tinyCase, tinyFlora } from "../../../../tests/support/tiny-flora";
import { buildModel, predictChecks, judge, type Observation, weightsOfEvidence } from "..";
import { compare, COMPARED } from "./comparative";

const flora = tinyFlora();
const model = buildModel({
  ...flora,
  characters: [
    ...flora.characters,
    {
      ...flora.characters[0],
      id: "beside",
      name: "Length beside another",
      block: "size",
      mistake: "ordered",
      comparative: true,
      compares: "length",
      states: COMPARED.map((id) => ({ id, name: id, help: "" })),
    },
  ],
});
const beside = (state: string, against?: string): Observation => seen("beside", state, against ? { against } : {});
const at = (name: string) => model.firstCondition[model.taxonIndex.get(name) as number];
const chances = (name: string, against: string) =>
  COMPARED.map((_, o) => (compare(model, 5, beside("same", against), "o")?.rows ?? [])[at(name) * 3 + o]);

describe("two plants side by side", () => {
  it("have three answers that sum to one for every plant, whatever stands beside it", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...flora.taxa.map((t) => t.name)),
        fc.constantFrom(...flora.taxa.map((t) => t.name)),
        (name, against) => {
          expect(chances(name, against).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
        },
      ),
      { seed: 61 },
    );
  });

  it("say the opposite when they change places", () => {
    const [less, same, more] = chances("Malus prima", "Bonus prima");
    const turned = chances("Bonus prima", "Malus prima");
    expect(turned[0]).toBeCloseTo(more, 6);
    expect(turned[1]).toBeCloseTo(same, 6);
    expect(turned[2]).toBeCloseTo(less, 6);
    expect(less).toBeGreaterThan(0.8);
  });

  it("point to the short plant if it is shorter than the long one, and weigh as much as a measure would", () => {
    const { flat } = judge(model, tinyCase([beside("less", "Bonus prima")]));
    expect(flat.taxa[0]).toBeGreaterThan(flat.taxa[2] * 3);
    const [weight] = weightsOfEvidence(judge(model, tinyCase([beside("less", "Bonus prima")])), 0, 2);
    expect(weight.decibans).toBeGreaterThan(3);
    expect(weight.seen).toContain("than Bonus prima");
  });

  it("go wrong together with other sizes", () => {
    expect(
      judge(model, tinyCase([beside("less", "Bonus prima"), read("length", 5)])).blocks.get("size")?.members,
    ).toHaveLength(2);
  });

  it("are never asked by themselves: nobody knows what stands beside", () => {
    expect(
      predictChecks(judge(model, tinyCase())).checks.map((c) => model.flora.characters[c.character].id),
    ).not.toContain("beside");
  });

  it.each([
    ["no other plant", beside("less"), "no-other-plant"],
    ["another plant that the flora does not hold", beside("less", "Nulla planta"), "unknown-taxon"],
    ["a state that is none", beside("twice", "Bonus prima"), "unknown-state"],
  ])("refuse %s", (_, observation, code) => {
    expect(() => judge(model, tinyCase([observation]))).toThrow(expect.objectContaining({ code }));
  });

  it("say nothing beside a plant that was never measured", () => {
    const bare = buildModel({
      ...model.flora,
      scores: model.flora.scores.filter((s) => !(s.character === 4 && s.taxon === 2)),
    });
    expect(judge(bare, tinyCase([beside("less", "Bonus prima")])).evidence).toEqual([null]);
  });
});
