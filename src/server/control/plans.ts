import { firstOf } from "@/core/items";
import { and, eq, isNull } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { adviseMethods, disposalOf, type GateReason, type Ground, type MethodAdvice } from "@/core/control";
import { type Climate, type Stage, stageOn, type Taxon } from "@/core/flora";
import type { NamedVerdict } from "@/core/identify";
import type { WaterNear } from "@/core/records";
import { plainText } from "@/core/limits";
import { dayWords } from "@/core/time";
import type { Transaction } from "@/db/client";
import { district, finding, findingEvent, membership, patch, plan, site } from "@/db/schema";
import { plantsHere } from "../flora/amendments";
import { shippedMethodBook } from "../flora/method-book";
import { waterNear } from "../ground/water";
import { readCaseSource } from "../judge/cases";
import { judgeApart } from "../judge/judge-apart";
import { oldFindings } from "../judge/old-findings";
import { now, todayIn } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { askGate } from "./gate";
import { signature } from "../records/signature";
import { overrulingRecordSchema } from "@/contracts/finding";
import { readStored } from "@/db/schema/json";

export interface PlanningView {
  findingId: string;
  number: number;
  patchId: string;
  patchName: string;
  siteName: string;
  taxon: string;
  stage: Stage;
  areaM2: number;
  /** years that seed lives in the ground; null of a plant that is no longer held */
  seedYears: [number, number] | null;
  /** what its remains need once it is cut or pulled */
  remains: string[];
  water: WaterNear;
  /** what is against acting on it now, besides method and person; none where work may be planned */
  reasons: GateReason[];
  overruling: { by: string; reason: string } | null;
  advice: MethodAdvice[];
  people: { id: string; name: string; roles: string[] }[];
  today: string;
}

/** What can be done about a finding: every method with its answer. Work hangs on a clear finding, or on a written overruling. */
export async function planningFor(member: Member, findingId: string): Promise<PlanningView> {
  const recomputed = await judgedNow(member, findingId);
  return asMember(member, (tx) => readPlanning(tx, findingId, recomputed));
}

/** The engine's word on a finding with the list, the costs and the flora of now; no transaction is open while it runs. */
async function judgedNow(member: Member, findingId: string): Promise<NamedVerdict> {
  if (!z.uuid().safeParse(findingId).success) throw notFound("The finding");
  const { old, source } = await asMember(member, async (tx) => ({
    old: (await oldFindings(tx, findingId)).findings.at(0),
    source: await readCaseSource(tx),
  }));
  if (!old) throw notFound("The finding");
  const given = source.caseAt(old.siteId, { ...old.seen, id: old.id });
  const { columns } = await judgeApart(source.amendments, given.case);
  return { verdict: columns.verdict, taxon: columns.taxon };
}

/** Methods and people are asked one by one; what holds for all of them is said once. */
const ANY_METHOD = "";

async function readPlanning(
  tx: Transaction,
  findingId: string,
  recomputed: NamedVerdict,
  lock = false,
): Promise<PlanningView> {
  if (lock) await tx.select({ id: finding.id }).from(finding).where(eq(finding.id, findingId)).for("update");
  const [row] = await tx
    .select({ f: finding, s: site })
    .from(finding)
    .innerJoin(site, eq(site.id, finding.siteId))
    .where(eq(finding.id, findingId));
  if (!row) throw notFound("The finding");
  if (!row.f.patchId)
    throw new Refusal(409, "This finding has no patch yet. Draw the patch first: what is planned needs an area.");
  const held = firstOf(await tx.select().from(patch).where(eq(patch.id, row.f.patchId)));
  const here = firstOf(await tx.select().from(district));
  const overruling = await overrulingOf(tx, findingId);
  const today = todayIn(row.s.zone);
  const plants = await plantsHere(tx);
  const name = plants.nameNow(row.f);
  const taxon = plants.byName(name);
  const water = await waterNear(tx, held.id);
  const ground: Ground = {
    noProduct: row.s.rules.noProduct ?? false,
    noMachines: row.s.rules.noMachines ?? false,
    grazed: row.s.rules.grazed ?? false,
    hayed: row.s.rules.hayed ?? false,
    foraged: row.s.rules.foraged ?? false,
    water,
  };
  const stage = taxon ? stageToday(taxon, row.f.stage as Stage | null, row.f.day, today, here) : "vegetative";
  const people = await tx
    .select({ id: membership.personId, name: membership.name, roles: membership.roles })
    .from(membership)
    .where(isNull(membership.endedAt));
  return {
    findingId,
    number: row.f.number,
    patchId: held.id,
    patchName: held.name,
    siteName: row.s.name,
    taxon: name,
    stage,
    areaM2: held.areaM2,
    seedYears: taxon?.seedYears ?? null,
    remains: taxon ? disposalOf(taxon) : [],
    water,
    reasons: (
      await askGate(tx, {
        act: "plan",
        findingId,
        moment: now().toISOString(),
        method: ANY_METHOD,
        personId: "",
        recomputed,
      })
    ).filter((reason) => !["role", "license", "rules"].includes(reason.code)),
    overruling,
    advice: taxon
      ? adviseMethods(shippedMethodBook(), {
          ...{ taxon, stage, ground, day: today, climate: here, told: [] },
          size: { infestedM2: held.areaM2 },
        })
      : [],
    people: people.filter((p) => p.roles.some((r) => r === "applicator" || r === "specialist")),
    today,
  };
}

/** The stage the scout saw, if that was within a month; else the stage most plants of this kind are in today. */
function stageToday(taxon: Taxon, seen: Stage | null, seenOn: string, today: string, climate: Climate): Stage {
  if (seen && Math.abs(Date.parse(today) - Date.parse(seenOn)) < 31 * 86400e3) return seen;
  return stageOn(taxon, today, climate);
}

