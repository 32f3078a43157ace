"use client";
import { Button } from "../ui/button";
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
export function StageQuestion({ onAnswer }: { onAnswer: (stage: Stage | null) => void }) {
  return (
    <section aria-labelledby="question">
      <h1 id="question" className="text-[24px] md:text-[27px]">
        What stage is the plant at?
      </h1>
      <p className="mt-1 text-[var(--soft)]">
        The stage decides which parts the Bench asks about. Go by the plant itself, not by its neighbors.
      </p>
      <div className="mt-3 grid grid-cols-2 md:grid-cols-5 gap-2">
        {(Object.keys(ANSWERS) as Stage[]).map((stage, i) => (
          <button key={stage} type="button" className="answer" data-answer={i + 1} onClick={() => onAnswer(stage)}>
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
      <Button className="pill mt-3" onClick={() => onAnswer(null)}>
        Can’t tell{" "}
        <span className="keycap" aria-hidden>
          0
        </span>
      </Button>
    </section>
  );
}
