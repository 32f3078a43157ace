import { verdictsDiffer } from "@/core/identify";
import { type Amendment, kindOfKey } from "@/core/pack";
import type { ChangedVerdict } from "@/contracts/work";
import { modelWith } from "../flora/flora-models";
import { type Plants, plantsIn } from "../flora/plants";
import type { CaseSource } from "./cases";
import { type OldFinding, rejudge, type Rejudged, type Step } from "./old-findings";

/**
 * The findings of this district whose verdict would be another if these lines were changed, newest first. Where scores alone
 * are changed, only findings on which such a character was seen are judged again: no other can change.
 */
export async function changedVerdicts(
  source: CaseSource,
  findings: OldFinding[],
  changes: Amendment[],
  step: Step,
): Promise<{ changed: ChangedVerdict[]; judged: number }> {
  const scoresAlone = changes.every((c) => kindOfKey(c.key) === "score");
  const touched = new Set(changes.map((c) => c.key.split("@")[0]));
  const [now, then] = [modelWith(source.amendments), modelWith([...source.amendments, ...changes])];
  const plants = plantsIn(then.flora);
  const changed: ChangedVerdict[] = [];
  let judged = 0;
  for (const [i, old] of findings.entries()) {
    await step(i, findings.length);
    if (scoresAlone && !old.seen.observations.some((o) => touched.has(o.character))) continue;
    judged++;
    const [before, after] = [rejudge(source, old, now), rejudge(source, old, then)];
    if (verdictsDiffer(before, after)) changed.push(changedVerdict(plants, old, before, after));
  }
  return { changed, judged };
}

export const changedVerdict = (
  plants: Plants,
  old: OldFinding,
  before: Pick<Rejudged, "verdict" | "taxon">,
  after: Pick<Rejudged, "verdict" | "taxon">,
): ChangedVerdict => ({
  id: old.id,
  number: old.number,
  day: old.day,
  siteName: old.siteName,
  before: told(plants, before),
  after: told(plants, after),
});

const told = (plants: Plants, { verdict, taxon }: Pick<Rejudged, "verdict" | "taxon">) => ({
  verdict,
  name: taxon ? plants.common(taxon) : "no plant",
});
