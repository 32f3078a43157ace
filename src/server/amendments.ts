import { and, asc, desc, eq, inArray, isNull } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { buildModel, type Model } from "@/core/identify";
import { type Amendment, amendFlora, checkAmendment, scoreKey, lineText } from "@/core/pack";
import type { Transaction } from "@/db/client";
import { amendment } from "@/db/schema";
import { notFound, Refusal } from "./faults";
import { shippedFlora, shippedModel } from "./flora";
import { once } from "./once";
import { asMember, type Member } from "./session";

/** Models of amended floras, newest last: a district's model is built once for each set of amendments. */
const models = once("models", () => new Map<string, Model>());
const MOST_MODELS = 4;

/** The amendments that hold in this district: of several on one line the last that was not taken back. */
export async function activeAmendments(tx: Transaction): Promise<Amendment[]> {
  const rows = await tx
    .select()
    .from(amendment)
    .where(isNull(amendment.revertedAt))
    .orderBy(asc(amendment.createdAt), asc(amendment.id));
  const last = new Map(rows.map((row) => [`${row.taxon} ${row.key}`, row]));
  return [...last.values()].map(({ taxon, key, value }) => ({ taxon, key, value }));
}

/** The flora as this district sees it: shipped, with its own amendments over it. */
export async function districtModel(tx: Transaction): Promise<Model> {
  return modelWith(await activeAmendments(tx));
}

/** A later shipped flora may lack a plant or a character, and a plant that was added may be taken back: an amendment that no longer checks is kept, and says nothing. */
export function modelWith(amendments: Amendment[]): Model {
  if (amendments.length === 0) return shippedModel();
  const key = JSON.stringify([shippedFlora().version, amendments]);
  const known = models.get(key);
  if (known) return known;
  const built = buildModel(amendFlora(shippedFlora(), amendments, () => undefined));
  models.set(key, built);
  if (models.size > MOST_MODELS) models.delete(models.keys().next().value as string);
  return built;
}

export const modelOf = (member: Member): Promise<Model> => asMember(member, districtModel);

export const amendmentInputSchema = z.object({
  taxon: z.string().min(1),
  key: z.string().min(1, "choose a character"),
  value: z.string().trim().max(400).default(""),
  reason: z.string().trim().min(10, "say why in at least 10 letters: what was seen, where").max(1000),
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
  member: Member,
  lines: (Amendment & { reason: string })[],
): Promise<void> {
  const { flora } = await districtModel(tx);
  await tx.insert(amendment).values(
    lines.map((line) => ({
      districtId: member.districtId,
      id: uuidv7(),
      taxon: line.taxon,
      key: line.key,
      value: line.value,
      before: lineText(flora, line.taxon, line.key),
      reason: line.reason,
      flora: shippedFlora().version,
      madeBy: member.personName,
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
      .set({ revertedBy: member.personName, revertedAt: new Date() })
      .where(and(inArray(amendment.id, ids), isNull(amendment.revertedAt)))
      .returning({ id: amendment.id });
    if (done.length < ids.length) throw notFound("The amendment");
  });
}

/** Every amendment ever made here, newest first; of one plant, or of all. */
export function amendmentHistory(tx: Transaction, taxon?: string) {
  return tx
    .select()
    .from(amendment)
    .where(taxon ? eq(amendment.taxon, taxon) : undefined)
    .orderBy(desc(amendment.createdAt), desc(amendment.id));
}
