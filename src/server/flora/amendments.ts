import { and, asc, desc, eq, inArray, isNull, sql } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import type { Model } from "@/core/identify";
import { plainText } from "@/core/limits";
import { type Amendment, checkAmendment, lineText, scoreKey } from "@/core/pack";
import type { Actor, Transaction } from "@/db/client";
import { amendment } from "@/db/schema";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";
import { shippedFlora } from "./flora";
import { modelWith } from "./flora-models";
import { type Plants, plantsIn } from "./plants";

/** The amendments that hold in this district: of several on one line the last that was not taken back. */
export async function activeAmendments(tx: Transaction): Promise<Amendment[]> {
  const rows = await tx
    .select()
    .from(amendment)
    .where(isNull(amendment.revertedAt))
    .orderBy(asc(amendment.createdAt), asc(amendment.id));
  const plants = plantsIn(shippedFlora());
  const last = new Map(rows.map((row) => [`${row.plantId} ${row.key}`, row]));
  return [...last.values()].map((row) => ({ taxon: plants.nameNow(row), key: row.key, value: row.value }));
}

/** The flora as this district sees it: shipped, with its own amendments over it. */
export async function districtModel(tx: Transaction): Promise<Model> {
  return modelWith(await activeAmendments(tx));
}

/** The plants as this district knows them: the shipped ones, and those that it added. */
export const plantsHere = async (tx: Transaction): Promise<Plants> => plantsIn((await districtModel(tx)).flora);

export const plantsOf = (member: Member): Promise<Plants> => asMember(member, plantsHere);

export const modelOf = (member: Member): Promise<Model> => asMember(member, districtModel);

const amendmentInputSchema = z.object({
  taxon: z.string().min(1).max(200),
  key: z.string().min(1, "choose a character").max(300),
  value: plainText(0, 400, "").default(""),
  reason: plainText(10, 1000, "say why in at least 10 letters: what was seen, where", true),
});

/** The lines to be changed, in their one right form, or a refusal that names the field. */
export function readAmendment(model: Model, raw: unknown): z.output<typeof amendmentInputSchema> & Amendment {
  const input = amendmentInputSchema.parse(raw);
  const given: Amendment = { taxon: input.taxon, key: input.key, value: input.value || null };
  const { line } = checkAmendment(model.flora, given);
  const key = scoreKey(model.flora, line);
  if (lineText(model.flora, input.taxon, key) === given.value)
    throw new Refusal(400, "That is what the flora says already.", [
      { field: "value", what: "write what it should say instead, or nothing for not recorded" },
    ]);
  return { ...input, ...given, key, value: given.value as string };
}

/** Stores amendments, all or none. Verdicts already given stay as they were. */
export async function storeAmendments(
  tx: Transaction,
  member: Actor & { districtId: string },
  lines: (Amendment & { reason: string })[],
): Promise<void> {
  const { flora } = await districtModel(tx);
  const plants = plantsIn(flora);
  await count(tx, member, "change");
  await tx.insert(amendment).values(
    lines.map((line) => ({
      districtId: member.districtId,
      id: uuidv7(),
      taxon: line.taxon,
      plantId: plants.idOf(line.taxon),
      key: line.key,
      value: line.value,
      before: lineText(flora, line.taxon, line.key),
      reason: line.reason,
      flora: shippedFlora().version,
      ...signature("madeBy", member),
    })),
  );
}

export async function makeAmendment(member: Member, raw: unknown): Promise<void> {
  await asMember(member, async (tx) => storeAmendments(tx, member, [readAmendment(await districtModel(tx), raw)]));
}

/** Takes amendments back, all or none: what the flora said before them holds again. They stay in the history. */
export async function revertAmendments(member: Member, ids: string[]): Promise<void> {
  if (ids.length === 0 || !ids.every((id) => z.uuid().safeParse(id).success)) throw notFound("The amendment");
  await asMember(member, async (tx) => {
    const done = await tx
      .update(amendment)
      .set({ revertedAt: sql`now()`, ...signature("revertedBy", member) })
      .where(and(inArray(amendment.id, ids), isNull(amendment.revertedAt)))
      .returning({ id: amendment.id });
    if (done.length < ids.length) throw notFound("The amendment");
  });
}

/** Every amendment ever made here, newest first; of one plant, or of all. */
export function amendmentHistory(tx: Transaction, plantId?: string) {
  return tx
    .select()
    .from(amendment)
    .where(plantId ? eq(amendment.plantId, plantId) : undefined)
    .orderBy(desc(amendment.createdAt), desc(amendment.id));
}
