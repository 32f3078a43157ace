import { drawQuadrat } from "./forms/quadrat";
import type { Answer } from "./memory";
import type { Given } from "./score";

/** How far an answer about a frame was off: said less true, in percentage points of cover and in plants. */
export function offBy(seed: number, given: Given): Answer["off"] {
  if (given.kind !== "stand") return undefined;
  const { cover, count } = drawQuadrat(seed);
  return { cover: given.coverPercent - 100 * cover, count: given.count - count };
}

export interface Bias {
  frames: number;
  /** mean of what was said less what was true, percentage points */
  cover: number;
  /** the same, in plants */
  count: number;
}

/** Whether a person says too much or too little as a rule; null before there are a few frames. Field records are never corrected by it. */
export function biasOf(answers: readonly Answer[]): Bias | null {
  const offs = answers.flatMap(({ off }) => off ?? []);
  if (offs.length < FEWEST_FRAMES) return null;
  const mean = (of: (off: (typeof offs)[number]) => number) =>
    offs.reduce((sum, off) => sum + of(off), 0) / offs.length;
  return { frames: offs.length, cover: mean((off) => off.cover), count: mean((off) => off.count) };
}

const FEWEST_FRAMES = 3;
