import { InputError } from "../errors";
import type { Case, Observation } from "./case";
import { LIFE_FORMS, STAGES, type Status, STATUSES } from "./flora-types";
import { blockChanceAt } from "./block-chance";
import { crossBlockChance, crossChanceOf, crossPrior, crossStageChance } from "./hybrids";
import { guardKept } from "./guard";
import type { Evidence } from "./evidence";
import { checkTogether, evidenceOf } from "./likelihood";
import { type BaseKnown, baseKnown } from "./missing-part";
import { type Model, scaleWhere } from "./model";
import { dayOfYear, stageShares, stageStatedChance } from "./season";

/** Prior chance that the plant is none of this flora. */
export const UNKNOWN_PRIOR = 0.05;
/**
 * Share of the unknown plant's prior that goes to unlisted relatives of the plants held, the unknowns that are most
 * like a target: in each character they agree with their listed relative as far as plants of one genus do
 * (`model.kinLikeness`), and else are background.
 */
const KIN_SHARE = 0.2;
/** Stage and date may lower a plant's prior by at most this factor. */
const FINDABLE_FLOOR = 0.1;
/** How far a set of places for a plant can lower it. */
const SETTING_FLOOR = 0.15;
const STATUS_WEIGHT: Record<Status, number> = {
  target: 1,
  watch: 0.4,
  tolerated: 0.8,
  kept: 1,
  protected: 0.6,
  crop: 0.8,
};

/**
 * Evidence of one block taken together. All its chances are over the largest that any condition gives (`scale`), so that the
 * product of many blocks stays a number and no logarithm is needed on the way.
 */
export interface Block {
  name: string;
  doubt: number;
  members: number[];
  scale: number;
  /** chance of the block's observations in each condition */
  chance: Float64Array;
  /** what of that is left, by life form, where the block has gone wrong as a whole */
  gone: Float64Array;
  /** chance under the widened background of each life form */
  unknown: Float64Array;
  /** chance for an unlisted relative, in each condition */
  kin: Float64Array;
  /** chance for each cross at each stage */
  cross: Float64Array;
}

/** Share of a block's chance in a condition in which it has not gone wrong as a whole. */
export const soundShare = (model: Model, block: Block, z: number): number =>
  1 - block.gone[model.conditionLifeForm[z]] / block.chance[z];

/** What was worked out for earlier cases under one model, to be used again for the observations that stayed. */
export interface Memory {
  evidence: WeakMap<Observation, { item: Evidence | null; base: BaseKnown }>;
  blocks: Map<string, { items: Evidence[]; block: Block }>;
}

export const newMemory = (): Memory => ({ evidence: new WeakMap(), blocks: new Map() });

/** Everything the engine knows after the observations: chances under both priors, and what later steps need. */
export interface Judgement {
  model: Model;
  case: Case;
  status: Status[];
  group: string[];
  /** 1 where leaving the plant is right: every status but target and watch */
  keptSide: Uint8Array;
  evidence: (Evidence | null)[];
  blocks: Map<string, Block>;
  /** chance of each condition within its plant on this day, before the evidence */
  conditionChance: Float64Array;
  /** likelihood of each condition, evidence and season together, and the same of an unlisted relative, over exp(scaleLog) */
  weight: Float64Array;
  kin: Float64Array;
  /** how likely each plant is to be found at such a place now, in shares: season and setting, without the list */
  foundHere: Float64Array;
  likelihoods: Likelihoods;
  /** chance of each stage of each cross that may stand there, before the evidence */
  crossStage: Float64Array;
  /** what the unknown plant may be, summing to 1: of some life form, or a relative of some plant */
  unknownParts: UnknownParts;
  priorLocal: Float64Array;
  priorFlat: Float64Array;
  local: Posterior;
  flat: Posterior;
  /** the same with what is not recorded for a kept plant never against it: what a verdict of Clear is measured by */
  guarded: { local: Posterior; flat: Posterior };
}

export interface UnknownParts {
  byForm: Float64Array;
  /** relatives, by the plant that they are like */
  kin: Float64Array;
}

/** Likelihoods of all that may stand there, each over exp(scaleLog). */
export interface Likelihoods {
  taxa: Float64Array;
  /** of an unlisted relative of each plant */
  kin: Float64Array;
  /** of an unknown plant of any life form, with states from the widened background, times the share of those among the unknown */
  strangers: number;
  crosses: Float64Array;
  scaleLog: number;
}

/** Log likelihood of one plant. */
export const taxonLog = ({ taxa, scaleLog }: Likelihoods, taxon: number): number => Math.log(taxa[taxon]) + scaleLog;

