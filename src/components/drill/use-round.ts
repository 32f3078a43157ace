"use client";
import type { Remote } from "comlink";
import { useEffect, useReducer, useRef, useState } from "react";
import { v7 as uuidv7 } from "uuid";
import { type Form, type Given, offBy } from "@/core/drill";
import { clock } from "@/wiring/browser";
import { keepAnswer } from "../device/drill-past";
import type { DrillEngine } from "./drill-engine";
import { isDone, newRound, type Round, stepped } from "./round-state";

/** Whose answers are kept, and by which flora the questions are made. */
export interface Learner {
  key: string;
  person: string;
  flora: string;
}

export interface RunningRound {
  round: Round;
  fault: string | null;
  clue: () => void;
  answer: (given: Given) => void;
  next: () => void;
}

/** Runs a round: asks for the next question, keeps each answer on the device and lays it out to be sent. */
export function useRound(
  begun: Pick<Round, "planned" | "questions" | "seed" | "form" | "setId">,
  engine: () => Remote<DrillEngine> | null,
  learner: Learner,
): RunningRound {
  const [round, act] = useReducer(stepped, begun, newRound);
  const [fault, setFault] = useState<string | null>(null);
  const since = useRef(0);
  const answering = useRef(false);
  const waits = round.posed === null && round.after === null && !isDone(round);
  useEffect(() => {
    const maker = engine();
    if (!waits || !maker) return;
    let ended = false;
    nextAskable(maker, round.planned, round.at, round.seed, round.form)
      .then((found) => {
        if (ended) return;
        since.current = performance.now();
        act(found ? { type: "posed", ...found } : { type: "ranOut" });
      })
      .catch((error) => !ended && setFault(String(error.message ?? error)));
    return () => {
      ended = true;
    };
  }, [waits, round.planned, round.at, round.seed, round.form, engine]);
  const answer = async (given: Given) => {
    const { posed, after } = round;
    const maker = engine();
    if (!posed || after || !maker || answering.current) return;
    answering.current = true;
    const seconds = Math.min(86_400, (performance.now() - since.current) / 1000);
    try {
      const seen = await maker.answer(posed.scene.question, given);
      act({ type: "answered", after: seen, given });
      // The next question does not wait until this answer is stored.
      keep(posed, given, seen.outcome, seconds, round.setId, learner).catch((error) => setFault(notStored(error)));
    } catch (error) {
      setFault(String((error as Error).message ?? error));
    } finally {
      answering.current = false;
    }
  };
  return { round, fault, clue: () => act({ type: "clue" }), answer, next: () => act({ type: "next" }) };
}

const notStored = (error: unknown): string =>
  `The answer could not be stored on this device: ${String((error as Error).message ?? error)}`;

async function nextAskable(
  maker: Remote<DrillEngine>,
  planned: Round["planned"],
  from: number,
  seed: number,
  form: Form | null,
) {
  for (let at = from; at < planned.length; at++) {
    const subject = planned[at];
    const posed = subject && (await maker.pose(subject, seed + at, form));
    if (posed) return { posed, at };
  }
  return null;
}

async function keep(
  { scene, preferred }: NonNullable<Round["posed"]>,
  given: Given,
  told: { right: boolean; score: number },
  seconds: number,
  setId: string | null,
  { key, person, flora }: Learner,
): Promise<void> {
  const { form, taxon, stage, seed } = scene.question;
  const id = uuidv7();
  const at = clock.now().toISOString();
  const off = form === "quadrat" ? offBy(seed, given) : undefined;
  await keepAnswer(
    {
      ...{ id, key, person, madeAt: at, kind: "drill" },
      body: { id, at, flora, form, taxon, stage, seed, preferred, given, seconds, setId, told },
    },
    {
      ...{ at, form, taxon, ...told, seconds },
      ...(scene.options.length > 0 ? { options: scene.options.map((option) => option.id) } : {}),
      ...(given.kind === "plant" ? { chosen: given.taxon } : {}),
      ...(off ? { off } : {}),
    },
  );
}
