import { InputError } from "../errors";
import {
  type Character,
  type CompiledFlora,
  LIFE_FORMS,
  type LifeForm,
  type Position,
  type Score,
  STAGES,
  type Stage,
} from "./flora-types";
import { type Cross, crossesOf } from "./crosses";
import { classEdges, cumulative, type FourPoints, minimumWidth } from "./measures";
import { confusionTable, grossErrorRate } from "./observer";
import { scoredStage, seenOn } from "./seen";
import { type UnheldTwin, unheldTwins } from "./unheld";

export type Recording = "recorded" | "not-recorded" | "not-applicable";
const RECORDING: Recording[] = ["recorded", "not-recorded", "not-applicable"];

/** A latent condition of one plant: the stage and the form that all its parts share. */
export interface Condition {
  taxon: number;
  stage: number;
  form: number;
}

/**
 * The flora as flat arrays, made once for a flora and an observer error.
 * `table[c]` holds the chance of each answer to character c from a sure observer: a row for each plant, or for each of its
 * conditions where it shows the character differently by stage or form (`rowStart` finds it), column answer. For measured
 * characters the answers are classes between `edges[c]`.
 */
export interface Model {
  flora: CompiledFlora;
  observerError: number;
  conditions: Condition[];
  /** the plant, the stage and the plant's life form of each condition, flat for the passes over all of them */
  conditionTaxon: Int32Array;
  conditionStage: Uint8Array;
  conditionLifeForm: Uint8Array;
  /** first condition of each taxon; one more at the end */
  firstCondition: Int32Array;
  answers: Int32Array;
  edges: number[][];
  table: Float32Array[];
  /** row of each plant's first condition in the table of a character; empty where each plant has one row */
  firstRow: Int32Array[];
  /** background of each character by life form: row life form, column answer */
  background: Float32Array[];
  recording: Uint8Array;
  characterIndex: Map<string, number>;
  taxonIndex: Map<string, number>;
  taxonLifeForm: Uint8Array;
  /** how many plants are of each life form */
  plantsOfForm: Float64Array;
  /** the ways in which plants grow, last and come again, in words, and that of each plant: those alike in this are treated alike unless a district says otherwise */
  treatments: string[];
  treatmentOf: Uint16Array;
  /** of each character, [taxon × stage], or [stage] where all plants are alike in it: 0 not seen then, 1 seen on some of the plant's kind, 2 seen as a rule */
  seen: Uint8Array[];
  /** places in `seen` from one plant to the next, by character */
  seenStep: Uint8Array;
  /** how far plants of one genus agree in each character, in (0, 1): 1 less the mean distance of their states */
  kinLikeness: Float64Array;
  /** character × taxon: 1 where the plant shows the character differently by stage or form */
  varies: Uint8Array;
  /** 1 where any plant does, by character */
  variesAtAll: Uint8Array;
  scoresOf: Map<number, Score[]>[];
  /** scores of each measured character */
  measuredScores: Score[][];
  /** what the plants of each genus and of each family show, summed, by character: for plants without a score of their own */
  kinShares: Map<string, KinShares>[];
  /** the crosses that may stand there */
  crosses: Cross[];
  /** of each plant, the twins that are listed though the flora does not hold them */
  unheld: UnheldTwin[][];
}

interface KinShares {
  sums: Float64Array;
  plants: number;
}

/**
 * @param flora compiled flora
 * @param observerError the observer's error in [0, 0.5]; 0.05 is the reference
 */
