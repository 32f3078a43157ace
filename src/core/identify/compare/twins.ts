import { allBegin, type Climate, type Stage, STAGES } from "../../flora";
import { answersAt } from "../model/answer-tables";
import type { Model } from "../model/model";
import { usualState } from "../model/usual-look";
import { writtenChecks } from "../model/written-checks";
import { OUTLINE } from "../next/askable";
import { likenesses, shows } from "./likeness";

export interface DecidingCheck {
  character: number;
  /** bits that the answer tells about which of the plants it is, from 0 to log₂ of their number */
  bits: number;
  seconds: number;
  /** of each plant, whether it differs from the others by at least half */
  apart: boolean[];
}

export interface Twin {
  taxon: number;
  likeness: number;
}

/** Plants that would most often be mistaken for this one at a stage, most similar first. Both must show the stage at all. */
export function twinsOf(model: Model, taxon: number, stage: Stage, most = 12): Twin[] {
  const { taxa } = model.flora;
  if (!taxa[taxon].calendar[stage]) return [];
  const alike = likenesses(model, taxon, stage);
  return [...taxa.keys()]
    .filter((t) => t !== taxon && taxa[t].calendar[stage])
    .map((t) => ({ taxon: t, likeness: alike[t] }))
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
    .flatMap((target) => {
      const alike = likenesses(model, target, stage);
      return kept
        .map((t) => ({ target, kept: t, likeness: alike[t] }))
        .sort((x, y) => y.likeness - x.likeness)
        .slice(0, each);
    })
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
