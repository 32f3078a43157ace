import { type Point, type Shape, outline, smooth, all } from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { earth } from "./earth";
import { treeShape } from "./figures";

const stanceThick = (points: Point[]): Shape => ({ ...outline(smooth(points)), width: 2.6 });

const stanceLeaves = (spots: Point[]) =>
  spots.flatMap(([x, y], i) => drawLeaf({ shape: "oval", veins: false }, [x, y], 13, i % 2 ? 70 : -70));

const STANCE_KINDS: Record<string, (kind: string) => Shape[]> = {
  erect: () =>
    all(
      earth(),
      [40, 54, 68, 82].map((x) =>
        stanceThick([
          [60 + (x - 60) * 0.4, 84],
          [x, 40],
          [x, 10],
        ]),
      ),
      stanceLeaves([
        [40, 30],
        [54, 24],
        [68, 34],
        [82, 28],
        [68, 56],
        [46, 56],
      ]),
    ),
  arching: () =>
    all(
      earth(),
      stanceThick([
        [40, 84],
        [50, 30],
        [84, 24],
        [108, 82],
      ]),
      stanceThick([
        [40, 84],
        [30, 42],
        [10, 60],
      ]),
      stanceThick([
        [42, 84],
        [60, 46],
        [86, 50],
        [96, 80],
      ]),
      stanceLeaves([
        [56, 36],
        [84, 26],
        [72, 46],
        [98, 50],
        [26, 46],
      ]),
    ),
  trailing: () =>
    all(
      earth(),
      stanceThick([
        [20, 84],
        [34, 74],
        [58, 80],
        [84, 74],
        [110, 80],
      ]),
      stanceThick([
        [20, 84],
        [40, 82],
        [66, 84],
        [96, 83],
      ]),
      stanceLeaves([
        [34, 74],
        [52, 78],
        [72, 76],
        [90, 75],
        [104, 78],
      ]),
    ),
};

const otherStance = (): Shape[] =>
  all(
    earth(),
    treeShape(62, 84, 28),
    stanceThick([
      [46, 84],
      [56, 66],
      [66, 56],
      [54, 44],
      [68, 30],
      [60, 14],
    ]),
    stanceLeaves([
      [66, 56],
      [54, 44],
      [68, 30],
      [60, 16],
    ]),
  );

export function stance(kind: string): Shape[] {
  return (STANCE_KINDS[kind] ?? otherStance)(kind);
}
