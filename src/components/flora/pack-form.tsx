"use client";

import { Button } from "../ui/button";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { packPreviewSchema, packTakenSchema } from "@/contracts/work";
import { WorkProgress } from "../control/work-progress";
import { useLongWork } from "../device/use-long-work";
import { PreviewOfPack, TakeIn } from "./pack-preview";

/** Imports a pack: first what it would change and what does not check, by line; then, if wanted, all of it. */
export function PackForm() {
  const router = useRouter();
  const [files, setFiles] = useState<File[]>([]);
  const shown = useLongWork(packPreviewSchema);
  const taking = useLongWork(packTakenSchema);
  const send = () => {
    if (files.length === 0) return;
    taking.rest();
    const form = new FormData();
    for (const file of files) form.append("file", file);
    shown.start("/api/v1/packs", { body: form });
  };
  const take = async (preview: string, reason: string) => {
    await taking.start(`/api/v1/packs/${preview}/take`, {
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ reason }),
    });
    router.refresh();
  };
  const taken = taking.work.at === "done" ? taking.work.result.taken : null;
  const preview = shown.work.at === "done" && taken === null ? shown.work.result : null;
  return (
    <div>
      <div className="flex flex-wrap gap-4 items-end mt-3">
        <label className="field min-w-[280px]">
          <span className="label">A pack, as JSON or as tables (CSV)</span>
          <input
            type="file"
            multiple
            accept=".json,.csv,.tsv,text/csv,application/json"
            onChange={(e) => {
              setFiles([...(e.target.files ?? [])]);
              shown.rest();
              taking.rest();
            }}
          />
        </label>
        <Button look="press" disabled={files.length === 0 || isBusy(shown.work) || isBusy(taking.work)} onClick={send}>
          {isBusy(shown.work) ? "Reading …" : "Show what it changes"}
        </Button>
      </div>
      <WorkProgress work={shown.work} onCallOff={shown.callOff} />
      <WorkProgress work={taking.work} onCallOff={taking.callOff} />
      {taken !== null ? (
        <p role="status" className="mt-3 font-semibold">
          {taken === 0
            ? "Nothing was to be changed."
            : `${taken} ${taken === 1 ? "line" : "lines"} of the flora changed. `}
          <Link href="/flora/packs">They can be taken back below.</Link>
        </p>
      ) : null}
      {preview && shown.work.at === "done" ? (
        <PreviewOfPack preview={preview}>
          <TakeIn
            changes={preview.changes.length + preview.more}
            busy={isBusy(taking.work)}
            onTake={(reason) => shown.work.at === "done" && take(shown.work.id, reason)}
          />
        </PreviewOfPack>
      ) : null}
    </div>
  );
}

const isBusy = (work: { at: string }) => work.at === "asking" || work.at === "working";
