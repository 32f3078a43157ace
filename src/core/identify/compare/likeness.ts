import { type Stage, STAGES } from "../../flora";
import { answersAt } from "../model/answer-tables";
import type { Model } from "../model/model";
import { recordingOf, usuallySeen } from "../model/scores";

/** True where a plant has the part, the flora says how it looks, and this stage shows it. */
export function shows(model: Model, taxon: number, c: number, stage: Stage): boolean {
  return recordingOf(model, taxon, c) === "recorded" && usuallySeen(model, taxon, c, stage);
}

/**
 * Roots of the answers of every plant to a character at a stage, each row of length 1, so that the affinity of two plants is their
 * product; a row of zeros where a plant does not show the part.
 */
type Roots = { n: number; rows: Float64Array; shown: Uint8Array }[];

const tables = new WeakMap<Model, Map<Stage, Roots>>();

function rootsAt(model: Model, stage: Stage): Roots {
  const known = tables.get(model)?.get(stage);
  if (known) return known;
  const z = STAGES.indexOf(stage);
  const { taxa, characters } = model.flora;
  const made = characters.map((_, c) => {
    const n = model.answers[c];
    const rows = new Float64Array(taxa.length * n);
    const shown = new Uint8Array(taxa.length);
    for (let t = 0; t < taxa.length; t++) {
      if (!shows(model, t, c, stage)) continue;
      shown[t] = 1;
      const row = answersAt(model, t, c, z);
      let mass = 0;
      for (let o = 0; o < n; o++) mass += row[o];
      for (let o = 0; o < n; o++) rows[t * n + o] = Math.sqrt(row[o] / mass);
    }
    return { n, rows, shown };
  });
  const byStage = tables.get(model) ?? new Map<Stage, Roots>();
  tables.set(model, byStage.set(stage, made));
  return made;
}

/**
 * How often a plant would be mistaken for each other one at a stage, in [0, 1]: the Bhattacharyya affinity of their answers,
 * in the geometric mean over the parts that both show, after six looks. 1 is the same plant.
 * Bhattacharyya 1943, On a measure of divergence between two statistical populations.
 * @returns by index of the other plant; 0 where the two share no part that is recorded at this stage
 */
export function likenesses(model: Model, taxon: number, stage: Stage): Float64Array {
  const { length } = model.flora.taxa;
  const sums = new Float64Array(length);
  const parts = new Uint16Array(length);
  for (const { n, rows, shown } of rootsAt(model, stage)) {
    if (!shown[taxon]) continue;
    for (let t = 0; t < length; t++) {
      if (!shown[t]) continue;
      let affinity = 0;
      for (let o = 0; o < n; o++) affinity += rows[taxon * n + o] * rows[t * n + o];
      sums[t] += Math.log(Math.min(1, affinity));
      parts[t]++;
    }
  }
  return sums.map((sum, t) => (parts[t] === 0 ? 0 : Math.exp((model.tuning.looks * sum) / parts[t])));
}
