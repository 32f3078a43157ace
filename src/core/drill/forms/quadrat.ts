import { polygonArea, polygonContains } from "d3-polygon";
import { itemAt } from "../../items";
import { type Chance, seededChance } from "../../random";
import type { DrillBook, Subject } from "../book";
import type { QuadratQuestion } from "../question";
import type { Unaskable } from "./clue-by-clue";

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
/** Corners of the outline of one leaf, and where two leaves meet, as a share of the radius. */
const CORNERS = 12;
const HEART = 0.3;
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

/** A rosette of five to eight leaves, each round at its tip, within its radius. */
function outlineOf([x, y]: Point, radius: number, chance: Chance): Point[] {
  const turn = chance.uniform() * Math.PI;
  const leaves = 5 + chance.below(4);
  const lengths = Array.from({ length: leaves }, () => 0.78 + 0.22 * chance.uniform());
  return Array.from({ length: leaves * CORNERS }, (_, i) => {
    const across = (i % CORNERS) / CORNERS;
    const leaf = itemAt(lengths, Math.floor(i / CORNERS));
    const reach = radius * leaf * (HEART + (1 - HEART) * Math.sin(Math.PI * across) ** 0.6);
    const angle = turn + (2 * Math.PI * i) / (leaves * CORNERS);
    return [x + reach * Math.cos(angle), y + reach * Math.sin(angle)];
  });
}

/** Whether a point of the frame is on one of the plants. */
export const isCovered = ({ plants }: Quadrat, point: Point): boolean =>
  plants.some((outline) => polygonContains(outline, point));

/** Plants that stand side by side on the ground, so that they are counted and their cover is read from above. */
const COUNTED = ["herb", "grass", "rush"];

export function quadrat({ model }: DrillBook, { taxon, stage }: Subject, seed: number): QuadratQuestion | Unaskable {
  const { id, lifeForm } = model.flora.taxa[taxon];
  if (!COUNTED.includes(lifeForm) || stage === "winter") return { why: "no frame is read for a plant of its kind" };
  return { form: "quadrat", taxon: id, stage, seed };
}
