import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { read, seen, tinyCase, tinyFlora } from "../../../../tests/support/tiny-flora";
import { InputError } from "../../errors";
import { STAGES } from "../../flora";
import { buildModel, judge, newMemory, type Observation } from "..";
import { conditionShare, taxonLog } from "./judgement";
import { taxonLogWithout, without } from "./leave-out";
import { underBothPriors } from "./posterior";
import { unknownChance } from "./unknown-plant";

const model = buildModel(tinyFlora());
const anyObservation = fc.oneof(
  fc
    .record({
      c: fc.constantFrom("edge", "hair", "sap"),
      s: fc.nat(1),
      sure: fc.constantFrom("sure", "likely", "guess"),
    })
    .map(({ c, s, sure }) =>
      seen(c, model.flora.characters[model.characterIndex.get(c) as number].states[s].id, { sure }),
    ),
  fc.double({ min: 0.1, max: 30, noNaN: true }).map((v) => read("length", v)),
);
const distinct = (list: Observation[]) =>
  list.filter((o, i) => list.findIndex((p) => p.character === o.character) === i);

/** The same posterior, worked out the slow way: every stage and every subset of blocks gone wrong, by enumeration. */
function byEnumeration(observations: Observation[]): number[] {
  const j = judge(model, tinyCase(observations));
  const weights = model.flora.taxa.map((_, t) => {
    let sum = 0;
    for (let z = model.firstCondition[t]; z < model.firstCondition[t + 1]; z++) {
      const blocks = [...j.blocks.values()];
      for (let wrong = 0; wrong < 2 ** blocks.length; wrong++) {
        let p = j.conditionChance[z];
        blocks.forEach((block, b) => {
          const gone = (wrong >> b) & 1;
          p *= gone ? block.doubt : 1 - block.doubt;
          for (const i of block.members)
            p *= gone ? (j.evidence[i]?.background[2] ?? 1) : (j.evidence[i]?.chance[z] ?? 1);
        });
        sum += p;
      }
    }
    return sum * j.priorLocal[t];
  });
  const total =
    weights.reduce((a, b) => a + b, 0) +
    0.05 * unknownChance(j.model, j.likelihoods, j.foundHere) * Math.exp(j.likelihoods.scaleLog);
  return weights.map((w) => w / total);
}

describe("posterior", () => {
  it("sums to 1 with the unknown plant, under both priors, whatever is seen", () => {
    fc.assert(
      fc.property(fc.array(anyObservation, { maxLength: 4 }), (list) => {
        for (const p of [judge(model, tinyCase(distinct(list))).local, judge(model, tinyCase(distinct(list))).flat])
          expect(p.taxa.reduce((a, b) => a + b, 0) + p.unknown).toBeCloseTo(1, 9);
      }),
      { seed: 11 },
    );
  });

  it("does not depend on the order of the observations", () => {
    fc.assert(
      fc.property(fc.array(anyObservation, { minLength: 2, maxLength: 4 }), (list) => {
        const own = distinct(list);
        const forward = judge(model, tinyCase(own)).local.taxa;
        const backward = judge(model, tinyCase([...own].reverse())).local.taxa;
        for (const [t, p] of forward.entries()) expect(backward[t]).toBeCloseTo(p, 9);
      }),
      { seed: 12 },
    );
  });

  it("equals the sum over every way in which blocks may have gone wrong", () => {
    fc.assert(
      fc.property(fc.array(anyObservation, { maxLength: 4 }), (list) => {
        const own = distinct(list);
        const slow = byEnumeration(own);
        for (const [t, p] of judge(model, tinyCase(own)).local.taxa.entries()) expect(p).toBeCloseTo(slow[t], 8);
      }),
      { seed: 13, numRuns: 60 },
    );
  });

  it("gives no plant zero, however much speaks against it", () => {
    const against = judge(
      model,
      tinyCase([seen("edge", "teeth"), seen("hair", "none"), seen("sap", "clear"), read("length", 25)]),
    ).local.taxa;
    for (const p of against) expect(p).toBeGreaterThan(0);
  });

  it("bounds what one block can prove", () => {
    const one = judge(model, tinyCase([seen("edge", "smooth")]));
    const ratio = one.likelihoods.taxa[0] / one.likelihoods.taxa[2];
    const edge = one.evidence[0];
    const bound = (1 - 0.02 + 0.02) / (0.02 * (edge?.background[2] ?? 1));
    expect(ratio).toBeLessThan(bound);
  });

  it("takes 'cannot tell' and 'not there yet' to say nothing about the plant", () => {
    const plain = judge(model, tinyCase([seen("edge", "smooth")])).local.taxa;
    const more = judge(
      model,
      tinyCase([
        seen("edge", "smooth"),
        { ...seen("hair", "none"), answer: "cannot-tell" },
        { ...seen("petals", "five"), answer: "not-there-yet" },
      ]),
    ).local.taxa;
    for (const [t, p] of plain.entries()) expect(more[t]).toBeCloseTo(p, 12);
  });

  it("takes a part that is not there yet as a word on the stage, not on the plant", () => {
    const missing: Observation = { ...seen("petals", "five"), answer: "not-there-yet" };
    const flowering = (j: ReturnType<typeof judge>, t: number) =>
      conditionShare(j, model.firstCondition[t] + STAGES.indexOf("flowering"));
    fc.assert(
      fc.property(
        fc.constantFrom("flowering", "vegetative", null),
        fc.constantFrom("2026-05-01", "2026-07-15", "2026-12-01"),
        (stage, day) => {
          const [before, after] = [[], [missing]].map((observations) =>
            judge(model, tinyCase(observations, { stage, day })),
          );
          for (const ranking of ["local", "flat"] as const)
            for (const [t, share] of after[ranking].taxa.entries())
              expect(share).toBeCloseTo(before[ranking].taxa[t], 9);
          for (const t of model.flora.taxa.keys())
            if (flowering(before, t) > 0.001 && flowering(before, t) < 0.999)
              expect(flowering(after, t)).toBeLessThan(flowering(before, t));
        },
      ),
      { seed: 87 },
    );
  });

  it("never lets what is not recorded speak against a kept plant", () => {
    const before = judge(model, tinyCase([seen("edge", "smooth")])).guarded.flat.taxa;
    const after = judge(model, tinyCase([seen("edge", "smooth"), seen("sap", "milky")])).guarded.flat.taxa;
    expect(after[3] / after[0]).toBeGreaterThanOrEqual((before[3] / before[0]) * 0.999);
  });

  it("knows an absent hair from a hair not looked for", () => {
    const not = judge(model, tinyCase([])).local.taxa;
    const absent = judge(model, tinyCase([{ ...seen("hair", "none"), states: undefined, answer: "absent" }])).local
      .taxa;
    expect(absent[2]).toBeGreaterThan(not[2]);
  });

  it("lets a flower tell the stage", () => {
    const z = model.firstCondition[0] + 2;
    const without = conditionShare(judge(model, tinyCase([], { stage: null })), z);
    const flower = conditionShare(judge(model, tinyCase([seen("petals", "five")], { stage: null })), z);
    expect(flower).toBeGreaterThan(4 * without);
  });

  it("gives a newcomer its floor in the local ranking", () => {
    const j = judge(
      model,
      tinyCase([], { confirmed: { "Malus prima": 5000 }, list: { "Malus prima": "target", "Malus secunda": "watch" } }),
    );
    expect(j.priorLocal[1]).toBeGreaterThan(0.004);
  });

  it("widens the reading with doubt and narrows the observer's part with repeats", () => {
    const sure = judge(model, tinyCase([read("length", 5)]));
    const guess = judge(model, tinyCase([read("length", 5, { sure: "guess" })]));
    const gap = (j: typeof sure) => taxonLog(j.likelihoods, 0) - taxonLog(j.likelihoods, 2);
    expect(gap(sure)).toBeGreaterThan(gap(guess));
  });

  it.each([
    [seen("colour", "red"), "unknown-character", "observations.0.character"],
    [seen("edge", "wavy"), "unknown-state", "observations.0.states"],
    [{ ...seen("edge", "smooth"), states: undefined }, "no-state", "observations.0.states"],
    [{ ...read("length", 1), value: undefined }, "no-value", "observations.0.value"],
  ])("refuses what it cannot weigh, naming the field: %#", (observation, code, field) => {
    try {
      judge(model, tinyCase([observation as Observation]));
      expect.unreachable();
    } catch (error) {
      expect(error).toBeInstanceOf(InputError);
      expect((error as InputError).code).toBe(code);
      expect((error as InputError).field).toBe(field);
    }
  });
});

