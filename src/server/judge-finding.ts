import { type Case, decide, identify, type Identification, judge, type Model } from "@/core/identify";

/** A verdict as it is kept: what the engine said, and the versions that made it say so. */
export interface VerdictRecord {
  identification: Identification;
  versions: { flora: string; list: string; costs: Record<string, number>; engine: string };
}

/** The engine's word on a case, and the columns that repeat it. */
export function judgeFinding(model: Model, given: Case) {
  const identification = identify(model, given);
  const result = decide(judge(model, given));
  const isProtected = identification.candidates.some((c) => c.status === "protected" && c.probability > 0.1);
  return {
    identification,
    columns: { verdict: result.verdict, because: identification.because, taxon: identification.about, reportFirst: result.reportFirst, settleFrom: result.verdict === "hold" || result.verdict === "open" ? (identification.next.later[0]?.from ?? null) : null, protected: isProtected },
  };
}

