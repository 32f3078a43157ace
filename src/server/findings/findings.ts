import { firstOf } from "@/core/items";
import {
  confirmationSchema,
  type Finding,
  FINDING_EVENTS,
  findingSchema,
  overrulingSchema,
  type SavedFinding,
  type VerdictRecord,
} from "@/contracts/finding";
import { type and, desc, eq, sql } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import type { Stage } from "@/core/flora";
import { type Case, engineVersion } from "@/core/identify";
import type { Amendment } from "@/core/pack";
import { dayIn, mustBePast } from "@/core/time";
import type { Transaction } from "@/db/client";
import { district, finding, findingEvent, patch, picture, site } from "@/db/schema";
import { plantsHere, plantsOf } from "../flora/amendments";
import { modelWith } from "../flora/flora-models";
import { plantsIn } from "../flora/plants";
import { marksOf } from "../ground/pictures";
import { readCaseSource } from "../judge/cases";
import { judgeApart, type Judged } from "../judge/judge-apart";
import { now, todayIn } from "../platform/clock";
import { giveNumberBack, nextNumber } from "../platform/counters";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";
import { reopenIfGone } from "../records/visits";
import { reportsOf } from "../reports/reports";

import { readStored } from "@/db/schema/json";

/** Farther from its site than this a finding belongs to another site, or its position is wrong. */
const MOST_OFF_SITE_M = 50_000;

/**
 * Saves a finding, once: the same id sent twice is one finding. The verdict is computed here, from the observations, beside the
 * process that answers requests: no transaction is open and no lock is held while the engine runs.
 * @returns the finding's id, number and the server's verdict
 */
export async function saveFinding(member: Member, raw: unknown): Promise<SavedFinding> {
  const input = findingSchema.parse(raw);
  const before = await asMember(member, async (tx) => (await savedBefore(tx, input.id)) ?? prepareFinding(tx, input));
  if ("again" in before) return before;
  const judged = await judgeApart(before.amendments, before.case);
  return asMember(member, (tx) => storeFinding(tx, member, input, before, judged));
}

async function savedBefore(tx: Transaction, id: string): Promise<SavedFinding | null> {
  const [known] = await tx.select().from(finding).where(eq(finding.id, id));
  if (!known) return null;
  const { number, verdict, taxon, because } = known;
  return { id, number, verdict, taxon, because, again: true };
}

interface Prepared {
  case: Case;
  listVersion: string;
  amendments: Amendment[];
  enteredLater: boolean;
  reportFirst: Set<string>;
}

/** Looks whether a finding may be stored as it was sent, and reads what its verdict hangs on. */
async function prepareFinding(tx: Transaction, input: Finding): Promise<Prepared> {
  const [place] = await tx
    .select({
      zone: site.zone,
      offM: sql<number>`ST_Distance(${site.boundary}::geography, ST_SetSRID(ST_MakePoint(${input.place.longitude}, ${input.place.latitude}), 4326)::geography)`,
    })
    .from(site)
    .where(eq(site.id, input.siteId));
  if (!place) throw notFound("The site");
  mustBePast("day", input.day, todayIn(place.zone));
  if (place.offM > MOST_OFF_SITE_M)
    throw new Refusal(400, `That place is ${Math.round(place.offM / 1000)} km from the site.`, [
      { field: "place", what: `choose the site that it is on, or a place within ${MOST_OFF_SITE_M / 1000} km of it` },
    ]);
  await checkPatch(tx, input);
  const source = await readCaseSource(tx);
  const here = firstOf(await tx.select({ since: district.createdAt }).from(district));
  return {
    ...source.caseAt(input.siteId, input),
    amendments: source.amendments,
    enteredLater: input.day < dayIn(place.zone, here.since),
  };
}

async function checkPatch(tx: Transaction, { patchId, siteId }: Finding): Promise<void> {
  if (!patchId) return;
  const [held] = await tx.select({ siteId: patch.siteId }).from(patch).where(eq(patch.id, patchId));
  if (!held) throw notFound("The patch");
  if (held.siteId !== siteId)
    throw new Refusal(400, "The patch is on another site.", [
      { field: "patchId", what: "choose a patch of this site" },
    ]);
}

