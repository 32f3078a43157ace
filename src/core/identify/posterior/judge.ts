import { isTarget } from "../../flora";
import type { Case, Observation } from "../case/case";
import { statedStages } from "../case/stated-stages";
import { checkTogether } from "../evidence/check-observation";
import { crossChanceOf, crossStageChance } from "../evidence/cross-evidence";
import type { Evidence } from "../evidence/evidence";
import { evidenceOf } from "../evidence/evidence-of";
import { type BaseKnown, baseKnown } from "../evidence/missing-part";
import type { Model } from "../model/model";
import { type Block, groupBlocks, type Memory, scaleLogOf } from "./block";
import { guardKept, raisingOf } from "./guard-unrecorded";
import type { Judgement, Likelihoods } from "./judgement";
import { posterior } from "./posterior";
import { foundHere, localPrior, statuses } from "./prior";
import { seasonOf, withoutStagesNotReached } from "./season";
import { sumConditions, total } from "./sums";
import { strangersByForm, unknownPartsOf } from "./unknown-plant";

/**
 * log P(t | obs) = log prior(t) + log Σ_z P(z | t, day, stage) Π_blocks L_b(obs_b | t, z), under the local and a flat prior.
 * @param memory what was worked out for these very observations, under this model
 * @throws {InputError} unknown-character | unknown-state | no-state | no-value | unknown-taxon
 */
export function judge(model: Model, given: Case, memory?: Memory): Judgement {
  checkTogether(given.observations);
  const { status, group } = statuses(model, given);
  const keptSide = new Uint8Array(status.length).map((_, t) => (isTarget(status[t]) ? 0 : 1));
  const evidence = evidenceOfAll(model, given, memory);
  const season = seasonOf(model, given, memory);
  const conditionChance = withoutStagesNotReached(model, given, season.conditionChance);
  const blocks = groupBlocks(model, evidence, memory);
  const weighed = weigh(model, conditionChance, blocks);
  const { likelihoods, weight } = weighed;
  const here = foundHere(model, given, season.findable);
  const priorLocal = localPrior(model, given, status, here);
  const priorFlat = new Float64Array(model.flora.taxa.length).fill(
    (1 - model.tuning.unknownPrior) / model.flora.taxa.length,
  );
  const bothFrom = (own: Likelihoods) => ({
    local: posterior(model, own, priorLocal, keptSide, here),
    flat: posterior(model, own, priorFlat, keptSide),
  });
  const { local, flat } = bothFrom(likelihoods);
  const known = { model, keptSide, evidence, blocks, local, flat };
  const raising = raisingOf(known);
  const guarded = bothFrom({
    ...likelihoods,
    taxa: guardKept(known, raising, likelihoods.taxa, (z) => weight[z]),
  });
  return {
    model,
    case: given,
    status,
    group,
    keptSide,
    evidence,
    blocks,
    conditionChance,
    ...weighed,
    foundHere: here,
    priorLocal,
    priorFlat,
    local,
    flat,
    raising,
    guarded,
  };
}

function evidenceOfAll(model: Model, given: Case, memory?: Memory): (Evidence | null)[] {
  const stated = statedStages(given);
  const stage = stated.join("+");
  return given.observations.map((observation, i) => {
    const base = baseOf(model, observation, given.observations);
    const known = memory?.evidence.get(observation);
    if (known && known.base === base && known.stage === stage) return known.item;
    const item = evidenceOf(model, observation, i, base, stated);
    memory?.evidence.set(observation, { item, base, stage });
    return item;
  });
}

/** Likelihoods of all that may stand there: the season and every block of evidence together. */
function weigh(
  model: Model,
  conditionChance: Float64Array,
  blocks: Map<string, Block>,
): Pick<Judgement, "weight" | "relativesWeight" | "likelihoods" | "crossStage" | "unknownParts"> {
  const weight = conditionChance.slice();
  const relativesWeight = conditionChance.slice();
  for (const block of blocks.values()) {
    for (let z = 0; z < weight.length; z++) {
      weight[z] *= block.chance[z];
      relativesWeight[z] *= block.relatives[z];
    }
  }
  const byForm = strangersByForm(model, [...blocks.values()]);
  const crossStage = crossStageChance(model, conditionChance);
  const likelihoods = {
    taxa: sumConditions(model, weight),
    relatives: sumConditions(model, relativesWeight),
    strangers: total(byForm),
    crosses: crossChanceOf(model, crossStage, [...blocks.values()]),
    scaleLog: scaleLogOf(blocks.values()),
  };
  return {
    weight,
    relativesWeight,
    likelihoods,
    crossStage,
    unknownParts: unknownPartsOf(model, likelihoods, byForm),
  };
}

function baseOf(model: Model, observation: Observation, all: Observation[]): BaseKnown {
  const c = model.characterIndex.get(observation.character);
  return c === undefined ? null : baseKnown(model, c, all, true);
}
