import { type Question, type Quadrat, plantOf, type ShownTrait, drawQuadrat } from "@/core/drill";
import type { Stage } from "@/core/flora";
import { type Model, plainName } from "@/core/identify";
import { itemAt } from "@/core/items";
import { type Figure, drawPlant } from "../figure/figure";
import { measuredLeaf } from "../figure/measured-leaf";
import type { Shape } from "../ink/shapes";
import { individualPlant, typicalPlant, type Seen } from "../plant/seen";
import { type DrawnClue, drawClue } from "./clue";

/** A plant by its names. */
export interface Named {
  id: string;
  plain: string;
  latin: string;
}

/** A question as it is put to a person: nothing in it names the plant where that is what is asked. */
export interface Scene {
  question: Question;
  stage: Stage;
  clues: DrawnClue[];
  /** the whole plant, for when all clues are seen; null where something that it needs is not recorded */
  whole: Figure | null;
  options: Named[];
  checks: { id: string; name: string; ask: string; seconds: number }[];
  /** the part to measure, in the field of a figure */
  leaf: Shape[] | null;
  quadrat: Quadrat | null;
  /** the plant, where the question says which it is */
  plant: Named | null;
}

export function namedPlant(model: Model, id: string): Named {
  const t = model.flora.taxa.findIndex((taxon) => taxon.id === id);
  return { id, plain: plainName({ model }, t), latin: itemAt(model.flora.taxa, t).name };
}

/** Draws all that a question shows. */
export function sceneOf(model: Model, question: Question): Scene {
  const plant = plantOf(model, question);
  const seed = `${question.taxon} ${question.seed}`;
  const drawn = (clues: ShownTrait[]) => clues.map((clue) => drawClue(model, plant, clue, seed));
  const named = (id: string) => namedPlant(model, id);
  const isNamed = question.form === "measure" || question.form === "quadrat";
  return {
    question,
    stage: question.stage,
    clues: drawn(cluesOf(question)),
    whole: question.form === "clues" ? wholePlant(model, question) : null,
    options: "options" in question ? question.options.map(named) : [],
    checks: question.form === "next-check" ? question.checks.map(({ character }) => checkOf(model, character)) : [],
    leaf: question.form === "measure" ? measuredLeaf(question.character, question.value).shapes : null,
    quadrat: question.form === "quadrat" ? drawQuadrat(question.seed) : null,
    plant: isNamed ? named(question.taxon) : null,
  };
}

function cluesOf(question: Question): ShownTrait[] {
  if (question.form === "clues" || question.form === "collar") return question.clues;
  if (question.form === "next-check") return question.known;
  return question.form === "hold-or-clear" ? question.seen : [];
}

function checkOf(model: Model, id: string): Scene["checks"][number] {
  const { name, ask, seconds } = itemAt(model.flora.characters, model.characterIndex.get(id) ?? -1);
  return { id, name, ask, seconds };
}

/** The plant of a question as it stands; null where it could not be drawn without a part that is not recorded. */
export function wholePlant(model: Model, question: Question, perCm?: number): Figure | null {
  const plant = plantOf(model, question);
  const own = individualPlant(model.flora, plant);
  // A height that is not read at this stage still gives the plant its scale.
  const kind = typicalPlant(model, plant.taxon, question.stage);
  const seen: Seen = { ...own, value: (id) => own.value(id) ?? (id === "height" ? kind.value(id) : null) };
  const figure = drawPlant(seen, `${question.taxon} ${question.seed}`, perCm);
  return figure.unrecorded.length > 0 ? null : figure;
}
