"use client";

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { BenchPack } from "@/contracts/bench-pack";
import type { Character } from "@/core/flora";
import { type Lens, type Looked, type ObservationInput, placeCharacters } from "@/core/identify";
import { newDraft } from "../device/stored";
import { type BenchEvent, benchReducer, stepOf } from "./bench-state";
import { useDraft } from "./draft";
import type { BenchCase } from "./engine";
import { useDoubts } from "./name-in-mind";
import type { Sure } from "./question";
import { bringIntoSight, tapeHeight } from "./scrolling";
import { useEngine } from "./use-engine";

export interface BenchProps {
  pack: BenchPack;
  chosenSite: string | null;
  chosenPatch: string | null;
}

/** What the questions are for: to know what to do, to know the name, or to put a name in mind to the test. */
export type Towards = "action" | "name" | "doubt";
export type Sheet = "none" | "fits" | "save" | "any";

const KIT = ["lens", "ruler", "knife", "trowel", "gloves"];

/** What is chosen on the Bench and not part of the finding: it goes with the page. */
function useChoices() {
  const [lens, setLens] = useState("");
  const [towards, setTowards] = useState<Towards>("action");
  const [inMind, setInMind] = useState<string | null>(null);
  const [pair, setPair] = useState<[string, string] | null>(null);
  const [kit, setKit] = useState<string[]>([...KIT]);
  const [sure, setSure] = useState<Sure>("sure");
  const [chosen, setChosen] = useState<string | null>(null);
  /** why the finding saved last waits on this device */
  const [waits, setWaits] = useState<string | null>(null);
  /** the picture that is being measured on, and for which part */
  const [measuring, setMeasuring] = useState<{ picture: string; character: string | null } | null>(null);
  const [sheet, setSheet] = useState<Sheet>("none");
  return {
    ...{ lens, setLens, towards, setTowards, inMind, setInMind, pair, setPair, kit, setKit },
    ...{ sure, setSure, chosen, setChosen, waits, setWaits, measuring, setMeasuring, sheet, setSheet },
  };
}
type Choices = ReturnType<typeof useChoices>;
type Shelf = ReturnType<typeof useDraft>;

function useCase(pack: BenchPack, draft: Shelf["draft"], kit: string[], first: BenchPack["sites"][number] | undefined) {
  const site = pack.sites.find((s) => s.id === draft?.siteId) ?? first;
  const input = useMemo<BenchCase | null>(
    () =>
      draft && site
        ? {
            place: {
              ...pack.climate,
              setting: site.setting,
              list: site.status,
              actions: site.actions,
              confirmed: pack.confirmed,
              costs: pack.costs,
            },
            looked: {
              id: draft.id,
              day: draft.day,
              stage: draft.stages ? null : draft.stage,
              stages: draft.stages,
              kit: kit as Looked["kit"],
              observations: draft.observations,
            },
          }
        : null,
    [draft, site, kit, pack.climate, pack.confirmed, pack.costs],
  );
  return { site, input };
}

/** The Bench's state and what can be said on it; `bench-state.ts` says what each of these changes. */
export function useBench({ pack, chosenSite, chosenPatch }: BenchProps) {
  const first = pack.sites.find((s) => s.id === chosenSite) ?? pack.sites[0];
  const shelf = useDraft(pack.key, () => newDraft(first?.id ?? "", pack.today, chosenPatch));
  const { draft } = shelf;
  const choices = useChoices();
  const { site, input } = useCase(pack, draft, choices.kit, first);
  const lens = (choices.lens || null) as Lens;
  const { state, ...judged } = useEngine(pack.floraUrl, input, lens, choices.pair);
  const ready = state.status === "ready";
  const doubts = useDoubts(choices.towards === "doubt" ? choices.inMind : null, input, judged.engine, ready);
  const characters = ready ? state.vocabulary.characters : NONE;
  const next = useNextCheck(draft, choices, judged.view, doubts, characters);
  const places = useMemo(() => placeCharacters(characters), [characters]);
  const placeSaid = useMemo(
    () => draft?.observations.filter((o) => places.some((p) => p.id === o.character)) ?? [],
    [draft?.observations, places],
  );
  const said = useSaying(shelf, choices, next.second?.character);
  useFresh(draft?.id, choices);
  const step = stepOf(draft, choices.chosen !== null, places.length > 0 && places.every((p) => site?.setting[p.id]));
  const character = useSteady(next.character, step === "part", judged.upToDate);
  useQuestionInSight(character?.id);
  return {
    ...{ pack, shelf, draft, site, input, state, ...judged, doubts, places, placeSaid },
    ...choices,
    ...next,
    ...said,
    character,
    step,
  };
}
export type Bench = ReturnType<typeof useBench>;
const NONE: Character[] = [];

