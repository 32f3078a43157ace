import { and, eq, inArray, type SQL, sql } from "drizzle-orm";
import { type StoredTreatment, storedTreatmentSchema } from "@/contracts/treatment";
import type { GroupUse } from "@/core/records";
import { dayIn, seasonOf } from "@/core/time";
import type { Transaction } from "@/db/client";
import { ledgerEntry } from "@/db/schema";
import { readStored } from "@/db/schema/json";

/** A treatment that counts: it was neither corrected nor voided. */
export interface StandingEntry {
  id: string;
  seq: number;
  planId: string | null;
  patchId: string;
  body: StoredTreatment;
}

/** The treatments of a patch that count, oldest first. What supersedes one may stand on another patch. */
export const standingEntries = (tx: Transaction, patchId: string): Promise<StandingEntry[]> =>
  standing(tx, eq(ledgerEntry.patchId, patchId));

/** Those of a plan, oldest first, whatever their patch. */
export const standingEntriesOf = (tx: Transaction, planId: string): Promise<StandingEntry[]> =>
  standing(tx, eq(ledgerEntry.planId, planId));

/** The seasons in which a site of action was used, by what treatments say. */
export const groupsIn = (treatments: StoredTreatment[], hemisphere: "north" | "south"): GroupUse[] =>
  treatments.flatMap(({ product, from, zone }) =>
    product?.limits.siteOfAction
      ? [{ season: seasonOf(dayIn(zone, new Date(from)), hemisphere), group: product.limits.siteOfAction }]
      : [],
  );

/** The same of several patches, by the patch's id. */
export async function groupsOn(
  tx: Transaction,
  patchIds: string[],
  hemisphere: "north" | "south",
): Promise<(patchId: string) => GroupUse[]> {
  const entries = patchIds.length > 0 ? await standing(tx, inArray(ledgerEntry.patchId, patchIds)) : [];
  return (patchId) =>
    groupsIn(
      entries.filter((entry) => entry.patchId === patchId).map(({ body }) => body),
      hemisphere,
    );
}

async function standing(tx: Transaction, which: SQL): Promise<StandingEntry[]> {
  const rows = await tx
    .select()
    .from(ledgerEntry)
    .where(
      and(
        which,
        eq(ledgerEntry.kind, "treatment"),
        sql`NOT EXISTS (SELECT 1 FROM ledger_entry l WHERE l.district_id = ${ledgerEntry.districtId} AND l.supersedes = ${ledgerEntry.id})`,
      ),
    )
    .orderBy(ledgerEntry.seq);
  return rows.map(({ id, seq, planId, patchId, body }) => ({
    ...{ id, seq, planId, patchId },
    body: readStored("ledger_entry.body", storedTreatmentSchema, body),
  }));
}
