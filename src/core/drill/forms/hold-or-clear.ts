import { type CaseInput, caseAt, decide, DEFAULT_COSTS, judge, type Judgement } from "../../identify";

import type { Chance } from "../../random";
import { drawDay } from "../../simulate";
import type { DrillBook, Subject } from "../book";
import { drawIndividual } from "../individual";
import { type Act, type HoldOrClearQuestion, type ShownTrait, shown } from "../question";
import { cluesOf, type Unaskable } from "./clue-by-clue";

/** A target, or what is mistaken for one, with as many clues as chance gives: enough to act, or not. */
export function holdOrClear(
  book: DrillBook,
  { taxon, stage }: Subject,
  seed: number,
  chance: Chance,
): HoldOrClearQuestion | Unaskable {
  const { model } = book;
  const day = drawDay(model.flora, taxon, stage, chance.named("day"));
  const plant = drawIndividual(model, taxon, stage, chance.named("plant"));
  const told = cluesOf(book, plant, book.notDrawn, chance);
  if ("why" in told) return told;
  if (!day) return { why: "it has no months for this stage" };
  const honest = told.filter(({ misleading }) => !misleading).reverse();
  const n = 2 + chance.named("how many").below(Math.max(1, honest.length - 1));
  const seen = honest.slice(0, n).map(({ trait }) => shown(model, trait));
  const judgement = judgeShown(book, stage, day, seen);
  const { verdict } = decide(judgement);
  if (verdict === "unknown") return { why: "what is seen fits nothing" };
  return {
    form: "hold-or-clear",
    taxon: model.flora.taxa[taxon].id,
    stage,
    seed,
    seen,
    day,
    verdict,
    costs: costsOf(judgement),
  };
}

/** The verdict of the engine on what is shown, with the district's own list and costs. */
function judgeShown(book: DrillBook, stage: Subject["stage"], day: string, seen: ShownTrait[]): Judgement {
  const { model, list, costs } = book;
  const observations: CaseInput["observations"] = seen.map(({ character, state, value }) => ({
    character,
    ...(state === undefined ? { value } : { states: [state] }),
  }));
  return judge(model, caseAt({ list: { ...list }, costs }, { id: "drill", day, stage, observations }, model));
}

/** Mean cost of each act, in the district's hours: harm where a plant to keep is treated, a target left standing, another visit. */
function costsOf({ guarded, case: { costs } }: Judgement): Record<Act, number> {
  const { wrongClear, missedTarget, hold } = costs ?? DEFAULT_COSTS;
  const kept = Math.max(guarded.local.keptSide, guarded.flat.keptSide);
  return {
    clear: wrongClear * kept,
    hold,
    keep: missedTarget * (1 - Math.min(guarded.local.keptSide, guarded.flat.keptSide)),
  };
}

/** The act that a verdict stands for: what is open is not yet known, so one comes back. */
export const actOf = (verdict: HoldOrClearQuestion["verdict"]): Act =>
  verdict === "clear" || verdict === "keep" ? verdict : "hold";
