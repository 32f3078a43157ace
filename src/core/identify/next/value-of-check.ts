import { timesLog } from "../../stats";
import type { Model } from "../model/model";
import type { Judgement } from "../posterior/judgement";
import { costOfAct } from "../verdict/gates";
import type { MistakenFor } from "../verdict/twins-in-the-way";
import type { Hypotheses } from "./hypotheses";

/** What a check is expected to tell. */
export interface CheckValue {
  /** expected bits about the plant's name */
  bits: number;
  /** expected rise of the chance that the plant ranked first is the right one */
  rise: number;
  /** expected fall in the cost of the best act, hours */
  saved: number;
  /** expected bits about kept side and action group */
  partBits: number;
}

export interface Check extends CheckValue {
  character: number;
  seconds: number;
  /** share of what still fits that carries the part */
  carried: number;
  /** asked before anything else towards an action: it tells what is found apart from these twins, which the flora does not include */
  first?: MistakenFor[];
  /** most of what fits does not show it now: asked because nothing else is left to tell */
  seldom?: true;
  /** it was looked at on one plant, and is to be looked at on a second: one check alone tells what is found apart from twins or makes it one of them, or what was seen goes against the plant ranked first */
  second?: true;
  /** a caution to show with the question */
  caution?: "gloves";
}

/** Bits count what is learnt of all plants alike, the least likely too; a name is found when the first is the right one. */
export const worthTowardsName = ({ model }: Judgement, gain: CheckValue): number =>
  gain.bits + model.tuning.riseBits * gain.rise;

/**
 * Hours saved if an answer can end the matter at once, and bits about what to do at the price of the hours that
 * a whole visit costs: looking only one answer ahead would else pass over checks that end it in two.
 */
export function worthTowardsAction(judgement: Judgement, gain: CheckValue): number {
  const { bitPrice, nameShare } = judgement.model.tuning;
  return gain.saved + bitPrice * judgement.case.costs.hold * (gain.partBits + nameShare * gain.bits);
}

/**
 * Expected bits about the name, expected rise of the first plant's chance, expected fall in cost (hours), and expected bits
 * about what to do. To the answers of the character comes one more, "no such part here", with what a plant's other answers leave over.
 * @param rowNats `natsOf` the rows, where they are weighed more than once
 */
export function valueOfCheck(
  judgement: Judgement,
  standing: Hypotheses,
  c: number,
  rows: Float64Array,
  rowNats?: Float64Array,
): CheckValue {
  const { firstNow, nats } = sumAnswers(judgement.model, standing, c, rows, rowNats);
  const { sideNats, costAfter, firstAfter, answerNats } = afterAnswers(judgement, standing, c);
  const bits = Math.max(0, (nats - answerNats) * Math.LOG2E);
  const rise = Math.max(0, firstAfter - firstNow);
  const { standpoint, guardedPrior, sideCount } = standing;
  if (standpoint.without === judgement.model.flora.characters[c].block) return { bits, rise, saved: 0, partBits: 0 };
  const saved = Math.max(0, costOfAct(judgement, standpoint.limitTimes, guardedPrior, 0, sideCount, 1) - costAfter);
  return { bits, rise, saved, partBits: Math.max(0, sideNats * Math.LOG2E) };
}

/** Fills the scratch arrays with what each answer leaves: of all, of the first plant, and of each side. */
function sumAnswers(
  model: Model,
  standing: Hypotheses,
  c: number,
  rows: Float64Array,
  rowNats?: Float64Array,
): { firstNow: number; nats: number } {
  const { shares, scratch } = standing;
  for (const array of [scratch.sums, scratch.first, scratch.parts, scratch.guardedParts]) array.fill(0);
  const unknown = shares.length - 1;
  let firstNow = 0;
  let nats = 0;
  for (let i = 0; i < shares.length; i++) {
    if (i < unknown && shares[i] > firstNow) firstNow = shares[i];
    const own = sumRow(standing, i, rows, model.answers[c], model.tuning.leastMissing, rowNats === undefined);
    nats += rowNats ? shares[i] * rowNats[i] : own;
  }
  return { firstNow, nats };
}

