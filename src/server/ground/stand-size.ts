import { desc, eq } from "drizzle-orm";
import { z } from "zod";
import type { StandSize } from "@/core/control";
import type { Transaction } from "@/db/client";
import { standSize } from "@/db/schema";
import { now } from "../platform/clock";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";
import { mustBePastAt } from "./patch-day";

export interface SizeSeen extends StandSize {
  day: string;
  by: string;
}

/** How much stands on a patch, as the newest word has it: what is left out is not known. Null where nobody has said anything. */
export async function sizeAt(tx: Transaction, patchId: string): Promise<SizeSeen | null> {
  const [seen] = await tx
    .select()
    .from(standSize)
    .where(eq(standSize.patchId, patchId))
    .orderBy(desc(standSize.day), desc(standSize.at))
    .limit(1);
  if (!seen) return null;
  const { heightCm, stemCm, count: stems, infestedM2, day, seenBy } = seen;
  return { day, by: seenBy, ...known({ heightCm, stemCm, count: stems, infestedM2 }) };
}

const known = (size: Record<keyof StandSize, number | null>): StandSize =>
  Object.fromEntries(Object.entries(size).filter(([, value]) => value !== null));

/** An empty field was looked at, and is not known. */
const amount = (most: number, what: string) =>
  z.preprocess(
    (value) => (value === "" || value === undefined ? null : value),
    z.coerce.number(`give ${what} as a number, or leave it empty`).min(0).max(most, `give at most ${most}`).nullable(),
  );

const sizeSchema = z.object({
  id: z.uuid(),
  patchId: z.uuid(),
  heightCm: amount(10_000, "the height in cm"),
  stemCm: amount(1000, "the thickness in cm"),
  count: amount(1e9, "the number of stems").refine((n) => n === null || Number.isInteger(n), "give a whole number"),
  infestedM2: amount(1e9, "the area in m²"),
  day: z.iso.date(),
});

/** How much a person sees on a patch, signed, with the day. The newest word counts; what is left empty is not known. */
export async function saySize(member: Member, raw: unknown): Promise<void> {
  const input = sizeSchema.parse(raw);
  await asMember(member, async (tx) => {
    await mustBePastAt(tx, input.patchId, "day", input.day);
    await count(tx, member, "change");
    await tx
      .insert(standSize)
      .values({ districtId: member.districtId, ...input, at: now(), ...signature("seenBy", member) })
      .onConflictDoNothing();
  });
}
