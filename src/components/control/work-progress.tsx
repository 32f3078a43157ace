"use client";

import { Button } from "../ui/button";
import type { LongWork } from "../device/use-long-work";

/** How far long work is, and a way to call it off; what went wrong, in words. */
export function WorkProgress({ work, onCallOff }: { work: LongWork<unknown>; onCallOff: (id: string) => void }) {
  if (work.at === "failed")
    return (
      <div role="alert" className="fault mt-3">
        {work.why.map((w) => (
          <p key={w}>{w}</p>
        ))}
      </div>
    );
  if (work.at === "called-off")
    return (
      <p role="status" className="mt-3">
        It was called off. Nothing was stored.
      </p>
    );
  if (work.at === "asking")
    return (
      <p role="status" className="mt-3">
        Asking for it …
      </p>
    );
  if (work.at !== "working") return null;
  return (
    <p className="mt-3 flex flex-wrap gap-3 items-center">
      <span role="status">
        {work.state === "waiting" ? "It waits for its turn …" : "At work …"}
        {work.total ? ` ${work.progress} of ${work.total}` : ""}
      </span>
      {work.total ? <progress max={work.total} value={work.progress} aria-label="How far it is" /> : null}
      <Button look="plain" onClick={() => onCallOff(work.id)}>
        Call it off
      </Button>
    </p>
  );
}
