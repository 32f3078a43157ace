import { withUnit } from "../../flora";
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

/** Why a check is offered: which plants it tells apart, and what each shows. */
export function checkReason(judgement: Judgement, check: Check, ranked = likeliest(judgement)): string {
  const { kit } = judgement.model.flora.characters[check.character];
  const needs = kit.length > 0 ? ` ${kit.join(" and ")} needed.`.replace(/^ ./, (s) => s.toUpperCase()) : "";
  return reasonOf(judgement, check, ranked) + needs;
}

function reasonOf(judgement: Judgement, check: Check, ranked: number[]): string {
  if (check.first) return twinReason(judgement, check, check.first);
  if (check.second) return againstReason(judgement, check.character, ranked[0]);
  if (check.seldom)
    return "Few of the plants that still fit show this now, and no other check is left. Check your first answers again too.";
  const best = bestPair(judgement, check.character, ranked);
  if (!best) return "Splits the plants that still fit into smaller groups.";
  const [a, b] = best.plants.map((t, i) => `${plainName(judgement, t)} (${best.words[i]})`);
  return `Tells ${a} from ${b}.`;
}

/** Two plants of one side matter less to each other than a plant to treat and one to leave. */
const SAME_SIDE = 0.3;

/** The two of these plants that it matters most to tell apart, and that show different things. */
function bestPair(
  judgement: Judgement,
  c: number,
  ranked: number[],
): { plants: [number, number]; words: [string, string] } | null {
  const shown = ranked.map((t) => describeScore(judgement, t, c, likeliestStage(judgement, t)));
  let best: ReturnType<typeof bestPair> = null;
  let most = 0;
  for (const [i, first] of ranked.entries()) {
    for (const [j, second] of ranked.entries()) {
      if (j <= i || !shown[i] || !shown[j] || shown[i] === shown[j]) continue;
      const sides = judgement.keptSide[first] === judgement.keptSide[second] ? SAME_SIDE : 1;
      const weight = judgement.local.taxa[first] * judgement.local.taxa[second] * sides;
      if (best && weight <= most) continue;
      most = weight;
      best = { plants: [first, second], words: [shown[i], shown[j]] };
    }
  }
  return best;
}

/** Why a check is made for twins that the flora does not include. */
function twinReason(judgement: Judgement, check: Check, twins: NonNullable<Check["first"]>): string {
  const like = twins.filter(({ fits }) => fits).map(({ twin }) => twin);
  if (like.length > 0)
    return `You ${seenOf(judgement, check.character)}. That matches ${listed(like)}, which ${new Set(like).size > 1 ? "are" : "is"} not in this flora, although everything else differs. This plant may be unusual, or the part was misread.`;
  const names = listed(twins.map(({ twin }) => twin));
  const apart = `${listed(twins.map(({ taxon }) => plainName(judgement, taxon)))} from ${names}, which ${new Set(twins.map(({ twin }) => twin)).size > 1 ? "are" : "is"} not in this flora`;
  return check.second ? `This check alone tells ${apart}. One check can be wrong.` : `Tells ${apart}.`;
}

/** What was seen of a part on one plant: "saw milky", "measured 12 cm". */
function seenOf({ model, case: given }: Judgement, c: number): string {
  const character = model.flora.characters[c];
  const observation = given.observations.find((o) => o.character === character.id) as Observation;
  if (observation.states) return `saw ${stateName(character, observation.states[0])}`;
  const { value } = firstReading(character.kind, observation, model.tuning);
  const did = character.kind === "count" ? "counted" : "measured";
  return `${did} ${withUnit(Number(value.toPrecision(3)), character.unit)}`;
}

/** Why an answer of one plant is asked of another: what was seen, and what the likeliest plant shows instead. */
function againstReason(judgement: Judgement, c: number, likeliestPlant: number): string {
  const shown = describeScore(judgement, likeliestPlant, c, likeliestStage(judgement, likeliestPlant));
  const name = plainName(judgement, likeliestPlant);
  return `You ${seenOf(judgement, c)}. ${name} is the most likely plant here, and it ${shown ? `has ${shown}` : "hardly ever shows that"}. This plant may be unusual, or the part was misread.`;
}