/** Adds the answers of one plant, or of the unknown one. @returns Σ share × chance × ln chance, where it is wanted */
function sumRow(
  { shares, sharesForAction, guarded, sideOf, sideCount, scratch: { sums, first, parts, guardedParts } }: Hypotheses,
  i: number,
  rows: Float64Array,
  named: number,
  leastMissing: number,
  withNats: boolean,
): number {
  const share = shares[i];
  const isPlant = i < shares.length - 1;
  let nats = 0;
  let left = 1;
  for (let o = 0; o <= named; o++) {
    const chance = o < named ? rows[i * named + o] : Math.max(leastMissing, left);
    if (!(chance > 0)) continue;
    left -= chance;
    const joint = share * chance;
    if (withNats) nats += share * timesLog(chance);
    sums[o] += joint;
    if (isPlant && joint > first[o]) first[o] = joint;
    parts[o * sideCount + sideOf[i]] += sharesForAction[i] * chance;
    guardedParts[o * sideCount + sideOf[i]] += guarded[i] * chance;
  }
  return nats;
}

/** What the scratch arrays come to over all answers. */
function afterAnswers(
  judgement: Judgement,
  { prior, sideCount, standpoint, scratch }: Hypotheses,
  c: number,
): { sideNats: number; costAfter: number; firstAfter: number; answerNats: number } {
  const { sums, first, parts, guardedParts } = scratch;
  let sideNats = 0;
  let costAfter = 0;
  let firstAfter = 0;
  let answerNats = 0;
  for (let o = 0; o <= judgement.model.answers[c]; o++) {
    firstAfter += first[o];
    if (sums[o] > 1e-12) answerNats += sums[o] * Math.log(sums[o]);
    const from = o * sideCount;
    let all = 0;
    let sum = 0;
    for (let p = 0; p < sideCount; p++) {
      all += parts[from + p];
      sum += guardedParts[from + p];
    }
    for (let p = 0; p < sideCount; p++)
      if (parts[from + p] > 0) sideNats += parts[from + p] * Math.log(parts[from + p] / (all * prior[p]));
    if (sum > 1e-12) costAfter += sum * costOfAct(judgement, standpoint.limitTimes, guardedParts, from, sideCount, sum);
  }
  return { sideNats, costAfter, firstAfter, answerNats };
}

/** Chance of each answer to a check for each plant that is followed, and `natsOf` them. */
export interface PredictedRows {
  rows: Float64Array;
  nats: Float64Array;
}

/** What a check tells of the name alone, as `gainOf`. */
export function valueForName(
  { tuning: { leastMissing, leastAfter } }: Model,
  { shares, scratch: { sums, first } }: Hypotheses,
  { rows, nats }: PredictedRows,
): CheckValue {
  const named = rows.length / shares.length;
  const unknown = shares.length - 1;
  sums.fill(0, 0, named + 1);
  first.fill(0, 0, named + 1);
  let bits = 0;
  let firstNow = 0;
  for (let i = 0; i <= unknown; i++) {
    const share = shares[i];
    if (share < leastAfter) continue;
    bits += share * nats[i];
    let left = 1;
    for (let o = 0; o < named; o++) {
      const chance = rows[i * named + o];
      left -= chance;
      sums[o] += share * chance;
      if (i < unknown && share * chance > first[o]) first[o] = share * chance;
    }
    const missing = share * Math.max(leastMissing, left);
    sums[named] += missing;
    if (i === unknown) continue;
    if (missing > first[named]) first[named] = missing;
    if (share > firstNow) firstNow = share;
  }
  let firstAfter = 0;
  for (let o = 0; o <= named; o++) {
    firstAfter += first[o];
    if (sums[o] > 1e-12) bits -= sums[o] * Math.log(sums[o]);
  }
  return { bits: Math.max(0, bits * Math.LOG2E), rise: Math.max(0, firstAfter - firstNow), saved: 0, partBits: 0 };
}

/** Sum of chance × log chance over the answers of each row, "no such part" with them. */
export function natsOf({ tuning: { leastMissing } }: Model, rows: Float64Array, n: number): Float64Array {
  const nats = new Float64Array(rows.length / n);
  for (let i = 0; i < nats.length; i++) {
    let left = 1;
    for (let o = 0; o <= n; o++) {
      const chance = o < n ? rows[i * n + o] : Math.max(leastMissing, left);
      left -= chance;
      if (chance > 0) nats[i] += chance * Math.log(chance);
    }
  }
  return nats;
}
