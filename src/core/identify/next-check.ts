import type { Observation } from "./case";
import { type Character, LIFE_FORMS, type Stage, STAGES, type Taxon } from "./flora-types";
import { crossKept } from "./hybrids";
import { largestFirst } from "./largest";
import { baseKnown, type Lacking, lacking } from "./missing-part";
import { answersAt, applies, firstRowOf, hasPart, type Model, recordingOf, seenAt, variesWithCondition } from "./model";
import { type Block, conditionShare, type Judgement, likeliestStage, type Posterior, soundShare } from "./posterior";
import { allBegin } from "./season";
import { answersAgainst, type Foreseen, secondAnswers } from "./second-look";
import { timesLog } from "./times-log";
import { farthestFromClear, GROUP_SHARE, KEEP_SHARE, keptLimit, looksBeforeClear, type Standpoint, topOnSide } from "./verdict";

/** What a look is expected to tell. */
interface Gain {
  /** expected bits about the plant's name */
  bits: number;
  /** expected rise of the chance that the plant ranked first is the right one */
  rise: number;
  /** expected fall in the cost of the best act, hours */
  saved: number;
  /** expected bits about kept side and action group */
  partBits: number;
}

export interface Check extends Gain {
  character: number;
  seconds: number;
  /** share of what still fits that carries the part */
  carried: number;
  /** asked before anything else towards an action: it parts what is found from these twins, which the flora does not hold */
  first?: string[];
  /** most of what fits does not show it now: asked because nothing else is left to tell */
  seldom?: true;
  /** it was looked at on one plant, and is to be looked at on a second: one look alone parts what is found from twins, or what was seen goes against the plant ranked first */
  second?: true;
  /** a caution to show with the question */
  caution?: "gloves";
}

export interface LaterCheck {
  character: number;
  /** the stage that shows it, and the first day, from today, on which both plants may be in it */
  stage: Stage;
  from: string;
  parts: [number, number];
}

export type Lens = "collar" | "touch" | "distance" | "dig" | "bark" | null;
const inBlocks = (...blocks: string[]) => ({ block }: Character): boolean => blocks.includes(block);
const atStations = (...stations: string[]) => ({ station }: Character): boolean => stations.includes(station);
/** What a lens brings forward: a station, what is felt or smelt, what must be dug or pulled for, what a twig shows without leaves. */
const LENSES: Record<Exclude<Lens, null>, (character: Character) => boolean> = {
  collar: atStations("collar", "grass-seedling"),
  touch: inBlocks("hair", "texture", "arms", "bloom", "sap", "smell", "stem-build", "stiffness"),
  distance: atStations("distance", "setting"),
  dig: (character) => character.destroys || character.block === "root",
  bark: inBlocks("bark", "inner", "buds", "arms", "arms-place", "cane", "stand"),
};
/**
 * Seconds that turning to any question costs, beside the look itself. Towards an action little is added, so that
 * quick looks come first; towards a name so much that the telling looks do, and seconds decide only between equals:
 * every further answer is one more that may be a slip.
 */
const OVERHEAD_SECONDS = { action: 30, name: 300 };
/** Plants below this share in both rankings do not count in foreseeing answers. */
const ACTIVE_SHARE = 2e-4;
/**
 * Share of what still fits that must carry a part before it is asked about. Towards a name a part that few carry may be
 * asked for too, since that there is no such part tells as much; towards an action it is asked for where most carry it.
 */
const APPLIES_SHARE = { action: 0.7, name: 0.35 };
/** A station where the scout could not tell, or found nothing yet, is asked less: each such answer halves its weight. */
const FRUITLESS_WEIGHT = 0.35;
/** Price of a bit about what to do, in visits. */
const BIT_PRICE = 2;
/** Bits about the name count a little for the act too: who it is parts the sides in the end. */
const NAME_SHARE = 0.4;
/** Bits about the name that the certainty of the first plant is worth. */
const RISE_BITS = 3;
/** At most this many plants, the likeliest, are foreseen: all of the shipped flora; of a flora of thousands fewer, so that it stays quick. */
const mostActive = (model: Model): number => (model.flora.taxa.length <= 800 ? 400 : 100);
const VISIBLE_SHARE = 0.5;
/** Below so many bits a look tells nothing. */
const DRY_BITS = 0.03;
/** Share of one plant above which nothing more need be asked. */
const SETTLED_SHARE = 0.9;
/** Share that must carry a part, and show it, where no other look tells anything and nothing is settled. */
const SELDOM_SHARE = 0.03;
/** A part that nothing left shows is asked about last of all, where every other answer was used up. */
const LEAST_VISIBLE = 1e-6;
/** Parts of the unknown plant below this share are not foreseen. */
const LEAST_PART = 1e-6;
/** Share of plants that harm the hand above which a bare-handed check is not asked. */
const HARM_SHARE = 0.02;

/** Share of a plant's conditions below which one is not foreseen. */
const LEAST_CONDITION = 1e-3;

/** What may stand there, by share, and how it is parted by what is to be done. */
interface Standing {
  /** shares of the plants, then of the crosses, and, last, the unknown plant, summing to 1 */
  shares: Float64Array;
  /** the same from the standpoint that is farthest from Clear, and as a verdict of Clear is measured there */
  sided: Float64Array;
  guarded: Float64Array;
  standpoint: Standpoint;
  /** side of each of `shares`: 0 what is kept and the unknown plant, then one number for each action group */
  parted: Int32Array;
  partitions: number;
  /** what each side holds of `sided`, and of `guarded` */
  prior: Float64Array;
  guardedPrior: Float64Array;
  desk: Desk;
}

