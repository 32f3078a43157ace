"use server";

import { redirect } from "next/navigation";
import type { ActionState } from "@/components/ui/action-form";
import { answerForm } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";
import { acknowledge, answerQuestion, makeReport, waive } from "@/server/reports/reports";
import { answered } from "./answered";

export async function reportAction(_: ActionState, form: FormData): Promise<ActionState> {
  let id = "";
  const answer = await answerForm(async () => {
    id = await makeReport(await requireRole("scout", "specialist"), Object.fromEntries(form));
    return "";
  });
  if (answer.ok) redirect(`/reports/${id}`);
  return answer;
}

export async function acknowledgeAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await acknowledge(await requireRole("specialist", "keeper"), Object.fromEntries(form));
    return "Entered in your name.";
  });
}

export async function waiveAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await waive(await requireRole("specialist"), Object.fromEntries(form));
    return "Waived in your name.";
  });
}

export async function answerQuestionAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await answerQuestion(await requireRole("scout", "specialist"), Object.fromEntries(form));
    return "The answer is on its way.";
  });
}
