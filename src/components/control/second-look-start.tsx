"use client";

import { Button } from "../ui/button";
import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { useLongWork } from "../device/use-long-work";
import { WorkProgress } from "./work-progress";
import { secondLookSchema } from "@/contracts/work";

/** Asks for a second look at all old findings, and shows how far it is. One that someone else asked for is followed too. */
export function SecondLookStart({
  mayAsk,
  again,
  running,
}: {
  mayAsk: boolean;
  again: boolean;
  running: string | null;
}) {
  const router = useRouter();
  const { work, begin, follow, callOff, rest } = useLongWork(secondLookSchema);
  useEffect(() => {
    if (running) follow(running);
  }, [running, follow]);
  useEffect(() => {
    if (work.at !== "done") return;
    rest();
    router.refresh();
  }, [work, rest, router]);
  const busy = work.at === "asking" || work.at === "working";
  return (
    <div className="mt-3">
      {mayAsk ? (
        <Button look="press" disabled={busy} onClick={() => begin("second-look", {})}>
          {again ? "Check again" : "Check all old findings"}
        </Button>
      ) : again || running ? null : (
        <p>No one has checked the old findings yet. A specialist or a keeper starts the check here.</p>
      )}
      <WorkProgress work={work} onCallOff={callOff} />
    </div>
  );
}
