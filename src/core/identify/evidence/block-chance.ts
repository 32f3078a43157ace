import type { Model } from "../model/model";
import type { Evidence } from "./evidence";

const chanceAt = (item: Evidence, _n: number, z: number): number => item.chance[z];

/**
 * Chance of a block's observations in one condition; of none at all 1.
 * @param chance what takes the place of an observation's own chance there, by its number in the block
 */
export function blockChanceAt(
  model: Model,
  doubt: number,
  items: Evidence[],
  z: number,
  chance: (item: Evidence, n: number, z: number) => number = chanceAt,
): number {
  const form = model.conditionLifeForm[z];
  let sound = 1 - doubt;
  let gone = doubt;
  for (let n = 0; n < items.length; n++) {
    sound *= chance(items[n], n, z);
    gone *= items[n].background[form];
  }
  return sound + gone;
}
