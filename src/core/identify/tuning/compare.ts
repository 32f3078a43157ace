import { ASSUMED, tuned } from "./entry";

/** Plants beside each other. */
export const COMPARE = {
  looks: tuned(6, "checks", "People make so many checks before they name a plant.", ASSUMED),
  apart: tuned(0.5, "total variation", "At this distance from the others a plant stands apart.", ASSUMED),
  tellingBits: tuned(0.02, "bits", "A check below this does not tell two plants apart.", ASSUMED),
  overheadTwins: tuned(25, "seconds", "Turning to a check, on a page of look-alikes.", ASSUMED),
  overheadRefute: tuned(120, "seconds", "So much that the check that speaks most against a name comes first.", ASSUMED),
  rivals: tuned(8, "plants", "Plants weighed as what a name may be instead.", ASSUMED),
  leastDecibans: tuned(0.05, "decibans", "A check that speaks less against a name is not listed.", ASSUMED),
  seldomShown: tuned(0.25, "share", "A state shown no oftener is seldom shown.", ASSUMED),
  workingDecider: tuned(0.35, "total variation", "A listed decider must tell its two plants apart this well.", ASSUMED),
  mostChecks: tuned(12, "checks", "So many checks are made in one month of a replayed year.", ASSUMED),
};
