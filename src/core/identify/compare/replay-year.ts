import { dayOfYear, inSeason, stageShares, type Stage, STAGES } from "../../flora";
import type { Case, Observation } from "../case/case";
import { withSecondPlant } from "../case/with-second-plant";
import { minimumWidth, quantile } from "../model/measures";
import type { Model } from "../model/model";
import { scoreFor, usuallySeen } from "../model/scores";
import { usualState } from "../model/usual-look";
import { predictChecks, towardsAction } from "../next/next-check";
import { newMemory } from "../posterior/block";
import { judge } from "../posterior/judge";
import { gateOf } from "../verdict/gates";
import { decide } from "../verdict/decide";
import { type Verdict, isSettled } from "../verdict/verdicts";

/** What could be told of a plant in one month, by someone who looks where the Bench points. */
export interface Month {
  /** 1 to 12 */
  month: number;
  /** the stage it mostly stands in then; null where nothing of it is to be found */
  stage: Stage | null;
  verdict: Verdict;
  /** looks until the matter was settled, or all that were made */
  looks: number;
  /** the plant's own share at the end */
  share: number;
  /** characters looked at, in order */
  characters: string[];
}

/**
 * One month of the year over again: the plant stands there, shows what it usually shows then, and each question of the Bench is
 * answered from that until the matter is settled. What was observed on the real day is not used.
 * @param given the place, list, costs and kit; day, stage and observations are left out of account
 * @param month 1 to 12
 */
export function replayMonth(model: Model, given: Case, taxon: number, month: number): Month {
  const day = `${given.day.slice(0, 4)}-${String(month).padStart(2, "0")}-15`;
  const own = model.flora.taxa[taxon];
  const shares = stageShares(own, dayOfYear(day, given)).map((share, s) =>
    inSeason(own, STAGES[s], day, given) ? share : 0,
  );
  const likeliest = shares.indexOf(Math.max(...shares));
  if (!(shares[likeliest] > 0)) return { month, stage: null, verdict: "open", looks: 0, share: 0, characters: [] };
  const stage = STAGES[likeliest];
  const now: Case = { ...given, day, stage, observations: [] };
  const memory = newMemory();
  let judgement = judge(model, now, memory);
  let gate = gateOf(judgement);
  let { verdict } = decide(judgement, gate);
  const characters: string[] = [];
  while (characters.length < model.tuning.mostChecks && !isSettled(verdict)) {
    const [next] = towardsAction(judgement, predictChecks(judgement, gate));
    if (!next) break;
    const { id } = model.flora.characters[next.character];
    now.observations = next.second
      ? now.observations.map((o) => (o.character === id ? withSecondPlant(o, o) : o))
      : [...now.observations, usualAnswer(model, taxon, next.character, stage)];
    characters.push(id);
    judgement = judge(model, now, memory);
    gate = gateOf(judgement);
    verdict = decide(judgement, gate).verdict;
  }
  return { month, stage, verdict, looks: characters.length, share: judgement.local.taxa[taxon], characters };
}

/** What the plant mostly shows; "cannot tell" where nothing is usual. */
function usualAnswer(model: Model, taxon: number, c: number, stage: Stage): Observation {
  const character = model.flora.characters[c];
  const base = { character: character.id, join: "any" as const, sure: "sure" as const };
  const state = usualState(model, taxon, character.id, stage);
  if (state) return { ...base, answer: "seen", states: [state] };
  const points = usuallySeen(model, taxon, c, stage)
    ? scoreFor(model, taxon, c, stage, undefined, model.flora.taxa[taxon].forms[0].id)?.points
    : undefined;
  if (points)
    return {
      ...base,
      answer: "seen",
      value: Math.max(0, quantile(points, 0.5, minimumWidth(character.kind, model.tuning))),
    };
  return { ...base, answer: "cannot-tell" };
}
