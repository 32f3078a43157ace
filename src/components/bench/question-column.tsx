import { Button } from "../ui/button";
import type { RefObject } from "react";
import { AnyPart } from "./any-part";
import { Evidence, type SlipKind } from "./evidence";
import { IfNotToday } from "./if-not-today";
import { MeasureOn } from "./measure-picture";
import { NameInMind } from "./name-in-mind";
import { isTesting, nameOfPart, nameOfPlant, type OpenBench } from "./open-bench";
import { PlaceQuestion } from "./place-question";
import { Question } from "./question";
import { bringIntoSight } from "./scrolling";
import { StageQuestion } from "./stage-question";

/** The question, other parts that can be looked at, and what was said so far. */
export function QuestionColumn({ bench, search }: { bench: OpenBench; search: RefObject<HTMLInputElement | null> }) {
  const { draft, view, towards, inMind, setInMind, sheet, vocabulary, chooseAny } = bench;
  const found = view?.identification;
  return (
    <div className="px-4 md:px-6 py-4 lg:border-r border-[var(--line)] min-w-0">
      {towards === "doubt" ? (
        <NameInMind
          taxon={inMind}
          names={vocabulary.plainNames}
          found={found}
          field={view?.field ?? []}
          onName={setInMind}
        />
      ) : null}
      <Asked bench={bench} />
      <OtherParts bench={bench} />
      <PlaceKnown bench={bench} />
      <div id="any-panel" className={sheet === "any" ? "" : "hidden lg:block"}>
        <AnyPart
          onWordless={(words) => bench.say({ type: "wordlessSaid", words })}
          inputRef={search}
          characters={vocabulary.characters}
          askable={view?.askable ?? null}
          onChoose={chooseAny}
        />
      </div>
      <Said bench={bench} />
      <Wordless bench={bench} />
      <IfNotToday
        later={draft.observations.length > 0 ? (found?.next.later ?? []) : []}
        today={draft.day}
        nameOf={(id) => nameOfPart(bench, id)}
        names={vocabulary.plainNames}
      />
    </div>
  );
}

/** Checks that are offered, best first, each with its reason. */
function offeredOn(bench: OpenBench): { character: string; why: string; caution?: "gloves" }[] {
  const { doubts, view, towards } = bench;
  if (!isTesting(bench)) return view?.identification.next[towards === "doubt" ? "action" : towards] ?? [];
  return doubts.map((d) => ({
    character: d.character,
    why: `If you are right: ${d.expected}. ${d.against.replace(/^./, (l) => l.toUpperCase())}.`,
  }));
}

function Asked({ bench }: { bench: OpenBench }) {
  const { step, say, draft, site, places, placeSaid, character, view, upToDate } = bench;
  if (step === "stage")
    return (
      <StageQuestion
        onAnswer={(stage) => say({ type: "stageSaid", stage })}
        onTwo={(stages) => say({ type: "twoStagesSaid", stages })}
      />
    );
  if (step === "place")
    return (
      <PlaceQuestion
        key={draft.siteId}
        characters={places}
        before={draft.placeOpened ? placeSaid : (draft.placeBefore ?? [])}
        known={site.setting}
        onAnswer={(said) => say({ type: "placeSaid", said })}
      />
    );
  if (character) return <AskedPart bench={bench} character={character} />;
  // About as much room as a question takes, so that what stands below it does not move when the question comes.
  if (!view || !upToDate)
    return (
      <p role="status" className="min-h-[430px]">
        Calculating …
      </p>
    );
  return (
    <section>
      <h1 className="text-[24px]">There is nothing more to ask at this stage with this kit</h1>
      <p className="mt-2">Save the finding as it is, or choose any part below.</p>
    </section>
  );
}

