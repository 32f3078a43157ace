"use server";

import { redirect } from "next/navigation";
import type { ActionState } from "@/components/ui/action-form";
import { makeAmendment, revertAmendments } from "@/server/flora/amendments";
import { answerForm } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";
import { answered, text } from "./answered";

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
    return "Taken back. The flora is as it was before.";
  });
}
