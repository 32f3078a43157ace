import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { STAGES } from "../flora";
import type { LabelLimits } from "./label-limits";
import { askLabel, type GroupUse, type LabelUse, seasonsRunning } from "./label-use";

const MEADOW = "01920000-0000-7000-8000-0000000000a1";
const BANK = "01920000-0000-7000-8000-0000000000a2";
const use: LabelUse = { siteId: MEADOW, siteName: "Hay meadow", plantId: "cytisus-scoparius", plant: "Scotch broom" };
const asked = (limits: Partial<LabelLimits>, more: Partial<LabelUse> = {}) =>
  askLabel({ rateUnit: "L", ...limits }, { ...use, ...more });

describe("what a label names", () => {
  it("says nothing of what nobody ticked", () =>
    expect(asked({ sites: "pasture", stages: "in leaf" }, { stage: "fruiting" })).toEqual({ against: [], ask: [] }));
  it("is against a site that it does not name", () => {
    expect(asked({ sitesNamed: [BANK] }).against).toEqual(["The label is not for this site, Hay meadow."]);
    expect(asked({ sitesNamed: [BANK, MEADOW] }).against).toEqual([]);
  });
  it("is against a stage that it does not name, once the stage is known", () => {
    const limits: Partial<LabelLimits> = { stagesNamed: ["vegetative", "flowering"] };
    expect(asked(limits, { stage: "fruiting" }).against).toEqual([
      "The label names plants in leaf or in flower; these were in seed.",
    ]);
    expect(asked(limits, { stage: "flowering" }).against).toEqual([]);
    expect(asked(limits).against).toEqual([]);
  });
  it("has to be asked about a plant that it does not name", () => {
    expect(asked({ plantsNamed: ["rubus-armeniacus"] }).ask).toEqual([
      expect.stringMatching(/does not name Scotch broom/),
    ]);
    expect(asked({ plantsNamed: ["rubus-armeniacus", "cytisus-scoparius"] }).ask).toEqual([]);
  });
  it("is against a stage exactly where it names others, for every choice of stages", () =>
    fc.assert(
      fc.property(fc.subarray([...STAGES], { minLength: 1 }), fc.constantFrom(...STAGES), (stagesNamed, stage) => {
        expect(asked({ stagesNamed }, { stage }).against.length === 0).toBe(stagesNamed.includes(stage));
      }),
    ));
});

describe("one site of action", () => {
  const used: GroupUse[] = [
    { season: 2024, group: "9" },
    { season: 2025, group: "9" },
    { season: 2025, group: "4" },
  ];
  it("is pointed out in its third season running, and not before, nor for another", () => {
    const ask = (siteOfAction: string | undefined, season: number) =>
      asked({ siteOfAction }, { before: { used, season } }).ask;
    expect(ask("9", 2026)).toEqual([expect.stringMatching(/Site of action 9 .* season 3 running/)]);
    expect(ask("9", 2025)).toEqual([]);
    expect(ask("4", 2026)).toEqual([]);
    expect(ask("9", 2027)).toEqual([]);
    expect(ask(undefined, 2026)).toEqual([]);
  });
  it("runs for as many seasons as there are without a gap, in whatever order they were written down", () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 2000, max: 2030 })),
        fc.integer({ min: 2000, max: 2031 }),
        (seasons, now) => {
          const running = seasonsRunning(
            seasons.map((season) => ({ season, group: "2" })),
            now,
            "2",
          );
          for (let back = 1; back < running; back++) expect(seasons).toContain(now - back);
          expect(seasons).not.toContain(now - running);
        },
      ),
    ));
});
