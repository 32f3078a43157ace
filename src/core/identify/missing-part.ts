import { LIFE_FORMS, STAGES } from "./flora-types";
import type { Chances } from "./evidence";
import { applies, type Model, recordingOf, scoreFor, usuallySeen } from "./model";
import type { Sureness } from "./observer";

/**
 * Chance that a scout finds the part missing where the plant has none, and where it has one. Assumed, not measured: the first is
 * what is left beside a misnamed state of such a plant (`inapplicableChances`), the second of the size of a plain slip.
 */
const MISSING = 0.94;
const OVERLOOKED: Record<Sureness, number> = { sure: 0.02, likely: 0.05, guess: 0.12 };
/** The same of a plant of which nothing is recorded, and at a stage that does not show the part. */
const MISSING_UNRECORDED = 0.1;
const MISSING_OUT_OF_STAGE = 0.5;

/**
 * What "this plant has no such part" says, of a character without a state for it (the height of a ligule, the edge of a
 * leaflet): right for every plant that never carries the part, all but wrong for one that does. A wrong answer to an earlier
 * question, the kind of plant above all, is found out by it.
 */
export function missingPart(model: Model, c: number, sure: Sureness): Chances {
  const chance = Float64Array.from(model.conditions, ({ taxon, stage, form }) => missingChance(model, c, taxon, stage, form, OVERLOOKED[sure]));
  const background = Float64Array.from(LIFE_FORMS, (form) => (applies(model, c, form) ? shareWithout(model, c, form, OVERLOOKED[sure]) : MISSING));
  return { chance, background, even: 1 / (model.answers[c] + 1) };
}

function missingChance(model: Model, c: number, taxon: number, stage: number, form: number, overlooked: number): number {
  const recording = recordingOf(model, taxon, c);
  if (recording === "not-applicable") return MISSING;
  if (!usuallySeen(model, taxon, c, STAGES[stage])) return MISSING_OUT_OF_STAGE;
  const formId = model.flora.taxa[taxon].forms[form].id;
  if (scoreFor(model, taxon, c, STAGES[stage], undefined, formId)?.notApplicable) return MISSING;
  const bare = recording === "recorded" ? overlooked : Math.max(overlooked, MISSING_UNRECORDED);
  return bare + (MISSING - bare) * shareFailing(model, c, taxon, stage, formId);
}

/** Share of a plant's own kind that lacks what the part stands on: the depth of a cut, in a leaf that is sometimes whole. */
function shareFailing(model: Model, c: number, taxon: number, stage: number, form: string): number {
  const { when } = model.flora.characters[c];
  const base = when && model.characterIndex.get(when.character);
  if (!when || base === undefined) return 0;
  const shares = scoreFor(model, taxon, base, STAGES[stage], undefined, form)?.shares;
  if (!shares) return 0;
  const { states } = model.flora.characters[base];
  return 1 - when.states.reduce((sum, id) => sum + shares[states.findIndex((s) => s.id === id)], 0);
}

/** Share of the plants of a life form that never carry the part, smoothed. */
function shareWithout(model: Model, c: number, form: (typeof LIFE_FORMS)[number], overlooked: number): number {
  let without = 0;
  let all = 0;
  for (let t = 0; t < model.taxonLifeForm.length; t++) {
    if (LIFE_FORMS[model.taxonLifeForm[t]] !== form) continue;
    all++;
    if (recordingOf(model, t, c) === "not-applicable") without++;
  }
  return overlooked + ((MISSING - overlooked) * (without + 0.5)) / (all + 2);
}
