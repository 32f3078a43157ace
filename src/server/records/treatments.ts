import { eq } from "drizzle-orm";
import { z } from "zod";
import { recordSchema, type RecordInput, type StoredTreatment, storedTreatmentSchema } from "@/contracts/treatment";
import type { GateReason, Method } from "@/core/control";
import {
  checkTreatment,
  type LabelUse,
  type RecordFault,
  restrictionsAfter,
  type SeasonUse,
  type Treatment,
  treatmentSchema,
} from "@/core/records";
import { dayIn, fromZonedTime, mustBePast, seasonOf } from "@/core/time";
import type { Transaction } from "@/db/client";
import { district, ledgerEntry, patch, plan, site } from "@/db/schema";
import { readStored } from "@/db/schema/json";
import { askGate, personAt } from "../control/gate";
import { plantsHere } from "../flora/amendments";
import { methodsHere } from "../flora/own-methods";
import { waterNear } from "../ground/water";
import { now, todayIn } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { append, lockLedger } from "./append-entry";
import { withLabel } from "./labels";
import { groupsIn, standingEntries } from "./standing-entries";
import { settleVisits } from "./visits";

/** A clock of the field may run ahead of ours by so much. */
const CLOCK_SLACK_MS = 5 * 60_000;

/**
 * Appends a treatment to the ledger, or a correction of one: who, what and where come from the plan and the register; the gate is
 * asked as of the day of the work; completeness and the label are checked; the entry is chained to the one before, one at a time
 * per district. The same id sent twice is one entry.
 */
export async function recordTreatment(
  member: Member,
  raw: unknown,
): Promise<{ id: string; seq: number; warnings: string[] }> {
  const input = recordSchema.parse(raw);
  return asMember(member, async (tx) => {
    await lockLedger(tx, member.districtId);
    const [known] = await tx.select().from(ledgerEntry).where(eq(ledgerEntry.id, input.id));
    if (known) return { id: known.id, seq: known.seq, warnings: [] };
    await count(tx, member, "record");
    const corrected = await entryToCorrect(tx, input);
    const work = await workOf(tx, input, corrected);
    const { treatment, reasons } = await completed(tx, input, work, corrected);
    const faults = await faultsOf(tx, input, work, treatment);
    const body = {
      ...treatment,
      ...againstGate(member, input, reasons, faults),
      restrictions: restrictionsAfter(treatment, work.rules),
      ...doneWith(input, corrected),
      warnings: faults.map((f) => f.what),
    };
    const seq = await append(
      tx,
      member.districtId,
      member,
      {
        id: input.id,
        kind: "treatment",
        patchId: work.patchId,
        planId: work.plan.id,
        plantId: work.plan.plantId,
        supersedes: input.supersedes,
      },
      body,
    );
    if (corrected) await leaveOldPatch(tx, member, corrected, work.patchId);
    await afterwards(tx, member, work, input, corrected !== null);
    return { id: input.id, seq, warnings: body.warnings };
  });
}

/** A correction tells of the same work: how much of the plan was done with it stays. */
function doneWith({ doneShare }: RecordInput, corrected: Corrected | null): Pick<StoredTreatment, "doneShare"> {
  const share = corrected ? corrected.body.doneShare : doneShare;
  return share === undefined ? {} : { doneShare: share };
}

interface Work {
  plan: typeof plan.$inferSelect;
  method: Method;
  taxon: string;
  /** where and on what, for what a label names */
  use: LabelUse;
  /** the plan's patch; of a correction that of its entry, or the one that it names */
  patchId: string;
  patchName: string;
  patchM2: number;
  siteName: string;
  zone: string;
  rules: (typeof site.$inferSelect)["rules"];
  hemisphere: "north" | "south";
  required: string[];
}

/** The plan that is carried out, or was, with its place. A plan is carried out once. */
async function workOf(tx: Transaction, input: RecordInput, corrected: Corrected | null): Promise<Work> {
  const planId = corrected?.planId ?? input.planId;
  if (!planId)
    throw new Refusal(
      409,
      "A treatment needs a plan, and a plan needs a finding that is clear to act on. Plan it first.",
    );
  const [row] = await tx
    .select({ plan, patch, site, hemisphere: district.hemisphere, settings: district.settings })
    .from(plan)
    .innerJoin(patch, eq(patch.id, plan.patchId))
    .innerJoin(site, eq(site.id, patch.siteId))
    .innerJoin(district, eq(district.districtId, plan.districtId))
    .where(eq(plan.id, planId))
    .for("update", { of: plan });
  if (!row) throw notFound("The plan");
  if (!corrected && row.plan.state !== "planned")
    throw new Refusal(409, row.plan.state === "done" ? "This plan was carried out already." : "This plan was dropped.");
  const method = (await methodsHere(tx))(row.plan.method);
  if (!method)
    throw new Refusal(409, `The method “${row.plan.method}” no longer exists. Drop the plan and plan again.`);
  const on = corrected ? await patchOf(tx, input.patchId ?? corrected.patchId, row.site.id) : row.patch;
  const plants = await plantsHere(tx);
  const taxon = plants.nameNow(row.plan);
  return {
    plan: row.plan,
    ...{ method, taxon },
    use: { siteId: row.site.id, siteName: row.site.name, plantId: plants.idOf(taxon), plant: plants.common(taxon) },
    patchId: on.id,
    patchName: on.name,
    patchM2: on.areaM2,
    siteName: row.site.name,
    zone: row.site.zone,
    rules: row.site.rules,
    hemisphere: row.hemisphere,
    required: row.settings.requiredFields,
  };
}

