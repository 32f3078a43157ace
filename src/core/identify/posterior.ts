import { InputError } from "../errors";
import type { Case, Observation } from "./case";
import { LIFE_FORMS, STAGES, type Status } from "./flora-types";
import { blockLogAt, logSum } from "./block-log";
import { crossBlockLog, crossLogOf, crossPrior, crossStageLog } from "./hybrids";
import { guardKept } from "./guard";
import type { Evidence } from "./evidence";
import { checkTogether, evidenceOf } from "./likelihood";
import { type Model, seenIn } from "./model";
import { dayOfYear, stageShares, stageStatedChance } from "./season";

/** Prior chance that the plant is none of this flora. */
export const UNKNOWN_PRIOR = 0.05;
/**
 * Share of the unknown plant's prior that goes to unlisted relatives of the plants held, the unknowns that are most
 * like a target: in each character they agree with their listed relative as far as plants of one genus do
 * (`model.kinLikeness`), and else are background.
 */
const KIN_SHARE = 0.35;
/** Stage and date may lower a plant's prior by at most this factor. */
const FINDABLE_FLOOR = 0.1;
/** How far a set of places for a plant can lower it. */
const SETTING_FLOOR = 0.15;
const STATUS_WEIGHT: Record<Status, number> = { target: 1, watch: 0.4, tolerated: 0.8, kept: 1, protected: 0.6, crop: 0.8 };

/** Evidence of one block taken together. */
interface Block {
  name: string;
  doubt: number;
  members: number[];
  /** log chance of the block's observations in each condition */
  log: Float64Array;
  /** share of that chance in which the block has not gone wrong as a whole */
  soundShare: Float64Array;
  /** log chance under the widened background of each life form */
  logUnknown: Float64Array;
  /** log chance for an unlisted relative, in each condition */
  logKin: Float64Array;
  /** log chance for each cross at each stage */
  logCross: Float64Array;
}

/** What was worked out for earlier cases under one model, to be used again for the observations that stayed. */
export interface Memory {
  evidence: WeakMap<Observation, Evidence | null>;
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
  conditionLog: Float64Array;
  /** log likelihood of each condition, evidence and season together */
  log: Float64Array;
  taxonLog: Float64Array;
  unknownLog: number;
  /** log likelihood of each cross that may stand there, and log chance of each of its stages before the evidence */
  crossLog: Float64Array;
  crossStage: Float64Array;
  /** log likelihood of an unlisted relative in each condition */
  kin: Float64Array;
  /** what the unknown plant may be, summing to 1: of some life form, or a relative of some plant */
  unknownParts: UnknownParts;
  /** share of each condition within its plant, after the evidence */
  conditionShare: Float64Array;
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

/** Log likelihoods of all that may stand there. */
export type Likelihoods = Pick<Judgement, "taxonLog" | "unknownLog" | "crossLog" | "log">;

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
  const keptSide = Uint8Array.from(status, (s) => (s === "target" || s === "watch" ? 0 : 1));
  const evidence = given.observations.map((observation, i) => {
    const known = memory?.evidence.get(observation);
    if (known !== undefined) return known;
    const item = evidenceOf(model, observation, i);
    memory?.evidence.set(observation, item);
    return item;
  });
  const season = seasonOf(model, given);
  const conditionLog = withoutStagesNotReached(model, given, season.conditionLog);
  const blocks = groupBlocks(model, evidence, memory);
  const log = conditionLog.slice();
  for (const block of blocks.values()) for (let z = 0; z < log.length; z++) log[z] += block.log[z];
  const taxonLog = sumConditions(model, log);
  const conditionShare = new Float64Array(log.length);
  for (let z = 0; z < log.length; z++) conditionShare[z] = Math.exp(log[z] - taxonLog[model.conditionTaxon[z]]);
  const kin = conditionLog.slice();
  for (const block of blocks.values()) for (let z = 0; z < kin.length; z++) kin[z] += block.logKin[z];
  const unknown = unknownLikelihood(model, kin, [...blocks.values()]);
  const unknownLog = unknown.log;
  const priorLocal = localPrior(model, given, status, season.findable);
  const priorFlat = new Float64Array(model.flora.taxa.length).fill((1 - UNKNOWN_PRIOR) / model.flora.taxa.length);
  const crossStage = crossStageLog(model, conditionLog);
  const crossLog = crossLogOf(model, crossStage, [...blocks.values()]);
  const likelihoods = { taxonLog, unknownLog, crossLog, log };
  const local = posterior(model, likelihoods, priorLocal, keptSide);
  const flat = posterior(model, likelihoods, priorFlat, keptSide);
  const guardedLikelihoods = { ...likelihoods, taxonLog: guardKept({ model, keptSide, evidence, blocks, local, flat }, likelihoods) };
  const guarded = { local: posterior(model, guardedLikelihoods, priorLocal, keptSide), flat: posterior(model, guardedLikelihoods, priorFlat, keptSide) };
  return { model, case: given, status, group, keptSide, evidence, blocks, conditionLog, log, taxonLog, unknownLog, crossLog, crossStage, kin, unknownParts: unknown.parts, conditionShare, priorLocal, priorFlat, local, flat, guarded };
}

