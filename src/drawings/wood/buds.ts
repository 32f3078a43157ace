import type { Draw } from "../ink/draw";
import {
  type Shape,
  area,
  smoothClosed,
  outline,
  smooth,
  all,
  type Point,
  pts,
  inner,
  straight,
  ellipse,
} from "../ink/shapes";
import { stem } from "../stem/stem";

const sideBud = (x: number, y: number, side: number, size = 1): Shape[] => [
  area(
    smoothClosed([
      [x, y],
      [x + side * 9 * size, y - 5 * size],
      [x + side * 11 * size, y - 15 * size],
      [x + side * 3 * size, y - 11 * size],
    ]),
    "brown",
  ),
  outline(
    smooth([
      [x - side * 1, y + 2],
      [x + side * 5 * size, y + 4 * size],
      [x + side * 8 * size, y + 1],
    ]),
  ),
];

const twig = (half = 5): Shape[] => stem(60, 12, 92, half, "bark");

export const budOrder: Draw = (s) => {
  const nodes: [number, number][] =
    s === "alternate"
      ? [
          [30, 1],
          [48, -1],
          [66, 1],
          [84, -1],
        ]
      : s === "opposite"
        ? [34, 58, 82].flatMap(
            (y) =>
              [
                [y, 1],
                [y, -1],
              ] as [number, number][],
          )
        : [34, 58, 82].flatMap(
            (y) =>
              [
                [y, 1],
                [y - 7, -1],
              ] as [number, number][],
          );
  return all(
    twig(),
    area(
      smoothClosed(
        [
          [55, 12],
          [54, 4],
          [60, -2],
          [66, 4],
          [65, 12],
        ].map(([x, y]) => [x, y + 6] as Point),
      ),
      "brown",
    ),
    nodes.flatMap(([y, side]) => sideBud(60 + side * 5, y, side)),
  );
};

export const endBud: Draw = (s) => {
  const sides = all(sideBud(66, 62, 1), sideBud(54, 74, -1));
  if (s === "bud")
    return all(
      stem(60, 40, 92, 6, "bark"),
      area(smoothClosed(pts("52,42 48,26 60,4 72,26 68,42")), "brown"),
      inner(smooth(pts("52,38 60,26 68,38"))),
      inner(smooth(pts("50,28 60,15 70,28"))),
      sides,
    );
  if (s === "thorn") return all(area(straight(pts("54,92 55,46 60,2 65,46 66,92"), true), "bark"), sides);
  return all(
    stem(60, 34, 92, 6, "bark"),
    area(ellipse(60, 34, 6, 2.6), "straw"),
    outline(smooth(pts("60,34 57,26 52,24"))),
    sideBud(66, 44, 1, 1.3),
    sides,
  );
};
