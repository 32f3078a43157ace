import type { Observation } from "./case";
import { evidenceOf } from "./likelihood";
import type { Shown } from "./flora-types";
import { usuallySeen } from "./model";
import { type Judgement, likeliestStage } from "./posterior";
import type { UnheldTwin } from "./unheld";
import { usualLook } from "./usual";

/** An answer agrees with a plant where it is at least this share as likely of it as its usual one. */
const AGREES = 0.5;

export interface OpenTwin {
  twin: UnheldTwin;
  /** characters that part the two and can be seen now, not looked at yet; none where nothing listed parts them at this stage */
  looks: number[];
}

/** What a look says of a plant and a twin of it: that it is not the twin, that it may be, or nothing. */
type Said = "parts" | "fits" | null;

/**
 * Twins that a plant may still be, of those that the flora does not hold. Where it is known what the twin shows, one part must
 * have been seen that is otherwise, and none that is so; where it is not, all the looks that part the two must show what this
 * plant usually shows.
 */
export function openTwins(judgement: Judgement, taxon: number): OpenTwin[] {
  const { model } = judgement;
  if (model.unheld[taxon].length === 0) return [];
  const stage = likeliestStage(judgement, taxon);
  return model.unheld[taxon].flatMap((twin): OpenTwin[] => {
    const ids = twin.deciders.filter((d) => d.stage === stage || d.stage === "any").flatMap((d) => d.characters);
    const looks = [...new Set(ids)].flatMap((id) => {
      const c = model.characterIndex.get(id) as number;
      const usual = usualLook(model, taxon, c, stage);
      const shown = twin.shows.find((s) => s.character === id);
      if (shown ? !usuallySeen(model, taxon, c, stage) : !usual) return [];
      const said = judgement.case.observations.flatMap((o, at) => (o.character !== id ? [] : [shown ? saidOfShown(o, shown) : agrees(judgement, taxon, c, usual as Observation, at)]));
      return [{ c, seen: said.length > 0, said: together(said) }];
    });
    const wanted = twin.shows.length > 0 ? 1 : looks.length;
    if (wanted > 0 && !looks.some((x) => x.said === "fits") && looks.filter((x) => x.said === "parts").length >= wanted) return [];
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

/** Whether what was seen is what the plant usually shows; "fits" the twin where it is not, or where it told nothing. */
function agrees(judgement: Judgement, taxon: number, c: number, usual: Observation, at: number): Said {
  const { model } = judgement;
  const item = judgement.evidence[at];
  if (!item || item.character !== c) return "fits";
  const ideal = evidenceOf(model, usual, at)?.chance ?? item.chance;
  const best = (chance: Float64Array) => chance.subarray(model.firstCondition[taxon], model.firstCondition[taxon + 1]).reduce((a, b) => Math.max(a, b), 0);
  return best(item.chance) >= AGREES * best(ideal) ? "parts" : "fits";
}
