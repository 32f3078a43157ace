"use server";

import type { ActionState } from "@/components/ui/action-form";
import { percentOf } from "@/components/words/dates";
import { setCosts } from "@/server/control/costs";
import { setStatus, takeOffList } from "@/server/control/list";
import { requireRole } from "@/server/platform/session";
import { answered } from "./answered";

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
