import { firstOf } from "@/core/items";
import { eq, sql } from "drizzle-orm";
import type { Transaction } from "@/db/client";
import { counter } from "@/db/schema";
import type { Member } from "./session";

/** Where counting begins: a number of three figures is written and said more safely than one of one. */
const FIRST = { finding: 401 };
type Kind = keyof typeof FIRST;

/** The next number of a kind. Its row stays locked until the transaction ends, so that no two are the same and none is left out. */
export async function nextNumber(tx: Transaction, member: Pick<Member, "districtId">, kind: Kind): Promise<number> {
  const { last } = firstOf(
    await tx
      .insert(counter)
      .values({ districtId: member.districtId, kind, last: FIRST[kind] })
      .onConflictDoUpdate({ target: [counter.districtId, counter.kind], set: { last: sql`${counter.last} + 1` } })
      .returning({ last: counter.last }),
  );
  return last;
}

/** A number that was taken in this transaction and is not needed. */
export async function giveNumberBack(tx: Transaction, kind: Kind): Promise<void> {
  await tx
    .update(counter)
    .set({ last: sql`${counter.last} - 1` })
    .where(eq(counter.kind, kind));
}
