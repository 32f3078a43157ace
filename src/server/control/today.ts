import { firstOf } from "@/core/items";
import { and, desc, eq, gt, inArray, isNull, lte, sql } from "drizzle-orm";
import { stageBegins, type Climate } from "@/core/flora";
import { addDays } from "@/core/time";
import { district, finding, followUp, membership, patch, plan, site } from "@/db/schema";
import { findingLines } from "../findings/findings";
import { plantsHere } from "../flora/amendments";
import { shippedMethods } from "../flora/flora";
import { todayIn } from "../platform/clock";
import { asMember, type Member } from "../platform/session";
import type { Transaction } from "@/db/client";
import type { Plants } from "../flora/plants";

const SOON_DAYS = 45;
/** Checks recorded within so many days are shown as done, the latest few. */
const LATELY_DAYS = 7;
const LATELY_SHOWN = 4;

/** What a person would do today, in the order of doing it: report, go back and look, work whose window is open, clear findings without a plan, holds. */
export async function todayFor(member: Member) {
  return asMember(member, async (tx) => {
    const here = firstOf(await tx.select().from(district));
    const today = todayIn(here.zone);
    const plants = await plantsHere(tx);
    const unplanned = await unplannedFindings(tx, member, today);
    return {
      today,
      district: here.name,
      reports: unplanned.filter((f) => f.reportFirst),
      checks: await checksDue(tx, plants, today),
      looked: await lookedLately(tx, plants, today),
      windows: await windowsOf(tx, plants, today, here),
      unplanned: unplanned.filter((f) => !f.reportFirst),
      holds: await holdsOf(tx, member, today),
    };
  });
}

const daysBetween = (today: string, day: string) => Math.round((Date.parse(day) - Date.parse(today)) / 86400e3);

/** Checks after treatments with their patch and site. */
const checksQuery = (tx: Transaction) =>
  tx
    .select({ f: followUp, patch: patch.name, taxon: patch.taxon, plantId: patch.plantId, site: site.name })
    .from(followUp)
    .innerJoin(patch, eq(patch.id, followUp.patchId))
    .innerJoin(site, eq(site.id, patch.siteId));

async function checksDue(tx: Transaction, plants: Plants, today: string) {
  const rows = await checksQuery(tx)
    .where(and(isNull(followUp.doneOn), lte(followUp.dueOn, addDays(today, SOON_DAYS))))
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

async function windowsOf(tx: Transaction, plants: Plants, today: string, here: Climate) {
  const rows = await tx
    .select({ p: plan, patch: patch.name, site: site.name, person: membership.name })
    .from(plan)
    .innerJoin(patch, eq(patch.id, plan.patchId))
    .innerJoin(site, eq(site.id, patch.siteId))
    .innerJoin(membership, eq(membership.personId, plan.personId))
    .where(eq(plan.state, "planned"))
    .orderBy(plan.windowTo);
  const seedDay = (name: string) => {
    const plant = plants.byName(name);
    return plant ? stageBegins(plant, "fruiting", today, here) : null;
  };
  const methodName = (id: string) => shippedMethods().find((m) => m.id === id)?.name ?? id;
  return rows.map(({ p, ...rest }) => ({
    id: p.id,
    findingId: p.findingId,
    patchId: p.patchId,
    method: methodName(p.method),
    plant: plants.common(plants.nameNow(p)),
    from: p.windowFrom,
    to: p.windowTo,
    intendedOn: p.intendedOn,
    open: p.windowFrom <= today && today <= p.windowTo,
    days: daysBetween(today, p.windowTo),
    seedFrom: seedDay(plants.nameNow(p)),
    overruled: p.overruling !== null,
    ...rest,
  }));
}

const unplannedFindings = (tx: Transaction, member: Member, today: string) =>
  findingLines(
    tx,
    member,
    and(
      eq(finding.verdict, "clear"),
      sql`NOT EXISTS (SELECT 1 FROM ${plan} WHERE ${plan.findingId} = ${finding.id})`,
      sql`${finding.day} > ${today}::date - 120`,
    ),
    30,
  );

async function holdsOf(tx: Transaction, member: Member, today: string) {
  const lines = await findingLines(
    tx,
    member,
    and(inArray(finding.verdict, ["hold", "open", "unknown"]), sql`${finding.day} > ${today}::date - 400`),
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
