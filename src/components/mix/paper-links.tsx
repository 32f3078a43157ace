"use client";
import { useEffect, useState } from "react";
import { labelPaper } from "../device/label-papers";
import { PrintButton } from "../shell/print-button";
import type { Label } from "./tank-mix";
import type { Mix } from "./use-mix";

/** Prints the screen as it stands, or fetches the same numbers as a PDF, which needs a signal. */
export function SheetLinks({ mix, what, print }: { mix: Mix; what: "card" | "calibration"; print: string }) {
  const { system, typed, planId } = mix;
  const wanted = new URLSearchParams({ what, plan: planId, entry: JSON.stringify({ system, typed }) });
  return (
    <span className="no-print inline-flex flex-wrap gap-3 items-center">
      <PrintButton words={print} />
      <a className="tap" href={`/api/v1/mix-sheets?${wanted}`} download>
        Save as PDF
      </a>
    </span>
  );
}

/** The label's own PDF, from this device where it is kept, without a signal; else from the server. It is a download; nothing in it runs here. */
export function LabelPaperLink({ deviceKey, label }: { deviceKey: string; label: Label }) {
  const [address, setAddress] = useState<string | null>(null);
  const [isRead, setIsRead] = useState(false);
  useEffect(() => {
    let made: string | null = null;
    let ended = false;
    labelPaper(deviceKey, label.id)
      .catch(() => null)
      .then((content) => {
        if (ended) return;
        made = content && URL.createObjectURL(content);
        setAddress(made);
        setIsRead(true);
      });
    return () => {
      ended = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [deviceKey, label.id]);
  if (address)
    return (
      <a className="tap" href={address} download={`${label.name}.pdf`}>
        Read the label of {label.name} (PDF)
      </a>
    );
  if (!isRead) return null;
  return label.hasPaper ? (
    <a className="tap" href={`/api/v1/label-papers/${label.id}`} download>
      Download the label of {label.name} (PDF). It needs a signal: it is not on this device yet.
    </a>
  ) : (
    <span className="small">No one has stored a PDF of {label.name}.</span>
  );
}
