"use client";

import { useState } from "react";
import { v7 as newId } from "uuid";
import { put } from "./put";

/** Pictures of what a check sees: each is sent as it is chosen, and stays with the check whether or not the form is sent. */
export function CheckPicture({ checkId }: { checkId: string }) {
  const [sent, setSent] = useState<string[]>([]);
  const [fault, setFault] = useState<string | null>(null);
  const send = async (file: File) => {
    const id = newId();
    const why = await put(`/api/v1/check-pictures/${id}?check=${checkId}`, file, "The picture");
    setFault(why);
    if (!why) setSent((known) => [...known, id]);
  };
  return (
    <label className="field">
      <span className="label">Picture{sent.length > 0 ? ` · ${sent.length} stored` : ""}</span>
      <input
        type="file"
        accept="image/*"
        capture="environment"
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) send(file);
          e.target.value = "";
        }}
      />
      {sent.length > 0 ? (
        <span className="flex flex-wrap gap-2">
          {sent.map((id) => (
            // biome-ignore lint/performance/noImgElement: it is served re-encoded, to its own district alone
            <img key={id} src={`/api/v1/check-pictures/${id}`} alt="Stored with this check" className="h-16" />
          ))}
        </span>
      ) : null}
      {fault ? (
        <span role="alert" className="fault block">
          {fault}
        </span>
      ) : null}
    </label>
  );
}
