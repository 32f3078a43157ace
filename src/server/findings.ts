import { and, desc, eq, isNotNull, sql } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { type Case, caseSchema, observationSchema, STAGES } from "@/core/identify";
import type { Transaction } from "@/db/client";
import { district, finding, findingEvent, patch, picture, site } from "@/db/schema";
import { todayIn } from "./clock";
import { Refusal, notFound } from "./faults";
import { ENGINE_VERSION } from "./flora";
import { districtModel } from "./amendments";
import { judgeFinding, type VerdictRecord } from "./judge-finding";
import { listFor } from "./list";
import { marksOf } from "./pictures";
import { plantsHere, plantsOf } from "./plants";
import { asMember, type Member, seesProtected } from "./session";

const pointSchema = z.object({ longitude: z.number().min(-180).max(180), latitude: z.number().min(-90).max(90) });

/** What the field sends. A verdict is not among it: the server works it out again. */
export const findingInputSchema = z.object({
  id: z.uuid(),
  siteId: z.uuid(),
  patchId: z.uuid().nullable().default(null),
  place: pointSchema,
  day: z.iso.date(),
  stage: z.enum(STAGES).nullable(),
  kit: caseSchema.shape.kit,
  observations: z.array(observationSchema).min(1, "look at something first").max(200),
  note: z.string().max(4000).default(""),
});
export type FindingInput = z.input<typeof findingInputSchema>;

type Looked = Pick<Case, "id" | "day" | "stage" | "kit" | "observations">;

/** Cases as this district and its sites see them: their lists, costs and what was confirmed here before, each read once. */
export async function caseMaker(
  tx: Transaction,
): Promise<(siteId: string, given: Looked) => Promise<{ case: Case; listVersion: string }>> {
  const [here] = await tx.select().from(district);
  const plants = await plantsHere(tx);
  const known = <T>(record: Record<string, T>) =>
    Object.fromEntries(Object.entries(record).filter(([name]) => plants.byName(name)));
  const confirmed = known(await confirmedCounts(tx));
  const places = new Map<string, { setting: Case["setting"]; list: Awaited<ReturnType<typeof listFor>> }>();
  return async (siteId, given) => {
    const at = places.get(siteId) ?? (await readPlace(tx, siteId));
    places.set(siteId, at);
    const { wrongClear, missedTarget, hold } = here.costs;
    return {
      case: {
        ...given,
        hemisphere: here.hemisphere,
        seasonShift: here.seasonShift,
        setting: at.setting,
        list: known(at.list.status),
        actions: known(at.list.actions),
        confirmed,
        costs: { wrongClear, missedTarget, hold },
      },
      listVersion: at.list.version,
    };
  };
}

async function readPlace(tx: Transaction, siteId: string) {
  const [place] = await tx.select({ setting: site.setting }).from(site).where(eq(site.id, siteId));
  if (!place) throw notFound("The site");
  return { setting: place.setting, list: await listFor(tx, siteId) };
}

async function confirmedCounts(tx: Transaction): Promise<Record<string, number>> {
  const rows = await tx
    .select({ taxon: finding.taxon, n: sql<number>`count(*)::int` })
    .from(finding)
    .where(and(isNotNull(finding.taxon), eq(finding.verdict, "clear")))
    .groupBy(finding.taxon);
  return Object.fromEntries(rows.map((r) => [r.taxon as string, r.n]));
}

/** The server's word on a finding that was sent. */
export interface SavedFinding {
  id: string;
  number: number;
  verdict: string;
  taxon: string | null;
  because: string;
  /** it was here before: the same id was sent again */
  again: boolean;
}

/**
 * Saves a finding, once: the same id sent twice is one finding. The verdict is computed here, from the observations.
 * @returns the finding's id, number and the server's verdict
 */
export async function saveFinding(member: Member, raw: unknown): Promise<SavedFinding> {
  const input = findingInputSchema.parse(raw);
  return asMember(member, (tx) => storeFinding(tx, member, input));
}