/** The patch of a correction: work that was written on the wrong one was on another of the same site. */
async function patchOf(tx: Transaction, patchId: string, siteId: string): Promise<typeof patch.$inferSelect> {
  const [row] = await tx.select().from(patch).where(eq(patch.id, patchId));
  if (!row) throw notFound("The patch");
  if (row.siteId !== siteId)
    throw new Refusal(400, "The patch is on another site. Void the entry, and record the work where it was done.", [
      { field: "patchId", what: "choose a patch of this site" },
    ]);
  return row;
}

interface Corrected {
  id: string;
  patchId: string;
  planId: string | null;
  body: StoredTreatment;
}

/** @returns the entry to correct, or null where this is none */
async function entryToCorrect(tx: Transaction, input: RecordInput): Promise<Corrected | null> {
  if (!input.supersedes) return null;
  const [old] = await tx.select().from(ledgerEntry).where(eq(ledgerEntry.id, input.supersedes));
  if (!old) throw notFound("The entry to correct");
  if (old.kind !== "treatment") throw new Refusal(409, "Only a treatment can be corrected. This entry is a void.");
  await mustStand(tx, old);
  if (!input.treatment.correctionReason)
    throw new Refusal(400, "A correction needs its reason.", [
      { field: "treatment.correctionReason", what: "say what was wrong" },
    ]);
  return {
    id: old.id,
    patchId: old.patchId,
    planId: old.planId,
    body: readStored("ledger_entry.body", storedTreatmentSchema, old.body),
  };
}

/** @throws {Refusal} 409 where the entry was corrected or voided already */
export async function mustStand(tx: Transaction, old: { id: string; seq: number }): Promise<void> {
  const [newer] = await tx
    .select({ seq: ledgerEntry.seq, kind: ledgerEntry.kind })
    .from(ledgerEntry)
    .where(eq(ledgerEntry.supersedes, old.id));
  if (newer?.kind === "void") throw new Refusal(409, `Entry ${old.seq} was voided by entry ${newer.seq}.`);
  if (newer) throw new Refusal(409, `Entry ${old.seq} was already corrected by entry ${newer.seq}. Correct that one.`);
}

/** The whole record: what was told, and beside it what plan, register, map and gate say. */
async function completed(
  tx: Transaction,
  input: RecordInput,
  work: Work,
  corrected: Corrected | null,
): Promise<{ treatment: Treatment; reasons: GateReason[] }> {
  const from = fromZonedTime(input.treatment.from, work.zone);
  const to = fromZonedTime(input.treatment.to, work.zone);
  const moment = Number.isNaN(Date.parse(from)) ? now().toISOString() : from;
  const { treatment } = z.object({ treatment: treatmentSchema }).parse({
    treatment: {
      ...input.treatment,
      ...(await whoDidIt(tx, work, corrected, moment)),
      from,
      to,
      zone: work.zone,
      siteName: work.siteName,
      patchName: work.patchName,
      taxon: work.taxon,
      method: work.method.id,
      methodName: work.method.name,
      product: input.treatment.product && (await withLabel(tx, input.treatment.product, corrected !== null)),
      water: await waterNear(tx, work.patchId),
      waterDistanceM: null,
      overruling: work.plan.overruling ?? undefined,
    },
  });
  mustBeOver(treatment, work.zone);
  const reasons = await askGate(tx, {
    act: corrected ? "correction" : "record",
    findingId: work.plan.findingId,
    patchId: work.patchId,
    moment,
    method: work.method.id,
    personId: work.plan.personId,
  });
  return { treatment, reasons };
}

/** Work that lies in the future was not done. */
function mustBeOver(treatment: Treatment, zone: string): void {
  mustBePast("treatment.from", dayIn(zone, new Date(treatment.from)), todayIn(zone));
  if (Date.parse(treatment.to) > now().getTime() + CLOCK_SLACK_MS)
    throw new Refusal(400, "The work ends in the future.", [
      { field: "treatment.to", what: "give a time that is over: a record tells what was done" },
    ]);
}

