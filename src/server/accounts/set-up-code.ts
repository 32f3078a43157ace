import { eq, sql } from "drizzle-orm";
import { createHash, randomInt, timingSafeEqual } from "node:crypto";
import { authDatabase } from "@/db/client";
import { setUpCode } from "@/db/schema/auth";
import { Refusal } from "../platform/faults";

/** Letters that cannot be mistaken for one another; ten of them are 50 bits. */
const LETTERS = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ";
const LENGTH = 10;
const FREE_TRIES = 5;
const LONGEST_WAIT_S = 60;
const hash = (code: string) => createHash("sha256").update(code).digest("hex");
/** The page for a further district is shown for so long after its code was printed. */
const OPEN_HOURS = 24;
/** There is one code, in one row. */
const ROW = 1;

/** Makes a code and keeps its hash alone; the code before it no longer works. Printed by the person who runs the machine. */
export async function makeSetUpCode(): Promise<string> {
  const code = Array.from({ length: LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join("");
  const fresh = {
    codeHash: hash(code),
    tries: 0,
    usedAt: null,
    nextAt: sql`now()` as never,
    createdAt: sql`now()` as never,
  };
  await authDatabase()
    .insert(setUpCode)
    .values({ id: ROW, ...fresh })
    .onConflictDoUpdate({ target: setUpCode.id, set: fresh });
  return code;
}

/** Whether a code has been printed lately and not used yet. */
export async function codeIsOpen(): Promise<boolean> {
  const [row] = await authDatabase()
    .select({ usedAt: setUpCode.usedAt })
    .from(setUpCode)
    .where(sql`${setUpCode.id} = ${ROW} AND ${setUpCode.createdAt} > now() - make_interval(hours => ${OPEN_HOURS})`);
  return row !== undefined && row.usedAt === null;
}

/**
 * Does work for whoever has the code, once: the code's row is locked while it is done, and the code is used up only if it succeeds.
 * After five wrong tries each further one waits, at most a minute.
 * @throws {Refusal} 403 for a wrong code, 429 before the wait is over, 409 once it is used
 */
export async function withSetUpCode<T>(given: string, work: () => Promise<T>): Promise<T> {
  const right = await tryCode(given);
  if (!right)
    throw new Refusal(403, "That is not the code printed in the terminal.", [
      { field: "code", what: "copy it from the terminal where npm start runs" },
    ]);
  return authDatabase().transaction(async (tx) => {
    const [row] = await tx.select().from(setUpCode).where(eq(setUpCode.id, ROW)).for("update");
    if (!row || row.usedAt || row.codeHash !== hash(normal(given))) throw used();
    const made = await work();
    await tx.update(setUpCode).set({ usedAt: sql`now()` }).where(eq(setUpCode.id, ROW));
    return made;
  });
}

const used = () => new Refusal(409, "This has been set up already. Sign in instead.");
const normal = (code: string) => code.trim().toUpperCase().replace(/[\s-]/g, "");

/** Counts a try, whatever comes of it: many at once are counted too. */
async function tryCode(given: string): Promise<boolean> {
  const [counted] = await authDatabase()
    .update(setUpCode)
    .set({
      tries: sql`${setUpCode.tries} + 1`,
      nextAt: sql`now() + make_interval(secs => CASE WHEN ${setUpCode.tries} < ${FREE_TRIES} THEN 0 ELSE least(${LONGEST_WAIT_S}, power(2, least(10, ${setUpCode.tries} - ${FREE_TRIES} + 1))) END)`,
    })
    .where(sql`${setUpCode.id} = ${ROW} AND ${setUpCode.nextAt} <= now()`)
    .returning();
  if (!counted) {
    const [row] = await authDatabase().select().from(setUpCode).where(eq(setUpCode.id, ROW));
    if (!row) throw new Refusal(403, "No code has been printed. Start the program to get one.");
    throw new Refusal(429, "Too many wrong codes. Wait a minute, then try again.");
  }
  if (counted.usedAt) throw used();
  return timingSafeEqual(Buffer.from(counted.codeHash), Buffer.from(hash(normal(given))));
}
