import { and, eq, isNull } from "drizzle-orm";
import PgBoss from "pg-boss";
import { z } from "zod";
import { inDistrict } from "@/db/client";
import { MAIL_QUEUE, QUEUE_SCHEMA } from "@/db/queue-names";
import { mail as mailTable } from "@/db/schema";
import { mail } from "@/wiring";
import { log } from "./log";

const holder = globalThis as { sentinelQueue?: Promise<PgBoss> };

/** The job queue: its tables are made by migration, the application's role only uses them. */
export function queue(): Promise<PgBoss> {
  holder.sentinelQueue ??= (async () => {
    const boss = new PgBoss({
      connectionString: process.env.DATABASE_APP_URL,
      schema: QUEUE_SCHEMA,
      migrate: false,
      max: 3,
      schedule: false,
    });
    boss.on("error", (error) => log.error({ error: error.message }, "queue"));
    await boss.start();
    return boss;
  })();
  return holder.sentinelQueue;
}

const mailJobSchema = z.object({ districtId: z.uuid(), mailId: z.uuid() });

export async function enqueueMail(districtId: string, mailId: string): Promise<void> {
  await (await queue()).send(MAIL_QUEUE, { districtId, mailId });
}

/** A job works inside its district, like any request: a letter of another district cannot be touched. */
export async function sendMailJob(raw: unknown): Promise<boolean> {
  const job = mailJobSchema.parse(raw);
  return inDistrict(job.districtId, async (tx) => {
    const [letter] = await tx
      .select()
      .from(mailTable)
      .where(and(eq(mailTable.id, job.mailId), isNull(mailTable.sentAt)));
    if (!letter) return false;
    await mail.send({ to: letter.recipient, subject: letter.subject, body: letter.body });
    await tx.update(mailTable).set({ sentAt: new Date() }).where(eq(mailTable.id, letter.id));
    return true;
  });
}

export async function startWorkers(): Promise<void> {
  const boss = await queue();
  await boss.work(MAIL_QUEUE, { pollingIntervalSeconds: 2 }, async (jobs) => {
    for (const job of jobs) await sendMailJob(job.data);
  });
}
