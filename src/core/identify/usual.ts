import type { Position, Stage } from "./flora-types";
import { type Model, recordingOf, scoreFor, usuallySeen } from "./model";

/** A state must be this likely before it is called usual: a drawing shows what the plant mostly looks like, and claims no more. */
const USUAL_SHARE = 0.45;

/** Where on a plant, and of which of its forms. */
export interface Where {
  position?: Position;
  form?: string;
}

/** What a plant mostly shows for a character at a stage; null where it is not recorded, does not apply or is not seen then. */
export function usualState(model: Model, taxon: number, character: string, stage: Stage, where: Where = {}): string | null {
  const c = model.characterIndex.get(character);
  if (c === undefined || recordingOf(model, taxon, c) !== "recorded" || !usuallySeen(model, taxon, c, stage)) return null;
  const { shares } = scoreFor(model, taxon, c, stage, where.position, where.form ?? model.flora.taxa[taxon].forms[0].id) ?? {};
  if (!shares) return null;
  const best = shares.indexOf(Math.max(...shares));
  return shares[best] >= USUAL_SHARE ? model.flora.characters[c].states[best].id : null;
}
