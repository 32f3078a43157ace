import type { CompiledFlora } from "../flora";
import {
  buildModel,
  caseAt,
  type Check,
  decide,
  isSettled,
  judge,
  type Judgement,
  type Model,
  predictChecks,
  withTuning,
  worthTowardsAction,
} from "../identify";
import { perturb } from "../simulate";
import { mean, round } from "./figures";
import type { TrialOptions } from "./options";
import {
  ACTION_LOT,
  type ActionWalk,
  canBeAsked,
  drawStart,
  MOST_CHECKS,
  openCase,
  type Order,
  standsOnSheet,
  type Start,
  type TrialList,
  type Walker,
  walkToAction,
} from "./walks";

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
    drawStart(model, districts, options.seed * 1e6 + 900000 + i, {
      stage: options.stage,
      twoStages: options.twoStages,
    }),
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
 * look by look, each the one that is worth most on the mean of the walks after the checks before it.
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
