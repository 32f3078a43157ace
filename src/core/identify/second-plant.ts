import type { Observation } from "./case";

/** Whether an answer was given of one plant alone, so that a second one can still be looked at. */
export const isOfOnePlant = ({ answer, states, values, join, of, position, against }: Pick<Observation, "answer" | "states" | "values" | "join" | "of" | "position" | "against">): boolean =>
  answer === "seen" && !of && !position && !against && (states ? states.length === 1 && join !== "all" : (values ?? []).length < 2);

/**
 * An answer given of one plant, together with what a second plant of the same patch shows: both of two, or one of two; readings
 * stand side by side. A second look that tells nothing changes nothing.
 */
export function withSecondPlant<O extends Partial<Observation>>(first: O, second: Partial<Observation>): O {
  if (first.states) {
    if (second.answer !== undefined && second.answer !== "seen" && second.answer !== "absent") return first;
    const same = second.states?.length === 1 && second.states[0] === first.states[0];
    return { ...first, of: { yes: same ? 2 : 1, n: 2 } };
  }
  const readings = second.values ?? (second.value === undefined ? [] : [second.value]);
  if (readings.length === 0) return first;
  const { value, half: _, ...rest } = first;
  return { ...rest, values: [...(first.values ?? (value === undefined ? [] : [value])), ...readings] } as O;
}
