import { desc, sql } from "drizzle-orm";
import { type ChainedEntry, entryHash, GENESIS } from "@/core/records";
import type { Actor, Transaction } from "@/db/client";
import { ledgerEntry } from "@/db/schema";
import { now } from "../platform/clock";
import { signature } from "./signature";

export interface NewEntry {
  id: string;
  kind: string;
  patchId: string;
  planId: string | null;
  plantId: string;
  supersedes: string | null;
}

/** One at a time per district: whoever comes second waits until the first has its place in the chain. */
export const lockLedger = (tx: Transaction, districtId: string) =>
  tx.execute(sql`SELECT pg_advisory_xact_lock(hashtext(${`ledger ${districtId}`}))`);

/**
 * Writes the next link of the chain, of format 2, signed with the person's id, name and roles. Caller holds the district's lock.
 * @returns its number
 */
export async function append(
  tx: Transaction,
  districtId: string,
  by: Actor,
  entry: NewEntry,
  body: unknown,
  enteredAt = now().toISOString(),
): Promise<number> {
  const [last] = await tx
    .select({ seq: ledgerEntry.seq, hash: ledgerEntry.hash })
    .from(ledgerEntry)
    .orderBy(desc(ledgerEntry.seq))
    .limit(1);
  const link: ChainedEntry = {
    format: 2,
    districtId,
    seq: (last?.seq ?? 0) + 1,
    ...entry,
    body: JSON.parse(JSON.stringify(body)),
    ...signature("enteredBy", by),
    enteredAt,
    previousHash: last?.hash ?? GENESIS,
  };
  await tx.insert(ledgerEntry).values({ ...link, hash: await entryHash(link) });
  return link.seq;
}
