import type { Costs } from "./case";
import { crossKept } from "./hybrids";
import { type OpenTwin, openTwins } from "./open-twins";
import { guardedWithout, type Judgement, type Posterior } from "./posterior";

export type Verdict = "clear" | "hold" | "keep" | "open" | "unknown";

export interface VerdictResult {
  verdict: Verdict;
  /** highest share of the kept side that this district accepts, in (0, 0.02] */
  limit: number;
  /** index of the plant that the verdict is about, or -1 */
  about: number;
  /** true where that one plant alone holds the share that a verdict to keep asks for, under both priors: it is named, not only its side */
  named: boolean;
  /** action group that holds the target side, where clear */
  group: string | null;
  reportFirst: boolean;
  /** plants on the kept side that still stand above the limit, likeliest first */
  stillFit: number[];
  /** the likeliest cross with a kept parent that still stands above the limit, or -1 */
  crossFits: number;
  /** the block without which the kept side would come back, if that is what stops a clear verdict */
  leansOn: string | null;
  /** listed twins that the flora does not hold and that stand between a target and a clear verdict */
  openTwins: OpenTwin[];
}

const HIGHEST_LIMIT = 0.02;
export const GROUP_SHARE = 0.95;
export const KEEP_SHARE = 0.95;
const UNKNOWN_SHARE = 0.5;
/** With any one block left out the kept side must stay under this many times the limit. */
const LEAVE_ONE_OUT = 5;
/** Below this many telling observations the verdict stays open rather than hold. */
const FEWEST_TO_HOLD = 3;

/** The kept side's limit: where clearing wrongly costs as much as missing, but never above 2 %. */
export function keptLimit(costs: Costs): number {
  return Math.min(HIGHEST_LIMIT, costs.missedTarget / (costs.missedTarget + costs.wrongClear));
}

/** The verdict on one plant. It holds only if it holds under both priors. */
export function decide(judgement: Judgement): VerdictResult {
  const limit = keptLimit(judgement.case.costs);
  const { local, flat, status } = judgement;
  const telling = judgement.evidence.filter(Boolean).length;
  const top = argMax(local.taxa);
  const stillFit = [...keptAbove(judgement, limit)];
  const names = (t: number) => t >= 0 && Math.min(local.taxa[t], flat.taxa[t]) >= KEEP_SHARE;
  const base = {
    limit,
    about: top,
    named: false,
    group: null,
    reportFirst: false,
    stillFit,
    crossFits: keptCrossAbove(judgement, limit / 2),
    leansOn: null,
    openTwins: [],
  };
  if (telling > 0 && local.unknown >= UNKNOWN_SHARE && flat.unknown >= UNKNOWN_SHARE)
    return { ...base, verdict: "unknown", about: -1 };
  if (telling > 0 && local.keptSide >= KEEP_SHARE && flat.keptSide >= KEEP_SHARE) {
    const about = topOnSide(judgement, 1);
    return { ...base, verdict: "keep", about, named: names(about) };
  }
  const group = agreedGroup(judgement, limit);
  if (group) {
    const leansOn = weakBlock(judgement, limit)?.name ?? null;
    const about = topOnSide(judgement, 0);
    const open = leansOn ? [] : twinsInTheWay(judgement, group);
    if (open.length > 0) return { ...base, verdict: "hold", about, openTwins: open };
    if (!leansOn)
      return { ...base, verdict: "clear", about, named: names(about), group, reportFirst: status[about] === "watch" };
    return { ...base, verdict: "hold", about, leansOn };
  }
  const targetSide = 1 - Math.max(local.keptSide, flat.keptSide);
  if (telling >= FEWEST_TO_HOLD && targetSide >= 0.3)
    return { ...base, verdict: "hold", about: topOnSide(judgement, 0) };
  return { ...base, verdict: "open" };
}

/** Below this share of what is found a target of the group is not asked about its unheld twins. */
const WORTH_ASKING = 0.05;

export function twinsInTheWay(judgement: Judgement, group: string): OpenTwin[] {
  const { local, flat, model } = judgement;
  const found = [...model.unheld.keys()].filter(
    (t) =>
      model.unheld[t].length > 0 &&
      !judgement.keptSide[t] &&
      judgement.group[t] === group &&
      Math.max(local.taxa[t], flat.taxa[t]) >= WORTH_ASKING,
  );
  return found.flatMap((t) => openTwins(judgement, t));
}

/** A twin that the flora does not hold, by what people call it, and the plant that it is taken for. */
export interface TakenFor {
  twin: string;
  taxon: number;
  /** the look was made, and what was seen is as the twin has it */
  fits?: true;
}