/** Both posteriors with some observations left out, as a verdict of Clear is measured by them. */
export function guardedWithout(judgement: Judgement, dropped: Set<number>): [Posterior, Posterior] {
  const rest = without(judgement, dropped);
  const guarded = { ...rest, taxonLog: guardKept(judgement, rest, dropped) };
  return [judgement.priorLocal, judgement.priorFlat].map((prior) => posterior(judgement.model, guarded, prior, judgement.keptSide)) as [Posterior, Posterior];
}

function statuses(model: Model, given: Case): { status: Status[]; group: string[] } {
  for (const name of Object.keys(given.list)) if (!model.taxonIndex.has(name)) throw new InputError("unknown-taxon", "list", name, "give an accepted name of the flora");
  const status = model.flora.taxa.map((t) => given.list[t.name] ?? "kept");
  const group = model.flora.taxa.map((t, i) => {
    if (given.actions[t.name]) return given.actions[t.name];
    const persists = t.sprouts.length > 0 || t.fragments !== "none" ? "resprouts" : "from seed";
    return `${status[i]}: ${t.lifeForm}, ${t.cycle}, ${persists}`;
  });
  return { status, group };
}

interface Season {
  conditionLog: Float64Array;
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
  const conditionLog = new Float64Array(model.conditions.length);
  const findable = new Float64Array(model.flora.taxa.length);
  model.flora.taxa.forEach((taxon, t) => {
    const weights = stageShares(taxon, yearDay).map((share, s) => share * stated[s]);
    const total = weights.reduce((a, b) => a + b, 0);
    findable[t] = total;
    for (let z = model.firstCondition[t]; z < model.firstCondition[t + 1]; z++) {
      const { stage, form } = model.conditions[z];
      conditionLog[z] = Math.log((weights[stage] / total) * taxon.forms[form].share);
    }
  });
  const best = Math.max(...findable);
  return { conditionLog, findable: findable.map((f) => Math.max(FINDABLE_FLOOR, f / best)) };
}

/** Chance that a scout calls a part not there yet at a stage that shows it. */
const OVERLOOKED_STAGE = 0.1;

/**
 * "Not there yet" says nothing of the plant, but of its stage: the stages that show the part become less likely
 * within each plant, whose own chance stays as it is.
 */
function withoutStagesNotReached(model: Model, given: Case, conditionLog: Float64Array): Float64Array {
  const missing = given.observations.flatMap((o) => (o.answer === "not-there-yet" ? [model.characterIndex.get(o.character) ?? -1] : [])).filter((c) => c >= 0);
  if (missing.length === 0) return conditionLog;
  const log = conditionLog.slice();
  for (let z = 0; z < log.length; z++) for (const c of missing) if (seenIn(model, z, c)) log[z] += Math.log(OVERLOOKED_STAGE);
  const sums = sumConditions(model, log);
  for (let z = 0; z < log.length; z++) log[z] -= sums[model.conditionTaxon[z]];
  return log;
}

function groupBlocks(model: Model, evidence: (Evidence | null)[], memory?: Memory): Map<string, Block> {
  const members = new Map<string, number[]>();
  evidence.forEach((item, i) => {
    if (item) members.set(item.block, [...(members.get(item.block) ?? []), i]);
  });
  return new Map([...members].map(([name, list]) => [name, rememberedBlock(model, name, list.map((i) => evidence[i] as Evidence), list, memory)]));
}

