import { itemAt } from "@/core/items";
import { type Case, decide, identify, judge, type Model, nextLater, verdictReason, namesPlant } from "@/core/identify";
import type { NamedVerdict } from "@/core/identify";

/** A finding that may be a protected plant with this chance has its place masked. */
const CONCERNS_FROM = 0.1;

/** The engine's word on a case, and the columns that repeat it. */
export function judgeFinding(model: Model, given: Case) {
  const identification = identify(model, given);
  const { taxa } = model.flora;
  const concerns = identification.candidates
    .filter((c) => c.probability > CONCERNS_FROM)
    .flatMap((c) => taxa.find((t) => t.name === c.taxon)?.id ?? []);
  return {
    identification,
    columns: {
      verdict: identification.verdict,
      because: identification.because,
      taxon: identification.about,
      reportFirst: identification.reportFirst ?? false,
      settleFrom:
        identification.verdict === "hold" || identification.verdict === "open"
          ? (nextLater(identification.next.later, given.day)?.from ?? null)
          : null,
      concerns,
    },
  };
}

/** The verdict alone, without what to look at next: for calculating many findings again. */
export function verdictOn(model: Model, given: Case): NamedVerdict & { because: string } {
  const judgement = judge(model, given);
  const result = decide(judgement);
  const named = result.about >= 0 && namesPlant(result.verdict);
  return {
    verdict: result.verdict,
    taxon: named ? itemAt(model.flora.taxa, result.about).name : null,
    because: verdictReason(judgement, result),
  };
}
