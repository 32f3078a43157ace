import { type Stage, withUnit } from "@/core/flora";
import { type Model, recordingOf, scoreFor } from "@/core/identify";
import type { Shape } from "../ink/shapes";

/** One part of a plant, drawn from its own states; null where the flora does not say how it looks. */
export interface Panel {
  part: string;
  shapes: Shape[] | null;
  /** measures that belong to the part, with their units */
  measures: string;
}

/** The usual range of a measure in words, "4 to 9 cm"; empty where it is not recorded. */
export function range(model: Model, taxon: number, character: string, stage: Stage): string {
  const c = model.characterIndex.get(character);
  if (c === undefined || recordingOf(model, taxon, c) !== "recorded") return "";
  const { points } = scoreFor(model, taxon, c, stage, undefined, model.flora.taxa[taxon].forms[0].id) ?? {};
  if (!points) return "";
  const [, low, high] = points.map((x) => Number(x.toPrecision(2)));
  return `${withUnit(low === high ? low : `${low} to ${high}`, model.flora.characters[c].unit)}${WAY[character] ?? ""}`;
}

/** Which way a measure goes, where the panel does not say so. */
const WAY: Record<string, string> = {
  height: " tall",
  "blade-width": " wide",
  "blade-length": " long",
  "water-leaf-width": " wide",
  "water-leaf-length": " long",
};

export type At = (character: string) => string | null;

export type State = (part: string, character: string, ...measures: string[]) => Panel;
