import { firstOf } from "@/core/items";
import { sql } from "drizzle-orm";
import type { Transaction } from "@/db/client";
import { usage } from "@/db/schema";
import { now } from "./clock";
import { Refusal } from "./faults";
import type { Member } from "./session";

/** What one person may send in one day: many times what a long day in the field brings. */
const DAILY = {
  finding: 3000,
  picture: 3000,
  marks: 6000,
  patch: 2000,
  site: 500,
  job: 300,
  letter: 200,
  record: 2000,
  change: 5000,
  answer: 5000,
};
export type Counted = keyof typeof DAILY;
const WORDS: Record<Counted, string> = {
  finding: "findings",
  picture: "pictures",
  marks: "measurings",
  patch: "patches",
  site: "sites",
  job: "long calculations",
  letter: "emails",
  record: "records",
  change: "changes",
  answer: "answers",
};

/**
 * Counts what a person sends, in the transaction that stores it: what is not stored does not count.
 * @throws {Refusal} 429 once the day's share is used up
 */
export async function count(
  tx: Transaction,
  member: Pick<Member, "districtId" | "personId">,
  kind: Counted,
): Promise<void> {
  const { n } = firstOf(
    await tx
      .insert(usage)
      .values({
        districtId: member.districtId,
        personId: member.personId,
        day: now().toISOString().slice(0, 10),
        kind,
        n: 1,
      })
      .onConflictDoUpdate({
        target: [usage.districtId, usage.personId, usage.day, usage.kind],
        set: { n: sql`${usage.n} + 1` },
      })
      .returning({ n: usage.n }),
  );
  if (n > DAILY[kind])
    throw new Refusal(
      429,
      `You have sent ${DAILY[kind]} ${WORDS[kind]} today, which is the most in one day. Go on tomorrow.`,
    );
}
