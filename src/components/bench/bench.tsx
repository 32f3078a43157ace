"use client";

import { Disclosure } from "../ui/disclosure";
import { Button } from "../ui/button";
import Link from "next/link";
import { useRef } from "react";
import { percent } from "@/core/identify";
import { StatusMark, Tape } from "../verdict/marks";
import { shortDay } from "../words/dates";
import { STAGE_WORDS } from "../words/stages";
import { Conditions } from "./conditions";
import { FitsColumn } from "./fits-column";
import { OpenPicture, wantedOf } from "./measure-picture";
import { PhoneBar } from "./phone-bar";
import { QuestionColumn } from "./question-column";
import { todoFor } from "./todo-words";
import { type BenchProps, useBench } from "./use-bench";
import type { OpenBench } from "./open-bench";
import { useShortcuts } from "./use-shortcuts";

/** The Bench: one question at a time, the verdict never out of sight, and who still fits beside it. */
export function Bench(props: BenchProps) {
  const bench = useBench(props);
  const search = useRef<HTMLInputElement>(null);
  useShortcuts(bench, search);
  const { draft, site, state } = bench;
  if (!site) return <NoSite />;
  if (!draft || state.status === "loading")
    return (
      <p className="p-6" role="status">
        Opening the flora …
      </p>
    );
  if (state.status === "failed") return <NoFlora why={state.why} />;
  const open: OpenBench = { ...bench, draft, site, vocabulary: state.vocabulary };
  return (
    <div className="pb-[76px] lg:pb-0">
      <Head bench={open} />
      <BenchTape bench={open} />
      <Waiting bench={open} />
      {open.view ? (
        <p className="lg:hidden flex flex-wrap gap-x-4 h-[32px] overflow-hidden px-4 py-1 border-b border-[var(--rule)] font-semibold">
          {open.view.field.slice(0, 3).map((m) => (
            <span key={m.taxon} className="inline-flex items-center gap-2">
              <StatusMark status={m.status} size={18} />
              {m.name} <span className="figure">{percent(m.probability)}</span>
            </span>
          ))}
        </p>
      ) : null}
      <div className="lg:grid lg:grid-cols-[minmax(0,1.06fr)_minmax(0,1fr)]">
        <QuestionColumn bench={open} search={search} />
        <FitsColumn bench={open} />
      </div>
      <Measuring bench={open} />
      <PhoneBar bench={bench} />
    </div>
  );
}

const NoSite = () => (
  <div className="p-6">
    <h1>Bench</h1>
    <p className="mt-3">
      A finding belongs to a place, and this district has none yet.{" "}
      <Link href="/ground">Draw the first site on Ground.</Link>
    </p>
  </div>
);

const NoFlora = ({ why }: { why: string }) => (
  <div className="p-6">
    <h1>The flora could not be opened</h1>
    <p className="mt-2">{why}. Your draft is safe on this device.</p>
    <Button className="mt-3" onClick={() => location.reload()}>
      Try again
    </Button>
  </div>
);

const stagesSaid = ({ stage, stages }: OpenBench["draft"]): string =>
  stages ? stages.map((s) => STAGE_WORDS[s]).join(" and ") : stage ? STAGE_WORDS[stage] : "stage not said";

function Head({ bench }: { bench: OpenBench }) {
  const { pack, draft, shelf, site, say, lens, setLens, towards, setTowards, kit, setKit } = bench;
  const conditions = {
    ...{ pack, draft, lens, setLens, towards, setTowards, kit, setKit },
    onDraft: shelf.change,
    onStage: (stage: OpenBench["draft"]["stage"]) => say({ type: "stageSaid", stage }),
  };
  return (
    <>
      <div className="hidden md:flex flex-wrap gap-x-6 gap-y-1 px-6 py-2 items-end">
        <Conditions {...conditions} />
      </div>
      <Disclosure
        className="md:hidden px-4 small"
        summary={
          <>
            {site.name} · {stagesSaid(draft)} · {shortDay(draft.day)}{" "}
            <span className="plain-button ml-auto">change</span>
          </>
        }
      >
        <div className="grid grid-cols-2 gap-3 pb-3">
          <Conditions {...conditions} />
        </div>
      </Disclosure>
    </>
  );
}

function BenchTape({ bench: { view, draft, vocabulary, onAnother, fault } }: { bench: OpenBench }) {
  const found = view?.identification;
  const todo =
    !found || draft.observations.length === 0
      ? undefined
      : todoFor(found, vocabulary.characters, draft.day, onAnother?.character);
  return (
    <div className="sticky top-0 z-20">
      <Tape verdict={found?.verdict ?? "open"} reason={fault ?? found?.because ?? "Calculating …"} todo={todo} />
    </div>
  );
}

/** What waits on this device besides: a finding saved without a signal, and one that was begun before. */
function Waiting({ bench: { waits, draft, shelf } }: { bench: OpenBench }) {
  return (
    <>
      {waits && draft.observations.length === 0 ? (
        <p className="px-4 md:px-6 py-2 border-b border-[var(--rule)]" role="status">
          <strong>Saved on this device.</strong> {waits} The finding waits in the <Link href="/outbox">outbox</Link> and
          is sent when the signal is back.
        </p>
      ) : null}
      {shelf.earlier ? (
        <p className="px-4 md:px-6 py-2 flex flex-wrap items-center gap-3 border-b border-[var(--rule)]" role="status">
          There is another unfinished finding on this device: {shortDay(shelf.earlier.day)},{" "}
          {shelf.earlier.observations.length} answers.
          <Button onClick={shelf.takeUpEarlier}>Go on with that one instead</Button>
        </p>
      ) : null}
    </>
  );
}

function Measuring({ bench }: { bench: OpenBench }) {
  const { measuring, setMeasuring, shelf, vocabulary, sure, answer } = bench;
  const picture = measuring ? shelf.pictures.find((p) => p.id === measuring.picture) : undefined;
  if (!measuring || !picture) return null;
  const character = vocabulary.characters.find((c) => c.id === measuring.character);
  return (
    <OpenPicture
      picture={picture}
      wanted={character ? wantedOf(character) : null}
      onKeep={(marks) => shelf.keepMarks(picture.id, marks)}
      onUse={
        character
          ? (values, half) => {
              answer({
                character: character.id,
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
  );
}
