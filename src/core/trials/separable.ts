import { type Case, decide, judge, type Model, type Observation, usualLook, withSecondPlant } from "../identify";
import type { Stage } from "../flora";

/** Every part that is recorded for a plant and can be seen at a stage, each as it usually is there; what varies too much to be usual is left out. */
export const usualLooks = (model: Model, taxon: number, stage: Stage): Observation[] =>
  [...model.flora.characters.keys()].flatMap((c) => usualLook(model, taxon, c, stage) ?? []);

/**
 * True where the parts that were looked at could lead to Clear at all: where each of them as it usually is on the plant, seen
 * without an error, would. A note that leaves out what parts a target from its kept twins must not be cleared by any engine.
 * @param given the case as it was seen
 * @param taxon the target that it is
 */
export function looksSuffice(model: Model, given: Case, taxon: number, stage: Stage): boolean {
  const observations = given.observations.map((o) =>
    o.position ? o : (usualLook(model, taxon, model.characterIndex.get(o.character) as number, stage) ?? o),
  );
  return decide(judge(model, { ...given, observations })).verdict === "clear";
}

/**
 * True where someone who saw all of that, and erred in nothing, would be told what to do: Clear of a target, Keep of a kept
 * plant; where one check alone tells it apart from a twin that the flora does not include, it is made on a second plant. What is not separable in this sense no choice of checks can settle at that stage, with this flora.
 * @param given the place, day, list and costs; its observations are left out of account
 */
export function isSeparable(model: Model, given: Case, taxon: number, stage: Stage, kept: boolean): boolean {
  const all = { ...given, stage, observations: usualLooks(model, taxon, stage) };
  const { verdict, twinsInTheWay: openTwins } = decide(judge(model, all));
  if (kept || verdict !== "hold" || !openTwins.some((twin) => twin.again.length > 0))
    return verdict === (kept ? "keep" : "clear");
  const again = new Set(openTwins.flatMap((twin) => twin.again.map((c) => model.flora.characters[c].id)));
  return (
    decide(
      judge(model, {
        ...all,
        observations: all.observations.map((o) => (again.has(o.character) ? withSecondPlant(o, o) : o)),
      }),
    ).verdict === "clear"
  );
}
