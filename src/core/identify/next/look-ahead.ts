import { largestFirst } from "../../stats";
import type { Judgement } from "../posterior/judgement";
import { costOfAct } from "../verdict/gates";
import { type ActiveHypotheses, activeHypotheses, sumBySide, type Hypotheses } from "./hypotheses";
import { predictedAnswers } from "./predicted-answers";
import { type Check, type CheckValue, type PredictedRows, natsOf } from "./value-of-check";

/** What an order of checks is followed by. */
interface LookAhead {
  overheadSeconds: number;
  worth: (gain: CheckValue) => number;
  /** the part of the belief that is followed, and what a check tells of it */
  after: typeof hypothesesAfter;
  gain: (standing: Hypotheses, character: number, look: PredictedRows) => CheckValue;
  /** whether an answer needs no look after it */
  ended: (after: Hypotheses) => boolean;
}

/** The plants that are followed, and the checks that were worked out for them: for both orders the same. */
export interface Shortlist {
  active: ActiveHypotheses;
  looks: Map<number, PredictedRows>;
}

export const keptLeads = (judgement: Judgement, active: ActiveHypotheses): boolean =>
  active.prior[0] >= judgement.model.tuning.keptLeads;

/**
 * The first few checks of an order, put in the order of what they are worth together with the best check after them, on the mean
 * of their answers, per second of both: looks that only tell together are found by it.
 */
export function orderByLookingAhead(
  judgement: Judgement,
  shortlist: Shortlist | null,
  ordered: Check[],
  { overheadSeconds, worth: worthOf, after: afterOf, gain, ended }: LookAhead,
): Check[] {
  if (!shortlist || ordered.length < 3) return ordered;
  const { followed, sought, leastFollowed } = judgement.model.tuning;
  const looks = ordered.slice(0, sought).map((check) => ({
    check,
    time: check.seconds + overheadSeconds,
    ...lookOf(judgement, shortlist, check.character),
  }));
  const rates = new Map(
    looks.slice(0, followed).map(({ check, rows, time }) => {
      const n = judgement.model.answers[check.character];
      let worth = worthOf(check);
      let seconds = time;
      for (let o = 0; o < n; o++) {
        const { chance, after } = afterOf(shortlist.active, rows, n, o);
        if (chance < leastFollowed || ended(after)) continue;
        let best = { worth: 0, seconds: 1 };
        for (const look of looks) {
          if (look.check === check) continue;
          const own = worthOf(gain(after, look.check.character, look));
          if (own * best.seconds > best.worth * look.time) best = { worth: own, seconds: look.time };
        }
        worth += chance * best.worth;
        seconds += chance * best.seconds;
      }
      return [check, worth / seconds] as const;
    }),
  );
  const first = [...rates.keys()].sort((a, b) => (rates.get(b) as number) - (rates.get(a) as number));
  return [...first, ...ordered.slice(first.length)];
}

/** True where the best act is to treat or to leave, and not to come back. */
export const isEnded = (
  judgement: Judgement,
  { standpoint, guardedPrior, sideCount: partitions }: Hypotheses,
): boolean => costOfAct(judgement, standpoint.limitTimes, guardedPrior, 0, partitions, 1) < judgement.case.costs.hold;

/** What may stand there, but for the plants that all but cannot; once for both orders. */
export function shortlistOf(judgement: Judgement, all: ActiveHypotheses): Shortlist {
  const highest = all.taxa.map((_, i) => Math.max(all.shares[i], all.sharesForAction[i], all.guarded[i]));
  const likeliest = new Set(largestFirst(highest, judgement.model.tuning.followedPlants).map((i) => all.taxa[i]));
  return { active: activeHypotheses(judgement, all, likeliest), looks: new Map() };
}

function lookOf(judgement: Judgement, { active, looks }: Shortlist, c: number): PredictedRows {
  const known = looks.get(c);
  if (known) return known;
  const rows = predictedAnswers(judgement, active, c).slice();
  const look = { rows, nats: natsOf(judgement.model, rows, judgement.model.answers[c]) };
  looks.set(c, look);
  return look;
}

/** What may stand there after an answer, and how likely that answer is. */
export function hypothesesAfter(
  now: Hypotheses,
  rows: Float64Array,
  n: number,
  answer: number,
): { chance: number; after: Hypotheses } {
  const [shares, sided, guarded] = [now.shares, now.sharesForAction, now.guarded].map((of) =>
    sharesAfter(of, rows, n, answer),
  );
  return {
    chance: shares.chance,
    after: {
      ...now,
      shares: shares.after,
      sharesForAction: sided.after,
      guarded: guarded.after,
      prior: sumBySide(now, sided.after),
      guardedPrior: sumBySide(now, guarded.after),
    },
  };
}

/** The same of the shares alone: all that a name needs. */
export function sharesOnlyAfter(
  now: Hypotheses,
  rows: Float64Array,
  n: number,
  answer: number,
): { chance: number; after: Hypotheses } {
  const { chance, after } = sharesAfter(now.shares, rows, n, answer);
  return { chance, after: { ...now, shares: after } };
}

/** Shares after an answer, summing to 1 again. */
function sharesAfter(
  shares: Float64Array,
  rows: Float64Array,
  n: number,
  answer: number,
): { chance: number; after: Float64Array } {
  const after = new Float64Array(shares.length);
  let chance = 0;
  for (let i = 0; i < after.length; i++) {
    after[i] = shares[i] * rows[i * n + answer];
    chance += after[i];
  }
  for (let i = 0; i < after.length; i++) after[i] /= chance;
  return { chance, after };
}
