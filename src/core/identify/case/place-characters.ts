import type { Character } from "../../flora";

/** What can be said of the place where a plant stands: known before the plant is touched, and the same for the next one beside it. */
export const placeCharacters = (characters: Character[]): Character[] =>
  characters.filter((c) => c.station === "setting");
