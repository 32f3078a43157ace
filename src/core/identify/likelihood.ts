import { InputError } from "../errors";
import { saysPartIsMissing } from "./absent";
import type { Observation } from "./case";
import { compare, COMPARED } from "./comparative";
import type { Chances, Evidence } from "./evidence";
import { type Character, LIFE_FORMS, STAGES } from "./flora-types";
import { type FourPoints, minimumWidth, readingChance } from "./measures";
import { type BaseKnown, missingPart, weighByBase } from "./missing-part";
import { answerChances, type Model, recordingOf, rowStart, scaleWhere, scoreFor, variesWithCondition } from "./model";
import { confusionTable, grossErrorRate } from "./observer";
import { backgroundOnPlants, chanceOnPlants, oneThenOther, type SeenOnPlants, someOfPlants } from "./patch";
import { chanceOfTwo, firstReading, nearness, type OfTwo, type Reading, twoReadings } from "./second-reading";

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

/** Chance left to a part seen at a stage at which this plant does not show it. */
const OUT_OF_STAGE = 0.05;

/**
 * @param base what other looks say of what the part stands on (`baseKnown`)
 * @returns null where the observation says nothing about the plant (cannot tell, not there yet)
 */
export function evidenceOf(model: Model, observation: Observation, index: number, base: BaseKnown): Evidence | null {
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
  if (character.compares) return comparativeEvidence(model, c, observation, field);
  if (saysPartIsMissing(character, observation))
    return { character: c, block: character.block, ...missingPart(model, c, observation.sure, base) };
  const evidence =
    character.states.length > 0
      ? stateEvidence(model, c, observation, field)
      : measureEvidence(model, c, observation, field);
  scaleWhere(model, c, false, evidence.chance, OUT_OF_STAGE);
  if (!base) weighByBase(model, observation, evidence, c);
  return { character: c, block: character.block, ...evidence };
}

/** A reading this many times the largest that any plant reaches is a slip of the unit. */
const BEYOND_ANY = 20;

/**
 * What no plant could show or nobody could count, by kind of character.
 * @throws {InputError} wrong-kind | not-comparative | more-than-all | not-one-of-two | out-of-range
 */
