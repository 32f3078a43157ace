import { and, eq, sql } from "drizzle-orm";
import { jobsDatabase } from "@/db/client";
import { job } from "@/db/schema";

export type Job = typeof job.$inferSelect;
/** A process that has not been heard of for so long has died; its jobs are taken up by another. */
const SILENT_S = 90;
/** What has stopped the process so often is not tried again. */
const MOST_ATTEMPTS = 3;
/** What leaves the program, and waits for someone outside it. */
const SENT_AWAY: Job["kind"][] = ["mail", "report"];
/** A letter or a report is tried for days: a server may be down for a weekend. */
const MOST_LETTER_ATTEMPTS = 40;
/** Jobs are kept for a week after their end. */
const KEPT_DAYS = 7;
const CLAIM_LOCK = 7_261_002;

/** Takes up the oldest waiting job: a letter, or a long one of a district in which none is running. @returns it, or null where none waits */
export async function claim(lane: "letters" | "long"): Promise<Job | null> {
  const wanted =
    lane === "letters"
      ? sql`j.kind IN ('mail', 'report')`
      : sql`j.kind NOT IN ('mail', 'report') AND NOT EXISTS (SELECT 1 FROM job r WHERE r.district_id = j.district_id AND r.state = 'running' AND r.kind NOT IN ('mail', 'report'))`;
  return jobsDatabase().transaction(async (tx) => {
    // Two processes that look at the same moment would each see the district free.
    await tx.execute(sql`SELECT pg_advisory_xact_lock(${CLAIM_LOCK})`);
    const { rows } = await tx.execute<{ district_id: string; id: string }>(
      sql`SELECT j.district_id, j.id FROM job j WHERE j.state = 'waiting' AND j.not_before <= now() AND ${wanted} ORDER BY j.created_at LIMIT 1`,
    );
    if (rows.length === 0) return null;
    const [taken] = await tx
      .update(job)
      .set({ state: "running", attempts: sql`${job.attempts} + 1`, startedAt: sql`now()`, heardAt: sql`now()` })
      .where(and(eq(job.districtId, rows[0].district_id), eq(job.id, rows[0].id)))
      .returning();
    return taken;
  });
}

const one = ({ districtId, id }: Pick<Job, "districtId" | "id">) => and(eq(job.districtId, districtId), eq(job.id, id));

/** Says that a job is being worked on, and how far it is. @returns true where it was called off */
export async function report(own: Job, progress: number, total: number): Promise<boolean> {
  const [row] = await jobsDatabase()
    .update(job)
    .set({ progress, total, heardAt: sql`now()` })
    .where(one(own))
    .returning({ off: job.cancelAsked });
  return row?.off ?? true;
}

export async function end(
  own: Job,
  state: "done" | "failed" | "cancelled",
  set: { result?: unknown; problem?: string },
) {
  await jobsDatabase()
    .update(job)
    .set({
      state,
      endedAt: sql`now()`,
      ...(state === "done" ? { progress: sql`coalesce(${job.total}, ${job.progress})` } : {}),
      ...set,
    })
    .where(one(own));
}

/** What failed for a passing reason is tried again, each time after twice as long, at most six hours. */
export async function tryLater(own: Job, problem: string): Promise<void> {
  if (own.attempts >= (SENT_AWAY.includes(own.kind) ? MOST_LETTER_ATTEMPTS : MOST_ATTEMPTS))
    return end(own, "failed", { problem });
  const seconds = Math.min(6 * 3600, 15 * 2 ** own.attempts);
  await jobsDatabase()
    .update(job)
    .set({ state: "waiting", problem, notBefore: sql`now() + make_interval(secs => ${seconds})` })
    .where(one(own));
}

/** Puts back what a dead process had in hand, gives up what has killed it too often, and forgets what ended long ago. */
export async function sweep(): Promise<void> {
  const silent = sql`${job.state} = 'running' AND ${job.heardAt} < now() - make_interval(secs => ${SILENT_S})`;
  await jobsDatabase()
    .update(job)
    .set({
      state: "failed",
      endedAt: sql`now()`,
      problem: "It stopped the process that worked on it, three times. It is not tried again.",
    })
    .where(sql`${silent} AND ${job.kind} NOT IN ('mail', 'report') AND ${job.attempts} >= ${MOST_ATTEMPTS}`);
  await jobsDatabase().update(job).set({ state: "waiting" }).where(silent);
  await jobsDatabase().delete(job).where(sql`${job.endedAt} < now() - make_interval(days => ${KEPT_DAYS})`);
}
