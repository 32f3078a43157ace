"use server";

import { redirect } from "next/navigation";
import type { ActionState } from "@/components/ui/action-form";
import { changePlan, checkLabelAgain, dropPlan, partDone } from "@/server/control/change-plan";
import { makePlan } from "@/server/control/make-plan";
import { giveUpOwnMethod, saveOwnMethod } from "@/server/flora/own-methods";
import { sayWord } from "@/server/ground/place-words";
import { saySize } from "@/server/ground/stand-size";
import { endCrew, saveCrew } from "@/server/people/crews";
import { setWeekHours } from "@/server/people/people";
import { answerForm } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";
import { sayGone } from "@/server/records/visits";
import { endFeed, renewFeed } from "@/server/season/feed";
import { answered, text } from "./answered";

/** What a form says, with the fields that may be there several times. */
const fieldsOf = (form: FormData, ...several: string[]) => ({
  ...Object.fromEntries(form),
  ...Object.fromEntries(several.map((name) => [name, form.getAll(name)])),
});

export async function planAction(_: ActionState, form: FormData): Promise<ActionState> {
  let id = "";
  const answer = await answerForm(async () => {
    id = await makePlan(
      await requireRole("specialist"),
      fieldsOf(form, "moreDays", "helperIds", "seenPlans", "coverPlants"),
    );
    return "";
  });
  if (answer.ok) redirect(`/season/plan/${id}`);
  return answer;
}

export async function changePlanAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await changePlan(await requireRole("specialist"), fieldsOf(form, "moreDays", "helperIds"));
    return "Changed. Their calendars are updated.";
  });
}

export async function partDoneAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await partDone(await requireRole("applicator", "specialist"), Object.fromEntries(form));
    return "Noted. The rest stays planned.";
  });
}

export async function dropPlanAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await dropPlan(await requireRole("specialist"), Object.fromEntries(form));
    return "Dropped. The finding waits for another plan.";
  });
}

export async function checkLabelAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await checkLabelAgain(await requireRole("specialist"), Object.fromEntries(form));
    return "The plan carries the label in force.";
  });
}

export async function sizeAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await saySize(await requireRole("scout", "specialist", "applicator"), Object.fromEntries(form));
    return "Noted in your name.";
  });
}

export async function wordAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await sayWord(await requireRole("specialist"), Object.fromEntries(form));
    return "Noted in your name.";
  });
}

export async function goneAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await sayGone(await requireRole("specialist"), Object.fromEntries(form));
    return "Written down: the patch is gone.";
  });
}

export async function crewAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(
    async () => `${await saveCrew(await requireRole("specialist", "keeper"), fieldsOf(form, "memberIds"))} is saved.`,
  );
}

export async function endCrewAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(
    async () =>
      `${await endCrew(await requireRole("specialist", "keeper"), Object.fromEntries(form))} goes out no more.`,
  );
}

export async function weekHoursAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await setWeekHours(await requireRole("specialist", "keeper"), Object.fromEntries(form));
    return "Saved.";
  });
}

export async function renewFeedAction(_: ActionState, _form: FormData): Promise<ActionState> {
  return answered(
    async () =>
      `Give this address to your calendar program. It is shown only once, and whoever has it can read your plans: ${await renewFeed(await requireRole())}`,
  );
}

export async function endFeedAction(_: ActionState, _form: FormData): Promise<ActionState> {
  return answered(async () => {
    await endFeed(await requireRole());
    return "The address opens nothing any more.";
  });
}

export async function ownMethodAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await saveOwnMethod(await requireRole("specialist"), { body: text(form, "body"), reason: text(form, "reason") });
    return "Saved. Plans from now on ask this district’s word.";
  });
}

export async function giveUpOwnMethodAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await giveUpOwnMethod(await requireRole("specialist"), Object.fromEntries(form));
    return "Taken back. The shipped method counts again.";
  });
}
