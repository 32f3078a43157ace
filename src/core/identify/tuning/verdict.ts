import { ASSUMED, tuned } from "./entry";

/** When something may be done. */
export const VERDICT = {
  highestLimit: tuned(
    0.02,
    "share of the kept side",
    "Whatever a district says of its costs, one wrong clearing in fifty is the most.",
    "identification: definition of Clear",
  ),
  groupShare: tuned(
    0.95,
    "share of the target side",
    "One way of treating must cover what may stand there.",
    "identification: definition of Clear",
  ),
  keepShare: tuned(
    0.95,
    "share of the kept side",
    "Leaving the plant must be right this surely before it is called Keep.",
    "identification: definition of Keep",
  ),
  unknownShare: tuned(
    0.5,
    "share",
    "Above this the plant is more likely none of the flora than one of it.",
    "identification: definition of Unknown",
  ),
  leaveOneOut: tuned(
    5,
    "times the limit",
    "Without any one block of checks the kept side may rise so far: no single part carries a verdict.",
    "identification: definition of Clear",
  ),
  fewestToHold: tuned(3, "observations", "With fewer telling answers a verdict stays open rather than Hold.", ASSUMED),
  holdTargetShare: tuned(
    0.3,
    "share of the target side",
    "Below this a target is too unlikely for the scout to come back for.",
    ASSUMED,
  ),
  standsInTheWay: tuned(
    0.5,
    "times the limit",
    "A kept plant at half the limit is named as standing in the way: two such plants reach it.",
    ASSUMED,
  ),
  worthAsking: tuned(0.05, "share", "A target below this is not checked against its unscored twins.", "lab 61"),
  twinBeyond: tuned(
    0.1,
    "share of the bound",
    "What is written of a twin is what most of its plants measure: a reading must lie so far beyond.",
    "lab 109",
  ),
  slipFewestOthers: tuned(3, "observations", "Fewer other answers cannot outvote one.", "lab 35"),
  slipPlants: tuned(
    6,
    "plants",
    "Plants that fit best, of which an answer must go against one before it is left out on trial.",
    "lab 35",
  ),
  slipOthersAgree: tuned(0.8, "share", "The other answers must give one plant this much.", "lab 35"),
  slipAgainst: tuned(
    5,
    "likelihood ratio",
    "An answer goes against a plant where it is so many times likelier of plants at large.",
    "lab 35",
  ),
};
