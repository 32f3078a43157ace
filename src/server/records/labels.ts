import { eq, inArray, isNull } from "drizzle-orm";
import { alias } from "drizzle-orm/pg-core";
import { z } from "zod";
import type { RecordInput } from "@/contracts/treatment";
import { plainText } from "@/core/limits";
import { IN_STAGE, type Stage } from "@/core/flora";
import {
  askLabel,
  LABEL_NAMED,
  type LabelLimits,
  labelLimitsSchema,
  type LabelUse,
  limitWords,
  type Treatment,
} from "@/core/records";
import type { Transaction } from "@/db/client";
import { label, labelPaper, listEntry, site } from "@/db/schema";
import { plantsHere } from "../flora/amendments";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "./signature";

const labelInputSchema = z.object({
  id: z.uuid(),
  name: plainText(2, 120, "give the label's name"),
  /** the version that it takes the place of */
  replaces: z.union([z.uuid(), z.literal("")]).default(""),
  limits: labelLimitsSchema,
});

/** Enters what a label says, or a new version of one. The version before stays, as plans and records carry it. */
export async function saveLabel(member: Member, raw: unknown): Promise<void> {
  const input = labelInputSchema.parse(raw);
  await asMember(member, async (tx) => {
    await mustBeHere(tx, input.limits);
    const before = input.replaces ? await currentLabel(tx, input.replaces) : null;
    await count(tx, member, "change");
    await tx
      .insert(label)
      .values({
        districtId: member.districtId,
        id: input.id,
        name: input.name,
        limits: input.limits,
        replaces: before?.id ?? null,
        version: (before?.version ?? 0) + 1,
        ...signature("enteredBy", member),
      })
      .onConflictDoNothing();
  });
}

/** Sites and plants of the list that a label may name. */
export const labelChoices = (member: Member) => asMember(member, choicesHere);

async function choicesHere(
  tx: Transaction,
): Promise<Record<"sitesNamed" | "plantsNamed", { id: string; name: string }[]>> {
  const plants = await plantsHere(tx);
  const listed = await tx
    .selectDistinct({ plantId: listEntry.plantId })
    .from(listEntry)
    .where(inArray(listEntry.status, ["target", "watch"]));
  return {
    sitesNamed: await tx.select({ id: site.id, name: site.name }).from(site).orderBy(site.name),
    plantsNamed: listed
      .map(({ plantId: id }) => ({ id, name: plants.common(plants.nameNow({ plantId: id, taxon: id })) }))
      .sort((a, b) => a.name.localeCompare(b.name)),
  };
}

/** @throws {Refusal} 400 naming the site or plant that is not of this district */
async function mustBeHere(tx: Transaction, limits: LabelLimits): Promise<void> {
  const choices = await choicesHere(tx);
  for (const field of ["sitesNamed", "plantsNamed"] as const) {
    const strange = limits[field]?.find((id) => choices[field].every((choice) => choice.id !== id));
    if (strange !== undefined)
      throw new Refusal(400, `“${strange.slice(0, 60)}” is not of this district.`, [
        { field: `limits.${field}`, what: "choose of the list" },
      ]);
  }
}

/** What a label names, in words: stages, sites, and plants. */
async function namesHere(tx: Transaction): Promise<(limits: LabelLimits) => Record<string, string>> {
  const plants = await plantsHere(tx);
  const sites = new Map(
    (await tx.select({ id: site.id, name: site.name }).from(site)).map(({ id, name }) => [id, name]),
  );
  const listed = {
    stagesNamed: (id: string) => IN_STAGE[id as Stage],
    sitesNamed: (id: string) => sites.get(id) ?? "a site that is gone",
    plantsNamed: (id: string) => plants.common(plants.nameNow({ plantId: id, taxon: id })),
  };
  return (limits) =>
    Object.fromEntries(
      LABEL_NAMED.flatMap(([field]) => (limits[field] ? [[field, limits[field].map(listed[field]).join("; ")]] : [])),
    );
}

/** @throws {Refusal} 404 where there is none, 409 where another version took its place */
async function currentLabel(tx: Transaction, id: string): Promise<typeof label.$inferSelect> {
  const [held] = await tx.select().from(label).where(eq(label.id, id)).for("update");
  if (!held) throw notFound("The label");
  const newer = await newerThan(tx, id);
  if (newer)
    throw new Refusal(
      409,
      `Version ${newer.version} of “${newer.name}” took its place. Enter the change over that one.`,
    );
  return held;
}

async function newerThan(tx: Transaction, id: string): Promise<typeof label.$inferSelect | undefined> {
  const [newer] = await tx.select().from(label).where(eq(label.replaces, id));
  return newer;
}

const later = alias(label, "later");

