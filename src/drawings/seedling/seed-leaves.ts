import { earth } from "../habit/earth";
import {
  type Shape,
  area,
  smoothClosed,
  pts,
  type Point,
  along,
  hair,
  straight,
  polar,
  all,
  inner,
  smooth,
  flat,
} from "../ink/shapes";
import { type Leaf, drawLeaf } from "../leaf/leaf";
import { stem } from "../stem/stem";

export const seedLeaf = (leaf: Leaf): Shape[] => drawLeaf(leaf, [60, 92], 82);

export const tips: Record<string, () => Shape[]> = {
  blunt: () => seedLeaf({ shape: "oval", tip: "blunt", veins: false }),
  pointed: () => seedLeaf({ shape: "oval", tip: "pointed", veins: false }),
  dented: () => [area(smoothClosed(pts("60,92 40,66 38,30 48,12 60,24 72,12 82,30 80,66")), "leaf")],
};

export const stalks: Record<string, number> = { none: 0, short: 12, long: 34 };

export const leafHairs = (s: string): Shape[] => {
  const rim: Point[] = along([0, 20], [0, 84], 14).map(([, y]) => [22 * Math.sin((Math.PI * (92 - y)) / 84) ** 0.8, y]);
  const edge = rim.flatMap(([w, y]) => [
    hair(
      straight([
        [60 + w, y],
        [68 + w, y - 5],
      ]),
    ),
    hair(
      straight([
        [60 - w, y],
        [52 - w, y - 5],
      ]),
    ),
  ]);
  const face = Array.from({ length: 26 }, (_, i) => polar(60, 52, 18 * Math.sqrt((i + 0.5) / 26), i * 137.5)).map(
    ([x, y]) => hair(straight(pts("0,0 2,-7", x, y))),
  );
  return s === "none" ? [] : s === "edge" ? edge : all(edge, face);
};

export const veins: Record<string, () => Shape[]> = {
  hidden: () => [],
  middle: () => [
    {
      ...inner(straight(pts("60,90 60,16"))),
      width: 1.4,
    },
  ],
  net: () =>
    all(
      {
        ...inner(straight(pts("60,90 60,14"))),
        width: 1.4,
      },
      [72, 54, 36].flatMap((y) =>
        [-1, 1].flatMap((d) => [
          inner(
            smooth([
              [60, y],
              [60 + d * 10, y - 8],
              [60 + d * 18, y - 8],
            ]),
          ),
          inner(
            straight([
              [60 + d * 9, y - 7],
              [60 + d * 12, y - 18],
            ]),
          ),
        ]),
      ),
    ),
};

/** How far the tip of a seed leaf is cut in, as the height at which the notch ends. */
export const notches: Record<string, number> = { dent: 26, third: 44, deep: 68 };

export const notched = (depth: number): Shape[] => [
  area(
    smoothClosed([
      [60, 92],
      [38, 70],
      [32, 36],
      [42, 12],
      [53, 18],
      [60, depth],
      [67, 18],
      [78, 12],
      [88, 36],
      [82, 70],
    ]),
    "leaf",
  ),
];

export const narrowLobed = (): Shape[] => [
  area(straight(pts("60,92 52,74 24,14 30,12 60,64 90,12 96,14 68,74"), true), "leaf"),
];

/** A leaf, and below it the same leaf cut across. */
export const cutAcross = (half: number): Shape[] =>
  all(
    drawLeaf({ shape: "oval", veins: false }, [60, 62], 56),
    area(
      smoothClosed([
        [32, 80],
        [60, 80 - half],
        [88, 80],
        [60, 80 + half],
      ]),
      "leaf",
    ),
  );

/** Seed leaves cut in two: each like the wings of a butterfly. */
export const butterflySeedLeaves = (): Shape[] =>
  all(
    earth(86),
    stem(60, 60, 86, 1.8),
    [-1, 1].flatMap((s) => [
      area(
        straight(
          [
            [60, 60],
            [60 + s * 20, 50],
            [60 + s * 44, 16],
            [60 + s * 50, 20],
            [60 + s * 34, 52],
            [60 + s * 52, 66],
            [60 + s * 48, 72],
            [60 + s * 22, 60],
          ],
          true,
        ),
        "leaf",
      ),
      inner(
        straight([
          [60, 60],
          [60 + s * 30, 51],
        ]),
      ),
      flat(
        smoothClosed([
          [60 + s * 2, 60],
          [60 + s * 4, 58],
          [60 + s * 5, 61],
        ]),
        "ink",
      ),
    ]),
  );
