import type { Chance } from "../../random";
import type { DrillBook, Subject } from "../book";
import { beliefOf, drawableTraits, tellsOf } from "../clues";
import { drawIndividual } from "../individual";
import { lookAlikes } from "../look-alikes";
import { optionsFor } from "../options";
import { type CollarQuestion, shown } from "../question";
import type { Unaskable } from "./clue-by-clue";

const COLLAR = [
  "ligule-kind",
  "ligule-edge",
  "ligule-height",
  "auricles",
  "youngest-leaf",
  "shoot-section",
  "sheath-closure",
  "sheath-hair",
  "collar-hair",
  "sheath-foot",
];
/** A wrong answer must be at most so likely against the right one. */
const APART = 0.1;
const FEWEST = 3;

/** The collar of a grass, and grasses whose collars are other than this one. */
export function collarRound(
  { model, notDrawn }: DrillBook,
  { taxon, stage }: Subject,
  seed: number,
  chance: Chance,
  preferred: readonly number[] = [],
): CollarQuestion | Unaskable {
  if (!["grass", "rush"].includes(model.flora.taxa[taxon].lifeForm)) return { why: "it has no collar" };
  const plant = drawIndividual(model, taxon, stage, chance.named("plant"));
  const traits = drawableTraits(model, plant, notDrawn).filter(({ character }) =>
    COLLAR.includes(model.flora.characters[character].id),
  );
  if (traits.length < FEWEST) return { why: "too little of its collar is recorded" };
  const shares = beliefOf(model, stage, traits).shares();
  const alike = lookAlikes(model, taxon, stage).filter((one) => shares[one.taxon] <= APART * shares[taxon]);
  if (alike.length === 0) return { why: "no look-alike has another collar" };
  const name = (t: number): string => model.flora.taxa[t].id;
  return {
    form: "collar",
    taxon: name(taxon),
    stage,
    seed,
    clues: traits
      .map((trait) => ({ trait, tells: tellsOf(model, plant, trait) }))
      .sort((a, b) => a.tells - b.tells)
      .map(({ trait }) => shown(model, trait)),
    options: optionsFor(taxon, alike, preferred, chance.named("options")).map(name),
  };
}
