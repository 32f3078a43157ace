import { polygonArea, polygonContains } from "d3-polygon";
import { type Chance, seededChance } from "../../random";
import type { DrillBook, Subject } from "../book";
import type { QuadratQuestion } from "../question";

type Point = [number, number];

/** A frame on the ground, seen from above; all in shares of its side. */
export interface Quadrat {
  /** outline of each plant of the kind that is asked for: none overlaps another, none leaves the frame */
  plants: Point[][];
  /** outlines of other plants, which are not counted */
  others: Point[][];
  /** share of the frame that the plants cover, in [0, 1], from the areas of their outlines */
  cover: number;
  count: number;
}

const MOST_PLANTS = 40;
const CORNERS = 18;
const TRIES = 60;

/** Plants of several sizes scattered over the frame, each where it meets no other. */
export function drawQuadrat(seed: number): Quadrat {
  const chance = seededChance(seed).named("quadrat");
  const placed: { at: Point; radius: number }[] = [];
  const wanted = 3 + chance.below(MOST_PLANTS - 3);
  const size = 0.03 + 0.09 * chance.uniform();
  const scatter = (n: number): Point[][] => {
    const outlines: Point[][] = [];
    for (let i = 0; i < n; i++) {
      const radius = size * (0.6 + 0.8 * chance.uniform());
      const at = freePlace(placed, radius, chance);
      if (!at) continue;
      placed.push({ at, radius });
      outlines.push(outlineOf(at, radius, chance));
    }
    return outlines;
  };
  const plants = scatter(wanted);
  const others = scatter(4 + chance.below(8));
  const cover = plants.reduce((sum, outline) => sum + Math.abs(polygonArea(outline)), 0);
  return { plants, others, cover, count: plants.length };
}

function freePlace(placed: { at: Point; radius: number }[], radius: number, chance: Chance): Point | null {
  for (let i = 0; i < TRIES; i++) {
    const at: Point = [radius + (1 - 2 * radius) * chance.uniform(), radius + (1 - 2 * radius) * chance.uniform()];
    if (placed.every((other) => Math.hypot(other.at[0] - at[0], other.at[1] - at[1]) > other.radius + radius))
      return at;
  }
  return null;
}

/** A rosette of leaves as a star of rounded points, within its radius. */
function outlineOf([x, y]: Point, radius: number, chance: Chance): Point[] {
  const turn = chance.uniform() * Math.PI;
  return Array.from({ length: CORNERS }, (_, i) => {
    const reach = radius * (i % 2 === 0 ? 0.85 + 0.15 * chance.uniform() : 0.55 + 0.15 * chance.uniform());
    const angle = turn + (2 * Math.PI * i) / CORNERS;
    return [x + reach * Math.cos(angle), y + reach * Math.sin(angle)];
  });
}

/** Whether a point of the frame is on one of the plants. */
export const isCovered = ({ plants }: Quadrat, point: Point): boolean =>
  plants.some((outline) => polygonContains(outline, point));

export const quadrat = ({ model }: DrillBook, { taxon, stage }: Subject, seed: number): QuadratQuestion => ({
  form: "quadrat",
  taxon: model.flora.taxa[taxon].id,
  stage,
  seed,
});
