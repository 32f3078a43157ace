export { ask, askAtLast } from "./ask";
export { type DrillBook, type Subject, subjectsOf } from "./book";
export { faultsOf, traitsOf } from "./figures";
export { actOf } from "./forms/hold-or-clear";
export { drawQuadrat, type Quadrat } from "./forms/quadrat";
export { lookAlikesOf } from "./options";
export { drawIndividual, type Individual, type Trait } from "./individual";
export { MISLEADING_WORDS } from "./misleading";
export {
  type Act,
  ACTS,
  type ClueQuestion,
  type CollarQuestion,
  type Form,
  FORMS,
  type HoldOrClearQuestion,
  type MeasureQuestion,
  type NextCheckQuestion,
  type QuadratQuestion,
  type Question,
  type ShownTrait,
  traitOf,
} from "./question";
export { type Answer, cardsOf, type Confusion, confusionsOf, gradeOf } from "./memory";
export { type NamedSubject, type Planned, planRound } from "./plan-round";
export { type Given, type Outcome, outcomeOf } from "./score";
export { isPassed, PASS } from "./pass";
