"use server";

import type { ActionState } from "@/components/ui/action-form";
import { confirmFinding, overrule } from "@/server/findings/findings";
import { takeNewVerdict } from "@/server/judge/second-look";
import { requireRole } from "@/server/platform/session";
import { answered, text } from "./answered";
import { savePatchOfFinding } from "@/server/ground/ground";
import { answerForm } from "@/server/platform/respond";
import { redirect } from "next/navigation";

export async function overruleAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await overrule(await requireRole("specialist"), Object.fromEntries(form));
    return "Overruled in your name. This stays on the finding permanently.";
  });
}

export async function confirmAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await confirmFinding(await requireRole("specialist"), Object.fromEntries(form));
    return "Confirmed in your name.";
  });
}

export async function newVerdictAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const { number, verdict, dropped } = await takeNewVerdict(
      await requireRole("specialist", "keeper"),
      Object.fromEntries(form),
    );
    return `F-${number} has a new verdict: ${verdict}.${dropped > 0 ? " The work planned on it was dropped." : ""}`;
  });
}

/** A patch about a finding's point, with a typed area or a number of plants. */
export async function roundPatchAction(_: ActionState, form: FormData): Promise<ActionState> {
  const number = (name: string) => (text(form, name) === "" ? undefined : Number(text(form, name).replace(",", ".")));
  let id = "";
  const answer = await answerForm(async () => {
    const member = await requireRole("scout", "specialist");
    const saved = await savePatchOfFinding(member, {
      id: text(form, "id"),
      findingId: text(form, "findingId"),
      name: text(form, "name"),
      areaM2: number("areaM2"),
      plants: number("plants"),
    });
    id = saved.id;
    return "";
  });
  if (answer.ok) redirect(`/ground/patch/${id}`);
  return answer;
}
