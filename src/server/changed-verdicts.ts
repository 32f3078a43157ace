import { eq, inArray } from "drizzle-orm";
import { z } from "zod";
import { type Case, caseSchema, observationSchema, STAGES } from "@/core/identify";
import type { Amendment } from "@/core/pack";
import type { ChangedVerdict } from "@/core/records";
import type { Transaction } from "@/db/client";
import { finding, findingEvent, site } from "@/db/schema";
import { activeAmendments, modelWith } from "./amendments";
import { commonName } from "./flora";
import { caseFor } from "./findings";
import { judgeFinding } from "./judge-finding";

const seenSchema = z.object({ day: z.string(), stage: z.enum(STAGES).nullable(), kit: caseSchema.shape.kit, observations: z.array(observationSchema) });

/**
 * The findings of this district whose verdict would be another if these lines were changed, newest first.
 * Only findings on which a changed character was seen are reckoned again: no other can change.
 */
export async function changedVerdicts(tx: Transaction, changes: Amendment[]): Promise<{ changed: ChangedVerdict[]; reckoned: number }> {
  const touched = new Set(changes.map((c) => c.key.split("@")[0]));
  const rows = await tx.select({ id: finding.id, number: finding.number, day: finding.day, siteId: finding.siteId, siteName: site.name, body: findingEvent.body }).from(findingEvent).innerJoin(finding, eq(finding.id, findingEvent.findingId)).innerJoin(site, eq(site.id, finding.siteId)).where(inArray(findingEvent.kind, ["observations"]));
  const active = await activeAmendments(tx);
  const [now, then] = [modelWith(active), modelWith([...active, ...changes])];
  const changed: ChangedVerdict[] = [];
  let reckoned = 0;
  for (const row of rows.sort((a, b) => (a.day < b.day ? 1 : -1))) {
    const seen = seenSchema.parse(row.body);
    if (!seen.observations.some((o) => touched.has(o.character))) continue;
    reckoned++;
    const given: Case = (await caseFor(tx, row.siteId, { ...seen, id: row.id })).case;
    const [before, after] = [judgeFinding(now, given), judgeFinding(then, given)].map(({ identification, columns }) => ({ verdict: columns.verdict, name: nameOf(columns.taxon ?? identification.candidates[0]?.taxon) }));
    if (before.verdict !== after.verdict || (before.name !== after.name && before.verdict !== "open")) changed.push({ id: row.id, number: row.number, day: row.day, siteName: row.siteName, before, after });
  }
  return { changed, reckoned };
}

const nameOf = (taxon: string | undefined) => (taxon ? commonName(taxon) : "no plant");
