import { type Stage, withUnit } from "../../flora";
import type { Model } from "../model/model";
import { scoreFor } from "../model/scores";
import type { Judgement } from "../posterior/judgement";
import { stateName } from "./observation-words";

/**
 * What a plant shows for a character, in words; empty if not recorded.
 * @param most states named at most, the commonest first
 */
export function describeScore(
  judgement: Pick<Judgement, "model">,
  taxon: number,
  c: number,
  stage: Stage,
  most = 2,
): string {
  const { model } = judgement;
  const character = model.flora.characters[c];
  const score = scoreFor(model, taxon, c, stage, undefined, model.flora.taxa[taxon].forms[0].id);
  if (!score || score.notApplicable) return "";
  if (score.points) {
    const [, low, high] = score.points;
    const round = (x: number) => Number(x.toPrecision(2));
    return withUnit(round(low) === round(high) ? round(low) : `${round(low)} to ${round(high)}`, character.unit);
  }
  const names = commonestStates(score.shares as number[], most).map((s) =>
    stateName(character, character.states[s].id),
  );
  // a state's own name may hold an "or": plain green or brown, or red or purple
  return names.join(names.some((name) => name.includes(" or ")) ? ", or " : " or ");
}

/** Below this share a state is not named among what a plant shows. */
const NAMED_SHARE = 0.2;

const commonestStates = (shares: number[], most: number): number[] =>
  shares
    .map((share, s) => ({ share, s }))
    .filter(({ share }) => share >= NAMED_SHARE)
    .sort((a, b) => b.share - a.share)
    .slice(0, most)
    .map(({ s }) => s);

/** The states that `describeScore` names, the commonest first; none where the character is measured or counted, not recorded or does not apply. */
export function namedStates(model: Model, taxon: number, c: number, stage: Stage, most = 2): string[] {
  const { shares, notApplicable } =
    scoreFor(model, taxon, c, stage, undefined, model.flora.taxa[taxon].forms[0].id) ?? {};
  return shares && !notApplicable
    ? commonestStates(shares, most).map((s) => model.flora.characters[c].states[s].id)
    : [];
}
