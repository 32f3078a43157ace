import {
  buildModel,
  type Check,
  decide,
  predictChecks,
  judge,
  type Judgement,
  type Model,
  worthTowardsAction,
  TUNING,
  isSettled,
  withTuning,
  caseAt,
} from "../identify";
import { isTarget, type CompiledFlora, type Pair, type Shown, type Stage } from "../flora";
import { perturb } from "../simulate";
import { type Figures, figuresOf, mean, round } from "./figures";
import {
  ACTION_LOT,
  type ActionWalk,
  canBeAsked,
  drawStart,
  MOST_CHECKS,
  type NameWalk,
  openCase,
  type Order,
  STAGE_MIX,
  standsOnSheet,
  type Start,
  type TrialList,
  type Walker,
  walkToAction,
  walkToName,
} from "./walks";

export interface TrialOptions {
  walks: number;
  error: number;
  assumed: number;
  seed: number;
  stage?: Stage;
  /** walks for the comparison with other orders of checks */
  orderWalks: number;
  /** whether the place is told before the first check, as on the Bench */
  placeTold: boolean;
  /** whether a plant that is taken out stays listed as a twin, by name and by what parts the two, as people know more plants than a flora scores */
  twinsListed: boolean;
  /** constants of the engine that are replaced, by name; nature stays as it ships */
  tuning: Record<string, number>;
}

export interface Batch {
  names: NameWalk[];
  actions: ActionWalk[];
  removed: ActionWalk[];
}

export interface TrialReport {
  walks: number;
  error: number;
  assumed: number;
  mix: Record<string, unknown>;
  perturbed: Figures;
  exact: Figures;
  sets: { set: string; perturbed: Figures }[];
  stages: { stage: string; perturbed: Figures }[];
}

/** One walk in so many is on a plant taken out of the flora that identifies: as many as the engine takes to be unknown. */
const REMOVED_EVERY = Math.round(1 / TUNING.unknownPrior);

/** A part of the walks: numbers `from` to `to`, so that several processes can share the work. */
export function runBatch(
  flora: CompiledFlora,
  lists: TrialList[],
  options: TrialOptions,
  kind: "perturbed" | "exact",
  from: number,
  to: number,
): Batch {
  const model = buildModel(flora, options.assumed, withTuning(options.tuning));
  const nature = buildModel(kind === "exact" ? flora : perturb(flora, options.seed), options.assumed);
  const walker: Walker = { model, nature, error: options.error, placeTold: options.placeTold };
  const batch: Batch = { names: [], actions: [], removed: [] };
  const withoutTaxon = new Map<number, Model>();
  for (let i = from; i < to; i++) {
    const start = drawStart(model, lists, options.seed * 1e6 + i, { stage: options.stage });
    if (!start) continue;
    const removed = i % REMOVED_EVERY === 0;
    if (removed) {
      const unaware = { ...walker, model: modelWithout(flora, start.taxon, options, withoutTaxon) };
      const unlisted = withoutPlant(start, flora.taxa[start.taxon].name);
      batch.removed.push(walkRemoved(unaware, start, unlisted));
      batch.names.push(walkToName(unaware, unlisted));
    } else {
      batch.actions.push(walkToAction(walker, start, "engine"));
      batch.names.push(walkToName(walker, start));
    }
  }
  return batch;
}

/** The same start in a district whose list has never heard of the plant. */
function withoutPlant(start: Start, unheard: string): Start {
  const known = ([name]: [string, unknown]) => name !== unheard;
  return {
    ...start,
    list: {
      ...start.list,
      status: Object.fromEntries(Object.entries(start.list.status).filter(known)),
      actions: Object.fromEntries(Object.entries(start.list.actions).filter(known)),
    },
  };
}

