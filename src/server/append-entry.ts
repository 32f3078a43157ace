import { desc } from "drizzle-orm";
import { entryHash, GENESIS } from "@/core/records";
import type { Transaction } from "@/db/client";
import { ledgerEntry } from "@/db/schema";

/** Writes the next link of the chain. Caller holds the district's lock. */
export async function append(
  tx: Transaction,
  member: { districtId: string; personName: string },
  input: { id: string; patchId: string; planId: string | null; supersedes: string | null },
  body: unknown,
  enteredAt = new Date().toISOString(),
): Promise<number> {
  const [last] = await tx
    .select({ seq: ledgerEntry.seq, hash: ledgerEntry.hash })
    .from(ledgerEntry)
    .orderBy(desc(ledgerEntry.seq))
    .limit(1);
  const clean = JSON.parse(JSON.stringify(body));
  const link = {
    districtId: member.districtId,
    seq: (last?.seq ?? 0) + 1,
    id: input.id,
    supersedes: input.supersedes,
    body: clean,
    enteredBy: member.personName,
    enteredAt,
    previousHash: last?.hash ?? GENESIS,
  };
  await tx
    .insert(ledgerEntry)
    .values({ ...link, patchId: input.patchId, planId: input.planId, hash: await entryHash(link) });
  return link.seq;
}
