import { STAGES } from "../../flora";
import type { Observation } from "../case/case";
import { isOfOnePlant } from "../case/with-second-plant";
import { firstReading } from "../evidence/two-readings";
import type { Model } from "../model/model";
import { recordingOf, scoreFor } from "../model/scores";
import { type Judgement, likeliestStage } from "../posterior/judgement";

/** Answers of one plant that go against the plant ranked first, by character: a second plant of the patch may be worth a check. */
export function answersAgainst(judgement: Judgement): Map<number, Observation> {
  const { model, local, evidence } = judgement;
  const first = local.taxa.reduce((best, share, t) => (share > local.taxa[best] ? t : best), 0);
  const z = model.firstCondition[first] + STAGES.indexOf(likeliestStage(judgement, first));
  const found = new Map<number, Observation>();
  judgement.case.observations.forEach((observation, i) => {
    const item = local.taxa[first] >= model.tuning.leads ? evidence[i] : null;
    if (!item || !isOfOnePlant(observation) || model.flora.characters[item.character].station === "setting") return;
    if (
      observation.states ? item.chance[z] < model.tuning.usualAnswer : isOutside(model, item.character, z, observation)
    )
      found.set(item.character, observation);
  });
  return found;
}

/** Whether a reading lies beyond what four in five plants of the kind measure, however it was read. */
function isOutside(model: Model, c: number, z: number, observation: Observation): boolean {
  const points = scoreIn(model, c, z)?.points;
  if (!points) return false;
  const { value, half } = firstReading(model.flora.characters[c].kind, observation, model.tuning);
  return value + half < points[1] || value - half > points[2];
}

export function scoreIn(model: Model, c: number, z: number) {
  const { taxon, stage, form } = model.conditions[z];
  return recordingOf(model, taxon, c) === "recorded"
    ? scoreFor(model, taxon, c, STAGES[stage], undefined, model.flora.taxa[taxon].forms[form].id)
    : undefined;
}