interface Active extends Standing, Foreseen {
  /** stages that hold any of the conditions, and what each holds of each plant: row stage, column plant */
  stages: number[];
  stageWeight: Float64Array;
  /** what all of these hold of each plant, nearly 1 */
  weightSum: Float64Array;
  /** the same as `stageWeight`, of what a block that was looked at still proves, by block */
  soundOf: Map<string, Float64Array>;
  share: Float64Array;
  /** the sum of `share`, and what of it each of `stages` holds */
  total: number;
  stageTotal: Float64Array;
}

/** What was worked out to foresee the checks of a judgement, for the orders that follow them further. */
const foreseen = new WeakMap<Judgement, Active>();

/** Arrays that foreseeing one character after another is worked out in: made once for all of them. */
interface Desk {
  rows: Float64Array;
  sums: Float64Array;
  first: Float64Array;
  parts: Float64Array;
  guardedParts: Float64Array;
}

function newDesk(model: Model, plants: number, partitions: number): Desk {
  const answers = model.answers.reduce((a, b) => Math.max(a, b), 0) + 1;
  return { rows: new Float64Array(plants * answers), sums: new Float64Array(answers), first: new Float64Array(answers), parts: new Float64Array(answers * partitions), guardedParts: new Float64Array(answers * partitions) };
}

/**
 * Checks worth making now, unordered; see `towardsName` and `towardsAction` for the two orders.
 * @param only these plants alone are foreseen; left out: all that still fit
 */
export function foreseeChecks(judgement: Judgement, only?: Set<number>): Check[] {
  const active = activePlants(judgement, only);
  if (!only) foreseen.set(judgement, active);
  const answered = new Set(judgement.case.observations.map((o) => o.character));
  const against = only ? new Map<number, Observation>() : answersAgainst(judgement);
  const harm = contactShare(judgement);
  const before = only ? null : looksBeforeClear(judgement);
  const wanted = before?.fresh ?? new Map<number, string[]>();
  const checks: Check[] = [];
  const rest: Askable[] = [];
  const characters = judgement.model.flora.characters;
  for (let c = 0; c < characters.length; c++) {
    const character = characters[c];
    if (character.compares || (answered.has(character.id) && !against.has(c)) || !character.kit.every((k) => judgement.case.kit.includes(k)) || ruledOut(judgement, c)) continue;
    const caution = handling(judgement, c, harm);
    if (caution === "never") continue;
    if (against.has(c)) {
      if (!before?.again.has(c)) checks.push({ ...foresee(judgement, active, { c, carried: 1, visible: 1, caution, first: undefined }), second: true });
      continue;
    }
    const look = { c, carried: carriedShare(judgement, active, c), visible: visibleShare(judgement, active, c), caution, first: wanted.get(c) };
    if (look.carried < APPLIES_SHARE.name || look.visible < VISIBLE_SHARE) {
      rest.push(look);
      continue;
    }
    const check = foresee(judgement, active, look);
    if (only || check.bits > 1e-4 || check.first) checks.push(check);
  }
  for (const [c, twins] of before?.again ?? []) if (handling(judgement, c, harm) !== "never") checks.push(onSecondPlant(judgement, c, twins, handling(judgement, c, harm)));
  if (only || !hasRunDry(active, checks.filter((check) => !check.second))) return checks;
  const seldom = rest.filter(({ carried, visible }) => carried >= SELDOM_SHARE && visible >= SELDOM_SHARE);
  return [...checks, ...(seldom.length > 0 ? seldom : rest).map((look) => lessBy(Math.max(look.visible, LEAST_VISIBLE), foresee(judgement, active, look)))];
}

/** A character that may be asked about. */
interface Askable {
  c: number;
  /** shares of what still fits that carry the part, and that show it now */
  carried: number;
  visible: number;
  caution: "gloves" | undefined;
  /** unheld twins that it must be looked at for */
  first: string[] | undefined;
}

function foresee(judgement: Judgement, active: Active, { c, carried, caution, first }: Askable): Check {
  const gain = gainOf(judgement, active, c, foreseenAnswers(judgement, active, c));
  return { character: c, seconds: judgement.model.flora.characters[c].seconds, carried, ...gain, ...(first ? { first } : {}), ...(caution ? { caution } : {}) };
}

/** What was looked at, looked at on a second plant: it tells nothing new of what is found, but that its one sign was no slip. */
const onSecondPlant = ({ model }: Judgement, character: number, first: string[], caution?: "gloves" | "never"): Check => ({ character, seconds: model.flora.characters[character].seconds, carried: 1, bits: 0, rise: 0, saved: 0, partBits: 0, first, second: true, ...(caution === "gloves" ? { caution } : {}) });

/** A look at a part that few of what fits show tells as much less as it is likely to find nothing. */
const lessBy = (share: number, check: Check): Check => ({ ...check, seldom: true, bits: check.bits * share, rise: check.rise * share, saved: check.saved * share, partBits: check.partBits * share });

/**
 * True where no look at what most of what fits shows tells anything, and still nothing is settled: one answer that was wrong,
 * the kind of plant above all, can lead to plants of which nothing is left to be seen. Then the others are asked about.
 */
