import type { Observation } from "./case";
import type { Character, Stage } from "./flora-types";
import { saysPartIsMissing } from "./absent";
import { percent } from "./percent";
import { largestFirst } from "./largest";
import { type Model, recordingOf, scoreFor } from "./model";
import type { Check } from "./gain";
import { type Judgement, likeliestStage, taxonLog, taxonLogWithout } from "./posterior";
import type { OpenTwin } from "./open-twins";
import { firstReading } from "./second-reading";
import type { VerdictResult } from "./verdict";

/** The name that a scout would use: the first common name, else the accepted one. */
export function plainName(judgement: Pick<Judgement, "model">, taxon: number): string {
  const { common, name } = judgement.model.flora.taxa[taxon];
  const first = common[0] ?? name;
  return first.charAt(0).toUpperCase() + first.slice(1);
}

export interface Weight {
  observation: number;
  /** evidence for the first plant over the second, decibans; negative is for the second */
  decibans: number;
  /** words on what was seen */
  seen: string;
}

/** Weight of each observation between two plants, by leaving it out, in decibans: 10 · log₁₀ of the ratio it adds. */
export function weightsOfEvidence(judgement: Judgement, first: number, second: number): Weight[] {
  const all = taxonLog(judgement.likelihoods, first) - taxonLog(judgement.likelihoods, second);
  return judgement.case.observations.map((_, i) => {
    const seen = describeObservation(judgement, i);
    if (!judgement.evidence[i]) return { observation: i, decibans: 0, seen };
    const rest = taxonLogWithout(judgement, first, i) - taxonLogWithout(judgement, second, i);
    return { observation: i, decibans: (10 * (all - rest)) / Math.LN10, seen };
  });
}

/** What was seen, in words: "Leaf base: heart-shaped notch (likely)". */
export function describeObservation({ model, case: given }: Judgement, index: number): string {
  const observation = given.observations[index];
  const character = model.flora.characters[model.characterIndex.get(observation.character) as number];
  return observationInWords(observation, character, (taxon) =>
    plainName({ model }, model.taxonIndex.get(taxon) as number),
  );
}

/** @param nameOf what a scout calls a plant, from its accepted name */
export function observationInWords(
  observation: Observation,
  character: Character,
  nameOf: (taxon: string) => string,
): string {
  const sure = observation.sure === "sure" ? "" : ` (${observation.sure === "guess" ? "a guess" : "likely"})`;
  if (observation.answer === "cannot-tell") return `${character.name}: can't tell`;
  if (observation.answer === "not-there-yet") return `${character.name}: not there yet`;
  const values = observation.values ?? (observation.value === undefined ? null : [observation.value]);
  const within = observation.half === undefined ? "" : ` ± ${Number(observation.half.toPrecision(2))}`;
  const onAnother =
    typeof observation.other === "number"
      ? ` on one plant, ${Number(observation.other.toPrecision(3))} on another`
      : "";
  if (values)
    return `${character.name}: ${values.map((v) => Number(v.toPrecision(3))).join(", ")}${within} ${character.unit}${onAnother}${sure}`;
  const plants =
    typeof observation.other === "string"
      ? ` on one plant, ${stateName(character, observation.other)} on another`
      : observation.of
        ? ` in ${observation.of.yes} of ${observation.of.n} plants`
        : "";
  const beside = observation.against
    ? ` ${observation.states?.[0] === "same" ? "as" : "than"} ${nameOf(observation.against)}`
    : "";
  if (saysPartIsMissing(character, observation)) return `${character.name}: no such part${sure}`;
  const names = (observation.states ?? ["none"]).map((id) => stateName(character, id));
  const looked = observation.answer === "absent" && observation.states ? "looked for and absent: " : "";
  return `${character.name}: ${looked}${names.join(observation.join === "all" ? " and " : " or ")}${beside}${plants}${sure}`;
}

export function stateName(character: Character, id: string): string {
  return (character.states.find((s) => s.id === id)?.name ?? id).replace(/^./, (letter) => letter.toLowerCase());
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
    return round(low) === round(high)
      ? `${round(low)} ${character.unit}`
      : `${round(low)} to ${round(high)} ${character.unit}`;
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

/** Plants among which a check's reason is looked for. */
const REASONED = 4;

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
  return `${character.kind === "count" ? "counted" : "measured"} ${Number(firstReading(character.kind, observation).value.toPrecision(3))} ${character.unit}`;
}

/** Why an answer of one plant is asked of another: what was seen, and what the likeliest plant shows instead. */
function againstReason(judgement: Judgement, c: number, likeliestPlant: number): string {
  const shown = describeScore(judgement, likeliestPlant, c, likeliestStage(judgement, likeliestPlant));
  return `You ${seenOf(judgement, c)}; ${plainName(judgement, likeliestPlant)}, likeliest here, ${shown ? `has ${shown}` : "hardly ever shows that"}. One plant may be odd, or was misread.`;
}

/** The likeliest plants here, likeliest first. */
export function likeliest(judgement: Pick<Judgement, "local">, most = REASONED): number[] {
  return largestFirst(judgement.local.taxa, most);
}

