import type { Evidence } from "./evidence";
import type { Model } from "./model";

const chanceAt = (item: Evidence, _n: number, z: number): number => item.chance[z];

/**
 * Log chance of a block's observations in one condition; of none at all 0.
 * @param chance what takes the place of an observation's own chance there, by its number in the block
 */
export function blockLogAt(model: Model, doubt: number, items: Evidence[], z: number, chance: (item: Evidence, n: number, z: number) => number = chanceAt): number {
  const form = model.conditionLifeForm[z];
  let sound = 1 - doubt;
  let gone = doubt;
  for (let n = 0; n < items.length; n++) {
    sound *= chance(items[n], n, z);
    gone *= items[n].background[form];
  }
  return Math.log(sound + gone);
}

/** Log of the sum of exponentials of `values[from]` to `values[to - 1]`, without overflow. */
export function logSum(values: ArrayLike<number>, from: number, to: number): number {
  let max = Number.NEGATIVE_INFINITY;
  for (let i = from; i < to; i++) if (values[i] > max) max = values[i];
  if (max === Number.NEGATIVE_INFINITY) return max;
  let sum = 0;
  for (let i = from; i < to; i++) sum += Math.exp(values[i] - max);
  return max + Math.log(sum);
}
