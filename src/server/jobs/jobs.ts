import { and, desc, eq, inArray } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import type { Transaction } from "@/db/client";
import { job, type JobKind } from "@/db/schema";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";

/** How a job stands, as a screen shows it. */
export interface JobView {
  id: string;
  kind: JobKind;
  state: (typeof job.$inferSelect)["state"];
  progress: number;
  total: number | null;
  problem: string | null;
  askedBy: string;
  createdAt: string;
  endedAt: string | null;
}

/** Jobs of a kind that one district may have waiting or running. */
const MOST_OPEN = 5;

/** Asks for long work; the jobs process takes it up. @returns its id */
export async function askJob(tx: Transaction, member: Member, kind: JobKind, input: unknown): Promise<string> {
  await count(tx, member, "job");
  const open = await tx
    .select({ id: job.id })
    .from(job)
    .where(and(eq(job.kind, kind), inArray(job.state, ["waiting", "running"])));
  if (open.length >= MOST_OPEN)
    throw new Refusal(429, "This district has enough of these waiting already. Let one of them end first.");
  const id = uuidv7();
  await tx.insert(job).values({ districtId: member.districtId, id, kind, input, ...signature("askedBy", member) });
  return id;
}

const columns = {
  id: job.id,
  kind: job.kind,
  state: job.state,
  progress: job.progress,
  total: job.total,
  problem: job.problem,
  askedBy: job.askedBy,
  createdAt: job.createdAt,
  endedAt: job.endedAt,
};
type Row = { [K in keyof typeof columns]: (typeof job.$inferSelect)[K] };
const view = (row: Row): JobView => ({
  ...row,
  createdAt: row.createdAt.toISOString(),
  endedAt: row.endedAt?.toISOString() ?? null,
});

/** How a job of this district stands. Letters are nobody's to look at. */
export async function jobView(member: Member, id: string): Promise<JobView> {
  if (!z.uuid().safeParse(id).success) throw notFound("The job");
  return asMember(member, async (tx) => {
    const [row] = await tx.select(columns).from(job).where(eq(job.id, id));
    if (!row || row.kind === "mail") throw notFound("The job");
    return view(row);
  });
}

/** The newest job of a kind, with what came of it; null where there was none. */
export async function newestJob(tx: Transaction, kind: JobKind): Promise<(JobView & { result: unknown }) | null> {
  const [row] = await tx
    .select({ ...columns, result: job.result })
    .from(job)
    .where(eq(job.kind, kind))
    .orderBy(desc(job.createdAt))
    .limit(1);
  return row ? { ...view(row), result: row.result } : null;
}

/** What came of one job. */
export async function jobResult(member: Member, id: string, kind: JobKind): Promise<unknown> {
  if (!z.uuid().safeParse(id).success) throw notFound("The job");
  const [row] = await asMember(member, (tx) =>
    tx
      .select({ result: job.result, state: job.state })
      .from(job)
      .where(and(eq(job.id, id), eq(job.kind, kind))),
  );
  if (!row) throw notFound("The job");
  if (row.state !== "done") throw new Refusal(409, "That is not finished.", [], "wait");
  return row.result;
}

/** Asks a job to stop; it does so at its next step. */
export async function cancelJob(member: Member, id: string): Promise<void> {
  if (!z.uuid().safeParse(id).success) throw notFound("The job");
  const asked = await asMember(member, (tx) =>
    tx
      .update(job)
      .set({ cancelAsked: true })
      .where(and(eq(job.id, id), inArray(job.kind, ["second-look", "pack-preview", "costs-preview"])))
      .returning({ id: job.id }),
  );
  if (asked.length === 0) throw notFound("The job");
}
