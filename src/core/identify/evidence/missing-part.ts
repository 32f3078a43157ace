import { LIFE_FORMS, STAGES } from "../../flora";
import type { Observation } from "../case/case";
import { applies, backgroundRow } from "../model/answer-tables";
import type { Model } from "../model/model";
import type { Sureness } from "../model/observer";
import { inheritedChances } from "../model/relatives";
import { recordingOf, scoreFor, usuallySeen, variesWithCondition } from "../model/scores";
import type { Chances } from "./evidence";

/**
 * Chance that a scout finds the part missing where the plant has none, and where it has one. Assumed, not measured: the first is
 * what is left beside a misnamed state of such a plant (`inapplicableChances`), the second of the size of a plain slip.
 */
const MISSING = 0.94;
const OVERLOOKED: Record<Sureness, number> = { sure: 0.02, likely: 0.05, guess: 0.12 };
/** The same of a plant of which nothing is recorded, and at a stage that does not show the part. */
const MISSING_UNRECORDED = 0.1;
const MISSING_OUT_OF_STAGE = 0.5;

/** How likely a plant is to lack the part that a question is about; see `lacking`. */
export interface Lacking {
  /** share of each condition's kind that lacks what the part stands on, in [0, 1] */
  base: Float64Array;
  /** chance that a look finds a part to tell of, in each condition, and under the background of each life form */
  shown: Float64Array;
  shownByForm: Float64Array;
  /** place of the state "none" among the character's, or -1 */
  none: number;
}

/** Worked out once for each character of a model. */
const workedOut = new WeakMap<Model, Map<number, Lacking | null>>();

/** Of a character of a part that stands on another (the plan of the lobes, on a leaf that is cut), how often it is there; null of any other. */
export function lacking(model: Model, c: number): Lacking | null {
  const known = workedOut.get(model) ?? new Map<number, Lacking | null>();
  workedOut.set(model, known);
  if (!known.has(c)) known.set(c, workOutLacking(model, c));
  return known.get(c) ?? null;
}

function workOutLacking(model: Model, c: number): Lacking | null {
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
    recordingOf(model, model.conditionTaxon[z], c) === "not-applicable" ? 1 : 1 - (MISSING - OVERLOOKED.sure) * share,
  );
  return {
    base,
    shown,
    shownByForm: Float64Array.from(LIFE_FORMS, (form) => 1 - shareWithout(model, c, form, OVERLOOKED.sure)),
    none: model.flora.characters[c].states.findIndex((s) => s.id === "none"),
  };
}

/** True where a plant shows what the part stands on, or what that stands on, differently by stage or form. */
function basesVary(model: Model, taxon: number, c: number): boolean {
  const { when } = model.flora.characters[c];
  const base = when && model.characterIndex.get(when.character);
  return base !== undefined && (variesWithCondition(model, taxon, base) || basesVary(model, taxon, base));
}

/** What other looks say of what a part stands on: that it is there, that it is missing, or nothing. */
export type BaseKnown = "there" | "missing" | null;

/**
 * Whether it is known from other looks that there is what a part stands on: that was seen itself, or another part of it was.
 * A look at this one then says nothing of it any more.
 * @param asked true of a character that was answered: of several answers on one base, the first of the vocabulary tells of it, and the others no more
 */
export function baseKnown(model: Model, c: number, observations: Observation[], asked: boolean): BaseKnown {
  const { characters } = model.flora;
  const { when } = characters[c];
  if (!when) return null;
  const seen = observations.filter((o) => o.answer === "seen");
  const base = seen.find((o) => o.character === when.character);
  if (base) return (base.states ?? []).some((state) => when.states.includes(state)) ? "there" : "missing";
  const onSame = seen.some((o) => {
    const other = model.characterIndex.get(o.character);
    return (
      other !== undefined &&
      other !== c &&
      characters[other].when?.character === when.character &&
      (!asked || other < c)
    );
  });
  return onSame ? "there" : null;
}

/**
 * What was seen of a part that stands on another, which only some have: on those that lack it nothing is to be seen, and
 * "none", where that is a state, is all that can be said.
 */
export function weighByBase(model: Model, observation: Observation, { chance, background }: Chances, c: number): void {
  const part = lacking(model, c);
  if (!part || (observation.answer === "absent" && observation.states)) return;
  const bare = observation.answer === "absent" || observation.states?.includes("none") ? MISSING : 0;
  for (let z = 0; z < chance.length; z++) chance[z] = part.shown[z] * chance[z] + (1 - part.shown[z]) * bare;
  for (let form = 0; form < background.length; form++)
    background[form] = part.shownByForm[form] * background[form] + (1 - part.shownByForm[form]) * bare;
}

/**
 * What "this plant has no such part" says, of a character without a state for it (the height of a ligule, the edge of a
 * leaflet): right for every plant that never carries the part, all but wrong for one that does. A wrong answer to an earlier
 * question, the kind of plant above all, is found out by it.
 * @param base what is known of what the part stands on
 */
export function missingPart(model: Model, c: number, sure: Sureness, base: BaseKnown): Chances {
  // Where the base is known to be missing its parts are too, on whatever plant: only the base itself tells.
  if (base === "missing")
    return {
      chance: new Float64Array(model.conditions.length).fill(MISSING),
      background: new Float64Array(LIFE_FORMS.length).fill(MISSING),
      even: MISSING,
    };
  const fails = base ? undefined : lacking(model, c)?.base;
  const chance = Float64Array.from(model.conditions, ({ taxon, stage, form }, z) =>
    missingChance(model, c, taxon, stage, form, OVERLOOKED[sure], fails?.[z] ?? 0),
  );
  const background = Float64Array.from(LIFE_FORMS, (form) =>
    applies(model, c, form) ? shareWithout(model, c, form, OVERLOOKED[sure]) : MISSING,
  );
  return { chance, background, even: 1 / (model.answers[c] + 1) };
}

function missingChance(
  model: Model,
  c: number,
  taxon: number,
  stage: number,
  form: number,
  overlooked: number,
  baseFails: number,
): number {
  const recording = recordingOf(model, taxon, c);
  if (recording === "not-applicable") return MISSING;
  if (!usuallySeen(model, taxon, c, STAGES[stage])) return MISSING_OUT_OF_STAGE;
  const formId = model.flora.taxa[taxon].forms[form].id;
  if (scoreFor(model, taxon, c, STAGES[stage], undefined, formId)?.notApplicable) return MISSING;
  const bare = recording === "recorded" ? overlooked : Math.max(overlooked, MISSING_UNRECORDED);
  return bare + (MISSING - bare) * baseFails;
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
