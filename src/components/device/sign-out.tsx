"use client";
import { Button } from "../ui/button";
import { openStore } from "./store";

/** Signs out, and takes the district's places and list off this device. Unfinished and unsent findings stay: nothing typed is lost. */
export function SignOut({ action, deviceKey }: { action: (form: FormData) => Promise<void>; deviceKey: string }) {
  const leave = async (form: FormData) => {
    await openStore()
      .then((s) => s.packs.delete(deviceKey))
      .catch(() => undefined);
    await action(form);
  };
  return (
    <form action={leave}>
      <Button type="submit" look="plain">
        Sign out
      </Button>
    </form>
  );
}
