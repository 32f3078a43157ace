import { and, eq, isNull, sql } from "drizzle-orm";
import { z } from "zod";
import { demonstration, membership } from "@/db/schema";
import { endSessions } from "../accounts/auth";
import { endSecretLinks } from "../accounts/secret-links";
import { edited, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { lettersOf } from "../platform/letters";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";
import { endInvitationsTo, openInvitations } from "./invitations";
import { ROLES } from "@/core/roles";

/** Who works here. Addresses, licenses, invitations and letters are for the keeper, who needs them; one's own is shown to oneself. */
export async function peopleOf(member: Member) {
  const keeper = member.roles.includes("keeper");
  return asMember(member, async (tx) => {
    const rows = await tx.select().from(membership).where(isNull(membership.endedAt)).orderBy(membership.name);
    return {
      people: rows.map(({ personId, name, roles, version, email, licence, licenceExpires, weekHours }) => ({
        weekHours,
        personId,
        name,
        roles,
        version,
        private: keeper || personId === member.personId ? { email, licence, licenceExpires } : null,
      })),
      invitations: keeper ? await openInvitations(tx) : [],
      letters: keeper ? await lettersOf(tx) : [],
      sample: (await tx.select().from(demonstration)).length > 0,
    };
  });
}

const rolesSchema = z.object({
  personId: z.string().min(1).max(100),
  version: z.coerce.number().int(),
  roles: z.array(z.enum(ROLES)).min(1, "choose at least one role"),
  licence: z.string().trim().max(60).optional(),
  licenceExpires: z
    .union([z.iso.date(), z.literal("")])
    .optional()
    .refine((day) => !day || (day >= "1950-01-01" && day <= "2199-12-31"), "give a day between 1950 and 2199"),
});

const hoursSchema = z.object({
  personId: z.string().min(1).max(100),
  weekHours: z.preprocess(
    (value) => (value === "" ? null : value),
    z.coerce
      .number("give hours as a number, or leave it empty")
      .min(0, "at least 0")
      .max(168, "a week has 168 hours")
      .nullable(),
  ),
});

/** Says how many hours in a week a person has for work here; empty where that is not known. */
export async function setWeekHours(member: Member, raw: unknown): Promise<void> {
  const { personId, weekHours } = hoursSchema.parse(raw);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const changed = await tx
      .update(membership)
      .set({ weekHours })
      .where(and(eq(membership.personId, personId), isNull(membership.endedAt)))
      .returning({ personId: membership.personId });
    if (changed.length === 0) throw new Refusal(404, "That person is not in this district.");
  });
}

/** Changes what a person may do here. The last keeper stays keeper. Open invitations to the person end, as they carry roles too. */
export async function setRoles(member: Member, raw: unknown): Promise<void> {
  const input = rolesSchema.parse(raw);
  await asMember(member, async (tx) => {
    const people = await tx.select().from(membership).where(isNull(membership.endedAt)).for("update");
    const person = people.find((p) => p.personId === input.personId);
    if (!person) throw new Refusal(404, "That person is not in this district.");
    const words = (roles: readonly string[], licence?: string | null, until?: string | null) =>
      [roles.join(", "), licence ? `license ${licence}` : "", until ? `to ${until}` : ""].filter(Boolean).join(", ");
    if (person.version !== input.version)
      throw edited(
        person.name,
        words(person.roles, person.licence, person.licenceExpires),
        words(input.roles, input.licence, input.licenceExpires),
      );
    mustKeepKeeper(people, input.personId, input.roles.includes("keeper"));
    await tx
      .update(membership)
      .set({ roles: input.roles, licence: input.licence || null, licenceExpires: input.licenceExpires || null })
      .where(eq(membership.personId, input.personId));
    await endInvitationsTo(tx, person.email);
  });
}

function mustKeepKeeper(people: { personId: string; roles: string[] }[], changed: string, staysKeeper: boolean): void {
  if (!people.some((p) => (p.personId === changed ? staysKeeper : p.roles.includes("keeper"))))
    throw new Refusal(409, "The district needs at least one keeper.", [
      { field: "roles", what: "make someone else a keeper first" },
    ]);
}

/** Takes a person out of the district, or oneself. Sessions and secret links end at once; the name stays on what was signed. */
export async function removePerson(member: Member, raw: unknown): Promise<string> {
  const { personId } = z.object({ personId: z.string().min(1).max(100) }).parse(raw);
  if (personId !== member.personId && !member.roles.includes("keeper"))
    throw new Refusal(403, "Only a keeper can remove others from the district.");
  const name = await asMember(member, async (tx) => {
    const people = await tx.select().from(membership).where(isNull(membership.endedAt)).for("update");
    const person = people.find((p) => p.personId === personId);
    if (!person) throw new Refusal(404, "That person is not in this district.");
    mustKeepKeeper(people, personId, false);
    await tx
      .update(membership)
      .set({ endedAt: sql`now()`, ...signature("endedBy", member) })
      .where(and(eq(membership.personId, personId), isNull(membership.endedAt)));
    await endInvitationsTo(tx, person.email);
    return person.name;
  });
  await endSecretLinks(personId);
  await endSessions(personId);
  return name;
}