const hasRunDry = (active: Active, checks: Check[]): boolean => active.shares.every((share) => share < SETTLED_SHARE) && checks.every((check) => check.bits < DRY_BITS);

/** Bits count what is learnt of all plants alike, the least likely too; a name is found when the first is the right one. */
export const worthTowardsName = (gain: Gain): number => gain.bits + RISE_BITS * gain.rise;

export function towardsName(judgement: Judgement, checks: Check[], lens: Lens = null): Check[] {
  const plain = order(judgement, checks.filter((check) => !check.second), lens, worthTowardsName, OVERHEAD_SECONDS.name);
  return isThrough(judgement, plain[0], lens) ? plain : followed(judgement, plain, { overheadSeconds: OVERHEAD_SECONDS.name, worth: worthTowardsName, after: namesAfter, gain: (after, _, look) => nameGain(after, look), ended: () => false });
}

/**
 * Hours saved if an answer can end the matter at once, and bits about what to do at the price of the hours that
 * a whole visit costs: looking only one answer ahead would else pass over checks that end it in two.
 */
export function worthTowardsAction(judgement: Judgement, gain: Gain): number {
  return gain.saved + BIT_PRICE * judgement.case.costs.hold * (gain.partBits + NAME_SHARE * gain.bits);
}

/** Checks whose part most of what still fits carries: those among which the next towards an action is chosen. */
export function mostlyCarried(checks: Check[]): Check[] {
  const most = checks.filter((check) => check.carried >= APPLIES_SHARE.action);
  return most.some((check) => check.bits >= DRY_BITS || check.saved > 0) ? most : checks;
}

/** A second plant that is looked at for a twin which the flora does not hold comes when nothing else is left. */
const isLast = (check: Check): boolean => check.second === true && check.first !== undefined;

export function towardsAction(judgement: Judgement, checks: Check[], lens: Lens = null): Check[] {
  const second = checks.filter(isLast);
  const plain = order(judgement, mostlyCarried(checks.filter((check) => !isLast(check))), lens, (check) => worthTowardsAction(judgement, check), OVERHEAD_SECONDS.action);
  const ordered = isThrough(judgement, plain[0], lens) || keptLeads(judgement) ? plain : followed(judgement, plain, { overheadSeconds: OVERHEAD_SECONDS.action, worth: (gain) => worthTowardsAction(judgement, gain), after: standingAfter, gain: (after, c, look) => gainOf(judgement, after, c, look.rows, look.nats), ended: (after) => isEnded(judgement, after) });
  return [...ordered.filter((check) => check.first), ...second, ...ordered.filter((check) => !check.first)];
}

/** Best first; under a lens, what is looked at through it and tells anything before all else. */
function order(judgement: Judgement, checks: Check[], lens: Lens, value: (check: Check) => number, overheadSeconds: number): Check[] {
  const fruitless = fruitlessAnswers(judgement);
  const { characters } = judgement.model.flora;
  const rated = checks.map((check) => ({
    check,
    through: isThrough(judgement, check, lens),
    rate: (FRUITLESS_WEIGHT ** (fruitless.get(characters[check.character].station) ?? 0) * value(check)) / (check.seconds + overheadSeconds),
  }));
  return rated.sort((a, b) => Number(b.through) - Number(a.through) || b.rate - a.rate).map(({ check }) => check);
}

/** Whether a check tells anything of what is looked at through a lens. */
const isThrough = (judgement: Judgement, check: Check | undefined, lens: Lens): boolean => lens !== null && check !== undefined && check.bits >= DRY_BITS && LENSES[lens](judgement.model.flora.characters[check.character]);

/** Checks at the head of an order that are followed one look further, and those among which the look after is sought. */
const FOLLOWED = 4;
const SOUGHT = 12;

/** What an order of checks is followed by. */
interface Following {
  overheadSeconds: number;
  worth: (gain: Gain) => number;
  /** what of what may stand there is followed, and what a look then tells of it */
  after: typeof standingAfter;
  gain: (standing: Standing, character: number, look: Look) => Gain;
  /** whether an answer needs no look after it */
  ended: (after: Standing) => boolean;
}

/** Chance of each answer to a look for each plant that is followed, and `natsOf` them. */
interface Look {
  rows: Float64Array;
  nats: Float64Array;
}

/** The plants that are followed, and the looks that were worked out for them: for both orders the same. */
interface Near {
  active: Active;
  looks: Map<number, Look>;
}

/** So many plants, the likeliest, are followed beside the unknown one. */
const FOLLOWED_PLANTS = 30;
/** Answers less likely than this are not followed. */
const LEAST_FOLLOWED = 0.03;
/** Towards an action looks are followed only where the kept side holds less than this: a plant to be left is soonest known one look at a time. */
const KEPT_LEADS = 0.55;

const keptLeads = (judgement: Judgement): boolean => (foreseen.get(judgement)?.prior[0] ?? 1) >= KEPT_LEADS;

/**
 * The first few checks of an order, put in the order of what they are worth together with the best look after them, on the mean
 * of their answers, per second of both: looks that only tell together are found by it.
 */
