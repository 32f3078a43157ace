import { and, arrayContains, eq, gte, isNull, or, sql } from "drizzle-orm";
import ical, { ICalCalendarMethod, ICalEventStatus } from "ical-generator";
import { v7 as uuidv7 } from "uuid";
import { firstOf } from "@/core/items";
import type { Role } from "@/core/roles";
import { addDays, dayWords } from "@/core/time";
import { appDatabase, type Transaction } from "@/db/client";
import { calendarFeed, district, plan } from "@/db/schema";
import { env } from "@/env";
import { hashToken, newToken } from "../accounts/secret-links";
import { isOf, type PlanLine, readLines } from "../control/plan-lines";
import { now, todayIn } from "../platform/clock";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";

/** Gives a person a new secret address for the calendar; the one from before opens nothing any more. @returns the address, shown once */
export async function renewFeed(member: Member): Promise<string> {
  const secret = newToken();
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    await endOpen(tx, member);
    await tx.insert(calendarFeed).values({
      ...{ districtId: member.districtId, id: uuidv7(), personId: member.personId },
      ...{ secretHash: hashToken(secret), createdAt: now() },
    });
  });
  return `${env().SENTINEL_URL}/api/calendar/${secret}`;
}

/** Ends a person's address for the calendar. */
export const endFeed = (member: Member): Promise<void> =>
  asMember(member, async (tx) => {
    await count(tx, member, "change");
    await endOpen(tx, member);
  });

const own = ({ personId }: Member) => and(eq(calendarFeed.personId, personId), isNull(calendarFeed.endedAt));
const endOpen = (tx: Transaction, member: Member) => tx.update(calendarFeed).set({ endedAt: now() }).where(own(member));

/** Since when a person has an address, or null. */
export const feedSince = (member: Member): Promise<string | null> =>
  asMember(member, async (tx) => {
    const [open] = await tx.select({ at: calendarFeed.createdAt }).from(calendarFeed).where(own(member));
    return open?.at.toISOString() ?? null;
  });

/** What was meant for so long ago is in the ledger, and no longer in a calendar. */
const KEPT_DAYS = 120;

/**
 * The plans of the person whose secret address this is, as iCalendar (RFC 5545), with that person's roles and so that person's masking.
 * @returns null where no address has this secret
 */
export async function calendarOf(secret: string): Promise<string | null> {
  const { rows } = await appDatabase().execute<{
    district_id: string;
    district_name: string;
    person_id: string;
    person_name: string;
    roles: Role[];
  }>(sql`SELECT * FROM calendar_by_secret(${hashToken(secret)})`);
  const [found] = rows;
  if (!found) return null;
  const member: Member = {
    districtId: found.district_id,
    name: found.district_name,
    personId: found.person_id,
    personName: found.person_name,
    roles: found.roles,
    email: "",
    places: [],
  };
  const lines = await asMember(member, async (tx) => {
    const { zone } = firstOf(await tx.select({ zone: district.zone }).from(district));
    const theirs = or(
      eq(plan.personId, member.personId),
      arrayContains(plan.helperIds, [member.personId]),
      arrayContains(plan.formerIds, [member.personId]),
    );
    return readLines(tx, member, and(theirs, gte(plan.intendedOn, addDays(todayIn(zone), -KEPT_DAYS))));
  });
  return asCalendar(found.district_name, member.personId, lines);
}

/** A move or a new hand raises the sequence, which is the version of the plan; what was dropped or handed on is cancelled. */
function asCalendar(name: string, personId: string, lines: PlanLine[]): string {
  const calendar = ical({
    name: `Work, ${name}`,
    prodId: { company: "Merry Sentinel", product: "season", language: "EN" },
  });
  calendar.method(ICalCalendarMethod.PUBLISH);
  for (const line of lines)
    for (const [i, day] of line.plan.onDays.entries())
      calendar.createEvent({
        id: `${line.plan.id}-${i + 1}@merry-sentinel`,
        sequence: line.plan.version,
        stamp: line.plan.createdAt,
        start: new Date(`${day}T00:00:00Z`),
        end: new Date(`${addDays(day, 1)}T00:00:00Z`),
        allDay: true,
        timezone: "UTC",
        summary: line.title,
        location: `${line.patch}, ${line.site}`,
        description: wordsFor(line),
        url: `${env().SENTINEL_URL}/season/plan/${line.plan.id}`,
        status:
          line.plan.state === "dropped" || !isOf(line.plan, personId)
            ? ICalEventStatus.CANCELLED
            : ICalEventStatus.CONFIRMED,
      });
  return calendar.toString();
}

function wordsFor({ plan: p, person, helpers, lastBeforeSeed }: PlanLine): string {
  const who = [person, ...helpers].join(", ");
  return [
    `Who: ${who}.`,
    `Window: ${dayWords(p.windowFrom)} to ${dayWords(p.windowTo)}.`,
    ...(lastBeforeSeed ? [`Last good day before seed: ${dayWords(lastBeforeSeed)}.`] : []),
    ...(p.state === "dropped" ? [`Dropped: ${p.droppedWhy}`] : []),
    "Read the label, and check the plan before you go: a calendar can be hours old.",
  ].join("\n");
}
