import { z } from "zod";
import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import { drillSetSchema } from "@/contracts/drill";
import { isPassed } from "@/core/drill";
import type { Stage } from "@/core/flora";
import type { Transaction } from "@/db/client";
import { drillAnswer, drillSet } from "@/db/schema";
import { plantsHere } from "../flora/amendments";
import { now } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";

/** Makes a set of plants for practice, shared in the district. A specialist alone may ask that it be passed. */
export async function makeDrillSet(member: Member, raw: unknown): Promise<void> {
  const input = drillSetSchema.parse(raw);
  const taxa = [...new Set(input.taxa)];
  const foreign = input.requiredFor.filter((id) => !taxa.includes(id));
  if (foreign.length > 0)
    throw new Refusal(400, "A plant that must be passed is not in the set.", [
      { field: "requiredFor", what: `${foreign.join(", ")}: choose plants of the set` },
    ]);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const plants = await plantsHere(tx);
    const unknown = taxa.filter((id) => !plants.hasId(id));
    if (unknown.length > 0)
      throw new Refusal(400, "The flora has no such plant.", [
        { field: "taxa", what: `${unknown.join(", ")} is unknown` },
      ]);
    await tx
      .insert(drillSet)
      .values({
        districtId: member.districtId,
        ...{ id: input.id, name: input.name, taxa, stage: input.stage || null, due: input.due || null },
        requiredFor: [...new Set(input.requiredFor)],
        createdAt: now(),
        ...signature("madeBy", member),
      })
      .onConflictDoNothing();
  });
}

/** Ends a set: it is asked no more, and nothing hangs on it from now on. */
export async function endDrillSet(member: Member, raw: unknown): Promise<void> {
  const id = z.uuid().parse(raw);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const [held] = await tx.select().from(drillSet).where(eq(drillSet.id, id)).for("update");
    if (!held) throw notFound("The set");
    if (!held.endedAt) await tx.update(drillSet).set({ endedAt: now() }).where(eq(drillSet.id, id));
  });
}

export const openSets = (tx: Transaction) =>
  tx.select().from(drillSet).where(isNull(drillSet.endedAt)).orderBy(asc(drillSet.due), asc(drillSet.name));

/** Open sets as a person has them. */
export async function setsOf(tx: Transaction, personId: string) {
  const sets = await openSets(tx);
  const passed = await passedSets(
    tx,
    personId,
    sets.map(({ id }) => id),
  );
  return sets.map(({ id, name, taxa, stage, due, requiredFor }) => ({
    ...{ id, name, taxa, due, requiredFor },
    stage: stage as Stage | null,
    passed: passed.has(id),
  }));
}

/** Which of these sets a person has passed, by answers up to a moment. */
export async function passedSets(
  tx: Transaction,
  personId: string,
  setIds: string[],
  until = now(),
): Promise<Set<string>> {
  if (setIds.length === 0) return new Set();
  const rows = await tx
    .select({ setId: drillAnswer.setId, right: drillAnswer.right, verified: drillAnswer.verified, at: drillAnswer.at })
    .from(drillAnswer)
    .where(and(eq(drillAnswer.personId, personId), inArray(drillAnswer.setId, setIds)))
    .orderBy(asc(drillAnswer.at), asc(drillAnswer.id));
  const before = rows.filter(({ at }) => at.getTime() <= until.getTime());
  return new Set(setIds.filter((id) => isPassed(before.filter(({ setId }) => setId === id))));
}
