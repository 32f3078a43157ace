import type { Draw } from "../ink/draw";
import {
  type Shape,
  polar,
  area,
  smoothClosed,
  pts,
  all,
  outline,
  smooth,
  hair,
  straight,
  ellipse,
  inner,
  circle,
  type Point,
} from "../ink/shapes";

export const spikelet = (x: number, y: number, degrees: number, size: number, wide = 0.24): Shape => {
  const tip = polar(x, y, size, degrees);
  const side = (s: number) => polar(...polar(x, y, size * 0.5, degrees), size * wide, degrees + s * 90);
  return area(smoothClosed([[x, y], side(1), tip, side(-1)]), "straw");
};

export const husks: Record<string, () => Shape[]> = {
  long: () => [area(smoothClosed(pts("60,62 52,72 56,92 64,92 68,72")), "straw")],
  hairy: () =>
    all(
      area(smoothClosed(pts("60,62 52,72 56,90 64,90 68,72")), "straw"),
      outline(smooth(pts("66,74 82,70 98,80"))),
      Array.from({ length: 6 }, (_, i) =>
        hair(
          straight([
            [54, 72 + i * 3],
            [46, 69 + i * 3],
          ]),
        ),
      ),
    ),
  oval: () => [area(ellipse(60, 72, 6, 8), "brown")],
  wide: () => [
    area(smoothClosed(pts("48,72 56,62 68,64 74,74 62,82")), "straw"),
    inner(smooth(pts("50,74 60,70 72,74"))),
  ],
  bur: () =>
    all(
      area(circle(60, 74, 9), "straw"),
      Array.from({ length: 12 }, (_, i) => outline(straight([polar(60, 74, 9, i * 30), polar(60, 74, 15, i * 30)]))),
    ),
};

export const spikeletSets: Record<string, (y: number, side: number) => Shape[]> = {
  edge: (y, d) => [
    area(
      smoothClosed([
        [60 + d * 2, y],
        [60 + d * 14, y - 10],
        [60 + d * 15, y - 24],
        [60 + d * 9, y - 16],
      ]),
      "straw",
    ),
    outline(
      straight([
        [60 + d * 4, y - 2],
        [60 + d * 14, y - 22],
      ]),
    ),
  ],
  flat: (y, d) => [
    area(
      smoothClosed([
        [60, y],
        [60 + d * 12, y - 4],
        [60 + d * 14, y - 18],
        [60 + d * 6, y - 26],
        [60, y - 14],
      ]),
      "straw",
    ),
    inner(
      straight([
        [60 + d * 2, y - 4],
        [60 + d * 8, y - 22],
      ]),
    ),
    inner(
      straight([
        [60 + d * 4, y - 3],
        [60 + d * 12, y - 16],
      ]),
    ),
  ],
  pairs: (y, d) => [spikelet(60, y, -90 + d * 24, 26, 0.18), spikelet(60, y, -90 + d * 54, 24, 0.18)],
  threes: (y, d) => [
    spikelet(60, y, -90 + d * 16, 26, 0.15),
    spikelet(60, y, -90 + d * 40, 25, 0.15),
    spikelet(60, y, -90 + d * 66, 22, 0.15),
  ],
};

export const bristles: Draw = (s) => {
  const count = { none: 0, few: 2, many: 8, barbed: 6 }[s] ?? 0;
  const lines = Array.from({ length: count }, (_, i) => {
    const a = -90 + (i - (count - 1) / 2) * (count > 4 ? 13 : 34);
    const end = polar(60, 78, 60, a);
    const barbs =
      s === "barbed"
        ? [0.4, 0.6, 0.8].flatMap((u) =>
            [-1, 1].map((d) =>
              hair(
                straight([
                  [60 + (end[0] - 60) * u, 78 + (end[1] - 78) * u],
                  polar(60 + (end[0] - 60) * u, 78 + (end[1] - 78) * u, 6, a + 180 + d * 32),
                ]),
                1.1,
              ),
            ),
          )
        : [];
    return [{ ...outline(straight([[60, 78], end])), width: 1.1 }, ...barbs];
  });
  return all(
    outline(straight(pts("60,94 60,78"))),
    lines.flat(),
    area(ellipse(60, 58, 11, 19), "straw"),
    inner(smooth(pts("56,42 54,58 57,74"))),
  );
};

const awnPlaceScale = (points: Point[]) => area(smoothClosed(points), "straw");

const awnPlaceThick = (points: Point[]) => ({ ...outline(smooth(points)), width: 1.5 });

const AWN_PLACE_KINDS: Record<string, (s: string) => Shape[]> = {
  tip: () =>
    all(
      awnPlaceScale([
        [60, 94],
        [48, 74],
        [52, 52],
        [60, 40],
        [68, 52],
        [72, 74],
      ]),
      awnPlaceThick([
        [60, 40],
        [60, 4],
      ]),
    ),
  fork: () =>
    all(
      area(straight(pts("60,94 46,76 48,48 52,30 60,52 68,30 72,48 74,76"), true), "straw"),
      awnPlaceThick([
        [60, 52],
        [60, 4],
      ]),
    ),
  back: () =>
    all(
      awnPlaceScale([
        [60, 94],
        [48, 74],
        [50, 50],
        [58, 26],
        [68, 50],
        [72, 74],
      ]),
      awnPlaceThick([
        [66, 70],
        [84, 52],
        [86, 40],
        [108, 14],
      ]),
      [inner(smooth(pts("60,90 60,34")))],
    ),
  crown: () =>
    all(
      awnPlaceScale([
        [60, 94],
        [50, 76],
        [52, 56],
        [56, 44],
        [64, 44],
        [68, 56],
        [70, 76],
      ]),
      area(straight(pts("54,44 52,32 56,38 60,30 64,38 68,32 66,44"), true), "brown"),
      awnPlaceThick([
        [60, 36],
        [60, 4],
      ]),
    ),
};

const otherAwnPlace = (): Shape[] =>
  all(
    awnPlaceScale([
      [60, 94],
      [46, 76],
      [46, 56],
      [56, 46],
      [66, 50],
      [72, 60],
      [72, 76],
    ]),
    awnPlaceThick([
      [50, 50],
      [44, 28],
      [40, 4],
    ]),
  );

export function awnPlace(s: string): Shape[] {
  return (AWN_PLACE_KINDS[s] ?? otherAwnPlace)(s);
}
