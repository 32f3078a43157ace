import { eq } from "drizzle-orm";
import { z } from "zod";
import { followUp, patch } from "@/db/schema";
import { notFound, Refusal } from "./faults";
import { asMember, type Member } from "./session";

export const checkInputSchema = z.object({
  id: z.uuid(),
  doneOn: z.iso.date(),
  percentControl: z.coerce.number().min(-1000).max(100).optional(),
  note: z.string().trim().min(1, "say what you found").max(2000),
  state: z.enum(["open", "treated", "watched", "gone"], "say how the patch is now"),
});

/** What was found on going back. Harm (more than before) is a negative control, not 0. */
export async function recordCheck(member: Member, raw: unknown): Promise<void> {
  const input = checkInputSchema.parse(raw);
  await asMember(member, async (tx) => {
    const [due] = await tx.select().from(followUp).where(eq(followUp.id, input.id));
    if (!due) throw notFound("The check");
    if (due.doneOn) throw new Refusal(409, `This check was already recorded on ${due.doneOn} by ${due.doneBy}.`);
    await tx
      .update(followUp)
      .set({
        doneOn: input.doneOn,
        doneBy: member.personName,
        result: { percentControl: input.percentControl, note: input.note },
      })
      .where(eq(followUp.id, due.id));
    await tx.update(patch).set({ state: input.state }).where(eq(patch.id, due.patchId));
  });
}
