"use client";
import { type Remote, wrap } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { BenchPack } from "@/contracts/bench-pack";
import type { DrillEngine, DrillVocabulary } from "./drill-engine";

export type DrillPlace = Pick<BenchPack, "floraUrl" | "status" | "costs">;

/** The maker of questions in a worker; `vocabulary` is null until the flora is read. */
export function useDrillEngine({ floraUrl, status, costs }: DrillPlace): {
  engine: () => Remote<DrillEngine> | null;
  vocabulary: DrillVocabulary | null;
  fault: string | null;
} {
  const engine = useRef<Remote<DrillEngine> | null>(null);
  const [vocabulary, setVocabulary] = useState<DrillVocabulary | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const place = useRef({ status, costs });
  place.current = { status, costs };
  useEffect(() => {
    const worker = new Worker(new URL("./drill.worker.ts", import.meta.url), { type: "module" });
    const remote = wrap<DrillEngine>(worker);
    engine.current = remote;
    remote
      .load(new URL(floraUrl, location.href).href, place.current.status, place.current.costs)
      .then(setVocabulary)
      .catch((error) => setFault(String(error.message ?? error)));
    return () => worker.terminate();
  }, [floraUrl]);
  const maker = useCallback(() => engine.current, []);
  return { engine: maker, vocabulary, fault };
}
