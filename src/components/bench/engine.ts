import { itemAt } from "@/core/items";
import { type Figure, typicalFigure } from "@/drawings/figure/figure";
import { type Character, readCompiledFlora, type Status } from "@/core/flora";
import {
  askableCharacters,
  buildModel,
  type Case,
  caseAt,
  decidingChecks,
  describeScore,
  gateOf,
  type Identification,
  judge,
  type Judgement,
  largestReading,
  type Lens,
  likeliestStage,
  type Looked,
  type Memory,
  type Model,
  type Month,
  namedStates,
  newMemory,
  type Observation,
  type PlaceKnowledge,
  plainName,
  predictChecks,
  refutingChecks,
  replayMonth,
  report,
  topOnSide,
  weightsOfEvidence,
} from "@/core/identify";

/** What the Bench needs to know of the flora, once. */
export interface Vocabulary {
  characters: Character[];
  taxa: { id: string; name: string; common: string[]; lifeForm: string }[];
  /** the name that a scout would use, by accepted name */
  plainNames: Record<string, string>;
  /** the largest reading that is taken, by measured character */
  largest: Record<string, number>;
  version: string;
}

export interface BenchView {
  identification: Identification;
  /** decibans of each observation for the first plant of the pair over the second */
  evidence: { seen: string; decibans: number }[];
  pair: Side[] | null;
  /** the pair side by side: what tells the two apart now, best first */
  parted: Parted[];
  field: FieldMark[];
  /** parts that suit what still fits */
  askable: string[];
}

/** One of the two plants that are weighed against each other. */
export interface Side {
  /** the whole plant at the stage that it most likely stands in */
  figure: Figure;
  taxon: string;
  name: string;
  status: Status;
}

/** One look that parts two plants, with what each usually shows. */
export interface Parted {
  character: string;
  words: [string, string];
  states: [string[], string[]];
  answered: boolean;
}

/** One mark on the hedge: who still fits, and how well. */
export interface FieldMark {
  taxon: string;
  name: string;
  status: Status | "unknown";
  side: "kept" | "target";
  probability: number;
  flat: number;
}

let model: Model | undefined;
/** What was worked out for an observation holds until the list changes: only the new answer is calculated. */
let list = "";
let memory = newMemory();
let observations = new Map<string, Observation>();

function remembered(given: Case): [Case, Memory] {
  const now = JSON.stringify(given.list);
  if (now !== list) {
    list = now;
    memory = newMemory();
    observations = new Map();
  }
  const own = given.observations.map((observation) => {
    const key = JSON.stringify(observation);
    const known = observations.get(key) ?? observation;
    observations.set(key, known);
    return known;
  });
  return [{ ...given, observations: own }, memory];
}

const SHOWN_ON_FIELD = 0.002;

/** Looks that are drawn side by side. */
const LOOKS_SHOWN = 4;

/** The two asked for, or the likeliest plant to act on and the likeliest to keep. */
/** Figures as drawn, by plant and stage: the pair seldom changes from one answer to the next. */
const figures = new Map<string, Figure>();
const MOST_FIGURES = 60;

function figureOf(judgement: Judgement, taxon: number): Figure {
  const { model } = judgement;
  const stage = likeliestStage(judgement, taxon);
  const key = `${model.flora.version} ${taxon} ${stage}`;
  const figure = figures.get(key) ?? typicalFigure(model, taxon, stage);
  if (figures.size >= MOST_FIGURES) figures.clear();
  figures.set(key, figure);
  return figure;
}

function pairOf(judgement: Judgement, asked: [string, string] | null): [number, number] | null {
  const wanted = asked?.map((name) => judgement.model.taxonIndex.get(name) ?? -1) ?? [
    topOnSide(judgement, 0),
    topOnSide(judgement, 1),
  ];
  return wanted.every((t) => t >= 0) ? (wanted as [number, number]) : null;
}

function partedBy(judgement: Judgement, pair: [number, number]): Parted[] {
  const { model } = judgement;
  const stage = likeliestStage(judgement, pair[0]);
  const answered = new Set(judgement.case.observations.map((o) => o.character));
  return decidingChecks(model, pair, stage)
    .slice(0, LOOKS_SHOWN)
    .map(({ character: c }) => {
      const { id } = itemAt(model.flora.characters, c);
      return {
        character: id,
        words: pair.map((t) => describeScore(judgement, t, c, stage)) as [string, string],
        states: pair.map((t) => namedStates(model, t, c, stage)) as [string[], string[]],
        answered: answered.has(id),
      };
    });
}

