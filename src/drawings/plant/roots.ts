import { type Point, type Lively, type Shape, area, ellipse } from "../ink/shapes";
import { line, toward, tapered, GROUND, closed, placed } from "./pen";

/** Roots in the making: where the plant stands, and how deep they go. */
interface Root {
  foot: Point;
  deep: number;
  lively: Lively;
}

const strand = ({ lively }: Root, from: Point, degrees: number, length: number, width: number): Shape =>
  line([from, toward(from, degrees + lively(8), length * 0.5), toward(from, degrees + lively(14), length)], width);

function taproot(root: Root, thick: number): Shape[] {
  const { foot, deep, lively } = root;
  const [x, y] = foot;
  return [
    tapered([foot, [x + lively(3), y + deep * 0.5], [x + lively(6), y + deep]], thick, 1.4, "straw"),
    ...[0.25, 0.45, 0.62].flatMap((u) =>
      [-1, 1].map((side) => strand(root, [x, y + deep * u], 180 - side * 58, deep * 0.4, 0.7)),
    ),
  ];
}

/** Level under the ground to both sides, with a shoot at the end of one. */
function rhizome(root: Root): Shape[] {
  const { foot, lively } = root;
  const [x, y] = foot;
  const level = y + 16;
  const run: Point[] = [foot, [x + 22, level], [x + 66, level + lively(3)], [x + 104, level - 4]];
  const back: Point[] = [foot, [x - 20, level + 2], [x - 52, level + lively(3)]];
  const shoot: Point = [x + 104, level - 4];
  return [
    tapered(run, 4.4, 2.6, "straw"),
    tapered(back, 4, 2, "straw"),
    tapered([shoot, [shoot[0] + 4, GROUND - 8]], 2.6, 1.2, "leaf"),
    ...[24, 44, 64, 84].flatMap((out) => [
      strand(root, [x + out, level], 172, 15, 0.6),
      strand(root, [x - out * 0.5, level], 188, 13, 0.6),
    ]),
  ];
}

const tubers = (root: Root): Shape[] => [
  ...[150, 178, 206].map((a) => strand(root, root.foot, a, root.deep * 0.7, 0.8)),
  ...[152, 184, 210].map((a) => {
    const [x, y] = toward(root.foot, a, root.deep * 0.72);
    return { ...area(ellipse(x, y, 7, 5.4), "straw"), width: 0.9 };
  }),
];

function bulb(root: Root): Shape[] {
  const [x, y] = root.foot;
  const outline: Point[] = [
    [0, 0],
    [9, 12],
    [7, 22],
    [0, 25],
    [-7, 22],
    [-9, 12],
  ];
  return [
    closed(placed(outline, root.foot, 1, 0), "straw", 1),
    ...[160, 176, 190, 202].map((a) => strand(root, [x, y + 24], a, 16, 0.6)),
  ];
}

const woody = ({ foot, deep, lively }: Root): Shape[] =>
  [118, 146, 178, 212, 240].map((a) =>
    tapered([foot, toward(foot, a + lively(6), deep * 0.55), toward(foot, a + lively(14), deep)], 5, 1, "bark"),
  );

const fibrous = (root: Root): Shape[] =>
  Array.from({ length: 13 }, (_, i) => strand(root, root.foot, 112 + i * 11, root.deep * (0.55 + 0.06 * (i % 4)), 0.6));

const KINDS: Record<string, (root: Root) => Shape[]> = {
  ...{ taproot: (root) => taproot(root, 8), chambered: (root) => taproot(root, 14) },
  ...{ rhizome, creeping: rhizome, tubers, bulb, woody, fibrous },
};

/** What stands in the earth, by the kind of root that is recorded. `reach` in the field's units. */
export const roots = (kind: string | null, foot: Point, reach: number, lively: Lively): Shape[] =>
  KINDS[kind ?? ""]?.({ foot, deep: Math.min(70, Math.max(14, reach)), lively }) ?? [];
