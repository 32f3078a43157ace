import { largestFirst } from "../../stats";
import type { Observation } from "../case/case";
import { crossKept } from "../evidence/cross-evidence";
import type { Model } from "../model/model";
import { type Block, intactShare } from "../posterior/block";
import { conditionShare, type Judgement, type Posterior } from "../posterior/judgement";
import type { Standpoint } from "../verdict/standpoint";

/** At most this many plants, the likeliest, are foreseen: all of the shipped flora; of a flora of thousands fewer, so that it stays quick. */
const mostActive = (model: Model): number =>
  model.flora.taxa.length <= model.tuning.largeFlora ? model.tuning.mostActive : model.tuning.mostActiveLarge;

/** What may stand there, by share, and how it is told apart by what is to be done. */
export interface Hypotheses {
  /** shares of the plants, then of the crosses, and, last, the unknown plant, summing to 1 */
  shares: Float64Array;
  /** the same from the standpoint that is farthest from Clear, and as a verdict of Clear is measured there */
  sharesForAction: Float64Array;
  guarded: Float64Array;
  standpoint: Standpoint;
  /** side of each of `shares`: 0 what is kept and the unknown plant, then one number for each action group */
  sideOf: Int32Array;
  sideCount: number;
  /** what each side holds of `sharesForAction`, and of `guarded` */
  prior: Float64Array;
  guardedPrior: Float64Array;
  scratch: Scratch;
}

export interface ActiveHypotheses extends Hypotheses, PredictedPlants {
  /** answers of one plant that go against the plant ranked first, by character */
  against: Map<number, Observation>;
  /** stages that hold any of the conditions, and what each holds of each plant: row stage, column plant */
  stages: number[];
  stageWeight: Float64Array;
  /** what all of these hold of each plant, nearly 1 */
  weightSum: Float64Array;
  /** the same as `stageWeight`, of what a block that was looked at still proves, by block */
  intactOf: Map<string, Float64Array>;
  share: Float64Array;
  /** the sum of `share`, and what of it each of `stages` holds */
  total: number;
  stageTotal: Float64Array;
}

/** Arrays that foreseeing one character after another is worked out in: made once for all of them. */
interface Scratch {
  rows: Float64Array;
  sums: Float64Array;
  first: Float64Array;
  parts: Float64Array;
  guardedParts: Float64Array;
}

function newScratch(model: Model, plants: number, sides: number): Scratch {
  const answers = model.answers.reduce((a, b) => Math.max(a, b), 0) + 1;
  return {
    rows: new Float64Array(plants * answers),
    sums: new Float64Array(answers),
    first: new Float64Array(answers),
    parts: new Float64Array(answers * sides),
    guardedParts: new Float64Array(answers * sides),
  };
}

/**
 * @param standpoint the condition of Clear that is worked on
 * @param against answers of one plant that go against the plant ranked first
 * @param only these plants alone; left out: all that still fit
 */
export function activeHypotheses(
  judgement: Judgement,
  { standpoint, against }: Pick<ActiveHypotheses, "standpoint" | "against">,
  only?: Set<number>,
): ActiveHypotheses {
  const { local, flat, group, keptSide, guarded: measured } = judgement;
  const highestOf = (t: number) => Math.max(local.taxa[t], flat.taxa[t], measured.local.taxa[t]);
  const taxa = only ? [...only].sort((a, b) => highestOf(b) - highestOf(a)) : likeliestPlants(judgement, highestOf);
  const crosses = [...local.crosses.keys()].filter((x) => local.crosses[x] > judgement.model.tuning.activeShare);
  const names = ["kept"];
  const sideOf = new Int32Array(taxa.length + crosses.length + 1);
  const sideNamed = (name: string) => {
    const known = names.indexOf(name);
    return known >= 0 ? known : names.push(name) - 1;
  };
  taxa.forEach((t, i) => {
    if (!keptSide[t]) sideOf[i] = sideNamed(group[t]);
  });
  crosses.forEach((x, i) => {
    const [a, b] = judgement.model.crosses[x].parents;
    if (!crossKept(judgement, x))
      sideOf[taxa.length + i] = sideNamed(group[a] === group[b] ? group[a] : `${group[a]} × ${group[b]}`);
  });
  const own = Float64Array.from(taxa, (t) => local.taxa[t]);
  const sharesUnder = (p: Posterior) =>
    normalised([...taxa.map((t) => p.taxa[t]), ...crosses.map((x) => p.crosses[x]), p.unknown]);
  const shares = sharesUnder(local);
  const sharesForAction = standpoint.posterior === local ? shares : sharesUnder(standpoint.posterior);
  const guarded = sharesUnder(standpoint.guarded);
  const sides = { sideOf, sideCount: names.length };
  const conditions = likelyConditions(judgement, taxa);
  const stageTotal = Float64Array.from(conditions.stages, (_, s) =>
    own.reduce((sum, one, i) => sum + one * conditions.stageWeight[s * own.length + i], 0),
  );
  return {
    taxa,
    crosses,
    ...conditions,
    intactOf: new Map(),
    share: own,
    total: own.reduce((a, b) => a + b, 0),
    stageTotal,
    shares,
    sharesForAction,
    guarded,
    standpoint,
    against,
    ...sides,
    prior: sumBySide(sides, sharesForAction),
    guardedPrior: sumBySide(sides, guarded),
    scratch: newScratch(judgement.model, shares.length, names.length),
  };
}

