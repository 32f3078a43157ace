import { blockChanceAt } from "./block-chance";
import { STAGES } from "./flora-types";
import type { Evidence } from "./evidence";
import { type Model, recordingOf } from "./model";

/** Targets that hold at least this share of what the likeliest target holds are those that might be acted on. */
const STANDING = 0.2;
const NOTHING: Set<number> = new Set();

/** What is known of a plant before anything is guarded. */
interface Known {
  model: Model;
  /** 1 where leaving the plant is right */
  keptSide: Uint8Array;
  evidence: (Evidence | null)[];
  blocks: Map<string, { doubt: number; members: number[] }>;
  local: { taxa: Float64Array };
  flat: { taxa: Float64Array };
}

/** The targets that might be acted on as things stand. */
function standingTargets({ keptSide, local, flat }: Known): number[] {
  const share = (t: number) => Math.max(local.taxa[t], flat.taxa[t]);
  const targets = [...keptSide.keys()].filter((t) => !keptSide[t]);
  const best = targets.reduce((most, t) => Math.max(most, share(t)), 0);
  return targets.filter((t) => share(t) >= STANDING * best);
}

/** The best chance that any of these plants gives an observation, at each stage. */
function bestAtStage({ model }: Known, item: Evidence, targets: number[]): Float64Array {
  const best = new Float64Array(STAGES.length);
  for (const t of targets) for (let z = model.firstCondition[t]; z < model.firstCondition[t + 1]; z++) best[model.conditionStage[z]] = Math.max(best[model.conditionStage[z]], item.chance[z]);
  return best;
}

/**
 * Likelihoods in which what is not recorded for a kept plant never speaks against it: beside the targets that might be
 * acted on, such a look gives the kept plant the chance that it gives the best of them. Only the way to a verdict of Clear
 * is reckoned so, and only at stages in which the plant is met at all, by its calendar. Were it the name too, the less is recorded of a kept plant the better it would fit everything.
 * @param taxa likelihoods of the plants
 * @param weightAt likelihood of a condition, of which those are the sums
 * @param dropped observations left out of both
 */
export function guardKept(known: Known, taxa: Float64Array, weightAt: (z: number) => number, dropped: Set<number> = NOTHING): Float64Array {
  const { model, keptSide, evidence, blocks } = known;
  const guarded = taxa.slice();
  const targets = standingTargets(known);
  const best = evidence.map((item) => (item ? bestAtStage(known, item, targets) : null));
  for (let t = 0; t < guarded.length; t++) {
    if (!keptSide[t]) continue;
    const untested = new Set<number>();
    evidence.forEach((item, i) => {
      if (item && !dropped.has(i) && recordingOf(model, t, item.character) === "not-recorded") untested.add(i);
    });
    if (untested.size === 0) continue;
    const met = STAGES.map((stage) => model.flora.taxa[t].calendar[stage] !== undefined);
    const from = model.firstCondition[t];
    const own = Float64Array.from({ length: model.firstCondition[t + 1] - from }, (_, k) => weightAt(from + k));
    for (const block of blocks.values()) {
      if (!block.members.some((i) => untested.has(i))) continue;
      const left = block.members.filter((i) => !dropped.has(i));
      const items = left.map((i) => evidence[i] as Evidence);
      own.forEach((_, k) => {
        const z = from + k;
        const raised = (item: Evidence, n: number) => (met[model.conditionStage[z]] && untested.has(left[n]) ? Math.max(item.chance[z], (best[left[n]] as Float64Array)[model.conditionStage[z]]) : item.chance[z]);
        own[k] *= blockChanceAt(model, block.doubt, items, z, raised) / blockChanceAt(model, block.doubt, items, z);
      });
    }
    guarded[t] = Math.max(guarded[t], own.reduce((a, b) => a + b, 0));
  }
  return guarded;
}
