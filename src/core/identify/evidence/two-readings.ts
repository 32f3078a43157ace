import type { Observation } from "../case/case";
import { leastHalfWidth, readingHalfWidth } from "../model/measures";
import { widening } from "../model/observer";
import { type Tuning, TUNING } from "../tuning";

/** A number read off a plant, in its character's unit, and within what it can be trusted. */
export interface Reading {
  value: number;
  half: number;
}

/** What a first plant measured, a second one of its patch, and both where they are alike. */
export type OfTwo<T> = { first: T; second: T; both: T };

/** The mean of the readings taken on the plant, or on the first of two. */
export function firstReading(
  kind: string,
  { value, values, half, sure }: Pick<Observation, "value" | "values" | "half" | "sure">,
  tuning: Tuning = TUNING,
): Reading {
  const readings = values ?? [value as number];
  const mean = readings.reduce((a, b) => a + b, 0) / readings.length;
  return {
    value: mean,
    half:
      half === undefined
        ? readingHalfWidth(kind, mean, readings.length, widening(sure, tuning), tuning)
        : Math.max(leastHalfWidth(kind, tuning), half * widening(sure, tuning)),
  };
}

/** A second plant's reading beside the first, taken as closely as one reading is where no interval came with them. */
export function twoReadings(
  kind: string,
  observation: Observation,
  other: number,
  tuning: Tuning = TUNING,
): OfTwo<Reading> {
  const first = firstReading(kind, observation, tuning);
  const second = firstReading(kind, { value: other, half: observation.half, sure: observation.sure }, tuning);
  return { first, second, both: { value: (first.value + second.value) / 2, half: first.half } };
}

/** Share of readings of the very thing first read that fall within the second's interval. */
export function nearness({ first, second }: OfTwo<Reading>): number {
  const overlap =
    Math.min(first.value + first.half, second.value + second.half) -
    Math.max(first.value - first.half, second.value - second.half);
  return Math.max(0, overlap) / (2 * first.half);
}

/** Share of further readings of the very thing first read that fall between two numbers: the two readings err alike. */
export function nearBetween({ value, half }: Reading, low: number, high: number): number {
  const below = (x: number) => {
    const t = (x - value) / (2 * half);
    if (t <= -1) return 0;
    if (t >= 1) return 1;
    return t < 0 ? (1 + t) ** 2 / 2 : 1 - (1 - t) ** 2 / 2;
  };
  return below(high) - below(low);
}

/**
 * Chance of the readings of two plants of a patch, by the rule of what several plants show (`chanceOnPlants`): that the flora is
 * wrong of it is one mistake; half of what varies within the kind they share; three times in ten one reading stands for both.
 * @param own chances of the readings by the plant's own points
 * @param any the same of any plant of its life form, which is also what a gross error reads
 * @param near share of readings of what the first shows that fall within the second
 * @param gross chance that a reading is grossly wrong
 * @param confidence how far the plant's points are trusted; 0 where none are recorded
 */
export function chanceOfTwo(
  own: OfTwo<number>,
  any: OfTwo<number>,
  near: number,
  gross: number,
  confidence: number,
  { alikeInPatch, readAsOne }: Tuning = TUNING,
): number {
  const read = (well: number, wrong: number) => (1 - gross) * well + gross * wrong;
  const alike = ({ first, second, both }: OfTwo<number>) =>
    readAsOne * read(both, any.both) * near +
    (1 - readAsOne) *
      ((1 - gross) ** 2 * both * near +
        gross * (1 - gross) * (first * any.second + any.first * second) +
        gross ** 2 * any.first * any.second);
  const apart = read(own.first, any.first) * read(own.second, any.second);
  return confidence * (alikeInPatch * alike(own) + (1 - alikeInPatch) * apart) + (1 - confidence) * alike(any);
}