function followed(judgement: Judgement, ordered: Check[], { overheadSeconds, worth: worthOf, after: afterOf, gain, ended }: Following): Check[] {
  const near = ordered.length < 3 ? undefined : nearOf(judgement);
  if (!near) return ordered;
  const looks = ordered.slice(0, SOUGHT).map((check) => ({ check, time: check.seconds + overheadSeconds, ...lookOf(judgement, near, check.character) }));
  const rates = new Map(looks.slice(0, FOLLOWED).map(({ check, rows, time }) => {
    const n = judgement.model.answers[check.character];
    let worth = worthOf(check);
    let seconds = time;
    for (let o = 0; o < n; o++) {
      const { chance, after } = afterOf(near.active, rows, n, o);
      if (chance < LEAST_FOLLOWED || ended(after)) continue;
      let best = { worth: 0, seconds: 1 };
      for (const look of looks) {
        if (look.check === check) continue;
        const own = worthOf(gain(after, look.check.character, look));
        if (own * best.seconds > best.worth * look.time) best = { worth: own, seconds: look.time };
      }
      worth += chance * best.worth;
      seconds += chance * best.seconds;
    }
    return [check, worth / seconds] as const;
  }));
  const first = [...rates.keys()].sort((a, b) => (rates.get(b) as number) - (rates.get(a) as number));
  return [...first, ...ordered.slice(first.length)];
}

/** True where the best act is to treat or to leave, and not to come back. */
const isEnded = (judgement: Judgement, { standpoint, guardedPrior, partitions }: Standing): boolean => costOfAct(judgement, standpoint.limitTimes, guardedPrior, 0, partitions, 1) < judgement.case.costs.hold;

/** Sum of chance × log chance over the answers of each row, "no such part" with them. */
function natsOf(rows: Float64Array, n: number): Float64Array {
  const nats = new Float64Array(rows.length / n);
  for (let i = 0; i < nats.length; i++) {
    let left = 1;
    for (let o = 0; o <= n; o++) {
      const chance = o < n ? rows[i * n + o] : Math.max(LEAST_MISSING, left);
      left -= chance;
      if (chance > 0) nats[i] += chance * Math.log(chance);
    }
  }
  return nats;
}

/** What may stand there, but for the plants that all but cannot; once for both orders. */
function nearOf(judgement: Judgement): Near | undefined {
  const known = nears.get(judgement);
  const all = foreseen.get(judgement);
  if (known || !all) return known;
  const highest = all.taxa.map((_, i) => Math.max(all.shares[i], all.sided[i], all.guarded[i]));
  const near = { active: activePlants(judgement, new Set(largestFirst(highest, FOLLOWED_PLANTS).map((i) => all.taxa[i])), all.standpoint), looks: new Map<number, Look>() };
  nears.set(judgement, near);
  return near;
}

const nears = new WeakMap<Judgement, Near>();

function lookOf(judgement: Judgement, { active, looks }: Near, c: number): Look {
  const known = looks.get(c);
  if (known) return known;
  const rows = foreseenAnswers(judgement, active, c).slice();
  const look = { rows, nats: natsOf(rows, judgement.model.answers[c]) };
  looks.set(c, look);
  return look;
}

/** Plants below this share after an answer do not count in what the look after it tells of the name. */
const LEAST_AFTER = 1e-3;

/** What a look tells of the name alone, as `gainOf`. */
function nameGain({ shares, desk: { sums, first } }: Standing, { rows, nats }: Look): Gain {
  const named = rows.length / shares.length;
  const unknown = shares.length - 1;
  sums.fill(0, 0, named + 1);
  first.fill(0, 0, named + 1);
  let bits = 0;
  let firstNow = 0;
  for (let i = 0; i <= unknown; i++) {
    const share = shares[i];
    if (share < LEAST_AFTER) continue;
    bits += share * nats[i];
    let left = 1;
    for (let o = 0; o < named; o++) {
      const chance = rows[i * named + o];
      left -= chance;
      sums[o] += share * chance;
      if (i < unknown && share * chance > first[o]) first[o] = share * chance;
    }
    const missing = share * Math.max(LEAST_MISSING, left);
    sums[named] += missing;
    if (i === unknown) continue;
    if (missing > first[named]) first[named] = missing;
    if (share > firstNow) firstNow = share;
  }
  let firstAfter = 0;
  for (let o = 0; o <= named; o++) {
    firstAfter += first[o];
    if (sums[o] > 1e-12) bits -= sums[o] * Math.log(sums[o]);
  }
  return { bits: Math.max(0, bits * Math.LOG2E), rise: Math.max(0, firstAfter - firstNow), saved: 0, partBits: 0 };
}

/** What may stand there after an answer, and how likely that answer is. */
function standingAfter(now: Standing, rows: Float64Array, n: number, answer: number): { chance: number; after: Standing } {
  const [shares, sided, guarded] = [now.shares, now.sided, now.guarded].map((of) => sharesAfter(of, rows, n, answer));
  return { chance: shares.chance, after: { ...now, shares: shares.after, sided: sided.after, guarded: guarded.after, prior: heldBy(now, sided.after), guardedPrior: heldBy(now, guarded.after) } };
}

/** The same of the shares alone: all that a name needs. */
function namesAfter(now: Standing, rows: Float64Array, n: number, answer: number): { chance: number; after: Standing } {
  const { chance, after } = sharesAfter(now.shares, rows, n, answer);
  return { chance, after: { ...now, shares: after } };
}

/** Shares after an answer, summing to 1 again. */
function sharesAfter(shares: Float64Array, rows: Float64Array, n: number, answer: number): { chance: number; after: Float64Array } {
  const after = new Float64Array(shares.length);
  let chance = 0;
  for (let i = 0; i < after.length; i++) {
    after[i] = shares[i] * rows[i * n + answer];
    chance += after[i];
  }
  for (let i = 0; i < after.length; i++) after[i] /= chance;
  return { chance, after };
}

