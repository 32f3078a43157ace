import { argMax } from "../../stats";
import type { Judgement } from "../posterior/judgement";
import { gateOf } from "./gates";
import { keptAbove, keptCrossAbove, topOnSide } from "./sides";
import { type TwinInTheWay, twinsInTheWay } from "./twins-in-the-way";
import type { Verdict } from "./verdicts";

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
  /** plants on the kept side that still exceed the limit, likeliest first */
  stillFit: number[];
  /** the likeliest cross with a kept parent that still exceeds the limit, or -1 */
  crossFits: number;
  /** the block without which the kept side would come back, if that is what stops a clear verdict */
  leansOn: string | null;
  /** listed twins that the flora does not include and that stand between a target and a clear verdict */
  twinsInTheWay: TwinInTheWay[];
}

/** The verdict on one plant. It holds only if it holds under both priors. */
export function decide(judgement: Judgement, gate = gateOf(judgement)): VerdictResult {
  const { limit, group } = gate;
  const { local, flat, status } = judgement;
  const { unknownShare, keepShare, fewestToHold, holdTargetShare, standsInTheWay } = judgement.model.tuning;
  const telling = judgement.evidence.filter(Boolean).length;
  const top = argMax(local.taxa);
  const stillFit = [...keptAbove(judgement, limit)];
  const names = (t: number) => t >= 0 && Math.min(local.taxa[t], flat.taxa[t]) >= keepShare;
  const base = {
    limit,
    about: top,
    named: false,
    group: null,
    reportFirst: false,
    stillFit,
    crossFits: keptCrossAbove(judgement, standsInTheWay * limit),
    leansOn: null,
    twinsInTheWay: [],
  };
  if (telling > 0 && local.unknown >= unknownShare && flat.unknown >= unknownShare)
    return { ...base, verdict: "unknown", about: -1 };
  if (telling > 0 && local.keptSide >= keepShare && flat.keptSide >= keepShare) {
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
  if (telling >= fewestToHold && targetSide >= holdTargetShare)
    return { ...base, verdict: "hold", about: topOnSide(judgement, 0) };
  return { ...base, verdict: "open" };
}
