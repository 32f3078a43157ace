import { and, eq, type SQL, sql } from "drizzle-orm";
import { type StoredTreatment, storedTreatmentSchema } from "@/contracts/treatment";
import type { Transaction } from "@/db/client";
import { ledgerEntry } from "@/db/schema";
import { readStored } from "@/db/schema/json";

/** A treatment that counts: it was neither corrected nor voided. */
export interface StandingEntry {
  id: string;
  seq: number;
  planId: string | null;
  body: StoredTreatment;
}

/** The treatments of a patch that count, oldest first. What supersedes one may stand on another patch. */
export const standingEntries = (tx: Transaction, patchId: string): Promise<StandingEntry[]> =>
  standing(tx, eq(ledgerEntry.patchId, patchId));

/** Those of a plan, oldest first, whatever their patch. */
export const standingEntriesOf = (tx: Transaction, planId: string): Promise<StandingEntry[]> =>
  standing(tx, eq(ledgerEntry.planId, planId));

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
  return rows.map(({ id, seq, planId, body }) => ({
    id,
    seq,
    planId,
    body: readStored("ledger_entry.body", storedTreatmentSchema, body),
  }));
}