/** What each side holds. */
function heldBy({ parted, partitions }: Pick<Standing, "parted" | "partitions">, shares: Float64Array): Float64Array {
  const held = new Float64Array(partitions);
  for (let i = 0; i < shares.length; i++) held[parted[i]] += shares[i];
  return held;
}

/** Answers per station that told nothing. */
function fruitlessAnswers(judgement: Judgement): Map<string, number> {
  const counts = new Map<string, number>();
  judgement.case.observations.forEach((observation, i) => {
    if (judgement.evidence[i]) return;
    const station = judgement.model.flora.characters[judgement.model.characterIndex.get(observation.character) as number].station;
    counts.set(station, (counts.get(station) ?? 0) + 1);
  });
  return counts;
}

/** True where the part, or another that stands on just the same, was seen to be missing: the question says nothing and is not asked. */
export function ruledOut(judgement: Judgement, c: number): boolean {
  const { characters } = judgement.model.flora;
  const when = characters[c].when;
  if (!when) return false;
  const { observations } = judgement.case;
  const seen = observations.find((o) => o.character === when.character && o.answer !== "cannot-tell" && o.answer !== "not-there-yet");
  if (seen) return seen.answer === "absent" || !(seen.states ?? []).some((s) => when.states.includes(s));
  const alike = (other: Character) => other.when?.character === when.character && other.when.states.join() === when.states.join() && !other.states.some((s) => s.id === "none");
  return observations.some((o) => o.answer === "absent" && !o.states && alike(characters[judgement.model.characterIndex.get(o.character) as number]));
}

function contactShare(judgement: Judgement): { sap: number; skin: number } {
  const share = { sap: 0, skin: 0 };
  judgement.model.flora.taxa.forEach((taxon: Taxon, t) => {
    const contact = taxon.hazards.contact;
    if (contact) share[contact] += Math.max(judgement.local.taxa[t], judgement.flat.taxa[t]);
  });
  return share;
}

function handling(judgement: Judgement, c: number, harm: { sap: number; skin: number }): "gloves" | "never" | undefined {
  const character = judgement.model.flora.characters[c];
  if (character.destroys && protectedShare(judgement) > HARM_SHARE) return "never";
  if (!character.touch || (harm.sap <= HARM_SHARE && harm.skin <= HARM_SHARE)) return undefined;
  if (character.touch === "skin" || harm.skin > HARM_SHARE || !judgement.case.kit.includes("gloves")) return "never";
  return "gloves";
}

function protectedShare(judgement: Judgement): number {
  return judgement.status.reduce((sum, s, t) => sum + (s === "protected" ? judgement.local.taxa[t] : 0), 0);
}

/**
 * @param only these plants alone
 * @param standpoint where it is known from before
 */
function activePlants(judgement: Judgement, only?: Set<number>, standpoint = farthestFromClear(judgement)): Active {
  const { local, flat, group, keptSide, guarded: measured } = judgement;
  const highestOf = (t: number) => Math.max(local.taxa[t], flat.taxa[t], measured.local.taxa[t]);
  const taxa = only ? [...only].sort((a, b) => highestOf(b) - highestOf(a)) : likeliestPlants(judgement, highestOf);
  const crosses = [...local.crosses.keys()].filter((x) => local.crosses[x] > ACTIVE_SHARE);
  const names = ["kept"];
  const parted = new Int32Array(taxa.length + crosses.length + 1);
  const sideOf = (name: string) => {
    const known = names.indexOf(name);
    return known >= 0 ? known : names.push(name) - 1;
  };
  taxa.forEach((t, i) => {
    if (!keptSide[t]) parted[i] = sideOf(group[t]);
  });
  crosses.forEach((x, i) => {
    const [a, b] = judgement.model.crosses[x].parents;
    if (!crossKept(judgement, x)) parted[taxa.length + i] = sideOf(group[a] === group[b] ? group[a] : `${group[a]} × ${group[b]}`);
  });
  const own = Float64Array.from(taxa, (t) => local.taxa[t]);
  const sharesUnder = (p: Posterior) => normalised([...taxa.map((t) => p.taxa[t]), ...crosses.map((x) => p.crosses[x]), p.unknown]);
  const shares = sharesUnder(local);
  const sided = standpoint.posterior === local ? shares : sharesUnder(standpoint.posterior);
  const guarded = sharesUnder(standpoint.guarded);
  const sides = { parted, partitions: names.length };
  const conditions = likelyConditions(judgement, taxa);
  const stageTotal = Float64Array.from(conditions.stages, (_, s) => own.reduce((sum, one, i) => sum + one * conditions.stageWeight[s * own.length + i], 0));
  return { taxa, crosses, ...conditions, soundOf: new Map(), share: own, total: own.reduce((a, b) => a + b, 0), stageTotal, shares, sided, guarded, standpoint, ...sides, prior: heldBy(sides, sided), guardedPrior: heldBy(sides, guarded), desk: newDesk(judgement.model, shares.length, names.length) };
}

function likeliestPlants({ model }: Judgement, highestOf: (t: number) => number): number[] {
  const likely = [...model.taxonLifeForm.keys()].filter((t) => highestOf(t) > ACTIVE_SHARE);
  return largestFirst(likely.map(highestOf), mostActive(model)).map((i) => likely[i]);
}

