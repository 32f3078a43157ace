import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { read, seen, tinyCase, tinyFlora } from "../../../../tests/support/tiny-flora";
import type { Observation } from "../case/case";
import { weightsOfEvidence } from "../compare/weights-of-evidence";
import { predictChecks } from "../next/next-check";
import { judge } from "../posterior/judge";
import { taxonLog } from "../posterior/judgement";
import { decide } from "../verdict/decide";
import { buildModel } from "..";
import { checkReason, untested } from "./check-words";
import { describeObservation, plainName } from "./observation-words";
import { describeScore, namedStates } from "./score-words";
import { verdictReason } from "./verdict-words";

const model = buildModel(tinyFlora());
const words = (observation: Observation) => describeObservation(judge(model, tinyCase([observation])), 0);
const [prima, kept, rare] = [0, 2, 3];

describe("what was seen, in words", () => {
  it.each<[Observation, string]>([
    [seen("edge", "smooth"), "edge: smooth"],
    [seen("edge", "smooth", { sure: "likely" }), "edge: smooth (likely)"],
    [seen("edge", "smooth", { sure: "guess" }), "edge: smooth (a guess)"],
    [seen("edge", "smooth", { states: ["smooth", "teeth"] }), "edge: smooth or teeth"],
    [seen("edge", "smooth", { states: ["smooth", "teeth"], join: "all" }), "edge: smooth and teeth"],
    [seen("hair", "some", { answer: "absent" }), "hair: checked and absent: some"],
    [seen("hair", "some", { answer: "cannot-tell" }), "hair: can't tell"],
    [seen("petals", "four", { answer: "not-there-yet" }), "petals: not there yet"],
    [seen("edge", "smooth", { of: { yes: 3, n: 4 } }), "edge: smooth in 3 of 4 plants"],
    [seen("edge", "smooth", { of: { yes: 1, n: 2 }, other: "teeth" }), "edge: smooth on one plant, teeth on another"],
    [read("length", 4.5), "length: 4.5 cm"],
    [read("length", 4.5, { half: 0.123 }), "length: 4.5 ± 0.12 cm"],
    [read("length", 4.5, { other: 6.25 }), "length: 4.5 cm on one plant, 6.25 on another"],
    [read("length", 4, { value: undefined, values: [4, 5, 6], sure: "likely" }), "length: 4, 5, 6 cm (likely)"],
  ])("%#", (observation, expected) => expect(words(observation)).toBe(expected));

  it("calls a plant by its first common name, with a capital", () => {
    const named = buildModel({
      ...tinyFlora(),
      taxa: tinyFlora().taxa.map((t) => ({ ...t, common: ["red thing", "other"] })),
    });
    expect(plainName({ model: named }, 0)).toBe("Red thing");
    const bare = buildModel({ ...tinyFlora(), taxa: tinyFlora().taxa.map((t) => ({ ...t, common: [] })) });
    expect(plainName({ model: bare }, 0)).toBe("Malus prima");
  });
});

describe("weights of evidence", () => {
  it("turn their sign with the order of the two plants, for any observation", () => {
    const anything = fc.constantFrom(
      seen("edge", "smooth"),
      seen("edge", "teeth"),
      seen("hair", "some"),
      seen("sap", "milky"),
      read("length", 5),
      read("length", 12),
    );
    fc.assert(
      fc.property(anything, (observation) => {
        const judgement = judge(model, tinyCase([observation]));
        const [forward] = weightsOfEvidence(judgement, prima, kept);
        const [backward] = weightsOfEvidence(judgement, kept, prima);
        expect(forward.decibans).toBeCloseTo(-backward.decibans, 9);
      }),
      { seed: 81 },
    );
  });

  it("add up to the whole where the observations stand in blocks of their own", () => {
    const judgement = judge(model, tinyCase([seen("edge", "smooth"), seen("hair", "some"), seen("sap", "milky")]));
    const sum = weightsOfEvidence(judgement, prima, kept).reduce((total, w) => total + w.decibans, 0);
    const whole = (10 * (taxonLog(judgement.likelihoods, prima) - taxonLog(judgement.likelihoods, kept))) / Math.LN10;
    const nothing = judge(model, tinyCase([]));
    const before = (10 * (taxonLog(nothing.likelihoods, prima) - taxonLog(nothing.likelihoods, kept))) / Math.LN10;
    expect(Math.abs(sum - (whole - before))).toBeLessThan(1.5);
  });

  it("give none to what could not be told", () => {
    expect(
      weightsOfEvidence(judge(model, tinyCase([seen("sap", "milky", { answer: "cannot-tell" })])), prima, kept)[0]
        .decibans,
    ).toBe(0);
  });
});

