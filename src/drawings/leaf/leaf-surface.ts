import type { Draw } from "../ink/draw";
import {
  type Shape,
  area,
  straight,
  pts,
  flat,
  smoothClosed,
  outline,
  circle,
  polar,
  all,
  inner,
  ellipse,
  faint,
  smooth,
} from "../ink/shapes";
import { stem } from "../stem/stem";
import { drawLeaf } from "./leaf";

export const MARKS: Record<string, Shape[]> = {
  plain: [],
  chevron: [area(straight(pts("45,56 60,36 75,56 73,64 60,46 47,64"), true), "white")],
  blotch: [
    flat(smoothClosed(pts("52,56 60,38 70,52 62,66")), "purple"),
    outline(smoothClosed(pts("52,56 60,38 70,52 62,66"))),
  ],
  "pale-veins": [
    [60, 80, 60, 20],
    [60, 66, 78, 52],
    [60, 66, 42, 52],
    [60, 50, 78, 36],
    [60, 50, 42, 36],
  ].flatMap(([a, b, c, d]) => [
    {
      ...outline(
        straight([
          [a, b],
          [c, d],
        ]),
      ),
      width: 4.5,
    },
    flat(
      straight(
        [
          [a - 1.2, b],
          [c - 1.2, d],
          [c + 1.2, d],
          [a + 1.2, b],
        ],
        true,
      ),
      "white",
    ),
  ]),
  spots: Array.from({ length: 16 }, (_, i) =>
    area(circle(...polar(60, 50, 18 * Math.sqrt((i + 0.5) / 16), i * 137.5), 1.7), "purple"),
  ),
};

export const dotted = (s: string): Shape[] => {
  const blade = drawLeaf({ shape: "oval", tint: s === "none" ? "pale" : "yellowgreen", veins: false }, [60, 92], 84);
  if (s === "none") return all(blade, inner(straight(pts("60,92 60,12"))));
  if (s === "clear")
    return all(
      blade,
      inner(straight(pts("60,92 60,12"))),
      Array.from({ length: 40 }, (_, i) =>
        area(circle(...polar(60, 52, 20 * Math.sqrt((i + 0.5) / 40), i * 137.5), 1.3), "white"),
      ),
    );
  return all(
    blade,
    inner(straight(pts("60,92 60,12"))),
    [-1, 1].flatMap((d) =>
      Array.from({ length: 11 }, (_, i) =>
        flat(circle(60 + d * 22.5 * Math.sin((Math.PI * (i + 1.2)) / 13) ** 0.8, 86 - i * 6.6, 1.5), "black"),
      ),
    ),
  );
};

const glands: Record<string, () => Shape[]> = {
  none: () => [],
  flat: () => [-1, 1].map((d) => area(ellipse(60 + d * 7, 56, 5, 2.6), "orange")),
  stalked: () =>
    [-1, 1].flatMap((d) => [
      outline(
        straight([
          [60 + d * 2, 58],
          [60 + d * 9, 54],
        ]),
      ),
      area(circle(60 + d * 11, 53, 3), "red"),
    ]),
  teeth: () =>
    [-1, 1].flatMap((d) => [
      area(
        straight(
          [
            [60 + d * 6, 50],
            [60 + d * 30, 46],
            [60 + d * 20, 38],
          ],
          true,
        ),
        "leaf",
      ),
      area(circle(60 + d * 27, 45, 3), "orange"),
    ]),
};

export const stalkGlands: Draw = (s) =>
  all(
    {
      ...outline(straight(pts("60,94 60,54"))),
      width: 4,
    },
    area(smoothClosed(pts("60,54 30,44 18,8 102,8 90,44")), "leaf"),
    inner(straight(pts("60,54 60,8"))),
    faint(straight(pts("60,44 36,18"))),
    faint(straight(pts("60,44 84,18"))),
    glands[s](),
  );

export const oneHair: Record<string, () => Shape[]> = {
  simple: () => [
    {
      ...outline(smooth(pts("60,72 61,44 64,14"))),
      width: 2.4,
    },
  ],
  star: () =>
    all(
      {
        ...outline(straight(pts("60,72 60,52"))),
        width: 2.4,
      },
      [-165, -140, -115, -90, -65, -40, -15].map((a) => ({
        ...outline(straight([[60, 52], polar(60, 52, 28, a)])),
        width: 1.8,
      })),
    ),
  hooked: () => [
    {
      ...outline(smooth(pts("60,72 61,46 63,24 70,18 76,24 73,32"))),
      width: 2.4,
    },
  ],
};

/** Three bare crowns beside the one that is asked about. */
export const lateLeaf: Draw = (s) => {
  const bare = (x: number) =>
    all(
      stem(x, 40, 86, 2.5, "bark"),
      [-40, -14, 14, 40].map((a) => outline(straight([[x, 46], polar(x, 46, 26, a - 90)]))),
    );
  const leafy = (x: number, tint: "leaf" | "orange") =>
    all(bare(x), area(smoothClosed(pts("-18,42 -12,20 4,14 18,28 14,46 -6,50", x)), tint));
  const middle =
    s === "early"
      ? all(
          bare(60),
          [52, 62, 70].map((x) => area(ellipse(x, 83, 4, 2), "orange")),
        )
      : leafy(60, s === "late" ? "leaf" : "orange");
  const side = (x: number) => (s === "late" ? bare(x) : leafy(x, s === "early" ? "leaf" : "orange"));
  return all(outline(straight(pts("6,86 114,86"))), side(22), side(98), middle);
};
