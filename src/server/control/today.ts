import { firstOf } from "@/core/items";
import { and, desc, eq, gt, inArray, isNull, lte, or, sql } from "drizzle-orm";
import type { Climate } from "@/core/flora";
import { addDays } from "@/core/time";
import type { Transaction } from "@/db/client";
import { district, finding, followUp, label, membership, patch, plan, report, site } from "@/db/schema";
import { findingsToConfirm } from "../drill/requirement";
import { findingLines } from "../findings/findings";
import { plantsHere } from "../flora/amendments";
import { methodNamesHere } from "../flora/own-methods";
import type { Plants } from "../flora/plants";
import { now, todayIn } from "../platform/clock";
import { asMember, type Member } from "../platform/session";
import { doneAgainstGate, licensesEnding, waitsInForce } from "../records/in-force";
import { gateAt } from "./gate";
import { listsByPlace } from "./list";
import { isOf, seedDays, titleOf } from "./plan-lines";

const SOON_DAYS = 45;
/** Checks recorded within so many days are shown as done, the latest few. */
const LATELY_DAYS = 7;
const LATELY_SHOWN = 4;
/** Each open plan is put to the gate; of more than so many the rest are asked when they are opened. */
const MOST_ASKED = 40;

/** Where a person stands, by whom things are put in order from near to far: longitude and latitude. */
export type Here = [number, number] | null;

/** What a person would do today, in the order of doing it, and only what that person may do. Their own work comes first. */
export async function todayFor(member: Member, at: Here = null) {
  const may = (...roles: string[]) => member.roles.some((role) => roles.includes(role));
  return asMember(member, async (tx) => {
    const here = firstOf(await tx.select().from(district));
    const today = todayIn(here.zone);
    const plants = await plantsHere(tx);
    const unplanned = await unplannedFindings(tx, today);
    const waiting = await reportsOpen(tx, plants);
    return {
      today,
      district: here.name,
      mayLook: may("scout", "specialist", "applicator"),
      mayRecord: may("applicator", "specialist"),
      mayPlan: may("specialist"),
      reports: unplanned.filter((f) => f.reportFirst && !waiting.some((r) => r.findingId === f.id)),
      reportsOpen: waiting,
      checks: nearFirst(await checksDue(tx, plants, today, at), (c) => (c.days < 0 ? 0 : 1)),
      looked: await lookedLately(tx, plants, today),
      windows: nearFirst(await windowsOf(tx, member, plants, today, here, at), (w) => (w.mine ? 0 : 1)),
      unplanned: unplanned.filter((f) => !f.reportFirst || waiting.every((r) => r.findingId !== f.id)),
      toConfirm: may("specialist") ? await waitingForConfirmation(tx, plants) : [],
      holds: await holdsOf(tx, today),
      waits: await waitsInForce(tx),
      againstGate: may("specialist", "keeper") ? await doneAgainstGate(tx) : [],
      licenses: await licensesEnding(tx, member, today),
    };
  });
}

const waitingForConfirmation = async (tx: Transaction, plants: Plants) =>
  (await findingsToConfirm(tx, now().toISOString())).map((f) => ({ ...f, plant: plants.common(plants.nameNow(f)) }));

const daysBetween = (today: string, day: string) => Math.round((Date.parse(day) - Date.parse(today)) / 86400e3);

/** Meters from a person to a patch, or null where the person did not say where. */
const metersTo = (at: Here) =>
  at === null
    ? sql<number | null>`NULL::float8`
    : sql<
        number | null
      >`ST_Distance(${patch.outline}::geography, ST_SetSRID(ST_MakePoint(${at[0]}::float8, ${at[1]}::float8), 4326)::geography)`;

/** In groups that stay in order, near before far; where nobody said where, as it was. */
function nearFirst<Row extends { meters: number | null }>(rows: Row[], group: (row: Row) => number): Row[] {
  return rows
    .map((row, i) => ({ row, i }))
    .sort((a, b) => group(a.row) - group(b.row) || (a.row.meters ?? 0) - (b.row.meters ?? 0) || a.i - b.i)
    .map(({ row }) => row);
}

/** Checks after treatments with their patch and site. */
const checksQuery = (tx: Transaction, at: Here = null) =>
  tx
    .select({
      f: followUp,
      patch: patch.name,
      taxon: patch.taxon,
      plantId: patch.plantId,
      site: site.name,
      meters: metersTo(at),
    })
    .from(followUp)
    .innerJoin(patch, eq(patch.id, followUp.patchId))
    .innerJoin(site, eq(site.id, patch.siteId));

async function checksDue(tx: Transaction, plants: Plants, today: string, at: Here) {
  const rows = await checksQuery(tx, at)
    .where(and(isNull(followUp.doneOn), isNull(followUp.droppedAt), lte(followUp.dueOn, addDays(today, SOON_DAYS))))
    .orderBy(followUp.dueOn);
  return rows.map(({ f, ...rest }) => ({
    id: f.id,
    patchId: f.patchId,
    dueOn: f.dueOn,
    what: f.what,
    days: daysBetween(today, f.dueOn),
    today,
    plant: plants.common(plants.nameNow(rest)),
    ...rest,
  }));
}

