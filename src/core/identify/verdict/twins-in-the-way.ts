import type { Shown } from "../../flora";
import type { Observation } from "../case/case";
import { isOfOnePlant } from "../case/with-second-plant";
import { usuallySeen } from "../model/scores";
import type { UnscoredTwin } from "../model/unscored-twins";
import { type Judgement, likeliestStage } from "../posterior/judgement";
import type { Gate } from "./gates";

export interface TwinInTheWay {
  /** the plant of the flora that it is mistaken for */
  taxon: number;
  twin: UnscoredTwin;
  /** characters that tell the two apart and can be seen now, not looked at yet; none where nothing listed tells them apart at this stage */
  looks: number[];
  /** where all that is listed was looked at: what a second plant is still to be looked at for, the one check that tells the two apart, or what alone is as the twin has it */
  again: number[];
  /** something that was seen is as the twin has it: only a second plant on which it is different makes up for that */
  fits: boolean;
}

/** What a check says of a plant and a twin of it: that it is not the twin, that it may be, or nothing. */
type Said = "parts" | "fits" | null;

/**
 * Twins that a plant may still be, of those that the flora does not include: each part that is listed and can be seen must have been
 * looked at; none may be as the twin has it, and two must be otherwise, or one on two plants, since one check alone may be a slip.
 * What is as the twin has it on one plant and otherwise on another says nothing.
 * A twin of which it is not known what it shows stays in the way.
 */
export function twinsOfPlantInTheWay(judgement: Judgement, taxon: number): TwinInTheWay[] {
  const { model } = judgement;
  if (model.unscoredTwins[taxon].length === 0) return [];
  const stage = likeliestStage(judgement, taxon);
  return model.unscoredTwins[taxon].flatMap((twin): TwinInTheWay[] => {
    const listed = new Set(
      twin.deciders.filter((d) => d.stage === stage || d.stage === "any").flatMap((d) => d.characters),
    );
    const looks = twin.shows.flatMap((shown) => {
      const c = model.characterIndex.get(shown.character) as number;
      if (!listed.has(shown.character) || !usuallySeen(model, taxon, c, stage)) return [];
      const seen = judgement.case.observations.filter((o) => o.character === shown.character);
      return [{ c, seen, said: together(seen.map((o) => saidOfShown(o, shown, model.tuning.twinBeyond))) }];
    });
    const parting = looks.filter((x) => x.said === "parts");
    const fitting = looks.filter((x) => x.said === "fits");
    const fits = fitting.length > 0;
    const fresh = looks.filter((x) => x.seen.length === 0).map((x) => x.c);
    if (fresh.length === 0 && !fits && (parting.length > 1 || parting.some((x) => x.seen.some(isOfSeveral)))) return [];
    const doubtful = fresh.length > 0 || parting.length === 0 ? [] : fits ? fitting : parting;
    return [
      {
        taxon,
        twin,
        looks: fresh,
        again: doubtful.filter((x) => x.seen.length === 1 && isOfOnePlant(x.seen[0])).map((x) => x.c),
        fits,
      },
    ];
  });
}

/** Whether more than one plant showed it, or more than one reading was taken. */
const isOfSeveral = ({ of, values, other }: Observation): boolean =>
  (of?.yes ?? 0) > 1 || (values?.length ?? 0) > 1 || typeof other === "number";

/** What looks at several places of one part say: that it may be the twin, if one of them does. */
const together = (said: Said[]): Said => (said.includes("fits") ? "fits" : said.includes("parts") ? "parts" : null);

/** Whether what was seen differs from what the twin has. A guess tells nothing apart, nor does what half of the plants looked at lack. */
function saidOfShown(observation: Observation, shown: Shown, beyond: number): Said {
  const { answer, sure, of } = observation;
  if (answer === "cannot-tell" || answer === "not-there-yet" || (shown.range && answer !== "seen")) return null;
  const asTwin = shown.range
    ? plantsWithin(observation, shown.range, beyond)
    : plantsShowing(observation, shown.states ?? []);
  if (asTwin === 1) return "fits";
  return asTwin > 0 || sure === "guess" || (of && 2 * of.yes <= of.n) ? null : "parts";
}

/** Share of the plants measured, one or two, of which the readings, as closely as they were read, may be the twin's. */
function plantsWithin(
  { value, values, other, half = 0 }: Observation,
  [low, high]: [number, number],
  beyond: number,
): number {
  const readings = values ?? (value === undefined ? [] : [value]);
  const plants = [readings.reduce((a, b) => a + b, 0) / readings.length, ...(typeof other === "number" ? [other] : [])];
  return (
    plants.filter((mean) => mean + half >= (1 - beyond) * low && mean - half <= (1 + beyond) * high).length /
    plants.length
  );
}

/** Share of the plants looked at, one or two, of which what was seen may be the twin's. */
function plantsShowing(observation: Observation, shown: string[]): number {
  const { other } = observation;
  const first = mayBeShown(observation, shown);
  return typeof other === "string" && first !== shown.includes(other) ? 0.5 : Number(first);
}

/** True unless all that was seen is none of the twin's states, or all of these were looked for and not found. */
function mayBeShown({ answer, states, of }: Observation, shown: string[]): boolean {
  if (answer === "absent" && states) return !shown.every((s) => states.includes(s));
  return (states ?? ["none"]).some((s) => shown.includes(s)) && of?.yes !== 0;
}

export function twinsInTheWay(judgement: Judgement, group: string): TwinInTheWay[] {
  const { local, flat, model } = judgement;
  const found = [...model.unscoredTwins.keys()].filter(
    (t) =>
      model.unscoredTwins[t].length > 0 &&
      !judgement.keptSide[t] &&
      judgement.group[t] === group &&
      Math.max(local.taxa[t], flat.taxa[t]) >= model.tuning.worthAsking,
  );
  return found.flatMap((t) => twinsOfPlantInTheWay(judgement, t));
}

/** A twin that the flora does not include, by what people call it, and the plant that it is mistaken for. */
export interface MistakenFor {
  twin: string;
  taxon: number;
  /** the look was made, and what was seen is as the twin has it */
  fits?: true;
}

/** Looks that a target which would else be clear must still pass, each with the twins, not held by the flora, that it is for. */
export interface LooksBeforeClear {
  /** not made yet */
  fresh: Map<number, MistakenFor[]>;
  /** made on one plant, to be made on a second: last of all, when nothing else is in the way of Clear */
  again: Map<number, MistakenFor[]>;
}

export function looksBeforeClear(judgement: Judgement, { group, weak }: Gate): LooksBeforeClear {
  const open = group ? twinsInTheWay(judgement, group) : [];
  const byLook = (of: "looks" | "again") => {
    const twins = new Map<number, MistakenFor[]>();
    for (const own of open)
      for (const c of own[of])
        twins.set(c, [
          ...(twins.get(c) ?? []),
          { twin: own.twin.common, taxon: own.taxon, ...(of === "again" && own.fits ? { fits: true as const } : {}) },
        ]);
    return twins;
  };
  const last = group && !weak;
  return { fresh: byLook("looks"), again: last ? byLook("again") : new Map() };
}
