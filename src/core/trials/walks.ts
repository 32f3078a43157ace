import { isTarget, type LifeForm, type Stage, type Status } from "../flora";
import {
  type Case,
  type Check,
  decide,
  predictChecks,
  judge,
  type Judgement,
  type Model,
  mostlyCarried,
  newMemory,
  ruledOut,
  towardsAction,
  towardsName,
  type Verdict,
  withSecondPlant,
  placeCharacters,
  looksBeforeClear,
  gateOf,
  isSettled,
  stageStatedChance,
  statedStages,
  caseAt,
} from "../identify";
import { type Chance, seededChance } from "../random";
import { drawDay, SimulatedPlant, Scout } from "../simulate";
import { argMax } from "../stats";
import { isSeparable } from "./separable";

export const NAME_CHECKS = 12;
export const MOST_CHECKS = 25;
/** What saying where a plant stands takes, all in one. */
const PLACE_SECONDS = 10;
/** Share of walks at each stage, where the plant has it. */
export const STAGE_MIX: Record<Stage, number> = {
  seedling: 0.1,
  vegetative: 0.4,
  flowering: 0.25,
  fruiting: 0.2,
  winter: 0.05,
};

export interface TrialList {
  id: string;
  status: Record<string, Status>;
  actions: Record<string, string>;
}

/** Where a walk begins: plant, stage, day and district. */
export interface Start {
  set: string;
  taxon: number;
  stage: Stage;
  /** of a plant at two stages at once: the other one */
  also?: Stage;
  day: string;
  list: TrialList;
  seed: number;
}

/**
 * fixed: a fixed order printed as a sheet for each kind of plant, without what that kind cannot carry; one: one order for all
 * plants, of which only what cannot be asked is skipped; fitted: the sheets, but of them what most of what still fits carries,
 * which nobody knows without an engine.
 */
export type Order = "engine" | "bits" | "random" | "fixed" | "one" | "fitted";

export interface NameWalk {
  start: Start;
  /** rank of the truth under the flat prior; null of a plant that was taken out of the flora */
  rank: number | null;
  /** after 1 to 8 checks: the chance that the Bench gives the plant ranked first, and whether it was right */
  confidence: { probability: number; right: boolean; brier: number }[];
}

export interface ActionWalk {
  start: Start;
  verdict: Verdict;
  /** accepted name of the plant that was cleared; null where none was */
  cleared: string | null;
  group: string | null;
  checks: number;
  seconds: number;
  truthGroup: string;
  truthKept: boolean;
  /** false where no looks could settle it at this stage; null of a plant that was taken out of the flora */
  separable: boolean | null;
  /** of a plant that was taken out: whether the district keeps it */
  keptHere?: boolean;
  /** of such a plant: whether it was cleared as one that it is listed with, as a plant that people take for it */
  clearedAsTwin?: boolean;
}

/** Stages that stand side by side on one plant: seed leaves below true ones, flowers beside ripe fruit, last year's stems beside new shoots. */
const BESIDE: Record<Stage, Stage[]> = {
  seedling: ["vegetative"],
  vegetative: ["flowering", "winter"],
  flowering: ["fruiting", "vegetative"],
  fruiting: ["flowering", "winter"],
  winter: ["vegetative", "fruiting"],
};

/** Draws the start of a walk: the plant uniformly within a set, the stage by the mix or as given. */
export function drawStart(
  model: Model,
  lists: TrialList[],
  seed: number,
  only?: { set?: string; stage?: Stage; twoStages?: number },
): Start | null {
  const chance = seededChance(seed);
  const sets = model.flora.sets.filter((s) => !only?.set || s.id === only.set);
  const set = sets[chance.below(sets.length)];
  const id = set.taxa[chance.below(set.taxa.length)];
  const taxon = model.flora.taxa.findIndex((t) => t.id === id);
  const stages = Object.keys(STAGE_MIX) as Stage[];
  const stage =
    only?.stage ?? stages[chance.pick(stages.map((s) => (model.flora.taxa[taxon].calendar[s] ? STAGE_MIX[s] : 0)))];
  const day = drawDay(model.flora, taxon, stage, chance);
  if (!day) return null;
  const second = chance.named("second stage");
  const beside = BESIDE[stage].filter((s) => model.flora.taxa[taxon].calendar[s]);
  const also =
    second.uniform() < (only?.twoStages ?? 0) && beside.length > 0 ? beside[second.below(beside.length)] : undefined;
  return {
    ...{ set: set.id, taxon, stage, day, list: lists[chance.below(lists.length)], seed },
    ...(also ? { also } : {}),
  };
}