/** @param start as the district really lists the plant, and `unlisted` as it does that has never heard of it */
function walkRemoved(walker: Walker, start: Start, unlisted: Start): ActionWalk {
  const unheard = walker.nature.flora.taxa[start.taxon].name;
  const keptHere = !isTarget(start.list.status[unheard] ?? "kept");
  const walk = walkToAction(walker, unlisted, "engine");
  return {
    ...walk,
    keptHere,
    clearedAsTwin: walk.cleared !== null && isListed(walker.nature.flora, unheard, walk.cleared),
  };
}

/** True where people are known to take one of these plants for the other. */
function isListed({ taxa, pairs }: CompiledFlora, ...names: [string, string]): boolean {
  const [a, b] = names.map((name) => taxa.find((t) => t.name === name)?.id);
  return pairs.some((p) => !p.found && ((p.a === a && p.b === b) || (p.a === b && p.b === a)));
}

function modelWithout(
  flora: CompiledFlora,
  taxon: number,
  { assumed, twinsListed, tuning }: TrialOptions,
  known: Map<number, Model>,
): Model {
  const made = known.get(taxon);
  if (made) return made;
  const rest = removeTaxon(flora, taxon);
  const { id } = flora.taxa[taxon];
  const model = buildModel(
    twinsListed ? rest : { ...rest, pairs: rest.pairs.filter((p) => p.a !== id && p.b !== id) },
    assumed,
    withTuning(tuning),
  );
  if (known.size > 12) known.clear();
  known.set(taxon, model);
  return model;
}

/**
 * The flora without one of its plants. In the pairs that people know of it stays, as a plant that is not held: by its name and by
 * what it shows of the parts that tell, as `unheld` pairs are written.
 */
export function removeTaxon(flora: CompiledFlora, taxon: number): CompiledFlora {
  const shift = (t: number) => (t > taxon ? t - 1 : t);
  const { id, name, common } = flora.taxa[taxon];
  const known = (pair: Pair): Pair =>
    pair.found || (pair.a !== id && pair.b !== id)
      ? pair
      : { ...pair, unheld: { name, common: common[0] ?? name, shows: shownOf(flora, taxon, pair) } };
  return {
    ...flora,
    pairs: flora.pairs.map(known),
    taxa: flora.taxa.filter((_, t) => t !== taxon),
    sets: flora.sets.map((s) => ({ ...s, taxa: s.taxa.filter((other) => other !== id) })),
    scores: flora.scores.filter((s) => s.taxon !== taxon).map((s) => ({ ...s, taxon: shift(s.taxon) })),
  };
}

/** A state that a plant has less often than this is not what somebody who lists it as a twin would say that it shows. */
const SAID_TO_SHOW = 0.1;
/** A part tells where the other plant shows no more than this of what the twin shows. */
const SHARED = 0.3;

/** What a plant shows of a pair's deciders, at any stage, as somebody who lists it as a twin would put it: the parts that tell it from the other. */
function shownOf(flora: CompiledFlora, taxon: number, pair: Pair): Shown[] {
  const other = flora.taxa.findIndex((t) => t.id === (pair.a === flora.taxa[taxon].id ? pair.b : pair.a));
  const characters = new Set(pair.deciders.flatMap((d) => d.characters));
  return [...characters].flatMap((character): Shown[] => {
    const c = flora.characters.findIndex((own) => own.id === character);
    const scoresOf = (t: number) => flora.scores.filter((s) => s.taxon === t && s.character === c);
    const points = scoresOf(taxon).flatMap((s) => (s.points ? [s.points] : []));
    if (points.length > 0) {
      const range: [number, number] = [Math.min(...points.map((p) => p[1])), Math.max(...points.map((p) => p[2]))];
      const apart = scoresOf(other).every((s) => s.points && (s.points[1] > range[1] || s.points[2] < range[0]));
      return apart ? [{ character, range }] : [];
    }
    const shown = flora.characters[c].states.map((_, k) =>
      scoresOf(taxon).some((s) => (s.shares?.[k] ?? 0) >= SAID_TO_SHOW),
    );
    const shared = scoresOf(other).some(
      (s) => (s.shares ?? []).reduce((sum, share, k) => sum + (shown[k] ? share : 0), 0) > SHARED,
    );
    return shown.includes(true) && !shared
      ? [{ character, states: flora.characters[c].states.flatMap((s, k) => (shown[k] ? [s.id] : [])) }]
      : [];
  });
}

