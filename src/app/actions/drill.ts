"use server";

import type { ActionState } from "@/components/ui/action-form";
import { sayConsent } from "@/server/drill/pack";
import { endDrillSet, makeDrillSet } from "@/server/drill/sets";
import { requireRole } from "@/server/platform/session";
import { answered, text } from "./answered";

export async function drillSetAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const input = {
      ...Object.fromEntries(form),
      taxa: form.getAll("taxa"),
      requiredFor: form.has("required") ? form.getAll("taxa") : [],
    };
    await makeDrillSet(await requireRole("specialist"), input);
    return "The set is made. The people of your district see it in Drill.";
  });
}

export async function endDrillSetAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await endDrillSet(await requireRole("specialist"), text(form, "id"));
    return "The set has ended.";
  });
}

export async function sayConsentAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const consents = text(form, "consents") === "yes";
    await sayConsent(await requireRole(), consents);
    return consents ? "Specialists see your answers now." : "Nobody sees your answers now.";
  });
}
