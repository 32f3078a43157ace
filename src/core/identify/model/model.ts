import type { CompiledFlora, Score, Status } from "../../flora";
import type { Tuning } from "../tuning";
import type { Cross } from "./crosses";
import type { UnscoredTwin } from "./unscored-twins";

/** How likely a plant is to lack the part that a question is about; see `lacking`. */
export interface Lacking {
  /** share of each condition's kind that lacks what the part stands on, in [0, 1] */
  base: Float64Array;
  /** chance that a check finds a part to tell of, in each condition, and under the background of each life form */
  shown: Float64Array;
  shownByForm: Float64Array;
  /** place of the state "none" among the character's, or -1 */
  none: number;
}

export type Recording = "recorded" | "not-recorded" | "not-applicable";

/** A latent condition of one plant: the stage and the form that all its parts share. */
export interface Condition {
  taxon: number;
  stage: number;
  form: number;
}

/**
 * The flora as flat arrays, made once for a flora and an observer error.
 * `table[c]` holds the chance of each answer to character c from a sure observer: a row for each plant, or for each of its
 * conditions where it shows the character differently by stage or form (`rowStart` finds it), column answer. For measured
 * characters the answers are classes between `edges[c]`.
 */
export interface Model {
  flora: CompiledFlora;
  observerError: number;
  /** the tuned constants; trials may change them */
  tuning: Tuning;
  conditions: Condition[];
  /** the plant, the stage and the plant's life form of each condition, flat for the passes over all of them */
  conditionTaxon: Int32Array;
  conditionStage: Uint8Array;
  conditionLifeForm: Uint8Array;
  /** first condition of each taxon; one more at the end */
  firstCondition: Int32Array;
  answers: Int32Array;
  edges: number[][];
  table: Float32Array[];
  /** row of each plant's first condition in the table of a character; empty where each plant has one row */
  firstRow: Int32Array[];
  /** background of each character by life form: row life form, column answer */
  background: Float32Array[];
  recording: Uint8Array;
  characterIndex: Map<string, number>;
  taxonIndex: Map<string, number>;
  taxonLifeForm: Uint8Array;
  /** how many plants are of each life form */
  plantsOfForm: Float64Array;
  /** the ways in which plants grow, last and come again, in words, and that of each plant: those alike in this are treated alike unless a district says otherwise */
  treatments: string[];
  treatmentOf: Uint16Array;
  /** of each character, [taxon × stage], or [stage] where all plants are alike in it: 0 not seen then, 1 seen on some of the plant's kind, 2 seen as a rule */
  seen: Uint8Array[];
  /** places in `seen` from one plant to the next, by character */
  seenStep: Uint8Array;
  /** how far plants of one genus agree in each character, in (0, 1): 1 less the mean distance of their states */
  relativeLikeness: Float64Array;
  /** character × taxon: 1 where the plant shows the character differently by stage or form */
  varies: Uint8Array;
  /** 1 where any plant does, by character */
  variesAtAll: Uint8Array;
  scoresOf: Map<number, Score[]>[];
  /** scores of each measured character */
  measuredScores: Score[][];
  /** what the plants of each genus and of each family show, summed, by character: for plants without a score of their own */
  relativeShares: Map<string, RelativeShares>[];
  /** how often what a part stands on is missing, by character; null where it stands on nothing */
  lacking: (Lacking | null)[];
  /** names of the action groups that a district has not named itself: by status, then by the place of the treatment */
  groupNames: Map<Status, string[]>;
  /** the crosses that may stand there */
  crosses: Cross[];
  /** of each plant, the twins that are listed though the flora does not include them */
  unscoredTwins: UnscoredTwin[][];
}

export interface RelativeShares {
  sums: Float64Array;
  plants: number;
}
