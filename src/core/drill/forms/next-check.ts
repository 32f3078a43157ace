import { type Model, shows } from "../../identify";
import type { Chance } from "../../random";
import type { Belief } from "../belief";
import type { DrillBook, Subject } from "../book";
import { beliefOf, OF_THE_PLACE } from "../clues";
import { drawIndividual } from "../individual";
import { shuffled } from "../options";
import { type NextCheckQuestion, shown } from "../question";
import { cluesOf, type Unaskable } from "./clue-by-clue";

const CHECKS = 4;
/** Turning to a check takes this long beside the check itself, seconds. */
const OVERHEAD_S = 25;
/** The best check must be worth so many times the others, or the question has no answer. */
const BETTER = 1.5;

/** Half of a plant's clues were seen; four checks, of which one tells most for the time. */
export function nextCheck(
  book: DrillBook,
  { taxon, stage }: Subject,
  seed: number,
  chance: Chance,
): NextCheckQuestion | Unaskable {
  const { model } = book;
  const plant = drawIndividual(model, taxon, stage, chance.named("plant"));
  const told = cluesOf(book, plant, book.notDrawn, chance);
  if ("why" in told) return told;
  const known = told.filter(({ misleading }) => !misleading).slice(0, Math.max(2, Math.floor(told.length / 2)));
  const belief = beliefOf(
    model,
    stage,
    known.map(({ trait }) => trait),
  );
  const worths = worthOfChecks(model, belief, taxon, stage)
    .filter(({ c }) => !known.some(({ trait }) => trait.character === c))
    .sort((a, b) => b.worth - a.worth);
  const [best] = worths;
  const others = worths.filter(({ worth }) => best && worth * BETTER <= best.worth);
  if (!best || others.length < CHECKS - 1) return { why: "no check stands out from the others" };
  const wrong = shuffled(others.slice(0, 3 * CHECKS), chance.named("checks")).slice(0, CHECKS - 1);
  return {
    form: "next-check",
    taxon: model.flora.taxa[taxon].id,
    stage,
    seed,
    known: known.map(({ trait }) => shown(model, trait)),
    checks: shuffled([best, ...wrong], chance.named("order")).map(({ c, worth }) => ({
      character: model.flora.characters[c].id,
      worth,
    })),
  };
}

/** Expected bits about the name of each check that the plant shows now, for a minute of work. */
function worthOfChecks(model: Model, belief: Belief, taxon: number, stage: Subject["stage"]) {
  const shares = belief.shares();
  return model.flora.characters.flatMap(({ id, seconds, comparative, compares }, c) =>
    comparative || compares || OF_THE_PLACE.includes(id) || !shows(model, taxon, c, stage)
      ? []
      : [{ c, worth: (60 * belief.bits(c, shares)) / (seconds + OVERHEAD_S) }],
  );
}
