import type { Shape, Point } from "../ink/shapes";
import { bladeOutline } from "../leaf/leaf";
import { line, cut, nerve, vein, toward } from "../plant/pen";

/** A leaf drawn to be measured: the shapes, and the points between which the measure is taken. */
export interface MeasuredLeaf {
  shapes: Shape[];
  /** by name: foot, tip, left, right, end (of the stalk), notch, and the two sides of the notch */
  points: Record<string, Point>;
}

const FOOT: Point = [180, 250];

const BLADE = 150;

/**
 * A leaf whose drawn measure is the one that is given: the length of its stalk over its blade, its length over its width, or the
 * angle of its notch in degrees.
 * @param character stalk-ratio, leaf-ratio or notch-angle
 */
export function measuredLeaf(character: string, value: number): MeasuredLeaf {
  return character === "notch-angle"
    ? notched(value)
    : character === "leaf-ratio"
      ? ofRatio(value, 0.3)
      : ofRatio(1.7, value);
}

/** @param ratio length over width @param stalk length of the stalk over that of the blade */
function ofRatio(ratio: number, stalk: number): MeasuredLeaf {
  const room = 300 / (1 + stalk);
  const length = Math.min(BLADE, room, 300 * ratio);
  const foot: Point = [FOOT[0], 340 - stalk * length];
  const plain = bladeOutline({ shape: "oval" }, [0, 0], length);
  const own = Math.max(...plain.map(([x]) => Math.abs(x)));
  const tall = Math.max(...plain.map(([, y]) => -y));
  const half = length / ratio / 2;
  const points = plain.map(([x, y]): Point => [foot[0] + (x / own) * half, foot[1] + (y / tall) * length]);
  const end: Point = [foot[0], foot[1] + stalk * length];
  const tip: Point = [foot[0], foot[1] - length];
  return {
    shapes: [
      ...(stalk > 0 ? [{ ...line([foot, end], 2.4) }] : []),
      cut(points, "leaf", 1.2),
      nerve([foot, tip]),
      ...[0.25, 0.42, 0.58, 0.74].flatMap((u) =>
        [-1, 1].map((side) =>
          vein([
            [foot[0], foot[1] - length * u],
            [foot[0] + side * half * 0.8 * Math.sin(Math.PI * (u + 0.14)) ** 1.2, foot[1] - length * (u + 0.12)],
          ]),
        ),
      ),
    ],
    points: { foot, tip, end, left: [foot[0] - half, foot[1]], right: [foot[0] + half, foot[1]] },
  };
}

/** Two lobes that part at a notch of this angle; its sides are straight, so that it can be read off. */
function notched(degrees: number): MeasuredLeaf {
  const notch: Point = [180, 230];
  const arm = 120;
  const [left, right] = [toward(notch, -degrees / 2, arm), toward(notch, degrees / 2, arm)];
  const foot: Point = [180, 330];
  const outline: Point[] = [
    foot,
    [120, 316],
    [64, 270],
    [52, 200],
    toward(left, -60, 22),
    left,
    notch,
    right,
    toward(right, 60, 22),
    [308, 200],
    [296, 270],
    [240, 316],
  ];
  return {
    shapes: [
      cut(outline, "leaf", 1.2),
      line([foot, [180, 378]], 2.4),
      nerve([foot, [left[0] - 8, left[1] + 12]]),
      nerve([foot, [right[0] + 8, right[1] + 12]]),
    ],
    points: { notch, left, right, foot },
  };
}

/** The angle at a point between two others, degrees. */
export function angleAt(at: Point, a: Point, b: Point): number {
  const way = ([x, y]: Point) => Math.atan2(y - at[1], x - at[0]);
  const turn = Math.abs(((way(a) - way(b)) * 180) / Math.PI) % 360;
  return turn > 180 ? 360 - turn : turn;
}
