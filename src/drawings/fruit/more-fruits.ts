import {
  type Shape,
  all,
  area,
  straight,
  ellipse,
  inner,
  pts,
  polar,
  faint,
  smooth,
  smoothClosed,
  outline,
  circle,
} from "../ink/shapes";
import { stem } from "../stem/stem";

/** Fruits the common set does not name: nutlets, spiny capsules, lanterns, wheels, nuts, balls of beaked seeds. */
export const FRUITS: Record<string, () => Shape[]> = {
  nutlets: () =>
    all(
      [-1, 1].map((d) =>
        area(
          straight(
            [
              [60, 84],
              [60 + d * 30, 60],
              [60 + d * 40, 26],
              [60 + d * 18, 50],
            ],
            true,
          ),
          "leaf",
        ),
      ),
      [
        [48, 44],
        [72, 44],
        [50, 64],
        [70, 64],
      ].map(([x, y]) => area(ellipse(x, y, 10, 11), "brown")),
      inner(straight(pts("60,84 60,94"))),
    ),
  spiny: () =>
    all(
      inner(straight(pts("60,2 60,18"))),
      area(ellipse(60, 52, 24, 30), "green"),
      Array.from({ length: 20 }, (_, i) =>
        area(
          straight([polar(60, 52, 25, i * 18 - 4), polar(60, 52, 42, i * 18), polar(60, 52, 25, i * 18 + 4)], true),
          "green",
        ),
      ),
      [48, 60, 72].map((x) => faint(straight(pts("0,30 0,76", x)))),
    ),
  lantern: () =>
    all(
      inner(smooth(pts("60,2 56,10 60,16"))),
      area(smoothClosed(pts("60,14 86,34 84,62 60,94 36,62 34,34")), "straw"),
      [46, 60, 74].map((x) =>
        outline(
          smooth([
            [60, 16],
            [x, 48],
            [60, 92],
          ]),
        ),
      ),
      { d: circle(60, 54, 12), ink: "faint" },
    ),
  wheel: () =>
    all(
      area(ellipse(60, 48, 40, 40), "green"),
      Array.from({ length: 12 }, (_, i) => outline(straight([polar(60, 48, 10, i * 30), polar(60, 48, 40, i * 30)]))),
      area(circle(60, 48, 9), "straw"),
    ),
  nut: () =>
    all(
      area(circle(60, 46, 34), "green"),
      area(smoothClosed(pts("60,22 80,36 80,60 60,74 40,60 40,36")), "bark"),
      [50, 60, 70].map((x) => inner(smooth(pts("0,28 3,48 -2,68", x)))),
      inner(straight(pts("60,80 60,94"))),
    ),
  "seed-ball": () =>
    all(
      stem(60, 70, 94, 1.6),
      Array.from({ length: 22 }, (_, i) => {
        const p = polar(60, 44, 24 * Math.sqrt((i + 0.5) / 22), i * 137.5);
        const a = (Math.atan2(p[1] - 44, p[0] - 60) * 180) / Math.PI;
        return [
          area(circle(p[0], p[1], 5), "green"),
          { ...outline(straight([polar(p[0], p[1], 5, a), polar(...polar(p[0], p[1], 5, a), 5, a + 24)])), width: 1.2 },
        ];
      }).flat(),
    ),
};
