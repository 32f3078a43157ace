import type { Character } from "../../flora";
import { type Tuning, TUNING } from "../tuning";

export function blur(shares: ArrayLike<number>, confusion: Float64Array): Float32Array {
  const n = shares.length;
  const out = new Float32Array(n);
  for (let truth = 0; truth < n; truth++) {
    const share = shares[truth];
    if (share > 0) for (let named = 0; named < n; named++) out[named] += share * confusion[truth * n + named];
  }
  return out;
}

export type Sureness = "sure" | "likely" | "guess";
const errorFactor = (sure: Sureness, { widenLikely, widenGuess }: Tuning): number =>
  sure === "sure" ? 1 : sure === "likely" ? widenLikely : widenGuess;

/**
 * Confusion table of one character: row = true state, column = state named.
 * Not symmetric where things are overlooked: hair that is there is missed four times as often as
 * hair that is not there is imagined. Ordered states are mistaken for neighbors before distant ones.
 * @param observerError in [0, 1]: one factor that scales all off-diagonal mass; 0.05 is the reference
 * @returns n × n, row-major, each row sums to 1
 */
export function confusionTable(
  character: Character,
  observerError: number,
  sure: Sureness,
  tuning = TUNING,
): Float64Array {
  const n = character.states.length;
  const table = new Float64Array(n * n);
  const scale = (observerError / tuning.referenceError) * errorFactor(sure, tuning);
  for (let truth = 0; truth < n; truth++) {
    const weights = mistakeWeights(character, truth, tuning);
    const total = weights.reduce((a, b) => a + b, 0);
    const wrong = n === 1 || total === 0 ? 0 : Math.min(tuning.mostWrong, missRate(character, truth, tuning) * scale);
    for (let named = 0; named < n; named++) {
      table[truth * n + named] = named === truth ? 1 - wrong : (wrong * weights[named]) / total;
    }
  }
  return table;
}

function missRate(character: Character, truth: number, { imaginedFactor, overlookedFactor }: Tuning): number {
  if (character.mistake !== "overlooked") return character.errorRate;
  return truth === 0 ? character.errorRate * imaginedFactor : character.errorRate * overlookedFactor;
}

function mistakeWeights(character: Character, truth: number, { overlookedWeight, alikeWeight }: Tuning): number[] {
  return character.states.map((state, named) => {
    if (named === truth) return 0;
    if (character.mistake === "ordered") return 1 / (named - truth) ** 2;
    if (character.mistake === "overlooked" && truth > 0 && named === 0) return overlookedWeight;
    const alike = character.alike.some(
      ([a, b]) =>
        (a === state.id && b === character.states[truth].id) || (b === state.id && a === character.states[truth].id),
    );
    return alike ? alikeWeight : 1;
  });
}

/** Factor by which a reading's half width grows with doubt. */
export function widening(sure: Sureness, { readingWidenLikely, readingWidenGuess }: Tuning): number {
  return sure === "sure" ? 1 : sure === "likely" ? readingWidenLikely : readingWidenGuess;
}

/** Chance that a reading is grossly wrong (other part, other unit), at this observer error. */
export function grossErrorRate(character: Character, observerError: number, sure: Sureness, tuning: Tuning): number {
  const { mostWrong, referenceError, grossShare } = tuning;
  return Math.min(
    mostWrong,
    character.errorRate * (observerError / referenceError) * errorFactor(sure, tuning) * grossShare,
  );
}
