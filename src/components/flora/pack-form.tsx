"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { PLANT_KEY } from "@/core/pack";
import { packPreviewSchema, packTakenSchema } from "@/contracts/work";
import { WorkProgress } from "../control/work-progress";
import { useLongWork } from "../device/use-long-work";
import { VerdictChanges } from "../verdict/verdict-changes";
import { amendmentSubject, AmendmentWords } from "./amendment-words";

/** Where a row stands: with its file, where several were chosen. */
const lineOf = ({ file, line }: { file?: string; line: number }) => (file ? `${file}, ${line}` : String(line));

/** Takes a pack in: first what it would change and what does not check, by line; then, if wanted, all of it. */
export function PackForm() {
  const router = useRouter();
  const [files, setFiles] = useState<File[]>([]);
  const [reason, setReason] = useState("");
  const shown = useLongWork(packPreviewSchema);
  const taking = useLongWork(packTakenSchema);
  const send = () => {
    if (files.length === 0) return;
    taking.rest();
    const form = new FormData();
    for (const file of files) form.append("file", file);
    shown.start("/api/v1/packs", { body: form });
  };
  const take = async (preview: string) => {
    await taking.start(`/api/v1/packs/${preview}/take`, {
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ reason }),
    });
    router.refresh();
  };
  const isBusy = (work: { at: string }) => work.at === "asking" || work.at === "working";
  const taken = taking.work.at === "done" ? taking.work.result.taken : null;
  const preview = shown.work.at === "done" && taken === null ? shown.work.result : null;
  const added = preview?.changes.filter((c) => c.key === PLANT_KEY && c.before === null).map((c) => c.taxon) ?? [];
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
        <button
          type="button"
          className="button press"
          disabled={files.length === 0 || isBusy(shown.work) || isBusy(taking.work)}
          onClick={send}
        >
          {isBusy(shown.work) ? "Reading …" : "Show what it changes"}
        </button>
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
      {preview ? (
        <section aria-label="What the pack changes" className="mt-5">
          {preview.refused.length > 0 ? (
            <>
              <h3 className="ruled">
                Does not check<span className="small">nothing is taken in while a row is refused</span>
              </h3>
              <table className="w-full text-left stacked">
                <thead>
                  <tr className="small">
                    <th scope="col">Line</th>
                    <th scope="col">Field</th>
                    <th scope="col">What is wrong</th>
                  </tr>
                </thead>
                <tbody>
                  {preview.refused.map((r) => (
                    <tr key={`${r.file} ${r.line} ${r.field} ${r.what}`} className="row align-top">
                      <td data-label="Line" className="figure py-1 pr-3">
                        {lineOf(r)}
                      </td>
                      <td data-label="Field" className="py-1 pr-3">
                        {r.field}
                      </td>
                      <td data-label="What is wrong" className="py-1 fault">
                        {r.what}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </>
          ) : (
            <VerdictChanges changed={preview.verdicts} judged={preview.judged} />
          )}
          {preview.refused.length === 0 && added.length > 0 ? (
            <p className="mt-5">
              <strong>{added.length === 1 ? "A plant is added" : `${added.length} plants are added`}:</strong>{" "}
              <span className="latin">{added.join(", ")}</span>. Until it stands on the list it counts as kept.
            </p>
          ) : null}
          {preview.thin.map((t) => (
            <p key={t.taxon} className="mt-2">
              <span className="latin">{t.taxon}</span>: only {t.scores} characters are scored. It will fit much of what
              is seen, and keep its look-alikes from being cleared, until more is known of it.
            </p>
          ))}
          <h3 className="ruled mt-5">
            Changes
            <span className="small">
              {preview.changes.length + preview.more} · {preview.same} rows say what the flora says already
            </span>
          </h3>
          {preview.changes.length === 0 ? (
            <p className="small py-3">The pack changes nothing.</p>
          ) : (
            <table className="w-full text-left stacked">
              <thead>
                <tr className="small">
                  <th scope="col">Line</th>
                  <th scope="col">Plant</th>
                  <th scope="col">What</th>
                  <th scope="col">Now → then</th>
                </tr>
              </thead>
              <tbody>
                {preview.changes.map((c) => (
                  <tr key={`${c.taxon} ${c.key}`} className="row align-top">
                    <td data-label="Line" className="figure py-1 pr-3">
                      {lineOf(c)}
                    </td>
                    <td data-label="Plant" className="latin py-1 pr-3">
                      {c.taxon}
                    </td>
                    <td data-label="What" className="py-1 pr-3">
                      {amendmentSubject(c.key)}
                    </td>
                    <td data-label="Now and then" className="py-1">
                      <AmendmentWords name={c.key} before={c.before} value={c.value} />
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {preview.more > 0 ? <p className="small py-2">and {preview.more} more.</p> : null}
          {preview.refused.length === 0 && preview.changes.length > 0 ? (
            <div className="grid gap-3 mt-4 max-w-[560px]">
              <label className="field">
                <span className="label">Whose pack it is, and why it is taken in</span>
                <input value={reason} onChange={(e) => setReason(e.target.value)} />
              </label>
              <button
                type="button"
                className="button press justify-self-start"
                disabled={isBusy(taking.work) || reason.trim().length < 10}
                onClick={() => shown.work.at === "done" && take(shown.work.id)}
              >
                {isBusy(taking.work) ? "Taking in …" : takeIn(preview.changes.length + preview.more)}
              </button>
            </div>
          ) : null}
        </section>
      ) : null}
    </div>
  );
}

const takeIn = (changes: number): string => `Take in ${changes} ${changes === 1 ? "change" : "changes"}`;
