import {
  type Case,
  decide,
  predictChecks,
  judge,
  type Model,
  type Observation,
  observationSchema,
  statedStages,
  towardsAction,
  withSecondPlant,
  isSettled,
} from "@/core/identify";
import { dayOfYear, REFERENCE, type Stage, STAGES, stageShares } from "@/core/flora";
import { seededChance } from "@/core/random";
import { SimulatedPlant, Scout } from "@/core/simulate";

/** The stage in which most plants of this kind are on a day. */
export function likelyStage(model: Model, name: string, day: string): Stage {
  const taxon = model.flora.taxa[model.taxonIndex.get(name) as number];
  const shares = stageShares(taxon, dayOfYear(day, REFERENCE));
  return STAGES[shares.indexOf(Math.max(...shares))];
}

/** What a careful scout would have seen of this plant on this day, asked by the engine, until it has its verdict or `most` looks. */
export function sampleObservations(model: Model, given: Case, name: string, most: number, seed: number): Observation[] {
  const chance = seededChance(seed);
  const plant = new SimulatedPlant(model, model.taxonIndex.get(name) as number, statedStages(given), chance);
  const plantBeside = new SimulatedPlant(model, plant.taxon, plant.stages, chance.named("beside"), plant);
  const scout = new Scout(0.02, chance);
  const made: Case = { ...given, observations: [] };
  for (let i = 0; i < most; i++) {
    const judgement = judge(model, made);
    const { verdict } = decide(judgement);
    if (i > 0 && isSettled(verdict)) break;
    const next = towardsAction(judgement, predictChecks(judgement))[0];
    if (!next) break;
    const seen = observationSchema.parse(
      scout.look(model, next.second ? plantBeside : plant, next.character, next.second ? 1 : 0),
    );
    if (!next.second) made.observations.push(seen);
    else
      made.observations = made.observations.map((o) => (o.character === seen.character ? withSecondPlant(o, seen) : o));
  }
  return made.observations;
}
