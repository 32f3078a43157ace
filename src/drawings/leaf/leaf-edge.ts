import type { Draw } from "../ink/draw";
import { type Point, type Shape, all, outline, smooth, polar, area, smoothClosed } from "../ink/shapes";
import { stem } from "../stem/stem";
import { type Leaf, drawLeaf } from "./leaf";

/** How far apart teeth stand along an edge, and how far they stand out. */
const TEETH: Record<string, { apart: number; out: number }> = {
  fine: { apart: 4, out: 1.1 },
  coarse: { apart: 8, out: 2.4 },
  blunt: { apart: 7, out: 1.6 },
  spiny: { apart: 10, out: 3.4 },
};

/** An outline with teeth set on each of its sides, pointing away from the middle. */
export function toothed(points: Point[], middle: Point, edge: Leaf["edge"]): Point[] {
  const teeth = edge ? TEETH[edge] : undefined;
  if (!teeth) return points;
  return points.flatMap((from, i) => {
    const to = points[(i + 1) % points.length];
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const long = Math.hypot(dx, dy);
    const count = Math.round(long / teeth.apart);
    const away = dx * (from[1] - middle[1]) - dy * (from[0] - middle[0]) > 0 ? -1 : 1;
    return [
      from,
      ...Array.from({ length: i === points.length - 1 ? 0 : count }, (_, k): Point => {
        const t = (k + 0.5) / count;
        return [from[0] + t * dx + (away * -dy * teeth.out) / long, from[1] + t * dy + (away * dx * teeth.out) / long];
      }),
    ];
  });
}

const ears: Record<string, () => Shape[]> = {
  pointed: () =>
    area2([
      [62, 40],
      [44, 54],
      [34, 78],
      [50, 66],
      [66, 60],
    ]),
  rounded: () =>
    area2([
      [62, 38],
      [42, 44],
      [32, 60],
      [44, 72],
      [64, 60],
    ]),
  coiled: () =>
    all(
      area2([
        [62, 38],
        [42, 40],
        [28, 58],
        [40, 76],
        [64, 62],
      ]),
      { ...outline(smooth(Array.from({ length: 22 }, (_, i) => polar(44, 58, 3 + i * 0.62, i * 30)))), width: 1.8 },
    ),
};

const area2 = (points: Point[]): Shape[] => [area(smoothClosed(points), "leaf")];

export const earShape: Draw = (s) => all(drawLeaf({ shape: "lance" }, [62, 50], 56, 68), stem(54, 4, 92, 4), ears[s]());
