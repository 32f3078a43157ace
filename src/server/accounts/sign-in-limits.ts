import { firstOf } from "@/core/items";
import { createHash } from "node:crypto";
import { eq, inArray, lt, sql } from "drizzle-orm";
import { authDatabase } from "@/db/client";
import { signInTries } from "@/db/schema/auth";

const hash = (text: string) => createHash("sha256").update(text).digest("base64url").slice(0, 32);

interface Limit {
  /** so many tries may fail before any wait */
  free: number;
  /** after them the wait doubles from this, in seconds … */
  first: number;
  /** … up to this: never longer than a minute, so that nobody can be locked out by others */
  longest: number;
}
const LIMITS: Record<"device" | "account" | "network", Limit> = {
  device: { free: 6, first: 2, longest: 60 },
  account: { free: 6, first: 2, longest: 60 },
  // many people may share one address, a school or a field office: there tries are let through at an even pace
  network: { free: 40, first: 0.5, longest: 0.5 },
};
/** After so long without a try that failed, counting begins again. */
const FORGOTTEN_AFTER = "15 minutes";

/** What a try to sign in is counted under. */
export interface SignInTry {
  email: string;
  network: string;
  /** a device on which this person has signed in before, or null: it has a count of its own, and others' tries do not slow it */
  knownDevice: string | null;
}

const keysOf = ({ email, network, knownDevice }: SignInTry): [string, Limit][] =>
  knownDevice
    ? [[`device ${hash(`${knownDevice} ${email.toLowerCase()}`)}`, LIMITS.device]]
    : [
        [`account ${hash(email.toLowerCase())}`, LIMITS.account],
        [`network ${hash(network)}`, LIMITS.network],
      ];

/**
 * Counts a try before the password is looked at, so that many at once are counted too.
 * @returns seconds to wait, where it may not be looked at yet; 0 where it may
 */
export async function admitTry(attempt: SignInTry): Promise<number> {
  for (const [key, limit] of keysOf(attempt)) {
    const wait = await countTry(key, limit);
    if (wait > 0) return wait;
  }
  return 0;
}

async function countTry(key: string, { free, first, longest }: Limit): Promise<number> {
  const quiet = sql`${signInTries.lastAt} < now() - interval '${sql.raw(FORGOTTEN_AFTER)}'`;
  const failed = sql`CASE WHEN ${quiet} THEN 1 ELSE ${signInTries.failed} + 1 END`;
  const wait = sql`CASE WHEN ${quiet} OR ${signInTries.failed} < ${free} THEN 0 ELSE least(${longest}, ${first} * power(2, least(20, ${signInTries.failed} - ${free}))) END`;
  const counted = await authDatabase()
    .insert(signInTries)
    .values({ key, failed: 1, nextAt: sql`now()` })
    .onConflictDoUpdate({
      target: signInTries.key,
      set: { failed, nextAt: sql`now() + make_interval(secs => ${wait})`, lastAt: sql`now()` },
      setWhere: sql`${signInTries.nextAt} <= now()`,
    })
    .returning({ key: signInTries.key });
  if (counted.length > 0) return 0;
  const [row] = await authDatabase()
    .select({ left: sql<number>`extract(epoch FROM ${signInTries.nextAt} - now())::float` })
    .from(signInTries)
    .where(eq(signInTries.key, key));
  return Math.max(1, Math.ceil(row?.left ?? 1));
}

/** The try was right: it does not count, nor do those before it. */
export async function forgetTries(attempt: SignInTry): Promise<void> {
  const keys = keysOf(attempt).map(([key]) => key);
  const shared = keys.slice(1);
  await authDatabase()
    .delete(signInTries)
    .where(eq(signInTries.key, firstOf(keys)));
  if (shared.length > 0)
    await authDatabase()
      .update(signInTries)
      .set({ failed: sql`greatest(0, ${signInTries.failed} - 1)` })
      .where(inArray(signInTries.key, shared));
  await authDatabase().delete(signInTries).where(lt(signInTries.lastAt, sql`now() - interval '1 day'`));
}
