import type { Chance } from "../../random";
import type { DrillBook, Subject } from "../book";
import { chooseClues, drawableTraits } from "../clues";
import { drawIndividual, type Individual } from "../individual";
import { lookAlikes } from "../look-alikes";
import { misleadingClue } from "../misleading";
import { optionsFor } from "../options";
import { type ClueQuestion, shown } from "../question";

/** Why a plant cannot be asked about at a stage. */
export interface Unaskable {
  why: string;
}

/** A plant, its clues from what everything has to what decides, and the plants that it is mistaken for. */
export function clueByClue(
  book: DrillBook,
  subject: Subject,
  seed: number,
  chance: Chance,
  preferred: readonly number[] = [],
): ClueQuestion | Unaskable {
  const { model, notDrawn } = book;
  const alike = lookAlikes(model, subject.taxon, subject.stage);
  if (alike.length === 0) return { why: "nothing in the flora is mistaken for it at this stage" };
  const plant = drawIndividual(model, subject.taxon, subject.stage, chance.named("plant"));
  const told = cluesOf(book, plant, notDrawn, chance);
  if ("why" in told) return told;
  const options = optionsFor(subject.taxon, alike, preferred, chance.named("options"));
  const name = (t: number): string => model.flora.taxa[t].id;
  return {
    form: "clues",
    taxon: name(subject.taxon),
    stage: subject.stage,
    seed,
    clues: told.map(({ trait, misleading }) => shown(model, trait, misleading)),
    options: options.map(name),
  };
}

/** With a clue that lies where one was drawn and the rest outweighs it; else without. */
export function cluesOf({ model }: DrillBook, plant: Individual, notDrawn: readonly string[], chance: Chance) {
  const traits = drawableTraits(model, plant, notDrawn);
  const lie = misleadingClue(model, plant, chance.named("misleading"));
  if (lie) {
    const honest = traits.filter(({ character }) => character !== lie.trait.character);
    const { clues } = chooseClues(model, plant, honest, lie);
    if (clues.length > 0) return clues;
  }
  const { clues, rival } = chooseClues(model, plant, traits, null);
  if (clues.length > 0) return clues;
  const other = model.flora.taxa[rival]?.name;
  return { why: `what can be drawn of it at this stage does not tell it apart from ${other}` };
}
