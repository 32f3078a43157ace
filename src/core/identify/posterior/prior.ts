import { InputError } from "../../errors";
import type { Status } from "../../flora";
import type { Case } from "../case/case";
import type { Model } from "../model/model";
import type { Tuning } from "../tuning";
import { total } from "./sums";

const statusWeights = (t: Tuning): Record<Status, number> => ({
  target: t.statusTarget,
  watch: t.statusWatch,
  tolerated: t.statusTolerated,
  kept: t.statusKept,
  protected: t.statusProtected,
  crop: t.statusCrop,
});

export function statuses(model: Model, given: Case): { status: Status[]; group: string[] } {
  const status = new Array<Status>(model.flora.taxa.length).fill("kept");
  for (const [name, listed] of Object.entries(given.list)) {
    const taxon = model.taxonIndex.get(name);
    if (taxon === undefined) throw new InputError("unknown-taxon", "list", name, "give an accepted name of the flora");
    status[taxon] = listed;
  }
  const group = status.map((s, t) => (model.groupNames.get(s) as string[])[model.treatmentOf[t]]);
  for (const [name, action] of Object.entries(given.actions)) {
    const taxon = model.taxonIndex.get(name);
    if (taxon !== undefined && action) group[taxon] = action;
  }
  return { status, group };
}

/** Setting × findable now, in shares. */
export function foundHere(model: Model, given: Case, findable: Float64Array): Float64Array {
  const observed = new Set(given.observations.map((o) => o.character));
  const settings = Object.entries(given.setting).filter(
    ([character]) => !observed.has(character) && model.characterIndex.has(character),
  );
  const weights = findable.map((now, t) =>
    settings.reduce((weight, [character, states]) => weight * settingWeight(model, t, character, states), now),
  );
  const all = total(weights);
  return weights.map((weight) => weight / all);
}

/** District status × confirmed here × setting × findable now, with a floor for every plant; a newcomer is never ruled out. */
export function localPrior(model: Model, given: Case, status: Status[], here: Float64Array): Float64Array {
  const byStatus = statusWeights(model.tuning);
  const weights = here.map((share, t) => byStatus[status[t]] * share);
  for (const [name, times] of Object.entries(given.confirmed)) {
    const taxon = model.taxonIndex.get(name);
    if (taxon !== undefined) weights[taxon] *= 1 + Math.log1p(times);
  }
  const floor = model.tuning.priorFloor * (total(weights) / weights.length);
  const floored = weights.map((w) => Math.max(w, floor));
  const all = total(floored);
  return floored.map((w) => ((1 - model.tuning.unknownPrior) * w) / all);
}

function settingWeight(model: Model, taxon: number, character: string, states: string[]): number {
  const { settingFloor, unscoredSetting } = model.tuning;
  const c = model.characterIndex.get(character) as number;
  const score = model.scoresOf[taxon].get(c)?.[0];
  if (!score?.shares) return unscoredSetting;
  const share = states.reduce(
    (sum, id) => sum + (score.shares?.[model.flora.characters[c].states.findIndex((s) => s.id === id)] ?? 0),
    0,
  );
  return settingFloor + (1 - settingFloor) * share;
}
