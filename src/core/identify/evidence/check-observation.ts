import { InputError } from "../../errors";
import type { Observation } from "../case/case";
import type { Model } from "../model/model";

/**
 * Refuses what cannot be weighed together: the same part looked at twice would count one look as two, and two answers
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

/**
 * What no plant could show or nobody could count, by kind of character.
 * @throws {InputError} wrong-kind | not-comparative | more-than-all | not-one-of-two | out-of-range
 */
export function checkKind(model: Model, c: number, observation: Observation, field: string): void {
  const character = model.flora.characters[c];
  const measured = character.states.length === 0;
  const numbers = observation.values ?? (observation.value === undefined ? [] : [observation.value]);
  if (measured && (observation.states || observation.of))
    throw new InputError(
      "wrong-kind",
      `${field}.${observation.states ? "states" : "of"}`,
      observation.states ?? observation.of,
      `${character.id} is measured: give value or values in ${character.unit}`,
    );
  if (!measured && numbers.length > 0)
    throw new InputError(
      "wrong-kind",
      `${field}.value`,
      numbers[0],
      `${character.id} has states: name one of ${character.states.map((s) => s.id).join(", ")}`,
    );
  if (observation.against && !character.compares)
    throw new InputError(
      "not-comparative",
      `${field}.against`,
      observation.against,
      `${character.id} looks at one plant alone; leave against out`,
    );
  const { of } = observation;
  if (of && of.yes > of.n)
    throw new InputError("more-than-all", `${field}.of`, of, `of ${of.n} plants at most ${of.n} can show it`);
  const { other } = observation;
  if (other !== undefined && measured !== (typeof other === "number"))
    throw new InputError(
      "wrong-kind",
      `${field}.other`,
      other,
      measured
        ? `${character.id} is measured: give the second plant's reading in ${character.unit}`
        : `${character.id} has states: name one of ${character.states.map((s) => s.id).join(", ")}`,
    );
  if (
    typeof other === "string" &&
    (of?.yes !== 1 || of.n !== 2 || observation.states?.length !== 1 || observation.states[0] === other)
  )
    throw new InputError(
      "not-one-of-two",
      `${field}.other`,
      other,
      "give it beside one other state, seen on one of two plants: of { yes: 1, n: 2 }",
    );
  const most = largestReading(model, c);
  for (const value of typeof other === "number" ? [...numbers, other] : numbers)
    if (value > most)
      throw new InputError(
        "out-of-range",
        `${field}.${value === other ? "other" : "value"}`,
        value,
        `no plant comes near: give it in ${character.unit}, at most ${Number(most.toPrecision(2))}`,
      );
}

/** The largest reading of a measured character that is taken for one, in its unit. */
export const largestReading = (model: Model, c: number): number =>
  model.tuning.beyondAny * model.measuredScores[c].reduce((most, score) => Math.max(most, score.points?.[3] ?? 0), 1);
