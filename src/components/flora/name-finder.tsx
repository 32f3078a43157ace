"use client";

import Link from "next/link";
import { useEffect, useState } from "react";
import { WHEN } from "../words/stages";
import { STATUS_WORDS, StatusMark } from "../verdict/marks";
import { type FoundNames, foundNamesSchema } from "@/contracts/names";

/** Finds a plant by any name it goes by, while one types; says so where several plants carry the name. */
export function NameFinder({ start }: { start: string }) {
  const [text, setText] = useState(start);
  const [found, setFound] = useState<FoundNames | null>(null);
  const wanted = text.trim();
  useEffect(() => {
    if (wanted.length < 2) {
      setFound(null);
      return;
    }
    const stop = new AbortController();
    const soon = setTimeout(() => {
      fetch(`/api/v1/names?q=${encodeURIComponent(wanted)}`, { signal: stop.signal })
        .then((r) => (r.ok ? r.json() : null))
        .then((answer) => {
          const read = foundNamesSchema.safeParse(answer);
          if (read.success) setFound(read.data);
        })
        .catch(() => undefined);
    }, 120);
    return () => {
      clearTimeout(soon);
      stop.abort();
    };
  }, [wanted]);
  return (
    <div className="mt-3 max-w-[640px]">
      <label className="field">
        <span className="label">Scientific, old or common name; it need not be spelled right</span>
        <input type="search" name="q" value={text} onChange={(e) => setText(e.target.value)} autoComplete="off" />
      </label>
      <div aria-live="polite">
        {found && wanted.length >= 2 ? (
          <>
            {found.ambiguous ? (
              <p className="mt-3 border-l-4 border-[var(--ochre,var(--line))] pl-3">
                <strong>
                  {found.ambiguous.plants} plants carry the name “{found.ambiguous.name}”.
                </strong>{" "}
                {found.ambiguous.check
                  ? `Check first, ${WHEN[found.ambiguous.check.stage]}: ${found.ambiguous.check.ask}`
                  : "Open one to see its look-alikes."}
              </p>
            ) : null}
            <ul className="mt-2">
              {found.plants.map((p) => (
                <li key={p.id} className="row">
                  <Link
                    href={`/flora/${p.id}`}
                    className="no-underline flex gap-3 items-center py-1.5 min-h-[46px] hover:underline"
                  >
                    <StatusMark status={p.status} size={18} />
                    <span>
                      <span className="font-semibold">{p.common}</span> <span className="latin">{p.name}</span>{" "}
                      <span className="small">
                        {p.unheld
                          ? `${p.matched} is mistaken for it, and is not in this flora · `
                          : p.matched
                            ? `also ${p.matched} · `
                            : ""}
                        {STATUS_WORDS[p.status]}
                      </span>
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
            {found.plants.length === 0 ? (
              <p className="small mt-2">No plant in this flora has a name like that.</p>
            ) : null}
          </>
        ) : null}
      </div>
    </div>
  );
}
