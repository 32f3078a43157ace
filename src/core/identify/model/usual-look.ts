import type { Position, Stage } from "../../flora";
import type { Observation } from "../case/case";
import type { Model } from "./model";
import { recordingOf, scoreFor, usuallySeen } from "./scores";

/** Where on a plant, and of which of its forms. */
export interface Where {
  position?: Position;
  form?: string;
}

/** What a plant mostly shows for a character at a stage; null where it is not recorded, does not apply or is not seen then. */
export function usualState(
  model: Model,
  taxon: number,
  character: string,
  stage: Stage,
  where: Where = {},
): string | null {
  const c = model.characterIndex.get(character);
  if (c === undefined || recordingOf(model, taxon, c) !== "recorded" || !usuallySeen(model, taxon, c, stage))
    return null;
  const { shares } =
    scoreFor(model, taxon, c, stage, where.position, where.form ?? model.flora.taxa[taxon].forms[0].id) ?? {};
  if (!shares) return null;
  const best = shares.indexOf(Math.max(...shares));
  return shares[best] >= model.tuning.usualShare ? model.flora.characters[c].states[best].id : null;
}

/**
 * One part as it usually is on a plant at a stage; null where that is not recorded, not seen then, varies too much to be usual,
 * or stands on a part that usually is not there: a leaf that is mostly whole has no usual plan of lobes.
 */
export function usualLook(model: Model, taxon: number, c: number, stage: Stage): Observation | null {
  const character = model.flora.characters[c];
  if (
    character.compares ||
    usuallyBare(model, taxon, c, stage) ||
    !usuallySeen(model, taxon, c, stage) ||
    recordingOf(model, taxon, c) !== "recorded"
  )
    return null;
  const look = { character: character.id, answer: "seen" as const, join: "any" as const, sure: "sure" as const };
  const points = scoreFor(model, taxon, c, stage, undefined, model.flora.taxa[taxon].forms[0].id)?.points;
  if (points) return { ...look, value: (points[1] + points[2]) / 2 };
  const state = usualState(model, taxon, character.id, stage);
  return state ? { ...look, states: [state] } : null;
}

/** True where what a part stands on, or what that stands on, usually is different on this plant. */
function usuallyBare(model: Model, taxon: number, c: number, stage: Stage): boolean {
  const { when } = model.flora.characters[c];
  const base = when && model.characterIndex.get(when.character);
  if (!when || base === undefined) return false;
  const state = usualState(model, taxon, when.character, stage);
  return (state !== null && !when.states.includes(state)) || usuallyBare(model, taxon, base, stage);
}
