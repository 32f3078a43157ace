"use server";
import { cookies } from "next/headers";
import { redirect } from "next/navigation";
import type { ActionState } from "@/components/ui/action-form";
import { answered } from "./answered";
import { makeAmendment, revertAmendments } from "@/server/amendments";
import { isSecure } from "@/server/accounts/auth";
import { overrule } from "@/server/findings";
import { recordCheck } from "@/server/follow-ups";
import { recordTreatment, saveLabel } from "@/server/ledger";
import { setCosts } from "@/server/costs";
import { setStatus, takeOffList } from "@/server/list";
import { makePlan } from "@/server/plans";
import { percentOf } from "@/components/dates";
import { answerForm } from "@/server/respond";
import { takeNewVerdict } from "@/server/judge/second-look";
import { currentMember, DISTRICT_COOKIE, requireRole } from "@/server/session";
import { readLabelForm, readTreatmentForm } from "@/server/treatment-form";

/** What a form says under a name; nothing, where what came is no form. */
const text = (form: unknown, name: string) => (form instanceof FormData ? String(form.get(name) ?? "") : "");

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
    return `Saved. The limit is ${percentOf(limit)} from now on. Verdicts already given stand: see the second look at old findings.`;
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
