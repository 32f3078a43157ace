import { eq } from "drizzle-orm";
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

/** The treatments of a patch that count, oldest first. */
export async function standingEntries(tx: Transaction, patchId: string): Promise<StandingEntry[]> {
  const rows = await tx.select().from(ledgerEntry).where(eq(ledgerEntry.patchId, patchId)).orderBy(ledgerEntry.seq);
  const superseded = new Set(rows.map((row) => row.supersedes));
  return rows
    .filter((row) => row.kind === "treatment" && !superseded.has(row.id))
    .map(({ id, seq, planId, body }) => ({
      id,
      seq,
      planId,
      body: readStored("ledger_entry.body", storedTreatmentSchema, body),
    }));
}
