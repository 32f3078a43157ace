import { firstOf } from "@/core/items";
import { and, asc, eq, inArray, isNull, ne, sql } from "drizzle-orm";
import { overrulingRecordSchema, verdictRecordSchema } from "@/contracts/finding";
import { siteRulesSchema } from "@/contracts/stored";
import {
  type Act,
  type FoundOnPatch,
  type GateCase,
  type GateReason,
  mayAct,
  type ReportStanding,
} from "@/core/control";
import { type Status, STATUSES } from "@/core/flora";
import type { NamedVerdict } from "@/core/identify";
import { ROLES } from "@/core/roles";
import { type Change, dayIn, stateAt } from "@/core/time";
import type { Transaction } from "@/db/client";
import { change, district, finding, findingEvent, followUp, listEntry, patch, report, site } from "@/db/schema";
import { readStored } from "@/db/schema/json";
import { plantsHere } from "../flora/amendments";
import { practiceMissing } from "../drill/requirement";
import { methodsHere } from "../flora/own-methods";
import type { Plants } from "../flora/plants";
import { notFound } from "../platform/faults";
import { z } from "zod";

/** What is asked of the gate: an act on a finding, at a moment, by a person, with a method. */
export interface Asked {
  act: Act;
  findingId: string;
  /** instant of the act: the state of then decides */
  moment: string;
  method: string;
  personId: string;
  /** the patch of the work, where that is not the finding's */
  patchId?: string;
  /** the engine's word of now, where it was asked again; else the verdict that stood at that moment */
  recomputed?: NamedVerdict;
}

/** Whether something may be done about a finding: all reasons against it, none where it may. */
export const askGate = (tx: Transaction, { moment, ...asked }: Asked): Promise<GateReason[]> =>
  gateAt(tx, moment)(asked);

/** The gate at one moment, for many questions in one transaction: what they share is read once. */
export function gateAt(tx: Transaction, moment: string): (asked: Omit<Asked, "moment">) => Promise<GateReason[]> {
  const known = new Map<string, Promise<unknown>>();
  const once: Once = (key, read) => {
    const before = known.get(key) as ReturnType<typeof read> | undefined;
    const value = before ?? read();
    known.set(key, value);
    return value;
  };
  return async (asked) => mayAct(await gateCase(tx, { ...asked, moment }, once));
}

/** What is read the first time that it is asked for, and remembered under its key. */
type Once = <T>(key: string, read: () => Promise<T>) => Promise<T>;

async function gateCase(tx: Transaction, asked: Asked, once: Once): Promise<GateCase> {
  const [row] = await tx
    .select({ f: finding, s: site, withdrawnAt: patch.withdrawnAt })
    .from(finding)
    .innerJoin(site, eq(site.id, finding.siteId))
    .leftJoin(patch, asked.patchId ? eq(patch.id, asked.patchId) : eq(patch.id, finding.patchId))
    .where(eq(finding.id, asked.findingId));
  if (!row) throw notFound("The finding");
  const patchId = asked.patchId ?? row.f.patchId;
  const here = await once("district", async () =>
    firstOf(await tx.select({ hemisphere: district.hemisphere, settings: district.settings }).from(district)),
  );
  const plants = await once("plants", () => plantsHere(tx));
  const method = (await once("methods", () => methodsHere(tx)))(asked.method);
  const found = await foundAt(tx, plants, row.f, asked.moment);
  const judged = asked.recomputed && !found.overruled ? { ...found, ...asked.recomputed } : found;
  const plantId = judged.taxon ? plants.idOf(judged.taxon) : null;
  const list: Listed = plantId
    ? await once(`list ${plantId} ${row.s.id}`, () => listAt(tx, plantId, row.s.id, asked.moment))
    : { status: null, reportFirst: false };
  return {
    act: asked.act,
    day: dayIn(row.s.zone, new Date(asked.moment)),
    hemisphere: here.hemisphere,
    finding: judged,
    status: list.status,
    report: list.reportFirst ? await reportAt(tx, row.f.id, asked.moment) : "not-needed",
    later: patchId ? await laterOn(tx, plants, patchId, row.f.id, asked.moment) : [],
    seasons: here.settings.findingSeasons,
    foundAgain: patchId ? await foundAgainOn(tx, patchId) : [],
    practice: await practiceMissing(
      tx,
      { id: row.f.id, plantId, finderId: row.f.madeById, createdAt: row.f.createdAt },
      asked.moment,
    ),
    patchWithdrawn: row.withdrawnAt !== null && row.withdrawnAt.getTime() <= Date.parse(asked.moment),
    method: { name: method?.name ?? asked.method, kind: method?.kind ?? "hand" },
    rules: await once(`rules ${row.s.id}`, () => rulesAt(tx, row.s.id, row.s.rules, asked.moment)),
    person: await once(`person ${asked.personId}`, () => personAt(tx, asked.personId, asked.moment)),
  };
}

