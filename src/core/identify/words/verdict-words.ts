import { recordingOf } from "../model/scores";
import type { Judgement } from "../posterior/judgement";
import type { VerdictResult } from "../verdict/decide";
import type { TwinInTheWay } from "../verdict/twins-in-the-way";
import { plainName } from "./observation-words";
import { percent } from "./percent";

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
  if (Math.max(local.taxa[stillFit[0]], flat.taxa[stillFit[0]]) > judgement.model.tuning.standsInTheWay * limit)
    return "";
  const looks = judgement.evidence.filter(
    (e) => e && recordingOf(judgement.model, stillFit[0], e.character) === "not-recorded",
  ).length;
  return looks === 0
    ? ""
    : ` Of ${plainName(judgement, stillFit[0])} ${looks === 1 ? "one of these looks is" : `${looks} of these looks are`} not recorded, so it cannot be ruled out by that.`;
}

export const listed = (names: string[]): string => [...new Set(names)].join(" and ");

/** Why a target is held for a twin that the flora does not hold, of itself or of another that is treated alike, and what would settle it. */
function unheldReason(judgement: Judgement, about: number, open: TwinInTheWay[]): string {
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
    if (result.twinsInTheWay.length > 0) return unheldReason(judgement, result.about, result.twinsInTheWay);
    const shown = result.stillFit.slice(0, 2);
    const names = shown.map((t) => plainName(judgement, t));
    if (names.length === 0 && result.crossFits >= 0)
      return `A cross of ${judgement.model.crosses[result.crossFits].parents.map((t) => plainName(judgement, t)).join(" and ")} still fits, and is kept as its kept parent is.`;
    if (names.length === 0) return unnamedReason(judgement, result.limit);
    const [fit, they] = names.length > 1 ? ["fit", "They are"] : ["fits", "It is"];
    // The rule asks for both priors: the field shows the local one, under which these may stand far below the limit.
    if (shown.every((t) => judgement.guarded.local.taxa[t] <= judgement.model.tuning.standsInTheWay * result.limit))
      return `By looks alone ${names.join(" and ")} still ${fit}, however rare here. ${they} kept here.${heldByGuard(judgement, result)}`;
    return `${names.join(" and ")} still ${fit}. ${they} kept here.${heldByGuard(judgement, result)}`;
  }
  return judgement.evidence.some(Boolean)
    ? "Not enough seen yet to say."
    : "Nothing seen yet. Start with whatever is plainest.";
}
