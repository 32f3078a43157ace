import { STAGES } from "../../flora";
import { blockChanceAt } from "../evidence/block-chance";
import type { Evidence } from "../evidence/evidence";
import type { Model } from "../model/model";
import { recordingOf } from "../model/scores";

const NOTHING: Set<number> = new Set();

/** A block of checks. */
interface LookedAt {
  doubt: number;
  members: number[];
}

/** What is known of a plant before anything is guarded. */
interface BeforeGuard {
  model: Model;
  /** 1 where leaving the plant is right */
  keptSide: Uint8Array;
  evidence: (Evidence | null)[];
  blocks: Map<string, LookedAt>;
  local: { taxa: Float64Array };
  flat: { taxa: Float64Array };
}

/** The targets that might be acted on as things stand. */
function standingTargets({ model, keptSide, local, flat }: BeforeGuard): number[] {
  const share = (t: number) => Math.max(local.taxa[t], flat.taxa[t]);
  const targets = [...keptSide.keys()].filter((t) => !keptSide[t]);
  const best = targets.reduce((most, t) => Math.max(most, share(t)), 0);
  return targets.filter((t) => share(t) >= model.tuning.guardStanding * best);
}

/** The best chance that any of these plants gives an observation, at each stage. */
function bestAtStage({ model }: BeforeGuard, item: Evidence, targets: number[]): Float64Array {
  const best = new Float64Array(STAGES.length);
  for (const t of targets)
    for (let z = model.firstCondition[t]; z < model.firstCondition[t + 1]; z++)
      best[model.conditionStage[z]] = Math.max(best[model.conditionStage[z]], item.chance[z]);
  return best;
}

/** A kept plant of which something was looked at that is not recorded of it. */
interface Untested {
  taxon: number;
  observations: Set<number>;
  /** how many times each of its conditions rises by that, by block of checks */
  raised: Map<string, Float64Array>;
}

export interface Raising {
  /** the best chance among the targets that might be acted on, by observation and stage */
  best: (Float64Array | null)[];
  untested: Untested[];
}

/** What raises kept plants, once for what was seen: leaving out one check after another needs it again and again. */
export function raisingOf(known: BeforeGuard): Raising {
  const { model, keptSide, evidence, blocks } = known;
  const targets = standingTargets(known);
  const best = evidence.map((item) => (item ? bestAtStage(known, item, targets) : null));
  const untested: Untested[] = [];
  for (let taxon = 0; taxon < keptSide.length; taxon++) {
    if (!keptSide[taxon]) continue;
    const observations = new Set<number>();
    evidence.forEach((item, i) => {
      if (item && recordingOf(model, taxon, item.character) === "not-recorded") observations.add(i);
    });
    if (observations.size === 0) continue;
    const touched = [...blocks].filter(([, block]) => block.members.some((i) => observations.has(i)));
    untested.push({
      taxon,
      observations,
      raised: new Map(
        touched.map(([name, block]) => [name, raisedBy(known, best, { taxon, observations }, block, block.members)]),
      ),
    });
  }
  return { best, untested };
}

/** How many times each condition of a plant rises where what is not recorded of it has the best chance of the targets. */
function raisedBy(
  { model, evidence }: Pick<BeforeGuard, "model" | "evidence">,
  best: Raising["best"],
  { taxon, observations }: Pick<Untested, "taxon" | "observations">,
  { doubt }: LookedAt,
  members: number[],
): Float64Array {
  const met = STAGES.map((stage) => model.flora.taxa[taxon].calendar[stage] !== undefined);
  const from = model.firstCondition[taxon];
  const items = members.map((i) => evidence[i] as Evidence);
  return Float64Array.from({ length: model.firstCondition[taxon + 1] - from }, (_, k) => {
    const z = from + k;
    const raised = (item: Evidence, n: number) =>
      met[model.conditionStage[z]] && observations.has(members[n])
        ? Math.max(item.chance[z], (best[members[n]] as Float64Array)[model.conditionStage[z]])
        : item.chance[z];
    return blockChanceAt(model, doubt, items, z, raised) / blockChanceAt(model, doubt, items, z);
  });
}

/**
 * Likelihoods in which what is not recorded for a kept plant never counts against it: beside the targets that might be
 * acted on, such a check gives the kept plant the chance that it gives the best of them. Only the way to a verdict of Clear
 * is calculated so, and only at stages in which the plant is met at all, by its calendar. Were it the name too, the less is recorded of a kept plant the better it would fit everything.
 * @param taxa likelihoods of the plants
 * @param weightAt likelihood of a condition, of which those are the sums
 * @param dropped observations left out of both
 */
export function guardKept(
  known: Omit<BeforeGuard, "local" | "flat">,
  { best, untested }: Raising,
  taxa: Float64Array,
  weightAt: (z: number) => number,
  dropped: Set<number> = NOTHING,
): Float64Array {
  const { model, blocks } = known;
  const guarded = taxa.slice();
  for (const plant of untested) {
    const from = model.firstCondition[plant.taxon];
    const own = Float64Array.from({ length: model.firstCondition[plant.taxon + 1] - from }, (_, k) =>
      weightAt(from + k),
    );
    for (const [name, whole] of plant.raised) {
      const block = blocks.get(name) as LookedAt;
      const left = block.members.filter((i) => !dropped.has(i));
      const raised =
        left.length === block.members.length
          ? whole
          : left.length > 0
            ? raisedBy(known, best, plant, block, left)
            : null;
      if (raised) for (let k = 0; k < own.length; k++) own[k] *= raised[k];
    }
    let sum = 0;
    for (const value of own) sum += value;
    guarded[plant.taxon] = Math.max(guarded[plant.taxon], sum);
  }
  return guarded;
}
