"use client";
import { useState } from "react";
import { type Act, ACTS, type Given, outcomeOf } from "@/core/drill";
import { FigureDrawing } from "@/drawings/figure/figure-drawing";
import type { Scene } from "@/drawings/question/scene";
import { Button } from "../ui/button";
import { WHEN } from "../words/stages";
import { Choices } from "./choices";
import { ClueCards } from "./clue-cards";
import { MeasureLeaf } from "./measure-leaf";
import { QuadratFrame } from "./quadrat-frame";

export const ACT_WORDS: Record<Act, { words: string; also: string }> = {
  clear: { words: "Clear", also: "Control may be planned on what is seen." },
  hold: { words: "Hold", also: "Too little is seen. Come back or check more." },
  keep: { words: "Keep", also: "Leave it. It is a plant to keep." },
};

interface Props {
  scene: Scene;
  clues: number;
  isAnswered: boolean;
  onClue: () => void;
  onAnswer: (given: Given) => void;
}

/** A question of any form, before and after its answer. */
export function QuestionSheet(props: Props) {
  const { scene } = props;
  return (
    <section aria-labelledby="question" data-form={scene.question.form} data-question={scene.question.seed}>
      {scene.question.form === "clues" || scene.question.form === "collar" ? <WhichPlant {...props} /> : null}
      {scene.question.form === "next-check" ? <WhichCheck {...props} /> : null}
      {scene.question.form === "hold-or-clear" ? <WhichAct {...props} /> : null}
      {scene.question.form === "measure" ? <HowLarge {...props} /> : null}
      {scene.question.form === "quadrat" ? <HowMuch {...props} /> : null}
    </section>
  );
}

const Head = ({ ask, more }: { ask: string; more: string }) => (
  <>
    <h1 id="question" tabIndex={-1} className="text-[24px] md:text-[27px]">
      {ask}
    </h1>
    <p className="mt-1 text-[var(--soft)]">{more}</p>
  </>
);

/** What the answer is worth at this clue, of 100. */
const worthNow = ({ question }: Scene, clues: number): number =>
  Math.round(100 * (outcomeOf(question, { kind: "plant", taxon: question.taxon, clues })?.score ?? 0));

function WhichPlant({ scene, clues, isAnswered, onClue, onAnswer }: Props) {
  const [chosen, setChosen] = useState<string | null>(null);
  const isCollar = scene.question.form === "collar";
  const all = scene.clues.length;
  const seen = isCollar || isAnswered ? all : clues;
  return (
    <div className="lg:grid lg:grid-cols-[minmax(0,1fr)_320px] gap-6">
      <div>
        <Head
          ask={isCollar ? "Which grass has this collar?" : "Which plant is this?"}
          more={
            isCollar
              ? `It is seen ${WHEN[scene.stage]}. All that shows at the collar is drawn.`
              : `It is seen ${WHEN[scene.stage]}. Clue ${seen} of ${all}. The fewer clues you need, the more the answer is worth.`
          }
        />
        <ClueCards clues={scene.clues.slice(0, seen)} isGrowing={!isAnswered && !isCollar} />
        {!isCollar && !isAnswered && seen === all && scene.whole ? (
          <FigureDrawing
            figure={scene.whole}
            title="The whole plant"
            className="w-full max-w-[300px] mt-3 drawing-ground border border-[var(--rule)]"
          />
        ) : null}
        {!isCollar && !isAnswered ? (
          <p className="mt-3 flex flex-wrap gap-3 items-center">
            {seen < all ? (
              <Button onClick={onClue} data-clue>
                Show the next clue{" "}
                <span className="keycap" aria-hidden>
                  C
                </span>
              </Button>
            ) : (
              <span className="font-semibold">These are all the clues.</span>
            )}
            <span className="small">
              Your answer is worth {worthNow(scene, seen)} of 100 points now
              {seen < all ? `, and ${worthNow(scene, seen + 1)} after the next clue` : ""}.
            </span>
          </p>
        ) : null}
      </div>
      <Choices
        label="Which plant"
        choices={scene.options.map(({ id, plain, latin }) => ({ id, words: plain, also: latin }))}
        right={isAnswered ? scene.question.taxon : null}
        chosen={chosen}
        onChoose={(taxon) => {
          setChosen(taxon);
          onAnswer({ kind: "plant", taxon, clues: isCollar ? 1 : clues });
        }}
      />
    </div>
  );
}

