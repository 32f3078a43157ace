/** One tuned constant of the engine. */
export interface Tuned {
  value: number;
  unit: string;
  /** why it is there, and why so large */
  why: string;
  /** where it was measured: an entry of docs/lab, a definition, or that it was assumed */
  source: string;
}

export const tuned = (value: number, unit: string, why: string, source: string): Tuned => ({
  value,
  unit,
  why,
  source,
});

/** Nobody has measured it: it is a plausible size, and trials showed no reason to move it. */
export const ASSUMED = "assumed, not measured";
/** It follows from how a score, a limit or a figure is defined. */
export const DEFINED = "by definition";
