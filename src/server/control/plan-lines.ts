import { and, asc, eq, gte, inArray, or, sql } from "drizzle-orm";
import { z } from "zod";
import { type Climate, stageOn } from "@/core/flora";
import { firstOf } from "@/core/items";
import { lastDayBeforeSeed } from "@/core/control";
import { inOrder, type Order, type OrderedWork } from "@/core/season";
import type { LabelUse } from "@/core/records";
import { addDays, dayWords, seasonOf } from "@/core/time";
import type { Transaction } from "@/db/client";
import { change, crew, district, ledgerEntry, membership, patch, plan, site } from "@/db/schema";
import { plantsHere } from "../flora/amendments";
import { methodsHere } from "../flora/own-methods";
import type { Plants } from "../flora/plants";
import { todayIn } from "../platform/clock";
import { notFound } from "../platform/faults";
import { asMember, type Member } from "../platform/session";
import { type LabelChange, labelChange, labelOnUse } from "../records/labels";
import { groupsOn } from "../records/standing-entries";

export type PlanRow = typeof plan.$inferSelect;

/** A plan with its place, its people and the names of plant and method as they are now. */
export interface PlanLine {
  plan: PlanRow;
  method: string;
  /** the method uses a product */
  product: boolean;
  plant: string;
  /** method and plant in one line */
  title: string;
  patch: string;
  /** of the patch */
  areaM2: number;
  site: string;
  siteId: string;
  person: string;
  helpers: string[];
  crew: string | null;
  mine: boolean;
  /** last good day before seed, or null */
  lastBeforeSeed: string | null;
}

/** Plans that were over so long ago are in the ledger, and no longer in the season. */
const KEPT_DAYS = 400;
const MOST_LINES = 2000;

export async function readLines(tx: Transaction, member: Member, where: ReturnType<typeof and>): Promise<PlanLine[]> {
  const rows = await tx
    .select({
      plan,
      patch: patch.name,
      areaM2: patch.areaM2,
      site: site.name,
      siteId: site.id,
      person: membership.name,
      crew: crew.name,
    })
    .from(plan)
    .innerJoin(patch, eq(patch.id, plan.patchId))
    .innerJoin(site, eq(site.id, patch.siteId))
    .innerJoin(membership, eq(membership.personId, plan.personId))
    .leftJoin(crew, eq(crew.id, plan.crewId))
    .where(where)
    .orderBy(plan.intendedOn, plan.id)
    .limit(MOST_LINES);
  const names = await namesOf(tx);
  const plants = await plantsHere(tx);
  const methods = await methodsHere(tx);
  const here = firstOf(await tx.select().from(district));
  const seedDay = seedDays(plants, todayIn(here.zone), here);
  return rows.map((row) => ({
    ...row,
    ...titleOf(
      methods(row.plan.method)?.name ?? row.plan.method,
      plants.common(plants.nameNow(row.plan)),
      row.plan.followsPlan !== null,
    ),
    helpers: row.plan.helperIds.map((id) => names.get(id) ?? "a person who left"),
    product: methods(row.plan.method)?.kind === "product",
    mine: isOf(row.plan, member.personId),
    // What is sown afterward hurries for no seed.
    lastBeforeSeed: row.plan.followsPlan ? null : seedDay(plants.nameNow(row.plan)),
  }));
}

export const titleOf = (method: string, plant: string, isAfter: boolean) => ({
  method,
  plant,
  title: isAfter ? `${method}, after ${plant}` : `${method}: ${plant}`,
});

/** Whether a person does the work or is responsible for it. */
export const isOf = ({ personId, helperIds }: PlanRow, who: string): boolean =>
  personId === who || helperIds.includes(who);

