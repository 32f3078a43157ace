"use client";
import { memo, useState } from "react";
import type { Character, ObservationInput } from "@/core/identify";
import { NOT_DRAWN } from "@/drawings/not-drawn";
import { LazyPicture } from "./lazy-picture";

export type Sure = "sure" | "likely" | "guess";

/** One question with its drawn answers, and the three that are always there. */
export const Question = memo(function Question({ character, why, caution, later, sure, onSure, onAnswer }: { character: Character; why: string; caution?: string; later?: string; sure: Sure; onSure: (s: Sure) => void; onAnswer: (o: ObservationInput) => void }) {
  return (
    <section aria-labelledby="question" data-character={character.id}>
      <h1 id="question" className="text-[24px] md:text-[27px]">{character.ask}</h1>
      <p className="mt-1 text-[var(--soft)]">
        {why} About {character.seconds} seconds.{later ? ` ${later}` : ""}
        {caution ? <strong className="text-[var(--madder)]"> {caution}</strong> : null}
      </p>
      {character.states.length > 0 ? <StateAnswers character={character} sure={sure} onAnswer={onAnswer} /> : <NumberAnswer key={character.id} character={character} sure={sure} onAnswer={onAnswer} />}
      <div className="mt-1 py-2 flex flex-wrap gap-2 items-center justify-between sticky bottom-[61px] z-10 bg-[var(--sheet)] lg:static">
        <span className="flex gap-2">
          <button type="button" className="button pill" onClick={() => onAnswer({ character: character.id, answer: "cannot-tell" })}>Can’t tell <span className="keycap" aria-hidden>0</span></button>
          <button type="button" className="button pill" onClick={() => onAnswer({ character: character.id, answer: "not-there-yet" })}>Not there yet <span className="keycap" aria-hidden>N</span></button>
        </span>
        <SureSwitch sure={sure} onSure={onSure} />
      </div>
    </section>
  );
});

function SureSwitch({ sure, onSure }: { sure: Sure; onSure: (s: Sure) => void }) {
  return (
    <fieldset className="flex border-2 border-[var(--ink)] pill overflow-hidden w-full sm:w-auto">
      <legend className="sr-only">How sure are you of the next answer?</legend>
      {(["sure", "likely", "guess"] as const).map((s) => (
        <label key={s} className={`flex-1 text-center whitespace-nowrap min-h-[44px] px-3 flex items-center justify-center cursor-pointer border-l first:border-l-0 border-[var(--line)] focus-within:outline-3 focus-within:outline-[var(--focus)] ${sure === s ? "bg-[var(--press)] text-[var(--press-ink)]" : ""}`}>
          <input type="radio" name="sure" value={s} checked={sure === s} onChange={() => onSure(s)} className="sr-only" />
          {s === "guess" ? "a guess" : s}
        </label>
      ))}
    </fieldset>
  );
}

function StateAnswers({ character, sure, onAnswer }: { character: Character; sure: Sure; onAnswer: (o: ObservationInput) => void }) {
  const [several, setSeveral] = useState<string[] | null>(null);
  const drawn = !NOT_DRAWN.includes(character.id);
  const answer = (states: string[]) => onAnswer({ character: character.id, states, sure, ...(states.length > 1 ? { join: "any" as const } : {}) });
  const columns = character.states.length <= 4 ? "md:grid-cols-4" : character.states.length === 5 ? "md:grid-cols-5" : character.states.length === 6 ? "md:grid-cols-3" : "md:grid-cols-4";
  return (
    <>
      <div className={`mt-3 grid grid-cols-2 ${columns} gap-2`}>
        {character.states.map((state, i) => {
          const chosen = several?.includes(state.id) ?? false;
          return (
            <button key={state.id} type="button" className="answer" data-answer={i + 1} data-state={state.id} aria-pressed={several ? chosen : undefined} onClick={() => (several ? setSeveral(chosen ? several.filter((s) => s !== state.id) : [...several, state.id]) : answer([state.id]))}>
              {drawn ? <span className="picture"><LazyPicture of={{ character: character.id, state: state.id }} /></span> : null}
              <span className="words">{i < 9 ? <span className="keycap mr-1" aria-hidden>{i + 1}</span> : null}{state.name}</span>
              {state.help ? <span className="help">{state.help}</span> : null}
            </button>
          );
        })}
      </div>
      <div className="mt-2">
        {several ? (
          <span className="flex flex-wrap gap-2"><button type="button" className="button press" disabled={several.length === 0} onClick={() => answer(several)}>It is one of these {several.length}</button><button type="button" className="plain-button" onClick={() => setSeveral(null)}>Only one</button></span>
        ) : (
          <button type="button" className="plain-button small" onClick={() => setSeveral([])}>Between two or more? Mark all that it may be</button>
        )}
      </div>
    </>
  );
}

function NumberAnswer({ character, sure, onAnswer }: { character: Character; sure: Sure; onAnswer: (o: ObservationInput) => void }) {
  const [text, setText] = useState("");
  const readings = text.split(/[\s;]+/).map((t) => t.replace(",", ".")).filter(Boolean).map(Number);
  const sound = readings.length > 0 && readings.every((r) => Number.isFinite(r) && r >= 0);
  return (
    <form
      className="mt-3 grid sm:grid-cols-[150px_1fr] gap-4 items-end"
      onSubmit={(e) => {
        e.preventDefault();
        if (sound) onAnswer({ character: character.id, values: readings, sure });
      }}
    >
      <LazyPicture of={{ unit: character.unit ?? "" }} className="w-[150px] bg-[#fdfbf5] border border-[var(--rule)]" />
      <div>
        <label className="field"><span className="label">Reading in {character.unit}; several with a space between</span><input inputMode="decimal" autoComplete="off" value={text} onChange={(e) => setText(e.target.value)} className="figure text-[21px]" aria-describedby="reading-hint" /></label>
        <p id="reading-hint" className={text && !sound ? "fault" : "small"}>{text && !sound ? "Write numbers such as 4 or 3.5" : readings.length > 1 ? `Mean of ${readings.length}: ${Number((readings.reduce((a, b) => a + b, 0) / readings.length).toPrecision(3))} ${character.unit}` : "Two or three parts tell more than one."}</p>
        <button type="submit" className="button press mt-2" disabled={!sound}>That is it</button>
      </div>
    </form>
  );
}
