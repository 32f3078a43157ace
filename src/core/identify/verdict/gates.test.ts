import { describe, expect, it } from "vitest";
import { goldenCase, goldenCases, goldenModel as model } from "../../../../tests/support/golden";
import { seen } from "../../../../tests/support/tiny-flora";
import { buildModel, type CaseInput, decide, gateOf, type Judgement, judge, TUNING } from "..";
import { guardedWithout } from "../posterior/leave-out";
import { twinsOfPlantInTheWay } from "./twins-in-the-way";

/** Every golden case, and what was known on the way to it; with plants that the district knows well, too. */
const judgements: Judgement[] = goldenCases.flatMap((golden) => {
  const { observations } = goldenCase(golden);
  return observations.flatMap((_, n) =>
    [undefined, { "Heracleum maximum": 400, "Celastrus scandens": 400 }].map((confirmed) =>
      judge(model, goldenCase(golden, { confirmed, observations: observations.slice(0, n + 1) })),
    ),
  );
});
const telling = (j: Judgement) => j.evidence.filter(Boolean).length;
const clear = judgements.filter((j) => decide(j).verdict === "clear");

describe("the gates", () => {
  it("keep where both priors give the kept side its share, and under one alone never", () => {
    let oneAlone = 0;
    for (const j of judgements) {
      const { verdict } = decide(j);
      const both = [j.local, j.flat].map((p) => p.keptSide >= TUNING.keepShare);
      if (both[0] !== both[1]) oneAlone++;
      if (verdict !== "unknown" && telling(j) > 0) expect(verdict === "keep").toBe(both[0] && both[1]);
    }
    expect(oneAlone).toBeGreaterThan(3);
  });

  it("clear only where the kept side is under the limit under both priors as the guard sees it", () => {
    expect(clear.length).toBeGreaterThan(8);
    for (const j of clear)
      for (const p of [j.guarded.local, j.guarded.flat]) expect(p.keptSide).toBeLessThanOrEqual(gateOf(j).limit);
  });

  it("never clear beside a kept plant of which nothing that was seen is recorded", () => {
    let missedWithoutGuard = 0;
    for (const { case: cleared } of clear) {
      const seenHere = new Set(cleared.observations.map((o) => model.characterIndex.get(o.character)));
      const kept = model.taxonIndex.get("Heracleum maximum");
      const silent = buildModel({
        ...model.flora,
        scores: model.flora.scores.filter((s) => s.taxon !== kept || !seenHere.has(s.character)),
      });
      const j = judge(silent, cleared);
      const under = [j.local, j.flat].every((p) => p.keptSide <= gateOf(j).limit);
      const { limit, group } = gateOf(j);
      if (![j.guarded.local, j.guarded.flat].some((p) => p.keptSide > limit)) continue;
      if (under) missedWithoutGuard++;
      expect(group).toBeNull();
      expect(decide(j).verdict).not.toBe("clear");
    }
    expect(missedWithoutGuard).toBeGreaterThan(0);
  });

  it("clear only where no block of checks carries the verdict", () => {
    for (const j of clear)
      for (const block of j.blocks.values())
        for (const p of guardedWithout(j, new Set(block.members)))
          expect(p.keptSide).toBeLessThanOrEqual(TUNING.leaveOneOut * gateOf(j).limit);
  });

  it("ask for a report first where the cleared plant is on watch, and only there", () => {
    for (const j of clear) {
      const name = model.flora.taxa[decide(j).about].name;
      const status = (watch: "watch" | "target") =>
        decide(judge(model, { ...j.case, list: { ...j.case.list, [name]: watch } }));
      const [watched, target] = [status("watch"), status("target")];
      expect(watched.reportFirst).toBe(watched.verdict === "clear");
      expect(target.reportFirst).toBe(false);
    }
  });
});

describe("a twin that the flora does not include", () => {
  const thistle = model.taxonIndex.get("Cirsium vulgare") as number;
  const twins = (observations: CaseInput["observations"]) =>
    twinsOfPlantInTheWay(
      judge(model, goldenCase(goldenCases[0], { day: "2026-06-28", stage: "flowering", observations })),
      thistle,
    );
  const guess = (character: string, state: string) => ({ ...seen(character, state), sure: "guess" as const });

  it("stays in the way until two checks rule it out", () => {
    expect(twins([])).toHaveLength(1);
    const once = twins([seen("stem-wings", "whole"), guess("leaf-hair-above", "prickly"), guess("leaf-lobes", "deep")]);
    expect(once).toHaveLength(1);
    expect(once[0].looks).toEqual([]);
    expect(once[0].again).toEqual([model.characterIndex.get("stem-wings")]);
    expect(
      twins([seen("stem-wings", "whole"), seen("leaf-hair-above", "prickly"), guess("leaf-lobes", "deep")]),
    ).toEqual([]);
  });

  it("stays in the way where one check fits it, whatever rules it out", () => {
    const fits = twins([
      seen("stem-wings", "whole"),
      seen("leaf-hair-above", "prickly"),
      seen("leaf-lobes", "shallow"),
    ]);
    expect(fits).toMatchObject([{ fits: true, again: [model.characterIndex.get("leaf-lobes")] }]);
  });
});
