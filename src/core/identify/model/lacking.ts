import { LIFE_FORMS, STAGES } from "../../flora";
import { backgroundRow } from "./answer-tables";
import type { Lacking, Model } from "./model";
import { inheritedChances } from "./relatives";
import { recordingOf, scoreFor, variesWithCondition } from "./scores";

/** Of a character of a part that stands on another (the plan of the lobes, on a leaf that is cut), how often it is there; null of any other. */
export function lackingOf(model: Model, c: number): Lacking | null {
  const { when } = model.flora.characters[c];
  if (!when || !model.characterIndex.has(when.character)) return null;
  const base = new Float64Array(model.conditions.length);
  for (let t = 0; t < model.flora.taxa.length; t++) {
    const alike = !basesVary(model, t, c);
    for (let z = model.firstCondition[t]; z < model.firstCondition[t + 1]; z++) {
      const { stage, form } = model.conditions[z];
      base[z] =
        alike && z > model.firstCondition[t]
          ? base[z - 1]
          : shareFailing(model, c, t, stage, model.flora.taxa[t].forms[form].id);
    }
  }
  const shown = Float64Array.from(base, (share, z) =>
    recordingOf(model, model.conditionTaxon[z], c) === "not-applicable"
      ? 1
      : 1 - (model.tuning.missing - model.tuning.overlookedSure) * share,
  );
  return {
    base,
    shown,
    shownByForm: Float64Array.from(LIFE_FORMS, (form) => 1 - shareWithout(model, c, form, model.tuning.overlookedSure)),
    none: model.flora.characters[c].states.findIndex((s) => s.id === "none"),
  };
}

/** True where a plant shows what the part stands on, or what that stands on, differently by stage or form. */
function basesVary(model: Model, taxon: number, c: number): boolean {
  const { when } = model.flora.characters[c];
  const base = when && model.characterIndex.get(when.character);
  return base !== undefined && (variesWithCondition(model, taxon, base) || basesVary(model, taxon, base));
}

/** Share of a plant's own kind that lacks what the part stands on: the depth of a cut, in a leaf that is sometimes whole. */
function shareFailing(model: Model, c: number, taxon: number, stage: number, form: string): number {
  const { when } = model.flora.characters[c];
  const base = when && model.characterIndex.get(when.character);
  if (!when || base === undefined) return 0;
  if (recordingOf(model, taxon, base) === "not-applicable") return 1;
  const score = scoreFor(model, taxon, base, STAGES[stage], undefined, form);
  if (score?.notApplicable) return 1;
  const shares =
    score?.shares ?? inheritedChances(model, base, taxon, backgroundRow(model, base, model.taxonLifeForm[taxon]));
  const { states } = model.flora.characters[base];
  const met = when.states.reduce((sum, id) => sum + shares[states.findIndex((s) => s.id === id)], 0);
  return 1 - met * (1 - shareFailing(model, base, taxon, stage, form));
}

/** Share of the plants of a life form that never carry the part, smoothed. */
export function shareWithout(model: Model, c: number, form: (typeof LIFE_FORMS)[number], overlooked: number): number {
  let without = 0;
  let all = 0;
  for (let t = 0; t < model.taxonLifeForm.length; t++) {
    if (LIFE_FORMS[model.taxonLifeForm[t]] !== form) continue;
    all++;
    if (recordingOf(model, t, c) === "not-applicable") without++;
  }
  return overlooked + ((model.tuning.missing - overlooked) * (without + 0.5)) / (all + 2);
}
