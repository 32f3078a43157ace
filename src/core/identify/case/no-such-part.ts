import type { Character } from "../../flora";
import type { Observation } from "./case";

/** A part may be missing altogether where no state of its character says so. */
export const canBeMissing = (character: Character): boolean =>
  !character.comparative && !character.states.some((s) => s.id === "none");

/** "No such part here", of a character that has no state for it. */
export const saysPartIsMissing = (
  character: Character,
  { answer, states, value, values }: Pick<Observation, "answer" | "states" | "value" | "values">,
): boolean => answer === "absent" && !states && value === undefined && !values && canBeMissing(character);
