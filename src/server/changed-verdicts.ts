import { type Amendment, kindOfKey } from "@/core/pack";
import { clashes } from "@/core/outbox";
import type { ChangedVerdict } from "@/core/records";
import type { Transaction } from "@/db/client";
import { activeAmendments, modelWith } from "./amendments";
import { type Plants, plantsIn } from "./plants";
import { type OldFinding, oldFindings, reckoner, type Reckoning } from "./reckon";

/**
 * The findings of this district whose verdict would be another if these lines were changed, newest first. Where scores alone
 * are changed, only findings on which such a character was seen are reckoned again: no other can change.
 */
export async function changedVerdicts(
  tx: Transaction,
  changes: Amendment[],
): Promise<{ changed: ChangedVerdict[]; reckoned: number }> {
  const scoresAlone = changes.every((c) => kindOfKey(c.key) === "score");
  const touched = new Set(changes.map((c) => c.key.split("@")[0]));
  const active = await activeAmendments(tx);
  const [now, then] = [modelWith(active), modelWith([...active, ...changes])];
  const plants = plantsIn(then.flora);
  const reckon = await reckoner(tx);
  const changed: ChangedVerdict[] = [];
  let reckoned = 0;
  for (const old of await oldFindings(tx)) {
    if (scoresAlone && !old.seen.observations.some((o) => touched.has(o.character))) continue;
    reckoned++;
    const [before, after] = [await reckon(old, now), await reckon(old, then)];
    if (clashes(before, after)) changed.push(changedVerdict(plants, old, before, after));
  }
  return { changed, reckoned };
}

export const changedVerdict = (
  plants: Plants,
  old: OldFinding,
  before: Pick<Reckoning, "verdict" | "taxon">,
  after: Pick<Reckoning, "verdict" | "taxon">,
): ChangedVerdict => ({
  id: old.id,
  number: old.number,
  day: old.day,
  siteName: old.siteName,
  before: told(plants, before),
  after: told(plants, after),
});

const told = (plants: Plants, { verdict, taxon }: Pick<Reckoning, "verdict" | "taxon">) => ({
  verdict,
  name: taxon ? plants.common(taxon) : "no plant",
});
