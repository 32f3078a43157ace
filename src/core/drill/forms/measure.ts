import type { Chance } from "../../random";
import type { DrillBook, Subject } from "../book";
import { drawIndividual } from "../individual";
import type { MeasureQuestion } from "../question";
import type { Unaskable } from "./clue-by-clue";

/** What can be measured on a drawing of one leaf, whatever its scale. */
export const MEASURED_ON_DRAWINGS = ["stalk-ratio", "leaf-ratio", "notch-angle"];

/** One part of this very plant, drawn to scale. */
export function measureIt(
  { model }: DrillBook,
  { taxon, stage }: Subject,
  seed: number,
  chance: Chance,
): MeasureQuestion | Unaskable {
  const plant = drawIndividual(model, taxon, stage, chance.named("plant"));
  const found = MEASURED_ON_DRAWINGS.flatMap((id) => {
    const trait = plant.traits.get(model.characterIndex.get(id) ?? -1);
    return trait && "value" in trait && trait.value > 0 ? [{ character: id, value: trait.value }] : [];
  });
  if (found.length === 0) return { why: "nothing that is measured on a drawing is recorded" };
  const { character, value } = found[chance.named("which").below(found.length)];
  return { form: "measure", taxon: model.flora.taxa[taxon].id, stage, seed, character, value };
}
