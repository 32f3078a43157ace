import { type Character, LIFE_FORMS, type LifeForm, type Position, STAGES } from "../../flora";
import type { Tuning } from "../tuning";
import { classShares, type FourPoints } from "./measures";
import type { Condition, Model } from "./model";
import { blur, confusionTable, grossErrorRate } from "./observer";
import { inheritedChances } from "./relatives";
import { baseScore, recordingOf, scoreFor, variesWithCondition } from "./scores";

export function fillCharacter(model: Model, c: number): void {
  const { flora, conditions } = model;
  const n = model.answers[c];
  model.background[c] = backgrounds(model, c);
  const firstRow = new Int32Array(flora.taxa.length);
  let rows = 0;
  for (const t of flora.taxa.keys()) {
    firstRow[t] = rows;
    rows += variesWithCondition(model, t, c) ? model.firstCondition[t + 1] - model.firstCondition[t] : 1;
  }
  const table = new Float32Array(rows * n);
  const character = flora.characters[c];
  const confusion =
    character.states.length > 0 ? confusionTable(character, model.observerError, "sure", model.tuning) : null;
  for (const t of flora.taxa.keys()) {
    const last = variesWithCondition(model, t, c) ? model.firstCondition[t + 1] : model.firstCondition[t] + 1;
    for (let z = model.firstCondition[t]; z < last; z++)
      table.set(
        answerChances(model, c, conditions[z], undefined, confusion),
        (firstRow[t] + z - model.firstCondition[t]) * n,
      );
  }
  model.firstRow[c] = model.variesAtAll[c] ? firstRow : new Int32Array(0);
  model.table[c] = table;
}

/** Row of a plant's first condition in the table of a character. */
export const firstRowOf = (model: Model, taxon: number, c: number): number =>
  model.variesAtAll[c] ? model.firstRow[c][taxon] : taxon;

/** Where the chances of a condition's answers to a character begin in its table. */
export function rowStart(model: Model, c: number, z: number): number {
  const taxon = model.conditionTaxon[z];
  const row =
    firstRowOf(model, taxon, c) + (variesWithCondition(model, taxon, c) ? z - model.firstCondition[taxon] : 0);
  return row * model.answers[c];
}

/** Chances of a plant's answers to a character at a stage, from a sure observer, in its first form. */
export function answersAt(model: Model, taxon: number, c: number, stage: number): Float32Array {
  const from = rowStart(model, c, model.firstCondition[taxon] + stage);
  return model.table[c].subarray(from, from + model.answers[c]);
}

/**
 * Chance of each answer to a character in one condition: the recorded shares, doubted by their
 * confidence towards the background, then blurred by the observer.
 * @param confusion observer's table for characters with states, null for measured ones
 */
export function answerChances(
  model: Model,
  c: number,
  condition: Condition,
  position: Position | undefined,
  confusion: Float64Array | null,
): Float32Array {
  const { flora } = model;
  const taxon = flora.taxa[condition.taxon];
  const n = model.answers[c];
  const background = backgroundRow(model, c, model.taxonLifeForm[condition.taxon]);
  const recording = recordingOf(model, condition.taxon, c);
  if (recording === "not-applicable") return inapplicableChances(flora.characters[c], n, model.tuning);
  const score = scoreFor(model, condition.taxon, c, STAGES[condition.stage], position, taxon.forms[condition.form].id);
  if (recording === "not-recorded" || !score || score.notApplicable)
    return score?.notApplicable
      ? inapplicableChances(flora.characters[c], n, model.tuning)
      : inheritedChances(model, c, condition.taxon, background);
  const truth =
    score.shares ?? classShares(score.points as FourPoints, model.edges[c], flora.characters[c].kind, model.tuning);
  const doubted = truth.map((p, s) => score.confidence * p + (1 - score.confidence) * background[s]);
  if (confusion) return blur(doubted, confusion);
  const gross = grossErrorRate(flora.characters[c], model.observerError, "sure", model.tuning);
  return Float32Array.from(doubted, (p, s) => (1 - gross) * p + gross * background[s]);
}

/** A plant without the part: the answer "none" is right, any other is a mistake. */
export function inapplicableChances(character: Character, n: number, t: Tuning): Float32Array {
  const none = character.states.findIndex((s) => s.id === "none");
  const out = new Float32Array(n).fill(
    none >= 0 ? (1 - t.inapplicableNone) / Math.max(1, n - 1) : t.inapplicableOther / n,
  );
  if (none >= 0) out[none] = t.inapplicableNone;
  return out;
}

/** Shares over the plants of each life form, smoothed, so that nothing is ever impossible. */
function backgrounds(model: Model, c: number): Float32Array {
  const { flora } = model;
  const n = model.answers[c];
  const rows = new Float32Array(LIFE_FORMS.length * n);
  const all = new Float64Array(n).fill(model.tuning.backgroundStart);
  const sums = LIFE_FORMS.map(() => new Float64Array(n));
  const counts = new Float64Array(LIFE_FORMS.length);
  for (const t of flora.taxa.keys()) {
    const score = baseScore(model, t, c);
    if (!score) continue;
    const shares =
      score.shares ?? classShares(score.points as FourPoints, model.edges[c], flora.characters[c].kind, model.tuning);
    const form = model.taxonLifeForm[t];
    counts[form]++;
    for (let s = 0; s < n; s++) {
      sums[form][s] += shares[s];
      all[s] += shares[s];
    }
  }
  const { backgroundShareOfAll, backgroundEven } = model.tuning;
  const total = all.reduce((a, b) => a + b, 0);
  for (let form = 0; form < LIFE_FORMS.length; form++) {
    for (let s = 0; s < n; s++)
      rows[form * n + s] =
        (sums[form][s] + backgroundShareOfAll * (all[s] / total) + backgroundEven / n) /
        (counts[form] + backgroundShareOfAll + backgroundEven);
  }
  return rows;
}

export function backgroundRow(model: Model, c: number, lifeForm: number): Float32Array {
  const n = model.answers[c];
  return model.background[c].subarray(lifeForm * n, lifeForm * n + n);
}

export function applies(model: Model, c: number, lifeForm: LifeForm): boolean {
  return model.flora.characters[c].applies.includes(lifeForm);
}
