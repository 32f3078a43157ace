"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { put } from "./put";

/** The label's own PDF: it is sent as it is chosen. */
export function LabelPaper({ id, name }: { id: string; name: string }) {
  const [fault, setFault] = useState<string | null>(null);
  const router = useRouter();
  const send = async (file: File) => {
    const why = await put(`/api/v1/label-papers/${id}`, file, "The PDF");
    setFault(why);
    if (!why) router.refresh();
  };
  return (
    <label className="field max-w-[420px] no-print">
      <span className="label">PDF of the label {name}</span>
      <input
        type="file"
        accept="application/pdf"
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) send(file);
          e.target.value = "";
        }}
      />
      {fault ? (
        <span role="alert" className="fault block">
          {fault}
        </span>
      ) : null}
    </label>
  );
}
