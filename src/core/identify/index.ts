// In the order in which a plant is identified; README.md says what each folder does.
export {
  type Case,
  type CaseInput,
  caseSchema,
  type Costs,
  DEFAULT_COSTS,
  kitSchema,
  MOST_OBSERVATIONS,
  type Observation,
  type ObservationInput,
  observationSchema,
} from "./case/case";
export { caseAt, type Looked, type PlaceKnowledge } from "./case/case-at";
export { canBeMissing } from "./case/no-such-part";
export { placeCharacters } from "./case/place-characters";
export { withSecondPlant } from "./case/with-second-plant";

export { TUNING, engineVersion, withTuning } from "./tuning";

export { answersAt, backgroundRow, rowStart } from "./model/answer-tables";
export { buildModel } from "./model/build-model";
export { minimumWidth, quantile } from "./model/measures";
export type { Model } from "./model/model";
export { inheritedChances } from "./model/relatives";
export { recordingOf, scoreFor, usuallySeen } from "./model/scores";
export { usualLook, usualState, type Where } from "./model/usual-look";

export { checkTogether, largestReading } from "./evidence/check-observation";
export { COMPARED } from "./evidence/comparative";

export { type Memory, newMemory } from "./posterior/block";
export { judge } from "./posterior/judge";
export { type Judgement, likeliestStage } from "./posterior/judgement";

export { statedStages } from "./case/stated-stages";
export { stageStatedChance } from "./posterior/stage-stated";

export { decide, type VerdictResult } from "./verdict/decide";
export { gateOf, keptLimit } from "./verdict/gates";
export { topOnSide } from "./verdict/sides";
export { looksBeforeClear } from "./verdict/twins-in-the-way";
export * from "./verdict/verdicts";

export { askableCharacters, ruledOut } from "./next/askable";
export { laterChecks, nextLater, variation } from "./next/later-checks";
export type { Lens } from "./next/lens";
export { mostlyCarried, predictChecks, towardsAction, towardsName } from "./next/next-check";
export { type Check, worthTowardsAction } from "./next/value-of-check";

export * from "./words/check-words";
export * from "./words/observation-words";
export { percent } from "./words/percent";
export * from "./words/score-words";
export * from "./words/verdict-words";

export { hasWorkingDecider } from "./compare/deciders";
export { refutingChecks } from "./compare/refute";
export { type Month, replayMonth } from "./compare/replay-year";
export { likenesses, shows } from "./compare/likeness";
export {
  type DecidingCheck,
  decidingChecks,
  decidingChecksLater,
  riskiestPairs,
  twinsOf,
} from "./compare/twins";
export { weightsOfEvidence } from "./compare/weights-of-evidence";

export { type Identification, identify, type Later, report } from "./identify";
export { verdictTodo } from "./words/verdict-table";
