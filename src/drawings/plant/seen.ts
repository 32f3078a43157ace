import type { LifeForm, Stage, CompiledFlora } from "@/core/flora";
import { type Model, recordingOf, scoreFor, shows, usualState } from "@/core/identify";

/** What one plant shows, as far as it is known: a state or a number by the character's id, null where it is not recorded. */
export interface Seen {
  lifeForm: LifeForm;
  stage: Stage;
  state: (character: string) => string | null;
  value: (character: string) => number | null;
}

/** A state that no other outdoes is drawn from this share on: a plant that is now so, now so, still stands somehow. */
const COMMONEST = 0.35;

/** A plant as it mostly looks at a stage: its usual or commonest states, and the middle of its measures. */
export function typicalPlant(model: Model, taxon: number, stage: Stage): Seen {
  const kind = model.flora.taxa[taxon];
  const value = (id: string): number | null => {
    const c = model.characterIndex.get(id);
    if (c === undefined || recordingOf(model, taxon, c) !== "recorded") return null;
    const points = scoreFor(model, taxon, c, stage, undefined, kind.forms[0].id)?.points;
    return points ? (points[1] + points[2]) / 2 : null;
  };
  const commonest = (id: string): string | null => {
    const c = model.characterIndex.get(id);
    if (c === undefined || !shows(model, taxon, c, stage)) return null;
    const shares = scoreFor(model, taxon, c, stage, undefined, kind.forms[0].id)?.shares;
    const best = shares ? shares.indexOf(Math.max(...shares)) : -1;
    return shares && shares[best] >= COMMONEST ? model.flora.characters[c].states[best].id : null;
  };
  const state = (id: string) => usualState(model, taxon, id, stage) ?? commonest(id);
  return { lifeForm: kind.lifeForm, stage, value, state };
}

/** A trait by its indices, as an individual of the core has it. */
type Trait = { character: number; state: number } | { character: number; value: number };

/** One plant, with what it shows itself; nothing of its kind is added to it. */
export function individualPlant(
  flora: CompiledFlora,
  { taxon, stage, traits }: { taxon: number; stage: Stage; traits: ReadonlyMap<number, Trait> },
): Seen {
  const index = new Map(flora.characters.map(({ id }, c) => [id, c]));
  const trait = (id: string) => traits.get(index.get(id) ?? -1);
  return {
    lifeForm: flora.taxa[taxon].lifeForm,
    stage,
    state: (id) => {
      const found = trait(id);
      return found && "state" in found ? flora.characters[found.character].states[found.state].id : null;
    },
    value: (id) => {
      const found = trait(id);
      return found && "value" in found ? found.value : null;
    },
  };
}
