import { STAGES } from "../../flora";
import { answersAt } from "../model/answer-tables";
import { recordingOf } from "../model/scores";
import { predictChecks } from "../next/next-check";
import { type Judgement, likeliestStage } from "../posterior/judgement";
import { plainName, stateName } from "../words/observation-words";
import { describeScore } from "../words/score-words";
import { likenesses } from "./likeness";

/** A look that would show that a plant thought of is another. */
export interface Refutation {
  character: number;
  /** decibans that the look is expected to give against the name, if it is wrong */
  decibans: number;
  seconds: number;
  /** what the plant thought of would show */
  expected: string;
  /** what would speak against it most, and of which plant it would speak */
  against: string;
}

/**
 * What would make a name wrong: the checks that, if the plant is one of those that are mistaken for it, count most against it.
 * Expected weight of evidence (Good 1950, Probability and the weighing of evidence): Σ over rivals of their share times the
 * divergence of their answers from the plant's, in decibans, per second.
 * @param taxon the plant thought of
 */
export function refutingChecks(judgement: Judgement, taxon: number, most = 8): Refutation[] {
  const rivals = rivalsOf(judgement, taxon);
  const { model } = judgement;
  const found = predictChecks(judgement, undefined, new Set([taxon, ...rivals.map((r) => r.taxon)])).checks.flatMap(
    ({ character, seconds }): Refutation[] => {
      if (recordingOf(model, taxon, character) !== "recorded") return [];
      const own = rowOf(judgement, taxon, character);
      let decibans = 0;
      let worst = { weight: 0, answer: -1, rival: -1 };
      for (const { taxon: rival, share } of rivals) {
        const other = rowOf(judgement, rival, character);
        for (let o = 0; o < own.length; o++) {
          const weight = share * other[o] * 10 * Math.log10(other[o] / own[o]);
          decibans += weight;
          if (weight > worst.weight) worst = { weight, answer: o, rival };
        }
      }
      if (decibans < model.tuning.leastDecibans || worst.rival < 0) return [];
      const expected = describeScore(judgement, taxon, character, likeliestStage(judgement, taxon));
      return [
        {
          character,
          decibans,
          seconds,
          expected,
          against: `${answerWords(judgement, character, worst.answer)} would speak for ${plainName({ model }, worst.rival)}`,
        },
      ];
    },
  );
  const { overheadRefute } = model.tuning;
  return found
    .sort((a, b) => b.decibans / (b.seconds + overheadRefute) - a.decibans / (a.seconds + overheadRefute))
    .slice(0, most);
}

/** Plants that would be mistaken for this one, each by its share now times its likeness, shares summing to 1. */
function rivalsOf(judgement: Judgement, taxon: number): { taxon: number; share: number }[] {
  const { model, flat } = judgement;
  const stage = likeliestStage(judgement, taxon);
  const alike = likenesses(model, taxon, stage);
  const weighed = [...flat.taxa.keys()]
    .filter((t) => t !== taxon)
    .map((t) => ({ taxon: t, share: flat.taxa[t] * alike[t] }));
  const best = weighed.sort((a, b) => b.share - a.share).slice(0, model.tuning.rivals);
  const total = best.reduce((sum, r) => sum + r.share, 0) || 1;
  return best.map((r) => ({ ...r, share: r.share / total }));
}

/** Chances of the answers of one plant at its likeliest stage, none of them nothing. */
function rowOf(judgement: Judgement, taxon: number, c: number): Float64Array {
  const { model } = judgement;
  return Float64Array.from(answersAt(model, taxon, c, STAGES.indexOf(likeliestStage(judgement, taxon))), (p) =>
    Math.max(p, 1e-3),
  );
}

function answerWords(judgement: Judgement, c: number, answer: number): string {
  const character = judgement.model.flora.characters[c];
  if (character.states.length > 0) return stateName(character, character.states[answer].id);
  const edges = judgement.model.edges[c];
  const words =
    answer === 0
      ? `under ${edges[0]}`
      : answer === edges.length
        ? `over ${edges[answer - 1]}`
        : `${edges[answer - 1]} to ${edges[answer]}`;
  return `${words} ${character.unit}`;
}