/** Puts the parts together. */
export function mergeBatches(batches: Batch[]): Batch {
  return {
    names: batches.flatMap((b) => b.names),
    actions: batches.flatMap((b) => b.actions),
    removed: batches.flatMap((b) => b.removed),
  };
}

export function makeReport(
  flora: CompiledFlora,
  options: TrialOptions,
  perturbed: Batch,
  exact: Batch,
  orders: OrderComparison,
): TrialReport {
  const part = (is: (s: Start) => boolean) =>
    figuresOf(
      perturbed.names.filter((w) => is(w.start)),
      perturbed.actions.filter((w) => is(w.start)),
      perturbed.removed.filter((w) => is(w.start)),
    );
  return {
    walks: options.walks,
    error: options.error,
    assumed: options.assumed,
    mix: {
      stages: options.stage ? { [options.stage]: 1 } : STAGE_MIX,
      lists: "three invented districts, drawn evenly",
      truth: "uniform over sets, then over the plants of the set",
      removed: `1 of ${REMOVED_EVERY}`,
      place: options.placeTold ? "told before the first check" : "not told",
      twins: options.twinsListed ? "plants taken out stay listed as twins" : "nothing is known of plants taken out",
      seed: options.seed,
    },
    perturbed: { ...figuresOf(perturbed.names, perturbed.actions, perturbed.removed), ...orders },
    exact: figuresOf(exact.names, exact.actions, exact.removed),
    sets: flora.sets.map((set) => ({ set: set.id, perturbed: part((s) => s.set === set.id) })),
    stages: Object.keys(STAGE_MIX).map((stage) => ({ stage, perturbed: part((s) => s.stage === stage) })),
  };
}

export interface OrderComparison {
  /** against the best fixed order, printed as a sheet for each kind of plant */
  checksVsBestFixed: number;
  /** the same among walks that could be settled at their stage at all: the others are charged all their checks in any order */
  checksVsBestFixedSeparable: number;
  /** against the best order that is the same for all plants: easier to beat */
  checksVsBestOne: number;
  checksVsBestOneSeparable: number;
  /** against the sheets when they skip, as the engine does, what most of what still fits does not carry */
  checksVsBestFitted: number;
  checksVsRandom: number;
  secondsVsBits: number;
}

/** The engine's order of checks against a random one, the best fixed ones found, and plain information gain, on the same walks. */
export function compareOrders(flora: CompiledFlora, districts: TrialList[], options: TrialOptions): OrderComparison {
  const model = buildModel(flora, options.assumed, withTuning(options.tuning));
  const walker: Walker = {
    model,
    nature: buildModel(perturb(flora, options.seed), options.assumed),
    error: options.error,
    placeTold: options.placeTold,
  };
  const starts = Array.from({ length: options.orderWalks }, (_, i) =>
    drawStart(model, districts, options.seed * 1e6 + 900000 + i, { stage: options.stage }),
  ).filter((s) => s !== null);
  const walks = (order: Order, fixed?: number[]) => starts.map((s) => walkToAction(walker, s, order, fixed));
  const [engine, random, bits] = [walks("engine"), walks("random"), walks("bits")];
  const [one, sheets] = [canBeAsked, standsOnSheet].map((stands) =>
    fixedOrders(walker, starts.slice(0, SAMPLE), stands),
  );
  const walked = {
    one: one.map((order) => walks("one", order)),
    fixed: sheets.map((order) => walks("fixed", order)),
    fitted: sheets.map((order) => walks("fitted", order)),
  };
  const separable = (w: ActionWalk) => w.separable === true;
  const any = () => true;
  const checks = (of: ActionWalk[], is: (w: ActionWalk) => boolean) => mean(of.filter(is).map((w) => w.checks));
  const ratio = (order: keyof typeof walked, is: (w: ActionWalk) => boolean) =>
    round(checks(engine, is) / Math.min(...walked[order].map((of) => checks(of, is))));
  return {
    checksVsBestFixed: ratio("fixed", any),
    checksVsBestFixedSeparable: ratio("fixed", separable),
    checksVsBestOne: ratio("one", any),
    checksVsBestOneSeparable: ratio("one", separable),
    checksVsBestFitted: ratio("fitted", any),
    checksVsRandom: round(mean(engine.map((w) => w.checks)) / mean(random.map((w) => w.checks))),
    secondsVsBits: round(mean(engine.map((w) => w.seconds)) / mean(bits.map((w) => w.seconds))),
  };
}

