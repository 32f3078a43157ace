"use client";

import type { Remote } from "comlink";
import { Combobox } from "../ui/combobox";
import { useEffect, useRef, useState } from "react";
import { type Identification, percent } from "@/core/identify";
import { STATUS_WORDS, StatusMark } from "../verdict/marks";
import type { BenchCase, Doubt, Engine, FieldMark } from "./engine";

/** The checks that would count most against a name, calculated again after each answer. */
export function useDoubts(
  taxon: string | null,
  input: BenchCase | null,
  engine: () => Remote<Engine> | null,
  ready: boolean,
): Doubt[] {
  const [doubts, setDoubts] = useState<Doubt[]>([]);
  const key = JSON.stringify(input);
  const latest = useRef(input);
  latest.current = input;
  useEffect(() => {
    const now = latest.current;
    if (!taxon || !ready || !now || key === "null") return setDoubts([]);
    let current = true;
    engine()
      ?.doubt(now, taxon)
      .then((found) => current && setDoubts(found))
      .catch(() => current && setDoubts([]));
    return () => {
      current = false;
    };
  }, [taxon, key, engine, ready]);
  return doubts;
}

/** "I think it is …": how the name stands after each attempt to show that it is wrong. */
export function NameInMind({
  taxon,
  names,
  found,
  field,
  onName,
}: {
  taxon: string | null;
  names: Record<string, string>;
  found: Identification | undefined;
  field: FieldMark[];
  onName: (taxon: string | null) => void;
}) {
  const mark = field.find((m) => m.taxon === taxon);
  const rival = field.find((m) => m.taxon !== taxon && m.taxon !== "unknown");
  return (
    <section className="mb-4 border-l-4 border-[var(--ink)] pl-3" aria-label="A name in mind">
      <div className="max-w-[420px]">
        <Combobox
          label="I think it is"
          placeholder="common or accepted name"
          choices={Object.entries(names).map(([name, plain]) => ({ value: name, words: plain, also: name }))}
          value={taxon ?? ""}
          onChange={(name) => onName(name || null)}
          fault="No plant in the flora has that name."
        />
      </div>
      {taxon ? (
        <p className="mt-2" role="status">
          {mark ? (
            <>
              <StatusMark status={mark.status} size={15} /> <strong>{names[taxon]}</strong> ({STATUS_WORDS[mark.status]}
              ) is at {percent(mark.probability, "under ")}.
            </>
          ) : (
            <>
              <strong>{names[taxon]}</strong> is all but ruled out by what you have seen.
            </>
          )}
          {rival && found ? (
            <>
              {" "}
              Against it: {rival.name}, {percent(rival.probability, "under ")}.
            </>
          ) : null}{" "}
          The questions below could prove you wrong.
        </p>
      ) : (
        <p className="small mt-1">
          The Bench will ask for the checks that would prove you wrong, not for those that would agree with you.
        </p>
      )}
    </section>
  );
}
