"use server";
import { refresh } from "next/cache";
import { cookies, headers } from "next/headers";
import { redirect } from "next/navigation";
import type { ActionState } from "@/components/ui/action-form";
import { makeAmendment, revertAmendments } from "@/server/amendments";
import { auth } from "@/server/auth";
import { Refusal } from "@/server/faults";
import { overrule } from "@/server/findings";
import { recordCheck } from "@/server/follow-ups";
import { recordTreatment, saveLabel } from "@/server/ledger";
import { setCosts } from "@/server/costs";
import { setSeason } from "@/server/district";
import { acceptInvitation, invite, setRoles, setUp } from "@/server/people";
import { setStatus, takeOffList } from "@/server/list";
import { makePlan } from "@/server/plans";
import { answerForm } from "@/server/respond";
import { takeNewVerdict } from "@/server/second-look";
import { currentMember, DISTRICT_COOKIE, requireRole } from "@/server/session";
import { readLabelForm, readTreatmentForm } from "@/server/treatment-form";

const text = (form: FormData, name: string) => String(form.get(name) ?? "");
const base = () => process.env.SENTINEL_URL ?? "http://127.0.0.1:3210";

/** An answer to a form that stays on its page; the page then shows what is new. */
async function answered(work: () => Promise<string>): Promise<ActionState> {
  const answer = await answerForm(work);
  if (answer.ok) refresh();
  return answer;
}

export async function signIn(_: ActionState, form: FormData): Promise<ActionState> {
  const answer = await answerForm(async () => {
    const response = await auth().handler(
      new Request(`${base()}/api/auth/sign-in/email`, {
        method: "POST",
        headers: {
          "content-type": "application/json",
          origin: base(),
          "x-forwarded-for": (await headers()).get("x-forwarded-for") ?? "127.0.0.1",
        },
        body: JSON.stringify({ email: text(form, "email"), password: text(form, "password") }),
      }),
    );
    if (response.status === 429) throw new Refusal(429, "Too many tries. Wait a minute, then try again.");
    if (!response.ok) throw new Refusal(401, "E-mail and password do not fit together.");
    const jar = await cookies();
    for (const line of response.headers.getSetCookie()) {
      const [pair, ...attributes] = line.split("; ");
      const at = pair.indexOf("=");
      const maxAge = attributes.find((a) => a.toLowerCase().startsWith("max-age="));
      jar.set(pair.slice(0, at), decodeURIComponent(pair.slice(at + 1)), {
        httpOnly: true,
        sameSite: "lax",
        path: "/",
        secure: base().startsWith("https:"),
        ...(maxAge ? { maxAge: Number(maxAge.split("=")[1]) } : {}),
      });
    }
    return "";
  });
  if (answer.ok) redirect("/today");
  return answer;
}

export async function signOut(): Promise<void> {
  await auth()
    .api.signOut({ headers: await headers() })
    .catch(() => undefined);
  redirect("/sign-in");
}

export async function signOutEverywhere(): Promise<void> {
  await auth().api.revokeSessions({ headers: await headers() });
  redirect("/sign-in");
}

export async function chooseDistrict(form: FormData): Promise<void> {
  const member = await currentMember();
  const wanted = text(form, "district");
  if (member?.places.some((p) => p.districtId === wanted))
    (await cookies()).set(DISTRICT_COOKIE, wanted, { httpOnly: true, sameSite: "lax", path: "/", maxAge: 31536000 });
  redirect("/today");
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
  const answer = await answerForm(async () => {
    await acceptInvitation(text(form, "token"), { name: text(form, "name"), password: text(form, "password") });
    return "";
  });
  if (answer.ok) redirect("/sign-in?made=1");
  return answer;
}

export async function inviteAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const member = await requireRole("keeper");
    await invite(member, { name: text(form, "name"), email: text(form, "email"), roles: form.getAll("roles") }, base());
    return "Invited. The letter is in the outbox below.";
  });
}

export async function rolesAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await setRoles(await requireRole("keeper"), {
      personId: text(form, "personId"),
      roles: form.getAll("roles"),
      licence: text(form, "licence") || undefined,
      licenceExpires: text(form, "licenceExpires") || undefined,
    });
    return "Saved.";
  });
}

export async function seasonAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await setSeason(await requireRole("keeper"), Object.fromEntries(form));
    return "Saved. It holds for what is reckoned from now on.";
  });
}

export async function planAction(_: ActionState, form: FormData): Promise<ActionState> {
  const answer = await answerForm(async () => {
    await makePlan(await requireRole("specialist"), Object.fromEntries(form));
    return "";
  });
  if (answer.ok) redirect("/season");
  return answer;
}

export async function overruleAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await overrule(await requireRole("specialist"), Object.fromEntries(form));
    return "Overruled, in your name. It shows on the finding ever after.";
  });
}

export async function checkAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const raw = Object.fromEntries(form);
    await recordCheck(await requireRole("scout", "specialist", "applicator"), {
      ...raw,
      percentControl: raw.percentControl === "" ? undefined : raw.percentControl,
    });
    return "Recorded.";
  });
}

export async function treatmentAction(_: ActionState, form: FormData): Promise<ActionState> {
  let id = "";
  const answer = await answerForm(async () => {
    const member = await requireRole("applicator");
    const saved = await recordTreatment(member, readTreatmentForm(form));
    id = saved.id;
    return "";
  });
  if (answer.ok) redirect(`/ledger/${id}`);
  return answer;
}

export async function labelAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await saveLabel(await requireRole("specialist", "applicator"), readLabelForm(form));
    return "Label entered.";
  });
}

export async function statusAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const status = await setStatus(await requireRole("specialist", "keeper"), Object.fromEntries(form));
    return `On the list as ${status}.`;
  });
}

export async function takeOffListAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const taxon = await takeOffList(await requireRole("specialist", "keeper"), Object.fromEntries(form));
    return `${taxon} was taken off.`;
  });
}

export async function amendAction(_: ActionState, form: FormData): Promise<ActionState> {
  const answer = await answerForm(async () => {
    await makeAmendment(await requireRole("specialist"), Object.fromEntries(form));
    return "";
  });
  if (answer.ok) redirect(`/flora/${text(form, "back").replace(/[^a-z0-9-]/g, "")}?amended=1`);
  return answer;
}

export async function revertAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await revertAmendments(await requireRole("specialist"), form.getAll("id").map(String));
    return "Taken back: the flora says what it said before.";
  });
}

export async function costsAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const limit = await setCosts(await requireRole("keeper"), Object.fromEntries(form));
    return `Saved. The limit is ${Number((100 * limit).toPrecision(3))} % from now on. Verdicts already given stand: see the second look at old findings.`;
  });
}

export async function newVerdictAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const { number, verdict, dropped } = await takeNewVerdict(
      await requireRole("specialist", "keeper"),
      Object.fromEntries(form),
    );
    return `F-${number} is judged anew: ${verdict}.${dropped > 0 ? " The work planned on it was dropped." : ""}`;
  });
}
