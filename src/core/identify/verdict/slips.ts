import { argMax, largestFirst } from "../../stats";
import type { Evidence } from "../evidence/evidence";
import { type Judgement, type Likelihoods, taxonLog } from "../posterior/judgement";
import { guardedWithout, taxonLogWithout, without } from "../posterior/leave-out";
import { posterior, underBothPriors } from "../posterior/posterior";
import type { VerdictResult } from "./decide";
import { groupGate } from "./gates";
import { isSettled } from "./verdicts";
import { twinsInTheWay } from "./twins-in-the-way";

/** An answer that deserves a second look. */
export interface Slip {
  /** index of the observation */
  observation: number;
  /** without it the verdict would be another, or it stands alone against all the others */
  kind: "verdict-hangs-on-it" | "against-all-others";
}

/**
 * Answers worth a second look, by leaving each out in turn: those on which a verdict to clear or to keep hangs, and the one that
 * goes against a plant on which all the others agree.
 */
export function slipsOf(judgement: Judgement, result: VerdictResult): Slip[] {
  const telling = judgement.evidence.flatMap((item, i) => (item ? [i] : []));
  const settled = isSettled(result.verdict);
  const first = largestFirst(judgement.flat.taxa, judgement.model.tuning.slipPlants);
  return telling.flatMap((i): Slip[] => {
    // Leaving one out costs a pass over the flora: it is spared where nothing can hang on it and it goes against none of those that fit best.
    if (
      !settled &&
      !first.some((t) => isAgainst(judgement, judgement.evidence[i] as Evidence, t, taxonLogWithout(judgement, t, i)))
    )
      return [];
    const rest = without(judgement, new Set([i]));
    if (telling.length > judgement.model.tuning.slipFewestOthers && standsAlone(judgement, rest, i))
      return [{ observation: i, kind: "against-all-others" }];
    return hangsOn(judgement, rest, i, result) ? [{ observation: i, kind: "verdict-hangs-on-it" }] : [];
  });
}

function hangsOn(
  judgement: Judgement,
  rest: ReturnType<typeof without>,
  observation: number,
  { verdict, group, limit }: VerdictResult,
): boolean {
  if (!isSettled(verdict)) return false;
  if (verdict === "keep")
    return underBothPriors(judgement, rest).some((p) => p.keptSide < judgement.model.tuning.keepShare);
  if (guardedWithout(judgement, new Set([observation]), rest).some((p) => groupGate(judgement, p, limit) !== group))
    return true;
  const others = <T>(items: T[]) => items.filter((_, i) => i !== observation);
  return (
    group !== null &&
    twinsInTheWay(
      {
        ...judgement,
        case: { ...judgement.case, observations: others(judgement.case.observations) },
        evidence: others(judgement.evidence),
      },
      group,
    ).length > 0
  );
}

/** True where the others point to one plant, and this answer is far likelier of any other than of that one. */
function standsAlone(judgement: Judgement, rest: Likelihoods, observation: number): boolean {
  const { model, evidence, keptSide, priorFlat } = judgement;
  const { taxa } = posterior(model, rest, priorFlat, keptSide);
  const agreed = argMax(taxa);
  const item = evidence[observation];
  if (!item || taxa[agreed] < model.tuning.slipOthersAgree) return false;
  return isAgainst(judgement, item, agreed, taxonLog(rest, agreed));
}

/** True where an answer is far likelier of any other than of this plant. */
function isAgainst(judgement: Judgement, item: Evidence, taxon: number, logWithout: number): boolean {
  const own = Math.exp(taxonLog(judgement.likelihoods, taxon) - logWithout);
  return (
    own * judgement.model.tuning.slipAgainst <
    Math.max(item.even, item.background[judgement.model.taxonLifeForm[taxon]])
  );
}
