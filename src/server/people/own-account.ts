import { eq } from "drizzle-orm";
import { headers } from "next/headers";
import { z } from "zod";
import { inDistrict } from "@/db/client";
import { membership } from "@/db/schema";
import { env, mailWay } from "@/env";
import { accountOf, auth, endSessions } from "../accounts/auth";
import { forgetDevices } from "../accounts/known-devices";
import { networkOf, senderOf } from "../accounts/network";
import { newPassword, verifyPassword } from "../accounts/passwords";
import { beginSecondFactor, checkCode, endSecondFactor, hasSecondFactor } from "../accounts/second-factor";
import { endSecretLinks, makeSecretLink, takeSecretLink } from "../accounts/secret-links";
import { ownSession } from "../accounts/sign-in";
import { admitTry } from "../accounts/sign-in-limits";
import { Refusal } from "../platform/faults";
import { writeLetter } from "../platform/letters";
import { type Place, placesOf } from "../platform/session";
import { emailAddress, personName } from "./person-fields";

async function mustBeSignedIn() {
  const session = await ownSession();
  if (!session) throw new Refusal(401, "You are not signed in.");
  return session;
}

/** Asks for the person's own password again, before something that others would like to do in that name. Tries are counted. */
export async function checkOwnPassword(session: { userId: string; email: string }, password: string): Promise<void> {
  const wait = await admitTry({ email: session.email, network: "own", knownDevice: `own ${session.userId}` });
  if (wait > 0) throw new Refusal(429, `Too many tries. Wait ${wait} seconds, then try again.`);
  const accounts = await (await auth().$context).internalAdapter.findAccounts(session.userId);
  const hash = accounts.find((a) => a.providerId === "credential")?.password;
  if (!hash || !(await verifyPassword({ hash, password })))
    throw new Refusal(403, "That is not your password.", [
      { field: "password", what: "the one that you sign in with" },
    ]);
}

/** In each district that the person belongs to, as that person: the trail of changes then says who did it. */
async function inEachDistrict(userId: string, set: { name?: string; email?: string }): Promise<void> {
  for (const place of await placesOf(userId))
    await inDistrict(
      place.districtId,
      (tx) => tx.update(membership).set(set).where(eq(membership.personId, userId)),
      actorIn(place, userId),
    );
}

const actorIn = (place: Place, personId: string) => ({ personId, personName: place.personName, roles: place.roles });

/** Changes the person's own name; what was signed before keeps the old one. */
export async function changeName(raw: unknown): Promise<void> {
  const { name } = z.object({ name: personName }).parse(raw);
  const { userId } = await mustBeSignedIn();
  await (await auth().$context).internalAdapter.updateUser(userId, { name });
  await inEachDistrict(userId, { name });
}

/** Changes the password; every other session of the person ends, and so do open links. */
export async function changePassword(raw: unknown): Promise<void> {
  const input = z.object({ password: z.string().max(200), fresh: newPassword }).parse(raw);
  const session = await mustBeSignedIn();
  await checkOwnPassword(session, input.password);
  const context = await auth().$context;
  await context.internalAdapter.updatePassword(session.userId, await context.password.hash(input.fresh));
  await endSecretLinks(session.userId);
  await endSessions(session.userId, session.token);
}

/**
 * Changes the address. With a way to send letters it changes once the link in a letter to the new address was opened; without one it
 * changes at once and counts as unproved.
 * @returns true where a letter was sent
 */
export async function changeAddress(raw: unknown): Promise<boolean> {
  const input = z.object({ email: emailAddress, password: z.string().max(200) }).parse(raw);
  const session = await mustBeSignedIn();
  await checkOwnPassword(session, input.password);
  const [place] = await placesOf(session.userId);
  if (mailWay() === "none" || !place) {
    await takeAddress(session.userId, input.email, false);
    return false;
  }
  const token = await makeSecretLink(session.userId, "address", { address: input.email });
  await inDistrict(
    place.districtId,
    (tx) =>
      writeLetter(tx, place.districtId, actorIn(place, session.userId), {
        to: input.email,
        subject: "Is this your address?",
        body: `Someone, probably you, wants to use this address in Merry Sentinel.\n\nOpen this link within two hours to confirm:\n${env().SENTINEL_URL}/address/${token}\n`,
      }),
    actorIn(place, session.userId),
  );
  return true;
}