async function overrulingOf(tx: Transaction, findingId: string): Promise<PlanningView["overruling"]> {
  const rows = await tx
    .select()
    .from(findingEvent)
    .where(and(eq(findingEvent.findingId, findingId), eq(findingEvent.kind, "overruling")));
  const last = rows.at(-1);
  return last
    ? { by: last.by, reason: readStored("finding_event.body", overrulingRecordSchema, last.body).reason }
    : null;
}

const planInputSchema = z.object({
  findingId: z.uuid(),
  method: z.string().min(1).max(60),
  intendedOn: z.iso.date(),
  personId: z.string().min(1, "choose who does it").max(100),
  followedBy: plainText(5, 1000, "say what follows: which plants cover the ground afterward, and for how long", true),
});

/** The field of the form where a reason stands, if one could be chosen otherwise. */
const FIELD_OF: Partial<Record<GateReason["code"], string>> = { role: "personId", license: "personId" };

type PlanInput = z.output<typeof planInputSchema>;

/** @throws {Refusal} 409 with every reason that the gate gives */
async function mustBeOpen(tx: Transaction, input: PlanInput, recomputed: NamedVerdict): Promise<void> {
  const reasons = await askGate(tx, {
    act: "plan",
    findingId: input.findingId,
    moment: now().toISOString(),
    method: input.method,
    personId: input.personId,
    recomputed,
  });
  if (reasons.length > 0)
    throw new Refusal(
      409,
      "This may not be done now.",
      reasons.map((reason) => ({ field: FIELD_OF[reason.code] ?? "gate", what: reason.what })),
    );
}

/** The window of the method that is planned. @throws {Refusal} where method, day or person do not fit */
function windowFor(view: PlanningView, input: PlanInput): { from: string; to: string } {
  const advice = view.advice.find((a) => a.method.id === input.method);
  if (!advice)
    throw new Refusal(400, "This method does not exist.", [{ field: "method", what: "choose one of the list" }]);
  if (!advice.window) throw new Refusal(409, `${advice.method.name}: ${advice.why.join(" ")}`);
  const { from, to } = advice.window;
  if (input.intendedOn < from || input.intendedOn > to)
    throw new Refusal(400, `The day is outside the window of ${dayWords(from)} to ${dayWords(to)}.`, [
      { field: "intendedOn", what: `choose a day from ${dayWords(from)} to ${dayWords(to)}` },
    ]);
  if (!view.people.some((p) => p.id === input.personId))
    throw new Refusal(400, "That person may not be given work here.", [
      { field: "personId", what: "choose one of the list" },
    ]);
  return advice.window;
}

/** Plans one piece of work: only on a clear or overruled finding, only with a method that suits, only inside its window. */
export async function makePlan(member: Member, raw: unknown): Promise<string> {
  const input = planInputSchema.parse(raw);
  const recomputed = await judgedNow(member, input.findingId);
  return asMember(member, async (tx) => {
    const view = await readPlanning(tx, input.findingId, recomputed, true);
    await mustBeOpen(tx, input, recomputed);
    const { from, to } = windowFor(view, input);
    await count(tx, member, "change");
    // The same work sent twice, or by two at once, is planned once.
    const [same] = await tx
      .select({ id: plan.id })
      .from(plan)
      .where(
        and(
          eq(plan.findingId, input.findingId),
          eq(plan.method, input.method),
          eq(plan.intendedOn, input.intendedOn),
          eq(plan.personId, input.personId),
          eq(plan.state, "planned"),
        ),
      );
    if (same) return same.id;
    const id = uuidv7();
    await tx.insert(plan).values({
      districtId: member.districtId,
      id,
      patchId: view.patchId,
      findingId: input.findingId,
      method: input.method,
      taxon: view.taxon,
      plantId: (await plantsHere(tx)).idOf(view.taxon),
      windowFrom: from,
      windowTo: to,
      intendedOn: input.intendedOn,
      personId: input.personId,
      followedBy: input.followedBy,
      overruling: view.overruling ? `${view.overruling.by}: ${view.overruling.reason}` : null,
      createdAt: now(),
      ...signature("madeBy", member),
    });
    return id;
  });
}

/** Every plan with its patch, site and person, in the order of the days they are meant for. */
export const planLines = (member: Member) =>
  asMember(member, (tx) =>
    tx
      .select({ plan, patch: patch.name, site: site.name, person: membership.name })
      .from(plan)
      .innerJoin(patch, eq(patch.id, plan.patchId))
      .innerJoin(site, eq(site.id, patch.siteId))
      .innerJoin(membership, eq(membership.personId, plan.personId))
      .orderBy(plan.intendedOn),
  );
export type PlanLine = Awaited<ReturnType<typeof planLines>>[number];

const droppedSchema = z.object({
  planId: z.uuid(),
  reason: plainText(10, 1000, "say in at least 10 letters why it is not done", true),
});

/** A plan that is not carried out after all. Its finding waits for another. */
export async function dropPlan(member: Member, raw: unknown): Promise<void> {
  const input = droppedSchema.parse(raw);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const [held] = await tx.select({ state: plan.state }).from(plan).where(eq(plan.id, input.planId)).for("update");
    if (!held) throw notFound("The plan");
    if (held.state !== "planned") throw new Refusal(409, `This plan is ${held.state} already.`);
    await tx
      .update(plan)
      .set({ state: "dropped", droppedWhy: input.reason, droppedAt: now(), ...signature("droppedBy", member) })
      .where(eq(plan.id, input.planId));
  });
}