async function lookedLately(tx: Transaction, plants: Plants, today: string) {
  const rows = await checksQuery(tx)
    .where(gt(followUp.doneOn, sql`${today}::date - ${LATELY_DAYS}::int`))
    .orderBy(desc(followUp.doneOn))
    .limit(LATELY_SHOWN);
  return rows.map(({ f, ...rest }) => ({
    id: f.id,
    patchId: f.patchId,
    doneOn: f.doneOn as string,
    by: f.doneBy,
    note: f.result?.note ?? "",
    plant: plants.common(plants.nameNow(rest)),
    ...rest,
  }));
}

async function windowsOf(tx: Transaction, member: Member, plants: Plants, today: string, here: Climate, at: Here) {
  const rows = await tx
    .select({ p: plan, patch: patch.name, site: site.name, person: membership.name, meters: metersTo(at) })
    .from(plan)
    .innerJoin(patch, eq(patch.id, plan.patchId))
    .innerJoin(site, eq(site.id, patch.siteId))
    .innerJoin(membership, eq(membership.personId, plan.personId))
    .where(eq(plan.state, "planned"))
    .orderBy(plan.windowTo);
  const seedDay = seedDays(plants, today, here);
  const nameOf = await methodNamesHere(tx);
  const windows = [];
  const gate = gateAt(tx, now().toISOString());
  const replaced = new Set((await tx.select({ id: label.replaces }).from(label)).map(({ id }) => id));
  for (const [i, { p, ...rest }] of rows.entries())
    windows.push({
      id: p.id,
      findingId: p.findingId,
      patchId: p.patchId,
      ...titleOf(nameOf(p.method), plants.common(plants.nameNow(p)), p.followsPlan !== null),
      from: p.windowFrom,
      to: p.windowTo,
      intendedOn: p.intendedOn,
      open: p.windowFrom <= today && today <= p.windowTo,
      days: daysBetween(today, p.windowTo),
      // What is sown afterward hurries for no seed.
      lastBeforeSeed: p.followsPlan ? null : seedDay(plants.nameNow(p)),
      overruled: p.overruling !== null,
      mine: isOf(p, member.personId),
      missed: p.windowTo < today,
      labelChanged: p.labelId !== null && replaced.has(p.labelId),
      against: i < MOST_ASKED ? await againstNow(gate, p) : [],
      ...rest,
    });
  return windows;
}

/** What has closed the gate since the work was planned. */
const againstNow = async (
  gate: ReturnType<typeof gateAt>,
  { findingId, method, personId }: typeof plan.$inferSelect,
): Promise<string[]> => (await gate({ act: "record", findingId, method, personId })).map(({ what }) => what);

/** Findings that may be acted on, clear or overruled, whose plant is acted on there, and for which nothing is planned or was done. */
async function unplannedFindings(tx: Transaction, today: string) {
  const lines = await findingLines(
    tx,
    and(
      or(eq(finding.verdict, "clear"), eq(finding.overruled, true)),
      sql`NOT EXISTS (SELECT 1 FROM ${plan} WHERE ${plan.findingId} = ${finding.id} AND ${plan.state} <> 'dropped')`,
      sql`${finding.day} > ${today}::date - 120`,
    ),
    60,
  );
  const lists = await listsByPlace(tx);
  const acted = (line: (typeof lines)[number]) =>
    ["target", "watch"].includes(lists(line.siteId).status[line.taxon ?? ""] ?? "kept");
  return lines.filter(acted).slice(0, 30);
}

/** Reports that nobody has acknowledged yet: nothing may be done until then. */
async function reportsOpen(tx: Transaction, plants: Plants) {
  const rows = await tx
    .select({ r: report, number: finding.number, site: site.name })
    .from(report)
    .innerJoin(finding, eq(finding.id, report.findingId))
    .innerJoin(site, eq(site.id, finding.siteId))
    .where(inArray(report.state, ["waiting", "sent", "question", "refused"]))
    .orderBy(report.createdAt);
  // What was sent back and reported once more counts no more.
  const answered = await tx
    .select({ findingId: report.findingId })
    .from(report)
    .where(inArray(report.state, ["waiting", "sent", "question", "acknowledged", "waived"]));
  return rows
    .filter(({ r }) => r.state !== "refused" || answered.every((other) => other.findingId !== r.findingId))
    .map(({ r, number, site: siteName }) => ({
      id: r.id,
      findingId: r.findingId,
      number,
      site: siteName,
      state: r.state,
      plant: plants.common(plants.nameNow(r)),
      since: r.createdAt.toISOString(),
    }));
}

async function holdsOf(tx: Transaction, today: string) {
  const lines = await findingLines(
    tx,
    and(
      inArray(finding.verdict, ["hold", "open", "unknown"]),
      sql`${finding.day} > ${today}::date - 400`,
      // A later finding on the same patch took its place.
      sql`NOT EXISTS (SELECT 1 FROM finding l WHERE l.district_id = ${finding.districtId} AND l.patch_id = ${finding.patchId} AND (l.day, l.number) > (${finding.day}, ${finding.number}))`,
    ),
    60,
  );
  return lines
    .filter((f) => !f.overruled)
    .map((f) => ({ ...f, due: f.settleFrom !== null && f.settleFrom > f.day && f.settleFrom <= today }))
    .sort((a, b) => rank(a) - rank(b) || (a.settleFrom ?? "9").localeCompare(b.settleFrom ?? "9"));
}

/** A named plant that can be settled now comes first, then those with a day, then what is hardly begun. */
const rank = (f: { verdict: string; due: boolean }): number => (f.verdict === "open" ? 2 : 0) + (f.due ? 0 : 1);
export type TodayView = Awaited<ReturnType<typeof todayFor>>;
