import { firstOf } from "@/core/items";
import { and, eq, inArray, isNull } from "drizzle-orm";
import { z } from "zod";
import {
  adviseMethods,
  disposalOf,
  type GateReason,
  type Ground,
  lastDayBeforeSeed,
  type MethodAdvice,
  type StandSize,
} from "@/core/control";
import { type Climate, type Stage, stageOn, type Taxon } from "@/core/flora";
import type { NamedVerdict } from "@/core/identify";
import type { WaterNear } from "@/core/records";
import { addDays, dayWords } from "@/core/time";
import type { Transaction } from "@/db/client";
import { district, finding, findingEvent, listEntry, membership, patch, plan, site } from "@/db/schema";
import { plantsHere } from "../flora/amendments";
import { methodBookHere, methodNamesHere } from "../flora/own-methods";
import type { Plants } from "../flora/plants";
import { type PlaceWord, wordsAt } from "../ground/place-words";
import { type SizeSeen, sizeAt } from "../ground/stand-size";
import { waterNear } from "../ground/water";
import { readCaseSource } from "../judge/cases";
import { judgeApart } from "../judge/judge-apart";
import { oldFindings } from "../judge/old-findings";
import { now, todayIn } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { type CrewLine, crewsHere } from "../people/crews";
import { asMember, type Member } from "../platform/session";
import { labelsInForce } from "../records/labels";
import { askGate } from "./gate";
import { overrulingRecordSchema } from "@/contracts/finding";
import { readStored } from "@/db/schema/json";

export interface PlanningView {
  findingId: string;
  number: number;
  patchId: string;
  patchName: string;
  siteId: string;
  siteName: string;
  taxon: string;
  stage: Stage;
  areaM2: number;
  /** what a person has said of the size, if anyone has */
  sizeSeen: SizeSeen | null;
  /** the size that the methods are asked with: what was said, and for the rest the patch as it was drawn */
  size: StandSize;
  /** last good day before seed, or null where none is ahead within a year */
  lastBeforeSeed: string | null;
  /** years that seed lives in the ground; null of a plant that is no longer held */
  seedYears: [number, number] | null;
  /** what its remains need once it is cut or pulled */
  remains: string[];
  water: WaterNear;
  /** what a specialist has said to be ready here, or not, that methods wait for */
  said: PlaceWord[];
  /** what may be said: each word with its text */
  mayBeSaid: { word: string; text: string }[];
  /** what is against acting on it now, besides method and person; none where work may be planned */
  reasons: GateReason[];
  overruling: { by: string; reason: string } | null;
  advice: MethodAdvice[];
  /** who may answer for the work */
  people: { id: string; name: string; roles: string[] }[];
  /** who may go along */
  everyone: { id: string; name: string }[];
  crews: CrewLine[];
  /** work that is already planned on this patch */
  others: OtherPlan[];
  /** labels in force */
  labels: { id: string; name: string }[];
  /** plants that this district keeps, for what should grow there afterward */
  keeps: { id: string; name: string }[];
  today: string;
  /** the day that was asked for; the methods are answered as of it */
  on: string;
}

/** Another day or stage than that of now, to see what would suit then. */
export interface AskedView {
  on?: string;
  stage?: Stage;
}

export interface OtherPlan {
  id: string;
  method: string;
  intendedOn: string;
  person: string;
  madeBy: string;
}

/**
 * What can be done about a finding: every method with its answer. Work needs a clear finding, or a written overruling.
 * @throws {Refusal} 400 where a day is asked for that is over, or more than a year ahead
 */
export async function planningFor(member: Member, findingId: string, ask: AskedView = {}): Promise<PlanningView> {
  const recomputed = await judgedNow(member, findingId);
  return asMember(member, (tx) => readPlanning(tx, findingId, recomputed, { ask }));
}