export interface Posterior {
  taxa: Float64Array;
  /** shares of the crosses, in the order of the model's */
  crosses: Float64Array;
  unknown: number;
  keptSide: number;
}

/**
 * log P(t | obs) = log prior(t) + log Σ_z P(z | t, day, stage) Π_blocks L_b(obs_b | t, z), under the local and a flat prior.
 * @param memory what was worked out for these very observations, under this model
 * @throws {InputError} unknown-character | unknown-state | no-state | no-value | unknown-taxon
 */
export function judge(model: Model, given: Case, memory?: Memory): Judgement {
  checkTogether(given.observations);
  const { status, group } = statuses(model, given);
  const keptSide = new Uint8Array(status.length).map((_, t) =>
    status[t] === "target" || status[t] === "watch" ? 0 : 1,
  );
  const evidence = given.observations.map((observation, i) => {
    const base = baseOf(model, observation, given.observations);
    const known = memory?.evidence.get(observation);
    if (known?.base === base) return known.item;
    const item = evidenceOf(model, observation, i, base);
    memory?.evidence.set(observation, { item, base });
    return item;
  });
  const season = seasonOf(model, given);
  const conditionChance = withoutStagesNotReached(model, given, season.conditionChance);
  const blocks = groupBlocks(model, evidence, memory);
  const weight = conditionChance.slice();
  const kin = conditionChance.slice();
  for (const block of blocks.values()) {
    for (let z = 0; z < weight.length; z++) {
      weight[z] *= block.chance[z];
      kin[z] *= block.kin[z];
    }
  }
  const here = foundHere(model, given, season.findable);
  const byForm = strangersByForm(model, [...blocks.values()]);
  const crossStage = crossStageChance(model, conditionChance);
  const likelihoods = {
    taxa: sumConditions(model, weight),
    kin: sumConditions(model, kin),
    strangers: total(byForm),
    crosses: crossChanceOf(model, crossStage, [...blocks.values()]),
    scaleLog: scaleLogOf(blocks.values()),
  };
  const priorLocal = localPrior(model, given, status, here);
  const priorFlat = new Float64Array(model.flora.taxa.length).fill((1 - UNKNOWN_PRIOR) / model.flora.taxa.length);
  const local = posterior(model, likelihoods, priorLocal, keptSide, here);
  const flat = posterior(model, likelihoods, priorFlat, keptSide);
  const guardedLikelihoods = {
    ...likelihoods,
    taxa: guardKept({ model, keptSide, evidence, blocks, local, flat }, likelihoods.taxa, (z) => weight[z]),
  };
  const guarded = {
    local: posterior(model, guardedLikelihoods, priorLocal, keptSide, here),
    flat: posterior(model, guardedLikelihoods, priorFlat, keptSide),
  };
  return {
    model,
    case: given,
    status,
    group,
    keptSide,
    evidence,
    blocks,
    conditionChance,
    weight,
    kin,
    foundHere: here,
    likelihoods,
    crossStage,
    unknownParts: unknownPartsOf(likelihoods, byForm),
    priorLocal,
    priorFlat,
    local,
    flat,
    guarded,
  };
}

function baseOf(model: Model, observation: Observation, all: Observation[]): BaseKnown {
  const c = model.characterIndex.get(observation.character);
  return c === undefined ? null : baseKnown(model, c, all, true);
}

const scaleLogOf = (blocks: Iterable<Block>): number =>
  [...blocks].reduce((sum, block) => sum + Math.log(block.scale), 0);

/**
 * Both posteriors with some observations left out, as a verdict of Clear is measured by them.
 * @param rest the likelihoods without them
 */
export function guardedWithout(
  judgement: Judgement,
  dropped: Set<number>,
  rest = without(judgement, dropped),
): [Posterior, Posterior] {
  const guarded = { ...rest, taxa: guardKept(judgement, rest.taxa, rest.weightAt, dropped) };
  return underBothPriors(judgement, guarded);
}

/** The local posterior and the flat one, from other likelihoods than the judgement's own. */
export function underBothPriors(
  { model, priorLocal, priorFlat, keptSide, foundHere }: Judgement,
  likelihoods: Likelihoods,
): [Posterior, Posterior] {
  return [
    posterior(model, likelihoods, priorLocal, keptSide, foundHere),
    posterior(model, likelihoods, priorFlat, keptSide),
  ];
}

