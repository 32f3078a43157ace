import type { Stage } from "@/core/flora";
import { type Model, describeScore } from "@/core/identify";
import type { Point } from "../ink/shapes";
import { FIGURE } from "../plant/pen";
import { type Figure, typicalFigure } from "./figure";

/** Words with a leader that ends on the part they are about. */
export interface Callout {
  text: string;
  at: Point;
  /** where the words stand, and how they are set */
  words: Point;
  end: boolean;
}

const PART: Record<string, string> = {
  leaf: "leaf",
  collar: "leaf",
  seedling: "leaf",
  "grass-seedling": "leaf",
  stem: "stem",
  distance: "stem",
  wood: "stem",
  flower: "flower",
  umbel: "flower",
  composite: "flower",
  fruit: "flower",
  head: "flower",
  underground: "root",
  water: "leaf",
};

const MOST_CALLOUTS = 4;

const LETTERS = 34;

/** Plants side by side at one scale, each with what separates it from the others called out. */
export function sideBySide(
  model: Model,
  taxa: number[],
  stage: Stage,
  deciding: number[],
): { figure: Figure; callouts: Callout[] }[] {
  const alone = taxa.map((t) => typicalFigure(model, t, stage));
  const scales = alone.flatMap(({ perCm }) => perCm ?? []);
  const common = scales.length === taxa.length ? Math.min(...scales) : undefined;
  return taxa.map((t) => {
    const figure = typicalFigure(model, t, stage, common);
    return { figure, callouts: calloutsOf(model, t, stage, deciding, figure) };
  });
}

export function calloutsOf(model: Model, taxon: number, stage: Stage, deciding: number[], figure: Figure): Callout[] {
  const found = deciding.flatMap((c) => {
    const words = describeScore({ model }, taxon, c, stage, 1);
    const at = figure.anchors[PART[model.flora.characters[c].station] ?? "stem"];
    return words && at ? [{ text: shortened(words), at }] : [];
  });
  return spread(found.slice(0, MOST_CALLOUTS));
}

const shortened = (text: string): string => (text.length > LETTERS ? `${text.slice(0, LETTERS - 1).trimEnd()}…` : text);

/** Words at the left and at the right in turn, each side in the order of the parts' heights, so that no two leaders cross. */
function spread(found: { text: string; at: Point }[]): Callout[] {
  const byHeight = [...found].sort((a, b) => a.at[1] - b.at[1]);
  return byHeight.map(({ text, at }, i) => {
    const right = i % 2 === 0;
    const y = 40 + Math.floor(i / 2) * 58 + (right ? 0 : 24);
    return { text, at, end: right, words: [right ? FIGURE.width - 6 : 6, y] };
  });
}
