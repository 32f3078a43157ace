import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { read, seen, tinyCase, tinyFlora } from "../../../../tests/support/tiny-flora";
import { crossesOf } from "../model/crosses";
import { buildModel, type Case, identify, judge, TUNING } from "..";
import type { Status } from "../../flora";

/** The two apples of the tiny flora, and one of them with a plant that is kept, cross. */
function crossing(pairs: [string, string][]) {
  const flora = tinyFlora();
  return {
    ...flora,
    taxa: flora.taxa.map((t) => ({
      ...t,
      interfertile: pairs.flatMap(([a, b]) => (t.name === a ? [b] : t.name === b ? [a] : [])),
    })),
  };
}
const model = buildModel(
  crossing([
    ["Malus prima", "Bonus prima"],
    ["Malus prima", "Malus secunda"],
  ]),
);
const cross = (a: string, b: string) =>
  model.crosses.findIndex(
    (x) =>
      x.parents
        .map((t) => model.flora.taxa[t].name)
        .sort()
        .join() === [a, b].sort().join(),
  );
const own = cross("Malus prima", "Malus secunda");
const mixed = cross("Malus prima", "Bonus prima");
const anyLook = fc.constantFrom(
  seen("edge", "smooth"),
  seen("edge", "teeth"),
  seen("hair", "none"),
  seen("hair", "some"),
  seen("sap", "milky"),
  seen("sap", "clear"),
  read("length", 5),
  read("length", 9),
);
const anyLooks = fc.uniqueArray(anyLook, { maxLength: 4, selector: (o) => o.character });

describe("crosses", () => {
  it("are listed once for each interfertile pair, whichever of the two says so", () => {
    expect(model.crosses).toHaveLength(2);
    const flora = crossing([["Malus prima", "Malus secunda"]]);
    flora.taxa[0].interfertile = [];
    expect(crossesOf(flora)).toEqual([{ parents: [1, 0] }]);
  });

  it("leave alone the pair whose cross is a plant of the flora", () => {
    const flora = crossing([["Malus prima", "Malus secunda"]]);
    flora.taxa[2] = { ...flora.taxa[2], rank: "hybrid", genus: "Malus" };
    expect(crossesOf(flora)).toEqual([]);
  });

  it("begin as a small share of the rarer parent", () => {
    const { flat } = judge(model, tinyCase());
    expect(flat.crosses[own] / flat.taxa[0]).toBeCloseTo(TUNING.crossShare, 9);
  });

  it("sum to one with the plants and the unknown plant", () => {
    fc.assert(
      fc.property(anyLooks, (looks) => {
        for (const p of [judge(model, tinyCase(looks)).local, judge(model, tinyCase(looks)).flat])
          expect([...p.taxa, ...p.crosses, p.unknown].reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      }),
      { seed: 81 },
    );
  });

  it("count on the kept side if one parent is kept, and not if both are targets", () => {
    fc.assert(
      fc.property(anyLooks, fc.constantFrom<Status>("kept", "protected", "target"), (looks, status) => {
        const list: Case["list"] = {
          "Malus prima": "target",
          "Malus secunda": "target",
          "Bonus prima": status,
          "Bonus rara": "kept",
        };
        const { local } = judge(model, tinyCase(looks, { list }));
        const kept = local.unknown + local.taxa[3] + (status === "target" ? 0 : local.taxa[2] + local.crosses[mixed]);
        expect(local.keptSide).toBeCloseTo(kept, 9);
      }),
      { seed: 82 },
    );
  });

  it("rise above both parents where each parent shows in a different part", () => {
    const { flat } = judge(
      model,
      tinyCase([seen("edge", "smooth"), seen("sap", "milky"), seen("hair", "none"), read("length", 8)]),
    );
    const prior = TUNING.crossShare;
    expect(flat.crosses[mixed] / flat.taxa[0]).toBeGreaterThan(prior * 3);
  });

  it("have numbers between those of their parents", () => {
    const rise = (value: number) => {
      const { flat } = judge(model, tinyCase([read("length", value)]));
      return flat.crosses[mixed] / (flat.taxa[0] + flat.taxa[2]);
    };
    expect(rise(7.5)).toBeGreaterThan(rise(5));
    expect(rise(7.5)).toBeGreaterThan(rise(13));
  });

  it("are told with their parents", () => {
    const answer = identify(model, tinyCase([seen("edge", "smooth"), read("length", 7.5)]));
    expect(answer.hybrids.map((h) => [...h.parents].sort())).toContainEqual(["Bonus prima", "Malus prima"]);
    expect(answer.candidates.map((c) => c.taxon)).not.toContain(undefined);
  });
});
