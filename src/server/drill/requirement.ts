import { and, eq, sql } from "drizzle-orm";
import type { Transaction } from "@/db/client";
import { drillSet, finding, findingEvent } from "@/db/schema";
import { plantsHere } from "../flora/amendments";
import { openSets, passedSets } from "./sets";

interface Found {
  id: string;
  plantId: string | null;
  finderId: string | null;
  createdAt: Date;
}

/**
 * The set that the person who made a finding would have had to pass for this plant, as things stood at a moment; null where none was
 * required when it was made, where it was passed, or where a specialist confirmed the finding.
 */
export async function practiceMissing(tx: Transaction, found: Found, moment: string): Promise<string | null> {
  if (!found.plantId || !found.finderId) return null;
  const at = new Date(moment);
  const required = (
    await tx.select().from(drillSet).where(sql`${found.plantId} = ANY(${drillSet.requiredFor})`)
  ).filter(
    ({ createdAt, endedAt }) => createdAt <= found.createdAt && createdAt <= at && (endedAt === null || endedAt > at),
  );
  if (required.length === 0) return null;
  const passed = await passedSets(
    tx,
    found.finderId,
    required.map(({ id }) => id),
    at,
  );
  const missing = required.find(({ id }) => !passed.has(id));
  return missing && !(await isConfirmed(tx, found.id, at)) ? missing.name : null;
}

async function isConfirmed(tx: Transaction, findingId: string, until: Date): Promise<boolean> {
  const rows = await tx
    .select({ at: findingEvent.at })
    .from(findingEvent)
    .where(and(eq(findingEvent.findingId, findingId), eq(findingEvent.kind, "confirmation")));
  return rows.some(({ at }) => at <= until);
}

/** What a person would have to pass and has not, by the accepted name of the plant: said before a finding is made. */
export async function practiceOpen(tx: Transaction, personId: string): Promise<Record<string, string>> {
  const plants = await plantsHere(tx);
  const asked = (await openSets(tx)).filter(({ requiredFor }) => requiredFor.length > 0);
  const passed = await passedSets(
    tx,
    personId,
    asked.map(({ id }) => id),
  );
  return Object.fromEntries(
    asked
      .filter(({ id }) => !passed.has(id))
      .flatMap(({ name, requiredFor }) => requiredFor.map((id) => [plants.nameNow({ plantId: id, taxon: id }), name])),
  );
}

export interface WaitingFinding {
  id: string;
  number: number;
  plantId: string | null;
  taxon: string | null;
  madeBy: string;
  set: string;
}

/** Clear findings that wait for a specialist's confirmation, as their finder has not passed the set that the plant asks for. */
export async function findingsToConfirm(tx: Transaction, moment: string): Promise<WaitingFinding[]> {
  const rows = await tx
    .select()
    .from(finding)
    .where(
      and(
        eq(finding.verdict, "clear"),
        eq(finding.overruled, false),
        sql`EXISTS (SELECT 1 FROM drill_set s WHERE s.district_id = "finding"."district_id" AND s.ended_at IS NULL AND s.created_at <= ${finding.createdAt} AND ${finding.plantId} = ANY(s.required_for))`,
        sql`NOT EXISTS (SELECT 1 FROM finding_event e WHERE e.district_id = "finding"."district_id" AND e.finding_id = ${finding.id} AND e.kind = 'confirmation')`,
      ),
    )
    .orderBy(finding.number)
    .limit(MOST_LISTED);
  const waiting: WaitingFinding[] = [];
  for (const { id, number, taxon, plantId, madeBy, madeById, createdAt } of rows) {
    const set = await practiceMissing(tx, { id, plantId, finderId: madeById, createdAt }, moment);
    if (set) waiting.push({ id, number, plantId, taxon, madeBy, set });
  }
  return waiting;
}
const MOST_LISTED = 60;