async function storeFinding(
  tx: Transaction,
  member: Member,
  input: Finding,
  prepared: Prepared,
  { identification, columns }: Judged,
): Promise<SavedFinding> {
  const number = await nextNumber(tx, member, "finding");
  // Whoever sent the same finding a moment ago held the counter until it was stored.
  const known = await savedBefore(tx, input.id);
  if (known) {
    await giveNumberBack(tx, "finding");
    return known;
  }
  await count(tx, member, "finding");
  await tx.insert(finding).values({
    districtId: member.districtId,
    id: input.id,
    number,
    siteId: input.siteId,
    patchId: input.patchId,
    place: { type: "Point", coordinates: [input.place.longitude, input.place.latitude] },
    day: input.day,
    stage: input.stage,
    note: input.note,
    enteredLater: prepared.enteredLater,
    createdAt: now(),
    plantId: columns.taxon ? plantsIn(modelWith(prepared.amendments).flora).idOf(columns.taxon) : null,
    ...signature("madeBy", member),
    ...columns,
    reportFirst: mustBeReported(columns, prepared.reportFirst),
  });
  if (input.patchId && columns.verdict === "clear") await reopenIfGone(tx, input.patchId);
  await addEvents(tx, member, input, {
    identification,
    versions: {
      flora: identification.flora,
      list: prepared.listVersion,
      costs: prepared.case.costs,
      engine: engineVersion(),
    },
  });
  const { verdict, taxon, because } = columns;
  return { id: input.id, number, verdict, taxon, because, again: false };
}

/** A plant that may be acted on is reported first where any line of the list says so, the site's or the district's. */
export const mustBeReported = ({ verdict, taxon, reportFirst }: Judged["columns"], listed: Set<string>): boolean =>
  reportFirst || (verdict === "clear" && taxon !== null && listed.has(taxon));

async function addEvents(
  tx: Transaction,
  member: Member,
  input: Finding,
  verdict: Pick<VerdictRecord, "versions"> & { identification: Judged["identification"] },
): Promise<void> {
  const base = { districtId: member.districtId, findingId: input.id, at: now(), ...signature("by", member) };
  await tx.insert(findingEvent).values([
    {
      ...base,
      id: uuidv7(),
      kind: "observations" as const,
      body: {
        day: input.day,
        stage: input.stage,
        ...(input.stages ? { stages: input.stages } : {}),
        ...(input.wordless.length > 0 ? { wordless: input.wordless } : {}),
        kit: input.kit,
        observations: input.observations,
      },
    },
    { ...base, id: uuidv7(), kind: "verdict" as const, body: verdict },
  ]);
}

/** A specialist overrules the engine in writing. The event stays for ever. */
export async function overrule(member: Member, raw: unknown): Promise<void> {
  const input = overrulingSchema.parse(raw);
  const plants = await plantsOf(member);
  plants.mustHold(input.taxon);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const [held] = await tx.select().from(finding).where(eq(finding.id, input.findingId)).for("update");
    if (!held) throw notFound("The finding");
    await tx.insert(findingEvent).values({
      districtId: member.districtId,
      id: uuidv7(),
      findingId: held.id,
      kind: "overruling",
      at: now(),
      ...signature("by", member),
      body: { taxon: input.taxon, reason: input.reason, from: { verdict: held.verdict, taxon: held.taxon } },
    });
    await tx
      .update(finding)
      .set({ overruled: true, taxon: input.taxon, plantId: plants.idOf(input.taxon) })
      .where(eq(finding.id, held.id));
  });
}

/** A specialist confirms what a finding names: that alone counts as known to grow here. */
export async function confirmFinding(member: Member, raw: unknown): Promise<void> {
  const input = confirmationSchema.parse(raw);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const [held] = await tx.select().from(finding).where(eq(finding.id, input.findingId)).for("update");
    if (!held) throw notFound("The finding");
    if (!held.taxon || !held.plantId)
      throw new Refusal(409, "This finding names no plant yet. There is nothing to confirm.");
    const { how, source, note } = input;
    await tx.insert(findingEvent).values({
      districtId: member.districtId,
      id: uuidv7(),
      findingId: held.id,
      kind: "confirmation",
      at: now(),
      ...signature("by", member),
      body: { taxon: held.taxon, plantId: held.plantId, how, source, note },
    });
  });
}

