import { LIFE_FORMS, STAGES } from "../../flora";
import type { Observation } from "../case/case";
import { measuredBackground } from "../evidence/number";
import { backgroundOnPlants, chanceOnPlants, oneThenOther } from "../evidence/several-plants";
import { chanceOfTwo, firstReading, nearBetween } from "../evidence/two-readings";
import { backgroundRow } from "../model/answer-tables";
import { classShares, minimumWidth, readingChance } from "../model/measures";
import type { Model } from "../model/model";
import { confusionTable, grossErrorRate } from "../model/observer";
import { variesWithCondition } from "../model/scores";
import { type Block, intactShare } from "../posterior/block";
import { type Judgement, likeliestStage } from "../posterior/judgement";
import { scoreIn } from "./answers-against";
import type { PredictedPlants } from "./hypotheses";

/** What a second plant shows after what a first one did: chance of each answer, and of the first one's, in one condition or background. */
interface AnswersAfterFirst {
  answers: Float64Array;
  first: number;
}

/** What a second plant shows after the first: of a plant in one condition, of any plant by life form, and of one that nothing is known of. */
interface AfterFirst {
  inCondition: (z: number) => AnswersAfterFirst;
  background: AnswersAfterFirst[];
  stranger: AnswersAfterFirst[];
}

/**
 * Chance of each answer on a second plant of the patch, where the first gave one: row plant, then cross, the unknown plant
 * last. Misread once, it will be seen as it is; where the flora is wrong of the plant, or it is another, it stays as it was seen.
 */
export function secondAnswers(
  judgement: Judgement,
  { taxa, conditions, weights, firstOf, crosses }: PredictedPlants,
  c: number,
  first: Observation,
  rows: Float64Array,
): Float64Array {
  const { model, unknownParts } = judgement;
  const n = model.answers[c];
  const { inCondition, background, stranger } = first.states
    ? statesAfter(model, c, first)
    : readingsAfter(model, c, first);
  const block = judgement.blocks.get(model.flora.characters[c].block) as Block;
  const unknown = rows.subarray((taxa.length + crosses.length) * n, (taxa.length + crosses.length + 1) * n);
  const likeness = model.relativeLikeness[c];
  taxa.forEach((t, i) => {
    const other = background[model.taxonLifeForm[t]];
    let own: AnswersAfterFirst | null = null;
    for (let k = firstOf[i]; k < firstOf[i + 1]; k++) {
      const z = conditions[k];
      if (!own || variesWithCondition(model, t, c)) own = inCondition(z);
      addTo(rows, i * n, own.answers, weights[k] * intactShare(model, block, z));
      addTo(rows, i * n, other.answers, weights[k] * (1 - intactShare(model, block, z)));
    }
    if (!own) return;
    const like = (likeness * own.first) / (likeness * own.first + (1 - likeness) * other.first);
    addTo(unknown, 0, rows.subarray(i * n, i * n + n), unknownParts.relatives[t] * like);
    addTo(unknown, 0, other.answers, unknownParts.relatives[t] * (1 - like));
  });
  crosses.forEach((x, i) => {
    for (const t of model.crosses[x].parents)
      addTo(rows, (taxa.length + i) * n, inCondition(likeliestCondition(judgement, t)).answers, 0.5);
  });
  LIFE_FORMS.forEach((_, form) => {
    addTo(unknown, 0, stranger[form].answers, unknownParts.byForm[form]);
  });
  const total = unknown.reduce((a, b) => a + b, 0);
  for (let o = 0; o < n; o++) unknown[o] = total > 0 ? unknown[o] / total : 1 / n;
  return rows;
}

function statesAfter(model: Model, c: number, { states, sure }: Observation): AfterFirst {
  const character = model.flora.characters[c];
  const n = model.answers[c];
  const confusion = confusionTable(character, model.observerError, sure, model.tuning);
  const first = character.states.findIndex((s) => s.id === states?.[0]);
  const { widened } = model.tuning;
  const pairs = character.states.map((_, second) => oneThenOther(first, second));
  const any = pairs.map((pair) => backgroundOnPlants(model, c, confusion, pair));
  return {
    inCondition: (z) =>
      answersAfterFirst(n, (second) => chanceOnPlants(model, c, z, undefined, confusion, pairs[second])),
    background: LIFE_FORMS.map((_, form) => answersAfterFirst(n, (second) => any[second].byForm[form])),
    stranger: LIFE_FORMS.map((_, form) =>
      answersAfterFirst(n, (second) => widened * any[second].byForm[form] + (1 - widened) * any[second].even),
    ),
  };
}

/** The same of a number: the second one by the classes in which answers are foreseen. */
function readingsAfter(model: Model, c: number, observation: Observation): AfterFirst {
  const { kind } = model.flora.characters[c];
  const n = model.answers[c];
  const width = minimumWidth(kind, model.tuning);
  const reading = firstReading(kind, observation, model.tuning);
  const gross = grossErrorRate(model.flora.characters[c], model.observerError, observation.sure, model.tuning);
  const edges = [Number.NEGATIVE_INFINITY, ...model.edges[c], Number.POSITIVE_INFINITY];
  const { widened } = model.tuning;
  const near = Array.from({ length: n }, (_, o) => nearBetween(reading, edges[o], edges[o + 1]));
  const byForm = measuredBackground(model, c, reading.value, reading.half, width);
  const ofTwo = (first: number, shares: ArrayLike<number>, o: number) => ({ first, second: shares[o], both: first });
  const anyOf = (form: number, o: number) => ofTwo(byForm[form], backgroundRow(model, c, form), o);
  const ofForm = (form: number, o: number) =>
    chanceOfTwo(anyOf(form, o), anyOf(form, o), near[o], gross, 0, model.tuning);
  const even = Array.from(
    { length: n },
    (_, o) => LIFE_FORMS.reduce((sum, _form, form) => sum + ofForm(form, o), 0) / LIFE_FORMS.length,
  );
  const background = LIFE_FORMS.map((_, form) => answersAfterFirst(n, (o) => ofForm(form, o)));
  return {
    inCondition: (z) => {
      const form = model.taxonLifeForm[model.conditions[z].taxon];
      const score = scoreIn(model, c, z);
      if (!score?.points) return background[form];
      const chance = readingChance(score.points, reading.value, reading.half, width);
      const shares = classShares(score.points, model.edges[c], kind, model.tuning);
      return answersAfterFirst(n, (o) =>
        chanceOfTwo(ofTwo(chance, shares, o), anyOf(form, o), near[o], gross, score.confidence, model.tuning),
      );
    },
    background,
    stranger: LIFE_FORMS.map((_, form) =>
      answersAfterFirst(n, (o) => widened * ofForm(form, o) + (1 - widened) * even[o]),
    ),
  };
}

/** @param chanceOf chance of what the first showed, together with each state of the second */
function answersAfterFirst(states: number, chanceOf: (second: number) => number): AnswersAfterFirst {
  const answers = Float64Array.from({ length: states }, (_, second) => chanceOf(second));
  const first = answers.reduce((a, b) => a + b, 0);
  return { answers: answers.map((chance) => chance / first), first };
}

function addTo(out: Float64Array, from: number, row: Float64Array, times: number): void {
  for (let o = 0; o < row.length; o++) out[from + o] += times * row[o];
}

const likeliestCondition = (judgement: Judgement, taxon: number): number =>
  judgement.model.firstCondition[taxon] + STAGES.indexOf(likeliestStage(judgement, taxon));
