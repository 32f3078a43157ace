import { InputError } from "../../errors";
import { type Character, LIFE_FORMS, STAGES } from "../../flora";
import type { Observation } from "../case/case";
import { type FourPoints, minimumWidth, quantile } from "../model/measures";
import type { Model } from "../model/model";
import { blur, confusionTable } from "../model/observer";
import { scoreFor } from "../model/scores";
import type { Evidence } from "./evidence";
import { combineStates, namedStates } from "./state";

/** The answers of a comparative character, in this order: the plant beside the one that is named. */
export const COMPARED = ["less", "same", "more"] as const;

interface Compared {
  /** index of the measured character that is compared */
  base: number;
  /** chance of each answer in each condition: row condition, column answer */
  rows: Float64Array;
  background: Float64Array;
}

/**
 * A look at two plants side by side: taller than the oats, narrower in the blade than the fescue beside it.
 * P(answer | t) = Σ over what t and the other plant may measure, the two drawn apart from each other.
 * @returns null where the flora does not say how the other plant measures: the look then says nothing
 * @throws {InputError} no-other-plant | unknown-taxon
 */
export function compare(model: Model, c: number, observation: Observation, field: string): Compared | null {
  const character = model.flora.characters[c];
  if (!observation.against)
    throw new InputError(
      "no-other-plant",
      `${field}.against`,
      observation.against,
      `name the plant next to it: ${character.id} compares two`,
    );
  const other = model.taxonIndex.get(observation.against);
  if (other === undefined)
    throw new InputError(
      "unknown-taxon",
      `${field}.against`,
      observation.against,
      "give an accepted name of the flora",
    );
  const base = model.characterIndex.get(character.compares as string) as number;
  const n = COMPARED.length;
  const confusion = confusionTable(character, model.observerError, observation.sure, model.tuning);
  const samples = new Map<string, number[] | null>();
  const samplesOf = (taxon: number, stage: number, form: number): number[] | null => {
    const key = `${taxon} ${stage} ${form}`;
    const known = samples.get(key);
    if (known !== undefined) return known;
    const points = scoreFor(
      model,
      taxon,
      base,
      STAGES[stage],
      observation.position,
      model.flora.taxa[taxon].forms[form].id,
    )?.points;
    const made = points
      ? sample(points, minimumWidth(model.flora.characters[base].kind, model.tuning), model.tuning.comparedSamples)
      : null;
    samples.set(key, made);
    return made;
  };
  const rows = new Float64Array(model.conditions.length * n);
  const sums = LIFE_FORMS.map(() => new Float64Array(n).fill(1));
  const recorded: boolean[] = [];
  for (let z = 0; z < model.conditions.length; z++) {
    const { taxon, stage, form } = model.conditions[z];
    const [own, beside] = [samplesOf(taxon, stage, form), samplesOf(other, stage, 0)];
    recorded[z] = own !== null && beside !== null;
    if (!own || !beside) continue;
    const chances = blur(chancesOf(own, beside, model.tuning.sameRatio), confusion);
    rows.set(chances, z * n);
    for (let o = 0; o < n; o++) sums[model.conditionLifeForm[z]][o] += chances[o];
  }
  if (!recorded.some(Boolean)) return null;
  const background = Float64Array.from(
    sums.flatMap((sum) => [...sum].map((value) => value / sum.reduce((a, b) => a + b, 0))),
  );
  for (let z = 0; z < recorded.length; z++)
    if (!recorded[z])
      rows.set(background.subarray(model.conditionLifeForm[z] * n, model.conditionLifeForm[z] * n + n), z * n);
  return { base, rows, background };
}

const sample = (points: FourPoints, width: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => Math.max(1e-6, quantile(points, (i + 0.5) / count, width)));

function chancesOf(own: number[], beside: number[], sameRatio: number): number[] {
  const counts = [0, 0, 0];
  for (const a of own) for (const b of beside) counts[a * sameRatio < b ? 0 : a > b * sameRatio ? 2 : 1]++;
  return counts.map((count) => count / (own.length * beside.length));
}

export function comparativeEvidence(model: Model, c: number, observation: Observation, field: string): Evidence | null {
  const character: Character = model.flora.characters[c];
  const named = namedStates(model, c, observation, field);
  const compared = compare(model, c, observation, field);
  if (!compared) return null;
  const n = COMPARED.length;
  const combine = (rows: ArrayLike<number>, from: number) =>
    Math.max(1e-9, combineStates(rows, from, named, observation));
  return {
    character: compared.base,
    block: character.block,
    chance: Float64Array.from(model.conditions, (_, z) => combine(compared.rows, z * n)),
    background: Float64Array.from(LIFE_FORMS, (_, form) => combine(compared.background, form * n)),
    even: combine(new Float64Array(n).fill(1 / n), 0),
  };
}
