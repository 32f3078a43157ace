"use server";

import type { ActionState } from "@/components/ui/action-form";
import { setSeason, setSettings } from "@/server/ground/district";
import { invite, revokeInvitation } from "@/server/people/invitations";
import { removePerson, setRoles } from "@/server/people/people";
import { requireRole } from "@/server/platform/session";
import { answered, text } from "./answered";

export async function inviteAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const link = await invite(await requireRole("keeper"), {
      name: text(form, "name"),
      email: text(form, "email"),
      roles: form.getAll("roles"),
    });
    return link
      ? `Invited. Hand this link over yourself. It is shown only once, and works once, for 14 days: ${link}`
      : "Invited. The email goes to that address only.";
  });
}

export async function revokeInvitationAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(
    async () =>
      `The invitation of ${await revokeInvitation(await requireRole("keeper"), Object.fromEntries(form))} was taken back.`,
  );
}

export async function rolesAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await setRoles(await requireRole("keeper"), {
      personId: text(form, "personId"),
      version: text(form, "version"),
      roles: form.getAll("roles"),
      licence: text(form, "licence") || undefined,
      licenceExpires: text(form, "licenceExpires") || undefined,
    });
    return "Saved.";
  });
}

export async function removeAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(
    async () =>
      `${await removePerson(await requireRole("keeper"), Object.fromEntries(form))} no longer belongs to this district.`,
  );
}

export async function settingsAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    const winds = Array.from({ length: 12 }, (_wind, month) => form.get(`wind-${month + 1}`) || null);
    await setSettings(await requireRole("keeper"), {
      version: form.get("version"),
      name: form.get("name"),
      zone: form.get("zone"),
      settings: {
        units: form.get("units"),
        findingSeasons: form.get("findingSeasons"),
        requiredFields: form.getAll("requiredFields"),
        reportTo: String(form.get("reportTo") ?? "").trim(),
        winds,
      },
    });
    return "Saved. It applies from now on.";
  });
}

export async function seasonAction(_: ActionState, form: FormData): Promise<ActionState> {
  return answered(async () => {
    await setSeason(await requireRole("keeper"), Object.fromEntries(form));
    return "Saved. It applies from now on.";
  });
}
