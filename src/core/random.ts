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
  /** a source of its own for one thing: the same whatever was drawn before, and whatever else is drawn */
  named(name: string): Chance;
}

/** @param seed any finite number; near seeds give unlike draws */
export function seededChance(seed: number): Chance {
  const source = randomLcg(scattered(seed) / 4294967296);
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
    named: (name) => seededChance(spelt(seed, name)),
  };
}

/** Whole number below 2³² from a seed and a name. */
const spelt = (seed: number, name: string): number =>
  [...name].reduce((word, letter) => stirred(word ^ (letter.codePointAt(0) as number)), scattered(seed));

/**
 * All bits of a seed stirred into one whole number below 2³², by the finaliser of MurmurHash3 (public domain): the
 * source's own draws follow its seed in a straight line, so that walks numbered 1, 2, 3 would miss half of all plants.
 */
function scattered(seed: number): number {
  const bits = new DataView(new ArrayBuffer(8));
  bits.setFloat64(0, seed);
  return stirred(stirred(bits.getUint32(0)) ^ bits.getUint32(4));
}

function stirred(word: number): number {
  let h = (word ^ 0x9e3779b9) >>> 0;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}