export interface FindingLine {
  id: string;
  number: number;
  day: string;
  siteId: string;
  siteName: string;
  patchId: string | null;
  taxon: string | null;
  name: string;
  verdict: string;
  because: string;
  overruled: boolean;
  reportFirst: boolean;
  settleFrom: string | null;
  place: [number, number];
  madeBy: string;
  /** entered from older notes: its day lies before the district was made here */
  enteredLater: boolean;
  stage: Stage | null;
}

/** Findings, newest first. The database leaves out those at protected places for who may not see them. */
export async function findingLines(
  tx: Transaction,
  where?: ReturnType<typeof and>,
  most = 200,
): Promise<FindingLine[]> {
  const rows = await tx
    .select({
      f: finding,
      siteName: site.name,
      lng: sql<number>`ST_X(${finding.place})`,
      lat: sql<number>`ST_Y(${finding.place})`,
    })
    .from(finding)
    .innerJoin(site, eq(site.id, finding.siteId))
    .where(where)
    .orderBy(desc(finding.day), desc(finding.number))
    .limit(most);
  const plants = await plantsHere(tx);
  return rows.map(({ f, siteName, lng, lat }) => ({
    id: f.id,
    number: f.number,
    day: f.day,
    siteId: f.siteId,
    siteName,
    patchId: f.patchId,
    taxon: f.taxon && plants.nameNow(f),
    name: f.taxon ? plants.common(plants.nameNow(f)) : "Not named",
    verdict: f.verdict,
    because: f.because,
    overruled: f.overruled,
    reportFirst: f.reportFirst,
    settleFrom: f.settleFrom,
    place: [lng, lat],
    madeBy: f.madeBy,
    enteredLater: f.enteredLater,
    stage: f.stage,
  }));
}

/** The events of one kind, oldest first, their bodies read by the contract of that kind. */
function eventsOf<S extends z.ZodType>(events: (typeof findingEvent.$inferSelect)[], kind: string, schema: S) {
  return events
    .filter((e) => e.kind === kind)
    .map((e) => ({ ...e, body: readStored(`finding_event.body (${kind})`, schema, e.body) }));
}

/** One finding with its events and pictures. */
export async function findingDetail(member: Member, id: string) {
  if (!z.uuid().safeParse(id).success) throw notFound("The finding");
  return asMember(member, async (tx) => {
    const [line] = await findingLines(tx, eq(finding.id, id), 1);
    if (!line) throw notFound("The finding");
    const events = await tx.select().from(findingEvent).where(eq(findingEvent.findingId, id)).orderBy(findingEvent.at);
    const pictures = await tx
      .select({ id: picture.id, simulated: picture.simulated, by: picture.by, takenAt: picture.takenAt })
      .from(picture)
      .where(eq(picture.findingId, id));
    const marks = await marksOf(
      tx,
      pictures.map((p) => p.id),
    );
    const { note, zone } = firstOf(
      await tx
        .select({ note: finding.note, zone: site.zone })
        .from(finding)
        .innerJoin(site, eq(site.id, finding.siteId))
        .where(eq(finding.id, id)),
    );
    return {
      line,
      seen: eventsOf(events, "observations", FINDING_EVENTS.observations),
      verdicts: eventsOf(events, "verdict", FINDING_EVENTS.verdict),
      overrulings: eventsOf(events, "overruling", FINDING_EVENTS.overruling),
      reports: await reportsOf(tx, id),
      confirmations: eventsOf(events, "confirmation", FINDING_EVENTS.confirmation),
      pictures: pictures.map((p) => ({ ...p, marks: marks.get(p.id) ?? null })),
      note,
      today: todayIn(zone),
    };
  });
}