type FindingRow = typeof finding.$inferSelect;

/** How a finding stood at a moment: by its events up to then, or the first of them where all came later. */
async function foundAt(tx: Transaction, plants: Plants, row: FindingRow, moment: string): Promise<FoundOnPatch> {
  const events = await tx
    .select({ kind: findingEvent.kind, at: findingEvent.at, body: findingEvent.body })
    .from(findingEvent)
    .where(and(eq(findingEvent.findingId, row.id), inArray(findingEvent.kind, ["verdict", "overruling"])))
    .orderBy(asc(findingEvent.at), asc(findingEvent.id));
  const until = Date.parse(moment);
  const verdicts = events.filter((e) => e.kind === "verdict");
  const verdict = verdicts.filter((e) => e.at.getTime() <= until).at(-1) ?? verdicts[0];
  const overruling = events.filter((e) => e.kind === "overruling" && e.at.getTime() <= until).at(-1);
  const base = { number: row.number, day: row.day };
  const nameNow = (taxon: string) => plants.nameNow({ plantId: plants.idOf(taxon), taxon });
  if (overruling) {
    const { taxon } = readStored("finding_event.body (overruling)", overrulingRecordSchema, overruling.body);
    return { ...base, verdict: row.verdict, taxon: nameNow(taxon), overruled: true };
  }
  if (!verdict) return { ...base, verdict: row.verdict, taxon: row.taxon && plants.nameNow(row), overruled: false };
  const { identification: told } = readStored("finding_event.body (verdict)", verdictRecordSchema, verdict.body);
  return { ...base, verdict: told.verdict, taxon: told.about && nameNow(told.about), overruled: false };
}

/** Findings on the patch besides this one, as they stood at a moment. */
async function laterOn(
  tx: Transaction,
  plants: Plants,
  patchId: string,
  findingId: string,
  moment: string,
): Promise<FoundOnPatch[]> {
  const rows = await tx
    .select()
    .from(finding)
    .where(and(eq(finding.patchId, patchId), ne(finding.id, findingId)));
  const found: FoundOnPatch[] = [];
  for (const row of rows) found.push(await foundAt(tx, plants, row, moment));
  return found;
}

/** Days on which a check found plants still standing on the patch. */
async function foundAgainOn(tx: Transaction, patchId: string): Promise<string[]> {
  const rows = await tx
    .select({ doneOn: followUp.doneOn, result: followUp.result })
    .from(followUp)
    .where(and(eq(followUp.patchId, patchId), isNull(followUp.droppedAt)));
  return rows.flatMap(({ doneOn, result }) =>
    doneOn && (result?.seen === "some" || result?.seen === "many") ? [doneOn] : [],
  );
}

interface HistoryRow {
  at: string;
  before: unknown;
  after: unknown;
}

/** The changes of rows of a table, oldest first, as far as they are of one thing. */
async function changesOf(tx: Transaction, what: string, of: ReturnType<typeof sql>): Promise<HistoryRow[]> {
  const rows = await tx
    .select({ at: change.at, before: change.before, after: change.after })
    .from(change)
    .where(and(eq(change.what, what), of))
    .orderBy(asc(change.at), asc(change.id));
  return rows.map(({ at, before, after }) => ({ at: at.toISOString(), before, after }));
}

const lineSchema = z.object({
  status: z.enum(STATUSES),
  site_id: z.string().nullable(),
  report_first: z.boolean().default(false),
});
type ListedLine = z.output<typeof lineSchema>;
const lineOf = (state: unknown): ListedLine | null =>
  state === null || state === undefined ? null : readStored("change (list_entry)", lineSchema, state);

