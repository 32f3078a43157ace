import {
  type Tint,
  type Shape,
  all,
  inner,
  smooth,
  pts,
  area,
  circle,
  faint,
  flat,
  straight,
  smoothClosed,
  hair,
  polar,
  ellipse,
  outline,
  type Point,
} from "../ink/shapes";
import { FRUITS } from "./more-fruits";
import { pod } from "./pod";

const FRUIT_KINDS: Record<string, (kind: string, tint: Tint) => Shape[]> = {
  berry: (_kind, tint) =>
    all(
      inner(smooth(pts("60,4 58,20 60,34"))),
      area(circle(60, 58, 26), tint),
      faint(smooth(pts("46,46 42,58 48,70"))),
      flat(circle(60, 82, 2), "ink"),
    ),
  bramble: (_kind, tint) =>
    all(
      inner(straight(pts("60,4 60,24"))),
      ...[
        [60, 34, 1],
        [48, 40, 1],
        [72, 40, 1],
        [42, 52, 1],
        [60, 50, 1],
        [78, 52, 1],
        [48, 64, 1],
        [72, 64, 1],
        [60, 66, 1],
        [54, 78, 1],
        [66, 78, 1],
      ].map(([x, y]) => area(circle(x, y, 9.5), tint)),
      [40, 60, 80].map((x) =>
        area(
          straight(
            [
              [60, 24],
              [x - 6, 16],
              [x + 4, 26],
            ],
            true,
          ),
          "leaf",
        ),
      ),
    ),
  hip: (_kind, tint) =>
    all(
      inner(straight(pts("60,4 60,20"))),
      area(smoothClosed(pts("60,20 86,40 82,68 60,80 38,68 34,40")), tint),
      [-22, -10, 0, 10, 22].map((a) => hair(straight([[60, 78], polar(60, 78, 16, 90 + a)]), 1.4)),
    ),
  haw: (_kind, tint) =>
    all(
      [42, 78, 60].flatMap((x, i) => [
        inner(
          straight([
            [60, 4],
            [x, 40 + i * 6],
          ]),
        ),
        area(circle(x, 56 + i * 6, 14), tint),
        flat(
          straight(
            [
              [x - 4, 68 + i * 6],
              [x, 64 + i * 6],
              [x + 4, 68 + i * 6],
              [x, 72 + i * 6],
            ],
            true,
          ),
          "ink",
        ),
      ]),
    ),
  pod: () => pod("none"),
  split: () =>
    all(
      inner(straight(pts("60,4 60,30"))),
      inner(smooth(pts("60,30 54,44 56,78"))),
      inner(smooth(pts("60,30 66,44 64,78"))),
      area(smoothClosed(pts("52,26 36,48 46,84 54,60")), "straw"),
      area(smoothClosed(pts("68,26 84,48 74,84 66,60")), "straw"),
      inner(smooth(pts("48,34 44,54 47,78"))),
      inner(smooth(pts("72,34 76,54 73,78"))),
    ),
  "winged-nut": () =>
    all(
      inner(straight(pts("60,2 60,18"))),
      area(smoothClosed(pts("60,18 38,26 32,48 46,76 60,88")), "white"),
      area(smoothClosed(pts("60,18 82,26 88,48 74,76 60,88")), "white"),
      area(smoothClosed(pts("60,22 68,44 60,84 52,44")), "pale"),
    ),
  key: () =>
    all(
      inner(straight(pts("28,6 28,22"))),
      area(smoothClosed(pts("28,20 37,40 34,66 27,88 20,66 19,40")), "straw"),
      area(ellipse(28, 52, 5, 6.5), "brown"),
      faint(smooth(pts("29,26 31,44"))),
      inner(straight(pts("80,6 80,24"))),
      [-1, 1].flatMap((s) => [
        area(
          smoothClosed([
            [80, 26],
            [80 + s * 11, 30],
            [80 + s * 33, 66],
            [80 + s * 28, 84],
            [80 + s * 14, 62],
          ]),
          "straw",
        ),
        area(ellipse(80 + s * 6, 32, 6, 5), "brown"),
        faint(
          smooth([
            [80 + s * 11, 36],
            [80 + s * 20, 54],
            [80 + s * 27, 76],
          ]),
        ),
      ]),
    ),
  capsule: () =>
    all(
      inner(straight(pts("60,4 60,20"))),
      area(smoothClosed(pts("60,18 74,40 72,66 60,84 48,66 46,40")), "green"),
      inner(smooth(pts("60,20 64,50 60,82"))),
      [
        [88, 34],
        [94, 48],
        [30, 40],
        [26, 56],
      ].map(([x, y]) => area(circle(x, y, 3), "brown")),
      faint(straight(pts("76,44 86,36"))),
      faint(straight(pts("44,46 33,42"))),
    ),
  plume: () =>
    all(
      Array.from({ length: 9 }, (_, i) => {
        const end = polar(60, 70, 54, -170 + i * 20);
        const mid = polar(60, 70, 30, -160 + i * 20);
        return [
          area(ellipse(...polar(60, 70, 7, -170 + i * 20), 3, 4), "brown"),
          outline(smooth([[60, 70], mid, end])),
          ...[0.45, 0.6, 0.75, 0.9].flatMap((u) =>
            [-1, 1].map((s) =>
              hair(
                straight([
                  [60 + (end[0] - 60) * u, 70 + (end[1] - 70) * u],
                  polar(60 + (end[0] - 60) * u, 70 + (end[1] - 70) * u, 7, -170 + i * 20 + s * 38),
                ]),
                0.6,
              ),
            ),
          ),
        ];
      }).flat(),
    ),
  parachute: () =>
    all(
      area(smoothClosed(pts("60,92 56,78 60,64 64,78")), "brown"),
      outline(straight(pts("60,64 60,44"))),
      Array.from({ length: 15 }, (_, i) => hair(straight([[60, 44], polar(60, 44, 36, -172 + i * 11.7)]), 0.8)),
    ),
  "dry-seed": () =>
    all(
      [
        [40, 40],
        [66, 34],
        [82, 60],
        [50, 66],
        [68, 76],
      ].map(([x, y], i) => area(ellipse(x, y, 6 + (i % 2), 9), "brown")),
      [
        [40, 40],
        [66, 34],
        [82, 60],
        [50, 66],
      ].map(([x, y]) => faint(straight(pts("0,-7 0,7", x, y)))),
    ),
  ...FRUITS,
};

const otherFruit = (): Shape[] =>
  all(
    area(ellipse(60, 50, 20, 28), "brown"),
    Array.from({ length: 14 }, (_, i) => {
      const p = polar(60, 50, 1, i * 25.7);
      const from: Point = [60 + (p[0] - 60) * 20, 50 + (p[1] - 50) * 28];
      const to: Point = [60 + (p[0] - 60) * 31, 50 + (p[1] - 50) * 41];
      return outline(smooth([from, to, [to[0] + 3, to[1] + 3]]));
    }),
  );

/** A kind of fruit is drawn without a color until a plant gives it its own: a red berry would say more than "berry". */
export function fruit(kind: string, tint: Tint = "white"): Shape[] {
  return (FRUIT_KINDS[kind] ?? otherFruit)(kind, tint);
}