describe("one observation left out", () => {
  it("gives a plant the same log likelihood as reckoning everything again without it", () => {
    fc.assert(
      fc.property(fc.array(anyObservation, { minLength: 1, maxLength: 4 }), (list) => {
        const judgement = judge(model, tinyCase(distinct(list)));
        for (const i of judgement.case.observations.keys()) {
          const again = without(judgement, new Set([i]));
          for (const t of [0, 1, 2, 3]) expect(taxonLogWithout(judgement, t, i)).toBeCloseTo(taxonLog(again, t), 9);
        }
      }),
      { seed: 14, numRuns: 60 },
    );
  });
  it("changes nothing where it told nothing", () => {
    const judgement = judge(model, tinyCase([seen("sap", "milky"), seen("edge", "smooth", { answer: "cannot-tell" })]));
    expect(taxonLogWithout(judgement, 0, 1)).toBe(taxonLog(judgement.likelihoods, 0));
  });
  it("and a memory of what was worked out changes no answer", () => {
    const given = tinyCase([seen("sap", "milky"), seen("edge", "smooth"), read("length", 5)]);
    const memory = newMemory();
    const first = judge(model, given, memory);
    const second = judge(model, given, memory);
    expect([...second.local.taxa]).toEqual([...first.local.taxa]);
    expect([...second.local.taxa]).toEqual([...judge(model, given).local.taxa]);
  });
});

describe("the unknown plant", () => {
  it("is as likely to be a relative of what is found now as that itself is: out of season both are less likely", () => {
    const flora = tinyFlora();
    flora.taxa[0] = { ...flora.taxa[0], calendar: { vegetative: [[10, 11]], flowering: [[4, 6]] } };
    const own = buildModel(flora);
    const j = judge(own, tinyCase([seen("edge", "smooth"), seen("hair", "some")]));
    expect(j.foundHere[0]).toBeLessThan(j.foundHere[1] / 2);
    expect(unknownChance(j.model, j.likelihoods, j.foundHere)).toBeLessThan(unknownChance(j.model, j.likelihoods));
    expect(j.foundHere.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  });
  it("is weighed alike with nothing left out as in the judgement, under both priors", () => {
    const j = judge(model, tinyCase([seen("edge", "smooth"), seen("hair", "some")]));
    const [local, flat] = underBothPriors(j, without(j, new Set()));
    expect(local.unknown).toBeCloseTo(j.local.unknown, 9);
    expect(flat.unknown).toBeCloseTo(j.flat.unknown, 9);
    expect(local.keptSide).toBeCloseTo(j.local.keptSide, 9);
  });
});
