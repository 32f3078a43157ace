"use client";
import { type Remote, wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { CaseInput, Character, Lens } from "@/core/identify";
import type { BenchView, Engine } from "./engine.worker";

export interface Vocabulary {
  characters: Character[];
  taxa: { name: string; common: string[]; lifeForm: string }[];
  version: string;
}
export type EngineState = { status: "loading" } | { status: "failed"; why: string } | { status: "ready"; vocabulary: Vocabulary };

/** The identification engine in a worker: loads the flora once, then answers each case. A late answer never overwrites a newer one. */
export function useEngine(floraUrl: string, input: CaseInput | null, lens: Lens): { state: EngineState; view: BenchView | null; fault: string | null } {
  const engine = useRef<Remote<Engine> | null>(null);
  const asked = useRef(0);
  const [state, setState] = useState<EngineState>({ status: "loading" });
  const [view, setView] = useState<BenchView | null>(null);
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
  useEffect(() => {
    if (state.status !== "ready" || !engine.current || key === "null") return;
    const mine = ++asked.current;
    engine.current
      .view(JSON.parse(key) as CaseInput, lens)
      .then((next) => {
        if (mine !== asked.current) return;
        setView(next);
        setFault(null);
      })
      .catch((error) => mine === asked.current && setFault(String(error.message ?? error)));
  }, [key, lens, state.status]);
  return { state, view, fault };
}
