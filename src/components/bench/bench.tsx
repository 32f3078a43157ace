"use client";

import Link from "next/link";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { BenchPack } from "@/contracts/bench-pack";
import type { Stage } from "@/core/flora";
import {
  canBeMissing,
  type Later,
  type Lens,
  type Looked,
  type ObservationInput,
  percent,
  placeCharacters,
  withSecondPlant,
} from "@/core/identify";
import { newDraft } from "../device/stored";
import { StatusMark, Tape } from "../verdict/marks";
import { shortDay } from "../words/dates";
import { AnyPart } from "./any-part";
import { useDraft } from "./draft";
import type { BenchCase } from "./engine";
import { Evidence, type SlipKind } from "./evidence";
import { Hedge } from "./hedge";
import { MeasureOn, OpenPicture, wantedOf } from "./measure-picture";
import { NameInMind, useDoubts } from "./name-in-mind";
import { PlaceQuestion } from "./place-question";
import { Question, type Sure } from "./question";
import { SavePanel } from "./save-panel";
import { SeasonReplay } from "./season-replay";
import { STAGE_WORDS, StageQuestion } from "./stage-question";
import { laterWords, todoFor } from "./todo-words";
import { TopTwo } from "./top-two";
import { useEngine } from "./use-engine";

export interface BenchProps {
  pack: BenchPack;
  chosenSite: string | null;
  chosenPatch: string | null;
}

/** What the questions are for: to know what to do, to know the name, or to put a name in mind to the test. */
type Towards = "action" | "name" | "doubt";

const KIT = ["lens", "ruler", "knife", "trowel", "gloves"] as const;
const LENSES: [string, string][] = [
  ["", "Whatever tells most"],
  ["collar", "Collar"],
  ["touch", "Touch"],
  ["distance", "Distance"],
  ["dig", "Dig"],
  ["bark", "Bark in winter"],
];

/** The tape stays in sight at the top; it is as tall as its words. */
const tapeHeight = () => document.querySelector("#sheet .tape")?.getBoundingClientRect().height ?? 0;
const ROOM_UNDER_TAPE = 14;
const bringIntoSight = (id: string) => {
  const part = document.getElementById(id);
  if (part) window.scrollBy(0, part.getBoundingClientRect().top - tapeHeight() - ROOM_UNDER_TAPE);
};

