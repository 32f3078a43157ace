import { allBegin, type Climate, type Stage, STAGES } from "../../flora";
import { answersAt } from "../model/answer-tables";
import type { Model } from "../model/model";
import { recordingOf, usuallySeen } from "../model/scores";
import { usualState } from "../model/usual-look";
import { writtenChecks } from "../model/written-checks";
import { OUTLINE } from "../next/askable";

export interface DecidingCheck {
  character: number;
  /** bits that the answer tells about which of the plants it is, from 0 to log₂ of their number */
  bits: number;
  seconds: number;
  /** of each plant, whether it differs from the others by at least half */
  apart: boolean[];
}

/** True where a plant has the part, the flora says how it looks, and this stage shows it. */
function shows(model: Model, taxon: number, c: number, stage: Stage): boolean {
  return recordingOf(model, taxon, c) === "recorded" && usuallySeen(model, taxon, c, stage);
}

/**
 * How often two plants would be mistaken for each other at a stage, in [0, 1]: the Bhattacharyya affinity of their answers,
 * in the geometric mean over the parts that both show, after six looks. 1 is the same plant.
 * Bhattacharyya 1943, On a measure of divergence between two statistical populations.
 * @returns 0 where they share no part that is recorded at this stage
 */
export function likeness(model: Model, a: number, b: number, stage: Stage): number {
  let sum = 0;
  let parts = 0;
  for (const c of model.flora.characters.keys()) {
    if (!shows(model, a, c, stage) || !shows(model, b, c, stage)) continue;
    const [first, second] = [
      answersAt(model, a, c, STAGES.indexOf(stage)),
      answersAt(model, b, c, STAGES.indexOf(stage)),
    ];
    let affinity = 0;
    let masses = [0, 0];
    for (let o = 0; o < first.length; o++) {
      affinity += Math.sqrt(first[o] * second[o]);
      masses = [masses[0] + first[o], masses[1] + second[o]];
    }
    sum += Math.log(Math.min(1, affinity / Math.sqrt(masses[0] * masses[1])));
    parts++;
  }
  return parts === 0 ? 0 : Math.exp((model.tuning.looks * sum) / parts);
}

export interface Twin {
  taxon: number;
  likeness: number;
}

/** Plants that would most often be mistaken for this one at a stage, most similar first. Both must show the stage at all. */
export function twinsOf(model: Model, taxon: number, stage: Stage, most = 12): Twin[] {
  const { taxa } = model.flora;
  if (!taxa[taxon].calendar[stage]) return [];
  return [...taxa.keys()]
    .filter((t) => t !== taxon && taxa[t].calendar[stage])
    .map((t) => ({ taxon: t, likeness: likeness(model, taxon, t, stage) }))
    .sort((x, y) => y.likeness - x.likeness)
    .slice(0, most);
}

export interface RiskyPair {
  /** the plant that is acted on */
  target: number;
  /** the plant that stays and would be mistaken for it */
  kept: number;
  likeness: number;
  checks: DecidingCheck[];
}

/**
 * Each of these plants that is acted on, with the plants to keep that would most often be mistaken for it at a stage,
 * most similar pair first, and what tells the two apart.
 * @param keptSide 1 for each plant of the flora that stays
 * @param each most kept plants for one target
 */
export function riskiestPairs(
  model: Model,
  taxa: number[],
  keptSide: ArrayLike<number>,
  stage: Stage,
  each = 2,
): RiskyPair[] {
  const { taxa: all } = model.flora;
  const kept = [...all.keys()].filter((t) => keptSide[t] && all[t].calendar[stage]);
  return taxa
    .filter((t) => !keptSide[t] && all[t].calendar[stage])
    .flatMap((target) =>
      kept
        .map((t) => ({ target, kept: t, likeness: likeness(model, target, t, stage) }))
        .sort((x, y) => y.likeness - x.likeness)
        .slice(0, each),
    )
    .map((pair) => ({ ...pair, checks: decidingChecks(model, [pair.target, pair.kept], stage) }))
    .sort((x, y) => y.likeness - x.likeness);
}

/** Whether a leaf is usually cut so finely that the outline of its blade means nothing. */
const isShreds = (model: Model, taxon: number, stage: Stage): boolean =>
  usualState(model, taxon, "leaf-lobes", stage) === "shreds" ||
  usualState(model, taxon, "leaf-kind", stage) === "ferny";

/**
 * Checks that tell these plants apart at a stage: of two plants first those that people wrote, in their order of trust, then
 * most bits for the time. The outline of a blade that is cut to ribbons is left out. Each plant is held for as likely as any other;
 * the bits are the mutual information of plant and answer (Shannon 1948).
 * @param taxa indices of two to four plants
 */
export function decidingChecks(model: Model, taxa: number[], stage: Stage): DecidingCheck[] {
  const { apart, overheadTwins } = model.tuning;
  const found: DecidingCheck[] = [];
  const shreds = taxa.some((t) => isShreds(model, t, stage));
  for (const [c, { id, seconds }] of model.flora.characters.entries()) {
    if (!taxa.every((t) => shows(model, t, c, stage)) || (shreds && OUTLINE.includes(id))) continue;
    const rows = taxa.map((t) => answersAt(model, t, c, STAGES.indexOf(stage)));
    let bits = 0;
    for (let o = 0; o < rows[0].length; o++) {
      const mean = rows.reduce((sum, row) => sum + row[o], 0) / rows.length;
      for (const row of rows) if (row[o] > 0) bits += (row[o] / rows.length) * Math.log2(row[o] / mean);
    }
    if (bits > model.tuning.tellingBits)
      found.push({ character: c, bits, seconds, apart: rows.map((row) => standsApart(row, rows, apart)) });
  }
  const written = writtenChecks(model, taxa, stage);
  const place = ({ character }: DecidingCheck) => {
    const at = written.indexOf(model.flora.characters[character].id);
    return at < 0 ? written.length : at;
  };
  return found.sort(
    (x, y) => place(x) - place(y) || y.bits / (y.seconds + overheadTwins) - x.bits / (x.seconds + overheadTwins),
  );
}

/** True where a plant differs from the mean of the others: of two either both do or none, of four it may be one. */
function standsApart(row: ArrayLike<number>, rows: ArrayLike<number>[], apart: number): boolean {
  const others = rows.filter((other) => other !== row);
  const distance = (other: ArrayLike<number>) =>
    Array.from(row).reduce((sum, p, o) => sum + Math.abs(p - other[o]), 0) / 2;
  return others.reduce((sum, other) => sum + distance(other), 0) >= apart * others.length;
}

/** The best check of each later stage that parts the plants better than any now, and the first day on which all show it. */
export function decidingChecksLater(
  model: Model,
  taxa: number[],
  now: Stage,
  day: string,
  climate: Climate,
): { stage: Stage; from: string; check: DecidingCheck }[] {
  const best = Math.max(0, ...decidingChecks(model, taxa, now).map((p) => p.bits));
  return STAGES.filter((stage) => stage !== now)
    .flatMap((stage) => {
      const [check] = decidingChecks(model, taxa, stage).filter((p) => p.bits > best + model.tuning.tellingBits);
      const from = check
        ? allBegin(
            taxa.map((t) => model.flora.taxa[t]),
            stage,
            day,
            climate,
          )
        : null;
      return from ? [{ stage, from, check }] : [];
    })
    .sort((x, y) => x.from.localeCompare(y.from));
}
