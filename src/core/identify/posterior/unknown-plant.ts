import type { Model } from "../model/model";
import type { Block } from "./block";
import type { Likelihoods, UnknownParts } from "./judgement";
import { total } from "./sums";

/**
 * Share of the unknown plant's prior that goes to unlisted relatives of the plants held, the unknowns that are most
 * like a target: in each character they agree with their listed relative as far as plants of one genus do
 * (`model.kinLikeness`), and else are background.
 */
const RELATIVE_SHARE = 0.2;

/** Likelihood of an unknown plant of each life form that is no relative of a plant held, with states from the widened background, times its share of the unknown. */
export function strangersByForm(model: Model, blocks: Block[]): Float64Array {
  return Float64Array.from(model.plantsOfForm, (count, form) =>
    blocks.reduce(
      (product, b) => product * b.unknown[form],
      ((1 - RELATIVE_SHARE) * Math.max(count, 0.5)) / model.flora.taxa.length,
    ),
  );
}

/**
 * Likelihood of the unknown plant: a stranger of some life form, or an unlisted relative of a plant held, which keeps most of
 * that plant's states. It keeps to one of these throughout.
 * @param foundHere shares of the plants by which their relatives are as likely to stand here; left out: all alike
 */
export function unknownChance({ relatives: kin, strangers }: Likelihoods, foundHere?: Float64Array): number {
  if (!foundHere) return strangers + (total(kin) * RELATIVE_SHARE) / kin.length;
  let here = 0;
  for (let t = 0; t < kin.length; t++) here += kin[t] * foundHere[t];
  return strangers + here * RELATIVE_SHARE;
}

/** What the unknown plant may be, as shares of it. */
export function unknownPartsOf(likelihoods: Likelihoods, byForm: Float64Array): UnknownParts {
  const chance = unknownChance(likelihoods);
  return {
    byForm: byForm.map((value) => value / chance),
    relatives: likelihoods.relatives.map((value) => (value * RELATIVE_SHARE) / likelihoods.relatives.length / chance),
  };
}
