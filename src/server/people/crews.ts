import { and, eq, inArray, isNull } from "drizzle-orm";
import { z } from "zod";
import { plainText } from "@/core/limits";
import type { Transaction } from "@/db/client";
import { crew, membership } from "@/db/schema";
import { now } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";

export interface CrewLine {
  id: string;
  name: string;
  memberIds: string[];
}

/** Crews that go out now, by name. */
export const crewsHere = (tx: Transaction): Promise<CrewLine[]> =>
  tx
    .select({ id: crew.id, name: crew.name, memberIds: crew.memberIds })
    .from(crew)
    .where(isNull(crew.endedAt))
    .orderBy(crew.name);

export const crewsOf = (member: Member): Promise<CrewLine[]> => asMember(member, crewsHere);

const crewSchema = z.object({
  id: z.uuid(),
  name: plainText(2, 80, "name the crew"),
  memberIds: z.array(z.string().min(1).max(100)).min(1, "choose who goes along").max(30, "at most 30 people"),
});

/** Makes a crew, or changes the one of this id. Its people belong to the district. */
export async function saveCrew(member: Member, raw: unknown): Promise<string> {
  const input = crewSchema.parse(raw);
  const memberIds = [...new Set(input.memberIds)];
  return asMember(member, async (tx) => {
    await count(tx, member, "change");
    await mustBelong(tx, memberIds, "memberIds");
    const [held] = await tx.select({ endedAt: crew.endedAt }).from(crew).where(eq(crew.id, input.id)).for("update");
    if (held?.endedAt) throw new Refusal(409, "This crew has ended. Make a new one.");
    if (held) await tx.update(crew).set({ name: input.name, memberIds }).where(eq(crew.id, input.id));
    else
      await tx.insert(crew).values({
        ...{ districtId: member.districtId, id: input.id, name: input.name, memberIds, createdAt: now() },
        ...signature("madeBy", member),
      });
    return input.name;
  });
}

/** @throws {Refusal} 400 at `field` where one of the people does not work here now */
export async function mustBelong(tx: Transaction, ids: string[], field: string): Promise<void> {
  if (ids.length === 0) return;
  const found = await tx
    .select({ id: membership.personId })
    .from(membership)
    .where(and(inArray(membership.personId, ids), isNull(membership.endedAt)));
  if (found.length < new Set(ids).size)
    throw new Refusal(400, "One of the people does not work in this district.", [
      { field, what: "choose people of the list" },
    ]);
}

/** A crew that goes out no more. Plans keep its people. */
export async function endCrew(member: Member, raw: unknown): Promise<string> {
  const { id } = z.object({ id: z.uuid() }).parse(raw);
  return asMember(member, async (tx) => {
    await count(tx, member, "change");
    const [ended] = await tx
      .update(crew)
      .set({ endedAt: now() })
      .where(and(eq(crew.id, id), isNull(crew.endedAt)))
      .returning({ name: crew.name });
    if (!ended) throw notFound("The crew");
    return ended.name;
  });
}
