import { calibrationError, upperLimit } from "../stats";
import type { ActionWalk, NameWalk } from "./walks";

/** What came of many walks; the definitions stand in docs/trials.md. */
export interface Figures {
  /** among walks on plants that the flora includes */
  top1: number;
  top3: number;
  targetsCleared: number;
  keptRecognised: number;
  /** share of target walks, and of kept ones, that could be settled at their stage at all, and the same two figures among those alone */
  targetsSeparable: number;
  keptSeparable: number;
  targetsClearedSeparable: number;
  keptRecognisedSeparable: number;
  falseClears: number;
  falseClearsUpper95: number;
  keptWalks: number;
  /** false clears among kept plants that the flora includes, and how many such walks there were */
  falseClearsHeld: number;
  falseClearsHeldUpper95: number;
  heldWalks: number;
  unknownCleared: number;
  /** the same of those that the district keeps */
  unknownKeptCleared: number;
  /** of those: cleared as a plant that they are listed with, as one that people take for it */
  unknownKeptClearedAsTwin: number;
  /** of all name walks, those on plants taken out among them: of these no plant named first is right */
  brier: number;
  ece: Record<string, number>;
  nameWalks: number;
  checksMean: number;
  secondsMean: number;
  checksVsBestFixed?: number;
  checksVsRandom?: number;
  secondsVsBits?: number;
}

/**
 * @param names name walks
 * @param actions action walks on plants of the flora
 * @param removed action walks on plants that were taken out of the flora: they count as kept side
 */
export function figuresOf(names: NameWalk[], actions: ActionWalk[], removed: ActionWalk[]): Figures {
  const targets = actions.filter((w) => !w.truthKept);
  const kept = actions.filter((w) => w.truthKept);
  const wrong = kept.filter((w) => w.verdict === "clear").length;
  const removedWrong = removed.filter((w) => w.verdict === "clear").length;
  const keptWalks = kept.length + removed.length;
  const ece: Record<string, number> = {};
  for (let k = 0; k < 8; k++)
    ece[String(k + 1)] = round(calibrationError(names.flatMap((w) => (w.confidence[k] ? [w.confidence[k]] : []))));
  const last = names.flatMap((w) => w.confidence.slice(-1));
  const held = names.filter((w) => w.rank !== null);
  return {
    nameWalks: held.length,
    top1: share(held, (w) => w.rank === 1),
    top3: share(held, (w) => w.rank !== null && w.rank <= 3),
    targetsCleared: share(targets, (w) => w.verdict === "clear"),
    keptRecognised: share(kept, (w) => w.verdict === "keep"),
    targetsSeparable: share(targets, (w) => w.separable === true),
    keptSeparable: share(kept, (w) => w.separable === true),
    targetsClearedSeparable: share(
      targets.filter((w) => w.separable),
      (w) => w.verdict === "clear",
    ),
    keptRecognisedSeparable: share(
      kept.filter((w) => w.separable),
      (w) => w.verdict === "keep",
    ),
    falseClears: keptWalks === 0 ? 0 : round((wrong + removedWrong) / keptWalks),
    falseClearsUpper95: keptWalks === 0 ? 1 : round(upperLimit(wrong + removedWrong, keptWalks)),
    keptWalks,
    falseClearsHeld: kept.length === 0 ? 0 : round(wrong / kept.length),
    falseClearsHeldUpper95: kept.length === 0 ? 1 : round(upperLimit(wrong, kept.length)),
    heldWalks: kept.length,
    unknownCleared: share(removed, (w) => w.verdict === "clear"),
    unknownKeptCleared: share(
      removed.filter((w) => w.keptHere),
      (w) => w.verdict === "clear",
    ),
    unknownKeptClearedAsTwin: share(
      removed.filter((w) => w.keptHere),
      (w) => w.clearedAsTwin === true,
    ),
    brier: round(mean(last.map((c) => c.brier))),
    ece,
    checksMean: round(mean(actions.map((w) => w.checks))),
    secondsMean: round(mean(actions.map((w) => w.seconds))),
  };
}

export function mean(values: number[]): number {
  return values.length === 0 ? 0 : values.reduce((a, b) => a + b, 0) / values.length;
}

function share<T>(items: T[], is: (item: T) => boolean): number {
  return items.length === 0 ? 0 : round(items.filter(is).length / items.length);
}

export function round(x: number): number {
  return Math.round(x * 1e5) / 1e5;
}
