import { scoreFor, type Model } from "../identify";
import { beliefOf, TWO_RIGHT } from "./clues";
import { standingOf } from "./belief";
import { LEAST_LIKENESS, lookAlikes } from "./look-alikes";
import { type ClueQuestion, type Question, type ShownTrait, traitOf } from "./question";

/** A drawn state of a smaller share than this at its stage contradicts the flora. */
const CONTRADICTED_BELOW = 0.05;

/** What is wrong with a question, calculated again from what it says alone. */
export interface Faults {
  twoRight: boolean;
  contradicted: boolean;
  implausible: boolean;
}

export function faultsOf(model: Model, question: Question): Faults {
  const taxon = model.flora.taxa.findIndex(({ id }) => id === question.taxon);
  return {
    twoRight: question.form === "clues" && isTwoRight(model, taxon, question),
    contradicted: traitsOf(question).some((trait) => isContradicted(model, taxon, question, trait)),
    implausible: "options" in question && hasImplausible(model, taxon, question),
  };
}

/** All that a question draws of its plant. */
export const traitsOf = (question: Question): ShownTrait[] => {
  if (question.form === "clues" || question.form === "collar") return question.clues;
  if (question.form === "next-check") return question.known;
  return question.form === "hold-or-clear" ? question.seen : [];
};

/** At the last clue the plant must stand out, with and without the clue that lies. */
function isTwoRight(model: Model, taxon: number, { clues, stage }: ClueQuestion): boolean {
  return [clues, clues.filter(({ misleading }) => !misleading)].some((shown) => {
    const traits = shown.flatMap((trait) => traitOf(model, trait) ?? []);
    const { truth, runnerUp } = standingOf(beliefOf(model, stage, traits).shares(), taxon);
    return truth < TWO_RIGHT.truth || runnerUp > TWO_RIGHT.runnerUp;
  });
}

/** The largest share that any leaf form of the plant gives the state; a number must lie within what the kind reaches. */
function isContradicted(model: Model, taxon: number, { stage }: Question, shown: ShownTrait): boolean {
  if (shown.misleading) return false;
  const trait = traitOf(model, shown);
  if (!trait) return true;
  return model.flora.taxa[taxon].forms.every(({ id }) => {
    const score = scoreFor(model, taxon, trait.character, stage, undefined, id);
    if ("state" in trait) return (score?.shares?.[trait.state] ?? 0) < CONTRADICTED_BELOW;
    const [least, , , most] = score?.points ?? [1, 0, 0, 0];
    return trait.value < least * ROUNDING.under || trait.value > most * ROUNDING.over;
  });
}
/** Numbers are drawn as a person reads them off, to two figures. */
const ROUNDING = { under: 0.95, over: 1.05 };

function hasImplausible(model: Model, taxon: number, question: Question & { options: string[] }): boolean {
  const fair = new Set(
    lookAlikes(model, taxon, question.stage)
      .filter(({ likeness, listed }) => listed || likeness >= LEAST_LIKENESS)
      .map((one) => model.flora.taxa[one.taxon].id),
  );
  return question.options.some((id) => id !== question.taxon && !fair.has(id));
}