/** The engine's word on a finding with the list, the costs and the flora of now; no transaction is open while it runs. */
export async function judgedNow(member: Member, findingId: string): Promise<NamedVerdict> {
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

/** What is against any work on a finding; methods and people are asked one by one. */
async function reasonsAgainstAny(tx: Transaction, findingId: string, recomputed: NamedVerdict): Promise<GateReason[]> {
  const asked = { act: "plan", findingId, moment: now().toISOString(), method: "", personId: "", recomputed } as const;
  return (await askGate(tx, asked)).filter((reason) => !["role", "license", "rules"].includes(reason.code));
}

/** A site that says nothing of a rule has none. */
const rulesOfSite = ({
  noProduct,
  noMachines,
  grazed,
  hayed,
  foraged,
}: (typeof site.$inferSelect)["rules"]): Ground => ({
  noProduct: noProduct ?? false,
  noMachines: noMachines ?? false,
  grazed: grazed ?? false,
  hayed: hayed ?? false,
  foraged: foraged ?? false,
});

const peopleHere = (tx: Transaction) =>
  tx
    .select({ id: membership.personId, name: membership.name, roles: membership.roles })
    .from(membership)
    .where(isNull(membership.endedAt))
    .orderBy(membership.name);

type People = Awaited<ReturnType<typeof peopleHere>>;
const workersOf = (people: People) =>
  people.filter((p) => p.roles.some((r) => r === "applicator" || r === "specialist"));
const helpersOf = (people: People) => people.filter((p) => p.roles.some((r) => r !== "visitor"));

/**
 * Everything that is asked when work on a finding is planned.
 * @param lock keeps finding and patch for this transaction alone
 * @param ask another day or stage to answer for than that of now
 */
export async function readPlanning(
  tx: Transaction,
  findingId: string,
  recomputed: NamedVerdict,
  { lock = false, ask = {} }: { lock?: boolean; ask?: AskedView } = {},
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
  const onPatch = tx.select().from(patch).where(eq(patch.id, row.f.patchId));
  const held = firstOf(await (lock ? onPatch.for("update") : onPatch));
  const here = firstOf(await tx.select().from(district));
  const overruling = await overrulingOf(tx, findingId);
  const today = todayIn(row.s.zone);
  const on = dayAsked(today, ask.on);
  const plants = await plantsHere(tx);
  const name = plants.nameNow(row.f);
  const taxon = plants.byName(name);
  const water = await waterNear(tx, held.id);
  const ground: Ground = { ...rulesOfSite(row.s.rules), water };
  const seen = { stage: row.f.stage as Stage | null, day: row.f.day };
  const stage = ask.stage ?? (taxon ? stageAt(taxon, seen, on, here) : "vegetative");
  const book = await methodBookHere(tx);
  const said = await wordsAt(tx, held.id, on);
  const told = said.filter(({ holds }) => holds).map(({ word }) => word);
  const people = await peopleHere(tx);
  const sizeSeen = await sizeAt(tx, held.id);
  const size = sizeOf(held, sizeSeen);
  return {
    findingId,
    number: row.f.number,
    patchId: held.id,
    patchName: held.name,
    ...{ siteId: row.s.id, siteName: row.s.name },
    taxon: name,
    stage,
    areaM2: held.areaM2,
    sizeSeen,
    size,
    lastBeforeSeed: taxon ? lastDayBeforeSeed(taxon, on, here) : null,
    seedYears: taxon?.seedYears ?? null,
    remains: taxon ? disposalOf(taxon) : [],
    water,
    said,
    mayBeSaid: Object.keys(book.vocabulary.lasts).map((word) => ({ word, text: book.vocabulary.known[word] ?? word })),
    reasons: await reasonsAgainstAny(tx, findingId, recomputed),
    overruling,
    advice: taxon ? adviseMethods(book, { taxon, stage, ground, size, day: on, climate: here, told }) : [],
    people: workersOf(people),
    everyone: helpersOf(people),
    crews: await crewsHere(tx),
    others: await plannedOn(tx, held.id),
    labels: (await labelsInForce(tx)).map(({ id, name }) => ({ id, name })),
    keeps: await keptHere(tx, plants, row.s.id),
    ...{ today, on },
  };
}

/** Windows are known for so many days ahead. */
const AHEAD_DAYS = 365;

/** @throws {Refusal} 400 where the day is over, or too far ahead to say anything of it */
function dayAsked(today: string, on = today): string {
  const last = addDays(today, AHEAD_DAYS);
  const isDay = z.iso.date().safeParse(on).success;
  if (isDay && today <= on && on <= last) return on;
  throw new Refusal(400, `“${isDay ? dayWords(on) : on.slice(0, 40)}” is not a day that can be shown.`, [
    { field: "on", what: `choose a day from ${dayWords(today)} to ${dayWords(last)}` },
  ]);
}

/** The stage the scout saw, if that was within a month; else the stage most plants of this kind are in on the day. */
function stageAt(taxon: Taxon, seen: { stage: Stage | null; day: string }, on: string, climate: Climate): Stage {
  if (seen.stage && Math.abs(Date.parse(on) - Date.parse(seen.day)) < 31 * 86400e3) return seen.stage;
  return stageOn(taxon, on, climate);
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

/** What was said of the size goes before what the patch says; of that the infested area is the covered share of the outline. */
function sizeOf({ areaM2, coverShare, plants }: typeof patch.$inferSelect, seen: SizeSeen | null): StandSize {
  const { day: _, by: __, ...said } = seen ?? { day: "", by: "" };
  return {
    infestedM2: coverShare === null ? areaM2 : Math.round(areaM2 * coverShare),
    ...(plants === null ? {} : { count: plants }),
    ...said,
  };
}

/** Work that is planned on a patch, what follows other work left aside. */
export async function plannedOn(tx: Transaction, patchId: string): Promise<OtherPlan[]> {
  const nameOf = await methodNamesHere(tx);
  const rows = await tx
    .select({
      id: plan.id,
      method: plan.method,
      intendedOn: plan.intendedOn,
      person: membership.name,
      madeBy: plan.madeBy,
    })
    .from(plan)
    .innerJoin(membership, eq(membership.personId, plan.personId))
    .where(and(eq(plan.patchId, patchId), eq(plan.state, "planned"), isNull(plan.followsPlan)))
    .orderBy(plan.intendedOn);
  return rows.map((row) => ({ ...row, method: nameOf(row.method) }));
}

/** Plants that the district keeps at a site, as its list says; crops are sown by whom they belong to. */
async function keptHere(tx: Transaction, plants: Plants, siteId: string): Promise<PlanningView["keeps"]> {
  const lines = await tx
    .select()
    .from(listEntry)
    .where(inArray(listEntry.status, ["kept", "protected"]));
  const here = lines.filter((line) => line.siteId === null || line.siteId === siteId);
  const ids = [...new Set(here.map(({ plantId }) => plantId))];
  return ids
    .map((id) => ({ id, name: plants.common(plants.nameNow({ plantId: id, taxon: id })) }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

/** Who may be given work here, and crews, for a plan that is changed. */
export const plannersFor = (member: Member): Promise<Pick<PlanningView, "people" | "everyone" | "crews">> =>
  asMember(member, async (tx) => {
    const people = await peopleHere(tx);
    return { people: workersOf(people), everyone: helpersOf(people), crews: await crewsHere(tx) };
  });
