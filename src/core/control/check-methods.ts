import { type CompiledFlora, REFERENCE, STAGES, type Stage, type Taxon } from "../flora";
import { type Ground, holdsHere, poisonsStock } from "./conditions";
import type { MethodBook } from "./method-files";
import type { ExplainedGap, Method } from "./method-schema";
import { adviseMethods, adviseOne, type MethodAdvice, type MethodCase, NO_DATE } from "./methods";
import { yearAhead, type YearAhead } from "./windows";

/** What one answer contradicts; none of it may ever happen, whatever the files say. */
export const contradictionsOf = (advice: MethodAdvice, asked: MethodCase): string[] =>
  [...ofWindow(advice, asked.day), ...ofSite(advice, asked), ...ofFacts(advice, asked.taxon)].flatMap(([is, what]) =>
    is ? [what] : [],
  );

type Fault = [is: boolean, what: string];

function ofWindow({ answer, window, why, preferred }: MethodAdvice, day: string): Fault[] {
  const isOpen = window !== null && window.from <= day && day <= window.to;
  return [
    [answer === "eligible" && !isOpen, "eligible, and its window leaves the day out"],
    [answer !== "eligible" && why.length === 0, `${answer}, and no reason`],
    [answer === "not-now" && !window && !why.includes(NO_DATE), "not now, and neither a date nor that none is known"],
    [answer === "not-now" && isOpen, "not now, and its window is open"],
    [answer === "never" && window !== null, "never, and a window"],
    [preferred !== undefined && answer !== "eligible", "preferred, and not eligible"],
  ];
}

const ofSite = ({ method, answer }: MethodAdvice, { ground }: MethodCase): Fault[] => [
  [
    method.kind === "product" && ground.noProduct === true && answer !== "never",
    "a product where the site allows none",
  ],
  [
    method.kind === "machine" && ground.noMachines === true && answer !== "never",
    "a machine where the site allows none",
  ],
];

/** Words that state a fact of the plant, where that fact is not recorded. */
function ofFacts({ why, preferred }: MethodAdvice, taxon: Taxon): Fault[] {
  const { ripensCut, wiltedToxic, barkSlips } = taxon;
  const said = [...why, preferred ?? ""].join(" ");
  const poisons = poisonsStock(taxon) || wiltedToxic === true;
  return [
    [
      /ripens on (cut|stems)/i.test(said) && ripensCut !== true,
      "says that seed ripens on cut stems; it is not recorded",
    ],
    [/poisons/i.test(said) && !poisons, "says that it poisons stock; it is not recorded"],
    [/bark slips/i.test(said) && !barkSlips, "says that its bark slips; it is not recorded"],
  ];
}

const KNOWN_FAR = { known: "none-within", meters: 5000, by: "the map" } as const;
const RULES = ["noProduct", "noMachines", "grazed", "hayed", "foraged"] as const;

/** No rule, each rule, and every two of them. */
export function siteRulePairs(): Ground[] {
  const grounds: Ground[] = [];
  for (let a = 0; a <= RULES.length; a++)
    for (let b = a; b <= RULES.length; b++) {
      const on = [RULES[a], RULES[b]].filter((rule) => rule !== undefined);
      if (a < RULES.length && b === a) continue;
      grounds.push({ ...Object.fromEntries(RULES.map((rule) => [rule, on.includes(rule)])), water: KNOWN_FAR });
    }
  return grounds;
}

/** Every plant in each of its stages and in each month, with the year ahead of it; the ground is left open. */
function* everyDay(flora: CompiledFlora): Generator<{ asked: MethodCase; year: YearAhead }> {
  for (const taxon of flora.taxa)
    for (let month = 1; month <= 12; month++) {
      const day = `2026-${String(month).padStart(2, "0")}-15`;
      const year = yearAhead(taxon, day, REFERENCE);
      for (const stage of STAGES.filter((s) => taxon.calendar[s]))
        yield { asked: { taxon, stage, day, ground: {}, size: {}, told: [], climate: REFERENCE }, year };
    }
}

/** Of all pairs of site rules those that differ in what a method asks. */
function groundsFor(method: Method): Ground[] {
  const asks = JSON.stringify([method.rules, method["must-when"], method.schools]);
  const asked = RULES.filter((rule) => asks.includes(`"${keyOf(rule)}"`));
  const differ = new Map(siteRulePairs().map((ground) => [asked.map((rule) => ground[rule]).join(), ground]));
  return [...differ.values()];
}
const keyOf = (rule: (typeof RULES)[number]): string => rule.replace(/[A-Z]/, (letter) => `-${letter.toLowerCase()}`);

/** Contradictions of every plant, stage, month and pair of site rules, each said once for a plant and a method. */
export function contradictions(book: MethodBook, flora: CompiledFlora): string[] {
  const found = new Set<string>();
  const grounds = book.methods.map(groundsFor);
  for (const { asked, year } of everyDay(flora))
    for (const [i, method] of book.methods.entries())
      for (const ground of grounds[i])
        for (const fault of contradictionsOf(adviseOne(book, method, { ...asked, ground }, year), { ...asked, ground }))
          found.add(`${asked.taxon.name}, ${method.id}: ${fault}`);
  return [...found];
}

const FEW_AND_MANY = [
  { count: 1, infestedM2: 1 },
  { count: 10000, infestedM2: 2500 },
];

/** Methods that only stop seed, follow control or point elsewhere. */
const KILLS_NOTHING = ["bag-heads", "biocontrol-note", "resow"];

export interface MethodGap {
  stage: Stage;
  stems: number;
  lacks: ExplainedGap["lacks"];
  /** what the files say about it; left out where they are silent */
  why?: string;
}

/** Stages of a plant at which no method, or none without product, can be done within the year, with the reason that the files give. */
export function gapsOf(book: MethodBook, taxon: Taxon): MethodGap[] {
  return STAGES.filter((stage) => taxon.calendar[stage]).flatMap((stage) =>
    FEW_AND_MANY.flatMap((size) => {
      const [first] = (taxon.calendar[stage] ?? []).map(([month]) => month);
      const day = `2026-${String(first).padStart(2, "0")}-15`;
      const asked = { taxon, stage, day, ground: { water: KNOWN_FAR }, size, told: [], climate: REFERENCE };
      const within = adviseMethods(book, asked).filter(
        ({ window, method }) => window && !KILLS_NOTHING.includes(method.id),
      );
      if (within.some(({ method }) => method.kind !== "product")) return [];
      const gap = {
        stage,
        stems: size.count,
        lacks: within.length === 0 ? ("any" as const) : ("without product" as const),
      };
      const explained = explanationOf(book, gap, asked);
      return [explained ? { ...gap, why: explained.why } : gap];
    }),
  );
}

const explanationOf = (book: MethodBook, gap: MethodGap, asked: MethodCase): ExplainedGap | undefined =>
  book.gaps.find(
    ({ lacks, stems, when }) => lacks === gap.lacks && stems === gap.stems && holdsHere(when, asked) === true,
  );

/** Gaps that the files do not explain, and explanations of nothing. */
export function unexplained(book: MethodBook, gaps: (MethodGap & { taxon: string })[]): string[] {
  const open = gaps
    .filter(({ why }) => !why)
    .map(
      ({ taxon, stage, stems, lacks }) => `${taxon}, ${stage}, ${stems} stems: no method (${lacks}), and no reason why`,
    );
  const idle = book.gaps
    .filter(({ why }) => gaps.every((gap) => gap.why !== why))
    .map(({ why }) => `explains no gap: ${why}`);
  return [...open, ...idle];
}
