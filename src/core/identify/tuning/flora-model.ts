import { ASSUMED, tuned } from "./entry";

/** What a plant is expected to show where the flora says little. */
export const FLORA_MODEL = {
  whenFailsBelow: tuned(
    0.1,
    "share",
    "A plant that meets a prerequisite more seldom lacks the part that stands on it.",
    "lab 73",
  ),
  inapplicableNone: tuned(0.97, "probability", "A plant without the part is called none by nearly everybody.", ASSUMED),
  inapplicableOther: tuned(
    0.06,
    "probability",
    "Where no state says none, so much is left for all other answers about a part that is not there.",
    ASSUMED,
  ),
  inapplicableNumber: tuned(
    0.05,
    "share of the background",
    "A number read from a part that the plant does not have.",
    ASSUMED,
  ),
  missing: tuned(
    0.94,
    "probability",
    "A scout finds no such part on a plant that has none: what inapplicableOther leaves.",
    "the rest beside inapplicableOther",
  ),
  overlookedSure: tuned(0.02, "probability", "A sure scout misses a part that is there: a plain slip.", ASSUMED),
  overlookedLikely: tuned(0.05, "probability", "The same of one who says likely.", ASSUMED),
  overlookedGuess: tuned(0.12, "probability", "The same of a guess.", ASSUMED),
  missingUnrecorded: tuned(0.1, "probability", "A plant of which the part is not recorded may lack it.", ASSUMED),
  missingOutOfStage: tuned(
    0.5,
    "probability",
    "At a stage that does not show the part, its absence says nothing.",
    ASSUMED,
  ),
  inherited: tuned(
    0.6,
    "share",
    "A plant without a score shows what its genus or family shows, to this extent; the rest is background.",
    ASSUMED,
  ),
  backgroundShareOfAll: tuned(
    2,
    "plants",
    "The background of a life form starts as so many plants of the whole flora, so that few plants do not rule.",
    ASSUMED,
  ),
  backgroundEven: tuned(
    1,
    "plants",
    "And as so many plants that show every answer alike, so that nothing is impossible.",
    ASSUMED,
  ),
  backgroundStart: tuned(0.5, "plants", "Every answer of the whole flora starts with this much of a plant.", ASSUMED),
  relativePriorPairs: tuned(
    4,
    "pairs",
    "Few pairs of a genus are recorded for some characters: the general rate counts as so many.",
    "lab 108",
  ),
  relativePriorLikeness: tuned(
    0.7,
    "share",
    "How far plants of one genus agree in a character of which nothing is recorded.",
    "lab 108",
  ),
  keptBySome: tuned(
    0.1,
    "share of a kind",
    "So many plants of a kind must keep a part over winter before a check of it may speak of it.",
    "lab 51",
  ),
  keptByMost: tuned(0.5, "share of a kind", "So many before the part is called usual in winter.", "lab 51"),
  usualShare: tuned(0.45, "share", "A state must be this likely before a drawing shows it as usual.", ASSUMED),
};
