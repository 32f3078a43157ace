import { eq } from "drizzle-orm";
import { type StoredVoid, storedTreatmentSchema, voidSchema } from "@/contracts/treatment";
import type { Transaction } from "@/db/client";
import { ledgerEntry, patch, plan } from "@/db/schema";
import { readStored } from "@/db/schema/json";
import { now } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { append, lockLedger } from "./append-entry";
import { standingEntries, standingEntriesOf } from "./standing-entries";
import { settleVisits } from "./visits";
import { mustStand } from "./treatments";

/**
 * Says that what an entry tells never was, as an entry of its own. It asks for a role and a reason, and nothing else: whatever has
 * changed since, what is wrong can be taken back. Its checks fall away, and its plan waits again.
 */
export async function voidEntry(member: Member, raw: unknown): Promise<{ id: string; seq: number }> {
  const input = voidSchema.parse(raw);
  return asMember(member, async (tx) => {
    await lockLedger(tx, member.districtId);
    const [known] = await tx.select().from(ledgerEntry).where(eq(ledgerEntry.id, input.id));
    if (known) return { id: known.id, seq: known.seq };
    await count(tx, member, "record");
    const [old] = await tx.select().from(ledgerEntry).where(eq(ledgerEntry.id, input.entryId));
    if (!old) throw notFound("The entry");
    if (old.kind !== "treatment") throw new Refusal(409, "A void cannot be voided. Record the treatment again.");
    await mustStand(tx, old);
    const told = readStored("ledger_entry.body", storedTreatmentSchema, old.body);
    const { zone, siteName, patchName, taxon, methodName, who } = told;
    const body: StoredVoid = {
      reason: input.reason,
      voids: old.seq,
      from: now().toISOString(),
      ...{ zone, siteName, patchName, taxon, methodName, who },
    };
    const { patchId, planId, plantId } = old;
    const seq = await append(
      tx,
      member.districtId,
      member,
      { id: input.id, kind: "void", patchId, planId, plantId: plantId ?? "", supersedes: old.id },
      body,
    );
    if (planId) await reopenPlan(tx, planId);
    if ((await standingEntries(tx, patchId)).length === 0)
      await tx.update(patch).set({ state: "open" }).where(eq(patch.id, patchId));
    await settleVisits(tx, member.districtId, patchId);
    return { id: input.id, seq };
  });
}

/** A plan is done as far as the last record that still stands says; without one it waits from the beginning. */
async function reopenPlan(tx: Transaction, planId: string): Promise<void> {
  const [last] = (await standingEntriesOf(tx, planId)).slice(-1);
  const doneShare = last?.body.doneShare ?? 0;
  const state = doneShare < 1 ? "planned" : "done";
  await tx.update(plan).set({ state, doneShare }).where(eq(plan.id, planId));
}
