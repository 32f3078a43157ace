import { InputError } from "../../errors";
import { type Status } from "../../flora";
import type { Case } from "../case/case";
import type { Model } from "../model/model";
import { total } from "./sums";

/** Prior chance that the plant is none of this flora. */
export const UNKNOWN_PRIOR = 0.05;
/** Stage and date may lower a plant's prior by at most this factor. */
export const FINDABLE_FLOOR = 0.1;
/** How far a set of places for a plant can lower it. */
const SETTING_FLOOR = 0.15;
const STATUS_WEIGHT: Record<Status, number> = {
  target: 1,
  watch: 0.4,
  tolerated: 0.8,
  kept: 1,
  protected: 0.6,
  crop: 0.8,
};

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
  const weights = here.map((share, t) => STATUS_WEIGHT[status[t]] * share);
  for (const [name, times] of Object.entries(given.confirmed)) {
    const taxon = model.taxonIndex.get(name);
    if (taxon !== undefined) weights[taxon] *= 1 + Math.log1p(times);
  }
  const floor = 0.02 * (total(weights) / weights.length);
  const floored = weights.map((w) => Math.max(w, floor));
  const all = total(floored);
  return floored.map((w) => ((1 - UNKNOWN_PRIOR) * w) / all);
}

function settingWeight(model: Model, taxon: number, character: string, states: string[]): number {
  const c = model.characterIndex.get(character) as number;
  const score = model.scoresOf[taxon].get(c)?.[0];
  if (!score?.shares) return 0.5;
  const share = states.reduce(
    (sum, id) => sum + (score.shares?.[model.flora.characters[c].states.findIndex((s) => s.id === id)] ?? 0),
    0,
  );
  return SETTING_FLOOR + (1 - SETTING_FLOOR) * share;
}
