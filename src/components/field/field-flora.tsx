"use client";

import { Disclosure } from "../ui/disclosure";
import { itemAt } from "@/core/items";
import { useMemo, useState } from "react";
import { type Model, plainName } from "@/core/identify";
import { indexNames, resolveName } from "@/core/names";
import type { BenchPack } from "@/contracts/bench-pack";
import { StatusMark } from "../verdict/marks";

/** Every plant of the flora by its sets of look-alikes, found by any of its names. */
export function FieldFlora({ model, pack }: { model: Model; pack: BenchPack }) {
  const { taxa, sets, pairs } = model.flora;
  const [text, setText] = useState("");
  const index = useMemo(() => indexNames(taxa, pairs), [taxa, pairs]);
  const found = useMemo(
    () => (text.trim() ? resolveName(index, text, pack.status, 30) : null),
    [index, text, pack.status],
  );
  const mistakenFor = new Map(found?.matches.flatMap((m) => (m.kind === "unheld" ? [[m.taxon, m.matched]] : [])));
  const hits = found ? [...new Set([...found.matches.map((m) => m.taxon), ...found.carriers])] : [];
  return (
    <div className="px-4 md:px-6 py-5">
      <h1>Flora</h1>
      <label className="field max-w-[420px] mt-2">
        <span className="label">Any name, even an old or misspelled one</span>
        <input type="search" value={text} autoComplete="off" onChange={(e) => setText(e.target.value)} />
      </label>
      {found ? (
        <Plants model={model} pack={pack} plants={hits} mistakenFor={mistakenFor} />
      ) : (
        sets.map((set) => (
          <Disclosure
            key={set.id}
            className="row"
            summary={
              <>
                <strong>{set.name}</strong>
                <span className="small">{set.taxa.length} plants</span>
              </>
            }
          >
            <Plants model={model} pack={pack} plants={set.taxa.map((id) => taxa.findIndex((t) => t.id === id))} />
          </Disclosure>
        ))
      )}
      {found && hits.length === 0 ? <p className="mt-2">No plant in the flora has that name.</p> : null}
    </div>
  );
}

/** @param mistakenFor names of plants that are not in this flora and are mistaken for one of these */
function Plants({
  model,
  pack,
  plants,
  mistakenFor,
}: {
  model: Model;
  pack: BenchPack;
  plants: number[];
  mistakenFor?: Map<number, string>;
}) {
  return (
    <ul className="grid sm:grid-cols-2 lg:grid-cols-3 gap-x-6">
      {plants.map((t) => {
        const { id, name } = itemAt(model.flora.taxa, t);
        return (
          <li key={id} className="row">
            <a href={`/flora/${id}`} className="no-underline flex gap-2 items-center min-h-[44px]">
              <StatusMark status={pack.status[name] ?? "kept"} size={16} />
              <span className="font-semibold">{plainName({ model }, t)}</span> <span className="latin">{name}</span>
              {mistakenFor?.has(t) ? (
                <span className="small">{mistakenFor.get(t)} is mistaken for it, and is not in this flora</span>
              ) : null}
            </a>
          </li>
        );
      })}
    </ul>
  );
}
