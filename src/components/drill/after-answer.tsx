"use client";
import { useEffect, useRef } from "react";
import { FigureDrawing } from "@/drawings/figure/figure-drawing";
import type { Afterwards, DecidingPair } from "@/drawings/question/afterwards";
import { Drawing } from "@/drawings/ink/render";
import { itemAt } from "@/core/items";
import { Button } from "../ui/button";
import { Notice } from "../ui/notice";

/** What there is to learn from a question: what decides, the two plants side by side, and the mistake that people make. */
export function AfterAnswer({ after, onNext }: { after: Afterwards; onNext: () => void }) {
  const { truth, other, outcome } = after;
  const pair = other ? [truth, other] : [];
  const section = useRef<HTMLElement>(null);
  // Enter goes on, whatever had the focus before: a point that was measured, or a field.
  useEffect(() => section.current?.querySelector<HTMLElement>("[data-next]")?.focus({ preventScroll: true }), []);
  return (
    <section
      ref={section}
      aria-label="After the answer"
      className="mt-5 border-t-2 border-[var(--ink)] pt-4"
      data-after
    >
      <p className="flex flex-wrap gap-4 items-center" role="status">
        <strong className="slab text-[21px]">{outcome.right ? "Right." : "Wrong."}</strong>
        <span>
          It is <strong>{truth.plain}</strong> <span className="latin">{truth.latin}</span>.{" "}
          {Math.round(100 * outcome.score)} of 100 points.
        </span>
        <Button look="press" onClick={onNext} data-next>
          Next question{" "}
          <span className="keycap" aria-hidden>
            Enter
          </span>
        </Button>
      </p>
      {after.words ? <p className="mt-2 max-w-[70ch]">{after.words}</p> : null}
      {after.misleading ? (
        <Notice className="mt-3 max-w-[70ch]">
          <strong>One clue was misleading.</strong> {after.misleading}
        </Notice>
      ) : null}
      {other && after.deciding[0] ? (
        <Deciding deciding={after.deciding} names={pair.map(({ plain }) => plain)} />
      ) : null}
      {after.mistake ? (
        <p className="mt-3 max-w-[70ch]">
          <strong>The mistake people make:</strong> {after.mistake}
        </p>
      ) : null}
      {after.beside.length > 0 ? (
        <ul className="grid sm:grid-cols-2 gap-3 mt-4 max-w-[820px]">
          {after.beside.map(({ figure, callouts }, i) => (
            <li key={itemAt(pair, i).id}>
              <FigureDrawing
                figure={figure}
                callouts={callouts}
                title={`${itemAt(pair, i).plain}, the whole plant`}
                className="w-full drawing-ground border border-[var(--rule)]"
              />
              <p className="font-semibold mt-1">{itemAt(pair, i).plain}</p>
            </li>
          ))}
        </ul>
      ) : null}
    </section>
  );
}

function Deciding({ deciding, names }: { deciding: DecidingPair[]; names: string[] }) {
  return (
    <table className="mt-4 w-full max-w-[820px] text-left" aria-label="What tells the two apart">
      <thead>
        <tr>
          <th scope="col" className="small font-normal w-[28%]">
            What tells them apart
          </th>
          {names.map((name) => (
            <th key={name} scope="col" className="pb-1">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {deciding.map(({ check, seconds, words, shapes }) => (
          <tr key={check} className="row align-top">
            <th scope="row" className="font-normal py-2 pr-3">
              <span className="font-bold">{check}</span> <span className="small">{seconds} s</span>
            </th>
            {words.map((said, i) => (
              <td key={itemAt(names, i)} className="py-2 pr-3">
                {shapes[i] ? (
                  <Drawing
                    shapes={shapes[i] ?? []}
                    className="w-[104px] h-[84px] drawing-ground border border-[var(--rule)]"
                  />
                ) : null}
                {said}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
