"use client";
import { Button } from "../ui/button";
import { firstOf } from "@/core/items";
import { useState } from "react";
import type { Character } from "@/core/flora";
import type { ObservationInput } from "@/core/identify";
import { LazyPicture } from "./lazy-picture";

interface Props {
  characters: Character[];
  /** what was said of the place of the plant before */
  before: ObservationInput[];
  /** what the site knows of its place, by character */
  known: Record<string, string[]>;
  /** what is known of the place; empty where nothing is */
  onAnswer: (observations: ObservationInput[]) => void;
}

type Chosen = Record<string, string>;

/** Where the plant stands, all in one: whoever is there knows it without a check, and the next plant stands there too. */
export function PlaceQuestion({ characters, before, known, onAnswer }: Props) {
  const offered = Object.fromEntries(
    before.flatMap((o) => (o.states?.length === 1 ? [[o.character, firstOf(o.states)]] : [])),
  );
  const [chosen, setChosen] = useState<Chosen>(offered);
  const isKnown = (c: Character) => (known[c.id] ?? []).length > 0;
  const open = characters.find((c) => !chosen[c.id] && !isKnown(c));
  const goOn = (said: Chosen) =>
    onAnswer(
      characters.flatMap((c) => {
        const state = said[c.id];
        return state ? [{ character: c.id, states: [state] }] : [];
      }),
    );
  const choose = (character: string, state: string) => {
    const { [character]: was, ...others } = chosen;
    const next = was === state ? others : { ...chosen, [character]: state };
    setChosen(next);
    if (open && characters.every((c) => next[c.id] || isKnown(c))) goOn(next);
  };
  return (
    <section aria-labelledby="question" data-place>
      <h1 id="question" className="text-[24px] md:text-[27px]">
        Where does the plant grow?
      </h1>
      <p className="mt-1 text-[var(--soft)]">
        {before.length > 0
          ? "The same place as the last plant, unless you change it."
          : characters.some(isKnown)
            ? "What the site knows is marked. Tap another answer only where it is different for this plant."
            : "Say it once. The Bench offers it again for the next plant here. Skip what you cannot tell."}
      </p>
      {characters.map((character) => (
        <fieldset key={character.id} className="mt-3">
          <legend className="label">{character.name}</legend>
          <div
            className={`mt-1 grid grid-cols-2 gap-[6px] ${character.states.length === 4 ? "sm:grid-cols-4" : "sm:grid-cols-3"}`}
          >
            {character.states.map((state, i) => (
              <button
                key={state.id}
                type="button"
                className="place"
                aria-pressed={chosen[character.id] === state.id}
                data-answer={character === open ? i + 1 : undefined}
                data-state={state.id}
                data-known={(!chosen[character.id] && known[character.id]?.includes(state.id)) || undefined}
                onClick={() => choose(character.id, state.id)}
              >
                <LazyPicture of={{ character: character.id, state: state.id }} />
                <span>
                  {character === open && i < 9 ? (
                    <span className="keycap mr-1" aria-hidden>
                      {i + 1}
                    </span>
                  ) : null}
                  <strong>{state.name}</strong>
                  {!chosen[character.id] && known[character.id]?.includes(state.id) ? (
                    <span className="help">known for this site</span>
                  ) : null}
                  {state.help ? <span className="help">{state.help}</span> : null}
                </span>
              </button>
            ))}
          </div>
        </fieldset>
      ))}
      <div className="mt-1 py-2 flex flex-wrap gap-2 sticky bottom-[61px] z-10 bg-[var(--sheet)] lg:static">
        <Button
          look="press"
          disabled={Object.keys(chosen).length === 0 && !characters.every(isKnown)}
          data-go-on
          onClick={() => goOn(chosen)}
        >
          {before.length > 0
            ? "The same place, go on"
            : Object.keys(chosen).length === 0
              ? "As the site says, go on"
              : "Go on"}{" "}
          <span className="keycap" aria-hidden>
            G
          </span>
        </Button>
        <Button className="pill" onClick={() => onAnswer([])}>
          Can’t tell{" "}
          <span className="keycap" aria-hidden>
            0
          </span>
        </Button>
      </div>
    </section>
  );
}
