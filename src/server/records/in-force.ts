import { desc, eq, isNull, sql } from "drizzle-orm";
import { storedTreatmentSchema } from "@/contracts/treatment";
import { addDays } from "@/core/time";
import type { Transaction } from "@/db/client";
import { ledgerEntry, membership, patch } from "@/db/schema";
import { readStored } from "@/db/schema/json";
import { now } from "../platform/clock";
import type { Member } from "../platform/session";

/** No label keeps a place closed for longer. */
const LONGEST_WAIT_DAYS = 400;
/** Work that was done against the gate stands on Today for so long. */
const AGAINST_DAYS = 60;
/** A license that ends within so many days is said. */
const ENDING_DAYS = 60;

/** Entries of the last so many days that were neither corrected nor voided, newest first. */
const standing = (tx: Transaction, days: number) =>
  tx
    .select({ e: ledgerEntry, patch: patch.name })
    .from(ledgerEntry)
    .innerJoin(patch, eq(patch.id, ledgerEntry.patchId))
    .where(
      sql`${ledgerEntry.kind} = 'treatment' AND (${ledgerEntry.body} ->> 'to')::timestamptz > ${now().toISOString()}::timestamptz - make_interval(days => ${days})
        AND NOT EXISTS (SELECT 1 FROM ledger_entry l WHERE l.district_id = ${ledgerEntry.districtId} AND l.supersedes = ${ledgerEntry.id})`,
    )
    .orderBy(desc(ledgerEntry.seq));

const toldBy = (body: unknown) => readStored("ledger_entry.body", storedTreatmentSchema, body);

/** What is closed after a treatment, and until when: the label's waits that are not over. */
export async function waitsInForce(tx: Transaction) {
  const at = now().toISOString();
  return (await standing(tx, LONGEST_WAIT_DAYS)).flatMap(({ e, patch: name }) => {
    const { restrictions, zone } = toldBy(e.body);
    return restrictions
      .filter(({ until }) => until > at)
      .map(({ what, until }) => ({ id: e.id, seq: e.seq, patchId: e.patchId, patch: name, what, until, zone }));
  });
}

/** Work that was done although the gate was closed: it stands on Today for a while, and opens nothing. */
export async function doneAgainstGate(tx: Transaction) {
  return (await standing(tx, AGAINST_DAYS)).flatMap(({ e, patch: name }) => {
    const { againstGate, methodName } = toldBy(e.body);
    return againstGate ? [{ id: e.id, seq: e.seq, patch: name, method: methodName, reasons: againstGate.reasons }] : [];
  });
}

/** Licenses that have ended or end soon: a person's own, and for a keeper everybody's. */
export async function licensesEnding(tx: Transaction, member: Member, today: string) {
  const people = await tx
    .select({
      personId: membership.personId,
      name: membership.name,
      licence: membership.licence,
      ends: membership.licenceExpires,
    })
    .from(membership)
    .where(isNull(membership.endedAt));
  return people.flatMap(({ personId, name, licence, ends }) =>
    licence &&
    ends &&
    ends <= addDays(today, ENDING_DAYS) &&
    (personId === member.personId || member.roles.includes("keeper"))
      ? [{ personId, name, ends, ended: ends < today }]
      : [],
  );
}
