import { ASSUMED, tuned } from "./entry";

/** What is likely before anything is seen. */
export const PRIOR = {
  unknownPrior: tuned(
    0.05,
    "probability",
    "One plant in twenty that people look at is not in the flora.",
    "identification: definition of the unknown plant",
  ),
  relativeShare: tuned(
    0.2,
    "share of unknownPrior",
    "An unknown plant is a relative of a listed one: the unknown that is most like a target.",
    "lab 108",
  ),
  fewestOfForm: tuned(0.5, "plants", "A life form without a plant in the flora still has unknown plants.", ASSUMED),
  findableFloor: tuned(0.1, "factor", "Stage and day lower the prior of a plant no further.", ASSUMED),
  settingFloor: tuned(0.15, "factor", "The place lowers the prior of a plant no further.", ASSUMED),
  unscoredSetting: tuned(
    0.5,
    "factor",
    "The weight of a place for a plant of which the place is not recorded.",
    ASSUMED,
  ),
  statusTarget: tuned(1, "weight", "People look at what they came for.", ASSUMED),
  statusWatch: tuned(0.4, "weight", "A plant on watch is not known to be here.", ASSUMED),
  statusTolerated: tuned(0.8, "weight", "Tolerated plants are common, and people know them.", ASSUMED),
  statusKept: tuned(1, "weight", "Whatever is not listed.", ASSUMED),
  statusProtected: tuned(0.6, "weight", "Protected plants are rare.", ASSUMED),
  statusCrop: tuned(0.8, "weight", "A crop is known for what it is where it was sown.", ASSUMED),
  priorFloor: tuned(
    0.02,
    "share of the mean",
    "No plant is ruled out by list, place and season: a newcomer is always possible.",
    ASSUMED,
  ),
  overlookedStage: tuned(
    0.1,
    "probability",
    "A scout says not there yet of a part that the stage does show.",
    "lab 28",
  ),
  stageStated: tuned(0.88, "probability", "A scout names the stage that a plant is in.", ASSUMED),
  stageNear: tuned(0.04, "probability", "A scout names a stage next to it.", ASSUMED),
  stageFar: tuned(0.012, "probability", "A scout names any other stage.", ASSUMED),
  guardStanding: tuned(
    0.2,
    "share of the likeliest target's",
    "Targets that stand so high may be acted on: a gap in the record of a kept plant is filled with the best of them.",
    "lab 4",
  ),
};
