import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  buildModel,
  judge,
  newMemory,
  type ObservationInput,
  predictChecks,
  ruledOut,
  towardsName,
  weightsOfEvidence,
} from "@/core/identify";
import { baseKnown } from "@/core/identify/evidence/missing-part";
import type { Lacking } from "@/core/identify/model/model";
import { recordingOf } from "@/core/identify/model/scores";
import { describeObservation } from "@/core/identify/words/observation-words";
import { currentFlora } from "@/flora/load";
import { caseFrom, seen, tinyCase, tinyFlora } from "../support/tiny-flora";

const model = buildModel(currentFlora());
const none: ObservationInput[] = [];
const look = (observations: ObservationInput[]) =>
  judge(model, caseFrom({ day: "2026-06-12", stage: "vegetative", observations }));
const missing = (character: string): ObservationInput => ({ character, answer: "absent" });
const formShare = (observations: ObservationInput[], form: string) =>
  look(observations).flat.taxa.reduce((sum, share, t) => sum + (model.flora.taxa[t].lifeForm === form ? share : 0), 0);
const withoutNone = model.flora.characters.filter((c) => !c.compares && !c.states.some((s) => s.id === "none"));

describe("no such part here", () => {
  it("finds out a plant that was called a grass and is none", () => {
    const called: ObservationInput[] = [{ character: "plant-kind", states: ["grasslike"] }];
    expect(formShare(called, "herb")).toBeLessThan(0.05);
    expect(formShare([...called, missing("ligule-height"), missing("blade-tip")], "herb")).toBeGreaterThan(0.3);
  });

  it("speaks for a plant that never carries the part, against one that does, whatever the part", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...withoutNone),
        fc.nat(model.flora.taxa.length - 1),
        fc.nat(model.flora.taxa.length - 1),
        (character, a, b) => {
          const c = model.characterIndex.get(character.id) as number;
          fc.pre(
            character.stages.includes("vegetative") &&
              !character.when &&
              recordingOf(model, a, c) === "not-applicable" &&
              recordingOf(model, b, c) === "recorded",
          );
          const [before, after] = [none, [missing(character.id)]].map((list) => look(list).flat.taxa);
          expect(after[a] / after[b]).toBeGreaterThan(before[a] / before[b]);
        },
      ),
      { seed: 401, numRuns: 60 },
    );
  });

  it("is said in words, weighed between two plants, and not asked again", () => {
    const judgement = look([missing("ligule-height")]);
    expect(describeObservation(judgement, 0)).toBe("Height of the ligule: no such part");
    const [weight] = weightsOfEvidence(
      judgement,
      model.taxonIndex.get("Daucus carota") as number,
      model.taxonIndex.get("Poa trivialis") as number,
    );
    expect(weight.decibans).toBeGreaterThan(10);
    const again = towardsName(judgement, predictChecks(judgement)).map(
      (check) => model.flora.characters[check.character].id,
    );
    expect(again).not.toContain("ligule-height");
  });

  it("weighs less the less sure one is", () => {
    const against = (["sure", "likely", "guess"] as const).map((sure) =>
      formShare([{ ...missing("ligule-height"), sure }], "grass"),
    );
    expect(against[0]).toBeLessThan(against[1]);
    expect(against[1]).toBeLessThan(against[2]);
    expect(against[2]).toBeLessThan(formShare(none, "grass"));
  });

  it("is the state none where a character has one", () => {
    const tiny = buildModel(tinyFlora());
    const [a, b] = [
      { ...seen("hair", "none"), states: undefined, answer: "absent" as const },
      seen("hair", "none"),
    ].map((o) => judge(tiny, tinyCase([o])).flat.taxa);
    for (const [t, share] of a.entries()) expect(share).toBeCloseTo(b[t], 9);
  });
});

