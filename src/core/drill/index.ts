export { ask, askAtLast, plantOf } from "./ask";
export type { Misleading } from "./clues";
export { metAt } from "./met-at";
export { type DrillBook, type Subject, subjectsOf } from "./book";
export { faultsOf } from "./figures";
export { actOf } from "./forms/hold-or-clear";
export { drawQuadrat, type Quadrat } from "./forms/quadrat";
export { lookAlikesOf } from "./options";
export { drawIndividual, type Individual } from "./individual";
export { MISLEADING_WORDS } from "./misleading";
export {
  type Act,
  ACTS,
  type ClueQuestion,
  type CollarQuestion,
  type Form,
  FORMS,
  type Question,
  type ShownTrait,
} from "./question";
export { biasOf, offBy } from "./bias";
export { type Answer, cardsOf, type Confusion, confusionsOf } from "./memory";
export { type NamedSubject, type Planned, planRound } from "./plan-round";
export { type Given, type Outcome, outcomeOf } from "./score";
export { isPassed, PASS } from "./pass";
