import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { seen, tinyCase, tinyFlora } from "../../../tests/support/tiny-flora";
import { currentFlora } from "@/flora/load";
import { buildModel, caseSchema, foreseeChecks, judge, type ObservationInput, towardsName, weightsOfEvidence } from "./index";
import { describeObservation } from "./explain";
import { recordingOf } from "./model";

const model = buildModel(currentFlora());
const none: ObservationInput[] = [];
const look = (observations: ObservationInput[]) => judge(model, caseSchema.parse({ day: "2026-06-12", stage: "vegetative", observations }));
const missing = (character: string): ObservationInput => ({ character, answer: "absent" });
const formShare = (observations: ObservationInput[], form: string) => look(observations).flat.taxa.reduce((sum, share, t) => sum + (model.flora.taxa[t].lifeForm === form ? share : 0), 0);
const withoutNone = model.flora.characters.filter((c) => !c.compares && !c.states.some((s) => s.id === "none"));

describe("no such part here", () => {
  it("finds out a plant that was called a grass and is none", () => {
    const called: ObservationInput[] = [{ character: "plant-kind", states: ["grasslike"] }];
    expect(formShare(called, "herb")).toBeLessThan(0.05);
    expect(formShare([...called, missing("ligule-height"), missing("blade-tip")], "herb")).toBeGreaterThan(0.3);
  });

  it("speaks for a plant that never carries the part, against one that does, whatever the part", () => {
    fc.assert(
      fc.property(fc.constantFrom(...withoutNone), fc.nat(model.flora.taxa.length - 1), fc.nat(model.flora.taxa.length - 1), (character, a, b) => {
        const c = model.characterIndex.get(character.id) as number;
        fc.pre(character.stages.includes("vegetative") && !character.when && recordingOf(model, a, c) === "not-applicable" && recordingOf(model, b, c) === "recorded");
        const [before, after] = [none, [missing(character.id)]].map((list) => look(list).flat.taxa);
        expect(after[a] / after[b]).toBeGreaterThan(before[a] / before[b]);
      }),
      { seed: 401, numRuns: 60 },
    );
  });

  it("is said in words, weighed between two plants, and not asked again", () => {
    const judgement = look([missing("ligule-height")]);
    expect(describeObservation(judgement, 0)).toBe("Height of the ligule: no such part");
    const [weight] = weightsOfEvidence(judgement, model.taxonIndex.get("Daucus carota") as number, model.taxonIndex.get("Poa trivialis") as number);
    expect(weight.decibans).toBeGreaterThan(10);
    const again = towardsName(judgement, foreseeChecks(judgement)).map((check) => model.flora.characters[check.character].id);
    expect(again).not.toContain("ligule-height");
  });

  it("weighs less the less sure one is", () => {
    const against = (["sure", "likely", "guess"] as const).map((sure) => formShare([{ ...missing("ligule-height"), sure }], "grass"));
    expect(against[0]).toBeLessThan(against[1]);
    expect(against[1]).toBeLessThan(against[2]);
    expect(against[2]).toBeLessThan(formShare(none, "grass"));
  });

  it("is the state none where a character has one", () => {
    const tiny = buildModel(tinyFlora());
    const [a, b] = [{ ...seen("hair", "none"), states: undefined, answer: "absent" as const }, seen("hair", "none")].map((o) => judge(tiny, tinyCase([o])).flat.taxa);
    for (const [t, share] of a.entries()) expect(share).toBeCloseTo(b[t], 9);
  });
});
