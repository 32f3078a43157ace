import { crossPrior } from "../evidence/cross-evidence";
import type { Model } from "../model/model";
import type { Judgement, Likelihoods, Posterior } from "./judgement";
import { unknownChance } from "./unknown-plant";

/** The local posterior and the flat one, from other likelihoods than the judgement's own. */
export function underBothPriors(
  { model, priorLocal, priorFlat, keptSide, foundHere }: Judgement,
  likelihoods: Likelihoods,
): [Posterior, Posterior] {
  return [
    posterior(model, likelihoods, priorLocal, keptSide, foundHere),
    posterior(model, likelihoods, priorFlat, keptSide),
  ];
}

/**
 * Posterior over the plants, their crosses and the unknown plant, from likelihoods and a prior of the plants.
 * @param foundHere with the local prior: how likely each plant is to be found here now, and an unlisted relative of it as well
 */
export function posterior(
  model: Model,
  likelihoods: Likelihoods,
  prior: Float64Array,
  keptSide: Uint8Array,
  foundHere?: Float64Array,
): Posterior {
  const unknown = unknownChance(model, likelihoods, foundHere) * model.tuning.unknownPrior;
  const taxa = likelihoods.taxa.slice();
  const crosses = likelihoods.crosses.slice();
  let all = unknown;
  for (let t = 0; t < taxa.length; t++) all += taxa[t] *= prior[t];
  for (let x = 0; x < crosses.length; x++)
    all += crosses[x] *= crossPrior(model.tuning.crossShare, prior, model.crosses[x]);
  let kept = unknown / all;
  for (let t = 0; t < taxa.length; t++) {
    taxa[t] /= all;
    if (keptSide[t]) kept += taxa[t];
  }
  for (let x = 0; x < crosses.length; x++) {
    crosses[x] /= all;
    const [a, b] = model.crosses[x].parents;
    if (keptSide[a] || keptSide[b]) kept += crosses[x];
  }
  return { taxa, crosses, unknown: unknown / all, keptSide: kept };
}