export function buildModel(flora: CompiledFlora, observerError = 0.05): Model {
  if (!(observerError >= 0 && observerError <= 0.5))
    throw new InputError("out-of-range", "observerError", observerError, "give a number from 0 to 0.5");
  const scoresOf = indexScores(flora);
  const conditions: Condition[] = [];
  const firstCondition = new Int32Array(flora.taxa.length + 1);
  flora.taxa.forEach((taxon, t) => {
    firstCondition[t] = conditions.length;
    for (let form = 0; form < taxon.forms.length; form++)
      for (let stage = 0; stage < STAGES.length; stage++) conditions.push({ taxon: t, stage, form });
  });
  firstCondition[flora.taxa.length] = conditions.length;
  const taxonLifeForm = Uint8Array.from(flora.taxa, (t) => LIFE_FORMS.indexOf(t.lifeForm));
  const treatmentOf = flora.taxa.map(
    (t) => `${t.lifeForm}, ${t.cycle}, ${t.sprouts.length > 0 || t.fragments !== "none" ? "resprouts" : "from seed"}`,
  );
  const treatments = [...new Set(treatmentOf)];
  const measured: Score[][] = flora.characters.map(() => []);
  for (const score of flora.scores) if (score.points) measured[score.character].push(score);
  const edges = flora.characters.map((c, i) => (c.states.length > 0 ? [] : classEdges(measured[i], c.kind)));
  const seen = flora.characters.map((c) => seenOn(flora, scoresOf, c));
  const varies = variations(flora);
  const model: Model = {
    flora,
    observerError,
    conditions,
    conditionTaxon: Int32Array.from(conditions, (z) => z.taxon),
    conditionStage: Uint8Array.from(conditions, (z) => z.stage),
    conditionLifeForm: Uint8Array.from(conditions, (z) => taxonLifeForm[z.taxon]),
    firstCondition,
    answers: Int32Array.from(flora.characters, (c, i) => (c.states.length > 0 ? c.states.length : edges[i].length + 1)),
    edges,
    table: [],
    firstRow: [],
    background: [],
    recording: recordings(flora, scoresOf),
    characterIndex: new Map(flora.characters.map((c, i) => [c.id, i])),
    taxonIndex: new Map(flora.taxa.map((t, i) => [t.name, i])),
    taxonLifeForm,
    plantsOfForm: Float64Array.from(LIFE_FORMS, (_, form) => taxonLifeForm.filter((f) => f === form).length),
    treatments,
    treatmentOf: Uint16Array.from(treatmentOf, (words) => treatments.indexOf(words)),
    seen,
    seenStep: Uint8Array.from(seen, (of) => (of.length > STAGES.length ? STAGES.length : 0)),
    kinLikeness: new Float64Array(flora.characters.length),
    varies,
    variesAtAll: Uint8Array.from(flora.characters, (_, c) =>
      varies.subarray(c * flora.taxa.length, (c + 1) * flora.taxa.length).includes(1) ? 1 : 0,
    ),
    scoresOf,
    measuredScores: measured,
    kinShares: flora.characters.map(() => new Map()),
    crosses: crossesOf(flora),
    unheld: unheldTwins(flora),
  };
  for (const c of flora.characters.keys()) {
    model.kinShares[c] = sharesOfKin(model, c);
    fillCharacter(model, c);
    model.kinLikeness[c] = kinLikeness(model, c);
  }
  return model;
}

function indexScores(flora: CompiledFlora): Map<number, Score[]>[] {
  const byTaxon = flora.taxa.map(() => new Map<number, Score[]>());
  for (const score of flora.scores) {
    const scores = byTaxon[score.taxon].get(score.character);
    if (scores) scores.push(score);
    else byTaxon[score.taxon].set(score.character, [score]);
  }
  return byTaxon;
}

/** Recorded, not recorded or not applicable, for each character × taxon. */
function recordings(flora: CompiledFlora, scoresOf: Map<number, Score[]>[]): Uint8Array {
  const result = new Uint8Array(flora.taxa.length * flora.characters.length);
  const indexOf = new Map(flora.characters.map((c, i) => [c.id, i]));
  flora.taxa.forEach((taxon, t) => {
    const scores = scoresOf[t];
    /** What the part stands on may be missing too: no leaf that is cut, no plan of its lobes, no angle between them. */
    const lacks = (c: number): boolean => {
      const { applies, when } = flora.characters[c];
      const own = scores.get(c);
      if (own) return own.every((s) => s.notApplicable);
      if (!applies.includes(taxon.lifeForm)) return true;
      const gate = when && indexOf.get(when.character);
      return (
        when !== undefined &&
        gate !== undefined &&
        (lacks(gate) || whenFails(flora.characters[gate], scores.get(gate), when.states))
      );
    };
    flora.characters.forEach((_, c) => {
      result[c * flora.taxa.length + t] = lacks(c) ? 2 : scores.has(c) ? 0 : 1;
    });
  });
  return result;
}

/** True where the prerequisite is recorded and this plant all but never meets it. */
function whenFails(gate: Character, scores: Score[] | undefined, states: string[]): boolean {
  const base = scores?.find((s) => !s.stage && !s.position && !s.form);
  if (!base?.shares) return base?.notApplicable ?? false;
  return states.reduce((sum, id) => sum + (base.shares?.[gate.states.findIndex((s) => s.id === id)] ?? 0), 0) < 0.1;
}