function likeliestPlants({ model }: Judgement, highestOf: (t: number) => number): number[] {
  const likely = [...model.taxonLifeForm.keys()].filter((t) => highestOf(t) > model.tuning.activeShare);
  return largestFirst(likely.map(highestOf), mostActive(model)).map((i) => likely[i]);
}

function normalised(values: number[] | Float64Array): Float64Array {
  let total = 0;
  for (const value of values) total += value;
  const shares = new Float64Array(values.length);
  for (let i = 0; i < shares.length; i++) shares[i] = values[i] / total;
  return shares;
}

function likelyConditions(
  judgement: Judgement,
  taxa: number[],
): Pick<ActiveHypotheses, "conditions" | "weights" | "firstOf" | "stages" | "stageWeight" | "weightSum"> {
  const { firstCondition, conditionStage } = judgement.model;
  const conditions: number[] = [];
  const firstOf = [0];
  for (const t of taxa) {
    for (let z = firstCondition[t]; z < firstCondition[t + 1]; z++)
      if (conditionShare(judgement, z) >= judgement.model.tuning.leastCondition) conditions.push(z);
    firstOf.push(conditions.length);
  }
  const weights = Float64Array.from(conditions, (z) => conditionShare(judgement, z));
  const stages = [...new Set(conditions.map((z) => conditionStage[z]))].sort((a, b) => a - b);
  const own = { conditions: Int32Array.from(conditions), firstOf: Int32Array.from(firstOf), stages };
  const stageWeight = byStage(judgement.model, own, weights);
  const weightSum = Float64Array.from(taxa, (_, i) =>
    stages.reduce((sum, _stage, s) => sum + stageWeight[s * taxa.length + i], 0),
  );
  return { ...own, weights, stageWeight, weightSum };
}

/** A value of each condition, summed over those of one stage: row stage, column plant. */
function byStage(
  model: Model,
  { conditions, firstOf, stages }: Pick<ActiveHypotheses, "conditions" | "firstOf" | "stages">,
  values: Float64Array,
): Float64Array {
  const plants = firstOf.length - 1;
  const sums = new Float64Array(stages.length * plants);
  for (let i = 0; i < plants; i++)
    for (let k = firstOf[i]; k < firstOf[i + 1]; k++)
      sums[stages.indexOf(model.conditionStage[conditions[k]]) * plants + i] += values[k];
  return sums;
}

/** What a block that was looked at still proves of each plant at each stage; once for all its characters. */
export function intactByStage({ model }: Judgement, active: ActiveHypotheses, block: Block): Float64Array {
  const known = active.intactOf.get(block.name);
  if (known) return known;
  const sound = byStage(
    model,
    active,
    active.weights.map((weight, k) => weight * intactShare(model, block, active.conditions[k])),
  );
  active.intactOf.set(block.name, sound);
  return sound;
}

/** What each side holds. */
export function sumBySide(
  { sideOf, sideCount }: Pick<Hypotheses, "sideOf" | "sideCount">,
  shares: Float64Array,
): Float64Array {
  const held = new Float64Array(sideCount);
  for (let i = 0; i < shares.length; i++) held[sideOf[i]] += shares[i];
  return held;
}

/** The plants that are foreseen, with their likely conditions: those of the i-th from `firstOf[i]` on, each with its share within its plant. */
export interface PredictedPlants {
  taxa: number[];
  conditions: Int32Array;
  weights: Float64Array;
  firstOf: Int32Array;
  /** crosses that stand high enough to be foreseen */
  crosses: number[];
}