async function namesOf(tx: Transaction): Promise<Map<string, string>> {
  const rows = await tx.select({ id: membership.personId, name: membership.name }).from(membership);
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/** A plant's last good day before seed, asked once for each plant. */
export function seedDays(plants: Plants, today: string, here: Climate): (taxon: string) => string | null {
  const known = new Map<string, string | null>();
  return (name) => {
    if (!known.has(name)) {
      const taxon = plants.byName(name);
      known.set(name, taxon ? lastDayBeforeSeed(taxon, today, here) : null);
    }
    return known.get(name) ?? null;
  };
}

/** Plans in the order of the days they are meant for; those that are over, of the last year. */
export const planLines = (member: Member): Promise<PlanLine[]> =>
  asMember(member, async (tx) => {
    const { zone } = firstOf(await tx.select({ zone: district.zone }).from(district));
    const since = addDays(todayIn(zone), -KEPT_DAYS);
    return readLines(tx, member, or(eq(plan.state, "planned"), gte(plan.intendedOn, since)));
  });

/** Why each line stands where an order puts it, in that order. */
export async function orderedLines(
  member: Member,
  lines: PlanLine[],
  order: Order,
  from: [number, number] | null = null,
): Promise<{ line: PlanLine; why: string }[]> {
  if (lines.length === 0) return [];
  const { work, wind } = await asMember(member, async (tx) => {
    const here = firstOf(await tx.select().from(district));
    const month = Number(todayIn(here.zone).slice(5, 7)) - 1;
    return { work: await orderedWork(tx, lines, here), wind: here.settings.winds[month] ?? null };
  });
  const byId = new Map(lines.map((line) => [line.plan.id, line]));
  return inOrder(order, work, { wind, from }).flatMap(({ id, why }) => {
    const line = byId.get(id);
    return line ? [{ line, why }] : [];
  });
}

/** A stream is at a patch when it runs this near to it. */
const AT_STREAM_M = 30;

async function orderedWork(tx: Transaction, lines: PlanLine[], here: Climate): Promise<OrderedWork[]> {
  const ids = [...new Set(lines.map(({ plan: p }) => p.patchId))];
  const rows = await tx
    .select({
      id: patch.id,
      areaM2: patch.areaM2,
      longitude: sql<number>`ST_X(ST_Centroid(${patch.outline}))`,
      latitude: sql<number>`ST_Y(ST_Centroid(${patch.outline}))`,
      flow: sql<{ name: string; meters: number } | null>`(
        SELECT jsonb_build_object('name', f.name, 'meters', ST_LineLocatePoint(f.shape, ST_Centroid(${patch.outline})) * ST_Length(f.shape::geography))
        FROM feature f WHERE f.flows AND GeometryType(f.shape) = 'LINESTRING' AND ST_DWithin(f.shape::geography, ${patch.outline}::geography, ${AT_STREAM_M})
        ORDER BY ST_Distance(f.shape, ${patch.outline}) LIMIT 1)`,
    })
    .from(patch)
    .where(inArray(patch.id, ids));
  const at = new Map(rows.map((row) => [row.id, row]));
  const plants = await plantsHere(tx);
  return lines.flatMap(({ plan: p, lastBeforeSeed }) => {
    const place = at.get(p.patchId);
    const taxon = plants.byName(plants.nameNow(p));
    if (!place) return [];
    return [
      {
        ...{ id: p.id, taxon: plants.nameNow(p), patchId: p.patchId, areaM2: place.areaM2, intendedOn: p.intendedOn },
        center: [place.longitude, place.latitude] as [number, number],
        lastBeforeSeed,
        inSeed: taxon ? stageOn(taxon, p.intendedOn, here) === "fruiting" : false,
        alongStreamM: place.flow?.meters ?? null,
        stream: place.flow?.name ?? null,
      },
    ];
  });
}

export interface PlanDetail extends PlanLine {
  today: string;
  /** what the label in force says otherwise than the one it was planned with */
  labelChange: LabelChange | null;
  /** what that label says against this place, and what has to be asked */
  labelSays: { against: string[]; ask: string[] };
  /** the record that closed it, and those of its parts */
  entries: { id: string; seq: number; kind: string }[];
  /** what is sown afterward, and what this follows */
  followedByPlan: { id: string; intendedOn: string; state: string } | null;
  history: { at: string; by: string; what: string }[];
}

/** One plan with its records and its history. @throws {Refusal} 404 */
export async function planDetail(member: Member, id: string): Promise<PlanDetail> {
  if (!z.uuid().safeParse(id).success) throw notFound("The plan");
  return asMember(member, async (tx) => {
    const [line] = await readLines(tx, member, eq(plan.id, id));
    if (!line) throw notFound("The plan");
    const here = firstOf(await tx.select().from(district));
    const entries = await tx
      .select({ id: ledgerEntry.id, seq: ledgerEntry.seq, kind: ledgerEntry.kind })
      .from(ledgerEntry)
      .where(eq(ledgerEntry.planId, id))
      .orderBy(ledgerEntry.seq);
    const [after] = await tx
      .select({ id: plan.id, intendedOn: plan.intendedOn, state: plan.state })
      .from(plan)
      .where(eq(plan.followsPlan, id));
    const changed =
      line.plan.state === "planned" && line.plan.labelId ? await labelChange(tx, line.plan.labelId) : null;
    return {
      ...line,
      labelChange: changed,
      labelSays: await labelOnUse(
        tx,
        line.plan.state === "planned" ? line.plan.labelId : null,
        (await usesOf(tx, [line], here.hemisphere))(line),
      ),
      today: todayIn(here.zone),
      entries,
      followedByPlan: after ?? null,
      history: await historyOf(tx, id),
    };
  });
}

/** Where and on what plans mean to use a product, with what was used on their patches before. */
export async function usesOf(
  tx: Transaction,
  lines: PlanLine[],
  hemisphere: "north" | "south",
): Promise<(line: PlanLine) => Required<Omit<LabelUse, "stage">>> {
  const used = await groupsOn(tx, [...new Set(lines.map((line) => line.plan.patchId))], hemisphere);
  return ({ plan: p, siteId, site: siteName, plant }) => ({
    ...{ siteId, siteName, plant, plantId: p.plantId ?? p.taxon },
    before: { used: used(p.patchId), season: seasonOf(p.intendedOn, hemisphere) },
  });
}

type Row = Record<string, unknown>;
const daysIn = (row: Row): string =>
  ((row.on_days as string[] | undefined) ?? [row.intended_on as string]).map(dayWords).join(", ");

/** History of a plan, oldest first, from the trail of changes. */
async function historyOf(tx: Transaction, id: string): Promise<PlanDetail["history"]> {
  const names = await namesOf(tx);
  const rows = await tx
    .select()
    .from(change)
    .where(and(eq(change.what, "plan"), eq(change.rowId, id)))
    .orderBy(asc(change.at), asc(change.id));
  return rows.flatMap((row) => {
    const what = changeInWords(row.before as Row | null, row.after as Row | null, names);
    return what ? [{ at: row.at.toISOString(), by: row.personName ?? "the program", what }] : [];
  });
}

function changeInWords(before: Row | null, after: Row | null, names: Map<string, string>): string {
  if (!after) return "";
  const people = (row: Row) =>
    [row.person_id as string, ...((row.helper_ids as string[] | undefined) ?? [])]
      .map((who) => names.get(who) ?? "a person who left")
      .join(", ");
  if (!before) return `Planned for ${daysIn(after)}, ${people(after)}.`;
  const said = [
    daysIn(before) === daysIn(after) ? "" : `Moved from ${daysIn(before)} to ${daysIn(after)}.`,
    people(before) === people(after) ? "" : `Handed from ${people(before)} to ${people(after)}.`,
    before.label_id === after.label_id ? "" : "Checked against the label in force.",
    before.done_share === after.done_share || after.state === "done"
      ? ""
      : `${Math.round(Number(after.done_share) * 100)}% done.`,
    before.state === after.state ? "" : STATE_WORDS[after.state as PlanRow["state"]](after),
  ];
  return said.filter(Boolean).join(" ");
}

const STATE_WORDS: Record<PlanRow["state"], (row: Row) => string> = {
  planned: () => "Open again: its record was voided.",
  done: () => "Done and recorded.",
  dropped: (row) => `Dropped: “${row.dropped_why}”`,
};