/** Looks that a target which would else be clear must still pass, each with the twins, not held by the flora, that it is for. */
export interface LooksBeforeClear {
  /** not made yet */
  fresh: Map<number, TakenFor[]>;
  /** made on one plant, to be made on a second: last of all, when nothing else stands between the target and Clear */
  again: Map<number, TakenFor[]>;
}

export function looksBeforeClear(judgement: Judgement): LooksBeforeClear {
  const limit = keptLimit(judgement.case.costs);
  const group = agreedGroup(judgement, limit);
  const open = group ? twinsInTheWay(judgement, group) : [];
  const byLook = (of: "looks" | "again") => {
    const twins = new Map<number, TakenFor[]>();
    for (const own of open)
      for (const c of own[of])
        twins.set(c, [
          ...(twins.get(c) ?? []),
          { twin: own.twin.common, taxon: own.taxon, ...(of === "again" && own.fits ? { fits: true as const } : {}) },
        ]);
    return twins;
  };
  const last = group && !weakBlock(judgement, limit);
  return { fresh: byLook("looks"), again: last ? byLook("again") : new Map() };
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
  for (const [group, share] of sums) if (share >= GROUP_SHARE * (1 - p.keptSide)) return group;
  return null;
}

interface WeakBlock {
  name: string;
  /** the worse of the two posteriors without it */
  left: Posterior;
}

/** Worked out once for a judgement: verdict and next checks both ask for it. */
const weakBlocks = new WeakMap<Judgement, WeakBlock | null>();

/** The first block of looks without which the kept side rises too far; null where no single look carries the verdict. */
function weakBlock(judgement: Judgement, limit: number): WeakBlock | null {
  const known = weakBlocks.get(judgement);
  if (known !== undefined) return known;
  const found = findWeakBlock(judgement, limit);
  weakBlocks.set(judgement, found);
  return found;
}

function findWeakBlock(judgement: Judgement, limit: number): WeakBlock | null {
  for (const block of judgement.blocks.values()) {
    const [local, flat] = guardedWithout(judgement, new Set(block.members));
    const left = local.keptSide >= flat.keptSide ? local : flat;
    if (left.keptSide > LEAVE_ONE_OUT * limit) return { name: block.name, left };
  }
  return null;
}

/** The action group that both priors leave to be acted on, or null. */
function agreedGroup(judgement: Judgement, limit: number): string | null {
  const [local, flat] = [judgement.guarded.local, judgement.guarded.flat].map((p) => groupGate(judgement, p, limit));
  return local === flat ? local : null;
}

/** One of the conditions that a verdict of Clear must meet, as shares of what may stand there. */
export interface Standpoint {
  posterior: Posterior;
  /** the same as Clear is measured by it */
  guarded: Posterior;
  /** how many times the limit the kept side may hold */
  limitTimes: number;
  /** block of looks that is left out, or null */
  without: string | null;
}

/**
 * The condition of Clear to work on next: that of the local prior, or, once that is met, of the flat one, or, once
 * both are, without the block of looks that carries too much. A look that helps none of these brings Clear no nearer.
 */
export function farthestFromClear(judgement: Judgement): Standpoint {
  const { local, flat, guarded } = judgement;
  const limit = keptLimit(judgement.case.costs);
  const here: Standpoint = { posterior: local, guarded: guarded.local, limitTimes: 1, without: null };
  if (guarded.local.keptSide > limit) return here;
  if (guarded.flat.keptSide > limit) return { ...here, posterior: flat, guarded: guarded.flat };
  const weak = agreedGroup(judgement, limit) ? weakBlock(judgement, limit) : null;
  return weak ? { posterior: weak.left, guarded: weak.left, limitTimes: LEAVE_ONE_OUT, without: weak.name } : here;
}

/** Kept plants that stand in the way under either prior: first the likeliest here, as the field shows it, then by the higher of the two shares. */
function keptAbove(judgement: Judgement, limit: number): number[] {
  const { local, flat } = judgement.guarded;
  const share = (t: number) => Math.max(local.taxa[t], flat.taxa[t]);
  const above = [...judgement.status.keys()]
    .filter((t) => judgement.keptSide[t] && share(t) > limit / 2)
    .sort((a, b) => share(b) - share(a));
  const here = above.reduce((best, t) => (local.taxa[t] > local.taxa[best] ? t : best), above[0]);
  return above.length > 0 ? [here, ...above.filter((t) => t !== here)] : [];
}

/** The likeliest cross on the kept side that stands above a share, or -1. */
function keptCrossAbove(judgement: Judgement, share: number): number {
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

export function argMax(values: ArrayLike<number>): number {
  let best = 0;
  for (let i = 1; i < values.length; i++) if (values[i] > values[best]) best = i;
  return best;
}