async function takeAddress(userId: string, email: string, proved: boolean): Promise<void> {
  const taken = await accountOf(email);
  if (taken && taken.id !== userId)
    throw new Refusal(409, "Another account has that address.", [{ field: "email", what: "give another" }]);
  await (await auth().$context).internalAdapter.updateUser(userId, { email, emailVerified: proved });
  await inEachDistrict(userId, { email });
}

/** Takes the new address, by the link that went there. */
export async function proveAddress(token: string): Promise<void> {
  const link = await takeSecretLink(token, "address");
  if (!link?.address) throw new Refusal(404, "This link is used up, too old, or not ours.");
  await takeAddress(link.userId, link.address, true);
}

/**
 * Sends a link with which to choose a new password, where letters can be sent and the address has an account. Whether it has one is
 * not told. Tries are counted like those to sign in.
 */
export async function askForPasswordLink(raw: unknown): Promise<void> {
  const { email } = z.object({ email: emailAddress }).parse(raw);
  if (mailWay() === "none")
    throw new Refusal(409, "This installation does not send email. The person who runs it can make a link for you.");
  const wait = await admitTry({
    email: `link ${email}`,
    network: networkOf(senderOf(await headers())),
    knownDevice: null,
  });
  if (wait > 0) throw new Refusal(429, `Too many tries. Wait ${wait} seconds, then try again.`);
  const account = await accountOf(email);
  const [place] = account ? await placesOf(account.id) : [];
  if (!account || !place) return;
  const token = await makeSecretLink(account.id, "password");
  const actor = actorIn(place, account.id);
  await inDistrict(
    place.districtId,
    (tx) =>
      writeLetter(tx, place.districtId, actor, {
        to: account.email,
        subject: "A new password",
        body: `Someone, probably you, asked for a new password in Merry Sentinel.\n\nOpen this link within two hours to choose one. If it was not you, ignore this letter. Nothing changes.\n${env().SENTINEL_URL}/password/${token}\n`,
      }),
    actor,
  );
}

/** Chooses a new password by a link: all sessions end. A link that the person who runs the machine made ends the one-time codes too. */
export async function choosePassword(token: string, raw: unknown): Promise<void> {
  const { fresh } = z.object({ fresh: newPassword }).parse(raw);
  const link = await takeSecretLink(token, "password");
  if (!link) throw new Refusal(404, "This link is used up, too old, or not ours. Ask for a new one.");
  const context = await auth().$context;
  await context.internalAdapter.updatePassword(link.userId, await context.password.hash(fresh));
  if (!link.byMachine) await context.internalAdapter.updateUser(link.userId, { emailVerified: true });
  if (link.byMachine) await endSecondFactor(link.userId);
  await forgetDevices(link.userId);
  await endSecretLinks(link.userId);
  await endSessions(link.userId);
}

/** How the person signs in now. */
export async function ownSafety(): Promise<{ codes: boolean; proved: boolean }> {
  const session = await mustBeSignedIn();
  const account = await accountOf(session.email);
  return { codes: await hasSecondFactor(session.userId), proved: account?.proved ?? false };
}

export async function beginCodes(raw: unknown): Promise<{ svg: string; secret: string }> {
  const { password } = z.object({ password: z.string().max(200) }).parse(raw);
  const session = await mustBeSignedIn();
  await checkOwnPassword(session, password);
  return beginSecondFactor(session.userId, session.email);
}

export async function confirmCodes(raw: unknown): Promise<void> {
  const { code } = z.object({ code: z.string().max(20) }).parse(raw);
  const session = await mustBeSignedIn();
  if (!(await checkCode(session.userId, code, true)))
    throw new Refusal(400, "That code does not fit.", [
      { field: "code", what: "six digits, as your authenticator shows them now" },
    ]);
  await endSessions(session.userId, session.token);
}

export async function endCodes(raw: unknown): Promise<void> {
  const { password } = z.object({ password: z.string().max(200) }).parse(raw);
  const session = await mustBeSignedIn();
  await checkOwnPassword(session, password);
  await endSecondFactor(session.userId);
}
