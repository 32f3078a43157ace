import { actOf } from "./forms/hold-or-clear";
import { drawQuadrat } from "./forms/quadrat";
import type { Act, HoldOrClearQuestion, MeasureQuestion, Question } from "./question";

/** What a person said to a question. */
export type Given =
  | { kind: "plant"; taxon: string; clues: number }
  | { kind: "check"; character: string }
  | { kind: "act"; act: Act }
  | { kind: "number"; value: number }
  | { kind: "stand"; coverPercent: number; count: number };

/** How an answer was: `score` in [0, 1], and whether it counts as right. */
export interface Outcome {
  right: boolean;
  score: number;
}

/** All clues seen is worth half of the first alone. */
const LAST_CLUE = 0.5;
/** From this score on a graded answer counts as right. */
export const RIGHT_FROM = 0.7;
/** A ratio that is off by this factor, or an angle by so many degrees, is worth nothing. */
const OFF = { factor: 1.5, degrees: 40 };

/** @returns null where the answer is of another kind than the question */
export function outcomeOf(question: Question, given: Given): Outcome | null {
  if ("options" in question) {
    if (given.kind !== "plant" || !question.options.includes(given.taxon)) return null;
    const right = given.taxon === question.taxon;
    const last = Math.max(1, question.clues.length - 1);
    const seen = question.form === "collar" ? 0 : Math.min(last, Math.max(0, given.clues - 1));
    return { right, score: right ? 1 - (1 - LAST_CLUE) * (seen / last) : 0 };
  }
  if (question.form === "next-check") {
    const chosen = given.kind === "check" && question.checks.find(({ character }) => character === given.character);
    if (!chosen) return null;
    const best = Math.max(...question.checks.map(({ worth }) => worth));
    return graded(chosen.worth / best);
  }
  if (question.form === "hold-or-clear") return given.kind === "act" ? costOutcome(question, given.act) : null;
  if (question.form === "measure") return given.kind === "number" ? measureOutcome(question, given.value) : null;
  return given.kind === "stand" ? standOutcome(question.seed, given.coverPercent, given.count) : null;
}

const graded = (score: number): Outcome => ({ right: score >= RIGHT_FROM, score: Math.min(1, Math.max(0, score)) });

/** By the district's costs: 1 for the cheapest act, 0 for the dearest; right is what the engine's verdict says. */
function costOutcome({ costs, verdict }: HoldOrClearQuestion, act: Act): Outcome {
  const all = Object.values(costs);
  const [least, most] = [Math.min(...all), Math.max(...all)];
  return { right: act === actOf(verdict), score: most > least ? (most - costs[act]) / (most - least) : 1 };
}

function measureOutcome({ character, value }: MeasureQuestion, got: number): Outcome {
  if (character === "notch-angle") return graded(1 - Math.abs(got - value) / OFF.degrees);
  return graded(got > 0 ? 1 - Math.abs(Math.log(got / value)) / Math.log(OFF.factor) : 0);
}

/** Cover and count weigh alike; cover is read in tenths, so that a tenth off is worth half. */
function standOutcome(seed: number, coverPercent: number, count: number): Outcome {
  const { cover, count: true_ } = drawQuadrat(seed);
  const coverScore = Math.max(0, 1 - Math.abs(coverPercent - 100 * cover) / 20);
  const countScore = Math.max(0, 1 - Math.abs(count - true_) / Math.max(3, true_ / 2));
  return graded((coverScore + countScore) / 2);
}
