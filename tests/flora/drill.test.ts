import fc from "fast-check";
import { beforeAll, describe, expect, it } from "vitest";
import {
  askAtLast,
  type DrillBook,
  drawIndividual,
  drawQuadrat,
  faultsOf,
  FORMS,
  outcomeOf,
  type Question,
  type Subject,
  subjectsOf,
} from "@/core/drill";
import { Belief } from "@/core/drill/belief";
import { drawableTraits, standsOut } from "@/core/drill/clues";
import { isCovered } from "@/core/drill/forms/quadrat";
import { answersAt, backgroundRow, buildModel } from "@/core/identify";
import { STAGES } from "@/core/flora";
import { seededChance } from "@/core/random";
import { NOT_DRAWN } from "@/core/flora";
import { currentFlora, loadList } from "@/flora/load";

const model = buildModel(currentFlora());
const book: DrillBook = { model, notDrawn: NOT_DRAWN, list: loadList("otter-valley").status };
const subjects = subjectsOf(model);
const anySubject = fc.nat(subjects.length - 1).map((i) => subjects[i] as Subject);
const asked: Question[] = [];

beforeAll(() => {
  const chance = seededChance(3);
  while (asked.length < 120) {
    const question = askAtLast(book, subjects[chance.below(subjects.length)] as Subject, asked.length + 5);
    if (!("why" in question)) asked.push(question);
  }
});

describe("a question", () => {
  it("has one right answer at the last clue, draws nothing against the flora, and offers look-alikes alone", () => {
    for (const question of asked)
      expect({ question, ...faultsOf(model, question) }).toMatchObject({
        twoRight: false,
        contradicted: false,
        implausible: false,
      });
  });
  it("is the same for the same seed, and offers the plant itself", () => {
    for (const question of asked.slice(0, 40)) {
      const taxon = model.flora.taxa.findIndex(({ id }) => id === question.taxon);
      const again = askAtLast(book, { taxon, stage: question.stage }, question.seed);
      expect(again).toEqual(question);
      if ("options" in question) expect(question.options).toContain(question.taxon);
    }
  });
  it("comes in every form", () => {
    const found = FORMS.filter((form) =>
      subjects.filter((_, i) => i % 7 === 0).some((subject, i) => !("why" in askAtLast(book, subject, i, form))),
    );
    expect(found).toEqual(FORMS);
  });
  it("gives a full score to its own best answer, and none to another kind of answer", () => {
    for (const question of asked) {
      const best =
        question.form === "next-check"
          ? { kind: "check" as const, character: [...question.checks].sort((a, b) => b.worth - a.worth)[0].character }
          : question.form === "measure"
            ? { kind: "number" as const, value: question.value }
            : question.form === "quadrat"
              ? standOf(question.seed)
              : question.form === "hold-or-clear"
                ? null
                : { kind: "plant" as const, taxon: question.taxon, clues: 1 };
      if (best) expect(outcomeOf(question, best)).toEqual({ right: true, score: 1 });
      expect(outcomeOf(question, { kind: "plant", taxon: "no-such-plant", clues: 1 })).toBeNull();
    }
  });
});

const standOf = (seed: number) => {
  const { cover, count } = drawQuadrat(seed);
  return { kind: "stand" as const, coverPercent: 100 * cover, count };
};

describe("what is believed of a plant", () => {
  it("equals the blocks multiplied out one plant at a time", () => {
    fc.assert(
      fc.property(anySubject, fc.integer(), ({ taxon, stage }, seed) => {
        const plant = drawIndividual(model, taxon, stage, seededChance(seed));
        const traits = drawableTraits(model, plant, NOT_DRAWN)
          .filter((trait) => "state" in trait)
          .slice(0, 6);
        const shares = traits.reduce((belief, trait) => belief.with(trait), Belief.at(model, stage)).shares();
        const plain = model.flora.taxa.flatMap(({ forms }, t) => (forms.length > 1 ? [] : [[t, chanceOf(t)] as const]));
        function chanceOf(t: number): number {
          const blocks = new Map<string, [sound: number, gone: number]>();
          for (const trait of traits) {
            if (!("state" in trait)) continue;
            const c = trait.character;
            const name = model.flora.characters[c].block;
            const [sound, gone] = blocks.get(name) ?? [1, 1];
            const own = answersAt(model, t, c, STAGES.indexOf(stage))[trait.state];
            blocks.set(name, [sound * own, gone * backgroundRow(model, c, model.taxonLifeForm[t])[trait.state]]);
          }
          return [...blocks].reduce((product, [name, [sound, gone]]) => {
            const doubt = model.flora.blocks[name];
            return product * ((1 - doubt) * sound + doubt * gone);
          }, 1);
        }
        const [[first, firstChance]] = plain;
        for (const [t, chance] of plain) expect(shares[t] * firstChance).toBeCloseTo(shares[first] * chance, 9);
        expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
      }),
      { seed: 30, numRuns: 25 },
    );
  });
  it("does not stand out by a trait that every plant has", () => {
    const c = model.characterIndex.get("smell") as number;
    const state = model.flora.characters[c].states.findIndex(({ id }) => id === "none");
    const taxon = model.taxonIndex.get("Plantago major") as number;
    const plant = { taxon, stage: "vegetative" as const, form: 0, traits: new Map() };
    expect(standsOut(model, plant, [{ character: c, state }])).toBe(false);
  });
});

describe("a frame on the ground", () => {
  it("covers what its outlines cover, counted point by point", () => {
    for (const seed of [1, 22]) {
      const frame = drawQuadrat(seed);
      const side = 400;
      let covered = 0;
      for (let i = 0; i < side; i++)
        for (let j = 0; j < side; j++) if (isCovered(frame, [(i + 0.5) / side, (j + 0.5) / side])) covered++;
      expect(Math.abs(covered / side ** 2 - frame.cover)).toBeLessThan(0.001);
    }
  });
});
