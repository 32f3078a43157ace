import { crossKept } from "../evidence/cross-evidence";
import type { Judgement } from "../posterior/judgement";

/** Kept plants that stand in the way under either prior: first the likeliest here, as the field shows it, then by the higher of the two shares. */
export function keptAbove(judgement: Judgement, limit: number): number[] {
  const { local, flat } = judgement.guarded;
  const share = (t: number) => Math.max(local.taxa[t], flat.taxa[t]);
  const above = [...judgement.status.keys()]
    .filter((t) => judgement.keptSide[t] && share(t) > judgement.model.tuning.standsInTheWay * limit)
    .sort((a, b) => share(b) - share(a));
  const here = above.reduce((best, t) => (local.taxa[t] > local.taxa[best] ? t : best), above[0]);
  return above.length > 0 ? [here, ...above.filter((t) => t !== here)] : [];
}

/** The likeliest cross on the kept side that stands above a share, or -1. */
export function keptCrossAbove(judgement: Judgement, share: number): number {
  const shareOf = (x: number) => Math.max(judgement.guarded.local.crosses[x], judgement.guarded.flat.crosses[x]);
  const above = [...judgement.model.crosses.keys()].filter((x) => crossKept(judgement, x) && shareOf(x) > share);
  return above.reduce((best, x) => (best < 0 || shareOf(x) > shareOf(best) ? x : best), -1);
}

/** Likeliest plant of one side under the local prior. */
export function topOnSide(judgement: Judgement, keptSide: 0 | 1): number {
  let best = -1;
  judgement.local.taxa.forEach((share, t) => {
    if (judgement.keptSide[t] === keptSide && (best < 0 || share > judgement.local.taxa[best])) best = t;
  });
  return best;
}
