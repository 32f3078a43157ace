import type { Observation } from "./case";
import type { Shown } from "./flora-types";
import { usuallySeen } from "./model";
import { type Judgement, likeliestStage } from "./posterior";
import type { UnheldTwin } from "./unheld";

export interface OpenTwin {
  twin: UnheldTwin;
  /** characters that part the two and can be seen now, not looked at yet; none where nothing listed parts them at this stage */
  looks: number[];
}

/** What a look says of a plant and a twin of it: that it is not the twin, that it may be, or nothing. */
type Said = "parts" | "fits" | null;

/**
 * Twins that a plant may still be, of those that the flora does not hold: each part that is listed and can be seen must have been
 * looked at, since one look alone may be a slip; one must be otherwise than the twin has it, and none as it has it. A twin of which it is not known what it shows stays in the way.
 */
export function openTwins(judgement: Judgement, taxon: number): OpenTwin[] {
  const { model } = judgement;
  if (model.unheld[taxon].length === 0) return [];
  const stage = likeliestStage(judgement, taxon);
  return model.unheld[taxon].flatMap((twin): OpenTwin[] => {
    const listed = new Set(twin.deciders.filter((d) => d.stage === stage || d.stage === "any").flatMap((d) => d.characters));
    const looks = twin.shows.flatMap((shown) => {
      const c = model.characterIndex.get(shown.character) as number;
      if (!listed.has(shown.character) || !usuallySeen(model, taxon, c, stage)) return [];
      const said = judgement.case.observations.flatMap((o) => (o.character === shown.character ? [saidOfShown(o, shown)] : []));
      return [{ c, seen: said.length > 0, said: together(said) }];
    });
    if (looks.every((x) => x.seen && x.said !== "fits") && looks.some((x) => x.said === "parts")) return [];
    return [{ twin, looks: looks.filter((x) => !x.seen).map((x) => x.c) }];
  });
}

/** What looks at several places of one part say: that it may be the twin, if one of them does. */
const together = (said: Said[]): Said => (said.includes("fits") ? "fits" : said.includes("parts") ? "parts" : null);

/** Whether what was seen is otherwise than the twin has it. A guess parts nothing, nor does what half of the plants looked at lack. */
function saidOfShown(observation: Observation, shown: Shown): Said {
  const { answer, sure, of } = observation;
  if (answer === "cannot-tell" || answer === "not-there-yet" || (shown.range && answer !== "seen")) return null;
  if (shown.range ? withinRange(observation, shown.range) : mayBeShown(observation, shown.states ?? [])) return "fits";
  return sure === "guess" || (of && 2 * of.yes <= of.n) ? null : "parts";
}

/** True where the mean of the readings, as closely as they were read, may be one of the twin's. */
function withinRange({ value, values, half = 0 }: Observation, [low, high]: [number, number]): boolean {
  const readings = values ?? (value === undefined ? [] : [value]);
  const mean = readings.reduce((a, b) => a + b, 0) / readings.length;
  return mean + half >= low && mean - half <= high;
}

/** True unless all that was seen is none of the twin's states, or all of these were looked for and not found. */
function mayBeShown({ answer, states, of }: Observation, shown: string[]): boolean {
  if (answer === "absent" && states) return !shown.every((s) => states.includes(s));
  return (states ?? ["none"]).some((s) => shown.includes(s)) && of?.yes !== 0;
}