function viewOf(judgement: Judgement, lens: Lens, asked: [string, string] | null): BenchView {
  const { taxa } = judgement.model.flora;
  const pair = pairOf(judgement, asked);
  const gate = gateOf(judgement);
  const prospect = predictChecks(judgement, gate);
  const marks: FieldMark[] = [];
  judgement.local.taxa.forEach((probability, t) => {
    const flat = itemAt(judgement.flat.taxa, t);
    if (Math.max(probability, flat) < SHOWN_ON_FIELD) return;
    marks.push({
      taxon: itemAt(taxa, t).name,
      name: plainName(judgement, t),
      status: itemAt(judgement.status, t),
      side: judgement.keptSide[t] ? "kept" : "target",
      probability,
      flat,
    });
  });
  marks.push({
    taxon: "unknown",
    name: "Not in this flora",
    status: "unknown",
    side: "kept",
    probability: judgement.local.unknown,
    flat: judgement.flat.unknown,
  });
  return {
    identification: report(judgement, lens, gate, prospect),
    evidence: pair ? weightsOfEvidence(judgement, ...pair).map(({ seen, decibans }) => ({ seen, decibans })) : [],
    pair: pair
      ? pair.map((t) => ({
          figure: figureOf(judgement, t),
          taxon: itemAt(taxa, t).name,
          name: plainName(judgement, t),
          status: itemAt(judgement.status, t),
        }))
      : null,
    parted: pair ? partedBy(judgement, pair) : [],
    field: marks.sort((a, b) => b.probability - a.probability),
    askable: askableCharacters(judgement, prospect.active),
  };
}

const REHEARSALS = 8;

/** Judges a few made-up cases while the scout still reads the first question, so that the first answers find the code compiled. */
async function rehearse(ready: Model): Promise<void> {
  const asked = ready.flora.characters.filter((c) => c.states.length > 0 && !c.comparative);
  for (let n = 1; n <= REHEARSALS; n++) {
    await new Promise((resolve) => setTimeout(resolve));
    const some = new Set(Array.from({ length: n }, (_, i) => itemAt(asked, (i * 7 + n) % asked.length)));
    const observations = [...some].map((c) => ({
      character: c.id,
      states: [itemAt(c.states, n % c.states.length).id],
    }));
    viewOf(
      judge(
        ready,
        caseAt(
          { list: { [itemAt(ready.flora.taxa, 0).name]: "target" } },
          { day: "2026-06-01", stage: "vegetative", observations },
          ready,
        ),
      ),
      null,
      null,
    );
  }
}

/** What the Bench asks to be judged: what its place brings, and what was seen. */
export interface BenchCase {
  place: PlaceKnowledge;
  looked: Looked;
}

/** One look that would speak against a name. */
export interface Doubt {
  character: string;
  decibans: number;
  expected: string;
  against: string;
}

function loaded(): Model {
  if (!model) throw new Error("the flora is not loaded");
  return model;
}

const judgeNow = ({ place, looked }: BenchCase): Judgement =>
  judge(loaded(), ...remembered(caseAt(place, looked, loaded())));

/** The engine as the Bench asks it; it runs in a worker of its own. */
export const engine = {
  /** Loads the compiled flora and makes the model; answers with the vocabulary. */
  async load(url: string): Promise<Vocabulary> {
    const response = await fetch(url);
    if (!response.ok) throw new Error(`the flora could not be loaded (${response.status})`);
    const flora = readCompiledFlora(await response.json());
    const made = buildModel(flora);
    model = made;
    void rehearse(made);
    return {
      characters: flora.characters,
      taxa: flora.taxa.map((t) => ({ id: t.id, name: t.name, common: t.common, lifeForm: t.lifeForm })),
      plainNames: Object.fromEntries(flora.taxa.map((t, i) => [t.name, plainName({ model: made }, i)])),
      largest: Object.fromEntries(
        flora.characters.flatMap((character, c) =>
          character.states.length > 0 ? [] : [[character.id, largestReading(made, c)]],
        ),
      ),
      version: flora.version,
    };
  },
  /** @param pair two accepted names to weigh against each other; null for the likeliest on each side */
  view(input: BenchCase, lens: Lens, pair: [string, string] | null): BenchView {
    return viewOf(judgeNow(input), lens, pair);
  },
  /** What would make a name wrong: the checks that would count most against it. */
  doubt(input: BenchCase, taxon: string): Doubt[] {
    const judgement = judgeNow(input);
    const characters = judgement.model.flora.characters;
    return refutingChecks(judgement, judgement.model.taxonIndex.get(taxon) ?? -1).map(
      ({ character, decibans, expected, against }) => ({
        character: itemAt(characters, character).id,
        decibans,
        expected,
        against,
      }),
    );
  },
  /** One month of the year over again for one plant. */
  replay(input: BenchCase, taxon: string, month: number): Month {
    return replayMonth(
      loaded(),
      caseAt(input.place, input.looked, loaded()),
      loaded().taxonIndex.get(taxon) ?? -1,
      month,
    );
  },
};
export type Engine = typeof engine;