function checkKind(model: Model, c: number, observation: Observation, field: string): void {
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
  BEYOND_ANY * model.measuredScores[c].reduce((most, score) => Math.max(most, score.points?.[3] ?? 0), 1);

function comparativeEvidence(model: Model, c: number, observation: Observation, field: string): Evidence | null {
  const character: Character = model.flora.characters[c];
  const named = namedStates(model, c, observation, field);
  const compared = compare(model, c, observation, field);
  if (!compared) return null;
  const n = COMPARED.length;
  const combine = (rows: ArrayLike<number>, from: number) =>
    Math.max(1e-9, combineStates(rows, from, named, observation));
  return {
    character: compared.base,
    block: character.block,
    chance: Float64Array.from(model.conditions, (_, z) => combine(compared.rows, z * n)),
    background: Float64Array.from(LIFE_FORMS, (_, form) => combine(compared.background, form * n)),
    even: combine(new Float64Array(n).fill(1 / n), 0),
  };
}

function stateEvidence(model: Model, c: number, observation: Observation, field: string): Chances {
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
  const confusion = confusionTable(character, model.observerError, observation.sure);
  forEachCondition(model, c, chance, (z) =>
    combine(answerChances(model, c, model.conditions[z], observation.position, confusion)),
  );
  return { chance, background, even };
}

/** Least chance of what was seen on several plants. */
const LEAST_ON_PLANTS = 1e-9;

function plantsEvidence(model: Model, c: number, { sure, position }: Observation, seen: SeenOnPlants): Chances {
  const confusion = confusionTable(model.flora.characters[c], model.observerError, sure);
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

/** Fills the chance of each condition, working out once what a plant shows alike in all of them. */
function forEachCondition(model: Model, c: number, chance: Float64Array, chanceIn: (z: number) => number): void {
  const { firstCondition } = model;
  for (let t = 0; t + 1 < firstCondition.length; t++) {
    const alike = !variesWithCondition(model, t, c);
    for (let z = firstCondition[t]; z < firstCondition[t + 1]; z++)
      chance[z] = alike && z > firstCondition[t] ? chance[z - 1] : chanceIn(z);
  }
}

/** Indices of the states named; "absent" alone means the state none. */
function namedStates(model: Model, c: number, observation: Observation, field: string): number[] {
  const character = model.flora.characters[c];
  const ids = observation.states ?? (observation.answer === "absent" ? ["none"] : []);
  if (ids.length === 0)
    throw new InputError("no-state", `${field}.states`, observation.states, `name a state of ${character.id}`);
  return ids.map((id) => stateIndex(model, c, id, `${field}.states`));
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
function combineStates(rows: ArrayLike<number>, from: number, named: number[], observation: Observation): number {
  let sum = 0;
  for (let i = 0; i < named.length; i++) sum += rows[from + named[i]];
  sum = Math.min(1, sum);
  if (observation.of) {
    const { yes, n } = observation.of;
    return Math.max(sum, 1e-6) ** yes * Math.max(1 - sum, 1e-6) ** Math.max(0, n - yes);
  }
  if (observation.answer === "absent" && observation.states) return 1 - sum;
  if (observation.join === "all")
    return named.reduce((product, s) => product * rows[from + s], 1) ** (1 / Math.max(1, named.length - 0.5));
  return sum;
}

function measureEvidence(model: Model, c: number, observation: Observation, field: string): Chances {
  const character = model.flora.characters[c];
  if (observation.values === undefined && observation.value === undefined)
    throw new InputError("no-value", `${field}.value`, observation.value, `give a number in ${character.unit}`);
  const width = minimumWidth(character.kind);
  const gross = grossErrorRate(character, model.observerError, observation.sure);
  const { own, byForm } =
    typeof observation.other === "number"
      ? weighTwo(model, c, twoReadings(character.kind, observation, observation.other), gross, width)
      : weighOne(model, c, firstReading(character.kind, observation), gross, width);
  const chance = new Float64Array(model.conditions.length);
  forEachCondition(model, c, chance, (z) => chanceIn(model.conditions[z]));
  return {
    chance,
    background: byForm,
    even: byForm.reduce((a, b) => a + b, 0) / byForm.length,
    between: numbersBetween(),
  };

  /** A cross measures between its parents. */
  function numbersBetween(): Float64Array {
    const out = new Float64Array(model.crosses.length * STAGES.length);
    model.crosses.forEach(({ parents }, x) => {
      STAGES.forEach((stage, s) => {
        const [a, b] = parents.map(
          (t) => scoreFor(model, t, c, stage, observation.position, model.flora.taxa[t].forms[0].id)?.points,
        );
        if (!a || !b) return;
        out[x * STAGES.length + s] = own(
          a.map((point, i) => (point + b[i]) / 2) as FourPoints,
          1,
          model.taxonLifeForm[parents[0]],
        );
      });
    });
    return out;
  }

  function chanceIn(condition: Model["conditions"][number]): number {
    const lifeForm = model.taxonLifeForm[condition.taxon];
    const recording = recordingOf(model, condition.taxon, c);
    if (recording === "not-applicable") return byForm[lifeForm] * 0.05;
    const score = scoreFor(
      model,
      condition.taxon,
      c,
      STAGES[condition.stage],
      observation.position,
      model.flora.taxa[condition.taxon].forms[condition.form].id,
    );
    return score?.points ? own(score.points, score.confidence, lifeForm) : byForm[lifeForm];
  }
}

/** How what was read is weighed: by a plant's points, trusted so far, and by any plant of each life form. */
interface Weighing {
  own: (points: FourPoints, confidence: number, lifeForm: number) => number;
  byForm: Float64Array;
}

function weighOne(model: Model, c: number, { value, half }: Reading, gross: number, width: number): Weighing {
  const byForm = measuredBackground(model, c, value, half, width);
  const own: Weighing["own"] = (points, confidence, lifeForm) => {
    const doubted = confidence * readingChance(points, value, half, width) + (1 - confidence) * byForm[lifeForm];
    return (1 - gross) * doubted + gross * byForm[lifeForm];
  };
  return { own, byForm };
}

function weighTwo(model: Model, c: number, readings: OfTwo<Reading>, gross: number, width: number): Weighing {
  const ofTwo = <T>(of: (reading: Reading) => T): OfTwo<T> => ({
    first: of(readings.first),
    second: of(readings.second),
    both: of(readings.both),
  });
  const near = nearness(readings);
  const background = ofTwo(({ value, half }) => measuredBackground(model, c, value, half, width));
  const anyOf = LIFE_FORMS.map((_, form) => ({
    first: background.first[form],
    second: background.second[form],
    both: background.both[form],
  }));
  return {
    own: (points, confidence, lifeForm) =>
      chanceOfTwo(
        ofTwo(({ value, half }) => readingChance(points, value, half, width)),
        anyOf[lifeForm],
        near,
        gross,
        confidence,
      ),
    byForm: Float64Array.from(anyOf, (any) => chanceOfTwo(any, any, near, gross, 0)),
  };
}

/** Mean chance of the reading over the plants of each life form, smoothed with a wide even spread. */
export function measuredBackground(model: Model, c: number, value: number, half: number, width: number): Float64Array {
  const sums = new Float64Array(LIFE_FORMS.length);
  const counts = new Float64Array(LIFE_FORMS.length);
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  for (const score of model.measuredScores[c]) {
    if (!score.points) continue;
    const form = model.taxonLifeForm[score.taxon];
    sums[form] += readingChance(score.points, value, half, width);
    counts[form]++;
    low = Math.min(low, score.points[0]);
    high = Math.max(high, score.points[3]);
  }
  const all =
    sums.reduce((a, b) => a + b, 0) /
    Math.max(
      1,
      counts.reduce((a, b) => a + b, 0),
    );
  const even = Math.min(1, (2 * half) / Math.max(width, high - low));
  return Float64Array.from(sums, (sum, form) => (sum + 2 * all + even) / (counts[form] + 3));
}
