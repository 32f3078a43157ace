import { InputError } from "../../errors";
import type { Observation } from "../case/case";
import { saysPartIsMissing } from "../case/no-such-part";
import type { Model } from "../model/model";
import type { Stage } from "../../flora";
import { checkKind } from "./check-observation";
import { comparativeEvidence } from "./comparative";
import type { Evidence } from "./evidence";
import { type BaseKnown, missingPart, weighByBase } from "./missing-part";
import { measureEvidence } from "./number";
import { atEither, missingAtBoth, weighByStage } from "./stages";
import { stateEvidence } from "./state";

/**
 * @param base what other checks say of what the part stands on (`baseKnown`)
 * @param stated the stages that the scout stated, at most two
 * @returns null where the observation says nothing about the plant (cannot tell, not there yet)
 */
export function evidenceOf(
  model: Model,
  observation: Observation,
  index: number,
  base: BaseKnown,
  stated: Stage[] = [],
): Evidence | null {
  const field = `observations.${index}`;
  const c = model.characterIndex.get(observation.character);
  if (c === undefined)
    throw new InputError(
      "unknown-character",
      `${field}.character`,
      observation.character,
      "give a character of the vocabulary",
    );
  if (observation.answer === "cannot-tell" || observation.answer === "not-there-yet") return null;
  const character = model.flora.characters[c];
  checkKind(model, c, observation, field);
  if (character.compares) {
    const compared = comparativeEvidence(model, c, observation, field);
    return compared && atEither(model, c, compared, stated);
  }
  if (saysPartIsMissing(character, observation))
    return missingAtBoth(
      model,
      { character: c, block: character.block, ...missingPart(model, c, observation.sure, base) },
      stated,
    );
  const evidence =
    character.states.length > 0
      ? stateEvidence(model, c, observation, field)
      : measureEvidence(model, c, observation, field);
  weighByStage(model, c, evidence, stated);
  if (!base) weighByBase(model, observation, evidence, c);
  return atEither(model, c, { character: c, block: character.block, ...evidence }, stated);
}
