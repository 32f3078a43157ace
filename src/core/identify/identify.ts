import type { Stage } from "../flora";
import { largestFirst } from "../stats";
import type { Case } from "./case/case";
import type { Model } from "./model/model";
import { type LaterCheck, laterChecks, type LaterTwinLook, laterTwinLooks } from "./next/later-checks";
import type { Lens } from "./next/lens";
import { predictChecks, towardsAction, towardsName } from "./next/next-check";
import { type Check, worthTowardsAction } from "./next/value-of-check";
import { judge } from "./posterior/judge";
import type { Judgement } from "./posterior/judgement";
import { decide, type VerdictResult } from "./verdict/decide";
import { gateOf } from "./verdict/gates";
import { type Slip, slipsOf } from "./verdict/slips";
import { namesPlant } from "./verdict/verdicts";
import { checkReason, likeliest, untested } from "./words/check-words";
import type { Standing } from "./words/verdict-table";
import { standingHere, verdictReason } from "./words/verdict-words";

export interface Candidate {
  taxon: string;
  probability: number;
  status: string;
  group: string;
}
export interface NamedCheck {
  character: string;
  seconds: number;
  why: string;
  /** most of what fits does not show it now: asked because nothing else is left to tell */
  seldom?: true;
  caution?: "gloves";
}

export interface Later {
  character: string;
  stage: Stage;
  /** ISO date */
  from: string;
  /** the plant, and the one it is told apart from: by its accepted name, or, where the flora does not include it, by what people call it */
  parts: [string, string];
}

export interface Identification {
  id: string;
  candidates: Candidate[];
  candidatesFlat: Candidate[];
  unknown: number;
  keptSide: number;
  verdict: VerdictResult["verdict"];
  /** accepted name of the plant that a verdict to clear, hold or keep is about; null under any other */
  about: string | null;
  /** what that plant is here, for the words of the verdict; of an unknown plant that it is not in the flora */
  standing: Standing;
  /** one plant alone is named by the verdict, not only the side it is on */
  named: boolean;
  reportFirst?: true;
  because: string;
  sameTreatment: string[][];
  /** it is held for a twin that the flora does not include, and nothing that can be looked at now tells the two apart */
  nothingNow?: true;
  next: {
    name: (NamedCheck & { bits: number })[];
    action: (NamedCheck & { worth: number })[];
    /** what is shown at another stage than now; from today, where other plants of their kind may be in it already */
    later: Later[];
    /** made on one plant, and to be made on a second before any other check: what goes against the likeliest plant, or alone tells what is found apart from a twin or makes it one */
    second: NamedCheck[];
  };
  /** crosses that may stand there, likeliest first */
  hybrids: { parents: [string, string]; probability: number }[];
  /** answers worth a second look */
  slips: { character: string; kind: Slip["kind"] }[];
  untested: { taxon: string; characters: string[] }[];
  limit: number;
  flora: string;
}

const SHOWN = 12;
const CHECKS_SHOWN = 8;

/** Everything the Bench shows about one plant, as plain data. The same on the server and in the browser. */
export function identify(model: Model, given: Case, lens: Lens = null): Identification {
  return report(judge(model, given), lens);
}