function AskedPart({ bench, character }: { bench: OpenBench; character: NonNullable<OpenBench["character"]> }) {
  const { second, sure, setSure, answer, standsAlone, vocabulary, shelf, pack, draft, setMeasuring } = bench;
  const nextCheck =
    second?.character === character.id ? second : offeredOn(bench).find((c) => c.character === character.id);
  return (
    <Question
      character={character}
      onSecondPlant={nextCheck === second && second !== undefined}
      onAlone={standsAlone}
      why={nextCheck?.why ?? ""}
      caution={nextCheck?.caution === "gloves" ? "Gloves on: a plant that still fits harms the skin." : undefined}
      sure={sure}
      known={vocabulary.plainNames}
      most={vocabulary.largest[character.id]}
      onPicture={
        character.states.length === 0 ? (
          <MeasureOn
            pictures={shelf.pictures}
            mayDraw={pack.demonstration}
            onPicture={(p) => setMeasuring({ picture: p.id, character: character.id })}
            onFiles={async (files, drawn) => {
              const [added] = await shelf.addPictures(draft.id, files, drawn);
              if (added) setMeasuring({ picture: added.id, character: character.id });
            }}
          />
        ) : undefined
      }
      onSure={setSure}
      onAnswer={answer}
    />
  );
}

const MOST_OTHERS = 4;

function OtherParts({ bench }: { bench: OpenBench }) {
  const { character, draft, step, setChosen } = bench;
  const others = offeredOn(bench)
    .filter((c) => c.character !== character?.id && !draft.observations.some((o) => o.character === c.character))
    .slice(0, MOST_OTHERS);
  if (others.length === 0 || step !== "part") return null;
  return (
    <p className="mt-4 flex flex-wrap gap-2 items-center">
      <span className="small">Or check:</span>
      {others.map((o) => (
        <Button key={o.character} className="!min-h-[44px] !py-1 small" onClick={() => setChosen(o.character)}>
          {nameOfPart(bench, o.character)}
        </Button>
      ))}
    </p>
  );
}

function Said({ bench }: { bench: OpenBench }) {
  const { view, draft, pair, setPair, say, setChosen } = bench;
  const found = view?.identification;
  const upToDate = view?.evidence.length === draft.observations.length;
  const slips = draft.observations.map((o): SlipKind | null =>
    upToDate ? (found?.slips.find((slip) => slip.character === o.character)?.kind ?? null) : null,
  );
  return (
    <Evidence
      rows={
        view && upToDate
          ? view.evidence
          : draft.observations.map((o) => ({ seen: nameOfPart(bench, o.character), decibans: 0 }))
      }
      pair={view?.pair ?? null}
      plants={found?.candidates.map(({ taxon }) => ({ taxon, name: nameOfPlant(bench, taxon) })) ?? []}
      onPair={setPair}
      pairChosen={pair !== null}
      slips={slips}
      onRemove={(index) => say({ type: "removed", index })}
      onRevise={(i) => {
        setChosen(draft.observations[i]?.character ?? null);
        bringIntoSight("question");
      }}
    />
  );
}

/** What was seen that no character takes in: it is kept with the finding, and the specialist reads it. */
function Wordless({ bench: { draft, say } }: { bench: OpenBench }) {
  if (!draft.wordless?.length) return null;
  return (
    <section className="mt-4">
      <h3>Kept in your own words</h3>
      <ul>
        {draft.wordless.map((words, index) => (
          <li key={words} className="row flex items-center gap-2">
            <span className="py-2 flex-1">{words}</span>
            <button
              type="button"
              className="min-h-[44px] min-w-[44px]"
              aria-label={`Take back: ${words}`}
              onClick={() => say({ type: "wordlessRemoved", index })}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      <p className="small">These words do not change the verdict. The specialist sees them with the finding.</p>
    </section>
  );
}

/** What the site knows of the place counts until someone says that it is different where the plant stands. */
function PlaceKnown({ bench }: { bench: OpenBench }) {
  const { places, placeSaid, site, say, step } = bench;
  const known = places.flatMap((place) => {
    if (placeSaid.some((o) => o.character === place.id)) return [];
    const names = (site.setting[place.id] ?? []).flatMap((id) => place.states.find((s) => s.id === id)?.name ?? []);
    return names.length > 0 ? [names.join(" or ").toLowerCase()] : [];
  });
  if (known.length === 0 || step !== "part") return null;
  return (
    <p className="small mt-3 flex flex-wrap gap-x-3 items-center" data-place-known>
      The site says: {known.join("; ")}.
      <Button look="plain" className="small min-h-[44px]" onClick={() => say({ type: "placeOpened" })}>
        Change it for this plant
      </Button>
    </p>
  );
}