async function storeFinding(
  tx: Transaction,
  member: Member,
  input: z.output<typeof findingInputSchema>,
): Promise<SavedFinding> {
  await tx.execute(sql`SELECT pg_advisory_xact_lock(hashtext(${`finding ${member.districtId}`}))`);
  const [known] = await tx.select().from(finding).where(eq(finding.id, input.id));
  if (known)
    return {
      id: known.id,
      number: known.number,
      verdict: known.verdict,
      taxon: known.taxon,
      because: known.because,
      again: true,
    };
  if (input.patchId) {
    const [held] = await tx.select({ siteId: patch.siteId }).from(patch).where(eq(patch.id, input.patchId));
    if (!held) throw notFound("The patch");
    if (held.siteId !== input.siteId)
      throw new Refusal(400, "The patch lies on another site.", [
        { field: "patchId", what: "choose a patch of this site" },
      ]);
  }
  const given = await (await caseMaker(tx))(input.siteId, input);
  const judged = judgeFinding(await districtModel(tx), given.case);
  const [{ number }] = await tx
    .select({ number: sql<number>`coalesce(max(${finding.number}), 400)::int + 1` })
    .from(finding);
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
    madeBy: member.personName,
    ...judged.columns,
  });
  await addEvents(tx, member, input, {
    identification: judged.identification,
    versions: {
      flora: given.case.observations.length ? judged.identification.flora : "",
      list: given.listVersion,
      costs: given.case.costs,
      engine: ENGINE_VERSION,
    },
  });
  return {
    id: input.id,
    number,
    verdict: judged.columns.verdict,
    taxon: judged.columns.taxon,
    because: judged.columns.because,
    again: false,
  };
}

async function addEvents(
  tx: Transaction,
  member: Member,
  input: z.output<typeof findingInputSchema>,
  verdict: VerdictRecord,
): Promise<void> {
  const base = { districtId: member.districtId, findingId: input.id, by: member.personName };
  await tx.insert(findingEvent).values([
    {
      ...base,
      id: uuidv7(),
      kind: "observations" as const,
      body: { day: input.day, stage: input.stage, kit: input.kit, observations: input.observations },
    },
    { ...base, id: uuidv7(), kind: "verdict" as const, body: verdict },
  ]);
}

export const overrulingSchema = z.object({
  findingId: z.uuid(),
  taxon: z.string().min(1),
  reason: z.string().trim().min(20, "say why in at least 20 letters: it is shown ever after").max(2000),
});

/** A specialist overrules the engine in writing. The event stays for ever. */
export async function overrule(member: Member, raw: unknown): Promise<void> {
  const input = overrulingSchema.parse(raw);
  (await plantsOf(member)).mustHold(input.taxon);
  await asMember(member, async (tx) => {
    const [held] = await tx.select().from(finding).where(eq(finding.id, input.findingId));
    if (!held) throw notFound("The finding");
    await tx.insert(findingEvent).values({
      districtId: member.districtId,
      id: uuidv7(),
      findingId: held.id,
      kind: "overruling",
      by: member.personName,
      body: { taxon: input.taxon, reason: input.reason, from: { verdict: held.verdict, taxon: held.taxon } },
    });
    await tx.update(finding).set({ overruled: true, taxon: input.taxon }).where(eq(finding.id, held.id));
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
  place: [number, number] | null;
  madeBy: string;
  stage: string | null;
}

/** Findings, newest first. Exact places of protected plants are left out for those who may not see them. */
export async function findingLines(
  tx: Transaction,
  member: Member,
  where?: ReturnType<typeof and>,
  most = 200,
): Promise<FindingLine[]> {
  const rows = await tx
    .select({ f: finding, siteName: site.name, point: sql<string>`ST_AsGeoJSON(${finding.place}, 6)` })
    .from(finding)
    .innerJoin(site, eq(site.id, finding.siteId))
    .where(where)
    .orderBy(desc(finding.day), desc(finding.number))
    .limit(most);
  const plants = await plantsHere(tx);
  return rows.map(({ f, siteName, point }) => ({
    id: f.id,
    number: f.number,
    day: f.day,
    siteId: f.siteId,
    siteName,
    patchId: f.patchId,
    taxon: f.taxon,
    name: f.taxon ? plants.common(f.taxon) : "Not named",
    verdict: f.verdict,
    because: f.because,
    overruled: f.overruled,
    reportFirst: f.reportFirst,
    settleFrom: f.settleFrom,
    place: f.protected && !seesProtected(member) ? null : (JSON.parse(point).coordinates as [number, number]),
    madeBy: f.madeBy,
    stage: f.stage,
  }));
}

/** One finding with its events and pictures. */
export async function findingDetail(member: Member, id: string) {
  if (!z.uuid().safeParse(id).success) throw notFound("The finding");
  return asMember(member, async (tx) => {
    const [line] = await findingLines(tx, member, eq(finding.id, id), 1);
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
    const [{ note, zone }] = await tx
      .select({ note: finding.note, zone: site.zone })
      .from(finding)
      .innerJoin(site, eq(site.id, finding.siteId))
      .where(eq(finding.id, id));
    return {
      line,
      events,
      pictures: pictures.map((p) => ({ ...p, marks: marks.get(p.id) ?? null })),
      note,
      today: todayIn(zone),
    };
  });
}
