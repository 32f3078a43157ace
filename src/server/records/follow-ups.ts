import { firstOf } from "@/core/items";
import { eq } from "drizzle-orm";
import { z } from "zod";
import { plainText } from "@/core/limits";
import { mustBePast } from "@/core/time";
import { followUp, patch, site } from "@/db/schema";
import { todayIn } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "./signature";

const checkInputSchema = z.object({
  id: z.uuid(),
  doneOn: z.iso.date(),
  percentControl: z.coerce.number().min(-1000).max(100).optional(),
  note: plainText(1, 2000, "say what you found", true),
  state: z.enum(["open", "treated", "watched", "gone"], "say how the patch is now"),
});

/** What was found on going back. Harm (more than before) is a negative control, not 0. */
export async function recordCheck(member: Member, raw: unknown): Promise<void> {
  const input = checkInputSchema.parse(raw);
  await asMember(member, async (tx) => {
    const [due] = await tx.select().from(followUp).where(eq(followUp.id, input.id)).for("update");
    if (!due) throw notFound("The check");
    const { zone } = firstOf(
      await tx
        .select({ zone: site.zone })
        .from(patch)
        .innerJoin(site, eq(site.id, patch.siteId))
        .where(eq(patch.id, due.patchId)),
    );
    mustBePast("doneOn", input.doneOn, todayIn(zone));
    await count(tx, member, "change");
    if (due.doneOn) throw new Refusal(409, `This check was already recorded on ${due.doneOn} by ${due.doneBy}.`);
    await tx
      .update(followUp)
      .set({
        doneOn: input.doneOn,
        ...signature("doneBy", member),
        result: { percentControl: input.percentControl, note: input.note },
      })
      .where(eq(followUp.id, due.id));
    await tx.update(patch).set({ state: input.state }).where(eq(patch.id, due.patchId));
  });
}
