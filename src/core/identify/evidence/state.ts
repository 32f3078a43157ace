import { InputError } from "../../errors";
import { LIFE_FORMS } from "../../flora";
import type { Observation } from "../case/case";
import { answerChances, rowStart } from "../model/answer-tables";
import type { Model } from "../model/model";
import { confusionTable } from "../model/observer";
import { type Chances, forEachCondition } from "./evidence";
import { backgroundOnPlants, chanceOnPlants, oneThenOther, type SeenOnPlants, someOfPlants } from "./several-plants";

export function stateEvidence(model: Model, c: number, observation: Observation, field: string): Chances {
  const character = model.flora.characters[c];
  const named = namedStates(model, c, observation, field);
  if (observation.of) return plantsEvidence(model, c, observation, seenOnPlants(model, c, observation, named, field));
  const n = model.answers[c];
  const combine = (rows: ArrayLike<number>, from = 0) => Math.max(1e-9, combineStates(rows, from, named, observation));
  const background = Float64Array.from(LIFE_FORMS, (_, form) => combine(model.background[c], form * n));
  const even = combine(new Float64Array(n).fill(1 / n));
  const chance = new Float64Array(model.conditions.length);
  if (observation.sure === "sure" && !observation.position) {
    const table = model.table[c];
    const plain = observation.answer === "seen" && named.length === 1 && observation.join === "any";
    // One state seen, the commonest answer by far, is read straight from the table.
    forEachCondition(model, c, chance, (z) =>
      plain ? Math.max(1e-9, table[rowStart(model, c, z) + named[0]]) : combine(table, rowStart(model, c, z)),
    );
    return { chance, background, even };
  }
  const confusion = confusionTable(character, model.observerError, observation.sure, model.tuning);
  forEachCondition(model, c, chance, (z) =>
    combine(answerChances(model, c, model.conditions[z], observation.position, confusion)),
  );
  return { chance, background, even };
}

/** Least chance of what was seen on several plants. */
const LEAST_ON_PLANTS = 1e-9;

function plantsEvidence(model: Model, c: number, { sure, position }: Observation, seen: SeenOnPlants): Chances {
  const confusion = confusionTable(model.flora.characters[c], model.observerError, sure, model.tuning);
  const chance = new Float64Array(model.conditions.length);
  forEachCondition(model, c, chance, (z) =>
    Math.max(LEAST_ON_PLANTS, chanceOnPlants(model, c, z, position, confusion, seen)),
  );
  const { byForm, even } = backgroundOnPlants(model, c, confusion, seen);
  return { chance, background: byForm.map((x) => Math.max(LEAST_ON_PLANTS, x)), even: Math.max(LEAST_ON_PLANTS, even) };
}

function seenOnPlants(
  model: Model,
  c: number,
  { of, other }: Observation,
  named: number[],
  field: string,
): SeenOnPlants {
  const { yes, n } = of as NonNullable<Observation["of"]>;
  return typeof other !== "string"
    ? someOfPlants(named, yes, n)
    : oneThenOther(named[0], stateIndex(model, c, other, `${field}.other`));
}

/** Indices of the states named; "absent" alone means the state none. */
export function namedStates(model: Model, c: number, observation: Observation, field: string): number[] {
  const character = model.flora.characters[c];
  const ids = observation.states ?? (observation.answer === "absent" ? ["none"] : []);
  if (ids.length === 0)
    throw new InputError("no-state", `${field}.states`, observation.states, `name a state of ${character.id}`);
  return [...new Set(ids)].map((id) => stateIndex(model, c, id, `${field}.states`));
}

function stateIndex(model: Model, c: number, id: string, field: string): number {
  const { states } = model.flora.characters[c];
  const index = states.findIndex((s) => s.id === id);
  if (index < 0) throw new InputError("unknown-state", field, id, `give one of ${states.map((s) => s.id).join(", ")}`);
  return index;
}

/**
 * One of these: the sum. These together: each seen on some part. Absent: anything but these. k of n: a binomial.
 * @param rows chances of the answers, of which those from `from` on are meant
 */
export function combineStates(
  rows: ArrayLike<number>,
  from: number,
  named: number[],
  observation: Observation,
): number {
  let sum = 0;
  for (let i = 0; i < named.length; i++) sum += rows[from + named[i]];
  sum = Math.min(1, sum);
  if (observation.of) {
    const { yes, n } = observation.of;
    return Math.max(sum, 1e-6) ** yes * Math.max(1 - sum, 1e-6) ** Math.max(0, n - yes);
  }
  if (observation.answer === "absent" && observation.states) return 1 - sum;
  return observation.join === "all" ? chanceOfAll(rows, from, named) : sum;
}

/**
 * Joint probability that as many parts as states are named show one of the states each: n! Π p. It assumes that the scout
 * looked at n parts of the plant, in no order, and that each shows a state by the plant's shares whatever the others show.
 * Over all that n parts may show (the same state twice among it) these chances sum to 1.
 * @param rows chances of the answers, of which those from `from` on are meant
 * @param named indices of n different states
 * @returns a probability in [0, 1]; of one state its own chance
 * @example chanceOfAll([0.5, 0.5], 0, [0, 1]) // 0.5
 */
export function chanceOfAll(rows: ArrayLike<number>, from: number, named: number[]): number {
  let chance = 1;
  for (let i = 0; i < named.length; i++) chance *= (i + 1) * rows[from + named[i]];
  return chance;
}