function statuses(model: Model, given: Case): { status: Status[]; group: string[] } {
  const status = new Array<Status>(model.flora.taxa.length).fill("kept");
  for (const [name, listed] of Object.entries(given.list)) {
    const taxon = model.taxonIndex.get(name);
    if (taxon === undefined) throw new InputError("unknown-taxon", "list", name, "give an accepted name of the flora");
    status[taxon] = listed;
  }
  const names = groupNames(model);
  const group = status.map((s, t) => (names.get(s) as string[])[model.treatmentOf[t]]);
  for (const [name, action] of Object.entries(given.actions)) {
    const taxon = model.taxonIndex.get(name);
    if (taxon !== undefined && action) group[taxon] = action;
  }
  return { status, group };
}

/** Names of the action groups that a district has not named itself, by status and by the place of the treatment; once for a model. */
const groupNamesOf = new WeakMap<Model, Map<Status, string[]>>();

function groupNames(model: Model): Map<Status, string[]> {
  const names =
    groupNamesOf.get(model) ??
    new Map(STATUSES.map((s) => [s, model.treatments.map((treatment) => `${s}: ${treatment}`)]));
  groupNamesOf.set(model, names);
  return names;
}

interface Season {
  conditionChance: Float64Array;
  findable: Float64Array;
}

/** The last season worked out for a model: from one answer to the next the day and the stage stay. */
const lastSeason = new WeakMap<Model, { key: string; season: Season }>();

function seasonOf(model: Model, given: Case): Season {
  const key = `${given.day} ${given.hemisphere} ${given.seasonShift} ${given.stage ?? ""}`;
  const last = lastSeason.get(model);
  if (last?.key === key) return last.season;
  const season = workOutSeason(model, given);
  lastSeason.set(model, { key, season });
  return season;
}

/** Chance of each condition of a plant on this day, and how findable the plant is now, at least the floor. */
function workOutSeason(model: Model, given: Case): Season {
  const yearDay = dayOfYear(given.day, given);
  const stated = STAGES.map((stage) => (given.stage ? stageStatedChance(given.stage, stage) : 1));
  const conditionChance = new Float64Array(model.conditions.length);
  const findable = new Float64Array(model.flora.taxa.length);
  model.flora.taxa.forEach((taxon, t) => {
    const weights = stageShares(taxon, yearDay).map((share, s) => share * stated[s]);
    const total = weights.reduce((a, b) => a + b, 0);
    findable[t] = total;
    for (let z = model.firstCondition[t]; z < model.firstCondition[t + 1]; z++) {
      const { stage, form } = model.conditions[z];
      conditionChance[z] = (weights[stage] / total) * taxon.forms[form].share;
    }
  });
  const best = Math.max(...findable);
  return { conditionChance, findable: findable.map((f) => Math.max(FINDABLE_FLOOR, f / best)) };
}

/** Chance that a scout calls a part not there yet at a stage that shows it. */
const OVERLOOKED_STAGE = 0.1;

/**
 * "Not there yet" says nothing of the plant, but of its stage: the stages that show the part become less likely
 * within each plant, whose own chance stays as it is.
 */
function withoutStagesNotReached(model: Model, given: Case, conditionChance: Float64Array): Float64Array {
  const missing = given.observations
    .flatMap((o) => (o.answer === "not-there-yet" ? [model.characterIndex.get(o.character) ?? -1] : []))
    .filter((c) => c >= 0);
  if (missing.length === 0) return conditionChance;
  const chance = conditionChance.slice();
  for (const c of missing) scaleWhere(model, c, true, chance, OVERLOOKED_STAGE);
  const sums = sumConditions(model, chance);
  for (let z = 0; z < chance.length; z++) chance[z] /= sums[model.conditionTaxon[z]];
  return chance;
}

function groupBlocks(model: Model, evidence: (Evidence | null)[], memory?: Memory): Map<string, Block> {
  const members = new Map<string, number[]>();
  evidence.forEach((item, i) => {
    if (item) members.set(item.block, [...(members.get(item.block) ?? []), i]);
  });
  return new Map(
    [...members].map(([name, list]) => [
      name,
      rememberedBlock(
        model,
        name,
        list.map((i) => evidence[i] as Evidence),
        list,
        memory,
      ),
    ]),
  );
}

function rememberedBlock(model: Model, name: string, items: Evidence[], members: number[], memory?: Memory): Block {
  const known = memory?.blocks.get(name);
  if (known && known.items.length === items.length && known.items.every((item, i) => item === items[i]))
    return { ...known.block, members };
  const block = blockOf(model, name, items, members);
  memory?.blocks.set(name, { items, block });
  return block;
}

