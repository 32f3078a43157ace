import { eq } from "drizzle-orm";
import { z } from "zod";
import type { RecordInput } from "@/contracts/treatment";
import type { Treatment } from "@/core/records";
import type { Transaction } from "@/db/client";
import { Refusal } from "../platform/faults";
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

/** The label's limits come from the district's own table, never from what the client sent. */
export async function withLabel(
  tx: Transaction,
  product: NonNullable<RecordInput["treatment"]["product"]>,
): Promise<NonNullable<Treatment["product"]>> {
  const [held] = await tx.select().from(label).where(eq(label.id, product.labelId));
  if (!held)
    throw new Refusal(400, "That label is not entered here.", [
      { field: "product.labelId", what: "enter the label first" },
    ]);
  return { ...product, labelName: held.name, limits: labelLimitsSchema.parse(held.limits) };
}
