"use client";
import type { Remote } from "comlink";
import { useEffect, useRef } from "react";
import { Button } from "../ui/button";
import { AfterAnswer } from "./after-answer";
import type { DrillEngine } from "./drill-engine";
import { QuestionSheet } from "./question-sheet";
import { isDone, type Round } from "./round-state";
import { ScoreSheet, ScoreStrip } from "./score-sheet";
import { useDrillKeys } from "./use-drill-keys";
import { type Learner, useRound } from "./use-round";

/** A round of questions, one after the other, until its sheet is full. */
export function DrillRound({
  begun,
  engine,
  learner,
  onAgain,
  onHome,
}: {
  begun: Pick<Round, "planned" | "questions" | "seed" | "form" | "setId">;
  engine: () => Remote<DrillEngine> | null;
  learner: Learner;
  onAgain: () => void;
  onHome: () => void;
}) {
  const { round, fault, clue, answer, next } = useRound(begun, engine, learner);
  const top = useRef<HTMLDivElement>(null);
  useDrillKeys();
  const asked = round.posed?.scene.question.seed;
  // A new question begins at its top, for the eye and for whoever listens.
  useEffect(() => {
    if (asked === undefined) return;
    top.current?.scrollIntoView({ block: "nearest" });
    document.getElementById("question")?.focus({ preventScroll: true });
  }, [asked]);
  return (
    <div className="px-4 md:px-6 py-4 max-w-[1180px]" ref={top}>
      {isDone(round) ? (
        <ScoreSheet lines={round.lines} onAgain={onAgain} onHome={onHome} />
      ) : (
        <>
          <div className="flex flex-wrap items-center gap-x-4 gap-y-1 mb-3">
            <ScoreStrip lines={round.lines} questions={round.questions} />
            <Button look="plain" className="ml-auto" onClick={onHome}>
              Stop here
            </Button>
          </div>
          {fault ? (
            <p className="fault" role="alert">
              {fault}
            </p>
          ) : null}
          {round.posed ? (
            <QuestionSheet
              key={round.at}
              scene={round.posed.scene}
              clues={round.clues}
              isAnswered={round.after !== null}
              onClue={clue}
              onAnswer={answer}
            />
          ) : (
            <p role="status">Drawing the next plant …</p>
          )}
          {round.after ? <AfterAnswer after={round.after} onNext={next} /> : null}
        </>
      )}
    </div>
  );
}
