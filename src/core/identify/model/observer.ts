import type { Character } from "../../flora";

export function blur(shares: ArrayLike<number>, confusion: Float64Array): Float32Array {
  const n = shares.length;
  const out = new Float32Array(n);
  for (let truth = 0; truth < n; truth++) {
    const share = shares[truth];
    if (share > 0) for (let named = 0; named < n; named++) out[named] += share * confusion[truth * n + named];
  }
  return out;
}

/** The observer error at which every character's own `errorRate` holds. */
export const REFERENCE_ERROR = 0.05;
export type Sureness = "sure" | "likely" | "guess";
const WIDEN: Record<Sureness, number> = { sure: 1, likely: 2.5, guess: 6 };

/**
 * Confusion table of one character: row = true state, column = state named.
 * Not symmetric where things are overlooked: hair that is there is missed about five times as often as
 * hair that is not there is imagined. Ordered states are taken for neighbours before distant ones.
 * @param observerError in [0, 1]: one factor that scales all off-diagonal mass; 0.05 is the reference
 * @returns n × n, row-major, each row sums to 1
 */
export function confusionTable(character: Character, observerError: number, sure: Sureness): Float64Array {
  const n = character.states.length;
  const table = new Float64Array(n * n);
  const scale = (observerError / REFERENCE_ERROR) * WIDEN[sure];
  for (let truth = 0; truth < n; truth++) {
    const weights = mistakeWeights(character, truth);
    const total = weights.reduce((a, b) => a + b, 0);
    const wrong = n === 1 || total === 0 ? 0 : Math.min(0.7, missRate(character, truth) * scale);
    for (let named = 0; named < n; named++) {
      table[truth * n + named] = named === truth ? 1 - wrong : (wrong * weights[named]) / total;
    }
  }
  return table;
}

function missRate(character: Character, truth: number): number {
  if (character.mistake !== "overlooked") return character.errorRate;
  return truth === 0 ? character.errorRate * 0.4 : character.errorRate * 1.6;
}

function mistakeWeights(character: Character, truth: number): number[] {
  return character.states.map((state, named) => {
    if (named === truth) return 0;
    if (character.mistake === "ordered") return 1 / (named - truth) ** 2;
    if (character.mistake === "overlooked" && truth > 0 && named === 0) return 3;
    const alike = character.alike.some(
      ([a, b]) =>
        (a === state.id && b === character.states[truth].id) || (b === state.id && a === character.states[truth].id),
    );
    return alike ? 5 : 1;
  });
}

/** Factor by which a reading's half width grows with doubt. */
export function widening(sure: Sureness): number {
  return sure === "sure" ? 1 : sure === "likely" ? 1.5 : 2.5;
}

/** Chance that a reading is grossly wrong (other part, other unit), at this observer error. */
export function grossErrorRate(character: Character, observerError: number, sure: Sureness): number {
  return Math.min(0.7, character.errorRate * (observerError / REFERENCE_ERROR) * WIDEN[sure] * 0.6);
}
