import type { Character } from "../../flora";

export type Lens = "collar" | "touch" | "distance" | "dig" | "bark" | null;

const inBlocks =
  (...blocks: string[]) =>
  ({ block }: Character): boolean =>
    blocks.includes(block);

const atStations =
  (...stations: string[]) =>
  ({ station }: Character): boolean =>
    stations.includes(station);

/** What a lens brings forward: a station, what is felt or smelt, what must be dug or pulled for, what a twig shows without leaves. */
export const SEEN_THROUGH: Record<Exclude<Lens, null>, (character: Character) => boolean> = {
  collar: atStations("collar", "grass-seedling"),
  touch: inBlocks("hair", "texture", "arms", "bloom", "sap", "smell", "stem-build", "stiffness"),
  distance: atStations("distance", "setting"),
  dig: (character) => character.destroys || character.block === "root",
  bark: inBlocks("bark", "inner", "buds", "arms", "arms-place", "cane", "stand"),
};