/** L_b = (1 − ε) Π P(obs | t, z) + ε Π P₀(obs): a block can go wrong as a whole, so what it proves is bounded. */
export function blockOf(model: Model, name: string, items: Evidence[], members: number[]): Block {
  const doubt = model.flora.blocks[name];
  const gone = Float64Array.from(LIFE_FORMS, (_, form) =>
    items.reduce((product, item) => product * item.background[form], doubt),
  );
  const size = model.conditions.length;
  const chance = new Float64Array(size).fill(1 - doubt);
  const kin = new Float64Array(size).fill(1 - doubt);
  for (const item of items) {
    const likeness = model.kinLikeness[item.character];
    for (let z = 0; z < size; z++) {
      chance[z] *= item.chance[z];
      kin[z] *= likeness * item.chance[z] + (1 - likeness) * item.background[model.conditionLifeForm[z]];
    }
  }
  let scale = 0;
  for (let z = 0; z < size; z++) {
    const wrong = gone[model.conditionLifeForm[z]];
    chance[z] += wrong;
    kin[z] += wrong;
    if (chance[z] > scale) scale = chance[z];
  }
  const per = 1 / scale;
  for (let z = 0; z < size; z++) {
    chance[z] *= per;
    kin[z] *= per;
  }
  const unknown = Float64Array.from(LIFE_FORMS, (_, form) =>
    items.reduce((product, item) => product * (0.7 * item.background[form] + 0.3 * item.even), 1 / scale),
  );
  return {
    name,
    doubt,
    members,
    scale,
    chance,
    gone: gone.map((g) => g / scale),
    unknown,
    kin,
    cross: crossBlockChance(model, doubt, items, scale),
  };
}

/** Log likelihood of one plant with one observation left out: only its block is reckoned again. */
export function taxonLogWithout(judgement: Judgement, taxon: number, observation: number): number {
  const { model, evidence, blocks, weight, likelihoods } = judgement;
  const item = evidence[observation];
  const block = item && blocks.get(item.block);
  if (!block) return taxonLog(likelihoods, taxon);
  const left = block.members.filter((i) => i !== observation).map((i) => evidence[i] as Evidence);
  let sum = 0;
  for (let z = model.firstCondition[taxon]; z < model.firstCondition[taxon + 1]; z++)
    sum += (weight[z] / block.chance[z]) * blockChanceAt(model, block.doubt, left, z);
  return Math.log(sum) + likelihoods.scaleLog - Math.log(block.scale);
}

function sumConditions(model: Model, weight: Float64Array): Float64Array {
  const sums = new Float64Array(model.flora.taxa.length);
  for (let z = 0; z < weight.length; z++) sums[model.conditionTaxon[z]] += weight[z];
  return sums;
}

/** Likelihood of an unknown plant of each life form that is no relative of a plant held, with states from the widened background, times its share of the unknown. */
function strangersByForm(model: Model, blocks: Block[]): Float64Array {
  return Float64Array.from(model.plantsOfForm, (count, form) =>
    blocks.reduce(
      (product, b) => product * b.unknown[form],
      ((1 - KIN_SHARE) * Math.max(count, 0.5)) / model.flora.taxa.length,
    ),
  );
}

/**
 * Likelihood of the unknown plant: a stranger of some life form, or an unlisted relative of a plant held, which keeps most of
 * that plant's states. It keeps to one of these throughout.
 * @param foundHere shares of the plants by which their relatives are as likely to stand here; left out: all alike
 */
export function unknownChance({ kin, strangers }: Likelihoods, foundHere?: Float64Array): number {
  if (!foundHere) return strangers + (total(kin) * KIN_SHARE) / kin.length;
  let here = 0;
  for (let t = 0; t < kin.length; t++) here += kin[t] * foundHere[t];
  return strangers + here * KIN_SHARE;
}

/** What the unknown plant may be, as shares of it. */
function unknownPartsOf(likelihoods: Likelihoods, byForm: Float64Array): UnknownParts {
  const chance = unknownChance(likelihoods);
  return {
    byForm: byForm.map((value) => value / chance),
    kin: likelihoods.kin.map((value) => (value * KIN_SHARE) / likelihoods.kin.length / chance),
  };
}

function total(values: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i];
  return sum;
}

/** Setting × findable now, in shares. */
function foundHere(model: Model, given: Case, findable: Float64Array): Float64Array {
  const observed = new Set(given.observations.map((o) => o.character));
  const settings = Object.entries(given.setting).filter(
    ([character]) => !observed.has(character) && model.characterIndex.has(character),
  );
  const weights = findable.map((now, t) =>
    settings.reduce((weight, [character, states]) => weight * settingWeight(model, t, character, states), now),
  );
  const all = total(weights);
  return weights.map((weight) => weight / all);
}