/** Why nothing may be done though no plant to keep stands out: the unknown plant, all that stays together, or two ways of treating. */
function unnamedReason({ local, flat, guarded }: Judgement, limit: number): string {
  const kept = Math.max(guarded.local.keptSide, guarded.flat.keptSide);
  if (Math.max(local.unknown, flat.unknown) > limit)
    return "A plant that is not in this flora still fits too well. Look at more before acting.";
  if (kept > limit)
    return `No one plant stands in the way, but what must be kept and what is not in this flora stand together at ${percent(kept)}, over your limit of ${percent(limit)}. Look at more before acting.`;
  return "What still fits is treated here in more than one way. Tell them apart before acting.";
}

/** Why a kept plant stands in the way though the field shows little of it: what is not recorded of it never speaks against it. */
function heldByGuard(judgement: Judgement, { stillFit, limit }: VerdictResult): string {
  const { local, flat } = judgement;
  if (Math.max(local.taxa[stillFit[0]], flat.taxa[stillFit[0]]) > limit / 2) return "";
  const looks = judgement.evidence.filter(
    (e) => e && recordingOf(judgement.model, stillFit[0], e.character) === "not-recorded",
  ).length;
  return looks === 0
    ? ""
    : ` Of ${plainName(judgement, stillFit[0])} ${looks === 1 ? "one of these looks is" : `${looks} of these looks are`} not recorded, so it cannot be ruled out by that.`;
}

const listed = (names: string[]): string => [...new Set(names)].join(" and ");

/** Why a target is held for a twin that the flora does not hold, of itself or of another that is treated alike, and what would settle it. */
function unheldReason(judgement: Judgement, about: number, open: OpenTwin[]): string {
  const names = [...new Set(open.map((o) => o.twin.common))];
  const [are, them] = names.length > 1 ? ["are", "them"] : ["is", "it"];
  const takenFor = open.every((o) => o.taxon === about)
    ? "it"
    : `${listed(open.map((o) => plainName(judgement, o.taxon)))}, treated alike here`;
  const onSecond = open.some((o) => o.fits && o.again.length > 0)
    ? `What was seen is partly as ${names.length > 1 ? "they have" : "it has"} it, and partly not: make that look on a second plant.`
    : "One look alone parts the two: make it on a second plant.";
  const settle = open.every((o) => o.looks.length > 0)
    ? ""
    : open.every((o) => o.looks.length > 0 || o.again.length > 0)
      ? ` ${onSecond}`
      : " What was seen does not part the two: get a second opinion before acting.";
  return `${plainName(judgement, about)} fits, but ${names.join(" and ")} ${are} taken for ${takenFor}, and this flora does not hold ${them}.${settle}`;
}

/** The verdict in a scout's words: reason first, then the one thing to do. */
export function verdictReason(judgement: Judgement, result: VerdictResult): string {
  const name = result.about >= 0 ? plainName(judgement, result.about) : "";
  const kept = Math.max(judgement.guarded.local.keptSide, judgement.guarded.flat.keptSide);
  if (result.verdict === "clear") {
    const report = result.reportFirst ? "Not known here yet: report it before anything is done. " : "";
    return `${report}${name} fits, and what must be kept stands at ${percent(kept, "under ")}, under your limit of ${percent(result.limit, "under ")}.`;
  }
  if (result.verdict === "keep") {
    const danger = judgement.model.flora.taxa[result.about].hazards.people;
    if (!result.named)
      return `${name} fits best, but another may fit too. All that fits is on the side that stays: leave it, and do not take it for named.${danger ? ` Take care all the same: ${danger}` : ""}`;
    return `${name} fits. It is on the side that stays: leave it.${danger ? ` Take care all the same: ${danger}` : ""}`;
  }
  if (result.verdict === "unknown")
    return "Nothing in this flora fits well. Take a specimen and pictures, and ask for a second opinion.";
  if (result.verdict === "hold") {
    if (result.leansOn)
      return `${name} fits, but only on the strength of one kind of look (${result.leansOn.replace(/-/g, " ")}). Look at something else before acting.`;
    if (result.openTwins.length > 0) return unheldReason(judgement, result.about, result.openTwins);
    const shown = result.stillFit.slice(0, 2);
    const names = shown.map((t) => plainName(judgement, t));
    if (names.length === 0 && result.crossFits >= 0)
      return `A cross of ${judgement.model.crosses[result.crossFits].parents.map((t) => plainName(judgement, t)).join(" and ")} still fits, and is kept as its kept parent is.`;
    if (names.length === 0) return unnamedReason(judgement, result.limit);
    const [fit, they] = names.length > 1 ? ["fit", "They are"] : ["fits", "It is"];
    // The rule asks for both priors: the field shows the local one, under which these may stand far below the limit.
    if (shown.every((t) => judgement.guarded.local.taxa[t] <= result.limit / 2))
      return `By looks alone ${names.join(" and ")} still ${fit}, however rare here. ${they} kept here.${heldByGuard(judgement, result)}`;
    return `${names.join(" and ")} still ${fit}. ${they} kept here.${heldByGuard(judgement, result)}`;
  }
  return judgement.evidence.some(Boolean)
    ? "Not enough seen yet to say."
    : "Nothing seen yet. Start with whatever is plainest.";
}
