import { type Case, decide, judge, type Model, type Observation, recordingOf, scoreFor, type Stage, usuallySeen, usualState } from "../identify";

/** Every part that is recorded for a plant and can be seen at a stage, each as it usually is there; what varies too much to be usual is left out. */
export function usualLooks(model: Model, taxon: number, stage: Stage): Observation[] {
  const form = model.flora.taxa[taxon].forms[0].id;
  return model.flora.characters.flatMap((character, c): Observation[] => {
    if (character.compares || !usuallySeen(model, taxon, c, stage) || recordingOf(model, taxon, c) !== "recorded") return [];
    const look = { character: character.id, answer: "seen" as const, join: "any" as const, sure: "sure" as const };
    const points = scoreFor(model, taxon, c, stage, undefined, form)?.points;
    if (points) return [{ ...look, value: (points[1] + points[2]) / 2 }];
    const state = usualState(model, taxon, character.id, stage);
    return state ? [{ ...look, states: [state] }] : [];
  });
}

/**
 * True where somebody who saw all of that, and erred in nothing, would be told what to do: Clear of a target, Keep of a kept
 * plant. What is not separable in this sense no choice of looks can settle at that stage, with this flora.
 * @param given the place, day, list and costs; its observations are left out of account
 */
export function isSeparable(model: Model, given: Case, taxon: number, stage: Stage, kept: boolean): boolean {
  return decide(judge(model, { ...given, stage, observations: usualLooks(model, taxon, stage) })).verdict === (kept ? "keep" : "clear");
}