/** Walks on which fixed orders are sought. */
const SAMPLE = 80;

/**
 * Candidates for the best fixed order: by mean information at the start of walks, by that per second, and two that are found
 * look by look, each the one that is worth most on the mean of the walks after the looks before it.
 */
function fixedOrders(walker: Walker, starts: Start[], stands: typeof canBeAsked): number[][] {
  const [gain, rate] = gainsAtFirst(walker.model, starts);
  const best = (value: Float64Array) => [...value.keys()].sort((a, b) => value[b] - value[a]);
  return [
    best(gain),
    best(rate),
    foundInTurn(walker, starts, stands, (_, check) => check.bits),
    foundInTurn(walker, starts, stands, (judgement, check) => worthTowardsAction(judgement, check)),
  ];
}

/** Longer than any walk, since a list is skipped through. */
const LONGEST_LIST = 90;

/** An order found look by look, walked by all whose walk has not ended as it grows. */
function foundInTurn(
  walker: Walker,
  starts: Start[],
  stands: typeof canBeAsked,
  worth: (judgement: Judgement, check: Check) => number,
): number[] {
  let walking = starts.map((start) => openCase(walker, start, ACTION_LOT));
  const order: number[] = [];
  while (order.length < LONGEST_LIST && walking.length > 0) {
    const sum = new Float64Array(walker.model.flora.characters.length);
    for (const { judgement } of walking)
      for (const check of predictChecks(judgement).checks)
        if (stands(judgement, check.character)) sum[check.character] += worth(judgement, check);
    const next = sum.reduce((at, value, c) => (value > sum[at] && !order.includes(c) ? c : at), 0);
    if (sum[next] <= 0 || order.includes(next)) break;
    order.push(next);
    for (const open of walking) if (stands(open.judgement, next)) open.look(next);
    walking = walking.filter(
      ({ judgement, given }) => given.observations.length < MOST_CHECKS && !isSettled(decide(judgement).verdict),
    );
  }
  return order;
}

/** Mean information of each character where nothing, or only the kind of plant, is known; and that per second. */
function gainsAtFirst(model: Model, starts: Start[]): [Float64Array, Float64Array] {
  const gain = new Float64Array(model.flora.characters.length);
  const rate = new Float64Array(model.flora.characters.length);
  for (const start of starts) {
    for (const observations of [
      [],
      [
        {
          character: "plant-kind",
          answer: "seen" as const,
          states: [mostLikelyKind(model, start.taxon)],
          join: "any" as const,
          sure: "sure" as const,
        },
      ],
    ]) {
      const judgement = judge(
        model,
        caseAt(
          { list: start.list.status, actions: start.list.actions },
          { id: "f", day: start.day, stage: start.stage, observations },
          model,
        ),
      );
      for (const check of predictChecks(judgement).checks) {
        gain[check.character] += check.bits;
        rate[check.character] += check.bits / (check.seconds + 4);
      }
    }
  }
  return [gain, rate];
}

function mostLikelyKind(model: Model, taxon: number): string {
  const c = model.characterIndex.get("plant-kind") as number;
  const shares = model.scoresOf[taxon].get(c)?.[0].shares ?? [1];
  return model.flora.characters[c].states[shares.indexOf(Math.max(...shares))].id;
}