describe("a part that stands on another", () => {
  const at = (id: string) => model.characterIndex.get(id) as number;
  const gated = model.flora.characters.filter((c) => c.when && model.characterIndex.has(c.when.character));
  const fan: ObservationInput = { character: "lobe-plan", states: ["fan"] };
  const lobed: ObservationInput = { character: "leaf-lobes", states: ["deep"] };
  const oddsOf = (observations: ObservationInput[], a: string, b: string) => {
    const shares = look(observations).flat.taxa;
    return shares[model.taxonIndex.get(a) as number] / shares[model.taxonIndex.get(b) as number];
  };

  it("is missing too where what it stands on is missing, however long the chain", () => {
    const whole = model.taxonIndex.get("Ligustrum vulgare") as number;
    expect(["lobe-plan", "notch-angle"].map((id) => recordingOf(model, whole, at(id)))).toEqual([
      "not-applicable",
      "not-applicable",
    ]);
  });

  it("is as likely to be missing as what it stands on", () => {
    fc.assert(
      fc.property(fc.constantFrom(...gated), fc.nat(model.conditions.length - 1), (character, z) => {
        const part = model.lacking[at(character.id)] as Lacking;
        expect(part.base[z]).toBeGreaterThanOrEqual(-1e-9);
        expect(part.base[z]).toBeLessThanOrEqual(1 + 1e-9);
        expect(part.shown[z]).toBeGreaterThan(0);
        expect(part.shown[z]).toBeLessThanOrEqual(1);
      }),
      { seed: 402, numRuns: 300 },
    );
    expect(model.lacking[at("leaf-lobes")]).toBeNull();
  });

  it("speaks, when it is seen, against a plant that often lacks what it stands on", () => {
    const [often, always] = ["Toxicodendron radicans", "Humulus japonicus"];
    const before = oddsOf([], always, often);
    expect(oddsOf([fan], always, often)).toBeGreaterThan(before * 1.5);
  });

  it("tells of it once, however many parts of it are seen, in whatever order", () => {
    const leaflets: ObservationInput = { character: "leaflets", value: 5 };
    const stalk: ObservationInput = { character: "middle-stalk", states: ["same"] };
    const { observations } = look([leaflets, stalk]).case;
    expect(observations.map((o) => baseKnown(model, at(o.character), observations, true)).filter(Boolean)).toHaveLength(
      1,
    );
    const [one, other] = [
      [leaflets, stalk],
      [stalk, leaflets],
    ].map((list) => look(list).flat.taxa);
    for (const [t, share] of one.entries()) expect(share).toBeCloseTo(other[t], 12);
  });

  it("says no more, once it was missing, than that what it stands on was", () => {
    const noEdge = missing("ligule-edge");
    const hairs: ObservationInput = { character: "ligule-kind", states: ["fringe"] };
    const kind: ObservationInput = { character: "plant-kind", states: ["grasslike"] };
    const [alone, both] = [look([kind, hairs]), look([kind, noEdge, hairs])].map((j) => j.flat.taxa);
    for (const [t, share] of both.entries()) expect(share).toBeCloseTo(alone[t], 9);
  });

  it("is not asked for where another part that stands on the same was missing", () => {
    const [open, missed] = [look([]), look([missing("leaflets")])];
    expect(["leaflets", "middle-stalk"].map((id) => ruledOut(open, at(id)))).toEqual([false, false]);
    expect(["middle-stalk", "leaf-ratio"].map((id) => ruledOut(missed, at(id)))).toEqual([true, false]);
  });

  it("says nothing of that any more once it was seen, in whatever order", () => {
    const [often, always] = ["Toxicodendron radicans", "Humulus japonicus"];
    const [one, other] = [oddsOf([lobed, fan], always, often), oddsOf([fan, lobed], always, often)];
    expect(one).toBeCloseTo(other, 9);
    const memory = newMemory();
    const given = caseFrom({ day: "2026-06-12", stage: "vegetative", observations: [fan] });
    judge(model, given, memory);
    given.observations.push(...caseFrom({ day: "2026-06-12", observations: [lobed] }).observations);
    expect(judge(model, given, memory).flat.taxa).toEqual(judge(model, given).flat.taxa);
  });
});
