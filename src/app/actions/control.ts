"use server";

import { redirect } from "next/navigation";
import type { ActionState } from "@/components/ui/action-form";
import { percentOf } from "@/components/words/dates";
import { setCosts } from "@/server/control/costs";
import { setStatus, takeOffList } from "@/server/control/list";
import { dropPlan, makePlan } from "@/server/control/plans";
import { answerForm } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";
import { answered } from "./answered";

export async function planAction(_: ActionState, form: FormData): Promise<ActionState> {
  const answer = await answerForm(async () => {
    await makePlan(await requireRole("specialist"), Object.fromEntries(form));
    return "";
  });
  if (answer.ok) redirect("/season");
  return answer;
}

export async function dropPlanAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await dropPlan(await requireRole("specialist"), Object.fromEntries(form));
    return "Dropped. The finding waits for another plan.";
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

export async function costsAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const limit = await setCosts(await requireRole("keeper"), Object.fromEntries(form));
    return `Saved. The limit is ${percentOf(limit)} from now on. Verdicts already given do not change. To check them, open “Check old findings again”.`;
  });
}
