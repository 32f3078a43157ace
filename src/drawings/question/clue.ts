import { withUnit } from "@/core/flora";
import type { Misleading, Individual, ShownTrait } from "@/core/drill";
import { type Model, stateName } from "@/core/identify";
import { drawDamage } from "../figure/damage";
import type { Shape } from "../ink/shapes";
import { drawMeasured } from "../measured/draw-measured";
import { type Seen, individualPlant } from "../plant/seen";
import { drawState } from "../states/draw-state";

/** One part of a plant, drawn and in words. */
export interface DrawnClue {
  character: string;
  /** the part */
  title: string;
  /** what it shows */
  words: string;
  shapes: Shape[] | null;
}

/** What a lying clue is called before the answer: what one sees of it, and nothing that a plant has of itself. */
const SEEN_AS: Partial<Record<Misleading, string>> = { chewed: "uneven, with large gaps" };

/** Draws a clue of this very plant. */
export function drawClue(model: Model, plant: Individual, clue: ShownTrait, seed: string): DrawnClue {
  const character = model.flora.characters[model.characterIndex.get(clue.character) as number];
  const { id, name } = character;
  const lie = clue.misleading;
  const own = clue.state === undefined ? withUnit(clue.value ?? "", character.unit) : stateName(character, clue.state);
  return {
    character: id,
    title: name,
    words: (lie && SEEN_AS[lie]) ?? own,
    shapes: lie
      ? drawDamage(lie, honestPlant(model, plant, clue.character), clue.state, seed)
      : clue.state === undefined
        ? drawMeasured(id)
        : drawState(id, clue.state),
  };
}

/** The plant without what a lying clue is about. */
function honestPlant(model: Model, plant: Individual, without: string): Seen {
  const traits = new Map(plant.traits);
  traits.delete(model.characterIndex.get(without) as number);
  return individualPlant(model.flora, { ...plant, traits });
}
