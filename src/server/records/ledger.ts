import { firstOf } from "@/core/items";
import { storedTreatmentSchema } from "@/contracts/treatment";
import { readStored } from "@/db/schema/json";
import { eq, sql } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { plainText } from "@/core/limits";
import {
  checkTreatment,
  followUpDays,
  labelLimitsSchema,
  restrictionsAfter,
  type Treatment,
  treatmentSchema,
} from "@/core/records";
import { addDays, dayIn, mustBePast, seasonOf } from "@/core/time";
import type { Transaction } from "@/db/client";
import { district, followUp, label, ledgerEntry, membership, patch, plan, site } from "@/db/schema";
import { stageOn } from "../control/plans";
import { plantsHere } from "../flora/amendments";
import { shippedMethods } from "../flora/flora";
import { todayIn } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { append, lockLedger } from "./append-entry";
import { signature } from "./signature";

const entryInputSchema = z.object({
  id: z.uuid(),
  patchId: z.uuid(),
  planId: z.uuid().nullable().default(null),
  supersedes: z.uuid().nullable().default(null),
  treatment: treatmentSchema,
});

/**
 * Appends a treatment to the ledger: checked for completeness and against the label, chained to the entry before,
 * one at a time per district. The same id sent twice is one entry.
 */
export async function recordTreatment(
  member: Member,
  raw: unknown,
): Promise<{ id: string; seq: number; warnings: string[] }> {
  const input = entryInputSchema.parse(raw);
  return asMember(member, async (tx) => {
    await lockLedger(tx, member.districtId);
    const [known] = await tx.select().from(ledgerEntry).where(eq(ledgerEntry.id, input.id));
    if (known) return { id: known.id, seq: known.seq, warnings: [] };
    await count(tx, member, "record");
    const place = await placeOf(tx, input.patchId);
    const planned = await planOf(tx, input.planId, input.patchId);
    const corrected = await checkCorrection(tx, input);
    mustBePast("treatment.from", dayIn(place.zone, new Date(input.treatment.from)), todayIn(place.zone));
    const treatment = await withTrueLimits(tx, {
      ...input.treatment,
      ...(corrected ? personOn(corrected) : await personInRegister(tx, member)),
      zone: place.zone,
      overruling: planned?.overruling ?? input.treatment.overruling,
      waterDistanceM: place.waterDistanceM,
    });
    const method = shippedMethods().find((m) => m.id === treatment.method);
    if (!method)
      throw new Refusal(400, "This method does not exist.", [{ field: "method", what: "choose one of the list" }]);
    const faults = checkTreatment(
      treatment,
      method.kind === "product",
      await usedThisSeason(tx, input.patchId, treatment, input.supersedes, place.hemisphere),
    );
    const grave = faults.filter((f) => f.grave);
    if (grave.length > 0) throw new Refusal(400, "The record is not complete, or goes against the label.", grave);
    const body = {
      ...treatment,
      methodName: method.name,
      restrictions: restrictionsAfter(treatment, place.rules),
      warnings: faults.map((f) => f.what),
    };
    const seq = await append(
      tx,
      member.districtId,
      member,
      {
        id: input.id,
        kind: "treatment",
        patchId: input.patchId,
        planId: input.planId,
        plantId: (await plantsHere(tx)).idOf(treatment.taxon),
        supersedes: input.supersedes,
      },
      body,
    );
    await afterwards(tx, member, input, method.kind, treatment);
    return { id: input.id, seq, warnings: body.warnings };
  });
}

type EntryInput = z.output<typeof entryInputSchema>;

async function placeOf(tx: Transaction, patchId: string) {
  const [row] = await tx
    .select({
      rules: site.rules,
      zone: site.zone,
      hemisphere: district.hemisphere,
      water: sql<number | null>`water_distance_m(${patch.id})`,
    })
    .from(patch)
    .innerJoin(site, eq(site.id, patch.siteId))
    .innerJoin(district, eq(district.districtId, patch.districtId))
    .where(eq(patch.id, patchId));
  if (!row) throw notFound("The patch");
  return { rules: row.rules, zone: row.zone, hemisphere: row.hemisphere, waterDistanceM: row.water };
}

async function planOf(tx: Transaction, planId: string | null, patchId: string) {
  if (!planId) return null;
  const [row] = await tx.select().from(plan).where(eq(plan.id, planId));
  if (!row || row.patchId !== patchId) throw notFound("The plan");
  return row;
}

/** Who did the work, and with which license: as the district's register says, never as it was typed. */
async function personInRegister(tx: Transaction, member: Member): Promise<Person> {
  const [row] = await tx.select().from(membership).where(eq(membership.personId, member.personId));
  return {
    who: row?.name ?? member.personName,
    licence: row?.licence ?? undefined,
    licenceExpires: row?.licenceExpires ?? undefined,
  };
}
type Person = Pick<Treatment, "who" | "licence" | "licenceExpires">;

/** A correction says again what was done: by whom stays as it was recorded. */
const personOn = ({ who, licence, licenceExpires }: Treatment): Person => ({ who, licence, licenceExpires });

