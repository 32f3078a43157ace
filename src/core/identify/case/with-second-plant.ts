import type { Observation } from "./case";

/** Whether an answer was given of one plant alone, of however many leaves, so that a second one can still be looked at. */
export const isOfOnePlant = ({
  answer,
  states,
  join,
  of,
  other,
  position,
  against,
}: Pick<Observation, "answer" | "states" | "join" | "of" | "other" | "position" | "against">): boolean =>
  answer === "seen" &&
  !of &&
  other === undefined &&
  !position &&
  !against &&
  (!states || (states.length === 1 && join !== "all"));

const SURENESS = ["sure", "likely", "guess"] as const;

/**
 * An answer given of one plant, together with what a second plant of the same patch shows: both of two, or one of two and what
 * the other shows; its reading beside the first one's. The two are as sure as the less sure of them, and read as closely as the less close.
 * @returns `first` itself where the second look tells nothing
 */
export function withSecondPlant<O extends Partial<Observation>>(first: O, second: Partial<Observation>): O {
  const sure = SURENESS[Math.max(SURENESS.indexOf(first.sure ?? "sure"), SURENESS.indexOf(second.sure ?? "sure"))];
  if (first.states) {
    if (second.answer !== undefined && second.answer !== "seen" && second.answer !== "absent") return first;
    const same = second.states?.length === 1 && second.states[0] === first.states[0];
    return {
      ...first,
      sure,
      of: { yes: same ? 2 : 1, n: 2 },
      ...(!same && second.states?.length === 1 ? { other: second.states[0] } : {}),
    };
  }
  const readings = second.values ?? (second.value === undefined ? [] : [second.value]);
  if (readings.length === 0) return first;
  const { half, ...rest } = first;
  const both = half === undefined || second.half === undefined ? {} : { half: Math.max(half, second.half) };
  return { ...rest, ...both, sure, other: readings.reduce((a, b) => a + b, 0) / readings.length } as O;
}
