import { largestFirst } from "../../stats";
import type { Observation } from "../case/case";
import { firstReading } from "../evidence/two-readings";
import { recordingOf } from "../model/scores";
import type { Check } from "../next/value-of-check";
import { type Judgement, likeliestStage } from "../posterior/judgement";
import { plainName, stateName } from "./observation-words";
import { describeScore } from "./score-words";
import { listed } from "./verdict-words";

/** The likeliest plants here, likeliest first. */
export function likeliest(judgement: Pick<Judgement, "local">, most = REASONED): number[] {
  return largestFirst(judgement.local.taxa, most);
}

/** Observations on characters that are not recorded for a plant: it was not tested by them. */
export function untested(judgement: Judgement): { taxon: number; characters: string[] }[] {
  const shown = [...judgement.local.taxa.keys()].filter((t) => judgement.local.taxa[t] > 0.005);
  return shown
    .map((taxon) => ({
      taxon,
      characters: judgement.evidence.flatMap((e) =>
        e && recordingOf(judgement.model, taxon, e.character) === "not-recorded"
          ? [judgement.model.flora.characters[e.character].id]
          : [],
      ),
    }))
    .filter((item) => item.characters.length > 0);
}

/** Plants among which a check's reason is looked for. */
export const REASONED = 4;

/** Why a check is offered: which two it parts, and what each shows. */
export function checkReason(judgement: Judgement, check: Check, ranked = likeliest(judgement)): string {
  const { model } = judgement;
  const shown = ranked.map((t) => ({
    t,
    share: judgement.local.taxa[t],
    words: describeScore(judgement, t, check.character, likeliestStage(judgement, t)),
  }));
  let best: { a: number; b: number; weight: number; words: [string, string] } | null = null;
  for (const [i, first] of shown.entries()) {
    for (const second of shown.slice(i + 1)) {
      if (!first.words || !second.words || first.words === second.words) continue;
      const weight =
        first.share * second.share * (judgement.keptSide[first.t] === judgement.keptSide[second.t] ? 0.3 : 1);
      if (!best || weight > best.weight) best = { a: first.t, b: second.t, weight, words: [first.words, second.words] };
    }
  }
  const kit = model.flora.characters[check.character].kit;
  const needs = kit.length > 0 ? ` ${kit.join(" and ")} needed.`.replace(/^ ./, (s) => s.toUpperCase()) : "";
  if (check.second && !check.first) return againstReason(judgement, check.character, ranked[0]) + needs;
  if (check.first) {
    const like = check.first.filter(({ fits }) => fits).map(({ twin }) => twin);
    if (like.length > 0)
      return `You ${seenOf(judgement, check.character)}, as ${listed(like)} ${new Set(like).size > 1 ? "have" : "has"} it, which this flora does not hold; the rest is otherwise. One plant may be odd, or was misread.${needs}`;
    const apart = `${listed(check.first.map(({ taxon }) => plainName(judgement, taxon)))} from ${listed(check.first.map(({ twin }) => twin))}, which this flora does not hold`;
    return check.second ? `It alone parts ${apart}: one look may be a slip.${needs}` : `Parts ${apart}.${needs}`;
  }
  if (check.seldom)
    return `Few of what still fits show this now, and there is nothing else left to ask of them. Look again at your first answers too.${needs}`;
  if (!best) return `Parts what still fits into smaller groups.${needs}`;
  return `Parts ${plainName(judgement, best.a)} (${best.words[0]}) from ${plainName(judgement, best.b)} (${best.words[1]}).${needs}`;
}

/** What was seen of a part on one plant: "saw milky", "measured 12 cm". */
function seenOf({ model, case: given }: Judgement, c: number): string {
  const character = model.flora.characters[c];
  const observation = given.observations.find((o) => o.character === character.id) as Observation;
  if (observation.states) return `saw ${stateName(character, observation.states[0])}`;
  return `${character.kind === "count" ? "counted" : "measured"} ${Number(firstReading(character.kind, observation, model.tuning).value.toPrecision(3))} ${character.unit}`;
}

/** Why an answer of one plant is asked of another: what was seen, and what the likeliest plant shows instead. */
function againstReason(judgement: Judgement, c: number, likeliestPlant: number): string {
  const shown = describeScore(judgement, likeliestPlant, c, likeliestStage(judgement, likeliestPlant));
  return `You ${seenOf(judgement, c)}; ${plainName(judgement, likeliestPlant)}, likeliest here, ${shown ? `has ${shown}` : "hardly ever shows that"}. One plant may be odd, or was misread.`;
}
