import { STAGES, type Status } from "../../flora";
import type { Case } from "../case/case";
import type { Evidence } from "../evidence/evidence";
import type { Model } from "../model/model";
import type { Block } from "./block";
import type { Raising } from "./guard-unrecorded";

/** Everything the engine knows after the observations: chances under both priors, and what later steps need. */
export interface Judgement {
  model: Model;
  case: Case;
  status: Status[];
  group: string[];
  /** 1 where leaving the plant is right: every status but target and watch */
  keptSide: Uint8Array;
  evidence: (Evidence | null)[];
  blocks: Map<string, Block>;
  /** chance of each condition within its plant on this day, before the evidence */
  conditionChance: Float64Array;
  /** likelihood of each condition, evidence and season together, and the same of an unlisted relative, over exp(scaleLog) */
  weight: Float64Array;
  relativesWeight: Float64Array;
  /** how likely each plant is to be found at such a place now, in shares: season and setting, without the list */
  foundHere: Float64Array;
  likelihoods: Likelihoods;
  /** chance of each stage of each cross that may stand there, before the evidence */
  crossStage: Float64Array;
  /** what the unknown plant may be, summing to 1: of some life form, or a relative of some plant */
  unknownParts: UnknownParts;
  priorLocal: Float64Array;
  priorFlat: Float64Array;
  local: Posterior;
  flat: Posterior;
  /** how far kept plants rise where what is not recorded of them never counts against them */
  raising: Raising;
  /** the same with what is not recorded for a kept plant never against it: what a verdict of Clear is measured by */
  guarded: { local: Posterior; flat: Posterior };
}

export interface UnknownParts {
  byForm: Float64Array;
  /** relatives, by the plant that they are like */
  relatives: Float64Array;
}

/** Likelihoods of all that may stand there, each over exp(scaleLog). */
export interface Likelihoods {
  taxa: Float64Array;
  /** of an unlisted relative of each plant */
  relatives: Float64Array;
  /** of an unknown plant of any life form, with states from the widened background, times the share of those among the unknown */
  strangers: number;
  crosses: Float64Array;
  scaleLog: number;
}

/** Log likelihood of one plant. */
export const taxonLog = ({ taxa, scaleLog }: Likelihoods, taxon: number): number => Math.log(taxa[taxon]) + scaleLog;

export interface Posterior {
  taxa: Float64Array;
  /** shares of the crosses, in the order of the model's */
  crosses: Float64Array;
  unknown: number;
  keptSide: number;
}

/** Share of a condition within its plant, after the evidence. */
export const conditionShare = ({ model, weight, likelihoods }: Judgement, z: number): number =>
  weight[z] / likelihoods.taxa[model.conditionTaxon[z]];

/** The stage that a plant, if it is this one, most likely stands in. */
export function likeliestStage(judgement: Judgement, taxon: number): (typeof STAGES)[number] {
  const { model, weight } = judgement;
  let best = model.firstCondition[taxon];
  for (let z = best; z < model.firstCondition[taxon + 1]; z++) if (weight[z] > weight[best]) best = z;
  return STAGES[model.conditions[best].stage];
}
