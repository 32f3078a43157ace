/** What may be said of a plant before anything is done to it. */
export const VERDICTS = ["clear", "hold", "keep", "open", "unknown"] as const;
export type Verdict = (typeof VERDICTS)[number];

/** True where the matter is settled: the plant may be treated, or must be left. */
export const isSettled = (verdict: Verdict): boolean => verdict === "clear" || verdict === "keep";

/** True where a verdict is about one plant; an open one, and one of an unknown plant, name none. */
export const namesPlant = (verdict: Verdict): boolean => isSettled(verdict) || verdict === "hold";

/** A verdict and the plant that it names, by accepted name, or null. */
export interface NamedVerdict {
  verdict: Verdict;
  taxon: string | null;
}

/** True where two verdicts differ: another verdict, or another plant under a verdict that names one. */
export const verdictsDiffer = (one: NamedVerdict, other: NamedVerdict): boolean =>
  one.verdict !== other.verdict || (namesPlant(one.verdict) && one.taxon !== other.taxon);
