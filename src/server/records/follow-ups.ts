import { eq } from "drizzle-orm";
import { z } from "zod";
import { STAGES } from "@/core/flora";
import { plainText } from "@/core/limits";
import { patchStateAfter, SEEN_AMOUNTS } from "@/core/records";
import { dayWords } from "@/core/time";
import { followUp, patch } from "@/db/schema";
import { mustBePastAt } from "../ground/patch-day";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "./signature";
import { settleVisits } from "./visits";

const checkInputSchema = z
  .object({
    id: z.uuid(),
    doneOn: z.iso.date(),
    seen: z.enum(SEEN_AMOUNTS, "say how much of the plant you saw"),
    stages: z.array(z.enum(STAGES)).max(STAGES.length).default([]),
    note: plainText(0, 2000, "", true).default(""),
  })
  .refine((check) => check.seen === "none" || check.stages.length > 0, {
    path: ["stages"],
    message: "say in which stages the plants were",
  });

/** What was seen on going back: how much of the plant, and in which stages. How the patch stands follows from it. */
export async function recordCheck(member: Member, raw: unknown): Promise<void> {
  const input = checkInputSchema.parse(raw);
  await asMember(member, async (tx) => {
    const [due] = await tx.select().from(followUp).where(eq(followUp.id, input.id)).for("update");
    if (!due) throw notFound("The check");
    await mustBePastAt(tx, due.patchId, "doneOn", input.doneOn);
    await count(tx, member, "change");
    if (due.droppedAt) throw new Refusal(409, "This check is no longer due: its treatment was voided or corrected.");
    if (due.doneOn)
      throw new Refusal(409, `This check was already recorded on ${dayWords(due.doneOn)} by ${due.doneBy}.`);
    await tx
      .update(followUp)
      .set({
        doneOn: input.doneOn,
        ...signature("doneBy", member),
        result: {
          seen: input.seen,
          stages: input.seen === "none" ? [] : input.stages,
          note: input.note || SEEN_WORDS[input.seen],
        },
      })
      .where(eq(followUp.id, due.id));
    await tx
      .update(patch)
      .set({ state: patchStateAfter(input.seen) })
      .where(eq(patch.id, due.patchId));
    await settleVisits(tx, member.districtId, due.patchId);
  });
}

/** What a check says that carries no note. */
const SEEN_WORDS = { none: "None seen.", some: "Some seen.", many: "Many seen." };
