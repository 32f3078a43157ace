"use server";

import type { ActionState } from "@/components/ui/action-form";
import { withdrawPatch } from "@/server/ground/ground";
import { sayMapped, sayWater } from "@/server/ground/water";
import { requireRole } from "@/server/platform/session";
import { answered } from "./answered";

export async function withdrawPatchAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await withdrawPatch(await requireRole("specialist"), Object.fromEntries(form));
    return "Withdrawn, with your reason.";
  });
}

export async function waterSeenAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await sayWater(await requireRole("scout", "specialist", "applicator"), Object.fromEntries(form));
    return "Noted in your name.";
  });
}

export async function mappedWaterAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await sayMapped(await requireRole("keeper", "specialist"), Object.fromEntries(form));
    return "Noted in your name.";
  });
}
