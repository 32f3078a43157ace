import { largestFirst } from "../../stats";
import { crossKept } from "../evidence/cross-evidence";
import type { Model } from "../model/model";
import { type Block, soundShare } from "../posterior/block";
import { conditionShare, type Judgement, type Posterior } from "../posterior/judgement";
import { farthestFromClear, type Standpoint } from "../verdict/standpoint";
import type { Foreseen } from "./look-at-second-plant";

/** Plants below this share in both rankings do not count in foreseeing answers. */
const ACTIVE_SHARE = 2e-4;

/** At most this many plants, the likeliest, are foreseen: all of the shipped flora; of a flora of thousands fewer, so that it stays quick. */
const mostActive = (model: Model): number => (model.flora.taxa.length <= 800 ? 400 : 100);

/** Share of a plant's conditions below which one is not foreseen. */
const LEAST_CONDITION = 1e-3;

/** What may stand there, by share, and how it is parted by what is to be done. */
export interface Standing {
  /** shares of the plants, then of the crosses, and, last, the unknown plant, summing to 1 */
  shares: Float64Array;
  /** the same from the standpoint that is farthest from Clear, and as a verdict of Clear is measured there */
  sided: Float64Array;
  guarded: Float64Array;
  standpoint: Standpoint;
  /** side of each of `shares`: 0 what is kept and the unknown plant, then one number for each action group */
  parted: Int32Array;
  partitions: number;
  /** what each side holds of `sided`, and of `guarded` */
  prior: Float64Array;
  guardedPrior: Float64Array;
  desk: Desk;
}

export interface Active extends Standing, Foreseen {
  /** stages that hold any of the conditions, and what each holds of each plant: row stage, column plant */
  stages: number[];
  stageWeight: Float64Array;
  /** what all of these hold of each plant, nearly 1 */
  weightSum: Float64Array;
  /** the same as `stageWeight`, of what a block that was looked at still proves, by block */
  soundOf: Map<string, Float64Array>;
  share: Float64Array;
  /** the sum of `share`, and what of it each of `stages` holds */
  total: number;
  stageTotal: Float64Array;
}

/** Arrays that foreseeing one character after another is worked out in: made once for all of them. */
interface Desk {
  rows: Float64Array;
  sums: Float64Array;
  first: Float64Array;
  parts: Float64Array;
  guardedParts: Float64Array;
}

function newDesk(model: Model, plants: number, partitions: number): Desk {
  const answers = model.answers.reduce((a, b) => Math.max(a, b), 0) + 1;
  return {
    rows: new Float64Array(plants * answers),
    sums: new Float64Array(answers),
    first: new Float64Array(answers),
    parts: new Float64Array(answers * partitions),
    guardedParts: new Float64Array(answers * partitions),
  };
}

/**
 * @param only these plants alone
 * @param standpoint where it is known from before
 */
export function activePlants(
  judgement: Judgement,
  only?: Set<number>,
  standpoint = farthestFromClear(judgement),
): Active {
  const { local, flat, group, keptSide, guarded: measured } = judgement;
  const highestOf = (t: number) => Math.max(local.taxa[t], flat.taxa[t], measured.local.taxa[t]);
  const taxa = only ? [...only].sort((a, b) => highestOf(b) - highestOf(a)) : likeliestPlants(judgement, highestOf);
  const crosses = [...local.crosses.keys()].filter((x) => local.crosses[x] > ACTIVE_SHARE);
  const names = ["kept"];
  const parted = new Int32Array(taxa.length + crosses.length + 1);
  const sideOf = (name: string) => {
    const known = names.indexOf(name);
    return known >= 0 ? known : names.push(name) - 1;
  };
  taxa.forEach((t, i) => {
    if (!keptSide[t]) parted[i] = sideOf(group[t]);
  });
  crosses.forEach((x, i) => {
    const [a, b] = judgement.model.crosses[x].parents;
    if (!crossKept(judgement, x))
      parted[taxa.length + i] = sideOf(group[a] === group[b] ? group[a] : `${group[a]} × ${group[b]}`);
  });
  const own = Float64Array.from(taxa, (t) => local.taxa[t]);
  const sharesUnder = (p: Posterior) =>
    normalised([...taxa.map((t) => p.taxa[t]), ...crosses.map((x) => p.crosses[x]), p.unknown]);
  const shares = sharesUnder(local);
  const sided = standpoint.posterior === local ? shares : sharesUnder(standpoint.posterior);
  const guarded = sharesUnder(standpoint.guarded);
  const sides = { parted, partitions: names.length };
  const conditions = likelyConditions(judgement, taxa);
  const stageTotal = Float64Array.from(conditions.stages, (_, s) =>
    own.reduce((sum, one, i) => sum + one * conditions.stageWeight[s * own.length + i], 0),
  );
  return {
    taxa,
    crosses,
    ...conditions,
    soundOf: new Map(),
    share: own,
    total: own.reduce((a, b) => a + b, 0),
    stageTotal,
    shares,
    sided,
    guarded,
    standpoint,
    ...sides,
    prior: heldBy(sides, sided),
    guardedPrior: heldBy(sides, guarded),
    desk: newDesk(judgement.model, shares.length, names.length),
  };
}

function likeliestPlants({ model }: Judgement, highestOf: (t: number) => number): number[] {
  const likely = [...model.taxonLifeForm.keys()].filter((t) => highestOf(t) > ACTIVE_SHARE);
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
): Pick<Active, "conditions" | "weights" | "firstOf" | "stages" | "stageWeight" | "weightSum"> {
  const { firstCondition, conditionStage } = judgement.model;
  const conditions: number[] = [];
  const firstOf = [0];
  for (const t of taxa) {
    for (let z = firstCondition[t]; z < firstCondition[t + 1]; z++)
      if (conditionShare(judgement, z) >= LEAST_CONDITION) conditions.push(z);
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
  { conditions, firstOf, stages }: Pick<Active, "conditions" | "firstOf" | "stages">,
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
export function soundByStage({ model }: Judgement, active: Active, block: Block): Float64Array {
  const known = active.soundOf.get(block.name);
  if (known) return known;
  const sound = byStage(
    model,
    active,
    active.weights.map((weight, k) => weight * soundShare(model, block, active.conditions[k])),
  );
  active.soundOf.set(block.name, sound);
  return sound;
}

/** What each side holds. */
export function heldBy(
  { parted, partitions }: Pick<Standing, "parted" | "partitions">,
  shares: Float64Array,
): Float64Array {
  const held = new Float64Array(partitions);
  for (let i = 0; i < shares.length; i++) held[parted[i]] += shares[i];
  return held;
}

/** What was worked out to foresee the checks of a judgement, for the orders that follow them further. */
export const foreseen = new WeakMap<Judgement, Active>();