describe("what a plant was not tested by", () => {
  it("is said for a kept plant whose part is not recorded", () => {
    const judgement = judge(model, tinyCase([seen("sap", "milky")]));
    const item = untested(judgement).find((u) => u.taxon === rare);
    expect(item?.characters).toEqual(["sap"]);
    expect(untested(judgement).some((u) => u.taxon === prima)).toBe(false);
  });
});

describe("reasons", () => {
  const reason = (observations: Observation[], extra = {}) => {
    const judgement = judge(model, tinyCase(observations, extra));
    return { result: decide(judgement), text: verdictReason(judgement, decide(judgement)) };
  };
  it("say that nothing was seen", () => {
    expect(reason([]).text).toBe("Nothing has been seen yet. Start with the easiest check.");
  });
  it("name what still fits when holding", () => {
    const { result, text } = reason([seen("edge", "smooth"), seen("hair", "some"), read("length", 5)]);
    expect(result.verdict).toBe("hold");
    expect(text).toMatch(/Bonus rara.*still fits?\..*not to be treated here\./);
  });
  it("tell to leave what is kept", () => {
    const { result, text } = reason([
      seen("edge", "teeth"),
      seen("hair", "none"),
      seen("sap", "clear"),
      read("length", 12),
    ]);
    expect(result.verdict).toBe("keep");
    expect(text).toMatch(/leave it/);
  });
  it("warn of the hazard of a kept plant all the same", () => {
    const flora = tinyFlora();
    flora.taxa[kept].hazards = { people: "The sap blisters." };
    const own = buildModel(flora);
    const judgement = judge(
      own,
      tinyCase([seen("edge", "teeth"), seen("hair", "none"), seen("sap", "clear"), read("length", 12)]),
    );
    expect(verdictReason(judgement, decide(judgement))).toContain("The sap blisters.");
  });
  it("say what stands in the way where no plant to keep does by itself", () => {
    const judgement = judge(model, tinyCase([seen("edge", "smooth"), seen("hair", "some"), seen("sap", "milky")]));
    const { local, flat, guarded } = judgement;
    const [unknown, all] = [
      Math.max(local.unknown, flat.unknown),
      Math.max(guarded.local.keptSide, guarded.flat.keptSide),
    ];
    expect(all).toBeGreaterThan(1.01 * unknown);
    const said = (limit: number) =>
      verdictReason(judgement, {
        ...decide(judgement),
        verdict: "hold",
        stillFit: [],
        crossFits: -1,
        leansOn: null,
        twinsInTheWay: [],
        limit,
      });
    expect(said(unknown / 2)).toMatch(/^A plant that is not in this flora still fits too well/);
    expect(said((unknown + all) / 2)).toMatch(
      /^No single plant stands in the way\. Plants to keep and plants that are not in this flora add up to [\d.]+%, over your limit of [\d.]+%/,
    );
    expect(said(2 * all)).toBe(
      "The plants that still fit are treated in more than one way here. Tell them apart before acting.",
    );
  });
  it("say of a check what it parts and what kit it needs", () => {
    const judgement = judge(model, tinyCase([seen("edge", "smooth")]));
    const sap = predictChecks(judgement).checks.find((c) => model.flora.characters[c.character].id === "sap");
    expect(sap).toBeDefined();
    if (sap) expect(checkReason(judgement, sap)).toMatch(/^Tells .+ \(.+\) from .+ \(.+\)\./);
  });
});

describe("what a plant shows, in words", () => {
  const [edge, sap, length] = [0, 2, 4];
  it("names the commonest states first, and those that are drawn beside them are the same", () => {
    expect(describeScore({ model }, rare, edge, "vegetative")).toBe("smooth or teeth");
    expect(namedStates(model, rare, edge, "vegetative")).toEqual(["smooth", "teeth"]);
    expect(namedStates(model, rare, edge, "vegetative", 1)).toEqual(["smooth"]);
    expect(describeScore({ model }, kept, edge, "vegetative")).toBe("teeth");
    expect(namedStates(model, kept, edge, "vegetative")).toEqual(["teeth"]);
  });
  it("has no states for a measure, and says nothing where nothing is recorded", () => {
    expect(namedStates(model, kept, length, "vegetative")).toEqual([]);
    expect(describeScore({ model }, kept, length, "vegetative")).toBe("10 to 14 cm");
    expect(namedStates(model, rare, sap, "vegetative")).toEqual([]);
    expect(describeScore({ model }, rare, sap, "vegetative")).toBe("");
  });
});
