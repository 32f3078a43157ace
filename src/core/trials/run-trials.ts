import { buildModel, type CompiledFlora, foreseeChecks, judge, type Model, type Stage } from "../identify";
import { type Figures, figuresOf, mean, round } from "./figures";
import { perturb } from "./plants";
import { type ActionWalk, drawStart, type NameWalk, type Start, STAGE_MIX, type TrialList, type Walker, walkToAction, walkToName } from "./walks";

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

/** Every twelfth walk is on a plant taken out of the flora that identifies. */
const REMOVED_EVERY = 12;

/** A part of the walks: numbers `from` to `to`, so that several processes can share the work. */
export function runBatch(flora: CompiledFlora, lists: TrialList[], options: TrialOptions, kind: "perturbed" | "exact", from: number, to: number): Batch {
  const model = buildModel(flora, options.assumed);
  const nature = kind === "exact" ? model : buildModel(perturb(flora, options.seed), options.assumed);
  const walker: Walker = { model, nature, error: options.error, placeTold: options.placeTold };
  const batch: Batch = { names: [], actions: [], removed: [] };
  const withoutTaxon = new Map<number, Model>();
  for (let i = from; i < to; i++) {
    const start = drawStart(model, lists, options.seed * 1e6 + i, { stage: options.stage });
    if (!start) continue;
    if (i % REMOVED_EVERY === 0) batch.removed.push(walkRemoved(walker, start, modelWithout(flora, start.taxon, options, withoutTaxon)));
    else {
      batch.actions.push(walkToAction(walker, start, "engine"));
      if (i % 3 === 0) batch.names.push(walkToName(walker, start));
    }
  }
  return batch;
}

/** The same walk by an engine that has never heard of the plant; nor has its district's list. */
function walkRemoved(walker: Walker, start: Start, model: Model): ActionWalk {
  const unheard = walker.nature.flora.taxa[start.taxon].name;
  const known = ([name]: [string, unknown]) => name !== unheard;
  const list = { ...start.list, status: Object.fromEntries(Object.entries(start.list.status).filter(known)), actions: Object.fromEntries(Object.entries(start.list.actions).filter(known)) };
  const keptHere = !["target", "watch"].includes(start.list.status[unheard] ?? "kept");
  const walk = walkToAction({ ...walker, model }, { ...start, list }, "engine");
  return { ...walk, keptHere, clearedAsTwin: walk.cleared !== null && isListed(walker.nature.flora, unheard, walk.cleared) };
}

/** True where people are known to take one of these plants for the other. */
function isListed({ taxa, pairs }: CompiledFlora, ...names: [string, string]): boolean {
  const [a, b] = names.map((name) => taxa.find((t) => t.name === name)?.id);
  return pairs.some((p) => !p.found && ((p.a === a && p.b === b) || (p.a === b && p.b === a)));
}

function modelWithout(flora: CompiledFlora, taxon: number, { assumed, twinsListed }: TrialOptions, known: Map<number, Model>): Model {
  const made = known.get(taxon);
  if (made) return made;
  const rest = removeTaxon(flora, taxon);
  const { id } = flora.taxa[taxon];
  const model = buildModel(twinsListed ? rest : { ...rest, pairs: rest.pairs.filter((p) => p.a !== id && p.b !== id) }, assumed);
  if (known.size > 12) known.clear();
  known.set(taxon, model);
  return model;
}

export function removeTaxon(flora: CompiledFlora, taxon: number): CompiledFlora {
  const shift = (t: number) => (t > taxon ? t - 1 : t);
  const { id } = flora.taxa[taxon];
  return {
    ...flora,
    taxa: flora.taxa.filter((_, t) => t !== taxon),
    sets: flora.sets.map((s) => ({ ...s, taxa: s.taxa.filter((other) => other !== id) })),
    scores: flora.scores.filter((s) => s.taxon !== taxon).map((s) => ({ ...s, taxon: shift(s.taxon) })),
  };
}

/** Puts the parts together. */
export function mergeBatches(batches: Batch[]): Batch {
  return { names: batches.flatMap((b) => b.names), actions: batches.flatMap((b) => b.actions), removed: batches.flatMap((b) => b.removed) };
}

