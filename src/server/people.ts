import { createHash, randomBytes, timingSafeEqual } from "node:crypto";
import { desc, eq, isNull, sql } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { DEFAULT_COSTS } from "@/core/identify";
import { appDatabase, inDistrict } from "@/db/client";
import { demonstration, district, invitation, mail, membership, ROLES } from "@/db/schema";
import { createPerson } from "./auth";
import { Refusal } from "./faults";
import { enqueueMail } from "./queue";
import { asMember, type Member } from "./session";

const hash = (token: string) => createHash("sha256").update(token).digest("hex");
const password = z.string().min(10, "at least 10 letters").max(128);
const personSchema = z.object({
  name: z.string().trim().min(2, "give your name").max(80),
  email: z.email("give an e-mail address").max(200),
  password,
});

/** True until the first district is made. */
export async function needsSetUp(): Promise<boolean> {
  const { rows } = await appDatabase().execute<{ any: boolean }>(sql`SELECT any_district() AS any`);
  return !rows[0].any;
}

/**
 * One-time code for the set-up page: derived from the server's secret and the empty database, so that every
 * node of the application knows the same one and nothing is kept in memory. It ends with the first district.
 */
export function setUpCode(): string {
  return createHash("sha256").update(`set-up ${process.env.AUTH_SECRET}`).digest("hex").slice(0, 8).toUpperCase();
}

export const setUpSchema = personSchema.extend({
  code: z.string().trim(),
  districtName: z.string().trim().min(2, "name the district").max(80),
  zone: z.string().refine(isZone, "give a time zone such as Europe/Vienna"),
  hemisphere: z.enum(["north", "south"]),
});

function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat("en", { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

/** Makes the district and its keeper on a first start. */
export async function setUp(raw: unknown): Promise<string> {
  const input = setUpSchema.parse(raw);
  const given = Buffer.from(hash(input.code.toUpperCase()));
  if (!timingSafeEqual(given, Buffer.from(hash(setUpCode()))))
    throw new Refusal(403, "That is not the code printed in the terminal.", [
      { field: "code", what: "copy it from the terminal where npm start runs" },
    ]);
  if (!(await needsSetUp())) throw new Refusal(409, "This has been set up already. Sign in instead.");
  const personId = await createPerson(input);
  const districtId = uuidv7();
  await inDistrict(districtId, async (tx) => {
    await tx.insert(district).values({
      districtId,
      name: input.districtName,
      zone: input.zone,
      hemisphere: input.hemisphere,
      costs: DEFAULT_COSTS,
      listVersion: "1",
    });
    await tx.insert(membership).values({
      districtId,
      personId,
      name: input.name,
      email: input.email.toLowerCase(),
      roles: ["keeper", "specialist", "scout"],
    });
  });
  return districtId;
}

export const inviteSchema = z.object({
  name: z.string().trim().min(2, "give the name").max(80),
  email: z.email("give an e-mail address").max(200),
  roles: z.array(z.enum(ROLES)).min(1, "choose at least one role"),
});

/** Invites a person: the letter goes to the outbox and is handed over by the queue. */
export async function invite(member: Member, raw: unknown, base: string): Promise<void> {
  const input = inviteSchema.parse(raw);
  const token = randomBytes(24).toString("base64url");
  const mailId = uuidv7();
  await asMember(member, async (tx) => {
    await tx.insert(invitation).values({
      districtId: member.districtId,
      id: uuidv7(),
      tokenHash: hash(token),
      email: input.email.toLowerCase(),
      name: input.name,
      roles: input.roles,
      invitedBy: member.personName,
      expiresAt: new Date(Date.now() + 14 * 86400e3),
    });
    await tx.insert(mail).values({
      districtId: member.districtId,
      id: mailId,
      recipient: input.email,
      subject: `${member.personName} invites you to ${member.name}`,
      body: `${input.name},\n\n${member.personName} has invited you to work with ${member.name} in Merry Sentinel, as ${input.roles.join(", ")}.\n\nOpen this address within 14 days to choose your password:\n${base}/invite/${token}\n`,
    });
  });
  await enqueueMail(member.districtId, mailId);
}

export async function invitationByToken(token: string) {
  const { rows } = await appDatabase().execute<{
    district_id: string;
    id: string;
    email: string;
    person: string;
    district_name: string;
  }>(sql`SELECT * FROM invitation_by_token(${hash(token)})`);
  return rows[0] ?? null;
}

export async function acceptInvitation(token: string, raw: unknown): Promise<string> {
  const input = z.object({ name: personSchema.shape.name, password }).parse(raw);
  const held = await invitationByToken(token);
  if (!held) throw new Refusal(404, "This invitation is used up, too old, or not ours. Ask for a new one.");
  const personId = await createPerson({ name: input.name, email: held.email, password: input.password });
  await inDistrict(held.district_id, async (tx) => {
    const [row] = await tx.select().from(invitation).where(eq(invitation.id, held.id)).for("update");
    if (row.usedAt) throw new Refusal(409, "This invitation was used a moment ago.");
    await tx.update(invitation).set({ usedAt: new Date() }).where(eq(invitation.id, held.id));
    await tx
      .insert(membership)
      .values({ districtId: held.district_id, personId, name: input.name, email: held.email, roles: row.roles })
      .onConflictDoUpdate({ target: [membership.districtId, membership.personId], set: { roles: row.roles } });
  });
  return held.email;
}

export async function peopleOf(member: Member) {
  return asMember(member, async (tx) => ({
    people: await tx.select().from(membership).orderBy(membership.name),
    invitations: await tx
      .select({
        id: invitation.id,
        name: invitation.name,
        email: invitation.email,
        roles: invitation.roles,
        expiresAt: invitation.expiresAt,
      })
      .from(invitation)
      .where(isNull(invitation.usedAt)),
    letters: member.roles.includes("keeper")
      ? await tx.select().from(mail).orderBy(desc(mail.createdAt)).limit(20)
      : [],
    sample: (await tx.select().from(demonstration)).length > 0,
  }));
}

export const rolesSchema = z.object({
  personId: z.string().min(1),
  roles: z.array(z.enum(ROLES)).min(1, "choose at least one role"),
  licence: z.string().trim().max(60).optional(),
  licenceExpires: z.union([z.iso.date(), z.literal("")]).optional(),
});

/** Changes what a person may do here. The last keeper stays keeper. */
export async function setRoles(member: Member, raw: unknown): Promise<void> {
  const input = rolesSchema.parse(raw);
  await asMember(member, async (tx) => {
    const people = await tx.select().from(membership).for("update");
    if (!people.some((p) => p.personId === input.personId))
      throw new Refusal(404, "That person is not in this district.");
    const keepers = people.filter((p) =>
      p.personId === input.personId ? input.roles.includes("keeper") : p.roles.includes("keeper"),
    );
    if (keepers.length === 0)
      throw new Refusal(409, "The district needs at least one keeper.", [
        { field: "roles", what: "make somebody else keeper first" },
      ]);
    await tx
      .update(membership)
      .set({ roles: input.roles, licence: input.licence || null, licenceExpires: input.licenceExpires || null })
      .where(eq(membership.personId, input.personId));
  });
}