/** What the district and a site say of a plant, each in its own line. */
interface Lines {
  own: ListedLine | null;
  all: ListedLine | null;
}
/** What a plant is on a site. */
export interface Listed {
  status: Status | null;
  reportFirst: boolean;
}
/** A site's own line goes before the district's; that a plant is reported first no line of a site takes away. Watch always is. */
const listedBy = ({ own, all }: Lines): Listed | null => {
  const line = own ?? all;
  return (
    line && {
      status: line.status,
      reportFirst: [own, all].some((one) => one !== null && (one.report_first || one.status === "watch")),
    }
  );
};

/** What a plant was on a site's list at a moment; before it was ever listed, what it was listed as first. */
export async function listAt(tx: Transaction, plantId: string, siteId: string, moment: string): Promise<Listed> {
  const now = (await tx.select().from(listEntry).where(eq(listEntry.plantId, plantId))).map((entry) => ({
    status: entry.status,
    site_id: entry.siteId,
    report_first: entry.reportFirst,
  }));
  const history = (
    await changesOf(
      tx,
      "list_entry",
      sql`coalesce(${change.after}, ${change.before}) ->> 'plant_id' = ${plantId} AND coalesce(coalesce(${change.after}, ${change.before}) ->> 'site_id', ${siteId}) = ${siteId}`,
    )
  ).map(({ at, before, after }) => ({ at, before: lineOf(before), after: lineOf(after) }));
  const isOf = (place: string | null) => (row: (typeof history)[number]) =>
    (row.after ?? row.before)?.site_id === place;
  /** A line of which no change was kept is as it always was. */
  const first = (place: string | null) => {
    const rows = history.filter(isOf(place));
    return rows.length > 0 ? (rows[0]?.before ?? null) : (now.find((line) => line.site_id === place) ?? null);
  };
  const lines: Lines = { own: first(siteId), all: first(null) };
  let before = listedBy(lines);
  const changes = history.map((row): Change<Listed> => {
    if (isOf(siteId)(row)) lines.own = row.after;
    else lines.all = row.after;
    const step = { at: row.at, before, after: listedBy(lines) };
    before = step.after;
    return step;
  });
  return stateAt(changes, moment, before) ?? { status: null, reportFirst: false };
}

async function reportAt(tx: Transaction, findingId: string, moment: string): Promise<ReportStanding> {
  const reports = await tx
    .select({ state: report.state, settledAt: report.settledAt, createdAt: report.createdAt })
    .from(report)
    .where(eq(report.findingId, findingId));
  const until = Date.parse(moment);
  const settled = reports.find((one) => one.settledAt !== null && one.settledAt.getTime() <= until);
  if (settled) return settled.state === "waived" ? "waived" : "acknowledged";
  return reports.some((one) => one.state !== "refused" && one.createdAt.getTime() <= until) ? "waiting" : "none";
}

async function rulesAt(
  tx: Transaction,
  siteId: string,
  now: z.output<typeof siteRulesSchema>,
  moment: string,
): Promise<z.output<typeof siteRulesSchema>> {
  const history = await changesOf(tx, "site", sql`${change.rowId} = ${siteId}`);
  const state = z.object({ rules: siteRulesSchema }).safeParse(stateAt<unknown>(history, moment, { rules: now }));
  return state.success ? state.data.rules : now;
}

const personSchema = z.object({
  name: z.string(),
  roles: z.array(z.enum(ROLES)),
  licence: z.string().nullable(),
  licence_expires: z.string().nullable(),
  ended: z.boolean(),
});

/** A person as the register had them at a moment; null where the person did not belong to the district then. */
export async function personAt(tx: Transaction, personId: string, moment: string): Promise<GateCase["person"]> {
  const { rows } = await tx.execute<{ person: unknown }>(
    sql`SELECT to_jsonb(m) AS person FROM membership_at(${personId}, ${moment}::timestamptz) m`,
  );
  if (!rows[0]) return null;
  const person = readStored("membership_at", personSchema, rows[0].person);
  if (person.ended) return null;
  return {
    name: person.name,
    roles: person.roles,
    licence: person.licence,
    licenceExpires: person.licence_expires,
  };
}
