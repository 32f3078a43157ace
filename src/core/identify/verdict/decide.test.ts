import { describe, expect, it } from "vitest";
import { read, seen, tinyCase, tinyFlora } from "../../../../tests/support/tiny-flora";
import { buildModel, decide, identify, judge, keptLimit } from "..";

const model = buildModel(tinyFlora());

describe("verdict", () => {
  it("is open before anything is seen", () => expect(decide(judge(model, tinyCase())).verdict).toBe("open"));

  it("holds while a kept plant still fits, and names it", () => {
    const j = judge(model, tinyCase([seen("edge", "smooth"), seen("hair", "some"), read("length", 5)]));
    const result = decide(j);
    expect(result.verdict).toBe("hold");
    expect(result.stillFit.map((t) => model.flora.taxa[t].name)).toContain("Bonus rara");
  });

  it("names first the kept plant that is likeliest here, as the field shows it", () => {
    for (const observations of [
      [seen("edge", "smooth")],
      [seen("edge", "smooth"), seen("hair", "some"), read("length", 5)],
      [seen("hair", "none"), seen("sap", "clear")],
    ]) {
      const j = judge(model, tinyCase(observations));
      const { stillFit } = decide(j);
      for (const t of stillFit) expect(j.local.taxa[t]).toBeLessThanOrEqual(j.local.taxa[stillFit[0]]);
      expect(new Set(stillFit).size).toBe(stillFit.length);
    }
  });

  it("keeps where the kept side holds, and says so", () => {
    const result = identify(
      model,
      tinyCase([seen("edge", "teeth"), seen("hair", "none"), seen("sap", "clear"), read("length", 12)]),
    );
    expect(result.verdict).toBe("keep");
    expect(result.because).toMatch(/leave it/);
  });

  it("puts a limit of at most 2 %, lower where wrong clearing costs more", () => {
    expect(keptLimit({ wrongClear: 10, missedTarget: 10, hold: 1 })).toBe(0.02);
    expect(keptLimit({ wrongClear: 10000, missedTarget: 10, hold: 1 })).toBeCloseTo(0.000999, 5);
  });

  it("says which plants need not be told apart", () => {
    const result = identify(model, tinyCase([seen("edge", "smooth"), seen("hair", "some")]));
    expect(result.sameTreatment[0]).toEqual(expect.arrayContaining(["Malus prima", "Malus secunda"]));
  });
});
