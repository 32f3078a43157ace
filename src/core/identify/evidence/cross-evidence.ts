import { STAGES } from "../../flora";
import type { Cross } from "../model/crosses";
import type { Model } from "../model/model";
import type { Evidence } from "./evidence";

/** First condition of a plant at a stage: its first form. */
const conditionAt = (model: Model, taxon: number, stage: number): number => model.firstCondition[taxon] + stage;

/** What a cross shows: states as a mixture of its parents', numbers between them where both are measured. */
export function crossChance(model: Model, item: Evidence, cross: number, stage: number): number {
  const between = item.between?.[cross * STAGES.length + stage] ?? 0;
  if (between > 0) return between;
  const [a, b] = model.crosses[cross].parents;
  return (item.chance[conditionAt(model, a, stage)] + item.chance[conditionAt(model, b, stage)]) / 2;
}

/** Chance of one block of observations for every cross and stage, over the block's scale: row cross, column stage. */
export function crossBlockChance(model: Model, doubt: number, items: Evidence[], scale: number): Float64Array {
  const out = new Float64Array(model.crosses.length * STAGES.length);
  model.crosses.forEach(({ parents }, x) => {
    const form = model.taxonLifeForm[parents[0]];
    const gone = items.reduce((product, item) => product * item.background[form], doubt);
    for (let s = 0; s < STAGES.length; s++) {
      const sound = items.reduce((product, item) => product * crossChance(model, item, x, s), 1 - doubt);
      out[x * STAGES.length + s] = (sound + gone) / scale;
    }
  });
  return out;
}

/** Chance of each stage for each cross: the mean of its parents'. */
export function crossStageChance(model: Model, conditionChance: Float64Array): Float64Array {
  const out = new Float64Array(model.crosses.length * STAGES.length);
  model.crosses.forEach(({ parents }, x) => {
    for (const t of parents)
      for (let z = model.firstCondition[t]; z < model.firstCondition[t + 1]; z++)
        out[x * STAGES.length + model.conditionStage[z]] += conditionChance[z] / 2;
  });
  return out;
}

/** Likelihood of each cross, all stages together. */
export function crossChanceOf(
  model: Model,
  stageChance: Float64Array,
  blocks: { cross: Float64Array }[],
): Float64Array {
  const byStage = stageChance.slice();
  for (const { cross } of blocks) for (let i = 0; i < byStage.length; i++) byStage[i] *= cross[i];
  const sums = new Float64Array(model.crosses.length);
  for (let i = 0; i < byStage.length; i++) sums[Math.floor(i / STAGES.length)] += byStage[i];
  return sums;
}

/** A cross is on the kept side if one of its parents is. */
export const crossKept = (judgement: { model: Model; keptSide: Uint8Array }, cross: number): boolean =>
  judgement.model.crosses[cross].parents.some((t) => judgement.keptSide[t] === 1);

/** Prior of a cross beside its parents'. */
export const crossPrior = (share: number, prior: Float64Array, { parents: [a, b] }: Cross): number =>
  share * Math.min(prior[a], prior[b]);