function rememberedBlock(model: Model, name: string, items: Evidence[], members: number[], memory?: Memory): Block {
  const known = memory?.blocks.get(name);
  if (known && known.items.length === items.length && known.items.every((item, i) => item === items[i])) return { ...known.block, members };
  const block = blockOf(model, name, items, members);
  memory?.blocks.set(name, { items, block });
  return block;
}

/** L_b = (1 − ε) Π P(obs | t, z) + ε Π P₀(obs): a block can go wrong as a whole, so what it proves is bounded. */
export function blockOf(model: Model, name: string, items: Evidence[], members: number[]): Block {
  const doubt = model.flora.blocks[name];
  const gone = Float64Array.from(LIFE_FORMS, (_, form) => items.reduce((product, item) => product * item.background[form], doubt));
  const size = model.conditions.length;
  const sound = new Float64Array(size).fill(1 - doubt);
  const kin = new Float64Array(size).fill(1 - doubt);
  for (const { chance, background, character } of items) {
    const likeness = model.kinLikeness[character];
    for (let z = 0; z < size; z++) {
      sound[z] *= chance[z];
      kin[z] *= likeness * chance[z] + (1 - likeness) * background[model.conditionLifeForm[z]];
    }
  }
  const log = new Float64Array(size);
  for (let z = 0; z < size; z++) {
    const wrong = gone[model.conditionLifeForm[z]];
    const total = sound[z] + wrong;
    log[z] = Math.log(total);
    kin[z] = Math.log(kin[z] + wrong);
    sound[z] /= total;
  }
  const logUnknown = Float64Array.from(LIFE_FORMS, (_, form) => items.reduce((sum, item) => sum + Math.log(0.7 * item.background[form] + 0.3 * item.even), 0));
  return { name, doubt, members, log, soundShare: sound, logUnknown, logKin: kin, logCross: crossBlockLog(model, doubt, items) };
}

/** Log likelihood of one plant with one observation left out: only its block is reckoned again. */
export function taxonLogWithout(judgement: Judgement, taxon: number, observation: number): number {
  const { model, evidence, blocks, log } = judgement;
  const item = evidence[observation];
  const block = item && blocks.get(item.block);
  if (!block) return judgement.taxonLog[taxon];
  const left = block.members.filter((i) => i !== observation).map((i) => evidence[i] as Evidence);
  const [from, to] = [model.firstCondition[taxon], model.firstCondition[taxon + 1]];
  const own = Array.from({ length: to - from }, (_, k) => log[from + k] - block.log[from + k] + blockLogAt(model, block.doubt, left, from + k));
  return logSum(own, 0, own.length);
}

function sumConditions(model: Model, log: Float64Array): Float64Array {
  const sums = new Float64Array(model.flora.taxa.length);
  for (let t = 0; t < sums.length; t++) sums[t] = logSum(log, model.firstCondition[t], model.firstCondition[t + 1]);
  return sums;
}

/**
 * The unknown plant: of some life form with states from the widened background, or an unlisted relative of a
 * plant held, which keeps most of that plant's states. It keeps to one of these throughout.
 */
function unknownLikelihood(model: Model, kin: Float64Array, blocks: Block[]): { log: number; parts: UnknownParts } {
  const counts = new Float64Array(LIFE_FORMS.length);
  for (const form of model.taxonLifeForm) counts[form]++;
  const n = model.flora.taxa.length;
  const formLog = Float64Array.from(counts, (count, form) => Math.log(((1 - KIN_SHARE) * Math.max(count, 0.5)) / n) + blocks.reduce((sum, b) => sum + b.logUnknown[form], 0));
  const kinLog = sumConditions(model, kin).map((value) => value + Math.log(KIN_SHARE / n));
  const all = [...formLog, ...kinLog];
  const log = logSum(all, 0, all.length);
  const share = (value: number) => Math.exp(value - log);
  return { log, parts: { byForm: formLog.map(share), kin: kinLog.map(share) } };
}

