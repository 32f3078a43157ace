import { blockChanceAt } from "../evidence/block-chance";
import { crossChanceOf } from "../evidence/cross-evidence";
import type { Evidence } from "../evidence/evidence";
import { type Block, blockOf, scaleLogOf } from "./block";
import { guardKept } from "./guard-unrecorded";
import { type Judgement, type Likelihoods, type Posterior, taxonLog } from "./judgement";
import { underBothPriors } from "./posterior";
import { sumConditions, total } from "./sums";
import { strangersByForm } from "./unknown-plant";

/**
 * Both posteriors with some observations left out, as a verdict of Clear is measured by them.
 * @param rest the likelihoods without them
 */
export function guardedWithout(
  judgement: Judgement,
  dropped: Set<number>,
  rest = without(judgement, dropped),
): [Posterior, Posterior] {
  const guarded = { ...rest, taxa: guardKept(judgement, judgement.raising, rest.taxa, rest.weightAt, dropped) };
  return underBothPriors(judgement, guarded);
}

/** Log likelihood of one plant with one observation left out: only its block is calculated again. */
export function taxonLogWithout(judgement: Judgement, taxon: number, observation: number): number {
  const { model, evidence, blocks, weight, likelihoods } = judgement;
  const item = evidence[observation];
  const block = item && blocks.get(item.block);
  if (!block) return taxonLog(likelihoods, taxon);
  const left = block.members.filter((i) => i !== observation).map((i) => evidence[i] as Evidence);
  let sum = 0;
  for (let z = model.firstCondition[taxon]; z < model.firstCondition[taxon + 1]; z++)
    sum += (weight[z] / block.chance[z]) * blockChanceAt(model, block.doubt, left, z);
  return Math.log(sum) + likelihoods.scaleLog - Math.log(block.scale);
}

/**
 * Likelihoods with some observations left out: whole blocks or single observations. Only what a changed block said is taken
 * out and said again.
 * @param dropped indices of the observations left out
 * @returns also `weightAt`, the likelihood of a condition
 */
export function without(judgement: Judgement, dropped: Set<number>): Likelihoods & { weightAt: (z: number) => number } {
  const { model, weight, relativesWeight: kin } = judgement;
  const blocks: Block[] = [];
  const changed: { was: Block; now: Block | null }[] = [];
  for (const block of judgement.blocks.values()) {
    const left = block.members.filter((i) => !dropped.has(i));
    const now =
      left.length === block.members.length
        ? block
        : left.length > 0
          ? blockOf(
              model,
              block.name,
              left.map((i) => judgement.evidence[i] as Evidence),
              left,
            )
          : null;
    if (now !== block) changed.push({ was: block, now });
    if (now) blocks.push(now);
  }
  const left = weight.slice();
  const ofKin = kin.slice();
  for (const { was, now } of changed) {
    for (let z = 0; z < left.length; z++) {
      left[z] *= (now ? now.chance[z] : 1) / was.chance[z];
      ofKin[z] *= (now ? now.relatives[z] : 1) / was.relatives[z];
    }
  }
  return {
    taxa: sumConditions(model, left),
    relatives: sumConditions(model, ofKin),
    strangers: total(strangersByForm(model, blocks)),
    crosses: crossChanceOf(model, judgement.crossStage, blocks),
    scaleLog: scaleLogOf(blocks),
    weightAt: (z) => left[z],
  };
}
