import { InputError } from "../../errors";
import { LIFE_FORMS, STAGES } from "../../flora";
import type { Observation } from "../case/case";
import { type FourPoints, minimumWidth, readingChance } from "../model/measures";
import type { Model } from "../model/model";
import { grossErrorRate } from "../model/observer";
import { recordingOf, scoreFor } from "../model/scores";
import { type Chances, forEachCondition } from "./evidence";
import { chanceOfTwo, firstReading, nearness, type OfTwo, type Reading, twoReadings } from "./two-readings";

export function measureEvidence(model: Model, c: number, observation: Observation, field: string): Chances {
  const character = model.flora.characters[c];
  if (observation.values === undefined && observation.value === undefined)
    throw new InputError("no-value", `${field}.value`, observation.value, `give a number in ${character.unit}`);
  const width = minimumWidth(character.kind, model.tuning);
  const gross = grossErrorRate(character, model.observerError, observation.sure, model.tuning);
  const { own, byForm } =
    typeof observation.other === "number"
      ? weighTwo(model, c, twoReadings(character.kind, observation, observation.other, model.tuning), gross, width)
      : weighOne(model, c, firstReading(character.kind, observation, model.tuning), gross, width);
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
    if (recording === "not-applicable") return byForm[lifeForm] * model.tuning.inapplicableNumber;
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
        model.tuning,
      ),
    byForm: Float64Array.from(anyOf, (any) => chanceOfTwo(any, any, near, gross, 0, model.tuning)),
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
  const { backgroundShareOfAll, backgroundEven } = model.tuning;
  const even = Math.min(1, (2 * half) / Math.max(width, high - low));
  return Float64Array.from(
    sums,
    (sum, form) =>
      (sum + backgroundShareOfAll * all + backgroundEven * even) /
      (counts[form] + backgroundShareOfAll + backgroundEven),
  );
}