function WhichCheck({ scene, isAnswered, onAnswer }: Props) {
  const [chosen, setChosen] = useState<string | null>(null);
  const { question } = scene;
  const best =
    question.form === "next-check" ? question.checks.reduce((a, b) => (b.worth > a.worth ? b : a)).character : null;
  return (
    <div className="lg:grid lg:grid-cols-[minmax(0,1fr)_320px] gap-6">
      <div>
        <Head
          ask="What do you check next?"
          more={`This much has been seen of a plant ${WHEN[scene.stage]}. Choose the check that tells most about its name for the time that it takes.`}
        />
        <ClueCards clues={scene.clues} isGrowing={false} />
      </div>
      <Choices
        label="Which check"
        choices={scene.checks.map(({ id, name, ask, seconds }) => ({
          id,
          words: name,
          also: `${ask} About ${seconds} s.`,
        }))}
        right={isAnswered ? best : null}
        chosen={chosen}
        onChoose={(character) => {
          setChosen(character);
          onAnswer({ kind: "check", character });
        }}
      />
    </div>
  );
}

const monthOf = (day: string): string =>
  new Date(`${day}T00:00:00Z`).toLocaleString("en-US", { month: "long", timeZone: "UTC" });

function WhichAct({ scene, isAnswered, onAnswer }: Props) {
  const [chosen, setChosen] = useState<string | null>(null);
  const { question } = scene;
  const right =
    question.form === "hold-or-clear" ? ACTS.find((act) => outcomeOf(question, { kind: "act", act })?.right) : null;
  const day = question.form === "hold-or-clear" ? question.day : "";
  return (
    <div className="lg:grid lg:grid-cols-[minmax(0,1fr)_320px] gap-6">
      <div>
        <Head
          ask="Clear, hold or keep?"
          more={`This much has been seen of a plant ${WHEN[scene.stage]} in ${monthOf(day)}. Your district’s list and its costs decide what is right.`}
        />
        <ClueCards clues={scene.clues} isGrowing={false} />
      </div>
      <Choices
        label="Which verdict"
        choices={ACTS.map((id) => ({ id, ...ACT_WORDS[id] }))}
        right={isAnswered ? (right ?? null) : null}
        chosen={chosen}
        onChoose={(id) => {
          const act = ACTS.find((one) => one === id);
          setChosen(id);
          if (act) onAnswer({ kind: "act", act });
        }}
      />
    </div>
  );
}

const MEASURE_ASK: Record<string, string> = {
  "stalk-ratio": "How long is the stalk, against the blade?",
  "leaf-ratio": "How long is the blade, against its width?",
  "notch-angle": "How wide is the angle of the notch?",
};

function HowLarge({ scene, isAnswered, onAnswer }: Props) {
  if (scene.question.form !== "measure" || !scene.leaf) return null;
  return (
    <div>
      <Head
        ask={MEASURE_ASK[scene.question.character] ?? "Measure it"}
        more={`A leaf of ${scene.plant?.plain} ${WHEN[scene.stage]}.`}
      />
      <MeasureLeaf
        character={scene.question.character}
        shapes={scene.leaf}
        seed={scene.question.seed}
        isAnswered={isAnswered}
        onAnswer={(value) => onAnswer({ kind: "number", value })}
      />
    </div>
  );
}

function HowMuch({ scene, isAnswered, onAnswer }: Props) {
  if (!scene.quadrat) return null;
  return (
    <div>
      <Head ask="How much stands in the frame?" more="Look once, then answer, as you would in the field." />
      <QuadratFrame
        quadrat={scene.quadrat}
        plain={scene.plant?.plain ?? "the plant"}
        isAnswered={isAnswered}
        onAnswer={(coverPercent, count) => onAnswer({ kind: "stand", coverPercent, count })}
      />
    </div>
  );
}
