import { argMax } from "../../stats";
import type { Judgement } from "../posterior/judgement";
import { gateOf, KEEP_SHARE } from "./gates";
import { keptAbove, keptCrossAbove, topOnSide } from "./sides";
import { type TwinInTheWay, twinsInTheWay } from "./twins-in-the-way";

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
  twinsInTheWay: TwinInTheWay[];
}
const UNKNOWN_SHARE = 0.5;
/** Below this many telling observations the verdict stays open rather than hold. */
const FEWEST_TO_HOLD = 3;

/** The verdict on one plant. It holds only if it holds under both priors. */
export function decide(judgement: Judgement, gate = gateOf(judgement)): VerdictResult {
  const { limit, group } = gate;
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
    twinsInTheWay: [],
  };
  if (telling > 0 && local.unknown >= UNKNOWN_SHARE && flat.unknown >= UNKNOWN_SHARE)
    return { ...base, verdict: "unknown", about: -1 };
  if (telling > 0 && local.keptSide >= KEEP_SHARE && flat.keptSide >= KEEP_SHARE) {
    const about = topOnSide(judgement, 1);
    return { ...base, verdict: "keep", about, named: names(about) };
  }
  if (group) {
    const leansOn = gate.weak?.name ?? null;
    const about = topOnSide(judgement, 0);
    const open = leansOn ? [] : twinsInTheWay(judgement, group);
    if (open.length > 0) return { ...base, verdict: "hold", about, twinsInTheWay: open };
    if (!leansOn)
      return { ...base, verdict: "clear", about, named: names(about), group, reportFirst: status[about] === "watch" };
    return { ...base, verdict: "hold", about, leansOn };
  }
  const targetSide = 1 - Math.max(local.keptSide, flat.keptSide);
  if (telling >= FEWEST_TO_HOLD && targetSide >= 0.3)
    return { ...base, verdict: "hold", about: topOnSide(judgement, 0) };
  return { ...base, verdict: "open" };
}