/** @param prospect where the next checks were predicted already */
export function report(
  judgement: Judgement,
  lens: Lens = null,
  gate = gateOf(judgement),
  prospect = predictChecks(judgement, gate),
): Identification {
  const { model } = judgement;
  const result = decide(judgement, gate);
  const id = (c: number) => model.flora.characters[c].id;
  const name = (t: number) => model.flora.taxa[t].name;
  const ranked = likeliest(judgement);
  const named = (check: Check): NamedCheck => ({
    character: id(check.character),
    seconds: check.seconds,
    why: checkReason(judgement, check, ranked),
    ...(check.seldom ? { seldom: true as const } : {}),
    ...(check.caution ? { caution: check.caution } : {}),
  });
  const later = ({ character, stage, from, parts: [taxon] }: LaterCheck | LaterTwinLook, twin: string): Later => ({
    character: id(character),
    stage,
    from,
    parts: [name(taxon), twin],
  });
  const acting = towardsAction(judgement, prospect, lens);
  const fresh = acting.findIndex((check) => !check.second);
  return {
    id: judgement.case.id,
    candidates: ranking(judgement, judgement.local.taxa),
    candidatesFlat: ranking(judgement, judgement.flat.taxa),
    unknown: round(judgement.local.unknown),
    keptSide: round(Math.max(judgement.guarded.local.keptSide, judgement.guarded.flat.keptSide)),
    verdict: result.verdict,
    about: namesPlant(result.verdict) && result.about >= 0 ? name(result.about) : null,
    standing: result.about >= 0 ? standingHere(judgement, result.about) : "not-in-flora",
    named: result.named || result.verdict === "clear",
    ...(result.reportFirst ? { reportFirst: true as const } : {}),
    because: verdictReason(judgement, result),
    sameTreatment: sameTreatment(judgement),
    ...(result.twinsInTheWay.length > 0 &&
    result.twinsInTheWay.every(({ looks, again }) => looks.length + again.length === 0)
      ? { nothingNow: true as const }
      : {}),
    next: {
      name: towardsName(judgement, prospect, lens)
        .slice(0, CHECKS_SHOWN)
        .map((check) => ({ ...named(check), bits: round(check.bits) })),
      action: acting
        .filter((check) => !check.second)
        .slice(0, CHECKS_SHOWN)
        .map((check) => ({ ...named(check), worth: round(worthTowardsAction(judgement, check)) })),
      second: acting.slice(0, fresh < 0 ? acting.length : fresh).map(named),
      later:
        result.twinsInTheWay.length > 0
          ? laterTwinLooks(judgement, result.twinsInTheWay).map((look) => later(look, look.parts[1]))
          : laterChecks(judgement).map((look) => later(look, name(look.parts[1]))),
    },
    hybrids: hybridsOf(judgement),
    slips: slipsOf(judgement, result).map(({ observation, kind }) => ({
      character: judgement.case.observations[observation].character,
      kind,
    })),
    untested: untested(judgement).map(({ taxon, characters }) => ({ taxon: name(taxon), characters })),
    limit: result.limit,
    flora: model.flora.version,
  };
}

/** Crosses below this share are not shown. */
const SHOWN_CROSS = 0.001;

function hybridsOf(judgement: Judgement): Identification["hybrids"] {
  const { model, local } = judgement;
  const shown = [...local.crosses.keys()]
    .filter((x) => local.crosses[x] >= SHOWN_CROSS)
    .sort((a, b) => local.crosses[b] - local.crosses[a]);
  return shown.map((x) => ({
    parents: model.crosses[x].parents.map((t) => model.flora.taxa[t].name) as [string, string],
    probability: round(local.crosses[x]),
  }));
}

function ranking(judgement: Judgement, shares: Float64Array): Candidate[] {
  return largestFirst(shares, SHOWN).map((t) => ({
    taxon: judgement.model.flora.taxa[t].name,
    probability: round(shares[t]),
    status: judgement.status[t],
    group: judgement.group[t],
  }));
}

/** Targets that still fit and get the same treatment: they need not be told apart. One that harms the hand is never lumped with one that does not. */
function sameTreatment(judgement: Judgement): string[][] {
  const groups = new Map<string, string[]>();
  judgement.local.taxa.forEach((share, t) => {
    if (share < 0.02 || judgement.keptSide[t]) return;
    const taxon = judgement.model.flora.taxa[t];
    const key = `${judgement.group[t]}|${taxon.hazards.contact ?? ""}`;
    groups.set(key, [...(groups.get(key) ?? []), taxon.name]);
  });
  return [...groups.values()].filter((names) => names.length > 1);
}

function round(x: number): number {
  return Math.round(x * 1e5) / 1e5;
}
