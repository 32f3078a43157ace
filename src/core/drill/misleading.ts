import { scoreFor, type Model } from "../identify";
import type { Chance } from "../random";
import { type Clue, type Misleading, tellsOf } from "./clues";
import type { Individual, Trait } from "./individual";

/** How often a question has a clue that lies. */
const OFTEN = 0.3;
/** A state that more plants of the kind show than this would be no lie. */
const MOST_SHARE = 0.2;
/** A starved plant is so much shorter than its kind; a mown one is as short as the mower leaves it, cm. */
const STARVED = 0.4;
const MOWN_CM = 8;

/** In words, for after the answer. */
export const MISLEADING_WORDS: Record<Misleading, string> = {
  "stress-color": "The color came from stress: drought, frost or poor ground.",
  chewed: "The margin was chewed. The leaf has no such edge of its own.",
  starved: "The plant was starved. It stands taller on better ground.",
  mown: "The plant was mown. It stands taller where nothing cuts it.",
};

/** A clue that damage or stress gives this plant, or null: it lies at most once in a question. */
export function misleadingClue(model: Model, plant: Individual, chance: Chance): Clue | null {
  if (chance.uniform() >= OFTEN || plant.stage === "winter" || plant.stage === "seedling") return null;
  const found = [stressColor, chewed, starved, mown].flatMap((make) => make(model, plant));
  if (found.length === 0) return null;
  const [trait, misleading] = found[chance.below(found.length)];
  return { trait, misleading, tells: tellsOf(model, plant, trait) };
}

type Lie = [Trait, Misleading];

function state(model: Model, plant: Individual, id: string, name: string, what: Misleading): Lie[] {
  const character = model.characterIndex.get(id);
  if (character === undefined || !plant.traits.has(character)) return [];
  const at = model.flora.characters[character].states.findIndex((s) => s.id === name);
  const form = model.flora.taxa[plant.taxon].forms[plant.form].id;
  const share = scoreFor(model, plant.taxon, character, plant.stage, undefined, form)?.shares?.[at];
  return at < 0 || share === undefined || share > MOST_SHARE ? [] : [[{ character, state: at }, what]];
}

const stressColor = (model: Model, plant: Individual): Lie[] => [
  ...state(model, plant, "tone", "reddish", "stress-color"),
  ...state(model, plant, "tone", "yellow-green", "stress-color"),
];

const chewed = (model: Model, plant: Individual): Lie[] => state(model, plant, "leaf-edge", "coarse", "chewed");

function height(model: Model, plant: Individual): { character: number; value: number } | null {
  const character = model.characterIndex.get("height");
  const trait = character === undefined ? undefined : plant.traits.get(character);
  return trait && "value" in trait ? trait : null;
}

const WOODY = ["shrub", "tree", "liana"];

function starved(model: Model, plant: Individual): Lie[] {
  const own = height(model, plant);
  return own ? [[{ character: own.character, value: Number((own.value * STARVED).toPrecision(2)) }, "starved"]] : [];
}

function mown(model: Model, plant: Individual): Lie[] {
  const own = height(model, plant);
  const isWoody = WOODY.includes(model.flora.taxa[plant.taxon].lifeForm);
  return own && !isWoody && own.value > 3 * MOWN_CM ? [[{ character: own.character, value: MOWN_CM }, "mown"]] : [];
}
