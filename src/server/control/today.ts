import { and, desc, eq, gt, inArray, isNull, lte, sql } from "drizzle-orm";
import { stageBegins } from "@/core/flora";
import { addDays } from "@/core/time";
import { district, finding, followUp, membership, patch, plan, site } from "@/db/schema";
import { findingLines } from "../findings/findings";
import { plantsHere } from "../flora/amendments";
import { shippedMethods } from "../flora/flora";
import { todayIn } from "../platform/clock";
import { asMember, type Member } from "../platform/session";

const SOON_DAYS = 45;
/** Checks recorded within so many days are shown as done, the latest few. */
const LATELY_DAYS = 7;
const LATELY_SHOWN = 4;

/** What a person would do today, in the order of doing it: report, go back and look, work whose window is open, clear findings without a plan, holds. */
export async function todayFor(member: Member) {
  return asMember(member, async (tx) => {
    const [here] = await tx.select().from(district);
    const today = todayIn(here.zone);
    const soon = addDays(today, SOON_DAYS);
    const checks = await tx
      .select({ f: followUp, patch: patch.name, taxon: patch.taxon, plantId: patch.plantId, site: site.name })
      .from(followUp)
      .innerJoin(patch, eq(patch.id, followUp.patchId))
      .innerJoin(site, eq(site.id, patch.siteId))
      .where(and(isNull(followUp.doneOn), lte(followUp.dueOn, soon)))
      .orderBy(followUp.dueOn);
    const lately = await tx
      .select({ f: followUp, patch: patch.name, taxon: patch.taxon, plantId: patch.plantId, site: site.name })
      .from(followUp)
      .innerJoin(patch, eq(patch.id, followUp.patchId))
      .innerJoin(site, eq(site.id, patch.siteId))
      .where(gt(followUp.doneOn, sql`${today}::date - ${LATELY_DAYS}::int`))
      .orderBy(desc(followUp.doneOn))
      .limit(LATELY_SHOWN);
    const plans = await tx
      .select({ p: plan, patch: patch.name, site: site.name, person: membership.name })
      .from(plan)
      .innerJoin(patch, eq(patch.id, plan.patchId))
      .innerJoin(site, eq(site.id, patch.siteId))
      .innerJoin(membership, eq(membership.personId, plan.personId))
      .where(eq(plan.state, "planned"))
      .orderBy(plan.windowTo);
    const openVerdicts = await findingLines(
      tx,
      member,
      and(inArray(finding.verdict, ["hold", "open", "unknown"]), sql`${finding.day} > ${today}::date - 400`),
      60,
    );
    const unplanned = await findingLines(
      tx,
      member,
      and(
        eq(finding.verdict, "clear"),
        sql`NOT EXISTS (SELECT 1 FROM ${plan} WHERE ${plan.findingId} = ${finding.id})`,
        sql`${finding.day} > ${today}::date - 120`,
      ),
      30,
    );
    const plants = await plantsHere(tx);
    const seedDay = (name: string) => {
      const plant = plants.byName(name);
      return plant ? stageBegins(plant, "fruiting", today, here) : null;
    };
    const methodName = (id: string) => shippedMethods().find((m) => m.id === id)?.name ?? id;
    const daysTo = (day: string) => Math.round((Date.parse(day) - Date.parse(today)) / 86400e3);
    return {
      today,
      district: here.name,
      reports: unplanned.filter((f) => f.reportFirst),
      checks: checks.map(({ f, ...rest }) => ({
        id: f.id,
        patchId: f.patchId,
        dueOn: f.dueOn,
        what: f.what,
        days: daysTo(f.dueOn),
        today,
        plant: plants.common(plants.nameNow(rest)),
        ...rest,
      })),
      looked: lately.map(({ f, ...rest }) => ({
        id: f.id,
        patchId: f.patchId,
        doneOn: f.doneOn as string,
        by: f.doneBy,
        note: f.result?.note ?? "",
        plant: plants.common(plants.nameNow(rest)),
        ...rest,
      })),
      windows: plans.map(({ p, ...rest }) => ({
        id: p.id,
        findingId: p.findingId,
        patchId: p.patchId,
        method: methodName(p.method),
        plant: plants.common(plants.nameNow(p)),
        from: p.windowFrom,
        to: p.windowTo,
        intendedOn: p.intendedOn,
        open: p.windowFrom <= today && today <= p.windowTo,
        days: daysTo(p.windowTo),
        seedFrom: seedDay(plants.nameNow(p)),
        overruled: p.overruling !== null,
        ...rest,
      })),
      unplanned: unplanned.filter((f) => !f.reportFirst),
      holds: openVerdicts
        .filter((f) => !f.overruled)
        .map((f) => ({ ...f, due: f.settleFrom !== null && f.settleFrom > f.day && f.settleFrom <= today }))
        .sort((a, b) => rank(a) - rank(b) || (a.settleFrom ?? "9").localeCompare(b.settleFrom ?? "9")),
    };
  });
}

/** A named plant that can be settled now comes first, then those with a day, then what is hardly begun. */
const rank = (f: { verdict: string; due: boolean }): number => (f.verdict === "open" ? 2 : 0) + (f.due ? 0 : 1);
export type TodayView = Awaited<ReturnType<typeof todayFor>>;
