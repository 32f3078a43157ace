import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { buildModel, decide, judge, type Judgement, verdictReason } from "@/core/identify";
import { recordingOf } from "@/core/identify/model/scores";
import { currentFlora, loadList } from "@/flora/load";
import { readNotes } from "@/flora/read-notes";
import { caseFrom, seen, tinyCase, tinyFlora } from "../support/tiny-flora";

const model = buildModel(currentFlora());
const list = loadList("otter-valley");
const notes = readNotes();
const judgeNote = (note: (typeof notes)[number]) =>
  judge(
    model,
    caseFrom({
      day: note.day,
      stage: note.stage,
      list: list.status,
      actions: list.actions,
      observations: note.observations,
    }),
  );

describe("kept plants of which little is recorded", () => {
  it("never stand lower, beside the likeliest target, by a look that is not recorded of them", () => {
    fc.assert(
      fc.property(fc.constantFrom(...notes), (note) => {
        const { guarded, local, keptSide } = judgeNote(note);
        const ratio = (shares: Float64Array, t: number, best: number) => shares[t] / shares[best];
        const best = [...keptSide.keys()]
          .filter((t) => !keptSide[t])
          .reduce((a, b) => (local.taxa[b] > local.taxa[a] ? b : a));
        for (const t of keptSide.keys())
          if (keptSide[t])
            expect(ratio(guarded.local.taxa, t, best)).toBeGreaterThanOrEqual(ratio(local.taxa, t, best) * (1 - 1e-9));
        expect(guarded.local.keptSide).toBeGreaterThanOrEqual(local.keptSide - 1e-9);
      }),
      { seed: 411, numRuns: 40 },
    );
  });

  it("are as they are where everything is recorded of them", () => {
    fc.assert(
      fc.property(fc.constantFrom(...notes), (note) => {
        const { guarded, local, keptSide, evidence } = judgeNote(note);
        const best = [...keptSide.keys()]
          .filter((t) => !keptSide[t])
          .reduce((a, b) => (local.taxa[b] > local.taxa[a] ? b : a));
        for (const t of keptSide.keys()) {
          if (!keptSide[t] || evidence.some((item) => item && recordingOf(model, t, item.character) === "not-recorded"))
            continue;
          expect(Math.log(guarded.local.taxa[t] / guarded.local.taxa[best])).toBeCloseTo(
            Math.log(local.taxa[t] / local.taxa[best]),
            6,
          );
        }
      }),
      { seed: 412, numRuns: 20 },
    );
  });

  it("do not fit everything the better for it: the name is ranked by what is recorded", () => {
    const tiny = buildModel(tinyFlora());
    // Of the fourth plant, kept, the sap is not recorded; the first is a target with milk.
    const { local, guarded } = judge(tiny, tinyCase([seen("sap", "milky")]));
    expect(guarded.local.taxa[3] / guarded.local.taxa[0]).toBeGreaterThan(local.taxa[3] / local.taxa[0]);
    expect(local.taxa[0]).toBeGreaterThan(local.taxa[3]);
  });

  it("are not helped at a stage in which they are not met: a plant that comes up from bulbs alone bars no seedling thistle", () => {
    const looks = {
      "plant-kind": "herb",
      "seed-leaf": "oval",
      "first-order": "rosette",
      "first-tip": "spine",
      "first-prickles": "edge",
      "seed-leaf-substance": "thick",
      "seedling-hair": "bristly",
    };
    const observations = Object.entries(looks).map(([character, state]) => ({ character, states: [state] }));
    const seedling = judge(
      model,
      caseFrom({
        day: "2026-05-10",
        stage: "seedling",
        list: list.status,
        actions: list.actions,
        observations,
      }),
    );
    const bulb = model.taxonIndex.get("Camassia quamash") as number;
    expect(model.flora.taxa[bulb].calendar.seedling).toBeUndefined();
    expect(Math.max(seedling.guarded.local.taxa[bulb], seedling.guarded.flat.taxa[bulb])).toBeLessThan(0.001);
  });

  it("still bar a verdict of Clear", () => {
    const tiny = buildModel(tinyFlora());
    const judgement = judge(tiny, tinyCase([seen("sap", "milky")]));
    expect(decide(judgement).verdict).not.toBe("clear");
    expect(decide(judgement).stillFit).toContain(3);
  });

  it("are named with the reason, where nothing but the guard keeps them in the way", () => {
    const beginnings = notes.flatMap((note) =>
      [...note.observations.keys()].slice(4).map((k) => ({ ...note, observations: note.observations.slice(0, k + 1) })),
    );
    const guardAlone = (j: Judgement) =>
      decide(j).verdict === "hold" &&
      !decide(j).leansOn &&
      decide(j).stillFit.length > 0 &&
      Math.max(j.local.keptSide, j.flat.keptSide) <= decide(j).limit;
    const held = beginnings.map(judgeNote).filter(guardAlone);
    const reasons = held.map((judgement) => verdictReason(judgement, decide(judgement)));
    expect(reasons).toContainEqual(expect.stringMatching(/not recorded for .*cannot rule it out/));
  });
});
