import { and, eq, gte, isNull } from "drizzle-orm";
import { addDays } from "@/core/time";
import { followUp, patch } from "@/db/schema";
import { type PlanLine, planLines } from "../control/plan-lines";
import { asMember, type Member } from "../platform/session";
import { todayIn } from "../platform/clock";
import { districtZone } from "../ground/district";

export const GROUPS = { patch: "By patch", person: "By person", method: "By method" } as const;
export type Group = keyof typeof GROUPS;

export interface CalendarRow {
  line: PlanLine;
  /** days of visits that are due on its patch; told once for each patch */
  visits: string[];
}

export interface CalendarView {
  today: string;
  from: string;
  to: string;
  groups: { name: string; href: string | null; rows: CalendarRow[] }[];
}

/** The calendar begins so long ago, and ends so far ahead. */
const BACK_DAYS = 45;
const AHEAD_DAYS = 320;

/** Windows, days of work and visits of the season, in groups. */
export async function calendarView(member: Member, group: Group): Promise<CalendarView> {
  const { today, due } = await asMember(member, async (tx) => {
    const day = todayIn(await districtZone(tx));
    const rows = await tx
      .select({ patchId: followUp.patchId, dueOn: followUp.dueOn })
      .from(followUp)
      .innerJoin(patch, eq(patch.id, followUp.patchId))
      .where(and(isNull(followUp.doneOn), isNull(followUp.droppedAt), gte(followUp.dueOn, addDays(day, -BACK_DAYS))));
    return { today: day, due: rows };
  });
  const from = addDays(today, -BACK_DAYS);
  const lines = (await planLines(member)).filter(({ plan }) => plan.state !== "dropped" && plan.windowTo >= from);
  const groups = new Map<string, CalendarView["groups"][number]>();
  const told = new Set<string>();
  for (const line of lines) {
    const { key, name, href } = groupOf(line, group);
    const visits = told.has(line.plan.patchId) ? [] : due.filter(({ patchId }) => patchId === line.plan.patchId);
    told.add(line.plan.patchId);
    const held = groups.get(key) ?? { name, href, rows: [] };
    held.rows.push({ line, visits: visits.map(({ dueOn }) => dueOn) });
    groups.set(key, held);
  }
  const named = [...groups.values()].sort((a, b) => a.name.localeCompare(b.name));
  return { today, from, to: addDays(today, AHEAD_DAYS), groups: named };
}

function groupOf(line: PlanLine, group: Group): { key: string; name: string; href: string | null } {
  const { plan } = line;
  if (group === "person") return { key: plan.personId, name: line.person, href: null };
  if (group === "method") return { key: plan.method, name: line.method, href: `/season/methods/${plan.method}` };
  return { key: plan.patchId, name: `${line.patch}, ${line.site}`, href: `/ground/patch/${plan.patchId}` };
}