export function makeReport(flora: CompiledFlora, options: TrialOptions, perturbed: Batch, exact: Batch, orders: OrderComparison): TrialReport {
  const part = (is: (s: Start) => boolean) => figuresOf(perturbed.names.filter((w) => is(w.start)), perturbed.actions.filter((w) => is(w.start)), perturbed.removed.filter((w) => is(w.start)));
  return {
    walks: options.walks,
    error: options.error,
    assumed: options.assumed,
    mix: { stages: options.stage ? { [options.stage]: 1 } : STAGE_MIX, lists: "three invented districts, drawn evenly", truth: "uniform over sets, then over the plants of the set", removed: `1 of ${REMOVED_EVERY}`, place: options.placeTold ? "told before the first check" : "not told", twins: options.twinsListed ? "plants taken out stay listed as twins" : "nothing is known of plants taken out", seed: options.seed },
    perturbed: { ...figuresOf(perturbed.names, perturbed.actions, perturbed.removed), ...orders },
    exact: figuresOf(exact.names, exact.actions, exact.removed),
    sets: flora.sets.map((set) => ({ set: set.id, perturbed: part((s) => s.set === set.id) })),
    stages: Object.keys(STAGE_MIX).map((stage) => ({ stage, perturbed: part((s) => s.stage === stage) })),
  };
}

export interface OrderComparison {
  checksVsBestFixed: number;
  /** the same among walks that could be settled at their stage at all: the others are charged all their checks in any order */
  checksVsBestFixedSeparable: number;
  checksVsRandom: number;
  secondsVsBits: number;
}

/** The engine's order of checks against a random one, the best fixed one found, and plain information gain, on the same walks. */
export function compareOrders(flora: CompiledFlora, lists: TrialList[], options: TrialOptions): OrderComparison {
  const model = buildModel(flora, options.assumed);
  const walker: Walker = { model, nature: buildModel(perturb(flora, options.seed), options.assumed), error: options.error, placeTold: options.placeTold };
  const starts = Array.from({ length: options.orderWalks }, (_, i) => drawStart(model, lists, options.seed * 1e6 + 900000 + i, { stage: options.stage })).filter((s) => s !== null);
  const engine = starts.map((s) => walkToAction(walker, s, "engine"));
  const random = starts.map((s) => walkToAction(walker, s, "random"));
  const bits = starts.map((s) => walkToAction(walker, s, "bits"));
  const fixed = fixedOrders(model, starts).map((order) => starts.map((s) => walkToAction(walker, s, "fixed", order)));
  const checks = mean(engine.map((w) => w.checks));
  const bestOf = (is: (w: ActionWalk) => boolean) => Math.min(...fixed.map((walks) => mean(walks.filter(is).map((w) => w.checks))));
  const separable = (w: ActionWalk) => w.separable === true;
  return {
    checksVsBestFixed: round(checks / bestOf(() => true)),
    checksVsBestFixedSeparable: round(mean(engine.filter(separable).map((w) => w.checks)) / bestOf(separable)),
    checksVsRandom: round(checks / mean(random.map((w) => w.checks))),
    secondsVsBits: round(mean(engine.map((w) => w.seconds)) / mean(bits.map((w) => w.seconds))),
  };
}

/** Candidates for the best fixed order: by mean information at the start of walks, and by information per second. */
function fixedOrders(model: Model, starts: Start[]): number[][] {
  const gain = new Float64Array(model.flora.characters.length);
  const rate = new Float64Array(model.flora.characters.length);
  for (const start of starts.slice(0, 80)) {
    for (const observations of [[], [{ character: "plant-kind", answer: "seen" as const, states: [mostLikelyKind(model, start.taxon)], join: "any" as const, sure: "sure" as const }]]) {
      const judgement = judge(model, { id: "f", day: start.day, hemisphere: "north", seasonShift: 0, stage: start.stage, setting: {}, kit: ["lens", "ruler", "knife", "trowel", "gloves"], list: start.list.status, actions: start.list.actions, confirmed: {}, costs: { wrongClear: 500, missedTarget: 10, hold: 10 }, observations });
      for (const check of foreseeChecks(judgement)) {
        gain[check.character] += check.bits;
        rate[check.character] += check.bits / (check.seconds + 4);
      }
    }
  }
  const all = [...gain.keys()];
  return [gain, rate].map((value) => [...all].sort((a, b) => value[b] - value[a]));
}

function mostLikelyKind(model: Model, taxon: number): string {
  const c = model.characterIndex.get("plant-kind") as number;
  const shares = model.scoresOf[taxon].get(c)?.[0].shares ?? [1];
  return model.flora.characters[c].states[shares.indexOf(Math.max(...shares))].id;
}
