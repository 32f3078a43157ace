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
  return `${character.name}: ${answerInWords(observation, character, nameOf, sure)}`;
}

function answerInWords(
  observation: Observation,
  character: Character,
  nameOf: (taxon: string) => string,
  sure: string,
): string {
  if (observation.answer === "cannot-tell") return "can't tell";
  if (observation.answer === "not-there-yet") return "not there yet";
  const values = observation.values ?? (observation.value === undefined ? null : [observation.value]);
  if (values) return numbersInWords(values, observation, character) + sure;
  if (saysPartIsMissing(character, observation)) return `no such part${sure}`;
  return statesInWords(observation, character, nameOf) + sure;
}

const round = (value: number, digits: number): number => Number(value.toPrecision(digits));

function numbersInWords(values: number[], { half, other }: Observation, { unit }: Character): string {
  const within = half === undefined ? "" : ` ± ${round(half, 2)}`;
  const second = typeof other === "number" ? ` on one plant, ${round(other, 3)} on another` : "";
  return `${values.map((v) => round(v, 3)).join(", ")}${within} ${unit}${second}`;
}

function statesInWords(
  { answer, states, join, against, of, other }: Observation,
  character: Character,
  nameOf: (taxon: string) => string,
): string {
  const names = (states ?? ["none"]).map((id) => stateName(character, id)).join(join === "all" ? " and " : " or ");
  const looked = answer === "absent" && states ? "checked and absent: " : "";
  const beside = against ? ` ${states?.[0] === "same" ? "as" : "than"} ${nameOf(against)}` : "";
  return `${looked}${names}${beside}${plantsInWords(character, of, other)}`;
}

function plantsInWords(character: Character, of: Observation["of"], other: Observation["other"]): string {
  if (typeof other === "string") return ` on one plant, ${stateName(character, other)} on another`;
  return of ? ` in ${of.yes} of ${of.n} plants` : "";
}

export function stateName(character: Character, id: string): string {
  return (character.states.find((s) => s.id === id)?.name ?? id).replace(/^./, (letter) => letter.toLowerCase());
}
