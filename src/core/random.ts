import { randomLcg, randomNormal } from "d3-random";

/** A seeded source of chance: the same seed gives the same walk. */
export interface Chance {
  /** in [0, 1) */
  uniform(): number;
  normal(): number;
  /** whole number in [0, n) */
  below(n: number): number;
  /** index drawn with these weights */
  pick(weights: ArrayLike<number>): number;
}

/** @param seed any finite number */
export function seededChance(seed: number): Chance {
  const source = randomLcg(((seed * 2654435761) % 4294967296) / 4294967296);
  for (let i = 0; i < 8; i++) source();
  const normal = randomNormal.source(source)(0, 1);
  return {
    uniform: source,
    normal,
    below: (n) => Math.floor(source() * n),
    pick(weights) {
      let total = 0;
      for (let i = 0; i < weights.length; i++) total += weights[i];
      let at = source() * total;
      for (let i = 0; i < weights.length; i++) {
        at -= weights[i];
        if (at < 0) return i;
      }
      return weights.length - 1;
    },
  };
}
