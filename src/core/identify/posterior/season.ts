import { dayOfYear, STAGES, stageShares } from "../../flora";
import type { Case } from "../case/case";
import { statedStages } from "../case/stated-stages";
import type { Model } from "../model/model";
import { scaleWhere } from "../model/scores";
import type { Memory, Season } from "./block";
import { stageStatedChance } from "./stage-stated";
import { sumConditions } from "./sums";

/** @param memory keeps the last season: from one answer to the next the day and the stage stay */
export function seasonOf(model: Model, given: Case, memory?: Memory): Season {
  const key = `${given.day} ${given.hemisphere} ${given.seasonShift} ${statedStages(given).join("+")}`;
  if (memory?.season?.key === key) return memory.season;
  const season = { key, ...workOutSeason(model, given) };
  if (memory) memory.season = season;
  return season;
}

/** Chance of each condition of a plant on this day, and how findable the plant is now, at least the floor. */
function workOutSeason(model: Model, given: Case): Omit<Season, "key"> {
  const yearDay = dayOfYear(given.day, given);
  const said = statedStages(given);
  const stated = STAGES.map((stage) =>
    said.length === 0 ? 1 : Math.max(...said.map((one) => stageStatedChance(one, stage, model.tuning))),
  );
  const conditionChance = new Float64Array(model.conditions.length);
  const findable = new Float64Array(model.flora.taxa.length);
  model.flora.taxa.forEach((taxon, t) => {
    const weights = stageShares(taxon, yearDay).map((share, s) => share * stated[s]);
    const total = weights.reduce((a, b) => a + b, 0);
    findable[t] = total;
    for (let z = model.firstCondition[t]; z < model.firstCondition[t + 1]; z++) {
      const { stage, form } = model.conditions[z];
      conditionChance[z] = (weights[stage] / total) * taxon.forms[form].share;
    }
  });
  const best = Math.max(...findable);
  return { conditionChance, findable: findable.map((f) => Math.max(model.tuning.findableFloor, f / best)) };
}

/**
 * "Not there yet" says nothing of the plant, but of its stage: the stages that show the part become less likely
 * within each plant, whose own chance stays as it is.
 */
export function withoutStagesNotReached(model: Model, given: Case, conditionChance: Float64Array): Float64Array {
  const missing = given.observations
    .flatMap((o) => (o.answer === "not-there-yet" ? [model.characterIndex.get(o.character) ?? -1] : []))
    .filter((c) => c >= 0);
  if (missing.length === 0) return conditionChance;
  const chance = conditionChance.slice();
  for (const c of missing) scaleWhere(model, c, true, chance, model.tuning.overlookedStage);
  const sums = sumConditions(model, chance);
  for (let z = 0; z < chance.length; z++) chance[z] /= sums[model.conditionTaxon[z]];
  return chance;
}
