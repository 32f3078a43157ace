import { type CompiledFlora, isTarget } from "../flora";
import { buildModel, type Model, TUNING, withTuning } from "../identify";
import { perturb } from "../simulate";
import type { OrderComparison } from "./compare-orders";
import { type Figures, figuresOf } from "./figures";
import type { TrialOptions } from "./options";
import {
  type ActionWalk,
  drawStart,
  type NameWalk,
  STAGE_MIX,
  type Start,
  type TrialList,
  type Walker,
  walkToAction,
  walkToName,
} from "./walks";
import { isListed, modelWithout } from "./without-plant";

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
    const start = drawStart(model, lists, options.seed * 1e6 + i, {
      stage: options.stage,
      twoStages: options.twoStages,
    });
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
      twoStages: options.twoStages,
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
