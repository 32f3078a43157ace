import { LIFE_FORMS, STAGES } from "../../flora";
import { baseKnown } from "../evidence/missing-part";
import { answersAt, firstRowOf } from "../model/answer-tables";
import type { Lacking } from "../model/model";
import { seenAt, variesWithCondition } from "../model/scores";
import { intactShare, type Block } from "../posterior/block";
import { type Judgement, likeliestStage } from "../posterior/judgement";
import { type ActiveHypotheses, intactByStage } from "./hypotheses";
import { secondAnswers } from "./look-at-second-plant";

/** Parts of the unknown plant below this share are not foreseen. */
const LEAST_PART = 1e-6;

/**
 * Chance of each answer for each active plant, then each cross, the unknown plant last: row plant, column answer. Of what
 * was seen on one plant, and goes against the others, it is the answer of a second.
 * A block that may already have gone wrong as a whole answers from the background to that extent.
 */
export function predictedAnswers(judgement: Judgement, active: ActiveHypotheses, c: number): Float64Array {
  const { model } = judgement;
  const { taxa } = active;
  const n = model.answers[c];
  const rows = active.scratch.rows.subarray(0, active.shares.length * n).fill(0);
  const before = active.against.get(c);
  if (before) return secondAnswers(judgement, active, c, before, rows);
  const asked = askedOf(judgement, active, c);
  for (let i = 0; i < taxa.length; i++)
    if (!asked.part && !variesWithCondition(model, taxa[i], c)) plainRow(judgement, active, asked, i, rows);
    else rowByCondition(judgement, active, asked, i, rows);
  active.crosses.forEach((x, i) => {
    crossRow(judgement, x, c, asked.freshShare, rows.subarray((taxa.length + i) * n, (taxa.length + i + 1) * n));
  });
  unknownRow(judgement, active, rows, c, asked.part, rows.subarray((taxa.length + active.crosses.length) * n));
  return rows;
}

/** What the answers to one character hang on, the same for every plant. */
interface Asked {
  c: number;
  /** its block, where something of it was seen already */
  block: Block | undefined;
  /** share in which a block that nothing was seen of does not fail as a whole */
  freshShare: number;
  intactAt: Float64Array;
  /** how often the part is missing, where that is not known from other checks */
  part: Lacking | null;
}

function askedOf(judgement: Judgement, active: ActiveHypotheses, c: number): Asked {
  const { model } = judgement;
  const { block: name } = model.flora.characters[c];
  const block = judgement.blocks.get(name);
  return {
    c,
    block,
    freshShare: 1 - model.flora.blocks[name],
    intactAt: block ? intactByStage(judgement, active, block) : active.stageWeight,
    part: baseKnown(model, c, judgement.case.observations, false) ? null : model.lacking[c],
  };
}

/** A plant that shows the character alike in all its conditions. */
function plainRow(
  { model }: Judgement,
  { taxa, stages, weightSum }: ActiveHypotheses,
  { c, block, freshShare, intactAt }: Asked,
  i: number,
  rows: Float64Array,
): void {
  const n = model.answers[c];
  const t = taxa[i];
  const table = model.table[c];
  const background = model.background[c];
  const from = model.taxonLifeForm[t] * n;
  const row = firstRowOf(model, t, c) * n;
  let own = 0;
  for (let s = 0; s < stages.length; s++) if (seenAt(model, t, c, stages[s])) own += intactAt[s * taxa.length + i];
  own *= block ? 1 : freshShare;
  const other = weightSum[i] - own;
  for (let o = 0; o < n; o++) rows[i * n + o] = own * table[row + o] + other * background[from + o];
}

/** A plant that shows it differently by stage or form, or that may lack what the part stands on. */
function rowByCondition(
  { model }: Judgement,
  { taxa, conditions, weights, firstOf }: ActiveHypotheses,
  { c, block, freshShare, part }: Asked,
  i: number,
  rows: Float64Array,
): void {
  const n = model.answers[c];
  const t = taxa[i];
  const table = model.table[c];
  const background = model.background[c];
  const from = model.taxonLifeForm[t] * n;
  const row = firstRowOf(model, t, c) * n;
  const varies = variesWithCondition(model, t, c);
  const shownOfForm = part?.shownByForm[model.taxonLifeForm[t]] ?? 1;
  const first = model.firstCondition[t];
  let own = 0;
  let bare = 0;
  let other = 0;
  for (let k = firstOf[i]; k < firstOf[i + 1]; k++) {
    const z = conditions[k];
    const intact = seenAt(model, t, c, model.conditionStage[z])
      ? weights[k] * (block ? intactShare(model, block, z) : freshShare)
      : 0;
    const told = part ? intact * part.shown[z] : intact;
    own += told;
    bare += intact - told;
    other += weights[k] - intact;
    if (varies) for (let o = 0; o < n; o++) rows[i * n + o] += told * table[row + (z - first) * n + o];
  }
  for (let o = 0; o < n; o++)
    rows[i * n + o] += (varies ? 0 : own * table[row + o]) + other * shownOfForm * background[from + o];
  if (part && part.none >= 0) rows[i * n + part.none] += bare + other * (1 - shownOfForm);
}

/** A cross's answers: half of each parent's, at the parent's likeliest stage. */
function crossRow(judgement: Judgement, cross: number, c: number, sound: number, out: Float64Array): void {
  const { model } = judgement;
  const n = out.length;
  for (const taxon of model.crosses[cross].parents) {
    const own = answersAt(model, taxon, c, STAGES.indexOf(likeliestStage(judgement, taxon)));
    const from = model.taxonLifeForm[taxon] * n;
    for (let o = 0; o < n; o++) out[o] += (sound * own[o] + (1 - sound) * model.background[c][from + o]) / 2;
  }
}

/** The unknown plant's answers: its life forms' backgrounds and its listed relatives' rows, each by its share. */
function unknownRow(
  judgement: Judgement,
  active: ActiveHypotheses,
  rows: Float64Array,
  c: number,
  part: Lacking | null,
  out: Float64Array,
): void {
  const { model, unknownParts } = judgement;
  const n = out.length;
  const background = model.background[c];
  const { widened } = model.tuning;
  const likeness = model.relativeLikeness[c];
  let total = 0;
  for (let form = 0; form < LIFE_FORMS.length; form++) {
    const weight = unknownParts.byForm[form];
    if (weight < LEAST_PART) continue;
    total += weight;
    const shown = part?.shownByForm[form] ?? 1;
    for (let o = 0; o < n; o++) out[o] += weight * (widened * shown * background[form * n + o] + (1 - widened) / n);
  }
  for (let i = 0; i < active.taxa.length; i++) {
    const t = active.taxa[i];
    const weight = unknownParts.relatives[t];
    if (weight < LEAST_PART) continue;
    const from = model.taxonLifeForm[t] * n;
    total += weight;
    const shown = part?.shownByForm[model.taxonLifeForm[t]] ?? 1;
    for (let o = 0; o < n; o++)
      out[o] += weight * (likeness * rows[i * n + o] + (1 - likeness) * shown * background[from + o]);
  }
  for (let o = 0; o < n; o++) out[o] = total > 0 ? out[o] / total : 1 / n;
}
