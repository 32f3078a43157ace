import { firstOf } from "@/core/items";
import { eq } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { type Actor, inDistrict } from "@/db/client";
import { district, report, reportEvent } from "@/db/schema";
import type { RegistryAnswer, RegistryPort } from "@/ports/registry";
import { now, todayIn } from "../platform/clock";
import { signature } from "../records/signature";
import { eventsOf } from "./reports";

/**
 * Hands one report over, and notes what the registry says. What was handed over and not noted is handed over again with the same
 * key, by which the registry knows it. No transaction is open while the registry is waited for.
 * @throws where the registry does not answer: the job tries again later
 */
export async function sendReport(
  districtId: string,
  by: Actor,
  reportId: string,
  registry: RegistryPort,
): Promise<void> {
  const held = await inDistrict(
    districtId,
    async (tx) => {
      const [row] = await tx.select().from(report).where(eq(report.id, reportId));
      const here = firstOf(await tx.select({ settings: district.settings }).from(district));
      if (row)
        await tx
          .update(report)
          .set({ attempts: row.attempts + 1 })
          .where(eq(report.id, reportId));
      return row ? { row, to: here.settings.reportTo, events: await eventsOf(tx, reportId) } : null;
    },
    by,
  );
  if (!held || held.row.state !== "waiting") return;
  const answer = await registry.hand({
    key: reportId,
    text: held.row.body,
    answers: held.events.filter((event) => event.kind === "answer").map((event) => event.body.text),
    to: held.to,
  });
  await inDistrict(
    districtId,
    async (tx) => {
      const [row] = await tx.select().from(report).where(eq(report.id, reportId)).for("update");
      // A person has settled it meanwhile, or another process was faster.
      if (row?.state !== "waiting") return;
      const { zone } = firstOf(await tx.select({ zone: district.zone }).from(district));
      await tx.insert(reportEvent).values({
        districtId,
        id: uuidv7(),
        reportId,
        ...eventFor(answer),
        at: now(),
        ...signature("by", { ...by, personName: registry.simulated ? "Sample registry" : "the program" }),
      });
      await tx
        .update(report)
        .set({ sentAt: row.sentAt ?? now(), ...stateFor(answer, todayIn(zone)) })
        .where(eq(report.id, reportId));
    },
    by,
  );
}

function eventFor(answer: RegistryAnswer): Pick<typeof reportEvent.$inferInsert, "kind" | "body"> {
  switch (answer.said) {
    case "taken":
      return { kind: "sent", body: { text: "" } };
    case "acknowledged":
      return { kind: "acknowledged", body: { text: "", reference: answer.reference } };
    case "question":
      return { kind: "question", body: { text: answer.text } };
    case "refused":
      return { kind: "refused", body: { text: answer.why } };
  }
}

function stateFor(answer: RegistryAnswer, today: string): Partial<typeof report.$inferInsert> {
  if (answer.said === "acknowledged")
    return { state: "acknowledged", reference: answer.reference, settledOn: today, settledAt: now() };
  return { state: answer.said === "taken" ? "sent" : answer.said };
}