export function recordingOf(model: Model, taxon: number, character: number): Recording {
  return RECORDING[model.recording[character * model.flora.taxa.length + taxon]];
}

/** False where a plant never carries the part. */
export const hasPart = (model: Model, taxon: number, character: number): boolean =>
  model.recording[character * model.flora.taxa.length + taxon] !== 2;

/** The score that holds for a stage, position and form: the most specific one that fits. */
export function scoreFor(
  model: Model,
  taxon: number,
  character: number,
  at: Stage,
  position: Position | undefined,
  form: string,
): Score | undefined {
  const stage = scoredStage(model.flora.characters[character], at);
  let best: Score | undefined;
  let bestRank = -1;
  for (const score of model.scoresOf[taxon].get(character) ?? []) {
    if (
      (score.stage && score.stage !== stage) ||
      (score.position && score.position !== position) ||
      (score.form && score.form !== form)
    )
      continue;
    const rank = (score.stage ? 1 : 0) + (score.position ? 2 : 0) + (score.form ? 4 : 0);
    if (rank > bestRank) {
      best = score;
      bestRank = rank;
    }
  }
  return best;
}

/** How a part is seen on a plant that has it: 0 not at this stage, 1 on some of its kind, 2 as a rule. */
export const seenAt = (model: Model, taxon: number, c: number, stage: number): number =>
  model.seen[c][taxon * model.seenStep[c] + stage];

/** True where a part is seen at a stage as a rule, on a plant that has it. */
export const usuallySeen = (model: Model, taxon: number, c: number, stage: Stage): boolean =>
  seenAt(model, taxon, c, STAGES.indexOf(stage)) === 2;

/** Multiplies the chance of each condition in which a part is seen, or of each in which it is not, by a factor. */
export function scaleWhere(model: Model, c: number, isSeen: boolean, chance: Float64Array, factor: number): void {
  for (let z = 0; z < chance.length; z++)
    if (seenAt(model, model.conditionTaxon[z], c, model.conditionStage[z]) > 0 === isSeen) chance[z] *= factor;
}

