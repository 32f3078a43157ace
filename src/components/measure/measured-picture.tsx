"use client";

import { Button } from "../ui/button";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as uuidv7 } from "uuid";
import type { Marks } from "@/core/measure";

const MeasureSheet = dynamic(() => import("./measure-sheet").then((m) => m.MeasureSheet), { ssr: false });

/** A picture of a finding, with what was measured on it; the marks can be opened, and kept again beside the old ones. */
export function MeasuredPicture({
  id,
  by,
  drawn,
  marks,
  mayMark,
}: {
  id: string;
  by: string;
  drawn: boolean;
  marks: Marks | null;
  mayMark: boolean;
}) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [said, setSaid] = useState("");
  const src = `/api/v1/pictures/${id}`;
  const keep = async (made: Marks) => {
    const response = await fetch(`${src}/marks`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ id: uuidv7(), marks: made }),
    }).catch(() => null);
    setSaid(
      response?.ok
        ? "The marks are saved."
        : response?.status === 403
          ? "Only scouts and specialists can save marks."
          : "The marks are not saved. There is no connection, or the server refused. Try again.",
    );
    if (response?.ok) {
      setOpen(false);
      router.refresh();
    }
  };
  return (
    <figure>
      {/* biome-ignore lint/performance/noImgElement: served by our own route, already sized */}
      <img src={src} alt={`${drawn ? "Drawn" : "Taken"} by ${by}`} className="h-44 border border-[var(--line)]" />
      <figcaption className="small">
        {drawn ? "drawn, for practice · " : ""}
        {marks || mayMark ? (
          <Button look="plain" className="min-h-[44px]" onClick={() => setOpen(true)}>
            {marks ? `Open its ${marks.marks.length} measurements` : "Measure on it"}
          </Button>
        ) : null}{" "}
        <span role="status">{said}</span>
      </figcaption>
      {open ? (
        <MeasureSheet src={src} marks={marks} wanted={null} onKeep={keep} onClose={() => setOpen(false)} />
      ) : null}
    </figure>
  );
}
