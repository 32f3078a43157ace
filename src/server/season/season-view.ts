import { isNull } from "drizzle-orm";
import { firstOf } from "@/core/items";
import { hoursOfWeek, weekOf } from "@/core/season";
import { addDays } from "@/core/time";
import { district, membership } from "@/db/schema";
import { type PlanLine, planLines } from "../control/plan-lines";
import { todayIn } from "../platform/clock";
import { asMember, type Member } from "../platform/session";

export interface WeekHours {
  person: string;
  hours: number;
  /** hours that the person has; null where nobody has said */
  has: number | null;
}

export interface SeasonView {
  today: string;
  /** Monday of the week that is shown, and its Sunday */
  monday: string;
  sunday: string;
  lines: PlanLine[];
  /** work of the week: meant for one of its days, its window closes in it, or its window was missed */
  week: PlanLine[];
  hours: WeekHours[];
}

/** The season as its pages show it. @param monday ISO day in the week that is wanted; the week of today where it is none */
export async function seasonView(member: Member, wanted?: string): Promise<SeasonView> {
  const lines = await planLines(member);
  const { zone, people } = await asMember(member, async (tx) => ({
    zone: firstOf(await tx.select({ zone: district.zone }).from(district)).zone,
    people: await tx
      .select({ id: membership.personId, name: membership.name, has: membership.weekHours })
      .from(membership)
      .where(isNull(membership.endedAt))
      .orderBy(membership.name),
  }));
  const today = todayIn(zone);
  const monday = weekOf(
    wanted && /^\d{4}-\d{2}-\d{2}$/.test(wanted) && !Number.isNaN(Date.parse(wanted)) ? wanted : today,
  );
  const planned = lines.filter(({ plan }) => plan.state === "planned");
  const hours = hoursOfWeek(planned.map(hoursIn), monday);
  return {
    ...{ today, monday, sunday: addDays(monday, 6), lines },
    week: planned.filter((line) => isOfWeek(line, monday, today)),
    hours: people.flatMap(({ id, name, has }) => {
      const needed = hours.get(id) ?? 0;
      return needed > 0 ? [{ person: name, hours: Math.round(needed * 4) / 4, has }] : [];
    }),
  };
}

const hoursIn = ({ plan }: PlanLine) => ({
  days: plan.onDays,
  people: [plan.personId, ...plan.helperIds],
  hours: plan.hours ?? 0,
  doneShare: plan.doneShare,
});

/** Whether a window was over before the work was done. */
export const isMissed = ({ plan }: PlanLine, today: string): boolean =>
  plan.state === "planned" && plan.windowTo < today;

function isOfWeek(line: PlanLine, monday: string, today: string): boolean {
  const sunday = addDays(monday, 6);
  const { onDays, windowTo } = line.plan;
  const within = (day: string) => day >= monday && day <= sunday;
  // What was missed, or was meant for a day that is over, belongs to the week in which it is found out.
  const overdue = within(today) && (isMissed(line, today) || (onDays.at(-1) as string) < monday);
  return onDays.some(within) || within(windowTo) || overdue;
}
