"use client";

import { type Remote, wrap } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Lens } from "@/core/identify";
import type { BenchCase, BenchView, Engine, Vocabulary } from "./engine";

/** What fits now, and how each plant stood before the last answer. */
export interface Seen {
  view: BenchView | null;
  before: Map<string, number>;
  /** the view is of what stands on the page now: an answer given a moment ago is already in it */
  upToDate: boolean;
}
export type EngineState =
  | { status: "loading" }
  | { status: "failed"; why: string }
  | { status: "ready"; vocabulary: Vocabulary };

/** The identification engine in a worker: loads the flora once, then answers each case. A late answer never overwrites a newer one. */
export function useEngine(
  floraUrl: string,
  input: BenchCase | null,
  lens: Lens,
  pair: [string, string] | null,
): Seen & { state: EngineState; fault: string | null; engine: () => Remote<Engine> | null } {
  const engine = useRef<Remote<Engine> | null>(null);
  const asked = useRef(0);
  const [state, setState] = useState<EngineState>({ status: "loading" });
  const [seen, setSeen] = useState<Omit<Seen, "upToDate"> & { of: string }>({ view: null, before: new Map(), of: "" });
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL("./engine.worker.ts", import.meta.url), { type: "module" });
    const remote = wrap<Engine>(worker);
    engine.current = remote;
    remote
      .load(new URL(floraUrl, location.href).href)
      .then((vocabulary) => setState({ status: "ready", vocabulary }))
      .catch((error) => setState({ status: "failed", why: String(error.message ?? error) }));
    return () => worker.terminate();
  }, [floraUrl]);
  const key = JSON.stringify(input);
  const pairKey = JSON.stringify(pair);
  // What is asked is told apart by its text, and sent as it is.
  const latest = useRef({ input, pair });
  latest.current = { input, pair };
  useEffect(() => {
    const { input: now, pair: of } = latest.current;
    if (state.status !== "ready" || !engine.current || !now || key === "null" || !pairKey) return;
    const mine = ++asked.current;
    engine.current
      .view(now, lens, of)
      .then((next) => {
        if (mine !== asked.current) return;
        // How the last answer moved them stays to be seen when only the pair looked at changes.
        setSeen((last) => ({
          view: next,
          before: last.of === key ? last.before : new Map(last.view?.field.map((m) => [m.taxon, m.probability])),
          of: key,
        }));
        setFault(null);
      })
      .catch((error) => mine === asked.current && setFault(String(error.message ?? error)));
  }, [key, lens, pairKey, state.status]);
  const hold = useCallback(() => engine.current, []);
  return { state, view: seen.view, before: seen.before, upToDate: seen.of === key, fault, engine: hold };
}
