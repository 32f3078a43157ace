import type { Character } from "../../flora";
import type { Observation } from "../case/case";
import { saysPartIsMissing } from "../case/no-such-part";
import type { Judgement } from "../posterior/judgement";

/** The name that a scout would use: the first common name, else the accepted one. */
export function plainName(judgement: Pick<Judgement, "model">, taxon: number): string {
  const { common, name } = judgement.model.flora.taxa[taxon];
  const first = common[0] ?? name;
  return first.charAt(0).toUpperCase() + first.slice(1);
}

/** What was seen, in words: "Leaf base: heart-shaped notch (likely)". */
export function describeObservation({ model, case: given }: Judgement, index: number): string {
  const observation = given.observations[index];
  const character = model.flora.characters[model.characterIndex.get(observation.character) as number];
  return observationInWords(observation, character, (taxon) =>
    plainName({ model }, model.taxonIndex.get(taxon) as number),
  );
}

/** @param nameOf what a scout calls a plant, from its accepted name */
export function observationInWords(
  observation: Observation,
  character: Character,
  nameOf: (taxon: string) => string,
): string {
  const sure = observation.sure === "sure" ? "" : ` (${observation.sure === "guess" ? "a guess" : "likely"})`;
  if (observation.answer === "cannot-tell") return `${character.name}: can't tell`;
  if (observation.answer === "not-there-yet") return `${character.name}: not there yet`;
  const values = observation.values ?? (observation.value === undefined ? null : [observation.value]);
  const within = observation.half === undefined ? "" : ` ± ${Number(observation.half.toPrecision(2))}`;
  const onAnother =
    typeof observation.other === "number"
      ? ` on one plant, ${Number(observation.other.toPrecision(3))} on another`
      : "";
  if (values)
    return `${character.name}: ${values.map((v) => Number(v.toPrecision(3))).join(", ")}${within} ${character.unit}${onAnother}${sure}`;
  const plants =
    typeof observation.other === "string"
      ? ` on one plant, ${stateName(character, observation.other)} on another`
      : observation.of
        ? ` in ${observation.of.yes} of ${observation.of.n} plants`
        : "";
  const beside = observation.against
    ? ` ${observation.states?.[0] === "same" ? "as" : "than"} ${nameOf(observation.against)}`
    : "";
  if (saysPartIsMissing(character, observation)) return `${character.name}: no such part${sure}`;
  const names = (observation.states ?? ["none"]).map((id) => stateName(character, id));
  const looked = observation.answer === "absent" && observation.states ? "looked for and absent: " : "";
  return `${character.name}: ${looked}${names.join(observation.join === "all" ? " and " : " or ")}${beside}${plants}${sure}`;
}

export function stateName(character: Character, id: string): string {
  return (character.states.find((s) => s.id === id)?.name ?? id).replace(/^./, (letter) => letter.toLowerCase());
}
