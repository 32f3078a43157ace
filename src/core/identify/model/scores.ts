import { type Character, type CompiledFlora, type Position, type Score, type Stage, STAGES } from "../../flora";
import type { Tuning } from "../tuning";
import type { Model, Recording } from "./model";
import { scoredStage } from "./visible-at-stage";

const RECORDING: Recording[] = ["recorded", "not-recorded", "not-applicable"];

export function indexScores(flora: CompiledFlora): Map<number, Score[]>[] {
  const byTaxon = flora.taxa.map(() => new Map<number, Score[]>());
  for (const score of flora.scores) {
    const scores = byTaxon[score.taxon].get(score.character);
    if (scores) scores.push(score);
    else byTaxon[score.taxon].set(score.character, [score]);
  }
  return byTaxon;
}

/** Recorded, not recorded or not applicable, for each character × taxon. */
export function recordings(
  flora: CompiledFlora,
  scoresOf: Map<number, Score[]>[],
  { whenFailsBelow }: Tuning,
): Uint8Array {
  const result = new Uint8Array(flora.taxa.length * flora.characters.length);
  const indexOf = new Map(flora.characters.map((c, i) => [c.id, i]));
  flora.taxa.forEach((taxon, t) => {
    const scores = scoresOf[t];
    /** What the part stands on may be missing too: no leaf that is cut, no plan of its lobes, no angle between them. */
    const lacks = (c: number): boolean => {
      const { applies, when } = flora.characters[c];
      const own = scores.get(c);
      if (own) return own.every((s) => s.notApplicable);
      if (!applies.includes(taxon.lifeForm)) return true;
      const gate = when && indexOf.get(when.character);
      return (
        when !== undefined &&
        gate !== undefined &&
        (lacks(gate) || shareMeeting(flora.characters[gate], scores.get(gate), when.states) < whenFailsBelow)
      );
    };
    flora.characters.forEach((_, c) => {
      result[c * flora.taxa.length + t] = lacks(c) ? 2 : scores.has(c) ? 0 : 1;
    });
  });
  return result;
}

/** Share of a plant's kind that meets a prerequisite; 1 where it is not recorded. */
function shareMeeting(gate: Character, scores: Score[] | undefined, states: string[]): number {
  const base = scores?.find((s) => !s.stage && !s.position && !s.form);
  if (!base?.shares) return base?.notApplicable ? 0 : 1;
  return states.reduce((sum, id) => sum + (base.shares?.[gate.states.findIndex((s) => s.id === id)] ?? 0), 0);
}

export function recordingOf(model: Model, taxon: number, character: number): Recording {
  return RECORDING[model.recording[character * model.flora.taxa.length + taxon]];
}

/** False where a plant never carries the part. */
export const hasPart = (model: Model, taxon: number, character: number): boolean =>
  model.recording[character * model.flora.taxa.length + taxon] !== 2;

/** The score that holds for a stage, position and form: the most specific one that fits. */
export function scoreFor(
  model: Model,
  taxon: number,
  character: number,
  at: Stage,
  position: Position | undefined,
  form: string,
): Score | undefined {
  const stage = scoredStage(model.flora.characters[character], at);
  let best: Score | undefined;
  let bestRank = -1;
  for (const score of model.scoresOf[taxon].get(character) ?? []) {
    if (
      (score.stage && score.stage !== stage) ||
      (score.position && score.position !== position) ||
      (score.form && score.form !== form)
    )
      continue;
    const rank = (score.stage ? 1 : 0) + (score.position ? 2 : 0) + (score.form ? 4 : 0);
    if (rank > bestRank) {
      best = score;
      bestRank = rank;
    }
  }
  return best;
}

/** How a part is seen on a plant that has it: 0 not at this stage, 1 on some of its kind, 2 as a rule. */
export const seenAt = (model: Model, taxon: number, c: number, stage: number): number =>
  model.seen[c][taxon * model.seenStep[c] + stage];

/** True where a part is seen at a stage as a rule, on a plant that has it. */
export const usuallySeen = (model: Model, taxon: number, c: number, stage: Stage): boolean =>
  seenAt(model, taxon, c, STAGES.indexOf(stage)) === 2;

/** Multiplies the chance of each condition in which a part is seen, or of each in which it is not, by a factor. */
export function scaleWhere(model: Model, c: number, isSeen: boolean, chance: Float64Array, factor: number): void {
  for (let z = 0; z < chance.length; z++)
    if (seenAt(model, model.conditionTaxon[z], c, model.conditionStage[z]) > 0 === isSeen) chance[z] *= factor;
}

export function variations(flora: CompiledFlora): Uint8Array {
  const varies = new Uint8Array(flora.taxa.length * flora.characters.length);
  for (const score of flora.scores)
    if (score.stage || score.form) varies[score.character * flora.taxa.length + score.taxon] = 1;
  return varies;
}

/** True where a plant shows a character differently by stage or form. */
export function variesWithCondition(model: Model, taxon: number, c: number): boolean {
  return model.variesAtAll[c] === 1 && model.varies[c * model.flora.taxa.length + taxon] === 1;
}

/** The score of a plant that holds for every stage, position and form; undefined where there is none or it does not apply. */
export const baseScore = (model: Model, taxon: number, c: number): Score | undefined =>
  model.scoresOf[taxon].get(c)?.find((s) => !s.stage && !s.position && !s.form && !s.notApplicable);
