import type { Score } from "../../flora";
import { type Tuning, TUNING } from "../tuning";

export type FourPoints = [number, number, number, number];

/**
 * Share of plants whose value is at most x, for a distribution given by four points:
 * 80% lie between the inner two, 99% between the outer two. Straight between the points,
 * exponential beyond them.
 * @param points extreme low, low, high, extreme high; not falling
 * @param minWidth smallest width of a step, same unit, > 0: a constant still has a width
 * @returns a share in [0, 1], not falling in x
 * @example cumulative([0, 10, 20, 30], 15, 1) // 0.5
 */
export function cumulative(points: FourPoints, x: number, minWidth: number): number {
  const [a, b, c, d] = spread(points, minWidth);
  if (x <= a) return 0.005 * Math.exp((x - a) / (b - a));
  if (x >= d) return 1 - 0.005 * Math.exp((d - x) / (d - c));
  if (x < b) return 0.005 + (0.095 * (x - a)) / (b - a);
  if (x <= c) return 0.1 + (0.8 * (x - b)) / (c - b);
  return 0.9 + (0.095 * (x - c)) / (d - c);
}

/** The four points pushed apart to at least `minWidth`, keeping the middle where it is. */
function spread(points: FourPoints, minWidth: number): FourPoints {
  let [a, b, c, d] = points;
  if (c - b < minWidth) {
    const middle = (b + c) / 2;
    b = middle - minWidth / 2;
    c = middle + minWidth / 2;
  }
  if (b - a < minWidth / 2) a = b - minWidth / 2;
  if (d - c < minWidth / 2) d = c + minWidth / 2;
  return [a, b, c, d];
}

/** Value below which the share p of plants lies; the inverse of `cumulative`, by bisection. */
export function quantile(points: FourPoints, p: number, minWidth: number): number {
  const [a, , , d] = spread(points, minWidth);
  let low = a - 10 * (d - a);
  let high = d + 10 * (d - a);
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (cumulative(points, middle, minWidth) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * Half the width within which an observer's reading can be trusted, in the character's unit.
 * Repeated readings narrow the observer's part (by the root of their number), never the plants' own spread.
 */
export function readingHalfWidth(
  kind: string,
  value: number,
  repeats: number,
  widen: number,
  tuning: Tuning = TUNING,
): number {
  const { countRelative, measureRelative, countHalf, angleHalf, ratioHalf, measureHalf } = tuning;
  const relative = kind === "count" ? countRelative : measureRelative;
  const floor =
    kind === "count" ? countHalf : kind === "angle" ? angleHalf : kind === "ratio" ? ratioHalf : measureHalf;
  const width = Math.max(floor, relative * Math.abs(value)) * widen;
  return Math.max(leastHalfWidth(kind, tuning), width / Math.sqrt(repeats));
}

/** No reading is trusted further than this, in the character's unit. */
export const leastHalfWidth = (kind: string, t: Tuning): number =>
  kind === "count" ? t.countHalf : kind === "ratio" ? t.ratioLeastHalf : t.measureLeastHalf;

/** Smallest width of a step for this kind of character, in its unit. */
export function minimumWidth(kind: string, t: Tuning = TUNING): number {
  return kind === "count"
    ? t.countWidth
    : kind === "angle"
      ? t.angleWidth
      : kind === "ratio"
        ? t.ratioWidth
        : t.measureWidth;
}

/** Chance that a reading falls within ± halfWidth of `value`. */
export function readingChance(points: FourPoints, value: number, halfWidth: number, minWidth: number): number {
  return Math.max(
    1e-9,
    cumulative(points, value + halfWidth, minWidth) - cumulative(points, value - halfWidth, minWidth),
  );
}

/**
 * Edges of answer classes for a measured character, between the pooled quantiles of the plants compared.
 * Used to foresee what an answer would tell, and to offer classes to tap.
 * @returns rising inner edges; k edges make k + 1 classes
 */
export function classEdges(scores: Score[], kind: string, wanted: number): number[] {
  const inner = scores
    .flatMap((s) => (s.points ? [s.points[1], (s.points[1] + s.points[2]) / 2, s.points[2]] : []))
    .sort((a, b) => a - b);
  const edges: number[] = [];
  for (let i = 1; i < wanted && inner.length > 0; i++) {
    const raw = inner[Math.floor((i * inner.length) / wanted)];
    const edge = kind === "count" ? Math.floor(raw) + 0.5 : Number(raw.toPrecision(2));
    if (edges.length === 0 || edge > edges[edges.length - 1]) edges.push(edge);
  }
  return edges;
}

export function classShares(points: FourPoints, edges: number[], kind: string, tuning: Tuning = TUNING): number[] {
  const width = minimumWidth(kind, tuning);
  let before = 0;
  const shares = edges.map((edge) => {
    const upTo = cumulative(points, edge, width);
    const share = upTo - before;
    before = upTo;
    return Math.max(share, 1e-4);
  });
  shares.push(Math.max(1 - before, 1e-4));
  return shares;
}