/** The check that is asked now: one chosen freely, one of a second plant, or the first of those offered. */
function useNextCheck(
  draft: Shelf["draft"],
  { towards, chosen, inMind }: Choices,
  view: ReturnType<typeof useEngine>["view"],
  doubts: ReturnType<typeof useDoubts>,
  characters: Character[],
) {
  const passed = draft?.passed ?? [];
  const onAnother = draft?.alone
    ? undefined
    : view?.identification.next.second.find((c) => !passed.includes(c.character));
  const second = towards === "action" && !chosen ? onAnother : undefined;
  const offered =
    towards === "doubt" && inMind
      ? doubts
      : (view?.identification.next[towards === "doubt" ? "action" : towards] ?? []);
  const id = chosen ?? second?.character ?? offered[0]?.character;
  const character = (view && draft && characters.find((c) => c.id === id)) ?? null;
  return { onAnother, second, character };
}

/**
 * The question on the screen stays until the engine has answered. One that the engine asked before the last step is never put there
 * instead: it would change under the finger.
 */
function useSteady(character: Character | null, isAsked: boolean, upToDate: boolean): Character | null {
  const shown = useRef<string | null>(null);
  const steady = isAsked && character && (upToDate || character.id === shown.current) ? character : null;
  useEffect(() => {
    shown.current = steady?.id ?? null;
  });
  return steady;
}

/** What a person can say; each changes the draft by the reducer. */
function useSaying(shelf: Shelf, choices: Choices, second: string | undefined) {
  const latest = useRef({ shelf, choices, second });
  latest.current = { shelf, choices, second };
  const say = useCallback((event: BenchEvent) => {
    const { draft, change } = latest.current.shelf;
    const next = draft && benchReducer(draft, event);
    if (next && next !== draft) change(next);
  }, []);
  const answer = useCallback(
    (observation: ObservationInput) => {
      say({ type: "answered", observation, ofSecond: latest.current.second === observation.character });
      latest.current.choices.setChosen(null);
      latest.current.choices.setSure("sure");
    },
    [say],
  );
  const undo = useCallback(() => say({ type: "undone" }), [say]);
  const standsAlone = useCallback(() => say({ type: "noSecondPlant" }), [say]);
  const chooseAny = useCallback((id: string) => {
    latest.current.choices.setChosen(id);
    latest.current.choices.setSheet("none");
  }, []);
  /** Opens a sheet of the phone and brings it into sight, or closes it. */
  const toggle = useCallback((wanted: Exclude<Sheet, "none">) => {
    const { sheet, setSheet } = latest.current.choices;
    setSheet(sheet === wanted ? "none" : wanted);
    requestAnimationFrame(() => bringIntoSight(sheet === wanted ? "question" : `${wanted}-panel`));
  }, []);
  return { say, answer, undo, standsAlone, chooseAny, toggle };
}

/** Another plant is weighed again. */
function useFresh(draftId: string | undefined, { setPair, setInMind, setChosen }: Choices): void {
  // biome-ignore lint/correctness/useExhaustiveDependencies: the setters never change
  useEffect(() => {
    setPair(null);
    setInMind(null);
    setChosen(null);
  }, [draftId]);
}

/** On a phone the answer tapped may lie far down: the next question begins at its own heading. */
function useQuestionInSight(asked: string | undefined): void {
  useEffect(() => {
    const heading = document.getElementById("question");
    if (asked && heading && heading.getBoundingClientRect().top < tapeHeight()) bringIntoSight("question");
  }, [asked]);
}
