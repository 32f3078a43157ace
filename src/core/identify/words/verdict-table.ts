import type { Status } from "../../flora";
import { type Verdict, VERDICTS } from "../verdict/verdicts";

/** What a plant is here, as far as the words of a verdict need it. */
export const STANDINGS = [
  "target",
  "watch",
  "tolerated",
  "kept",
  "kept-dangerous",
  "protected",
  "crop",
  "unlisted",
  "not-in-flora",
] as const;
export type Standing = (typeof STANDINGS)[number];

/**
 * @param status what the list says; undefined where the plant is not on it
 * @param dangerous whether the plant harms people
 */
export function standingOf(status: Status | undefined, dangerous: boolean): Standing {
  if (status === undefined) return dangerous ? "kept-dangerous" : "unlisted";
  return status === "kept" && dangerous ? "kept-dangerous" : status;
}

/** What a plant is here, in one sentence, after "… fits." */
export const STANDING_WORDS: Record<Standing, string> = {
  target: "It is a target here.",
  watch: "It is on the watch list.",
  tolerated: "It is tolerated here: it may stay.",
  kept: "It is a plant to keep: leave it.",
  "kept-dangerous": "It is a plant to keep, and it can hurt you: leave it and do not touch it.",
  protected: "It is protected: leave it, and keep work away from it.",
  crop: "It is a crop here: leave it.",
  unlisted: "It is not on the list, so it counts as a plant to keep: leave it.",
  "not-in-flora": "It is not in this flora: leave it until someone has named it.",
};

/** The one thing to do next, by verdict and by what the plant is here. Every cell says something. */
const NEXT_STEP: Record<Verdict, Record<Standing, string>> = {
  clear: {
    target: "Save it, then mark the patch.",
    watch: "Save it, and report it.",
    tolerated: "Leave it. Nothing has to be done about a tolerated plant.",
    kept: "Leave it, and ask the specialist: this plant is to be kept.",
    "kept-dangerous": "Leave it and do not touch it. Ask the specialist: this plant is to be kept.",
    protected: "Leave it, and tell the specialist: this plant is protected.",
    crop: "Leave it. It is a crop here.",
    unlisted: "Leave it, and ask the specialist to put it on the list.",
    "not-in-flora": "Leave it, and take a specimen for the specialist.",
  },
  hold: {
    target: "Do nothing to it yet, and ask for a second opinion.",
    watch: "Do nothing to it yet. Tell the specialist, and ask for a second opinion.",
    tolerated: "Do nothing to it. A tolerated plant still fits.",
    kept: "Do nothing to it. A plant to keep still fits.",
    "kept-dangerous": "Do nothing to it, and do not touch it with bare hands.",
    protected: "Do nothing to it. A protected plant still fits.",
    crop: "Do nothing to it. The crop still fits.",
    unlisted: "Do nothing to it. A plant that is not on the list still fits.",
    "not-in-flora": "Do nothing to it. Take a specimen and pictures.",
  },
  keep: {
    target: "Leave it. Plants to keep fit better than the target.",
    watch: "Leave it. Plants to keep fit better than the plant on the watch list.",
    tolerated: "Leave it. Save it only if you want a record.",
    kept: "Save it, so that nobody removes it.",
    "kept-dangerous": "Keep away from it. Save it, so that others are warned.",
    protected: "Save it and mark its place, so that work nearby spares it.",
    crop: "Leave it. A crop needs no record.",
    unlisted: "Save it, so that the specialist can decide about it.",
    "not-in-flora": "Leave it, and take pictures for the specialist.",
  },
  open: {
    target: "Make the next check.",
    watch: "Make the next check.",
    tolerated: "Make the next check.",
    kept: "Make the next check.",
    "kept-dangerous": "Make the next check. Wear gloves.",
    protected: "Make the next check, and dig nothing up.",
    crop: "Make the next check.",
    unlisted: "Make the next check.",
    "not-in-flora": "Make the next check.",
  },
  unknown: {
    target: "Save it with pictures, and ask for a second opinion.",
    watch: "Save it with pictures, and ask for a second opinion.",
    tolerated: "Save it with pictures, and ask for a second opinion.",
    kept: "Save it with pictures, and ask for a second opinion.",
    "kept-dangerous": "Save it with pictures, do not touch it, and ask for a second opinion.",
    protected: "Save it with pictures, take no specimen, and ask for a second opinion.",
    crop: "Save it with pictures, and ask for a second opinion.",
    unlisted: "Save it with pictures, and ask for a second opinion.",
    "not-in-flora": "Save it with pictures, take a specimen, and ask for a second opinion.",
  },
};

export const verdictTodo = (verdict: Verdict, standing: Standing): string => NEXT_STEP[verdict][standing];

/** Every cell of the table, for tests and documents. */
export const verdictTable = (): { verdict: Verdict; standing: Standing; words: string }[] =>
  VERDICTS.flatMap((verdict) =>
    STANDINGS.map((standing) => ({ verdict, standing, words: NEXT_STEP[verdict][standing] })),
  );
