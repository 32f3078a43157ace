import type { Observation } from "../case/case";
import { writtenChecks } from "../model/written-checks";
import { type Judgement, likeliestStage } from "../posterior/judgement";
import { topOnSide } from "../verdict/sides";
import { farthestFromClear } from "../verdict/standpoint";
import { gateOf, type Gate } from "../verdict/gates";
import { type LooksBeforeClear, looksBeforeClear, type MistakenFor } from "../verdict/twins-in-the-way";
import { answersAgainst } from "./answers-against";
import { carriedShare, contactShare, handling, ruledOut, visibleShare } from "./askable";
import { activeHypotheses, type ActiveHypotheses } from "./hypotheses";
import { type Lens, SEEN_THROUGH } from "./lens";
import {
  hypothesesAfter,
  isEnded,
  keptLeads,
  orderByLookingAhead,
  sharesOnlyAfter,
  type Shortlist,
  shortlistOf,
} from "./look-ahead";
import { predictedAnswers } from "./predicted-answers";
import { type Check, valueForName, valueOfCheck, worthTowardsAction, worthTowardsName } from "./value-of-check";
import type { Tuning } from "../tuning";

/** A part that nothing left shows is asked about last of all, where every other answer was used up. */
const LEAST_VISIBLE = 1e-6;

/** The checks worth making now, and what they were predicted from: the orders look ahead from it. */
export interface Prospect {
  /** unordered; see `towardsName` and `towardsAction` */
  checks: Check[];
  active: ActiveHypotheses;
  /** the likeliest plants, for looking ahead; null where only some plants were predicted */
  shortlist: Shortlist | null;
}

/**
 * @param gate what the judgement must pass before Clear, where it is known from the verdict
 * @param only these plants alone are predicted; left out: all that still fit
 */
export function predictChecks(judgement: Judgement, gate = gateOf(judgement), only?: Set<number>): Prospect {
  const from = { standpoint: farthestFromClear(judgement, gate), against: answersAgainst(judgement) };
  const active = activeHypotheses(judgement, from, only);
  return {
    checks: checksFrom(judgement, gate, active, only !== undefined),
    active,
    shortlist: only ? null : shortlistOf(judgement, active),
  };
}

function checksFrom(judgement: Judgement, gate: Gate, active: ActiveHypotheses, only: boolean): Check[] {
  const { appliesName, visible, leastBits, seldomShare } = judgement.model.tuning;
  const against = only ? new Map<number, Observation>() : active.against;
  const before = only ? null : looksBeforeClear(judgement, gate);
  const checks: Check[] = [];
  const rest: Askable[] = [];
  for (const look of askableNow(judgement, active, against, before)) {
    if (against.has(look.c)) {
      if (!before?.again.has(look.c)) checks.push({ ...predictCheck(judgement, active, look), second: true });
    } else if (look.carried < appliesName || look.visible < visible) rest.push(look);
    else {
      const check = predictCheck(judgement, active, look);
      if (only || check.bits > leastBits || check.first) checks.push(check);
    }
  }
  checks.push(...onSecondPlants(judgement, before));
  const fresh = checks.filter((check) => !check.second);
  if (only || !hasRunDry(judgement.model.tuning, active, fresh)) return checks;
  const seldom = rest.filter((look) => look.carried >= seldomShare && look.visible >= seldomShare);
  const left = seldom.length > 0 ? seldom : rest;
  return [
    ...checks,
    ...left.map((look) => lessBy(Math.max(look.visible, LEAST_VISIBLE), predictCheck(judgement, active, look))),
  ];
}

/** Characters that can be asked about: not answered yet, or answered against the likeliest plant; with the kit at hand, and harming nobody. */
function askableNow(
  judgement: Judgement,
  active: ActiveHypotheses,
  against: Map<number, Observation>,
  before: LooksBeforeClear | null,
): Askable[] {
  const answered = new Set(judgement.case.observations.map((o) => o.character));
  const harm = contactShare(judgement);
  return judgement.model.flora.characters.flatMap((character, c): Askable[] => {
    if (
      character.compares ||
      judgement.case.setting[character.id] !== undefined ||
      (answered.has(character.id) && !against.has(c)) ||
      !character.kit.every((k) => judgement.case.kit.includes(k)) ||
      ruledOut(judgement, c)
    )
      return [];
    const caution = handling(judgement, c, harm);
    if (caution === "never") return [];
    if (against.has(c)) return [{ c, carried: 1, visible: 1, caution, first: undefined }];
    return [
      {
        c,
        carried: carriedShare(judgement, active, c),
        visible: visibleShare(judgement, active, c),
        caution,
        first: before?.fresh.get(c),
      },
    ];
  });
}

/** Checks that were made on one plant, and must be made on a second before a target is cleared. */
function onSecondPlants(judgement: Judgement, before: LooksBeforeClear | null): Check[] {
  const harm = contactShare(judgement);
  return [...(before?.again ?? [])].flatMap(([c, twins]) => {
    const caution = handling(judgement, c, harm);
    return caution === "never" ? [] : [onSecondPlant(judgement, c, twins, caution)];
  });
}

/** A character that may be asked about. */
interface Askable {
  c: number;
  /** shares of what still fits that carry the part, and that show it now */
  carried: number;
  visible: number;
  caution: "gloves" | undefined;
  /** unheld twins that it must be looked at for */
  first: MistakenFor[] | undefined;
}

function predictCheck(judgement: Judgement, active: ActiveHypotheses, { c, carried, caution, first }: Askable): Check {
  const gain = valueOfCheck(judgement, active, c, predictedAnswers(judgement, active, c));
  return {
    character: c,
    seconds: judgement.model.flora.characters[c].seconds,
    carried,
    ...gain,
    ...(first ? { first } : {}),
    ...(caution ? { caution } : {}),
  };
}

