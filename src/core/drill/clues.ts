import { type Stage, STAGES } from "../flora";
import { answersAt, type Model } from "../identify";
import { answerOf, Belief, type Standing, standingOf } from "./belief";
import type { Individual, Trait } from "./individual";

/** At the last clue the plant must stand out: its own share at least, and the next one's at most. */
export const TWO_RIGHT = { truth: 0.8, runnerUp: 0.1 };
/** Chosen with a margin, so that a rounding never tips it. */
const WANTED = { truth: 0.84, runnerUp: 0.09 };
/** More clues than this are no question any more. */
const MOST_CLUES = 10;
/** Clues that nearly every plant has, to begin with. */
const COMMON_CLUES = 2;

export interface Clue {
  trait: Trait;
  /** bits that the clue gives for the plant against the mean of the flora */
  tells: number;
  misleading?: Misleading;
}

/** What makes a clue lie: it is drawn as damage or stress, never as a state that the plant has. */
export type Misleading = "stress-color" | "chewed" | "starved" | "mown";

/** Characters of the place, not of the plant: they are no part that could be drawn of it. */
export const OF_THE_PLACE = ["ground", "light", "wetness", "row-place"];

/** Characters of the grown plant: a seedling is no bush yet, whatever it will be. */
const OF_GROWN_PLANTS = ["plant-kind"];

/** The traits of a plant that can be drawn. */
export function drawableTraits(model: Model, { traits, stage }: Individual, notDrawn: readonly string[]): Trait[] {
  return [...traits.values()].filter(({ character }) => {
    const { id, comparative, compares } = model.flora.characters[character];
    const isLater = stage === "seedling" && OF_GROWN_PLANTS.includes(id);
    return !(comparative || compares || isLater || OF_THE_PLACE.includes(id) || notDrawn.includes(id));
  });
}

const means = new WeakMap<Model, Map<string, Float64Array>>();

/** Mean chances of the answers to a character over the flora at a stage. */
function meanAnswers(model: Model, c: number, stage: Stage): Float64Array {
  const known = means.get(model) ?? new Map<string, Float64Array>();
  means.set(model, known);
  const key = `${c} ${stage}`;
  const before = known.get(key);
  if (before) return before;
  const { length } = model.flora.taxa;
  const mean = new Float64Array(model.answers[c]);
  for (let t = 0; t < length; t++)
    answersAt(model, t, c, STAGES.indexOf(stage)).forEach((chance, o) => {
      mean[o] += chance / length;
    });
  known.set(key, mean);
  return mean;
}

/** log₂ of how much oftener the plant shows a trait than the mean of the flora at its stage. */
export function tellsOf(model: Model, { taxon, stage }: Individual, trait: Trait): number {
  const answer = answerOf(model, trait);
  const own = answersAt(model, taxon, trait.character, STAGES.indexOf(stage))[answer];
  return Math.log2(own / meanAnswers(model, trait.character, stage)[answer]);
}

const isEnough = ({ truth, runnerUp }: Standing, wanted = WANTED): boolean =>
  truth >= wanted.truth && runnerUp <= wanted.runnerUp;

/** Whether a plant stands out once these traits are seen. */
export const standsOut = (model: Model, { taxon, stage }: Individual, traits: Trait[]): boolean =>
  isEnough(standingOf(beliefOf(model, stage, traits).shares(), taxon), TWO_RIGHT);

export const beliefOf = (model: Model, stage: Individual["stage"], traits: Trait[]): Belief =>
  traits.reduce((belief, trait) => belief.with(trait), Belief.at(model, stage));

export interface Clues {
  clues: Clue[];
  /** plants that could still be meant where no choice of clues decides */
  rival: number;
}

/**
 * Clues that decide, from what everything has to what decides: two that nearly every plant has, then those that raise the plant's
 * share most. Where they do not decide, `clues` is empty and `rival` is the plant that it cannot be told from.
 */
export function chooseClues(model: Model, plant: Individual, traits: Trait[], misleading: Clue | null): Clues {
  const told = traits.map((trait) => ({ trait, tells: tellsOf(model, plant, trait) }));
  const common = told
    .filter(({ tells }) => tells > 0)
    .sort((a, b) => a.tells - b.tells)
    .slice(0, COMMON_CLUES);
  const chosen = [...common];
  const start = beliefOf(
    model,
    plant.stage,
    chosen.map(({ trait }) => trait),
  );
  let beliefs = misleading ? [start, start.with(misleading.trait)] : [start];
  for (;;) {
    const standings = beliefs.map((belief) => standingOf(belief.shares(), plant.taxon));
    const rival = standings[standings.length - 1].rival;
    if (standings.every((standing) => isEnough(standing))) {
      const clues = [...chosen].sort((a, b) => a.tells - b.tells);
      return { clues: misleading ? withMisleading(clues, misleading) : clues, rival };
    }
    if (chosen.length >= MOST_CLUES) return { clues: [], rival };
    const next = bestNext(
      plant.taxon,
      beliefs[beliefs.length - 1],
      told.filter((clue) => !chosen.includes(clue) && clue.tells > 0),
    );
    if (!next) return { clues: [], rival };
    chosen.push(next);
    beliefs = beliefs.map((belief) => belief.with(next.trait));
  }
}

/** The clue that raises the plant's share most. */
function bestNext(taxon: number, belief: Belief, left: Clue[]): Clue | null {
  let best: Clue | null = null;
  let most = 0;
  for (const clue of left) {
    const share = belief.shareWith(clue.trait, taxon);
    if (share > most) [best, most] = [clue, share];
  }
  return best;
}

/** It comes in the middle: neither the first impression nor what decides. */
function withMisleading(clues: Clue[], misleading: Clue): Clue[] {
  const at = Math.max(1, Math.floor(clues.length / 2));
  return [...clues.slice(0, at), misleading, ...clues.slice(at)];
}