function normalised(values: number[] | Float64Array): Float64Array {
  let total = 0;
  for (const value of values) total += value;
  const shares = new Float64Array(values.length);
  for (let i = 0; i < shares.length; i++) shares[i] = values[i] / total;
  return shares;
}

function likelyConditions(judgement: Judgement, taxa: number[]): Pick<Active, "conditions" | "weights" | "firstOf" | "stages" | "stageWeight" | "weightSum"> {
  const { firstCondition, conditionStage } = judgement.model;
  const conditions: number[] = [];
  const firstOf = [0];
  for (const t of taxa) {
    for (let z = firstCondition[t]; z < firstCondition[t + 1]; z++) if (conditionShare(judgement, z) >= LEAST_CONDITION) conditions.push(z);
    firstOf.push(conditions.length);
  }
  const weights = Float64Array.from(conditions, (z) => conditionShare(judgement, z));
  const stages = [...new Set(conditions.map((z) => conditionStage[z]))].sort((a, b) => a - b);
  const own = { conditions: Int32Array.from(conditions), firstOf: Int32Array.from(firstOf), stages };
  const stageWeight = byStage(judgement.model, own, weights);
  const weightSum = Float64Array.from(taxa, (_, i) => stages.reduce((sum, _stage, s) => sum + stageWeight[s * taxa.length + i], 0));
  return { ...own, weights, stageWeight, weightSum };
}

/** A value of each condition, summed over those of one stage: row stage, column plant. */
function byStage(model: Model, { conditions, firstOf, stages }: Pick<Active, "conditions" | "firstOf" | "stages">, values: Float64Array): Float64Array {
  const plants = firstOf.length - 1;
  const sums = new Float64Array(stages.length * plants);
  for (let i = 0; i < plants; i++) for (let k = firstOf[i]; k < firstOf[i + 1]; k++) sums[stages.indexOf(model.conditionStage[conditions[k]]) * plants + i] += values[k];
  return sums;
}

/** What a block that was looked at still proves of each plant at each stage; once for all its characters. */
function soundByStage({ model }: Judgement, active: Active, block: Block): Float64Array {
  const known = active.soundOf.get(block.name);
  if (known) return known;
  const sound = byStage(model, active, active.weights.map((weight, k) => weight * soundShare(model, block, active.conditions[k])));
  active.soundOf.set(block.name, sound);
  return sound;
}

/** Ids of the characters that suit what still fits, at its stage: what free order offers first. */
export function askableCharacters(judgement: Judgement): string[] {
  const active = activePlants(judgement);
  return judgement.model.flora.characters.filter((_, c) => {
    return !ruledOut(judgement, c) && carriedShare(judgement, active, c) >= APPLIES_SHARE.action && visibleShare(judgement, active, c) >= VISIBLE_SHARE;
  }).map((character) => character.id);
}

const WINTER = STAGES.indexOf("winter");

/** A part that only some plants keep over winter is asked for once it is seen that this one does. */
function keptNow(judgement: Judgement, c: number): boolean {
  const [kept] = judgement.model.flora.characters[c].winter ?? [];
  return !kept || judgement.case.observations.some((o) => o.character === kept.character && o.answer === "seen" && (o.states ?? []).some((s) => kept.states.includes(s)));
}

/** Share of what still fits that carries the part. */
function carriedShare(judgement: Judgement, active: Active, c: number): number {
  const { model } = judgement;
  const { conditions, weights, firstOf, share } = active;
  const carries = LIFE_FORMS.map((form) => applies(model, c, form));
  const part = baseKnown(model, c, judgement.case.observations, false) ? null : lacking(model, c);
  let carried = 0;
  for (let i = 0; i < active.taxa.length; i++) {
    const t = active.taxa[i];
    if (!carries[model.taxonLifeForm[t]] || !hasPart(model, t, c)) continue;
    if (!part) carried += share[i];
    else for (let k = firstOf[i]; k < firstOf[i + 1]; k++) carried += share[i] * weights[k] * (1 - part.base[conditions[k]]);
  }
  return carried / active.total;
}

/** Share of what still fits that shows the part at this stage. */
function visibleShare(judgement: Judgement, active: Active, c: number): number {
  const { taxa, share, stages, stageWeight, stageTotal, total } = active;
  const { model } = judgement;
  const leftInWinter = keptNow(judgement, c);
  const seen = model.seen[c];
  const step = model.seenStep[c];
  let visible = 0;
  for (let s = 0; s < stages.length; s++) {
    if (stages[s] === WINTER && !leftInWinter) continue;
    if (step === 0) visible += seen[stages[s]] ? stageTotal[s] : 0;
    else for (let i = 0; i < taxa.length; i++) if (seen[taxa[i] * step + stages[s]]) visible += share[i] * stageWeight[s * taxa.length + i];
  }
  return visible / total;
}

/**
 * Chance of each answer for each active plant, then each cross, the unknown plant last: row plant, column answer. Of what
 * was seen on one plant, and goes against the others, it is the answer of a second.
 * A block that may already have gone wrong as a whole answers from the background to that extent.
 */
