import { caseAt, judge, likeliestStage, type Model, type PlaceKnowledge } from "../identify";
import type { NamedSubject } from "./plan-round";

/** A plant that is met less often than this, of all that stand there, is not practiced before going out. */
const LEAST_SHARE = 0.001;

/** What a site may meet on a day, likeliest first, each at the stage in which it most likely stands then. */
export function metAt(model: Model, place: PlaceKnowledge, day: string, most: number): NamedSubject[] {
  const judgement = judge(model, caseAt(place, { id: "drill", day, observations: [] }, model));
  return [...judgement.local.taxa.keys()]
    .filter((t) => judgement.local.taxa[t] >= LEAST_SHARE)
    .sort((a, b) => judgement.local.taxa[b] - judgement.local.taxa[a])
    .slice(0, most)
    .map((t) => ({ taxon: model.flora.taxa[t].id, stage: likeliestStage(judgement, t) }));
}