/** Who did the work is whose plan it is; a correction keeps the person as recorded. License and name are those of the day. */
async function whoDidIt(
  tx: Transaction,
  work: Work,
  corrected: Corrected | null,
  moment: string,
): Promise<Pick<Treatment, "who" | "licence" | "licenceExpires">> {
  if (corrected) {
    const { who, licence, licenceExpires } = corrected.body;
    return { who, licence, licenceExpires };
  }
  const person = await personAt(tx, work.plan.personId, moment);
  if (!person)
    throw new Refusal(409, "The person of this plan does not belong to this district. Drop the plan and plan again.");
  return {
    who: person.name,
    licence: person.licence ?? undefined,
    licenceExpires: person.licenceExpires ?? undefined,
  };
}

/**
 * The truth can always be recorded: where the gate was closed on that day, the entry carries a specialist's word and the reasons.
 * @throws {Refusal} 409 with the reasons, where nobody has given that word
 */
function againstGate(
  member: Member,
  input: RecordInput,
  reasons: GateReason[],
  faults: RecordFault[],
): Pick<Treatment, "againstGate"> {
  // The register's license is the gate's to ask for.
  const label = faults.filter((fault) => fault.against && fault.field !== "licence");
  const said = [...reasons, ...label].map((reason) => reason.what);
  if (said.length === 0) return {};
  if (!member.roles.includes("specialist"))
    throw new Refusal(
      409,
      `This was not clear to act on that day: ${said.join(" ")} If it was done all the same, a specialist records it, with a written word.`,
    );
  if (!input.againstGate)
    throw new Refusal(
      409,
      "This was not clear to act on that day. If it was done all the same, say how it came about.",
      said.map((what) => ({ field: "againstGate", what })),
    );
  return { againstGate: { reasons: said, word: input.againstGate, by: member.personName } };
}

/** @returns what is out of the ordinary @throws {Refusal} 400 where something is missing */
async function faultsOf(tx: Transaction, input: RecordInput, work: Work, treatment: Treatment): Promise<RecordFault[]> {
  const faults = checkTreatment(
    treatment,
    work.method.kind === "product",
    await usedThisSeason(tx, work, treatment, input.supersedes),
  );
  for (const field of work.required) {
    const value = treatment[field as keyof Treatment];
    if ((value === undefined || value === "") && !faults.some((f) => f.field === field))
      faults.push({ field, what: "this district asks for it in every record", grave: true });
  }
  const missing = faults.filter((f) => f.grave && !f.against);
  if (missing.length > 0) throw new Refusal(400, "The record is not complete.", missing);
  return faults;
}

/** Product used on this patch in the same season of the district, with the same label. */
async function usedThisSeason(
  tx: Transaction,
  work: Work,
  treatment: Treatment,
  superseded: string | null,
): Promise<SeasonUse> {
  const seasonIn = (t: Treatment) => seasonOf(dayIn(work.zone, new Date(t.from)), work.hemisphere);
  const others = await standingEntries(tx, work.patchId);
  const earlier = others.filter((entry) => entry.id !== superseded).map((entry) => entry.body);
  const same = earlier
    .filter((other) => other.product && other.product.labelId === treatment.product?.labelId)
    .filter((other) => seasonIn(other) === seasonIn(treatment));
  return {
    used: same.reduce((sum, other) => sum + (other.product?.total ?? 0), 0),
    patchM2: work.patchM2,
    days: same.map((other) => dayIn(work.zone, new Date(other.from))),
    use: { ...work.use, before: { used: groupsIn(earlier, work.hemisphere), season: seasonIn(treatment) } },
  };
}

/** A correction may move work to another patch: the one that is left stands as what remains there says. */
async function leaveOldPatch(tx: Transaction, member: Member, corrected: Corrected, patchId: string): Promise<void> {
  if (patchId === corrected.patchId) return;
  await tx.update(patch).set({ state: "treated" }).where(eq(patch.id, patchId));
  if ((await standingEntries(tx, corrected.patchId)).length === 0)
    await tx.update(patch).set({ state: "open" }).where(eq(patch.id, corrected.patchId));
  await settleVisits(tx, member.districtId, corrected.patchId);
}

/** Closes the plan, unless the work goes on another day, and plans the next visit. A correction leaves the plan as it is. */
async function afterwards(
  tx: Transaction,
  member: Member,
  work: Work,
  { doneShare }: RecordInput,
  isCorrection: boolean,
): Promise<void> {
  const state = doneShare < 1 ? "planned" : "done";
  if (!isCorrection) await tx.update(plan).set({ state, doneShare }).where(eq(plan.id, work.plan.id));
  if (work.method.kind === "follow") return;
  if (!isCorrection) await tx.update(patch).set({ state: "treated" }).where(eq(patch.id, work.plan.patchId));
  await settleVisits(tx, member.districtId, work.patchId);
}
