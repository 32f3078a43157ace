import {
  type Answer,
  askAtLast,
  cardsOf,
  confusionsOf,
  type DrillBook,
  type Form,
  type Given,
  metAt,
  type NamedSubject,
  type Planned,
  planRound,
  type Question,
} from "@/core/drill";
import { NOT_DRAWN, readCompiledFlora, type Stage, STAGES, type Status } from "@/core/flora";
import { buildModel, type Costs, type Model, type PlaceKnowledge, plainName } from "@/core/identify";
import { seededChance } from "@/core/random";
import { type Afterwards, afterwardsOf } from "@/drawings/question/afterwards";
import { type Scene, sceneOf } from "@/drawings/question/scene";

/** What practice needs to know of the flora. */
export interface DrillVocabulary {
  version: string;
  /** what a scout calls each plant, by flora id */
  names: Record<string, string>;
  sets: { id: string; name: string; taxa: string[] }[];
}

/** What a round is made of. */
export type Scope =
  | { kind: "district" }
  | { kind: "plants"; taxa: string[]; stage: Stage | null }
  | { kind: "site"; place: PlaceKnowledge; day: string };

/** A person's past, as far as it changes what is asked. */
export interface Past {
  answers: Answer[];
  /** [named, was]: plants that wrong findings of this person were mistaken for */
  mistaken: [string, string][];
}

/** A question of a round, with what it needs to be sent. */
export interface Posed {
  scene: Scene;
  preferred: string[];
}

/** Plants of the place that are practiced before going out. */
const MET = 24;
/** So many more subjects than questions are planned: not every plant can be asked of in every form. */
const SPARE = 4;

let book: DrillBook | undefined;

function opened(): DrillBook {
  if (!book) throw new Error("the flora is not loaded");
  return book;
}

const indexOf = ({ flora }: Model, id: string): number => flora.taxa.findIndex((taxon) => taxon.id === id);

const atStages = (model: Model, t: number, stage: Stage | null): NamedSubject[] => {
  const taxon = model.flora.taxa[t];
  if (!taxon) return [];
  return STAGES.filter((one) => taxon.calendar[one] && (stage === null || one === stage)).map((one) => ({
    taxon: taxon.id,
    stage: one,
  }));
};

/** The plants of the district's list, and those that they are listed with as look-alikes. */
function ofDistrict({ model, list }: DrillBook): NamedSubject[] {
  const own = new Set(model.flora.taxa.filter(({ name }) => name in list).map(({ id }) => id));
  const beside = model.flora.pairs.flatMap(({ a, b }) => (own.has(a) || own.has(b) ? [a, b] : []));
  return [...new Set([...own, ...beside])].flatMap((id) => atStages(model, indexOf(model, id), null));
}

function subjectsIn(scope: Scope): NamedSubject[] {
  const { model } = opened();
  if (scope.kind === "site") return metAt(model, scope.place, scope.day, MET);
  if (scope.kind === "plants") return scope.taxa.flatMap((id) => atStages(model, indexOf(model, id), scope.stage));
  return ofDistrict(opened());
}

/** Of a few plants each is asked beside the others. */
const FEW = 4;
const besideIts = (planned: Planned, taxa: string[]): Planned => ({
  ...planned,
  preferred: [...new Set([...taxa.filter((id) => id !== planned.taxon), ...planned.preferred])],
});

/** A wrong finding counts as a mistake in practice, made before all others: its pair comes until it is told apart. */
const asAnswers = ({ mistaken }: Past): Answer[] =>
  mistaken.map(([named, was]) => ({
    ...{ at: "", form: "clues" as const, taxon: was, right: false, score: 0, seconds: 0 },
    ...{ chosen: named, options: [named, was] },
  }));

/** Practice as the screens ask it; it runs in a worker of its own. */
export const drillEngine = {
  async load(url: string, list: Record<string, Status>, costs: Costs): Promise<DrillVocabulary> {
    const response = await fetch(url);
    if (!response.ok) throw new Error(`the flora could not be loaded (${response.status})`);
    const model = buildModel(readCompiledFlora(await response.json()));
    book = { model, notDrawn: NOT_DRAWN, list, costs };
    const { version, taxa, sets } = model.flora;
    return {
      version,
      names: Object.fromEntries(taxa.map(({ id }, t) => [id, plainName({ model }, t)])),
      sets: sets.map(({ id, name, taxa: ids }) => ({ id, name, taxa: ids })),
    };
  },
  /** The plants of a round, weak and due ones first. The same past, moment and seed give the same plants. */
  plan(scope: Scope, past: Past, now: string, questions: number, seed: number): Planned[] {
    const answers = [...asAnswers(past), ...past.answers];
    const known = { cards: cardsOf(past.answers), confusions: confusionsOf(answers) };
    const planned = planRound(subjectsIn(scope), known, now, questions * SPARE, seededChance(seed).named("round"));
    return scope.kind === "plants" && scope.taxa.length <= FEW
      ? planned.map((one) => besideIts(one, scope.taxa))
      : planned;
  },
  /** The next question of a round; null where this plant cannot be asked about in this form. */
  pose({ taxon, stage, preferred }: Planned, seed: number, form: Form | null): Posed | null {
    const { model } = opened();
    const partners = preferred.map((id) => indexOf(model, id)).filter((t) => t >= 0);
    const question = askAtLast(opened(), { taxon: indexOf(model, taxon), stage }, seed, form ?? undefined, partners);
    if ("why" in question) return null;
    return { scene: sceneOf(model, question), preferred };
  },
  /** What an answer was worth, and what there is to see after it. */
  answer: (question: Question, given: Given): Afterwards => afterwardsOf(opened().model, question, given),
};
export type DrillEngine = typeof drillEngine;
