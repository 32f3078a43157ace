import { z } from "zod";
import { plainText } from "@/core/limits";
import { labelLimitsSchema } from "@/core/records";
import { label } from "@/db/schema";
import { asMember, type Member } from "../platform/session";
import { signature } from "./signature";

const labelInputSchema = z.object({
  id: z.uuid(),
  name: plainText(2, 120, "give the label's name"),
  limits: labelLimitsSchema,
});

export async function saveLabel(member: Member, raw: unknown): Promise<void> {
  const input = labelInputSchema.parse(raw);
  await asMember(member, async (tx) => {
    await tx
      .insert(label)
      .values({
        districtId: member.districtId,
        id: input.id,
        name: input.name,
        limits: input.limits,
        ...signature("enteredBy", member),
      })
      .onConflictDoNothing();
  });
}

/** The district's labels, by name. */
export const labelLines = (member: Member) => asMember(member, (tx) => tx.select().from(label).orderBy(label.name));
