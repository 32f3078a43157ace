"use client";
import { Button } from "../ui/button";
import { openStore } from "./store";

/** Signs out, and takes the district's places, list and label PDFs off this device. Unfinished and unsent findings stay: nothing typed is lost. */
export function SignOut({ action, deviceKey }: { action: (form: FormData) => Promise<void>; deviceKey: string }) {
  const leave = async (form: FormData) => {
    await openStore()
      .then((s) => Promise.all([s.packs.delete(deviceKey), s.labelPapers.where("key").equals(deviceKey).delete()]))
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
