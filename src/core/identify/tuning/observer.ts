import { ASSUMED, DEFINED, tuned } from "./entry";

/** How an observer goes wrong, and how far a reading is trusted. */
export const OBSERVER = {
  referenceError: tuned(
    0.05,
    "probability",
    "The observer error at which the error rate of each character is stated.",
    DEFINED,
  ),
  widenLikely: tuned(
    2.5,
    "factor on the error rate",
    "A scout who says likely errs this many times as often as one who is sure.",
    ASSUMED,
  ),
  widenGuess: tuned(6, "factor on the error rate", "A guess errs this many times as often as a sure answer.", ASSUMED),
  readingWidenLikely: tuned(
    1.5,
    "factor on the half width",
    "A reading said to be likely is this much wider; a number suffers less from doubt than a name.",
    ASSUMED,
  ),
  readingWidenGuess: tuned(2.5, "factor on the half width", "The same of a guess.", ASSUMED),
  mostWrong: tuned(0.7, "probability", "However poor the observer, some answers are right.", ASSUMED),
  imaginedFactor: tuned(
    0.4,
    "factor on the error rate",
    "What is not there is seldom imagined: hair that is missing is rarely seen.",
    ASSUMED,
  ),
  overlookedFactor: tuned(
    1.6,
    "factor on the error rate",
    "What is there is often missed: four times as often as something is imagined.",
    ASSUMED,
  ),
  overlookedWeight: tuned(
    3,
    "weight",
    "A state that is overlooked is mostly taken for the state that says nothing is there.",
    ASSUMED,
  ),
  alikeWeight: tuned(5, "weight", "States listed as alike are mistaken for one another more than the rest.", ASSUMED),
  grossShare: tuned(
    0.6,
    "factor on the error rate",
    "A number is grossly wrong (other part, other unit) less often than a state is misnamed.",
    ASSUMED,
  ),
  countRelative: tuned(0.04, "share of the reading", "Half width of a count: a few are missed among many.", ASSUMED),
  measureRelative: tuned(0.08, "share of the reading", "Half width of a measurement with a pocket ruler.", ASSUMED),
  countHalf: tuned(0.5, "pieces", "A count is whole: no reading is closer.", DEFINED),
  angleHalf: tuned(4, "degrees", "An angle is read by eye.", ASSUMED),
  ratioHalf: tuned(0.04, "ratio", "A ratio is read from two short lengths.", "lab 91"),
  measureHalf: tuned(0.15, "unit of the character", "The smallest step that is read off a pocket ruler.", ASSUMED),
  ratioLeastHalf: tuned(0.02, "ratio", "However often it is repeated, a ratio is trusted no further.", "lab 91"),
  measureLeastHalf: tuned(
    0.05,
    "unit of the character",
    "However often it is repeated, a length is trusted no further.",
    ASSUMED,
  ),
  countWidth: tuned(
    0.8,
    "pieces",
    "The smallest spread of a count, so that a constant count still varies a little.",
    ASSUMED,
  ),
  angleWidth: tuned(5, "degrees", "The smallest spread of an angle.", ASSUMED),
  ratioWidth: tuned(0.05, "ratio", "The smallest spread of a ratio.", "lab 91"),
  measureWidth: tuned(0.1, "unit of the character", "The smallest spread of a length.", ASSUMED),
  classes: tuned(6, "classes", "Answers to a number are predicted in so many classes; more tell no more.", ASSUMED),
};
