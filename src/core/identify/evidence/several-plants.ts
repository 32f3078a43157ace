import { LIFE_FORMS, type Position, STAGES } from "../../flora";
import { backgroundRow, inapplicableChances } from "../model/answer-tables";
import type { Model } from "../model/model";
import { blur } from "../model/observer";
import { inheritedChances } from "../model/relatives";
import { recordingOf, scoreFor } from "../model/scores";

/** What was seen on several plants of one patch, as a chance from what each of them shows. */
export interface SeenOnPlants {
  /** where each plant is read by itself, from the chances of the answers of each */
  apart: (answers: ArrayLike<number>) => number;
  /** where one reading stands for all */
  asOne: (answers: ArrayLike<number>) => number;
}

/** Any of the states named on `yes` of `n` plants, and on the others none of them. */
export function someOfPlants(named: number[], yes: number, n: number): SeenOnPlants {
  const of = (answers: ArrayLike<number>) =>
    Math.min(
      1,
      named.reduce((sum, s) => sum + answers[s], 0),
    );
  return {
    apart: (answers) => of(answers) ** yes * Math.max(0, 1 - of(answers)) ** (n - yes),
    asOne: (answers) => (yes === n ? of(answers) : yes === 0 ? 1 - of(answers) : 0),
  };
}

/** One state on one plant, and one on the next. */
export const oneThenOther = (first: number, second: number): SeenOnPlants => ({
  apart: (answers) => answers[first] * answers[second],
  asOne: (answers) => (first === second ? answers[first] : 0),
});

/**
 * Chance of what was seen on several plants of a patch, in one condition of a plant. That the flora is wrong of it is one
 * mistake, not one for each of them; and where the kind varies, they vary less among themselves.
 * @param confusion observer's table, n × n
 */
export function chanceOnPlants(
  model: Model,
  c: number,
  z: number,
  position: Position | undefined,
  confusion: Float64Array,
  seen: SeenOnPlants,
): number {
  const { taxon, stage, form } = model.conditions[z];
  const recording = recordingOf(model, taxon, c);
  const score =
    recording === "recorded"
      ? scoreFor(model, taxon, c, STAGES[stage], position, model.flora.taxa[taxon].forms[form].id)
      : undefined;
  if (recording === "not-applicable" || score?.notApplicable)
    return seen.apart(inapplicableChances(model.flora.characters[c], model.answers[c], model.tuning));
  const { alikeInPatch, readAsOne } = model.tuning;
  const background = backgroundRow(model, c, model.taxonLifeForm[taxon]);
  if (!score?.shares) return chanceIfAlike(inheritedChances(model, c, taxon, background), confusion, seen, readAsOne);
  const own =
    alikeInPatch * chanceIfAlike(score.shares, confusion, seen, readAsOne) +
    (1 - alikeInPatch) * seen.apart(blur(score.shares, confusion));
  return score.confidence * own + (1 - score.confidence) * chanceIfAlike(background, confusion, seen, readAsOne);
}

/** The same of any plant, by life form, and of one of which nothing is known. */
export function backgroundOnPlants(
  model: Model,
  c: number,
  confusion: Float64Array,
  seen: SeenOnPlants,
): { byForm: Float64Array; even: number } {
  const n = model.answers[c];
  return {
    byForm: Float64Array.from(LIFE_FORMS, (_, form) =>
      chanceIfAlike(backgroundRow(model, c, form), confusion, seen, model.tuning.readAsOne),
    ),
    even: chanceIfAlike(new Float64Array(n).fill(1 / n), confusion, seen, model.tuning.readAsOne),
  };
}

/** Where all of them show the same, whatever that is. */
function chanceIfAlike(
  shares: ArrayLike<number>,
  confusion: Float64Array,
  { apart, asOne }: SeenOnPlants,
  readAsOne: number,
): number {
  const n = shares.length;
  let chance = 0;
  for (let truth = 0; truth < n; truth++) {
    const answers = confusion.subarray(truth * n, truth * n + n);
    if (shares[truth] > 0) chance += shares[truth] * (readAsOne * asOne(answers) + (1 - readAsOne) * apart(answers));
  }
  return chance;
}
