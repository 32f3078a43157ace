export * from "./case";
export { hasWorkingDecider } from "./deciders";
export * from "./explain";
export * from "./flora-types";
export { type Candidate, type Identification, identify, type Later, report } from "./identify";
export { checkTogether, largestReading } from "./likelihood";
export { percent } from "./percent";
export { minimumWidth, quantile } from "./measures";
export { answersAt, buildModel, type Model, recordingOf, scoreFor, usuallySeen } from "./model";
export { nextLater } from "./next-later";
export { askableCharacters, ruledOut } from "./askable";
export { type Check, worthTowardsAction } from "./gain";
export { laterChecks, variation } from "./later-checks";
export type { Lens } from "./lens";
export { foreseeChecks, mostlyCarried, towardsAction, towardsName } from "./next-check";
export { judge, type Judgement, likeliestStage, type Memory, newMemory } from "./posterior";
export {
  type Climate,
  dayOfYear,
  type Hemisphere,
  inSeason,
  MOST_SHIFT,
  monthOf,
  REFERENCE,
  stageBegins,
  stageShares,
} from "./season";
export { likeness, type Parting, partingChecks, partLater, type Peril, perils, type Twin, twinsOf } from "./twins";
export { type Refutation, refutingChecks } from "./refute";
export { type Month, replayMonth } from "./replay";
export { withSecondPlant } from "./second-plant";
export { type Slip, slipsOf } from "./slips";
export { usualLook, usualState, type Where } from "./usual";
export { decide, keptLimit, topOnSide, type Verdict, type VerdictResult } from "./verdict";
