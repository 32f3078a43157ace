import { itemAt } from "../items";
import type { Model } from "../identify";
import { type Chance, seededChance } from "../random";
import type { DrillBook, Subject } from "./book";
import { clueByClue, type Unaskable } from "./forms/clue-by-clue";
import { collarRound } from "./forms/collar";
import { holdOrClear } from "./forms/hold-or-clear";
import { measureIt } from "./forms/measure";
import { nextCheck } from "./forms/next-check";
import { quadrat } from "./forms/quadrat";
import { drawIndividual, type Individual } from "./individual";
import type { Form, Question } from "./question";

/** How often each form is asked, where the plant allows it. */
const WEIGHTS: [Form, number][] = [
  ["clues", 0.55],
  ["next-check", 0.12],
  ["hold-or-clear", 0.12],
  ["measure", 0.08],
  ["collar", 0.08],
  ["quadrat", 0.05],
];
/** A plant that no draw can be asked of in so many tries cannot be asked at this stage. */
const TRIES = 4;

type Make = (
  book: DrillBook,
  subject: Subject,
  seed: number,
  chance: Chance,
  preferred: readonly number[],
) => Question | Unaskable;

const MAKE: Record<Form, Make> = {
  clues: clueByClue,
  collar: collarRound,
  "next-check": nextCheck,
  "hold-or-clear": holdOrClear,
  measure: measureIt,
  quadrat,
};

/**
 * One question about a plant. The same book, subject, seed and form give the same question.
 * @param form left out: as the seed has it
 * @param preferred plants that the learner mixes up with this one
 */
export function ask(
  book: DrillBook,
  subject: Subject,
  seed: number,
  form?: Form,
  preferred: readonly number[] = [],
): Question | Unaskable {
  const chance = chanceOf(book.model, subject, seed);
  const wanted = form ?? itemAt(WEIGHTS, chance.named("form").pick(WEIGHTS.map(([, weight]) => weight)))[0];
  const made = MAKE[wanted](book, subject, seed, chance, preferred);
  if (!("why" in made) || form) return made;
  return MAKE.clues(book, subject, seed, chance, preferred);
}

const chanceOf = ({ flora }: Model, { taxon, stage }: Subject, seed: number): Chance =>
  seededChance(seed).named(`${flora.taxa[taxon].id} ${stage}`);

/** The very plant that a question was made from, with all that it shows. */
export function plantOf(model: Model, { taxon, stage, seed }: Question): Individual {
  const t = model.flora.taxa.findIndex(({ id }) => id === taxon);
  return drawIndividual(model, t, stage, chanceOf(model, { taxon: t, stage }, seed).named("plant"));
}

/** A question about a plant by the first seed that gives one; else why there is none. */
export function askAtLast(
  book: DrillBook,
  subject: Subject,
  seed: number,
  form?: Form,
  preferred: readonly number[] = [],
) {
  let last: Question | Unaskable = { why: "" };
  for (let i = 0; i < TRIES; i++) {
    last = ask(book, subject, seed + i * 1_000_003, form, preferred);
    if (!("why" in last)) return last;
  }
  return last;
}
