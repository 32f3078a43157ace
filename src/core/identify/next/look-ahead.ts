import { largestFirst } from "../../stats";
import type { Judgement } from "../posterior/judgement";
import { costOfAct } from "../verdict/gates";
import { type Active, activePlants, foreseen, heldBy, type Standing } from "./hypotheses";
import { foreseenAnswers } from "./predicted-answers";
import { type Check, type Gain, type Look, natsOf } from "./value-of-check";

/** Checks at the head of an order that are followed one look further, and those among which the look after is sought. */
const FOLLOWED = 4;

const SOUGHT = 12;

/** What an order of checks is followed by. */
interface Following {
  overheadSeconds: number;
  worth: (gain: Gain) => number;
  /** what of what may stand there is followed, and what a look then tells of it */
  after: typeof standingAfter;
  gain: (standing: Standing, character: number, look: Look) => Gain;
  /** whether an answer needs no look after it */
  ended: (after: Standing) => boolean;
}

/** The plants that are followed, and the looks that were worked out for them: for both orders the same. */
interface Near {
  active: Active;
  looks: Map<number, Look>;
}

/** So many plants, the likeliest, are followed beside the unknown one. */
const FOLLOWED_PLANTS = 30;

/** Answers less likely than this are not followed. */
const LEAST_FOLLOWED = 0.03;

/** Towards an action looks are followed only where the kept side holds less than this: a plant to be left is soonest known one look at a time. */
const KEPT_LEADS = 0.55;

export const keptLeads = (judgement: Judgement): boolean => (foreseen.get(judgement)?.prior[0] ?? 1) >= KEPT_LEADS;

/**
 * The first few checks of an order, put in the order of what they are worth together with the best look after them, on the mean
 * of their answers, per second of both: looks that only tell together are found by it.
 */
export function followed(
  judgement: Judgement,
  ordered: Check[],
  { overheadSeconds, worth: worthOf, after: afterOf, gain, ended }: Following,
): Check[] {
  const near = ordered.length < 3 ? undefined : nearOf(judgement);
  if (!near) return ordered;
  const looks = ordered
    .slice(0, SOUGHT)
    .map((check) => ({ check, time: check.seconds + overheadSeconds, ...lookOf(judgement, near, check.character) }));
  const rates = new Map(
    looks.slice(0, FOLLOWED).map(({ check, rows, time }) => {
      const n = judgement.model.answers[check.character];
      let worth = worthOf(check);
      let seconds = time;
      for (let o = 0; o < n; o++) {
        const { chance, after } = afterOf(near.active, rows, n, o);
        if (chance < LEAST_FOLLOWED || ended(after)) continue;
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
export const isEnded = (judgement: Judgement, { standpoint, guardedPrior, partitions }: Standing): boolean =>
  costOfAct(judgement, standpoint.limitTimes, guardedPrior, 0, partitions, 1) < judgement.case.costs.hold;

/** What may stand there, but for the plants that all but cannot; once for both orders. */
function nearOf(judgement: Judgement): Near | undefined {
  const known = nears.get(judgement);
  const all = foreseen.get(judgement);
  if (known || !all) return known;
  const highest = all.taxa.map((_, i) => Math.max(all.shares[i], all.sided[i], all.guarded[i]));
  const near = {
    active: activePlants(
      judgement,
      new Set(largestFirst(highest, FOLLOWED_PLANTS).map((i) => all.taxa[i])),
      all.standpoint,
    ),
    looks: new Map<number, Look>(),
  };
  nears.set(judgement, near);
  return near;
}

const nears = new WeakMap<Judgement, Near>();

function lookOf(judgement: Judgement, { active, looks }: Near, c: number): Look {
  const known = looks.get(c);
  if (known) return known;
  const rows = foreseenAnswers(judgement, active, c).slice();
  const look = { rows, nats: natsOf(rows, judgement.model.answers[c]) };
  looks.set(c, look);
  return look;
}

/** What may stand there after an answer, and how likely that answer is. */
export function standingAfter(
  now: Standing,
  rows: Float64Array,
  n: number,
  answer: number,
): { chance: number; after: Standing } {
  const [shares, sided, guarded] = [now.shares, now.sided, now.guarded].map((of) => sharesAfter(of, rows, n, answer));
  return {
    chance: shares.chance,
    after: {
      ...now,
      shares: shares.after,
      sided: sided.after,
      guarded: guarded.after,
      prior: heldBy(now, sided.after),
      guardedPrior: heldBy(now, guarded.after),
    },
  };
}

/** The same of the shares alone: all that a name needs. */
export function namesAfter(
  now: Standing,
  rows: Float64Array,
  n: number,
  answer: number,
): { chance: number; after: Standing } {
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
