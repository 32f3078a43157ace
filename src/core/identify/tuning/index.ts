import { InputError } from "../../errors";
import { COMPARE } from "./compare";
import type { Tuned } from "./entry";
import { EVIDENCE } from "./evidence";
import { FLORA_MODEL } from "./flora-model";
import { NEXT } from "./next";
import { OBSERVER } from "./observer";
import { PRIOR } from "./prior";
import { VERDICT } from "./verdict";

/** Every tuned constant of the engine, in the order of processing: the one home of each. */
export const TUNED = { ...OBSERVER, ...FLORA_MODEL, ...EVIDENCE, ...PRIOR, ...VERDICT, ...NEXT, ...COMPARE };
export type TuningName = keyof typeof TUNED;
export type Tuning = Readonly<Record<TuningName, number>>;

const values = (entries: Record<string, Tuned>): Tuning =>
  Object.fromEntries(Object.entries(entries).map(([name, { value }]) => [name, value])) as Tuning;

/** The constants as they ship. */
export const TUNING: Tuning = values(TUNED);

/**
 * The constants with some replaced, for trials.
 * @throws {InputError} unknown-constant | out-of-range
 * @example withTuning({ unknownPrior: 0.1 }).unknownPrior // 0.1
 */
export function withTuning(overrides: Record<string, number>): Tuning {
  for (const [name, value] of Object.entries(overrides)) {
    if (!(name in TUNED))
      throw new InputError("unknown-constant", name, value, "give a constant of src/core/identify/tuning");
    if (!(value >= 0) || !Number.isFinite(value))
      throw new InputError("out-of-range", name, value, "give a finite number from 0");
  }
  return { ...TUNING, ...overrides };
}

/** Raised in the commit that changes a rule of `decide`, of evidence or of the order of checks; a constant needs no raise. */
export const RULES = 9;

/**
 * Version of the engine, kept with every verdict: the rules' number and a hash of the constants, so that two verdicts of
 * one version were given by one engine.
 * @returns such as "8-1f3c9a0b"
 */
export function engineVersion(tuning: Tuning = TUNING): string {
  const text = JSON.stringify(Object.entries(tuning).sort(([a], [b]) => (a < b ? -1 : 1)));
  return `${RULES}-${fnv1a(text).toString(16).padStart(8, "0")}`;
}

/** FNV-1a, 32 bits (Fowler, Noll, Vo 1991): tells two sets of constants apart; nothing rests on it being hard to forge. */
function fnv1a(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return hash;
}
