import type { Costs } from "../case/case";
import { crossKept } from "../evidence/cross-evidence";
import type { Judgement, Posterior } from "../posterior/judgement";
import { guardedWithout } from "../posterior/leave-out";
import { type Tuning, TUNING } from "../tuning";

/**
 * Cost of the best act open, in the district's hours. The gate decides what is open: treat where the kept side
 * is under the limit and one action group holds the rest, leave where the kept side holds 95%, else come back.
 * @param limitTimes how many times the limit the kept side may hold
 * @param masses of which those from `from` on are meant: of the kept side (first) and of each action group
 * @param total their sum
 */
export function costOfAct(
  judgement: Judgement,
  limitTimes: number,
  masses: Float64Array,
  from: number,
  partitions: number,
  total: number,
): number {
  const { wrongClear, missedTarget, hold } = judgement.case.costs;
  const kept = masses[from] / total;
  if (kept >= judgement.model.tuning.keepShare) return Math.min(hold, missedTarget * (1 - kept));
  if (kept > limitTimes * keptLimit(judgement.case.costs, judgement.model.tuning)) return hold;
  let largest = 0;
  for (let p = 1; p < partitions; p++) largest = Math.max(largest, masses[from + p] / total);
  return largest >= judgement.model.tuning.groupShare * (1 - kept)
    ? Math.min(hold, (wrongClear * kept) / limitTimes)
    : hold;
}

/** The kept side's limit: where clearing wrongly costs as much as missing, but never above 2%. */
export function keptLimit(costs: Costs, tuning: Tuning = TUNING): number {
  return Math.min(tuning.highestLimit, costs.missedTarget / (costs.missedTarget + costs.wrongClear));
}

/** The action group that holds the target side, if the kept side is under the limit; else null. */
export function groupGate(judgement: Judgement, p: Posterior, limit: number): string | null {
  if (p.keptSide > limit) return null;
  const sums = new Map<string, number>();
  p.taxa.forEach((share, t) => {
    if (!judgement.keptSide[t]) sums.set(judgement.group[t], (sums.get(judgement.group[t]) ?? 0) + share);
  });
  p.crosses.forEach((share, x) => {
    const [a, b] = judgement.model.crosses[x].parents;
    if (!crossKept(judgement, x) && judgement.group[a] === judgement.group[b])
      sums.set(judgement.group[a], (sums.get(judgement.group[a]) ?? 0) + share);
  });
  for (const [group, share] of sums) if (share >= judgement.model.tuning.groupShare * (1 - p.keptSide)) return group;
  return null;
}

export interface WeakBlock {
  name: string;
  /** the worse of the two posteriors without it */
  left: Posterior;
}

/** The first block of checks without which the kept side rises too far; null where no single look carries the verdict. */
function weakBlock(judgement: Judgement, limit: number): WeakBlock | null {
  for (const block of judgement.blocks.values()) {
    const [local, flat] = guardedWithout(judgement, new Set(block.members));
    const left = local.keptSide >= flat.keptSide ? local : flat;
    if (left.keptSide > judgement.model.tuning.leaveOneOut * limit) return { name: block.name, left };
  }
  return null;
}

/** The action group that both priors leave to be acted on, or null. */
function agreedGroup(judgement: Judgement, limit: number): string | null {
  const [local, flat] = [judgement.guarded.local, judgement.guarded.flat].map((p) => groupGate(judgement, p, limit));
  return local === flat ? local : null;
}

/** What a judgement must pass before Clear, worked out once: the verdict, the next checks and the checks before Clear all ask for it. */
export interface Gate {
  /** highest share of the kept side that this district accepts, in (0, 0.02] */
  limit: number;
  /** the action group that both priors leave to be acted on, or null */
  group: string | null;
  /** where a group is agreed, the block of checks without which the kept side would come back, or null */
  weak: WeakBlock | null;
}

export function gateOf(judgement: Judgement): Gate {
  const limit = keptLimit(judgement.case.costs, judgement.model.tuning);
  const group = agreedGroup(judgement, limit);
  return { limit, group, weak: group ? weakBlock(judgement, limit) : null };
}