/** District status × confirmed here × setting × findable now, with a floor for every plant; a newcomer is never ruled out. */
function localPrior(model: Model, given: Case, status: Status[], here: Float64Array): Float64Array {
  const weights = here.map((share, t) => STATUS_WEIGHT[status[t]] * share);
  for (const [name, times] of Object.entries(given.confirmed)) {
    const taxon = model.taxonIndex.get(name);
    if (taxon !== undefined) weights[taxon] *= 1 + Math.log1p(times);
  }
  const floor = 0.02 * (total(weights) / weights.length);
  const floored = weights.map((w) => Math.max(w, floor));
  const all = total(floored);
  return floored.map((w) => ((1 - UNKNOWN_PRIOR) * w) / all);
}

function settingWeight(model: Model, taxon: number, character: string, states: string[]): number {
  const c = model.characterIndex.get(character) as number;
  const score = model.scoresOf[taxon].get(c)?.[0];
  if (!score?.shares) return 0.5;
  const share = states.reduce(
    (sum, id) => sum + (score.shares?.[model.flora.characters[c].states.findIndex((s) => s.id === id)] ?? 0),
    0,
  );
  return SETTING_FLOOR + (1 - SETTING_FLOOR) * share;
}

/**
 * Posterior over the plants, their crosses and the unknown plant, from likelihoods and a prior of the plants.
 * @param foundHere with the local prior: how likely each plant is to be found here now, and an unlisted relative of it as well
 */
export function posterior(
  model: Model,
  likelihoods: Likelihoods,
  prior: Float64Array,
  keptSide: Uint8Array,
  foundHere?: Float64Array,
): Posterior {
  const unknown = unknownChance(likelihoods, foundHere) * UNKNOWN_PRIOR;
  const taxa = likelihoods.taxa.slice();
  const crosses = likelihoods.crosses.slice();
  let all = unknown;
  for (let t = 0; t < taxa.length; t++) all += taxa[t] *= prior[t];
  for (let x = 0; x < crosses.length; x++) all += crosses[x] *= crossPrior(prior, model.crosses[x]);
  let kept = unknown / all;
  for (let t = 0; t < taxa.length; t++) {
    taxa[t] /= all;
    if (keptSide[t]) kept += taxa[t];
  }
  for (let x = 0; x < crosses.length; x++) {
    crosses[x] /= all;
    const [a, b] = model.crosses[x].parents;
    if (keptSide[a] || keptSide[b]) kept += crosses[x];
  }
  return { taxa, crosses, unknown: unknown / all, keptSide: kept };
}

/**
 * Likelihoods with some observations left out: whole blocks or single observations. Only what a changed block said is taken
 * out and said anew.
 * @param dropped indices of the observations left out
 * @returns also `weightAt`, the likelihood of a condition
 */
export function without(judgement: Judgement, dropped: Set<number>): Likelihoods & { weightAt: (z: number) => number } {
  const { model, weight, kin } = judgement;
  const blocks: Block[] = [];
  const changed: { was: Block; now: Block | null }[] = [];
  for (const block of judgement.blocks.values()) {
    const left = block.members.filter((i) => !dropped.has(i));
    const now =
      left.length === block.members.length
        ? block
        : left.length > 0
          ? blockOf(
              model,
              block.name,
              left.map((i) => judgement.evidence[i] as Evidence),
              left,
            )
          : null;
    if (now !== block) changed.push({ was: block, now });
    if (now) blocks.push(now);
  }
  const left = weight.slice();
  const ofKin = kin.slice();
  for (const { was, now } of changed) {
    for (let z = 0; z < left.length; z++) {
      left[z] *= (now ? now.chance[z] : 1) / was.chance[z];
      ofKin[z] *= (now ? now.kin[z] : 1) / was.kin[z];
    }
  }
  return {
    taxa: sumConditions(model, left),
    kin: sumConditions(model, ofKin),
    strangers: total(strangersByForm(model, blocks)),
    crosses: crossChanceOf(model, judgement.crossStage, blocks),
    scaleLog: scaleLogOf(blocks),
    weightAt: (z) => left[z],
  };
}

/** Share of a condition within its plant, after the evidence. */
export const conditionShare = ({ model, weight, likelihoods }: Judgement, z: number): number =>
  weight[z] / likelihoods.taxa[model.conditionTaxon[z]];

/** The stage that a plant, if it is this one, most likely stands in. */
export function likeliestStage(judgement: Judgement, taxon: number): (typeof STAGES)[number] {
  const { model, weight } = judgement;
  let best = model.firstCondition[taxon];
  for (let z = best; z < model.firstCondition[taxon + 1]; z++) if (weight[z] > weight[best]) best = z;
  return STAGES[model.conditions[best].stage];
}
