import { type Climate, dayOfYear, IN_STAGE, monthOf, type Stage, type Taxon } from "../flora";
import { type Asked, type Holds, holdsHere, holdsOn, inMonths } from "./conditions";
import type { MethodBook } from "./method-files";
import type { Method, Rule, When } from "./method-schema";
import { type Window, windowOf, yearAhead, type YearAhead } from "./windows";

/** A plant at a place on a day: what methods are asked for. `stage` is the one that was seen. */
export interface MethodCase extends Asked {
  stage: Stage;
  day: string;
  climate: Climate;
}

export interface MethodAdvice {
  method: Method;
  answer: "eligible" | "not-now" | "never";
  /** why it is the first choice here, of the one that is */
  preferred?: string;
  why: string[];
  /** what has to be true, because nobody has said whether it is */
  must: string[];
  /** days on which the method suits, ISO dates; it contains the day where it is eligible, null for never and where no day is known */
  window: Window | null;
  /** what those say who differ about this method for such a plant */
  schools: string[][];
  follows: { what: string; afterDays: [number, number] }[];
  cautions: string[];
  hours: number;
}

const RANK = { eligible: 0, "not-now": 1, never: 2 };

/** Every method with its answer for this plant, here, on this day: the preferred first, with the reason for every refusal. */
export function adviseMethods(
  book: MethodBook,
  asked: MethodCase,
  year = yearAhead(asked.taxon, asked.day, asked.climate),
): MethodAdvice[] {
  const advice = book.methods.map((method) => adviseOne(book, method, asked, year));
  const first = preferredOf(advice, asked);
  return advice
    .map((a) => (a === first?.advice ? { ...a, preferred: first.why } : a))
    .sort((a, b) => RANK[a.answer] - RANK[b.answer] || Number(!a.preferred) - Number(!b.preferred));
}

/** One method's answer, which method is the first choice left aside. */
export function adviseOne(book: MethodBook, method: Method, asked: MethodCase, year: YearAhead): MethodAdvice {
  const { taxon, stage } = asked;
  const { month } = year.days[0];
  const rules = method.rules.map((rule) => ({ rule, holds: holdsHere(rule.when, asked) }));
  const applies = rules
    .filter(({ rule, holds }) => holds === true || appliesUnknown(rule, holds))
    .map(({ rule, holds }) => (holds === true ? rule : { ...rule, why: rule.unknown ?? rule.why }));
  const base = {
    method,
    must: mustOf(book, method, rules, asked, month),
    schools: method.schools.filter(({ when }) => isMet(when, asked, month)).map(({ sides }) => sides),
    follows: method.follows.map(({ what, "after-days": afterDays }) => ({ what, afterDays })),
    cautions: cautionsFor(method, asked),
    hours: hoursOf(method, asked),
  };
  const never = applies.filter(({ answer }) => answer === "never").map(({ why }) => why);
  if (!method["life-forms"].includes(taxon.lifeForm))
    never.unshift(`It is not for a ${LIFE_FORM_WORDS[taxon.lifeForm]}.`);
  if (never.length > 0) return { ...base, answer: "never", why: never, must: [], window: null };
  const later = applies.filter(({ answer }) => answer === "not-now");
  const why = reasonsNotNow(method, later, asked, month);
  const window = windowOf(method, later, asked.taxon, year, why.length > 0);
  if (why.length === 0)
    return {
      ...base,
      answer: "eligible",
      why: [method.kind === "follow" ? GROUND_READY : suits(taxon, stage)],
      window,
    };
  return { ...base, answer: "not-now", why: window ? why : [...why, NO_DATE], must: base.must, window };
}

/** A rule that has to be known beforehand applies while nobody knows; where nobody was asked, its condition can stand as one that must be true. */
const appliesUnknown = (rule: Rule, holds: Holds): boolean =>
  rule["if-unknown"] === "applies" && (holds === "unknown" || (holds === "unstated" && !rule.must));

export const NO_DATE = "No date is known.";

/** What is sown is sown on cleared ground, whatever stood there. */
const GROUND_READY = "The ground is ready for it.";

