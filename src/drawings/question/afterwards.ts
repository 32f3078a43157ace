import {
  type Outcome,
  type Question,
  type Given,
  outcomeOf,
  lookAlikesOf,
  MISLEADING_WORDS,
  actOf,
  drawQuadrat,
} from "@/core/drill";
import { type Model, decidingChecks, shows, namedStates, describeScore } from "@/core/identify";
import { itemAt } from "@/core/items";
import { seededChance } from "@/core/random";
import { type Figure, typicalFigure } from "../figure/figure";
import { type Callout, calloutsOf } from "../figure/side-by-side";
import type { Shape } from "../ink/shapes";
import { drawState } from "../states/draw-state";
import { type Named, namedPlant, wholePlant } from "./scene";

/** One check that tells two plants apart, with what each shows. */
export interface DecidingPair {
  check: string;
  seconds: number;
  words: [string, string];
  shapes: [Shape[] | null, Shape[] | null];
}

/** What a person sees after an answer. */
export interface Afterwards {
  outcome: Outcome;
  truth: Named;
  /** the plant that it was mistaken for, or is most easily mistaken for */
  other: Named | null;
  /** the two side by side at one scale: empty where one of them cannot be drawn whole */
  beside: { figure: Figure; callouts: Callout[] }[];
  deciding: DecidingPair[];
  /** the mistake that people make with the two */
  mistake: string | null;
  /** what lied, and why */
  misleading: string | null;
  /** what was right, in a sentence or two */
  words: string;
}

const CHECKS_SHOWN = 3;

/** @throws where the answer is not of the kind that the question asks for */
export function afterwardsOf(model: Model, question: Question, given: Given): Afterwards {
  const outcome = outcomeOf(question, given);
  if (!outcome) throw new Error(`an answer of another kind than the question: ${given.kind}`);
  const index = (id: string): number => model.flora.taxa.findIndex((taxon) => taxon.id === id);
  const truth = index(question.taxon);
  const other = otherOf(model, question, given, truth);
  const deciding = other === null ? [] : decidingOf(model, [truth, other], question);
  return {
    outcome,
    truth: namedPlant(model, question.taxon),
    other: other === null ? null : namedPlant(model, itemAt(model.flora.taxa, other).id),
    beside: other === null ? [] : besideOf(model, question, [truth, other]),
    deciding,
    mistake: other === null ? null : mistakeOf(model, [truth, other]),
    misleading: misleadingOf(question),
    words: wordsOf(model, question, given),
  };
}

/** The wrong answer; after a right one the plant that it is most easily mistaken for. */
function otherOf(model: Model, question: Question, given: Given, truth: number): number | null {
  if (question.form === "quadrat" || question.form === "measure") return null;
  if (given.kind === "plant" && given.taxon !== question.taxon)
    return model.flora.taxa.findIndex(({ id }) => id === given.taxon);
  const options = "options" in question ? question.options : [];
  const alike = options.find((id) => id !== question.taxon);
  if (alike) return model.flora.taxa.findIndex(({ id }) => id === alike);
  const near = lookAlikesOf(model, truth, question.stage, 4, seededChance(question.seed)).find((t) => t !== truth);
  return near ?? null;
}

function decidingOf(model: Model, pair: [number, number], { stage }: Question): DecidingPair[] {
  return decidingChecks(model, pair, stage)
    .filter(
      ({ character, apart }, i) =>
        (i === 0 || apart.some(Boolean)) && pair.every((t) => shows(model, t, character, stage)),
    )
    .slice(0, CHECKS_SHOWN)
    .map(({ character, seconds }) => {
      const { id, name } = itemAt(model.flora.characters, character);
      const drawn = (t: number): Shape[] | null => {
        const [state] = namedStates(model, t, character, stage);
        return state ? drawState(id, state) : null;
      };
      return {
        check: name,
        seconds,
        words: [
          describeScore({ model }, pair[0], character, stage),
          describeScore({ model }, pair[1], character, stage),
        ],
        shapes: [drawn(pair[0]), drawn(pair[1])],
      };
    });
}

