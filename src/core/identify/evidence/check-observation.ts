import { InputError } from "../../errors";
import type { Character } from "../../flora";
import type { Observation } from "../case/case";
import type { Model } from "../model/model";

/**
 * Refuses what cannot be weighed together: the same part looked at twice would count one check as two, and two answers
 * that shut each other out cannot both be right.
 * @throws {InputError} twice | contradiction
 */
export function checkTogether(observations: Observation[]): void {
  const seen = new Map<string, Observation>();
  for (const [i, o] of observations.entries()) {
    const key = `${o.character}@${o.position ?? ""}@${o.against ?? ""}`;
    const before = seen.get(key);
    if (before && shutOut(before, o))
      throw new InputError(
        "contradiction",
        `observations.${i}`,
        o.states ?? o.answer,
        `it was answered before with ${JSON.stringify(before.states ?? before.answer)}; keep one of the two`,
      );
    if (before)
      throw new InputError(
        "twice",
        `observations.${i}.character`,
        o.character,
        "give each character once for each part; several readings go in values, several plants in of",
      );
    seen.set(key, o);
  }
}

const says = (o: Observation) => o.answer === "seen" || o.answer === "absent";

function shutOut(a: Observation, b: Observation): boolean {
  if (!says(a) || !says(b)) return false;
  if (a.answer !== b.answer) return true;
  return a.states !== undefined && b.states !== undefined && !a.states.some((s) => b.states?.includes(s));
}

const numbersOf = ({ value, values }: Observation): number[] => values ?? (value === undefined ? [] : [value]);

/**
 * What no plant could show or nobody could count, by kind of character.
 * @throws {InputError} wrong-kind | not-comparative | more-than-all | not-one-of-two | out-of-range
 */
export function checkKind(model: Model, c: number, observation: Observation, field: string): void {
  const character = model.flora.characters[c];
  checkForm(character, observation, field);
  checkCounted(character, observation, field);
  checkSecond(character, observation, field);
  checkSize(model, c, observation, field);
}

const namesStates = (character: Character) =>
  `${character.id} has states: name one of ${character.states.map((s) => s.id).join(", ")}`;

/** A number for what is measured, states for what has them. */
function checkForm(character: Character, observation: Observation, field: string): void {
  const measured = character.states.length === 0;
  const [number] = numbersOf(observation);
  if (measured && (observation.states || observation.of))
    throw new InputError(
      "wrong-kind",
      `${field}.${observation.states ? "states" : "of"}`,
      observation.states ?? observation.of,
      `${character.id} is measured: give value or values in ${character.unit}`,
    );
  if (!measured && number !== undefined)
    throw new InputError("wrong-kind", `${field}.value`, number, namesStates(character));
}

function checkCounted(character: Character, { against, of }: Observation, field: string): void {
  if (against && !character.compares)
    throw new InputError(
      "not-comparative",
      `${field}.against`,
      against,
      `${character.id} is checked on one plant alone. Leave out against`,
    );
  if (of && of.yes > of.n)
    throw new InputError("more-than-all", `${field}.of`, of, `of ${of.n} plants at most ${of.n} can show it`);
}

/** What a second plant showed is of the same kind, and stands beside what the first one did. */
function checkSecond(character: Character, { other, of, states }: Observation, field: string): void {
  if (other === undefined) return;
  const measured = character.states.length === 0;
  if (measured !== (typeof other === "number"))
    throw new InputError(
      "wrong-kind",
      `${field}.other`,
      other,
      measured
        ? `${character.id} is measured: give the second plant's reading in ${character.unit}`
        : namesStates(character),
    );
  const oneOfTwo = of?.yes === 1 && of.n === 2 && states?.length === 1 && states[0] !== other;
  if (typeof other === "string" && !oneOfTwo)
    throw new InputError(
      "not-one-of-two",
      `${field}.other`,
      other,
      "give it beside one other state, seen on one of two plants: of { yes: 1, n: 2 }",
    );
}

function checkSize(model: Model, c: number, observation: Observation, field: string): void {
  const { other } = observation;
  const numbers = numbersOf(observation);
  const most = largestReading(model, c);
  for (const value of typeof other === "number" ? [...numbers, other] : numbers)
    if (value > most)
      throw new InputError(
        "out-of-range",
        `${field}.${value === other ? "other" : "value"}`,
        value,
        `no plant comes near: give it in ${model.flora.characters[c].unit}, at most ${Number(most.toPrecision(2))}`,
      );
}

/** The largest reading of a measured character that is accepted as one, in its unit. */
export const largestReading = (model: Model, c: number): number =>
  model.tuning.beyondAny * model.measuredScores[c].reduce((most, score) => Math.max(most, score.points?.[3] ?? 0), 1);
