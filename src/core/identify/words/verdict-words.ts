import { recordingOf } from "../model/scores";
import type { Judgement } from "../posterior/judgement";
import type { VerdictResult } from "../verdict/decide";
import type { TwinInTheWay } from "../verdict/twins-in-the-way";
import { plainName } from "./observation-words";
import { percent } from "./percent";
import { type Standing, STANDING_WORDS, standingOf } from "./verdict-table";

/** Why nothing may be done though no plant to keep stands out: the unknown plant, all that stays together, or two ways of treating. */
function unnamedReason({ local, flat, guarded }: Judgement, limit: number): string {
  const kept = Math.max(guarded.local.keptSide, guarded.flat.keptSide);
  if (Math.max(local.unknown, flat.unknown) > limit)
    return "A plant that is not in this flora still fits too well. Check more before acting.";
  if (kept > limit)
    return `No single plant stands in the way. Plants to keep and plants that are not in this flora add up to ${percent(kept)}, over your limit of ${percent(limit)}. Check more before acting.`;
  return "The plants that still fit are treated in more than one way here. Tell them apart before acting.";
}

/** Why a kept plant stands in the way though the field shows little of it: what is not recorded of it never counts against it. */
function heldByGuard(judgement: Judgement, { stillFit, limit }: VerdictResult): string {
  const { local, flat } = judgement;
  if (Math.max(local.taxa[stillFit[0]], flat.taxa[stillFit[0]]) > judgement.model.tuning.standsInTheWay * limit)
    return "";
  const silent = judgement.evidence.filter(
    (e) => e && recordingOf(judgement.model, stillFit[0], e.character) === "not-recorded",
  ).length;
  if (silent === 0) return "";
  const checks = silent === 1 ? "One of these checks is" : `${silent} of these checks are`;
  return ` ${checks} not recorded for ${plainName(judgement, stillFit[0])}, so ${silent === 1 ? "that check" : "those checks"} cannot rule it out.`;
}

export const listed = (names: string[]): string => [...new Set(names)].join(" and ");

/** Why a target is held for a twin that the flora does not include, of itself or of another that is treated alike, and what would settle it. */
function unscoredReason(judgement: Judgement, about: number, open: TwinInTheWay[]): string {
  const names = [...new Set(open.map((o) => o.twin.common))];
  const several = names.length > 1;
  const mistaken = open.every((o) => o.taxon === about)
    ? "it"
    : `${listed(open.map((o) => plainName(judgement, o.taxon)))}, which is treated the same here`;
  return `${plainName(judgement, about)} fits. But ${names.join(" and ")} ${several ? "are" : "is"} mistaken for ${mistaken}, and ${several ? "they are" : "it is"} not in this flora.${settledBy(open, several)}`;
}

/** What would settle it, where no fresh check does. */
function settledBy(open: TwinInTheWay[], several: boolean): string {
  if (open.every((o) => o.looks.length > 0)) return "";
  if (!open.every((o) => o.looks.length > 0 || o.again.length > 0))
    return " What was seen does not tell them apart. Get a second opinion before acting.";
  return open.some((o) => o.fits && o.again.length > 0)
    ? ` Some of what was seen matches ${several ? "them" : "it"}, and some does not. Make that check on a second plant.`
    : " Only one check tells the two apart. Make it on a second plant.";
}

/** The verdict in a scout's words: reason first, then the one thing to do. */
export function verdictReason(judgement: Judgement, result: VerdictResult): string {
  if (result.verdict === "clear") return clearReason(judgement, result);
  if (result.verdict === "keep") return keepReason(judgement, result);
  if (result.verdict === "unknown")
    return "Nothing in this flora fits well. Take a specimen and pictures, and ask for a second opinion.";
  if (result.verdict === "hold") return holdReason(judgement, result);
  return judgement.evidence.some(Boolean)
    ? "Not enough has been seen yet to say."
    : "Nothing has been seen yet. Start with the easiest check.";
}

function clearReason(judgement: Judgement, { about, limit, reportFirst }: VerdictResult): string {
  const { local, flat } = judgement.guarded;
  const report = reportFirst ? "This plant is not known here yet. Report it before you do anything. " : "";
  const kept = Math.max(local.keptSide, flat.keptSide);
  return `${report}${plainName(judgement, about)} fits. The chance that it is a plant to keep is ${percent(kept, "under ")}, below your limit of ${percent(limit, "under ")}.`;
}

function keepReason(judgement: Judgement, { about, named }: VerdictResult): string {
  const name = plainName(judgement, about);
  const danger = judgement.model.flora.taxa[about].hazards.people;
  const care = danger ? ` Take care: ${danger}` : "";
  return named
    ? `${name} fits. ${STANDING_WORDS[standingHere(judgement, about)]}${care}`
    : `${name} fits best, but another plant may fit too. None of the plants that fit is to be treated: leave it, and do not count it as named.${care}`;
}

/** What a plant is here: what the list says of it, and whether it harms people. */
export function standingHere({ model, case: given }: Judgement, taxon: number): Standing {
  const { name, hazards } = model.flora.taxa[taxon];
  return standingOf(given.list[name], hazards.people !== undefined || hazards.contact !== undefined);
}

function holdReason(judgement: Judgement, result: VerdictResult): string {
  const { about, leansOn, twinsInTheWay, crossFits, limit } = result;
  if (leansOn)
    return `${plainName(judgement, about)} fits, but only because of one kind of check (${leansOn.replace(/-/g, " ")}). Check something else before acting.`;
  if (twinsInTheWay.length > 0) return unscoredReason(judgement, about, twinsInTheWay);
  const shown = result.stillFit.slice(0, 2);
  if (shown.length === 0 && crossFits >= 0)
    return `A cross of ${judgement.model.crosses[crossFits].parents.map((t) => plainName(judgement, t)).join(" and ")} still fits. It is kept, as its kept parent is.`;
  if (shown.length === 0) return unnamedReason(judgement, limit);
  const names = shown.map((t) => plainName(judgement, t)).join(" and ");
  const [fit, they] = shown.length > 1 ? ["fit", "They are"] : ["fits", "It is"];
  const tail = `${they} not to be treated here.${heldByGuard(judgement, result)}`;
  // The rule asks for both priors: the field shows the local one, under which these may stand far below the limit.
  const rareHere = shown.every((t) => judgement.guarded.local.taxa[t] <= judgement.model.tuning.standsInTheWay * limit);
  return rareHere
    ? `By appearance alone ${names} still ${fit}, however rare here. ${tail}`
    : `${names} still ${fit}. ${tail}`;
}