function foreseenAnswers(judgement: Judgement, active: Active, c: number): Float64Array {
  const { model } = judgement;
  const { conditions, weights, firstOf, taxa, stages, weightSum } = active;
  const n = model.answers[c];
  const rows = active.desk.rows.subarray(0, active.shares.length * n).fill(0);
  const before = answersAgainst(judgement).get(c);
  if (before) return secondAnswers(judgement, active, c, before, rows);
  const { block: name } = model.flora.characters[c];
  const block = judgement.blocks.get(name);
  const freshShare = 1 - model.flora.blocks[name];
  const soundAt = block ? soundByStage(judgement, active, block) : active.stageWeight;
  const times = block ? 1 : freshShare;
  const table = model.table[c];
  const background = model.background[c];
  const part = baseKnown(model, c, judgement.case.observations, false) ? null : lacking(model, c);
  for (let i = 0; i < taxa.length; i++) {
    const t = taxa[i];
    const from = model.taxonLifeForm[t] * n;
    const row = firstRowOf(model, t, c) * n;
    const varies = variesWithCondition(model, t, c);
    if (!part && !varies) {
      let own = 0;
      for (let s = 0; s < stages.length; s++) if (seenAt(model, t, c, stages[s])) own += soundAt[s * taxa.length + i];
      own *= times;
      const other = weightSum[i] - own;
      for (let o = 0; o < n; o++) rows[i * n + o] = own * table[row + o] + other * background[from + o];
      continue;
    }
    const shownOfForm = part?.shownByForm[model.taxonLifeForm[t]] ?? 1;
    const first = model.firstCondition[t];
    let own = 0;
    let bare = 0;
    let other = 0;
    for (let k = firstOf[i]; k < firstOf[i + 1]; k++) {
      const z = conditions[k];
      const sound = seenAt(model, t, c, model.conditionStage[z]) ? weights[k] * (block ? soundShare(model, block, z) : freshShare) : 0;
      const told = part ? sound * part.shown[z] : sound;
      own += told;
      bare += sound - told;
      other += weights[k] - sound;
      if (varies) for (let o = 0; o < n; o++) rows[i * n + o] += told * table[row + (z - first) * n + o];
    }
    for (let o = 0; o < n; o++) rows[i * n + o] += (varies ? 0 : own * table[row + o]) + other * shownOfForm * background[from + o];
    if (part && part.none >= 0) rows[i * n + part.none] += bare + other * (1 - shownOfForm);
  }
  active.crosses.forEach((x, i) => {
    crossRow(judgement, x, c, freshShare, rows.subarray((active.taxa.length + i) * n, (active.taxa.length + i + 1) * n));
  });
  unknownRow(judgement, active, rows, c, part, rows.subarray((active.taxa.length + active.crosses.length) * n));
  return rows;
}

/** A cross's answers: half of each parent's, at the parent's likeliest stage. */
function crossRow(judgement: Judgement, cross: number, c: number, sound: number, out: Float64Array): void {
  const { model } = judgement;
  const n = out.length;
  for (const taxon of model.crosses[cross].parents) {
    const own = answersAt(model, taxon, c, STAGES.indexOf(likeliestStage(judgement, taxon)));
    const from = model.taxonLifeForm[taxon] * n;
    for (let o = 0; o < n; o++) out[o] += (sound * own[o] + (1 - sound) * model.background[c][from + o]) / 2;
  }
}

/** The unknown plant's answers: its life forms' backgrounds and its listed relatives' rows, each by its share. */
function unknownRow(judgement: Judgement, active: Active, rows: Float64Array, c: number, part: Lacking | null, out: Float64Array): void {
  const { model, unknownParts } = judgement;
  const n = out.length;
  const background = model.background[c];
  const likeness = model.kinLikeness[c];
  let total = 0;
  for (let form = 0; form < LIFE_FORMS.length; form++) {
    const weight = unknownParts.byForm[form];
    if (weight < LEAST_PART) continue;
    total += weight;
    const shown = part?.shownByForm[form] ?? 1;
    for (let o = 0; o < n; o++) out[o] += weight * (0.7 * shown * background[form * n + o] + 0.3 / n);
  }
  for (let i = 0; i < active.taxa.length; i++) {
    const t = active.taxa[i];
    const weight = unknownParts.kin[t];
    if (weight < LEAST_PART) continue;
    const from = model.taxonLifeForm[t] * n;
    total += weight;
    const shown = part?.shownByForm[model.taxonLifeForm[t]] ?? 1;
    for (let o = 0; o < n; o++) out[o] += weight * (likeness * rows[i * n + o] + (1 - likeness) * shown * background[from + o]);
  }
  for (let o = 0; o < n; o++) out[o] = total > 0 ? out[o] / total : 1 / n;
}

/** Least chance of the answer that there is no such part: below it, rounding would count as a word on the plant. */
const LEAST_MISSING = 0.01;

/**
 * Expected bits about the name, expected rise of the first plant's chance, expected fall in cost (hours), and expected bits
 * about what to do. To the answers of the character comes one more, "no such part here", with what a plant's other answers leave over.
 * @param rowNats `natsOf` the rows, where they are weighed more than once
 */