const stagesOf = ({ stage, also }: Start): Stage[] => (also ? [stage, also] : [stage]);

function beginCase(
  { model, nature, placeTold }: Walker,
  start: Start,
  plant: SimulatedPlant,
  scout: Scout,
  chance: Chance,
): Case {
  const stages = Object.keys(STAGE_MIX) as Stage[];
  const stated = stages[chance.pick(stages.map((s) => stageStatedChance(s, start.stage)))];
  const observations = placeTold
    ? placeCharacters(nature.flora.characters).map((c) =>
        scout.look(nature, plant, nature.characterIndex.get(c.id) as number),
      )
    : [];
  return caseAt(
    { list: start.list.status, actions: start.list.actions },
    start.also
      ? { id: String(start.seed), day: start.day, stage: null, stages: stagesOf(start), observations }
      : { id: String(start.seed), day: start.day, stage: stated, observations },
    model,
  );
}

export interface Walker {
  /** what the engine believes */
  model: Model;
  /** what plants really are */
  nature: Model;
  error: number;
  /** whether the scout says where the plant stands before anything is asked, as on the Bench; the answers are no checks */
  placeTold: boolean;
}

/** A case that is looked through, look by look. */
export interface OpenCase {
  given: Case;
  judgement: Judgement;
  /** @param second what was looked at, on a second plant of the patch */
  look: (c: number, second?: boolean) => void;
  chance: Chance;
}

/** The standing plant before the first check. @param lot between 0 and 1, apart for each kind of walk: its plant and its scout */
export function openCase(walker: Walker, start: Start, lot: number): OpenCase {
  const chance = seededChance(start.seed + lot);
  const plant = new SimulatedPlant(walker.nature, start.taxon, stagesOf(start), chance);
  const scout = new Scout(walker.error, chance);
  const given = beginCase(walker, start, plant, scout, chance);
  const memory = newMemory();
  let others = 0;
  const open: OpenCase = {
    given,
    chance,
    judgement: judge(walker.model, given, memory),
    look: (c, second) => {
      if (!second) given.observations.push(scout.look(walker.nature, plant, c));
      else {
        const other = new SimulatedPlant(
          walker.nature,
          start.taxon,
          stagesOf(start),
          chance.named(`plant ${++others + 1}`),
          plant,
        );
        const seen = scout.look(walker.nature, other, c, others);
        given.observations = given.observations.map((o) =>
          o.character === seen.character ? withSecondPlant(o, seen) : o,
        );
      }
      open.judgement = judge(walker.model, given, memory);
    },
  };
  return open;
}

/** Lots of the two kinds of walk. */
const NAME_LOT = 0.5;
export const ACTION_LOT = 0.25;

/** Twelve checks chosen by the engine towards a name, then the rank of the truth. */
export function walkToName(walker: Walker, start: Start): NameWalk {
  const open = openCase(walker, start, NAME_LOT);
  const truth = walker.model.taxonIndex.get(walker.nature.flora.taxa[start.taxon].name) ?? -1;
  const confidence: NameWalk["confidence"] = [];
  for (let i = 0; i < NAME_CHECKS; i++) {
    const next = towardsName(open.judgement, predictChecks(open.judgement))[0];
    if (!next) break;
    open.look(next.character);
    if (i < 8) confidence.push(confidenceOf(open.judgement, truth));
  }
  if (truth < 0) return { start, rank: null, confidence };
  const shares = open.judgement.flat.taxa;
  let rank = 1;
  for (const share of shares) if (share > shares[truth]) rank++;
  return { start, rank, confidence };
}

function confidenceOf(judgement: Judgement, truth: number) {
  const { taxa } = judgement.local;
  const first = argMax(taxa);
  let brier = 0;
  taxa.forEach((share, t) => {
    brier += (share - (t === truth ? 1 : 0)) ** 2;
  });
  return { probability: taxa[first], right: first === truth, brier };
}

/**
 * Until Clear or Keep, or 25 checks; a walk that ends otherwise is charged all 25.
 * @param watch sees the judgement after every check
 */
