"use server";

import { redirect } from "next/navigation";
import type { ActionState } from "@/components/ui/action-form";
import { answerForm } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";
import { recordCheck } from "@/server/records/follow-ups";
import { saveLabel } from "@/server/records/labels";
import { recordTreatment } from "@/server/records/treatments";
import { voidEntry } from "@/server/records/voids";
import { readLabelForm, readTreatmentForm } from "@/server/records/treatment-form";
import { answered } from "./answered";

export async function checkAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await recordCheck(await requireRole("scout", "specialist", "applicator"), {
      ...Object.fromEntries(form),
      stages: form.getAll("stages"),
    });
    return "Recorded.";
  });
}

export async function treatmentAction(_: ActionState, form: FormData): Promise<ActionState> {
  let id = "";
  const answer = await answerForm(async () => {
    const member = await requireRole("applicator", "specialist");
    const saved = await recordTreatment(member, readTreatmentForm(form));
    id = saved.id;
    return "";
  });
  if (answer.ok) redirect(`/ledger/${id}`);
  return answer;
}

export async function voidAction(_: ActionState, form: FormData): Promise<ActionState> {
  let id = "";
  const answer = await answerForm(async () => {
    id = (await voidEntry(await requireRole("specialist"), Object.fromEntries(form))).id;
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
