"use client";

import { Button } from "../ui/button";
import { Combobox } from "../ui/combobox";
import { Segmented } from "../ui/segmented";
import { memo, type ReactNode, useState } from "react";
import type { Character, Position } from "@/core/flora";
import { type ObservationInput, canBeMissing } from "@/core/identify";
import { NOT_DRAWN } from "@/core/flora";
import { LazyPicture } from "./lazy-picture";

export type Sure = "sure" | "likely" | "guess";

/** One question with its drawn answers, and those that are always there. */
export const Question = memo(function Question({
  character,
  onSecondPlant,
  onAlone,
  why,
  caution,
  sure,
  known,
  most,
  onPicture,
  onSure,
  onAnswer,
}: {
  character: Character /** it was answered of one plant, and is asked of a second */;
  onSecondPlant: boolean /** no second plant stands here */;
  onAlone: () => void;
  why: string;
  caution?: string;
  sure: Sure /** plants that may stand beside it, by accepted name */;
  known: Record<string, string> /** of a measured part: the largest reading that is taken */;
  most?: number /** where a measured part can be measured on a picture */;
  onPicture?: ReactNode;
  onSure: (s: Sure) => void;
  onAnswer: (o: ObservationInput) => void;
}) {
  const [against, setAgainst] = useState("");
  const [position, setPosition] = useState<Position | undefined>(undefined);
  const key = `${character.id} ${onSecondPlant ? 2 : 1}`;
  return (
    <section aria-labelledby="question" data-character={character.id} data-second={onSecondPlant || undefined}>
      <h1 id="question" className="text-[24px] md:text-[27px]">
        {onSecondPlant ? (
          <span className="block text-[18px] text-[var(--madder)]">Now on a second plant of the patch</span>
        ) : null}
        {character.ask}
      </h1>
      <p className="mt-1 text-[var(--soft)]">
        {why} About {character.seconds} seconds.
        {caution ? <strong className="text-[var(--madder)]"> {caution}</strong> : null}
      </p>
      {character.positions && !onSecondPlant ? (
        <Segmented
          label="Which leaves?"
          value={position ?? "any"}
          onChange={(value) => setPosition(value === "any" ? undefined : value)}
          options={[
            { value: "any", words: "Leaves in general" },
            ...character.positions.map((value) => ({ value, words: LEAVES_AT[value] })),
          ]}
          className="mt-2"
        />
      ) : null}
      {character.comparative ? <Beside known={known} against={against} onChoose={setAgainst} /> : null}
      {character.comparative && !(against in known) ? null : character.states.length > 0 ? (
        <StateAnswers
          key={key}
          character={character}
          sure={sure}
          onAnswer={(o) =>
            onAnswer({ ...o, ...(character.comparative ? { against } : {}), ...(position ? { position } : {}) })
          }
        />
      ) : (
        <>
          <NumberAnswer
            key={key}
            character={character}
            most={most ?? Number.POSITIVE_INFINITY}
            sure={sure}
            onAnswer={onAnswer}
          />
          {onPicture}
        </>
      )}
      <div className="mt-1 py-1 md:py-2 flex md:flex-wrap gap-1 md:gap-2 items-center justify-between sticky bottom-[61px] z-10 bg-[var(--sheet)] lg:static">
        <span className="flex md:flex-wrap gap-1 md:gap-2 small-pills">
          <Button className="pill" onClick={() => onAnswer({ character: character.id, answer: "cannot-tell" })}>
            Can’t tell{" "}
            <span className="keycap" aria-hidden>
              0
            </span>
          </Button>
          {onSecondPlant ? (
            <Button className="pill" onClick={onAlone}>
              No second plant here
            </Button>
          ) : (
            <Button className="pill" onClick={() => onAnswer({ character: character.id, answer: "not-there-yet" })}>
              Not there yet{" "}
              <span className="keycap" aria-hidden>
                N
              </span>
            </Button>
          )}
          {canBeMissing(character) ? (
            <Button className="pill" onClick={() => onAnswer({ character: character.id, answer: "absent", sure })}>
              No such part{" "}
              <span className="keycap" aria-hidden>
                X
              </span>
            </Button>
          ) : null}
        </span>
        <SureSwitch sure={sure} onSure={onSure} />
      </div>
    </section>
  );
});