function gainOf(judgement: Judgement, standing: Standing, c: number, rows: Float64Array, rowNats?: Float64Array): Gain {
  const named = judgement.model.answers[c];
  const n = named + 1;
  const { shares, sided, guarded, parted, prior, guardedPrior, partitions, standpoint } = standing;
  const { sums, first, parts, guardedParts } = standing.desk;
  for (const array of [sums, first, parts, guardedParts]) array.fill(0);
  const unknown = shares.length - 1;
  let firstNow = 0;
  let nats = 0;
  for (let i = 0; i < shares.length; i++) {
    const share = shares[i];
    if (i < unknown && share > firstNow) firstNow = share;
    const sidedShare = sided[i];
    const guardedShare = guarded[i];
    const part = parted[i];
    if (rowNats) nats += share * rowNats[i];
    let left = 1;
    for (let o = 0; o < n; o++) {
      const chance = o < named ? rows[i * named + o] : Math.max(LEAST_MISSING, left);
      if (!(chance > 0)) continue;
      left -= chance;
      const joint = share * chance;
      if (!rowNats) nats += share * timesLog(chance);
      sums[o] += joint;
      if (i < unknown && joint > first[o]) first[o] = joint;
      parts[o * partitions + part] += sidedShare * chance;
      guardedParts[o * partitions + part] += guardedShare * chance;
    }
  }
  let partNats = 0;
  let costAfter = 0;
  let firstAfter = 0;
  for (let o = 0; o < n; o++) {
    firstAfter += first[o];
    if (sums[o] > 1e-12) nats -= sums[o] * Math.log(sums[o]);
    let all = 0;
    let sum = 0;
    for (let p = 0; p < partitions; p++) {
      all += parts[o * partitions + p];
      sum += guardedParts[o * partitions + p];
    }
    for (let p = 0; p < partitions; p++) {
      const own = parts[o * partitions + p];
      if (own > 0) partNats += own * Math.log(own / (all * prior[p]));
    }
    if (sum > 1e-12) costAfter += sum * costOfAct(judgement, standpoint.limitTimes, guardedParts, o * partitions, partitions, sum);
  }
  const rise = Math.max(0, firstAfter - firstNow);
  if (standpoint.without === judgement.model.flora.characters[c].block) return { bits: Math.max(0, nats * Math.LOG2E), rise, saved: 0, partBits: 0 };
  const saved = Math.max(0, costOfAct(judgement, standpoint.limitTimes, guardedPrior, 0, partitions, 1) - costAfter);
  return { bits: Math.max(0, nats * Math.LOG2E), rise, saved, partBits: Math.max(0, partNats * Math.LOG2E) };
}

/**
 * Cost of the best act open, in the district's hours. The gate decides what is open: treat where the kept side
 * is under the limit and one action group holds the rest, leave where the kept side holds 95 %, else come back.
 * @param limitTimes how many times the limit the kept side may hold
 * @param masses of which those from `from` on are meant: of the kept side (first) and of each action group
 * @param total their sum
 */
function costOfAct(judgement: Judgement, limitTimes: number, masses: Float64Array, from: number, partitions: number, total: number): number {
  const { wrongClear, missedTarget, hold } = judgement.case.costs;
  const kept = masses[from] / total;
  if (kept >= KEEP_SHARE) return Math.min(hold, missedTarget * (1 - kept));
  if (kept > limitTimes * keptLimit(judgement.case.costs)) return hold;
  let largest = 0;
  for (let p = 1; p < partitions; p++) largest = Math.max(largest, masses[from + p] / total);
  return largest >= GROUP_SHARE * (1 - kept) ? Math.min(hold, (wrongClear * kept) / limitTimes) : hold;
}

/**
 * What would part the likeliest target from the likeliest kept plant at a later stage, and from which day:
 * the day on which both show the part. Strongest first.
 */
export function laterChecks(judgement: Judgement, most = 4): LaterCheck[] {
  const { model } = judgement;
  const target = topOnSide(judgement, 0);
  const kept = topOnSide(judgement, 1);
  if (target < 0 || kept < 0) return [];
  const answered = new Set(judgement.case.observations.filter((o) => o.answer === "seen" || o.answer === "absent").map((o) => o.character));
  const now = new Set(foreseenStages(judgement, target).concat(foreseenStages(judgement, kept)));
  const found: (LaterCheck & { distance: number })[] = [];
  const both = [target, kept].map((t) => model.flora.taxa[t]);
  const begins = new Map(STAGES.map((stage) => [stage, allBegin(both, stage, judgement.case.day, judgement.case)]));
  model.flora.characters.forEach((character, c) => {
    if (answered.has(character.id) || character.stages.some((stage) => now.has(stage)) || recordingOf(model, target, c) !== "recorded" || recordingOf(model, kept, c) !== "recorded") return;
    for (const stage of character.stages) {
      const distance = variation(judgement, c, target, kept, STAGES.indexOf(stage));
      const from = begins.get(stage);
      if (distance < 0.5 || !from) continue;
      found.push({ character: c, stage, from, parts: [target, kept], distance });
      break;
    }
  });
  return found.sort((a, b) => b.distance - a.distance).slice(0, most).map(({ distance: _, ...rest }) => rest);
}

/** Stages that hold at least a tenth of what the plant may be in now. */
function foreseenStages(judgement: Judgement, taxon: number) {
  const { model } = judgement;
  const shares = STAGES.map(() => 0);
  for (let z = model.firstCondition[taxon]; z < model.firstCondition[taxon + 1]; z++) shares[model.conditions[z].stage] += conditionShare(judgement, z);
  return STAGES.filter((_, s) => shares[s] >= 0.1);
}

/** Total variation between two plants' answers at a stage, in [0, 1]. */
export function variation(judgement: Pick<Judgement, "model">, c: number, a: number, b: number, stage: number): number {
  const { model } = judgement;
  const first = answersAt(model, a, c, stage);
  const second = answersAt(model, b, c, stage);
  let sum = 0;
  for (let o = 0; o < first.length; o++) sum += Math.abs(first[o] - second[o]);
  return sum / 2;
}
