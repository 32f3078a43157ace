"use client";
import { Button } from "../ui/button";
import { useState } from "react";
import type { Stage } from "@/core/flora";
import { LazyPicture } from "./lazy-picture";

/** What may be answered; elsewhere the stages have shorter names. */
const ANSWERS: Record<Stage, string> = {
  seedling: "Seedling",
  vegetative: "In leaf",
  flowering: "In flower",
  fruiting: "In seed",
  winter: "Winter",
};

/** The first thing to say of a plant: how far along it is. It decides what can be asked. */
export function StageQuestion({
  onAnswer,
  onTwo,
}: {
  onAnswer: (stage: Stage | null) => void;
  onTwo: (stages: [Stage, Stage]) => void;
}) {
  /** the stages marked so far, where two are wanted */
  const [two, setTwo] = useState<Stage[] | null>(null);
  const choose = (stage: Stage) => {
    if (!two) return onAnswer(stage);
    const [first] = two;
    if (first === undefined) return setTwo([stage]);
    return first === stage ? setTwo([]) : onTwo([first, stage]);
  };
  return (
    <section aria-labelledby="question">
      <h1 id="question" className="text-[24px] md:text-[27px]">
        What stage is the plant at?
      </h1>
      <p className="mt-1 text-[var(--soft)]">
        {two
          ? "Mark both stages: flowers beside ripe fruit, new shoots beside last year’s stems, seed leaves below true leaves."
          : "The stage decides which parts the Bench asks about first. Go by the plant itself, not by its neighbors."}
      </p>
      <div className="mt-3 grid grid-cols-2 md:grid-cols-5 gap-2">
        {(Object.keys(ANSWERS) as Stage[]).map((stage, i) => (
          <button
            key={stage}
            type="button"
            className="answer"
            data-answer={i + 1}
            aria-pressed={two ? two.includes(stage) : undefined}
            onClick={() => choose(stage)}
          >
            <span className="picture">
              <LazyPicture of={{ stage }} />
            </span>
            <span className="words">
              <span className="keycap mr-1" aria-hidden>
                {i + 1}
              </span>
              {ANSWERS[stage]}
            </span>
          </button>
        ))}
      </div>
      <Button className="pill mt-3 mr-2" aria-pressed={two !== null} onClick={() => setTwo(two ? null : [])}>
        {two ? "Only one stage" : "Two stages at once"}
      </Button>
      <Button className="pill mt-3" onClick={() => onAnswer(null)}>
        Can’t tell{" "}
        <span className="keycap" aria-hidden>
          0
        </span>
      </Button>
    </section>
  );
}
