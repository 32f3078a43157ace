import type { Model } from "../model/model";
import type { Block } from "./block";
import type { Likelihoods, UnknownParts } from "./judgement";
import { total } from "./sums";

/** Likelihood of an unknown plant of each life form that is no relative of a plant held, with states from the widened background, times its share of the unknown. */
export function strangersByForm(model: Model, blocks: Block[]): Float64Array {
  const { relativeShare, fewestOfForm } = model.tuning;
  return Float64Array.from(model.plantsOfForm, (count, form) =>
    blocks.reduce(
      (product, b) => product * b.unknown[form],
      ((1 - relativeShare) * Math.max(count, fewestOfForm)) / model.flora.taxa.length,
    ),
  );
}

/**
 * Likelihood of the unknown plant: a stranger of some life form, or an unlisted relative of a plant held, which keeps most of
 * that plant's states. It keeps to one of these throughout.
 * @param foundHere shares of the plants by which their relatives are as likely to stand here; left out: all alike
 */
export function unknownChance(
  { tuning: { relativeShare } }: Model,
  { relatives, strangers }: Likelihoods,
  foundHere?: Float64Array,
): number {
  if (!foundHere) return strangers + (total(relatives) * relativeShare) / relatives.length;
  let here = 0;
  for (let t = 0; t < relatives.length; t++) here += relatives[t] * foundHere[t];
  return strangers + here * relativeShare;
}

/** What the unknown plant may be, as shares of it. */
export function unknownPartsOf(model: Model, likelihoods: Likelihoods, byForm: Float64Array): UnknownParts {
  const chance = unknownChance(model, likelihoods);
  const { relativeShare } = model.tuning;
  return {
    byForm: byForm.map((value) => value / chance),
    relatives: likelihoods.relatives.map((value) => (value * relativeShare) / likelihoods.relatives.length / chance),
  };
}