/** The Bench: one question at a time, the verdict never out of sight, and who still fits beside it. */
export function Bench(props: BenchProps) {
  const first = props.pack.sites.find((s) => s.id === props.chosenSite) ?? props.pack.sites[0];
  const shelf = useDraft(props.pack.key, () => newDraft(first?.id ?? "", props.pack.today, props.chosenPatch));
  const { draft } = shelf;
  const [lens, setLens] = useState("");
  const [towards, setTowards] = useState<Towards>("action");
  const [inMind, setInMind] = useState<string | null>(null);
  const [pair, setPair] = useState<[string, string] | null>(null);
  const [kit, setKit] = useState<string[]>([...KIT]);
  const [sure, setSure] = useState<Sure>("sure");
  const [chosen, setChosen] = useState<string | null>(null);
  /** parts of which a second plant told nothing: not asked of it again */
  const [passed, setPassed] = useState<string[]>([]);
  /** no other plant of its kind stands here: none is asked for */
  const [alone, setAlone] = useState(false);
  /** the last answer as it was of the first plant alone, where it was then asked of a second */
  const ofFirst = useRef<ObservationInput | null>(null);
  /** why the finding saved last waits on this device */
  const [waits, setWaits] = useState<string | null>(null);
  /** the picture that is being measured on, and for which part */
  const [measuring, setMeasuring] = useState<{ picture: string; character: string | null } | null>(null);
  const [sheet, setSheet] = useState<"none" | "fits" | "save" | "any">("none");
  const site = props.pack.sites.find((s) => s.id === draft?.siteId) ?? first;
  const input = useMemo<BenchCase | null>(
    () =>
      draft && site
        ? {
            place: {
              ...props.pack.climate,
              setting: site.setting,
              list: site.status,
              actions: site.actions,
              confirmed: props.pack.confirmed,
              costs: props.pack.costs,
            },
            looked: {
              id: draft.id,
              day: draft.day,
              stage: draft.stage,
              kit: kit as Looked["kit"],
              observations: draft.observations,
            },
          }
        : null,
    [draft, site, kit, props.pack.climate, props.pack.confirmed, props.pack.costs],
  );
  const { state, view, before, fault, engine } = useEngine(props.pack.floraUrl, input, (lens || null) as Lens, pair);
  const doubts = useDoubts(towards === "doubt" ? inMind : null, input, engine, state.status === "ready");
  const search = useRef<HTMLInputElement>(null);

  const onAnother = alone ? undefined : view?.identification.next.second.find((c) => !passed.includes(c.character));
  const second = towards === "action" && !chosen ? onAnother : undefined;
  const character = useMemo(() => {
    if (state.status !== "ready" || !view || !draft) return null;
    const offered =
      towards === "doubt" && inMind ? doubts : view.identification.next[towards === "doubt" ? "action" : towards];
    const id = chosen ?? second?.character ?? offered[0]?.character;
    return state.vocabulary.characters.find((c) => c.id === id) ?? null;
  }, [state, view, chosen, second, towards, inMind, doubts, draft]);

  const places = useMemo(() => (state.status === "ready" ? placeCharacters(state.vocabulary.characters) : []), [state]);
  const placeSaid = useMemo(
    () => draft?.observations.filter((o) => places.some((p) => p.id === o.character)) ?? [],
    [draft?.observations, places],
  );
  const step = !draft?.stageAsked
    ? "stage"
    : draft.placeAsked || chosen || draft.observations.length > 0
      ? "part"
      : "place";

  const answer = (observation: ObservationInput) => {
    if (!draft) return;
    const before =
      second && second.character === observation.character && !observation.of
        ? draft.observations.find((o) => o.character === observation.character)
        : undefined;
    const said = before ? withSecondPlant(before, observation) : observation;
    if (said === before) return setPassed([...passed, observation.character]);
    ofFirst.current = before ?? null;
    shelf.change({
      ...draft,
      observations: [...draft.observations.filter((o) => o.character !== observation.character), said],
    });
    setChosen(null);
    setSure("sure");
  };
  const remove = (index: number) => {
    if (!draft) return;
    shelf.change({ ...draft, observations: draft.observations.filter((_, i) => i !== index) });
  };
  const undo = () => {
    if (!draft) return;
    const last = draft.observations.at(-1);
    const first = ofFirst.current;
    ofFirst.current = null;
    if (last && first?.character === last.character)
      shelf.change({ ...draft, observations: [...draft.observations.slice(0, -1), first] });
    else if (draft.observations.length > placeSaid.length) remove(draft.observations.length - 1);
    else if (step === "part") shelf.change({ ...draft, observations: [], placeAsked: false, placeBefore: placeSaid });
    else if (draft.stageAsked) shelf.change({ ...draft, stage: null, stageAsked: false });
  };
  const setPlace = (said: ObservationInput[]) =>
    draft && shelf.change({ ...draft, observations: said, placeAsked: true });
  const setStage = (stage: Stage | null) => draft && shelf.change({ ...draft, stage, stageAsked: true });

  const chooseAny = useCallback((id: string) => {
    setChosen(id);
    setSheet("none");
  }, []);
  const standsAlone = useCallback(() => setAlone(true), []);
  const draftId = draft?.id;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another plant is weighed anew
  useEffect(() => {
    setPair(null);
    setInMind(null);
    setChosen(null);
    setPassed([]);
    setAlone(false);
  }, [draftId]);

  const answerNow = useCallback((observation: ObservationInput) => act.current.answer(observation), []);
  const act = useRef({ answer, undo, character, setStage, setPlace, step, sure });
  act.current = { answer, undo, character, setStage, setPlace, step, sure };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        event.shiftKey ||
        ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName)
      )
        return;
      const now = act.current;
      if (/^[1-9]$/.test(event.key)) document.querySelector<HTMLButtonElement>(`[data-answer="${event.key}"]`)?.click();
      else if (event.key === "0" && now.step === "stage") now.setStage(null);
      else if (event.key === "0" && now.step === "place") now.setPlace([]);
      else if (event.key === "0" && now.character) now.answer({ character: now.character.id, answer: "cannot-tell" });
      else if (event.key === "g") document.querySelector<HTMLButtonElement>("[data-go-on]")?.click();
      else if (event.key === "n" && now.character && now.step === "part")
        now.answer({ character: now.character.id, answer: "not-there-yet" });
      else if (event.key === "x" && now.character && now.step === "part" && canBeMissing(now.character))
        now.answer({ character: now.character.id, answer: "absent", sure: now.sure });
      else if (event.key === "u") now.undo();
      else if (event.key === "/") {
        event.preventDefault();
        search.current?.focus();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

  const asked = character?.id;
  useEffect(() => {
    // On a phone the answer tapped may lie far down: the next question begins at its own heading.
    const heading = document.getElementById("question");
    if (asked && heading && heading.getBoundingClientRect().top < tapeHeight()) bringIntoSight("question");
  }, [asked]);

  if (!site)
    return (
      <div className="p-6">
        <h1>Bench</h1>
        <p className="mt-3">
          A finding belongs to a place, and this district has none yet.{" "}
          <Link href="/ground">Draw the first site on Ground.</Link>
        </p>
      </div>
    );
  if (!draft || state.status === "loading")
    return (
      <p className="p-6" role="status">
        Opening the flora …
      </p>
    );
  if (state.status === "failed")
    return (
      <div className="p-6">
        <h1>The flora could not be opened</h1>
        <p className="mt-2">{state.why}. Your draft is safe on this device.</p>
        <button type="button" className="button mt-3" onClick={() => location.reload()}>
          Try again
        </button>
      </div>
    );

  /** Opens a sheet of the phone and brings it into sight, or closes it. */
  const toggle = (wanted: "fits" | "any" | "save") => {
    setSheet(sheet === wanted ? "none" : wanted);
    requestAnimationFrame(() => bringIntoSight(sheet === wanted ? "question" : `${wanted}-panel`));
  };
  const found = view?.identification;
  const testing = towards === "doubt" && inMind !== null;
  const offered: { character: string; why: string; caution?: "gloves" }[] = testing
    ? doubts.map((d) => ({
        character: d.character,
        why: `If you are right: ${d.expected}. ${d.against.replace(/^./, (l) => l.toUpperCase())}.`,
      }))
    : (found?.next[towards === "doubt" ? "action" : towards] ?? []);
  const nextCheck =
    second && second.character === character?.id ? second : offered.find((c) => c.character === character?.id);
  const todo =
    !found || draft.observations.length === 0
      ? undefined
      : todoFor(found, state.vocabulary.characters, draft.day, onAnother?.character);
  const others = offered
    .filter((c) => c.character !== character?.id && !draft.observations.some((o) => o.character === c.character))
    .slice(0, 4);
  const nameOf = (id: string) => state.vocabulary.characters.find((c) => c.id === id)?.name ?? id;
  const measured = character !== null && character.states.length === 0;
  const onSheet = measuring ? shelf.pictures.find((p) => p.id === measuring.picture) : undefined;
  const measuredFor = measuring ? state.vocabulary.characters.find((c) => c.id === measuring.character) : undefined;
  const idOf = (taxon: string) => state.vocabulary.taxa.find((t) => t.name === taxon)?.id ?? "";
  const upToDate = view?.evidence.length === draft.observations.length;
  const slips = draft.observations.map((o): SlipKind | null =>
    upToDate ? (found?.slips.find((slip) => slip.character === o.character)?.kind ?? null) : null,
  );
  const subject = testing ? inMind : view?.field.find((m) => m.taxon !== "unknown")?.taxon;

  return (
    <div className="pb-[76px] lg:pb-0">
      <div className="hidden md:flex flex-wrap gap-x-6 gap-y-1 px-6 py-2 items-end">
        <Conditions {...{ props, draft, shelf, lens, setLens, towards, setTowards, kit, setKit }} />
      </div>
      <details className="md:hidden px-4 small">
        <summary className="min-h-[44px] flex items-center gap-2">
          {site.name} · {draft.stage ? STAGE_WORDS[draft.stage] : "stage not said"} · {shortDay(draft.day)}{" "}
          <span className="plain-button ml-auto">change</span>
        </summary>
        <div className="grid grid-cols-2 gap-3 pb-3">
          <Conditions {...{ props, draft, shelf, lens, setLens, towards, setTowards, kit, setKit }} />
        </div>
      </details>
      <div className="sticky top-0 z-20">
        <Tape verdict={found?.verdict ?? "open"} reason={fault ?? found?.because ?? "Reckoning …"} todo={todo} />
      </div>
      {waits && draft.observations.length === 0 ? (
        <p className="px-4 md:px-6 py-2 border-b border-[var(--rule)]" role="status">
          <strong>Saved on this device.</strong> {waits} It waits in the <Link href="/outbox">outbox</Link>, and is sent
          when the signal is back.
        </p>
      ) : null}
      {shelf.earlier ? (
        <p className="px-4 md:px-6 py-2 flex flex-wrap items-center gap-3 border-b border-[var(--rule)]" role="status">
          Another finding stands unfinished on this device: {shortDay(shelf.earlier.day)},{" "}
          {shelf.earlier.observations.length} answers.
          <button type="button" className="button" onClick={shelf.takeUpEarlier}>
            Take it up instead
          </button>
        </p>
      ) : null}
      {view ? (
        <p className="lg:hidden flex gap-x-4 gap-y-1 flex-wrap px-4 py-2 border-b border-[var(--rule)] font-semibold">
          {view.field.slice(0, 3).map((m) => (
            <span key={m.taxon} className="inline-flex items-center gap-2">
              <StatusMark status={m.status} size={18} />
              {m.name} <span className="figure">{percent(m.probability)}</span>
            </span>
          ))}
        </p>
      ) : null}
      <div className="lg:grid lg:grid-cols-[minmax(0,1.06fr)_minmax(0,1fr)]">
        <div className="px-4 md:px-6 py-4 lg:border-r border-[var(--line)] min-w-0">
          {towards === "doubt" ? (
            <NameInMind
              taxon={inMind}
              names={state.vocabulary.plainNames}
              found={found}
              field={view?.field ?? []}
              onName={setInMind}
            />
          ) : null}
          {step === "stage" ? (
            <StageQuestion onAnswer={setStage} />
          ) : step === "place" ? (
            <PlaceQuestion
              key={draft.siteId}
              characters={places}
              before={draft.placeBefore ?? []}
              onAnswer={setPlace}
            />
          ) : character ? (
            <Question
              character={character}
              onSecondPlant={nextCheck === second && second !== undefined}
              onAlone={standsAlone}
              why={nextCheck?.why ?? ""}
              caution={
                nextCheck?.caution === "gloves" ? "Gloves on: a plant that still fits harms the skin." : undefined
              }
              sure={sure}
              known={state.vocabulary.plainNames}
              most={state.vocabulary.largest[character.id]}
              onPicture={
                measured ? (
                  <MeasureOn
                    pictures={shelf.pictures}
                    mayDraw={props.pack.demonstration}
                    onPicture={(p) => setMeasuring({ picture: p.id, character: character.id })}
                    onFiles={async (files, drawn) => {
                      const [added] = await shelf.addPictures(draft.id, files, drawn);
                      if (added) setMeasuring({ picture: added.id, character: character.id });
                    }}
                  />
                ) : undefined
              }
              onSure={setSure}
              onAnswer={answerNow}
            />
          ) : view ? (
            <section>
              <h1 className="text-[24px]">Nothing more to ask at this stage, with this kit</h1>
              <p className="mt-2">Save it as it stands, or choose any part below.</p>
            </section>
          ) : (
            <p role="status">Reckoning …</p>
          )}
          {others.length > 0 && step === "part" ? (
            <p className="mt-4 flex flex-wrap gap-2 items-center">
              <span className="small">Or look at:</span>
              {others.map((o) => (
                <button
                  key={o.character}
                  type="button"
                  className="button !min-h-[44px] !py-1 small"
                  onClick={() => setChosen(o.character)}
                >
                  {nameOf(o.character)}
                </button>
              ))}
            </p>
          ) : null}
          <div id="any-panel" className={sheet === "any" ? "" : "hidden lg:block"}>
            <AnyPart
              inputRef={search}
              characters={state.vocabulary.characters}
              askable={view?.askable ?? null}
              onChoose={chooseAny}
            />
          </div>
          <Evidence
            rows={
              view && upToDate
                ? view.evidence
                : draft.observations.map((o) => ({ seen: nameOf(o.character), decibans: 0 }))
            }
            pair={view?.pair ?? null}
            plants={
              found?.candidates.map(({ taxon }) => ({ taxon, name: state.vocabulary.plainNames[taxon] ?? taxon })) ?? []
            }
            onPair={setPair}
            pairChosen={pair !== null}
            slips={slips}
            onRemove={remove}
            onRevise={(i) => {
              setChosen(draft.observations[i].character);
              bringIntoSight("question");
            }}
          />
          <IfNotToday
            later={draft.observations.length > 0 ? (found?.next.later ?? []) : []}
            today={draft.day}
            nameOf={nameOf}
            names={state.vocabulary.plainNames}
          />
        </div>
        <div className="px-4 md:px-6 py-4 min-w-0">
          <div id="fits-panel" className={sheet === "fits" ? "" : "hidden lg:block"}>
            <h2 className="ruled">
              Who still fits
              <span className="small">
                higher fits better · your limit{found ? ` is ${Number((found.limit * 100).toPrecision(2))}%` : ""}
              </span>
            </h2>
            {view ? <Hedge marks={view.field} before={before} limit={view.identification.limit} /> : null}
            {found && draft.observations.length > 0 && found.sameTreatment.length > 0 ? (
              <p className="mt-2">
                No need to tell these apart, they get the same treatment here:{" "}
                {found.sameTreatment[0].map((n) => state.vocabulary.plainNames[n] ?? n).join(", ")}.
              </p>
            ) : null}
            {found && found.hybrids.length > 0 && draft.observations.length > 0 ? (
              <p className="small mt-2">
                It may be a cross:{" "}
                {found.hybrids
                  .slice(0, 2)
                  .map(
                    (h) =>
                      `${h.parents.map((n) => state.vocabulary.plainNames[n] ?? n).join(" × ")}, ${percent(h.probability, "under ")}`,
                  )
                  .join("; ")}
                . A cross is kept if one of its parents is.
              </p>
            ) : null}
            {found && found.untested.length > 0 ? (
              <p className="small mt-2">
                Not tested, because the flora does not say:{" "}
                {found.untested
                  .slice(0, 3)
                  .map(
                    (u) =>
                      `${state.vocabulary.plainNames[u.taxon] ?? u.taxon} (${u.characters.map(nameOf).join(", ")})`,
                  )
                  .join("; ")}
              </p>
            ) : null}
            {view?.pair && draft.observations.length > 0 ? (
              <TopTwo pair={view.pair} parted={view.parted} nameOf={nameOf} idOf={idOf} onAsk={chooseAny} />
            ) : null}
            {input && subject && (draft.observations.length > 0 || testing) ? (
              <SeasonReplay
                taxon={subject}
                name={state.vocabulary.plainNames[subject] ?? subject}
                place={draft.siteId}
                input={input}
                engine={engine}
                nameOf={nameOf}
              />
            ) : null}
          </div>
          <div className={sheet === "save" ? "" : "hidden lg:block"}>
            <SavePanel
              pack={props.pack}
              draft={draft}
              site={site}
              pictures={shelf.pictures}
              kit={kit}
              placeSaid={placeSaid}
              found={found ?? null}
              onChange={shelf.change}
              onAddPictures={shelf.addPictures}
              onMeasure={(picture) => setMeasuring({ picture, character: measured ? character.id : null })}
              onRemovePicture={shelf.removePicture}
              onLaidOut={(fresh) => {
                shelf.begin(fresh);
                setSheet("none");
              }}
              onWaiting={setWaits}
            />
          </div>
        </div>
      </div>
      {measuring && onSheet ? (
        <OpenPicture
          picture={onSheet}
          wanted={measuredFor ? wantedOf(measuredFor) : null}
          onKeep={(marks) => shelf.keepMarks(onSheet.id, marks)}
          onUse={
            measuredFor
              ? (values, half) => {
                  answer({
                    character: measuredFor.id,
                    values: values.map((v) => Number(v.toPrecision(4))),
                    half: Number(half.toPrecision(3)),
                    sure,
                  });
                  setMeasuring(null);
                }
              : undefined
          }
          onClose={() => setMeasuring(null)}
        />
      ) : null}
      <div className="lg:hidden fixed bottom-0 inset-x-0 z-30 grid grid-cols-4 border-t border-[var(--line)] bg-[var(--paper)] no-print">
        <BarButton onClick={undo} disabled={!draft.stageAsked}>
          ↶ Undo
        </BarButton>
        <BarButton pressed={sheet === "fits"} onClick={() => toggle("fits")}>
          Who fits
        </BarButton>
        <BarButton pressed={sheet === "any"} onClick={() => toggle("any")}>
          Any part…
        </BarButton>
        <BarButton pressed={sheet === "save"} onClick={() => toggle("save")}>
          Save
        </BarButton>
      </div>
    </div>
  );
}

