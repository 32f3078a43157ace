"use server";

import type { ActionState } from "@/components/ui/action-form";
import { overrule } from "@/server/findings/findings";
import { takeNewVerdict } from "@/server/judge/second-look";
import { requireRole } from "@/server/platform/session";
import { answered } from "./answered";

export async function overruleAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await overrule(await requireRole("specialist"), Object.fromEntries(form));
    return "Overruled, in your name. It shows on the finding ever after.";
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
