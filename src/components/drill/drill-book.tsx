"use client";
import { useEffect, useState } from "react";
import { clock } from "@/wiring/browser";
import { refreshDrillPast, useDrillPast } from "../device/drill-past";
import { DrillHome } from "./drill-home";
import { DrillRound } from "./drill-round";
import type { Round } from "./round-state";
import { useDrillEngine } from "./use-drill-engine";
import type { DrillBookPack, Wanted } from "./wanted";

/** Practice, on the device: with or without a signal. */
export function DrillBook({
  pack,
  asked,
  teaches,
  consent,
}: {
  pack: DrillBookPack;
  /** flora ids of plants that are to be practiced, from a page that showed them side by side */
  asked: string[];
  teaches: boolean;
  consent?: React.ReactNode;
}) {
  const { engine, vocabulary, fault } = useDrillEngine(pack);
  const past = useDrillPast(pack.key);
  const [begun, setBegun] = useState<Begun | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    refreshDrillPast(pack.key).catch(() => undefined);
  }, [pack.key]);
  const begin = async (wanted: Wanted) => {
    const maker = engine();
    if (!maker || !past) return;
    const now = clock.now();
    const seed = now.getTime() % SEEDS;
    try {
      const planned = await maker.plan(wanted.scope, past, now.toISOString(), wanted.questions, seed);
      setBegun({ wanted, round: { planned, seed, ...wanted } });
    } catch (error) {
      setProblem(String((error as Error).message ?? error));
    }
  };
  if (fault ?? problem)
    return (
      <p className="p-6 fault" role="alert">
        Practice could not be opened: {fault ?? problem}.
      </p>
    );
  if (!vocabulary || !past)
    return (
      <p className="p-6" role="status">
        Opening the flora …
      </p>
    );
  if (begun)
    return (
      <DrillRound
        key={begun.round.seed}
        begun={begun.round}
        engine={engine}
        learner={{ key: pack.key, person: pack.person, flora: vocabulary.version }}
        onAgain={() => begin(begun.wanted)}
        onHome={() => setBegun(null)}
      />
    );
  return <DrillHome {...{ pack, past, asked, teaches, consent }} vocabulary={vocabulary} onBegin={begin} />;
}

interface Begun {
  wanted: Wanted;
  round: Pick<Round, "planned" | "questions" | "seed" | "form" | "setId">;
}

/** Seeds stay small enough to be read out. */
const SEEDS = 1_000_000_007;
