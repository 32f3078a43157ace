import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { tinyCase as caseOf, tinyFlora } from "../../../../tests/support/tiny-flora";
import { STAGES, type Stage } from "../../flora";
import { buildModel, type Case, type CaseInput, caseSchema, identify, judge } from "..";

const tinyCase = ({ observations, ...more }: Partial<CaseInput>): Case => caseOf(undefined, { ...more, observations });
const flora = tinyFlora();
const model = buildModel(flora);
const seen = (character: string, state: string) => ({ character, states: [state] });
const stage = fc.constantFrom<Stage>(...STAGES);

describe("two stages at once", () => {
  it("of one kind give the very numbers of the one stage", () => {
    fc.assert(
      fc.property(stage, fc.boolean(), (one, teeth) => {
        const observations = [seen("edge", teeth ? "teeth" : "smooth"), seen("sap", "clear")];
        const single = identify(model, tinyCase({ stage: one, observations }));
        expect(identify(model, tinyCase({ stage: null, stages: [one], observations }))).toEqual(single);
        expect(identify(model, tinyCase({ stage: null, stages: [one, one], observations }))).toEqual(single);
      }),
      { numRuns: 20 },
    );
  });

  it("do not care which of the two is named first", () => {
    fc.assert(
      fc.property(stage, stage, (a, b) => {
        const observations = [seen("edge", "teeth"), seen("hair", "some")];
        const both = (stages: Stage[]) => identify(model, tinyCase({ stage: null, stages, observations })).candidates;
        for (const [i, { taxon, probability }] of both([a, b]).entries())
          expect(both([b, a])[i]).toMatchObject({ taxon, probability: expect.closeTo(probability, 9) });
      }),
      { numRuns: 20 },
    );
  });

  it("explain a part by the stage that shows it", () => {
    const flowerOnly = {
      ...flora,
      characters: flora.characters.map((c) =>
        c.id === "edge" ? { ...c, stages: ["flowering" as const], answered: [...STAGES] } : c,
      ),
    };
    const own = buildModel(flowerOnly);
    const observations = [seen("edge", "teeth")];
    const chanceAt = (stages: Stage[], at: Stage) => {
      const judgement = judge(own, tinyCase({ stage: null, stages, observations }));
      return judgement.evidence[0]?.chance[STAGES.indexOf(at)] ?? 0;
    };
    const inFlower = chanceAt(["flowering"], "flowering");
    expect(chanceAt(["vegetative", "flowering"], "flowering")).toBeCloseTo(inFlower, 12);
    expect(chanceAt(["vegetative", "flowering"], "vegetative")).toBeCloseTo(inFlower, 12);
  });

  it("refuse a single stage that is none of the two", () => {
    const given = { id: "x", day: "2026-06-01", stage: "winter", stages: ["flowering", "fruiting"], observations: [] };
    expect(() => caseSchema.parse(given)).toThrow(/stage must be one of stages/);
  });
});

describe("a part that is not asked about at a stage", () => {
  const late = (answered: Stage[]) =>
    buildModel({
      ...flora,
      characters: flora.characters.map((c) =>
        c.id === "edge" ? { ...c, stages: ["flowering" as const], answered } : c,
      ),
    });
  const chance = (answered: Stage[], stated: Stage | null) =>
    judge(late(answered), tinyCase({ stage: stated, observations: [seen("edge", "teeth")] })).evidence[0]?.chance[
      STAGES.indexOf("vegetative")
    ] ?? 0;

  it("is weighed at the stage that was stated, where such a plant can have it", () => {
    expect(chance([...STAGES], "vegetative")).toBeGreaterThan(chance(["flowering"], "vegetative"));
  });
  it("changes nothing where no stage or another one was stated", () => {
    expect(chance([...STAGES], null)).toBe(chance(["flowering"], null));
    expect(chance([...STAGES], "winter")).toBe(chance(["flowering"], "winter"));
  });
});
