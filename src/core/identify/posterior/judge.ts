import { isTarget } from "../../flora";
import type { Case, Observation } from "../case/case";
import { checkTogether } from "../evidence/check-observation";
import { crossChanceOf, crossStageChance } from "../evidence/cross-evidence";
import { evidenceOf } from "../evidence/evidence-of";
import { type BaseKnown, baseKnown } from "../evidence/missing-part";
import type { Model } from "../model/model";
import { groupBlocks, type Memory, scaleLogOf } from "./block";
import { guardKept, raisingOf } from "./guard-unrecorded";
import type { Judgement } from "./judgement";
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
  const evidence = given.observations.map((observation, i) => {
    const base = baseOf(model, observation, given.observations);
    const known = memory?.evidence.get(observation);
    if (known?.base === base) return known.item;
    const item = evidenceOf(model, observation, i, base);
    memory?.evidence.set(observation, { item, base });
    return item;
  });
  const season = seasonOf(model, given, memory);
  const conditionChance = withoutStagesNotReached(model, given, season.conditionChance);
  const blocks = groupBlocks(model, evidence, memory);
  const weight = conditionChance.slice();
  const relatives = conditionChance.slice();
  for (const block of blocks.values()) {
    for (let z = 0; z < weight.length; z++) {
      weight[z] *= block.chance[z];
      relatives[z] *= block.relatives[z];
    }
  }
  const here = foundHere(model, given, season.findable);
  const byForm = strangersByForm(model, [...blocks.values()]);
  const crossStage = crossStageChance(model, conditionChance);
  const likelihoods = {
    taxa: sumConditions(model, weight),
    relatives: sumConditions(model, relatives),
    strangers: total(byForm),
    crosses: crossChanceOf(model, crossStage, [...blocks.values()]),
    scaleLog: scaleLogOf(blocks.values()),
  };
  const priorLocal = localPrior(model, given, status, here);
  const priorFlat = new Float64Array(model.flora.taxa.length).fill(
    (1 - model.tuning.unknownPrior) / model.flora.taxa.length,
  );
  const local = posterior(model, likelihoods, priorLocal, keptSide, here);
  const flat = posterior(model, likelihoods, priorFlat, keptSide);
  const known = { model, keptSide, evidence, blocks, local, flat };
  const raising = raisingOf(known);
  const guardedLikelihoods = {
    ...likelihoods,
    taxa: guardKept(known, raising, likelihoods.taxa, (z) => weight[z]),
  };
  const guarded = {
    local: posterior(model, guardedLikelihoods, priorLocal, keptSide, here),
    flat: posterior(model, guardedLikelihoods, priorFlat, keptSide),
  };
  return {
    model,
    case: given,
    status,
    group,
    keptSide,
    evidence,
    blocks,
    conditionChance,
    weight,
    relativesWeight: relatives,
    foundHere: here,
    likelihoods,
    crossStage,
    unknownParts: unknownPartsOf(model, likelihoods, byForm),
    priorLocal,
    priorFlat,
    local,
    flat,
    raising,
    guarded,
  };
}

function baseOf(model: Model, observation: Observation, all: Observation[]): BaseKnown {
  const c = model.characterIndex.get(observation.character);
  return c === undefined ? null : baseKnown(model, c, all, true);
}