/** @returns what the entry to correct says, or null where this is none */
async function checkCorrection(tx: Transaction, input: EntryInput): Promise<Treatment | null> {
  if (!input.supersedes) {
    if (!input.planId)
      throw new Refusal(
        409,
        "A treatment hangs on a plan, and a plan on a finding that is clear to act. Plan it first.",
      );
    return null;
  }
  const [old] = await tx.select().from(ledgerEntry).where(eq(ledgerEntry.id, input.supersedes));
  if (!old) throw notFound("The entry to correct");
  const [newer] = await tx.select({ seq: ledgerEntry.seq }).from(ledgerEntry).where(eq(ledgerEntry.supersedes, old.id));
  if (newer) throw new Refusal(409, `Entry ${old.seq} was already corrected by entry ${newer.seq}. Correct that one.`);
  if (!input.treatment.correctionReason)
    throw new Refusal(400, "A correction needs its reason.", [
      { field: "correctionReason", what: "say what was wrong" },
    ]);
  return readStored("ledger_entry.body", storedTreatmentSchema, old.body);
}

/** The label's limits come from the district's own table, never from what the client sent. */
async function withTrueLimits(tx: Transaction, treatment: Treatment): Promise<Treatment> {
  if (!treatment.product) return treatment;
  const [held] = await tx.select().from(label).where(eq(label.id, treatment.product.labelId));
  if (!held)
    throw new Refusal(400, "That label is not entered here.", [
      { field: "product.labelId", what: "enter the label first" },
    ]);
  return {
    ...treatment,
    product: { ...treatment.product, labelName: held.name, limits: labelLimitsSchema.parse(held.limits) },
  };
}

/** Product per hectare already recorded on this patch in the same season of the district, with the same label. */
async function usedThisSeason(
  tx: Transaction,
  patchId: string,
  treatment: Treatment,
  superseded: string | null,
  hemisphere: "north" | "south",
): Promise<number> {
  if (!treatment.product) return 0;
  const rows = await tx.select().from(ledgerEntry).where(eq(ledgerEntry.patchId, patchId));
  const replaced = new Set(
    rows
      .map((r) => r.supersedes)
      .concat(superseded)
      .filter(Boolean),
  );
  const seasonIn = (t: Treatment) => seasonOf(dayIn(treatment.zone, new Date(t.from)), hemisphere);
  const season = seasonIn(treatment);
  return rows
    .filter((r) => !replaced.has(r.id))
    .reduce((sum, r) => {
      const other = readStored("ledger_entry.body", storedTreatmentSchema, r.body);
      return other.product?.labelId === treatment.product?.labelId && seasonIn(other) === season
        ? sum + (other.product?.ratePerHa ?? 0)
        : sum;
    }, 0);
}

async function afterwards(
  tx: Transaction,
  member: Member,
  input: EntryInput,
  kind: string,
  treatment: Treatment,
): Promise<void> {
  if (input.supersedes) return;
  if (input.planId) await tx.update(plan).set({ state: "done" }).where(eq(plan.id, input.planId));
  await tx.update(patch).set({ state: "treated" }).where(eq(patch.id, input.patchId));
  const done = dayIn(treatment.zone, new Date(treatment.to));
  await tx.insert(followUp).values(
    followUpDays(kind).map(({ days, what }) => ({
      districtId: member.districtId,
      id: uuidv7(),
      patchId: input.patchId,
      ledgerId: input.id,
      dueOn: addDays(done, days),
      what,
    })),
  );
}

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

/** What the record form starts from: the plan, the patch, the person and the labels. */
export async function recordingFor(member: Member, planId: string) {
  if (!z.uuid().safeParse(planId).success) throw notFound("The plan");
  return asMember(member, async (tx) => {
    const [row] = await tx
      .select({
        plan,
        patch: { id: patch.id, name: patch.name, areaM2: patch.areaM2 },
        site: { name: site.name, zone: site.zone },
      })
      .from(plan)
      .innerJoin(patch, eq(patch.id, plan.patchId))
      .innerJoin(site, eq(site.id, patch.siteId))
      .where(eq(plan.id, planId));
    if (!row) throw notFound("The plan");
    const me = firstOf(await tx.select().from(membership).where(eq(membership.personId, member.personId)));
    const { rows: water } = await tx.execute<{ m: number | null }>(sql`SELECT water_distance_m(${row.patch.id}) AS m`);
    const labels = await tx
      .select({ id: label.id, name: label.name, limits: label.limits })
      .from(label)
      .orderBy(label.name);
    const method = shippedMethods().find((m) => m.id === row.plan.method);
    const plants = await plantsHere(tx);
    const taxon = plants.byName(plants.nameNow(row.plan));
    const here = firstOf(
      await tx.select({ hemisphere: district.hemisphere, seasonShift: district.seasonShift }).from(district),
    );
    return {
      ...row,
      plan: { ...row.plan, taxon: plants.nameNow(row.plan) },
      stage: taxon ? stageOn(taxon, todayIn(row.site.zone), here) : ("vegetative" as const),
      me: { name: me.name, licence: me.licence, licenceExpires: me.licenceExpires },
      waterDistanceM: water[0]?.m ?? null,
      labels,
      method: method ?? null,
    };
  });
}

/** The district's labels, by name. */
export const labelLines = (member: Member) => asMember(member, (tx) => tx.select().from(label).orderBy(label.name));