/** District status × confirmed here × setting × findable now, with a floor for every plant; a newcomer is never ruled out. */
function localPrior(model: Model, given: Case, status: Status[], findable: Float64Array): Float64Array {
  const observed = new Set(given.observations.map((o) => o.character));
  const settings = Object.entries(given.setting).filter(([character]) => !observed.has(character) && model.characterIndex.has(character));
  const weights = model.flora.taxa.map((taxon, t) => {
    let weight = STATUS_WEIGHT[status[t]] * (1 + Math.log1p(given.confirmed[taxon.name] ?? 0)) * findable[t];
    for (const [character, states] of settings) weight *= settingWeight(model, t, character, states);
    return weight;
  });
  const floor = 0.02 * (weights.reduce((a, b) => a + b, 0) / weights.length);
  const total = weights.reduce((a, b) => a + Math.max(b, floor), 0);
  return Float64Array.from(weights, (w) => ((1 - UNKNOWN_PRIOR) * Math.max(w, floor)) / total);
}

function settingWeight(model: Model, taxon: number, character: string, states: string[]): number {
  const c = model.characterIndex.get(character) as number;
  const score = model.scoresOf[taxon].get(c)?.[0];
  if (!score?.shares) return 0.5;
  const share = states.reduce((sum, id) => sum + (score.shares?.[model.flora.characters[c].states.findIndex((s) => s.id === id)] ?? 0), 0);
  return SETTING_FLOOR + (1 - SETTING_FLOOR) * share;
}

/** Posterior over the plants, their crosses and the unknown plant, from log likelihoods and a prior of the plants. */
export function posterior(model: Model, { taxonLog, unknownLog, crossLog }: Likelihoods, prior: Float64Array, keptSide: Uint8Array): Posterior {
  const unknown = unknownLog + Math.log(UNKNOWN_PRIOR);
  const taxa = taxonLog.map((log, t) => log + Math.log(prior[t]));
  const crosses = crossLog.map((log, x) => log + Math.log(crossPrior(prior, model.crosses[x])));
  const max = Math.max(unknown, largest(taxa), largest(crosses));
  const rest = Math.exp(unknown - max);
  let total = rest;
  for (const shares of [taxa, crosses]) {
    for (let i = 0; i < shares.length; i++) {
      shares[i] = Math.exp(shares[i] - max);
      total += shares[i];
    }
  }
  let kept = rest / total;
  for (let t = 0; t < taxa.length; t++) {
    taxa[t] /= total;
    if (keptSide[t]) kept += taxa[t];
  }
  for (let x = 0; x < crosses.length; x++) {
    crosses[x] /= total;
    const [a, b] = model.crosses[x].parents;
    if (keptSide[a] || keptSide[b]) kept += crosses[x];
  }
  return { taxa, crosses, unknown: rest / total, keptSide: kept };
}

const largest = (values: Float64Array): number => values.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY);

/**
 * Log likelihoods with some observations left out: whole blocks or single observations.
 * @param dropped indices of the observations left out
 */
export function without(judgement: Judgement, dropped: Set<number>): Likelihoods {
  const { model } = judgement;
  const log = judgement.log.slice();
  const kin = judgement.kin.slice();
  const blocks: Block[] = [];
  for (const block of judgement.blocks.values()) {
    const left = block.members.filter((i) => !dropped.has(i));
    if (left.length === block.members.length) {
      blocks.push(block);
      continue;
    }
    // Only what a changed block said is taken out again and said anew.
    const kept = left.length > 0 ? blockOf(model, block.name, left.map((i) => judgement.evidence[i] as Evidence), left) : null;
    for (let z = 0; z < log.length; z++) {
      log[z] += (kept ? kept.log[z] : 0) - block.log[z];
      kin[z] += (kept ? kept.logKin[z] : 0) - block.logKin[z];
    }
    if (kept) blocks.push(kept);
  }
  return { taxonLog: sumConditions(model, log), log, unknownLog: unknownLikelihood(model, kin, blocks).log, crossLog: crossLogOf(model, judgement.crossStage, blocks) };
}

/** The stage that a plant, if it is this one, most likely stands in. */
export function likeliestStage(judgement: Judgement, taxon: number): (typeof STAGES)[number] {
  const { model, conditionShare } = judgement;
  let best = model.firstCondition[taxon];
  for (let z = best; z < model.firstCondition[taxon + 1]; z++) if (conditionShare[z] > conditionShare[best]) best = z;
  return STAGES[model.conditions[best].stage];
}
