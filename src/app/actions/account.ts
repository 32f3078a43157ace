"use server";

import { cookies } from "next/headers";
import { redirect } from "next/navigation";
import type { ActionState } from "@/components/ui/action-form";
import { endSessions, isSecure } from "@/server/accounts/auth";
import { endSecretLinks } from "@/server/accounts/secret-links";
import { ownSession, signIn, signOut } from "@/server/accounts/sign-in";
import { acceptInvitation } from "@/server/people/invitations";
import {
  askForPasswordLink,
  beginCodes,
  changeAddress,
  changeName,
  changePassword,
  choosePassword,
  confirmCodes,
  endCodes,
  proveAddress,
} from "@/server/people/own-account";
import { removePerson } from "@/server/people/people";
import { setUp } from "@/server/people/set-up";
import { answerForm } from "@/server/platform/respond";
import { currentMember, DISTRICT_COOKIE } from "@/server/platform/session";
import { answered, text } from "./answered";

/** Where a person goes after signing in: to an invitation that asked for it, else to Today. */
const after = (form: FormData) => (/^\/invite\/[\w-]{1,100}$/.test(text(form, "next")) ? text(form, "next") : "/today");

export async function signInAction(_: ActionState, form: FormData): Promise<ActionState> {
  const answer = await answerForm(async () => {
    await signIn(Object.fromEntries(form));
    return "";
  });
  if (answer.ok) redirect(after(form));
  return answer;
}

export async function signOutAction(): Promise<void> {
  await signOut();
  redirect("/sign-in");
}

export async function signOutEverywhereAction(): Promise<void> {
  const session = await ownSession();
  if (session) {
    await endSecretLinks(session.userId);
    await endSessions(session.userId);
  }
  redirect("/sign-in");
}

export async function setUpAction(_: ActionState, form: FormData): Promise<ActionState> {
  const answer = await answerForm(async () => {
    await setUp(Object.fromEntries(form));
    return "";
  });
  if (answer.ok) redirect("/sign-in?made=1");
  return answer;
}

export async function acceptAction(_: ActionState, form: FormData): Promise<ActionState> {
  const session = await ownSession();
  const answer = await answerForm(async () => {
    await acceptInvitation(text(form, "token"), session, {
      name: text(form, "name"),
      password: text(form, "password"),
    });
    return "";
  });
  if (answer.ok) redirect(session ? "/today" : "/sign-in?made=1");
  return answer;
}

export async function forgotAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answerForm(async () => {
    await askForPasswordLink(Object.fromEntries(form));
    return "If that address has an account, an email with a link is on its way. The link works for two hours.";
  });
}

export async function choosePasswordAction(_: ActionState, form: FormData): Promise<ActionState> {
  const answer = await answerForm(async () => {
    await choosePassword(text(form, "token"), Object.fromEntries(form));
    return "";
  });
  if (answer.ok) redirect("/sign-in?password=1");
  return answer;
}

export async function proveAddressAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answerForm(async () => {
    await proveAddress(text(form, "token"));
    return "Thank you. From now on you sign in with this address.";
  });
}

export async function nameAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await changeName(Object.fromEntries(form));
    return "Saved. What you signed before keeps the name that you had then.";
  });
}

export async function addressAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () =>
    (await changeAddress(Object.fromEntries(form)))
      ? "An email is on its way to the new address. It becomes yours when you open the link in it."
      : "Saved. Sign in with the new address from now on.",
  );
}

export async function passwordAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await changePassword(Object.fromEntries(form));
    return "Saved. Every other device is signed out.";
  });
}

export async function beginCodesAction(
  _: ActionState & { svg?: string; secret?: string },
  form: FormData,
): Promise<ActionState & { svg?: string; secret?: string }> {
  let begun: { svg: string; secret: string } | undefined;
  const answer = await answerForm(async () => {
    begun = await beginCodes(Object.fromEntries(form));
    return "";
  });
  return { ...answer, ...begun };
}

export async function confirmCodesAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await confirmCodes(Object.fromEntries(form));
    return "One-time codes are on. Every other device is signed out.";
  });
}

export async function endCodesAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await endCodes(Object.fromEntries(form));
    return "One-time codes are off.";
  });
}

export async function leaveAction(): Promise<void> {
  const member = await currentMember();
  const answer = await answerForm(async () => {
    if (member) await removePerson(member, { personId: member.personId });
    return "";
  });
  redirect(answer.ok ? "/sign-in" : "/account?stays=1");
}

export async function chooseDistrict(form: FormData): Promise<void> {
  const member = await currentMember();
  const wanted = text(form, "district");
  if (member?.places.some((p) => p.districtId === wanted))
    (await cookies()).set(DISTRICT_COOKIE, wanted, {
      httpOnly: true,
      sameSite: "lax",
      path: "/",
      maxAge: 31536000,
      secure: isSecure(),
    });
  redirect("/today");
}