export function walkToAction(
  walker: Walker,
  start: Start,
  order: Order,
  fixed: number[] = [],
  watch?: (judgement: Judgement) => void,
): ActionWalk {
  const open = openCase(walker, start, ACTION_LOT);
  const { taxa } = walker.model.flora;
  const truthName = walker.nature.flora.taxa[start.taxon].name;
  const truthStatus = start.list.status[truthName] ?? "kept";
  const truthKept = !isTarget(truthStatus);
  const truthAt = walker.model.taxonIndex.get(truthName);
  const truthGroup = truthAt === undefined ? "none" : open.judgement.group[truthAt];
  const separable =
    truthAt === undefined ? null : isSeparable(walker.model, open.given, truthAt, start.stage, truthKept);
  const told = { start, truthGroup, truthKept, separable };
  let seconds = open.given.observations.length > 0 ? PLACE_SECONDS : 0;
  for (let checks = 1; checks <= MOST_CHECKS; checks++) {
    const next = chooseCheck(open.judgement, order, fixed, open.chance);
    if (!next) break;
    seconds += walker.model.flora.characters[next.character].seconds + 4;
    open.look(next.character, next.second);
    watch?.(open.judgement);
    const result = decide(open.judgement);
    if (isSettled(result.verdict))
      return {
        ...told,
        verdict: result.verdict,
        cleared: result.verdict === "clear" ? taxa[result.about].name : null,
        group: result.group,
        checks,
        seconds,
      };
  }
  return { ...told, verdict: decide(open.judgement).verdict, cleared: null, group: null, checks: MOST_CHECKS, seconds };
}

/** The next check of an order. Whatever the order, a second plant is looked at where that is what is left before Clear. */
function chooseCheck(
  judgement: Judgement,
  order: Order,
  fixed: number[],
  chance: Chance,
): Pick<Check, "character" | "second"> | undefined {
  const gate = gateOf(judgement);
  const [again] = looksBeforeClear(judgement, gate).again.keys();
  if (again !== undefined && order !== "engine") return { character: again, second: true };
  if (order === "fixed" || order === "one") {
    const character = fixed.find((c) => (order === "one" ? canBeAsked : standsOnSheet)(judgement, c));
    return character === undefined ? undefined : { character };
  }
  const prospect = predictChecks(judgement, gate);
  if (order === "engine") return towardsAction(judgement, prospect)[0];
  const checks = mostlyCarried(judgement, prospect.checks);
  if (order === "bits") return [...checks].sort((a, b) => b.bits - a.bits)[0];
  const fresh = checks.filter((check) => !check.second);
  if (order === "random") return fresh[chance.below(fresh.length)];
  const place = (c: number) => (fixed.indexOf(c) < 0 ? Number.POSITIVE_INFINITY : fixed.indexOf(c));
  return fresh.sort((a, b) => place(a.character) - place(b.character))[0];
}

/** Life forms that a printed list has a sheet for, by the kind of plant that the scout states. */
const SHEETS: Record<string, LifeForm[]> = {
  grasslike: ["grass", "rush"],
  herb: ["herb"],
  climber: ["vine", "liana"],
  shrub: ["shrub"],
  tree: ["tree", "shrub"],
  "water-plant": ["aquatic"],
};

/**
 * Whether a question of a fixed order can be asked at all: it is not answered yet, the kit is there, the stage that the scout states
 * shows the part, and no answer rules it out.
 */
export function canBeAsked(judgement: Judgement, c: number): boolean {
  const { model, case: given } = judgement;
  const { id, compares, kit, stages, winter } = model.flora.characters[c];
  if (
    compares ||
    given.observations.some((o) => o.character === id) ||
    !kit.every((k) => given.kit.includes(k)) ||
    ruledOut(judgement, c)
  )
    return false;
  const stated = statedStages(given);
  return (
    stated.length === 0 ||
    stated.some((stage) => stages.includes(stage) || (stage === "winter" && winter !== undefined))
  );
}

/** Whether it stands on the sheet of the kind of plant that the scout states as well. */
export function standsOnSheet(judgement: Judgement, c: number): boolean {
  const kind = judgement.case.observations.find((o) => o.character === "plant-kind")?.states?.[0];
  return (
    canBeAsked(judgement, c) &&
    (!kind || SHEETS[kind].some((form) => judgement.model.flora.characters[c].applies.includes(form)))
  );
}
