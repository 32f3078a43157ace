"use client";

import { Button } from "../ui/button";
import { type ReactNode, useState } from "react";
import type { z } from "zod";
import type { packPreviewSchema } from "@/contracts/work";
import { PLANT_KEY } from "@/core/pack";
import { VerdictChanges } from "../verdict/verdict-changes";
import { amendmentSubject, AmendmentWords } from "./amendment-words";

type Preview = z.output<typeof packPreviewSchema>;

/** Where a row stands: with its file, where several were chosen. */
const lineOf = ({ file, line }: { file?: string; line: number }) => (file ? `${file}, ${line}` : String(line));

/** What a pack would change, what of it does not check, and the findings that would get another verdict. */
export function PreviewOfPack({ preview, children }: { preview: Preview; children: ReactNode }) {
  const sound = preview.refused.length === 0;
  return (
    <section aria-label="What the pack changes" className="mt-5">
      {sound ? (
        <VerdictChanges changed={preview.verdicts} judged={preview.judged} />
      ) : (
        <RefusedRows preview={preview} />
      )}
      {sound ? <AddedPlants preview={preview} /> : null}
      <Thin preview={preview} />
      <Changes preview={preview} />
      {sound && preview.changes.length > 0 ? children : null}
    </section>
  );
}

const RefusedRows = ({ preview }: { preview: Preview }) => (
  <>
    <h3 className="ruled">
      Rows with errors<span className="small">nothing is imported until every row is right</span>
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
);

function AddedPlants({ preview }: { preview: Preview }) {
  const added = preview.changes.filter((c) => c.key === PLANT_KEY && c.before === null).map((c) => c.taxon);
  if (added.length === 0) return null;
  return (
    <p className="mt-5">
      <strong>{added.length === 1 ? "A plant is added" : `${added.length} plants are added`}:</strong>{" "}
      <span className="latin">{added.join(", ")}</span>. A plant that is not on the list counts as kept.
    </p>
  );
}

const Thin = ({ preview }: { preview: Preview }) =>
  preview.thin.map((t) => (
    <p key={t.taxon} className="mt-2">
      Only {t.scores} characters are scored for <span className="latin">{t.taxon}</span>. It will fit many observations,
      and its look-alikes cannot be cleared, until more is recorded for it.
    </p>
  ));

const Changes = ({ preview }: { preview: Preview }) => (
  <>
    <h3 className="ruled mt-5">
      Changes
      <span className="small">
        {preview.changes.length + preview.more} · {preview.same} rows are the same as in the flora
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
  </>
);

const takeIn = (changes: number): string => `Take in ${changes} ${changes === 1 ? "change" : "changes"}`;

/** Asks for the reason, and imports the pack. */
export function TakeIn({
  changes,
  busy,
  onTake,
}: {
  changes: number;
  busy: boolean;
  onTake: (reason: string) => void;
}) {
  const [reason, setReason] = useState("");
  return (
    <div className="grid gap-3 mt-4 max-w-[560px]">
      <label className="field">
        <span className="label">Whose pack it is, and why you import it</span>
        <input value={reason} onChange={(e) => setReason(e.target.value)} />
      </label>
      <Button
        look="press"
        className="justify-self-start"
        disabled={busy || reason.trim().length < 10}
        onClick={() => onTake(reason)}
      >
        {busy ? "Taking in …" : takeIn(changes)}
      </Button>
    </div>
  );
}