/** Where on the stem leaves are told apart. */
const LEAVES_AT: Record<Position, string> = { low: "Low leaves", middle: "Middle leaves", high: "High leaves" };

/** The plant beside it, by one of its names. */
function Beside({
  known,
  against,
  onChoose,
}: {
  known: Record<string, string>;
  against: string;
  onChoose: (taxon: string) => void;
}) {
  return (
    <div className="mt-3 max-w-[420px]">
      <Combobox
        label="The plant next to it, if you are sure of its name"
        choices={Object.entries(known).map(([taxon, plain]) => ({ value: taxon, words: plain, also: taxon }))}
        value={against}
        onChange={onChoose}
        fault="No plant in the flora has that name."
      />
    </div>
  );
}

const SURENESS: { value: Sure; words: string }[] = [
  { value: "sure", words: "Sure" },
  { value: "likely", words: "Likely" },
  { value: "guess", words: "A guess" },
];
const HOW_SURE = "How sure are you of the next answer?";

/** On a phone a list that is folded up, so that the drawn answers have the screen. */
function SureSwitch({ sure, onSure }: { sure: Sure; onSure: (s: Sure) => void }) {
  return (
    <>
      <select
        aria-label={HOW_SURE}
        className="md:hidden min-h-[44px] w-[84px]"
        value={sure}
        onChange={(e) => onSure(SURENESS.find((s) => s.value === e.target.value)?.value ?? "sure")}
      >
        {SURENESS.map(({ value, words }) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
      <span className="max-md:hidden">
        <Segmented label={HOW_SURE} value={sure} onChange={onSure} options={SURENESS} />
      </span>
    </>
  );
}

/** How the pictures are answered: one, one of several, several together on the plant, or so many plants of those looked at. */
type Way = { kind: "one" } | { kind: "several"; states: string[] } | { kind: "plants"; n: number; yes: number };
const MOST_PLANTS = 30;

function StateAnswers({
  character,
  sure,
  onAnswer,
}: {
  character: Character;
  sure: Sure;
  onAnswer: (o: ObservationInput) => void;
}) {
  const [way, setWay] = useState<Way>({ kind: "one" });
  const drawn = !NOT_DRAWN.includes(character.id);
  const answer = (states: string[], rest: Partial<ObservationInput> = {}) =>
    onAnswer({ character: character.id, states, sure, ...rest });
  const press = (state: string) => {
    if (way.kind === "several")
      setWay({
        kind: "several",
        states: way.states.includes(state) ? way.states.filter((s) => s !== state) : [...way.states, state],
      });
    else answer([state], way.kind === "plants" ? { of: { yes: way.yes, n: way.n } } : {});
  };
  const columns =
    character.states.length <= 4
      ? "md:grid-cols-4"
      : character.states.length === 5
        ? "md:grid-cols-5"
        : character.states.length === 6
          ? "md:grid-cols-3"
          : "md:grid-cols-4";
  return (
    <>
      {way.kind === "plants" ? <PlantsLookedAt way={way} onChange={setWay} /> : null}
      <div className={`mt-3 grid grid-cols-2 ${columns} gap-2`}>
        {character.states.map((state, i) => (
          <button
            key={state.id}
            type="button"
            className="answer"
            data-answer={i + 1}
            data-state={state.id}
            aria-pressed={way.kind === "several" ? way.states.includes(state.id) : undefined}
            onClick={() => press(state.id)}
          >
            {drawn ? (
              <span className="picture">
                <LazyPicture of={{ character: character.id, state: state.id }} />
              </span>
            ) : null}
            <span className="words">
              {i < 9 ? (
                <span className="keycap mr-1" aria-hidden>
                  {i + 1}
                </span>
              ) : null}
              {state.name}
            </span>
            {state.help ? <span className="help">{state.help}</span> : null}
          </button>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap gap-x-4 gap-y-2 items-center">
        {way.kind === "several" ? (
          <>
            <Button look="press" disabled={way.states.length < 2} onClick={() => answer(way.states, { join: "any" })}>
              It is one of these {way.states.length}
            </Button>
            <Button disabled={way.states.length < 2} onClick={() => answer(way.states, { join: "all" })}>
              All of these on one plant
            </Button>
          </>
        ) : null}
        {way.kind === "one" ? (
          <>
            <Button look="plain" className="small" onClick={() => setWay({ kind: "several", states: [] })}>
              Two or more states, or several together? Mark each one
            </Button>
            <Button look="plain" className="small" onClick={() => setWay({ kind: "plants", n: 5, yes: 5 })}>
              Did you check several plants of the patch? Count them
            </Button>
          </>
        ) : (
          <Button look="plain" onClick={() => setWay({ kind: "one" })}>
            Only one
          </Button>
        )}
      </div>
    </>
  );
}

/** So many plants of the patch were looked at, so many showed it: then the picture of what they showed. */
function PlantsLookedAt({ way, onChange }: { way: { n: number; yes: number }; onChange: (way: Way) => void }) {
  const whole = (text: string, least: number, most: number) =>
    Math.min(most, Math.max(least, Math.round(Number(text)) || least));
  return (
    <fieldset className="mt-3 flex flex-wrap gap-3 items-end border-l-4 border-[var(--rule)] pl-3">
      <legend className="sr-only">Plants of this patch</legend>
      <label className="field w-28">
        <span className="label">Plants checked</span>
        <input
          type="number"
          inputMode="numeric"
          min={1}
          max={MOST_PLANTS}
          value={way.n}
          onChange={(e) => {
            const n = whole(e.target.value, 1, MOST_PLANTS);
            onChange({ kind: "plants", n, yes: Math.min(way.yes, n) });
          }}
        />
      </label>
      <label className="field w-28">
        <span className="label">of them, showed it</span>
        <input
          type="number"
          inputMode="numeric"
          min={0}
          max={way.n}
          value={way.yes}
          onChange={(e) => onChange({ kind: "plants", n: way.n, yes: whole(e.target.value, 0, way.n) })}
        />
      </label>
      <p className="pb-2">Now tap what those {way.yes} plants showed.</p>
    </fieldset>
  );
}

/** What is wrong with readings as they were typed, and what would be right; null where they can be taken. */
function faultOf(readings: number[], most: number, unit: string): string | null {
  if (!readings.every((r) => Number.isFinite(r) && r >= 0)) return "Write numbers such as 4 or 3.5";
  const beyond = readings.find((r) => r > most);
  return beyond === undefined
    ? null
    : `${beyond} ${unit} is more than any plant here has. Give it in ${unit}, at most ${Number(most.toPrecision(2))}`;
}

function NumberAnswer({
  character,
  most,
  sure,
  onAnswer,
}: {
  character: Character;
  most: number;
  sure: Sure;
  onAnswer: (o: ObservationInput) => void;
}) {
  const [text, setText] = useState("");
  const readings = text
    .split(/[\s;]+/)
    .map((t) => t.replace(",", "."))
    .filter(Boolean)
    .map(Number);
  const fault = text.trim() ? faultOf(readings, most, character.unit ?? "") : null;
  const sound = readings.length > 0 && !fault;
  return (
    <form
      className="mt-3 grid sm:grid-cols-[150px_1fr] gap-4 items-end"
      onSubmit={(e) => {
        e.preventDefault();
        if (sound) onAnswer({ character: character.id, values: readings, sure });
      }}
    >
      <LazyPicture of={{ measured: character.id }} className="w-[150px] drawing-ground border border-[var(--rule)]" />
      <div>
        <label className="field">
          <span className="label">Reading in {character.unit}; several with a space between</span>
          <input
            inputMode="decimal"
            autoComplete="off"
            value={text}
            onChange={(e) => setText(e.target.value)}
            className="figure text-[21px]"
            aria-describedby="reading-hint"
            aria-invalid={fault !== null}
          />
        </label>
        <p id="reading-hint" className={fault ? "fault" : "small"}>
          {fault ??
            (readings.length > 1
              ? `Mean of ${readings.length}: ${Number((readings.reduce((a, b) => a + b, 0) / readings.length).toPrecision(3))} ${character.unit}`
              : "Measure two or three. They tell you more than one.")}
        </p>
        <Button type="submit" look="press" className="mt-2" disabled={!sound}>
          That is it
        </Button>
      </div>
    </form>
  );
}