function BarButton({
  children,
  onClick,
  pressed,
  disabled,
}: {
  children: React.ReactNode;
  onClick: () => void;
  pressed?: boolean;
  disabled?: boolean;
}) {
  return (
    <button
      type="button"
      className={`min-h-[60px] font-bold border-l first:border-l-0 border-[var(--rule)] disabled:opacity-50 ${pressed ? "bg-[var(--press)] text-[var(--press-ink)]" : ""}`}
      aria-pressed={pressed}
      disabled={disabled}
      onClick={onClick}
    >
      {children}
    </button>
  );
}

/** What other stages would show; from today, where some of their kind may stand in such a stage already. */
function IfNotToday({
  later,
  today,
  nameOf,
  names,
}: {
  later: Later[];
  today: string;
  nameOf: (id: string) => string;
  names: Record<string, string>;
}) {
  if (later.length === 0) return null;
  return (
    <section className="mt-6">
      <h2 className="ruled">
        If not on this plant today<span className="small">what else would settle it, and from when</span>
      </h2>
      <ul className="grid sm:grid-cols-3 gap-x-4 gap-y-2 mt-2">
        {later.slice(0, 3).map((item) => (
          <li key={`${item.character} ${item.parts[1]}`}>
            <span className="font-semibold">{nameOf(item.character)}</span>
            <br />
            <span className="small">
              {laterWords(item, today)} · parts {names[item.parts[0]] ?? item.parts[0]} from{" "}
              {names[item.parts[1]] ?? item.parts[1]}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface ConditionsProps {
  props: BenchProps;
  draft: NonNullable<ReturnType<typeof useDraft>["draft"]>;
  shelf: ReturnType<typeof useDraft>;
  lens: string;
  setLens: (v: string) => void;
  towards: Towards;
  setTowards: (v: Towards) => void;
  kit: string[];
  setKit: (v: string[]) => void;
}

function Conditions({ props, draft, shelf, lens, setLens, towards, setTowards, kit, setKit }: ConditionsProps) {
  return (
    <>
      <label className="field min-w-[170px]">
        <span className="label">Place</span>
        <select
          value={draft.siteId}
          onChange={(e) =>
            shelf.change({ ...draft, siteId: e.target.value, patchId: null, place: null, placeBefore: [] })
          }
        >
          {props.pack.sites.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </select>
      </label>
      <label className="field">
        <span className="label">Day</span>
        <input
          type="date"
          value={draft.day}
          max={props.pack.today}
          onChange={(e) => e.target.value && shelf.change({ ...draft, day: e.target.value })}
        />
      </label>
      <label className="field min-w-[130px]">
        <span className="label">Stage seen</span>
        <select
          value={draft.stage ?? ""}
          onChange={(e) =>
            shelf.change({ ...draft, stage: (e.target.value || null) as Stage | null, stageAsked: true })
          }
        >
          <option value="">not said</option>
          {Object.entries(STAGE_WORDS).map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="field">
        <span className="label">Towards</span>
        <select value={towards} onChange={(e) => setTowards(e.target.value as Towards)}>
          <option value="action">an action</option>
          <option value="name">a name</option>
          <option value="doubt">testing a name I have in mind</option>
        </select>
      </label>
      <label className="field">
        <span className="label">Lens</span>
        <select value={lens} onChange={(e) => setLens(e.target.value)}>
          {LENSES.map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <details className="relative">
        <summary className="small min-h-[44px] flex items-center">
          Kit: {kit.length === KIT.length ? "all" : kit.length === 0 ? "none" : kit.join(", ")}
        </summary>
        <div className="absolute z-40 right-0 bg-[var(--sheet)] border-2 border-[var(--ink)] p-3 w-40">
          {KIT.map((item) => (
            <label key={item} className="tick">
              <input
                type="checkbox"
                checked={kit.includes(item)}
                onChange={(e) => setKit(e.target.checked ? [...kit, item] : kit.filter((k) => k !== item))}
              />
              {item}
            </label>
          ))}
        </div>
      </details>
    </>
  );
}