const suits = ({ cycle, lifeForm }: Taxon, stage: Stage): string =>
  `It suits ${/^[aeiou]/.test(cycle) ? "an" : "a"} ${cycle} ${LIFE_FORM_WORDS[lifeForm]} ${IN_STAGE[stage]}.`;

const isMet = (when: When, asked: MethodCase, month: number): boolean =>
  holdsOn(when, asked.taxon, asked.stage, month) && holdsHere(when, asked) === true;

/** What has to be true: what the method always asks, and what decides a rule and is not known. What was told is not repeated. */
function mustOf(
  { vocabulary }: MethodBook,
  method: Method,
  rules: { rule: Rule; holds: Holds }[],
  asked: MethodCase,
  month: number,
): string[] {
  const words = [
    ...method.must,
    ...method["must-when"].filter(({ when }) => isMet(when, asked, month)).map(({ known }) => known),
  ];
  const open = rules
    .filter(
      ({ rule, holds }) =>
        typeof holds === "string" && rule.must && holdsOn(rule.when, asked.taxon, asked.stage, month),
    )
    .map(({ rule }) => rule.must as string);
  const untold = words.filter((word) => !asked.told.includes(word)).map((word) => vocabulary.known[word] ?? word);
  return [...new Set([...untold, ...open])];
}

function reasonsNotNow(method: Method, later: Rule[], { taxon, stage }: MethodCase, month: number): string[] {
  const ruled = later.filter(({ when }) => holdsOn(when, taxon, stage, month)).map(({ why }) => why);
  if (ruled.length > 0) return ruled;
  if (!method.stages.includes(stage)) return [`It is not for a plant ${IN_STAGE[stage]}.`];
  return inMonths(method.months, month) ? [] : ["This month is outside the months that suit it."];
}

/** Of the eligible methods the one with the most points; of equals the one that takes fewer hours. */
function preferredOf(advice: MethodAdvice[], asked: MethodCase): { advice: MethodAdvice; why: string } | undefined {
  const month = monthOf(dayOfYear(asked.day, asked.climate));
  return advice
    .filter(({ answer }) => answer === "eligible")
    .flatMap((a) => {
      const met = a.method.prefer.filter(({ when }) => isMet(when, asked, month));
      const points = met.reduce((sum, reason) => sum + reason.points, 0);
      return met.length === 0 ? [] : [{ advice: a, points, why: met.map(({ why }) => why).join(" ") }];
    })
    .sort((a, b) => b.points - a.points || a.advice.hours - b.advice.hours)
    .at(0);
}

const LEAST_HOURS = 0.5;

/** Hours of work for all people together, in quarters: by the stems where they are counted and pace the work, else by the area. */
function hoursOf({ pace, people }: Method, { size }: MethodCase): number {
  const byStems = size.count && pace["stems-per-hour"] ? size.count / pace["stems-per-hour"] : undefined;
  const hours = byStems ?? (size.infestedM2 ?? 0) / pace["m2-per-hour"];
  return Math.max(LEAST_HOURS * people, Math.round(hours * 4) / 4);
}

/** Growth forms as people call them. */
export const LIFE_FORM_WORDS: Record<Taxon["lifeForm"], string> = {
  grass: "grass",
  rush: "rush",
  herb: "herb",
  vine: "vine",
  liana: "woody climber",
  shrub: "shrub",
  tree: "tree",
  aquatic: "water plant",
};

function cautionsFor(method: Method, { taxon, ground }: MethodCase): string[] {
  const { people, stock, handling, contact } = taxon.hazards;
  const own = [
    people,
    handling,
    contact === "sap"
      ? "Sap harms the skin: wear long sleeves, gloves and eye cover."
      : contact === "skin"
        ? "Do not touch it with bare skin, and never burn it."
        : undefined,
  ];
  if (stock && (method.kind === "grazing" || ground.grazed || ground.hayed)) own.push(stock);
  if (ground.foraged) own.push("People gather food on this site: put up a notice, and follow the waits of the label.");
  return [...own.filter((c) => c !== undefined), ...method.cautions];
}