function fillCharacter(model: Model, c: number): void {
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
  const confusion = character.states.length > 0 ? confusionTable(character, model.observerError, "sure") : null;
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

function variations(flora: CompiledFlora): Uint8Array {
  const varies = new Uint8Array(flora.taxa.length * flora.characters.length);
  for (const score of flora.scores)
    if (score.stage || score.form) varies[score.character * flora.taxa.length + score.taxon] = 1;
  return varies;
}

/** True where a plant shows a character differently by stage or form. */
export function variesWithCondition(model: Model, taxon: number, c: number): boolean {
  return model.variesAtAll[c] === 1 && model.varies[c * model.flora.taxa.length + taxon] === 1;
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
  if (recording === "not-applicable") return inapplicableChances(flora.characters[c], n);
  const score = scoreFor(model, condition.taxon, c, STAGES[condition.stage], position, taxon.forms[condition.form].id);
  if (recording === "not-recorded" || !score || score.notApplicable)
    return score?.notApplicable
      ? inapplicableChances(flora.characters[c], n)
      : inheritedChances(model, c, condition.taxon, background);
  const truth = score.shares ?? classShares(score.points as FourPoints, model.edges[c], flora.characters[c].kind);
  const doubted = truth.map((p, s) => score.confidence * p + (1 - score.confidence) * background[s]);
  if (confusion) return blur(doubted, confusion);
  const gross = grossErrorRate(flora.characters[c], model.observerError, "sure");
  return Float32Array.from(doubted, (p, s) => (1 - gross) * p + gross * background[s]);
}

/** Weight of the general rate beside the pairs counted for one character. */
const KIN_PRIOR_PAIRS = 4;
const KIN_PRIOR_LIKENESS = 0.7;

/** Mean overlap of the recorded states of two plants of one genus, smoothed where few pairs are recorded. */
function kinLikeness(model: Model, c: number): number {
  const byGenus = new Map<string, ArrayLike<number>[]>();
  model.flora.taxa.forEach((taxon, t) => {
    const score = baseScore(model, t, c);
    if (!score) return;
    const shares =
      score.shares ?? classShares(score.points as FourPoints, model.edges[c], model.flora.characters[c].kind);
    byGenus.set(taxon.genus, [...(byGenus.get(taxon.genus) ?? []), shares]);
  });
  let sum = KIN_PRIOR_PAIRS * KIN_PRIOR_LIKENESS;
  let pairs = KIN_PRIOR_PAIRS;
  for (const rows of byGenus.values()) {
    for (let a = 0; a < rows.length; a++) {
      for (let b = a + 1; b < rows.length; b++) {
        for (let s = 0; s < rows[a].length; s++) sum += Math.min(rows[a][s], rows[b][s]);
        pairs++;
      }
    }
  }
  return sum / pairs;
}

export function blur(shares: ArrayLike<number>, confusion: Float64Array): Float32Array {
  const n = shares.length;
  const out = new Float32Array(n);
  for (let truth = 0; truth < n; truth++) {
    const share = shares[truth];
    if (share > 0) for (let named = 0; named < n; named++) out[named] += share * confusion[truth * n + named];
  }
  return out;
}

export function classShares(points: FourPoints, edges: number[], kind: string): number[] {
  const width = minimumWidth(kind);
  let before = 0;
  const shares = edges.map((edge) => {
    const upTo = cumulative(points, edge, width);
    const share = upTo - before;
    before = upTo;
    return Math.max(share, 1e-4);
  });
  shares.push(Math.max(1 - before, 1e-4));
  return shares;
}

/** A plant without the part: the answer "none" is right, any other is a mistake. */
export function inapplicableChances(character: Character, n: number): Float32Array {
  const none = character.states.findIndex((s) => s.id === "none");
  const out = new Float32Array(n).fill(none >= 0 ? 0.03 / Math.max(1, n - 1) : 0.06 / n);
  if (none >= 0) out[none] = 0.97;
  return out;
}

/** What a plant without a score of its own is taken to show: its genus, else its family, else its life form. */
export function inheritedChances(model: Model, c: number, taxon: number, background: Float32Array): Float32Array {
  const own = model.flora.taxa[taxon];
  const kin = model.kinShares[c].get(`genus ${own.genus}`) ?? model.kinShares[c].get(`family ${own.family}`);
  return kin ? Float32Array.from(kin.sums, (sum, s) => 0.6 * (sum / kin.plants) + 0.4 * background[s]) : background;
}

/** The score of a plant that holds for every stage, position and form; undefined where there is none or it does not apply. */
const baseScore = (model: Model, taxon: number, c: number): Score | undefined =>
  model.scoresOf[taxon].get(c)?.find((s) => !s.stage && !s.position && !s.form && !s.notApplicable);

function sharesOfKin(model: Model, c: number): Map<string, KinShares> {
  const byName = new Map<string, KinShares>();
  model.flora.taxa.forEach((taxon, t) => {
    const score = baseScore(model, t, c);
    if (!score) return;
    const shares =
      score.shares ?? classShares(score.points as FourPoints, model.edges[c], model.flora.characters[c].kind);
    for (const name of [`genus ${taxon.genus}`, `family ${taxon.family}`]) {
      const kin = byName.get(name) ?? { sums: new Float64Array(shares.length), plants: 0 };
      for (let s = 0; s < shares.length; s++) kin.sums[s] += shares[s];
      kin.plants++;
      byName.set(name, kin);
    }
  });
  return byName;
}

/** Shares over the plants of each life form, smoothed, so that nothing is ever impossible. */
function backgrounds(model: Model, c: number): Float32Array {
  const { flora } = model;
  const n = model.answers[c];
  const rows = new Float32Array(LIFE_FORMS.length * n);
  const all = new Float64Array(n).fill(0.5);
  const sums = LIFE_FORMS.map(() => new Float64Array(n));
  const counts = new Float64Array(LIFE_FORMS.length);
  for (const t of flora.taxa.keys()) {
    const score = baseScore(model, t, c);
    if (!score) continue;
    const shares = score.shares ?? classShares(score.points as FourPoints, model.edges[c], flora.characters[c].kind);
    const form = model.taxonLifeForm[t];
    counts[form]++;
    for (let s = 0; s < n; s++) {
      sums[form][s] += shares[s];
      all[s] += shares[s];
    }
  }
  const total = all.reduce((a, b) => a + b, 0);
  for (let form = 0; form < LIFE_FORMS.length; form++) {
    for (let s = 0; s < n; s++)
      rows[form * n + s] = (sums[form][s] + 2 * (all[s] / total) + 1 / n) / (counts[form] + 3);
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
