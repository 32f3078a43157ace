import type { Judgement, Posterior } from "../posterior/judgement";
import type { Gate } from "./gates";

/** One of the conditions that a verdict of Clear must meet, as shares of what may stand there. */
export interface Standpoint {
  posterior: Posterior;
  /** the same as Clear is measured by it */
  guarded: Posterior;
  /** how many times the limit the kept side may hold */
  limitTimes: number;
  /** block of checks that is left out, or null */
  without: string | null;
}

/**
 * The condition of Clear to work on next: that of the local prior, or, once that is met, of the flat one, or, once
 * both are, without the block of checks that carries too much. A look that helps none of these brings Clear no nearer.
 */
export function farthestFromClear(judgement: Judgement, { limit, weak }: Gate): Standpoint {
  const { local, flat, guarded } = judgement;
  const here: Standpoint = { posterior: local, guarded: guarded.local, limitTimes: 1, without: null };
  if (guarded.local.keptSide > limit) return here;
  if (guarded.flat.keptSide > limit) return { ...here, posterior: flat, guarded: guarded.flat };
  return weak
    ? { posterior: weak.left, guarded: weak.left, limitTimes: judgement.model.tuning.leaveOneOut, without: weak.name }
    : here;
}