/** The very plant of the question beside the other as it mostly looks, at one scale. */
function besideOf(model: Model, question: Question, pair: [number, number]): Afterwards["beside"] {
  const own = wholePlant(model, question);
  const typical = typicalFigure(model, pair[1], question.stage);
  if (!own || typical.unrecorded.length > 0) return [];
  const scale = own.perCm && typical.perCm ? Math.min(own.perCm, typical.perCm) : undefined;
  const deciding = decidingChecks(model, pair, question.stage)
    .slice(0, CHECKS_SHOWN)
    .map(({ character }) => character);
  const figures = [wholePlant(model, question, scale) ?? own, typicalFigure(model, pair[1], question.stage, scale)];
  return figures.map((figure, i) => ({
    figure,
    callouts: calloutsOf(model, itemAt(pair, i), question.stage, deciding, figure),
  }));
}

function mistakeOf({ flora }: Model, pair: [number, number]): string | null {
  const [a, b] = pair.map((t) => itemAt(flora.taxa, t).id);
  return flora.pairs.find((p) => (p.a === a && p.b === b) || (p.a === b && p.b === a))?.mistake ?? null;
}

function misleadingOf(question: Question): string | null {
  if (question.form !== "clues") return null;
  const lie = question.clues.find(({ misleading }) => misleading)?.misleading;
  return lie ? MISLEADING_WORDS[lie] : null;
}

const ACT_WORDS = { clear: "Control it", hold: "Check again later", keep: "Leave it" };

const tenth = (x: number): string => (x < 10 ? x.toFixed(1) : Math.round(x).toString());

function wordsOf(model: Model, question: Question, given: Given): string {
  switch (question.form) {
    case "next-check":
      return nextCheckWords(model, question, given);
    case "hold-or-clear": {
      const cost = (act: "clear" | "hold" | "keep") =>
        `${ACT_WORDS[act].toLowerCase()} ${tenth(question.costs[act])} h`;
      return `On what is seen so far the engine says: ${ACT_WORDS[actOf(question.verdict)].toLowerCase()}. Mean cost of each act in this district: ${cost("clear")}, ${cost("hold")}, ${cost("keep")}.`;
    }
    case "measure":
      return measureWords(model, question, given);
    case "quadrat":
      return quadratWords(question.seed, given);
    default:
      return "";
  }
}

function nextCheckWords(model: Model, { checks }: Extract<Question, { form: "next-check" }>, given: Given): string {
  const name = (id: string): string => itemAt(model.flora.characters, model.characterIndex.get(id) ?? -1).name;
  const best = checks.reduce((a, b) => (b.worth > a.worth ? b : a));
  const yours = checks.find(({ character }) => given.kind === "check" && character === given.character);
  const most = `“${name(best.character)}” tells most about the name for the time that it takes.`;
  if (!yours || yours === best) return most;
  return `${most} “${name(yours.character)}” tells ${Math.round((100 * yours.worth) / best.worth)}% of that.`;
}

function measureWords(
  model: Model,
  { character, value }: Extract<Question, { form: "measure" }>,
  given: Given,
): string {
  const { name, unit = "" } = itemAt(model.flora.characters, model.characterIndex.get(character) ?? -1);
  const got = given.kind === "number" ? given.value : value;
  const off =
    character === "notch-angle"
      ? `${Math.round(Math.abs(got - value))}° ${got < value ? "too little" : "too much"}`
      : `${Math.round(100 * Math.abs(got / value - 1))}% ${got < value ? "too little" : "too much"}`;
  return `${name}: ${value} ${unit} as drawn. You measured ${Number(got.toPrecision(3))} ${unit}, ${off}.`;
}

function quadratWords(seed: number, given: Given): string {
  const { cover, count } = drawQuadrat(seed);
  const truth = `The plants cover ${(100 * cover).toFixed(1)}% of the frame, and ${count} stand in it.`;
  if (given.kind !== "stand") return truth;
  return `${truth} You said ${given.coverPercent}% and ${given.count}.`;
}