/** What was looked at, looked at on a second plant: it tells nothing new of what is found, but that its one sign was no slip. */
const onSecondPlant = ({ model }: Judgement, character: number, first: MistakenFor[], caution?: "gloves"): Check => ({
  character,
  seconds: model.flora.characters[character].seconds,
  carried: 1,
  bits: 0,
  rise: 0,
  saved: 0,
  partBits: 0,
  first,
  second: true,
  ...(caution ? { caution } : {}),
});

/** A look at a part that few of what fits show tells as much less as it is likely to find nothing. */
const lessBy = (share: number, check: Check): Check => ({
  ...check,
  seldom: true,
  bits: check.bits * share,
  rise: check.rise * share,
  saved: check.saved * share,
  partBits: check.partBits * share,
});

/**
 * True where no look at what most of what fits shows tells anything, and still nothing is settled: one answer that was wrong,
 * the kind of plant above all, can lead to plants of which nothing is left to be seen. Then the others are asked about.
 */
const hasRunDry = ({ settledShare, dryBits }: Tuning, active: ActiveHypotheses, checks: Check[]): boolean =>
  active.shares.every((share) => share < settledShare) && checks.every((check) => check.bits < dryBits);

export function towardsName(judgement: Judgement, { checks, shortlist }: Prospect, lens: Lens = null): Check[] {
  const plain = order(
    judgement,
    checks.filter((check) => !check.second),
    lens,
    (check) => worthTowardsName(judgement, check),
    judgement.model.tuning.overheadName,
  );
  return isThrough(judgement, plain[0], lens)
    ? plain
    : orderByLookingAhead(judgement, shortlist, plain, {
        overheadSeconds: judgement.model.tuning.overheadName,
        worth: (gain) => worthTowardsName(judgement, gain),
        after: sharesOnlyAfter,
        gain: (after, _, look) => valueForName(judgement.model, after, look),
        ended: () => false,
      });
}

/** Checks whose part most of what still fits carries: those among which the next towards an action is chosen. */
export function mostlyCarried({ model }: Judgement, checks: Check[]): Check[] {
  const { appliesAction, dryBits } = model.tuning;
  const most = checks.filter((check) => check.carried >= appliesAction);
  return most.some((check) => check.bits >= dryBits || check.saved > 0) ? most : checks;
}

/** A second plant that is looked at for a twin which the flora does not include comes when nothing else is left. */
const isLast = (check: Check): boolean => check.second === true && check.first !== undefined;

export function towardsAction(
  judgement: Judgement,
  { checks, active, shortlist }: Prospect,
  lens: Lens = null,
): Check[] {
  const second = checks.filter(isLast);
  const written = writtenForRivals(judgement);
  const plain = order(
    judgement,
    mostlyCarried(
      judgement,
      checks.filter((check) => !isLast(check)),
    ),
    lens,
    (check) =>
      worthTowardsAction(judgement, check) *
      (check.second || written.has(judgement.model.flora.characters[check.character].id)
        ? judgement.model.tuning.writtenLift
        : 1),
    judgement.model.tuning.overheadAction,
  );
  const ordered =
    isThrough(judgement, plain[0], lens) || keptLeads(judgement, active)
      ? plain
      : orderByLookingAhead(judgement, shortlist, plain, {
          overheadSeconds: judgement.model.tuning.overheadAction,
          worth: (gain) => worthTowardsAction(judgement, gain),
          after: hypothesesAfter,
          gain: (after, c, look) => valueOfCheck(judgement, after, c, look.rows, look.nats),
          ended: (after) => isEnded(judgement, after),
        });
  return [...ordered.filter((check) => check.first), ...second, ...ordered.filter((check) => !check.first)];
}

/** Checks that people wrote for the likeliest target and the likeliest kept plant: a specialist makes these first. */
function writtenForRivals(judgement: Judgement): Set<string> {
  const rivals = [topOnSide(judgement, 0), topOnSide(judgement, 1)];
  return rivals.some((t) => t < 0)
    ? new Set()
    : new Set(writtenChecks(judgement.model, rivals, likeliestStage(judgement, rivals[0])));
}

/** Best first; under a lens, what is looked at through it and tells anything before all else. */
function order(
  judgement: Judgement,
  checks: Check[],
  lens: Lens,
  value: (check: Check) => number,
  overheadSeconds: number,
): Check[] {
  const fruitless = fruitlessAnswers(judgement);
  const { characters } = judgement.model.flora;
  const rated = checks.map((check) => ({
    check,
    through: isThrough(judgement, check, lens),
    rate:
      (judgement.model.tuning.fruitless ** (fruitless.get(characters[check.character].station) ?? 0) * value(check)) /
      (check.seconds + overheadSeconds),
  }));
  return rated.sort((a, b) => Number(b.through) - Number(a.through) || b.rate - a.rate).map(({ check }) => check);
}

/** Whether a check tells anything of what is looked at through a lens. */
const isThrough = (judgement: Judgement, check: Check | undefined, lens: Lens): boolean =>
  lens !== null &&
  check !== undefined &&
  check.bits >= judgement.model.tuning.dryBits &&
  SEEN_THROUGH[lens](judgement.model.flora.characters[check.character]);

/** Answers per station that told nothing. */
function fruitlessAnswers(judgement: Judgement): Map<string, number> {
  const counts = new Map<string, number>();
  judgement.case.observations.forEach((observation, i) => {
    if (judgement.evidence[i]) return;
    const station =
      judgement.model.flora.characters[judgement.model.characterIndex.get(observation.character) as number].station;
    counts.set(station, (counts.get(station) ?? 0) + 1);
  });
  return counts;
}
