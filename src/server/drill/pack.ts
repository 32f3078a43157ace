import { and, desc, eq } from "drizzle-orm";
import type { DrillPack } from "@/contracts/drill";
import { overrulingRecordSchema } from "@/contracts/finding";
import type { Transaction } from "@/db/client";
import { drillConsent, finding, findingEvent } from "@/db/schema";
import { readStored } from "@/db/schema/json";
import { v7 as uuidv7 } from "uuid";
import { plantsHere } from "../flora/amendments";
import { now } from "../platform/clock";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { answersOf, asAnswer } from "./answers";
import { setsOf } from "./sets";

/** Older answers than these no longer change what is asked. */
const MOST_ANSWERS = 3000;

/** What a person's device needs to go on with practice without a signal. */
export const drillPackOf = (member: Member): Promise<DrillPack> =>
  asMember(member, async (tx) => ({
    answers: (await answersOf(tx, member.personId)).slice(-MOST_ANSWERS).map(asAnswer),
    sets: await setsOf(tx, member.personId),
    mistaken: await mistakenBy(tx, member.personId),
  }));

/** Plants that this person's findings named, and what a specialist said in writing that they were. */
async function mistakenBy(tx: Transaction, personId: string): Promise<[string, string][]> {
  const plants = await plantsHere(tx);
  const rows = await tx
    .select({ body: findingEvent.body })
    .from(findingEvent)
    .innerJoin(finding, eq(finding.id, findingEvent.findingId))
    .where(and(eq(findingEvent.kind, "overruling"), eq(finding.madeById, personId)));
  return rows.flatMap(({ body }): [string, string][] => {
    const { taxon, from } = readStored("finding_event.body (overruling)", overrulingRecordSchema, body);
    return from.taxon && from.taxon !== taxon ? [[plants.idOf(from.taxon), plants.idOf(taxon)]] : [];
  });
}

/** Whether a person's teacher may see their results: their last word; no where they never said. */
export async function consentOf(tx: Transaction, personId: string): Promise<boolean> {
  const [last] = await tx
    .select({ consents: drillConsent.consents })
    .from(drillConsent)
    .where(eq(drillConsent.personId, personId))
    .orderBy(desc(drillConsent.at), desc(drillConsent.id))
    .limit(1);
  return last?.consents ?? false;
}

/** Whether one's own answers may be seen by those who teach. */
export const ownConsent = (member: Member): Promise<boolean> =>
  asMember(member, (tx) => consentOf(tx, member.personId));

/** Those who make sets and see the results of the group. */
export const mayTeach = ({ roles }: Pick<Member, "roles">): boolean => roles.includes("specialist");

/** A person's word on whether their results are shown. Only they themselves can say it. */
export async function sayConsent(member: Member, consents: boolean): Promise<void> {
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    await tx
      .insert(drillConsent)
      .values({ districtId: member.districtId, id: uuidv7(), personId: member.personId, consents, at: now() });
  });
}
