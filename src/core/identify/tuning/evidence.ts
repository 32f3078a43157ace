import { ASSUMED, tuned } from "./entry";

/** What one observation is worth. */
export const EVIDENCE = {
  outOfStage: tuned(
    0.05,
    "factor on the chance",
    "A part is seen at a stage at which the plant does not show it: calendars and stages are not exact.",
    ASSUMED,
  ),
  partThere: tuned(
    0.3,
    "probability",
    "A part that is not asked about at a stage, though such a plant can have it then, is there on so many.",
    ASSUMED,
  ),
  otherStage: tuned(
    0.6,
    "share",
    "A score that was not given for a stage holds for it to this extent; the rest is background.",
    ASSUMED,
  ),
  beyondAny: tuned(
    20,
    "times the largest",
    "A reading beyond this many times what any plant reaches is a slip of the unit.",
    ASSUMED,
  ),
  sameRatio: tuned(1.15, "ratio", "Within this ratio two sizes look the same by eye.", ASSUMED),
  comparedSamples: tuned(9, "values", "Two spreads are compared at so many equal shares of each.", ASSUMED),
  alikeInPatch: tuned(
    0.5,
    "probability",
    "A second plant of a patch is a shoot of the first, or shows the same for another reason.",
    "lab 104",
  ),
  readAsOne: tuned(0.3, "probability", "A scout who misread one plant misreads the next in the same way.", "lab 104"),
  crossShare: tuned(
    0.02,
    "share of the rarer parent's prior",
    "Crosses are found among their parents, and seldom.",
    ASSUMED,
  ),
  widened: tuned(
    0.7,
    "share",
    "The background of a plant of which nothing is known is its life form to this extent, and anything for the rest.",
    ASSUMED,
  ),
};
