import { and, eq, gt, isNull, sql } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { plainText } from "@/core/limits";
import { appDatabase, inDistrict, type Transaction } from "@/db/client";
import { invitation, membership } from "@/db/schema";
import { env, mailWay } from "@/env";
import { accountOf, auth, createAccount } from "../accounts/auth";
import { newPassword } from "../accounts/passwords";
import { hashToken, newToken } from "../accounts/secret-links";
import { Refusal } from "../platform/faults";
import { writeLetter } from "../platform/letters";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";
import { emailAddress, personName } from "./person-fields";
import { ROLES } from "@/core/roles";

const OPEN_FOR = "14 days";
export const inviteSchema = z.object({
  name: plainText(2, 80, "give the name"),
  email: emailAddress,
  roles: z.array(z.enum(ROLES)).min(1, "choose at least one role"),
});

/**
 * Invites a person. With a way to send letters the link goes to the address alone, and nobody here can read it; without one it is
 * returned, once, for its maker to hand over. Invitations to the same address from before end.
 * @returns the link, or null where it went by letter
 */
export async function invite(member: Member, raw: unknown): Promise<string | null> {
  const input = inviteSchema.parse(raw);
  const token = newToken();
  const link = `${env().SENTINEL_URL}/invite/${token}`;
  const byLetter = mailWay() !== "none";
  await asMember(member, async (tx) => {
    await count(tx, member, "letter");
    await endInvitationsTo(tx, input.email);
    await tx.insert(invitation).values({
      districtId: member.districtId,
      id: uuidv7(),
      tokenHash: hashToken(token),
      email: input.email,
      name: input.name,
      roles: input.roles,
      ...signature("invitedBy", member),
      expiresAt: sql`now() + interval '${sql.raw(OPEN_FOR)}'` as never,
    });
    if (byLetter)
      await writeLetter(tx, member.districtId, member, {
        to: input.email,
        subject: `${member.personName} invites you to ${member.name}`,
        body: `${input.name},\n\n${member.personName} has invited you to work with ${member.name} in Merry Sentinel, as ${input.roles.join(", ")}.\n\nOpen this address within 14 days. It works once, and it is for you alone:\n${link}\n`,
      });
  });
  return byLetter ? null : link;
}

/** Ends what invitations to an address are still open in this district. */
export async function endInvitationsTo(tx: Transaction, email: string): Promise<void> {
  await tx
    .update(invitation)
    .set({ revokedAt: sql`now()` })
    .where(and(eq(invitation.email, email.toLowerCase()), isNull(invitation.usedAt), isNull(invitation.revokedAt)));
}

/** Takes an invitation back. */
export async function revokeInvitation(member: Member, raw: unknown): Promise<string> {
  const { id } = z.object({ id: z.uuid() }).parse(raw);
  const [ended] = await asMember(member, (tx) =>
    tx
      .update(invitation)
      .set({ revokedAt: sql`now()` })
      .where(and(eq(invitation.id, id), isNull(invitation.usedAt), isNull(invitation.revokedAt)))
      .returning({ name: invitation.name }),
  );
  if (!ended) throw new Refusal(404, "That invitation is no longer open.");
  return ended.name;
}

export const openInvitations = (tx: Transaction) =>
  tx
    .select({
      id: invitation.id,
      name: invitation.name,
      email: invitation.email,
      roles: invitation.roles,
      expiresAt: invitation.expiresAt,
    })
    .from(invitation)
    .where(and(isNull(invitation.usedAt), isNull(invitation.revokedAt), gt(invitation.expiresAt, sql`now()`)))
    .orderBy(invitation.createdAt);

/** An open invitation, by the token of its link; null where it is used up, taken back, too old or not ours. */
export async function invitationByToken(token: string) {
  if (token.length > 100) return null;
  const { rows } = await appDatabase().execute<{
    district_id: string;
    id: string;
    email: string;
    person: string;
    district_name: string;
  }>(sql`SELECT * FROM invitation_by_token(${hashToken(token)})`);
  return rows[0] ?? null;
}

/**
 * Accepts an invitation. An address that has an account already needs that account's sign-in: its password is neither set nor asked
 * for here. A new account counts as proved where the link came by letter.
 * @param signedInAs the account that is signed in, or null
 */
export async function acceptInvitation(
  token: string,
  signedInAs: { userId: string; email: string } | null,
  raw: unknown,
): Promise<void> {
  const held = await invitationByToken(token);
  if (!held) throw new Refusal(404, "This invitation is used up, too old, or not ours. Ask for a new one.");
  const account = await accountOf(held.email);
  if (account && account.id !== signedInAs?.userId)
    throw new Refusal(403, `${held.email} has an account already. Sign in with it to come in.`);
  const input = account ? { name: account.name } : z.object({ name: personName, password: newPassword }).parse(raw);
  const proved = mailWay() === "smtp";
  await inDistrict(held.district_id, async (tx) => {
    const [row] = await tx.select().from(invitation).where(eq(invitation.id, held.id)).for("update");
    if (!row || row.usedAt || row.revokedAt)
      throw new Refusal(409, "This invitation was used or taken back a moment ago.");
    const personId =
      account?.id ??
      (await createAccount(
        { name: input.name, email: held.email, password: (input as { password: string }).password },
        proved,
      ));
    await tx.update(invitation).set({ usedAt: sql`now()` }).where(eq(invitation.id, held.id));
    await join(tx, { districtId: held.district_id, personId, name: input.name, email: held.email, roles: row.roles });
  });
  if (account && proved && !account.proved)
    await (await auth().$context).internalAdapter.updateUser(account.id, { emailVerified: true });
}

/** Makes a member, or one again who had left. Whoever is a member keeps the roles that are held: an old link raises nobody. */
async function join(tx: Transaction, row: typeof membership.$inferInsert): Promise<void> {
  await tx
    .insert(membership)
    .values(row)
    .onConflictDoUpdate({
      target: [membership.districtId, membership.personId],
      set: {
        roles: row.roles,
        name: row.name,
        email: row.email,
        endedAt: null,
        endedBy: null,
        endedById: null,
        endedByRoles: null,
      },
      setWhere: sql`${membership.endedAt} IS NOT NULL`,
    });
}
