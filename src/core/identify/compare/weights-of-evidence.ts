import { type Judgement, taxonLog } from "../posterior/judgement";
import { taxonLogWithout } from "../posterior/leave-out";
import { describeObservation } from "../words/observation-words";

export interface Weight {
  observation: number;
  /** evidence for the first plant over the second, decibans; negative is for the second */
  decibans: number;
  /** words on what was seen */
  seen: string;
}

/** Weight of each observation between two plants, by leaving it out, in decibans: 10 · log₁₀ of the ratio it adds. */
export function weightsOfEvidence(judgement: Judgement, first: number, second: number): Weight[] {
  const all = taxonLog(judgement.likelihoods, first) - taxonLog(judgement.likelihoods, second);
  return judgement.case.observations.map((_, i) => {
    const seen = describeObservation(judgement, i);
    if (!judgement.evidence[i]) return { observation: i, decibans: 0, seen };
    const rest = taxonLogWithout(judgement, first, i) - taxonLogWithout(judgement, second, i);
    return { observation: i, decibans: (10 * (all - rest)) / Math.LN10, seen };
  });
}
