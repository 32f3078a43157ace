import { and, eq, sql } from "drizzle-orm";
import { z } from "zod";
import { type Actor, inDistrict, jobsDatabase } from "@/db/client";
import { job, mail as letters, sampleLetter } from "@/db/schema";
import type { MailPort } from "@/ports/mail";
import type { RegistryPort } from "@/ports/registry";
import { costsInputSchema, previewCosts, readCostsPreview } from "@/server/control/costs";
import { packFilesSchema, previewPack, readPackPreview, takePack } from "@/server/flora/packs";
import { changedVerdicts } from "@/server/judge/changed-verdicts";
import type { Step } from "@/server/judge/old-findings";
import { readSecondLook, secondLook } from "@/server/judge/second-look";
import { now } from "@/server/platform/clock";
import { Refusal, toRefusal } from "@/server/platform/faults";
import { log, safeError } from "@/server/platform/log";
import { placesOf } from "@/server/platform/session";
import { sendReport } from "@/server/reports/send";
import { end, type Job, report, tryLater } from "./claim";

/** No long calculation is worked on longer than this. */
const MOST_MS = 600_000;
/** So often a job says how far it is; that also asks whether it was called off. */
const REPORT_MS = 1000;

/** Whom the jobs process hands things to; null where there is nobody. */
export interface Outside {
  mail: MailPort | null;
  registry: RegistryPort | null;
}

class CalledOff extends Error {}

/** Works on one job to its end. It never throws: what goes wrong stands with the job, in words, or the job is put back by its silence. */
export async function perform(own: Job, outside: Outside): Promise<void> {
  try {
    const result = await work(own, outside);
    await end(own, "done", { result: result ?? null });
  } catch (error) {
    await settle(own, error).catch((outage) => log.warn({ ...safeError(outage), job: own.kind }, "job left as it was"));
  }
}

async function settle(own: Job, error: unknown): Promise<void> {
  if (error instanceof CalledOff) return end(own, "cancelled", {});
  const refusal = toRefusal(error);
  if (refusal && refusal.code !== "wait")
    return end(own, "failed", { problem: [refusal.message, ...refusal.issues.map((i) => i.what)].join(" ") });
  log.error({ ...safeError(error), job: own.kind }, "job failed");
  return tryLater(own, refusal?.message ?? "Something went wrong. It is tried again.");
}

function work(own: Job, { mail, registry }: Outside): Promise<unknown> {
  const actor: Actor = {
    personId: own.askedById ?? "",
    personName: own.askedBy,
    roles: (own.askedByRoles ?? []) as Actor["roles"],
  };
  const step = stepsOf(own);
  switch (own.kind) {
    case "mail":
      return sendLetter(own, mail);
    case "second-look":
      return inDistrict(own.districtId, readSecondLook, actor).then((read) => secondLook(read, step));
    case "costs-preview": {
      const input = costsInputSchema.parse(own.input);
      return inDistrict(own.districtId, readCostsPreview, actor).then((read) => previewCosts(read, input, step));
    }
    case "pack-preview": {
      const files = packFilesSchema.parse(own.input).files;
      return inDistrict(own.districtId, readPackPreview, actor).then((read) => previewPack(read, files, step));
    }
    case "amend-preview": {
      const amendment = amendmentSchema.parse(own.input);
      return inDistrict(own.districtId, readPackPreview, actor).then(({ source, findings }) =>
        changedVerdicts(source, findings, [amendment], step),
      );
    }
    case "pack-take":
      return take(own, actor);
    case "report": {
      if (!registry) throw new Refusal(400, "There is no address to send it to. Print it instead.");
      return sendReport(own.districtId, actor, z.object({ reportId: z.uuid() }).parse(own.input).reportId, registry);
    }
  }
}

/** Tells how far it is, at most once a second, and lets others of this process in between. */
function stepsOf(own: Job): Step {
  const began = now().getTime();
  let told = began;
  return async (done, of) => {
    await new Promise((resolve) => setImmediate(resolve));
    const time = now().getTime();
    if (time - began > MOST_MS) throw new Refusal(400, "It took longer than ten minutes, and was stopped.");
    if (time - told < REPORT_MS && done > 0) return;
    told = time;
    if (await report(own, done, of)) throw new CalledOff();
  };
}

const amendmentSchema = z.object({ taxon: z.string(), key: z.string(), value: z.string().nullable() });
const takeSchema = z.object({ preview: z.uuid(), reason: z.string() });

/** Takes in the pack that was shown, if whoever asked for it may still do so. */
async function take(own: Job, actor: Actor): Promise<unknown> {
  const { preview, reason } = takeSchema.parse(own.input);
  const place = (await placesOf(actor.personId)).find((p) => p.districtId === own.districtId);
  if (!place?.roles.includes("specialist")) throw new Refusal(403, "Only a specialist can import packs.", [], "never");
  const [shown] = await jobsDatabase()
    .select({ input: job.input })
    .from(job)
    .where(and(eq(job.districtId, own.districtId), eq(job.id, preview), eq(job.kind, "pack-preview")));
  if (!shown) throw new Refusal(404, "What was shown of this pack is no longer here. Choose the file again.");
  const { files } = packFilesSchema.parse(shown.input);
  return { taken: await takePack({ ...actor, districtId: own.districtId, roles: place.roles }, files, reason) };
}

const letterSchema = z.object({ mailId: z.uuid() });

/** Hands one letter over, and forgets its text. A letter that was handed over is not sent again. */
async function sendLetter(own: Job, mail: MailPort | null): Promise<void> {
  const { mailId } = letterSchema.parse(own.input);
  const its = and(eq(letters.districtId, own.districtId), eq(letters.id, mailId));
  const [letter] = await jobsDatabase().select().from(letters).where(its);
  if (!letter || letter.sentAt) return;
  if (!mail) throw new Refusal(400, "There is no mail server to hand it to.");
  await mail.send({ to: letter.recipient, subject: letter.subject, body: letter.body });
  if (mail.simulated)
    await jobsDatabase()
      .insert(sampleLetter)
      .values({
        districtId: own.districtId,
        id: mailId,
        recipient: letter.recipient,
        subject: letter.subject,
        body: letter.body,
      })
      .onConflictDoNothing();
  await jobsDatabase().update(letters).set({ sentAt: sql`now()`, body: "" }).where(its);
}