/** Labels in force, by name: a version that was replaced is none of them. */
export const labelsInForce = (tx: Transaction) =>
  tx
    .select({
      id: label.id,
      name: label.name,
      limits: label.limits,
      version: label.version,
      enteredBy: label.enteredBy,
    })
    .from(label)
    .leftJoin(later, eq(later.replaces, label.id))
    .where(isNull(later.id))
    .orderBy(label.name);

/** The labels in force, and whether each has its paper here. */
export async function labelsWithPapers(tx: Transaction) {
  const papers = new Set((await tx.select({ id: labelPaper.id }).from(labelPaper)).map(({ id }) => id));
  const named = await namesHere(tx);
  return (await labelsInForce(tx)).map((line) => ({
    ...line,
    hasPaper: papers.has(line.id),
    named: named(line.limits),
  }));
}

export const labelLines = (member: Member) => asMember(member, labelsWithPapers);

/** The label's limits come from the district's own table, never from what the client sent. Only a correction may name an old version. */
export async function withLabel(
  tx: Transaction,
  product: NonNullable<RecordInput["treatment"]["product"]>,
  isCorrection: boolean,
): Promise<NonNullable<Treatment["product"]>> {
  const [held] = await tx.select().from(label).where(eq(label.id, product.labelId));
  if (!held)
    throw new Refusal(400, "That label is not entered here.", [
      { field: "product.labelId", what: "enter the label first" },
    ]);
  const newer = isCorrection ? undefined : await newerThan(tx, held.id);
  if (newer)
    throw new Refusal(409, `Version ${newer.version} of “${newer.name}” is in force now.`, [
      { field: "product.labelId", what: "choose the version in force, and check the amounts against it" },
    ]);
  return { ...product, labelName: held.name, limits: labelLimitsSchema.parse(held.limits) };
}

export interface LabelChange {
  /** the version in force */
  newId: string;
  name: string;
  from: number;
  to: number;
  /** each limit that says something else now, as a line */
  lines: string[];
}

/** What a label in force says otherwise than the version that a plan carries; null where that version is in force. */
export async function labelChange(tx: Transaction, labelId: string): Promise<LabelChange | null> {
  const [held] = await tx.select().from(label).where(eq(label.id, labelId));
  if (!held) return null;
  let newest = held;
  for (let next = await newerThan(tx, held.id); next; next = await newerThan(tx, next.id)) newest = next;
  if (newest.id === held.id) return null;
  return {
    newId: newest.id,
    name: newest.name,
    from: held.version,
    to: newest.version,
    lines: differences(held.limits, newest.limits, await namesHere(tx)),
  };
}

function differences(
  before: LabelLimits,
  after: LabelLimits,
  named: (limits: LabelLimits) => Record<string, string>,
): string[] {
  const [was, is] = [
    { ...before, ...named(before) },
    { ...after, ...named(after) },
  ];
  return (Object.keys({ ...was, ...is }) as (keyof LabelLimits)[]).flatMap((key) =>
    was[key] === is[key] ? [] : [`${limitWords(key)}: ${was[key] ?? "not said"}, now ${is[key] ?? "not said"}`],
  );
}

/** What a label that a plan carries says against its place, and what has to be asked; nothing of a plan without a label. */
export async function labelOnUse(
  tx: Transaction,
  labelId: string | null,
  use: LabelUse,
): Promise<{ against: string[]; ask: string[] }> {
  const [held] = labelId ? await tx.select({ limits: label.limits }).from(label).where(eq(label.id, labelId)) : [];
  return held ? askLabel(held.limits, use) : { against: [], ask: [] };
}

/** A label's PDF weighs less than this. */
export const MOST_PAPER_BYTES = 10_000_000;

/** Keeps a label's PDF. What is no PDF by its own first bytes is refused; it is never opened here, and served as a download alone. */
export async function saveLabelPaper(member: Member, id: string, content: Buffer): Promise<void> {
  if (!z.uuid().safeParse(id).success) throw notFound("The label");
  if (content.subarray(0, 5).toString("latin1") !== "%PDF-" || !content.subarray(-2048).includes("%%EOF"))
    throw new Refusal(400, "This file is not a complete PDF. Choose the label's PDF.");
  await asMember(member, async (tx) => {
    const [held] = await tx.select({ id: label.id }).from(label).where(eq(label.id, id));
    if (!held) throw notFound("The label");
    await count(tx, member, "picture");
    await tx
      .insert(labelPaper)
      .values({ districtId: member.districtId, id, content, ...signature("by", member) })
      .onConflictDoNothing();
  });
}

export async function labelPaperContent(member: Member, id: string): Promise<Buffer> {
  if (!z.uuid().safeParse(id).success) throw notFound("The label");
  return asMember(member, async (tx) => {
    const [row] = await tx.select({ content: labelPaper.content }).from(labelPaper).where(eq(labelPaper.id, id));
    if (!row) throw notFound("The label’s PDF");
    return row.content;
  });
}
