import { describe, expect, it } from "vitest";
import { seededChance } from "../random";
import { type Answer, cardsOf, confusionsOf, gradeOf } from "./memory";
import { planRound } from "./plan-round";

const PLANTS = Array.from({ length: 40 }, (_, i) => `plant-${String(i).padStart(2, "0")}`);
const [A, B] = ["plant-00", "plant-01"];
const SUBJECTS = PLANTS.map((taxon) => ({ taxon, stage: "flowering" as const }));
const DAY = 86_400_000;

/**
 * A learner who answers rounds day by day.
 * @param mixesUp from which day to which the pair is mixed up
 * @returns how often the pair was met on each day
 */
function learn(days: number, mixesUp: (day: number) => boolean, seed: number): number[] {
  const chance = seededChance(seed);
  const answers: Answer[] = [];
  return Array.from({ length: days }, (_, day) => {
    const now = new Date(Date.UTC(2026, 3, 1) + day * DAY).toISOString();
    const round = planRound(
      SUBJECTS,
      { cards: cardsOf(answers), confusions: confusionsOf(answers) },
      now,
      10,
      chance.named(`round ${day}`),
    );
    let met = 0;
    for (const { taxon, preferred } of round) {
      const partner = taxon === A ? B : taxon === B ? A : null;
      const drawn = chance.below(PLANTS.length);
      const options = [taxon, ...(preferred.length > 0 ? preferred : [PLANTS[drawn] as string])];
      if (partner && !options.includes(partner) && chance.uniform() < 0.5) options.push(partner);
      const isMet = partner !== null && options.includes(partner);
      if (isMet) met++;
      const wrong = isMet && mixesUp(day);
      answers.push({
        ...{ at: now, form: "clues", taxon, options, seconds: 20 },
        ...(wrong ? { right: false, score: 0, chosen: partner } : { right: true, score: 0.8, chosen: taxon }),
      });
    }
    return met;
  });
}
const sum = (counts: number[]): number => counts.reduce((total, n) => total + n, 0);

describe("what is asked again", () => {
  it("brings a pair that is mixed up at least three times as often as one that is not", () => {
    const seeds = [1, 2, 3];
    const mixed = sum(seeds.map((seed) => sum(learn(60, () => true, seed))));
    const known = sum(seeds.map((seed) => sum(learn(60, () => false, seed))));
    expect(mixed).toBeGreaterThanOrEqual(3 * Math.max(1, known));
  });
  it("lets the pair fade once it is told apart", () => {
    const met = [1, 2].map((seed) => learn(90, (day) => day < 30, seed));
    const before = sum(met.map((days) => sum(days.slice(10, 30))));
    const after = sum(met.map((days) => sum(days.slice(60, 80))));
    expect(after).toBeLessThan(before / 2);
  });
  it("halves a weakness with each time that the two were told apart, and keeps the mistakes counted", () => {
    const at = (day: number) => new Date(Date.UTC(2026, 3, day)).toISOString();
    const base = { form: "clues" as const, taxon: A, options: [A, B], seconds: 20 };
    const wrong: Answer = { ...base, at: at(1), right: false, score: 0, chosen: B };
    const right = (day: number): Answer => ({ ...base, at: at(day), right: true, score: 1, chosen: A });
    expect(confusionsOf([wrong, { ...wrong, at: at(2) }, right(3), right(4)])).toEqual([
      { pair: [A, B], wrong: 2, right: 2, weakness: 0.5 },
    ]);
  });
});

describe("a grade", () => {
  it("comes from right or wrong, clues and time", () => {
    expect(gradeOf({ right: false, score: 0, seconds: 3 })).toBe(1);
    expect(gradeOf({ right: true, score: 0.5, seconds: 10 })).toBe(2);
    expect(gradeOf({ right: true, score: 0.8, seconds: 90 })).toBe(2);
    expect(gradeOf({ right: true, score: 0.8, seconds: 30 })).toBe(3);
    expect(gradeOf({ right: true, score: 1, seconds: 10 })).toBe(4);
  });
  it("puts a plant that was known off for longer than one that was missed", () => {
    const answer = { at: "2026-04-01T10:00:00.000Z", form: "clues" as const, seconds: 20 };
    const cards = cardsOf([
      { ...answer, taxon: A, right: true, score: 1 },
      { ...answer, taxon: B, right: false, score: 0 },
    ]);
    expect(cards.get(A)?.due.getTime()).toBeGreaterThan((cards.get(B)?.due.getTime() ?? 0) + DAY);
  });
});
