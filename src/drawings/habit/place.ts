import {
  area,
  smoothClosed,
  pts,
  type Shape,
  all,
  outline,
  rectangle,
  straight,
  ellipse,
  faint,
  smooth,
  inner,
  circle,
  polar,
  type Tint,
} from "../ink/shapes";
import { earth } from "./earth";
import { blade, treeShape, tuft } from "./figures";

const groundHill = area(smoothClosed(pts("6,90 6,60 40,48 80,54 114,46 114,90")), "ground");

const groundGrass = (y: number) =>
  Array.from({ length: 14 }, (_, i) => blade(10 + i * 8, y + (i % 3) * 3, i % 2 ? 3 : -3, 10, 0.8));

const GROUND_KINDS: Record<string, (kind: string) => Shape[]> = {
  grassland: () => all(groundHill, groundGrass(70), groundGrass(84)),
  "oak-pasture": () => all(groundHill, groundGrass(82), treeShape(34, 66, 16), treeShape(86, 64, 19)),
  woodland: () =>
    all(groundHill, treeShape(20, 82, 19), treeShape(46, 86, 22), treeShape(74, 86, 22), treeShape(100, 82, 19)),
  edge: () =>
    all(
      groundHill,
      groundGrass(84),
      treeShape(88, 74, 22),
      treeShape(108, 78, 18),
      [14, 30, 46, 62].map((x) => outline(rectangle(x, 62, 2.5, 18))),
      outline(straight(pts("10,68 68,68"))),
      outline(straight(pts("10,74 68,74"))),
    ),
  riverbank: () =>
    all(
      groundHill,
      area(smoothClosed(pts("6,92 30,76 70,82 114,64 114,92")), "water"),
      [66, 74, 84].map((x, i) => area(ellipse(x, 74 - i * 3, 5, 3), "silver")),
      treeShape(22, 66, 14),
    ),
  marsh: () =>
    all(
      groundHill,
      [
        [30, 72],
        [70, 66],
        [92, 80],
        [50, 84],
      ].map(([x, y]) => area(ellipse(x, y, 15, 4), "water")),
      [24, 44, 62, 84, 100].flatMap((x) => [
        outline(straight(pts("0,80 0,52", x))),
        area(ellipse(x, 54, 2.4, 6), "brown"),
      ]),
    ),
  field: () =>
    all(
      groundHill,
      Array.from({ length: 6 }, (_, i) =>
        faint(
          smooth([
            [10 + i * 20, 90],
            [30 + i * 12, 66],
            [50 + i * 5, 50],
          ]),
        ),
      ),
      [24, 50, 76, 100].flatMap((x) => tuft(x, 84, 3, 8, 10)),
    ),
  bluff: () =>
    all(
      area(straight(pts("6,92 6,30 52,26 64,40 70,60 78,92"), true), "straw"),
      area(rectangle(74, 82, 40, 10), "water"),
      [
        [20, 50],
        [44, 62],
        [30, 76],
        [56, 46],
      ].map(([x, y]) => outline(straight(pts("-6,0 0,-3 7,1", x, y)))),
      groundGrass(30).slice(0, 5),
    ),
};

const otherGround = (): Shape[] =>
  all(
    area(rectangle(6, 42, 108, 50), "water"),
    [52, 64, 76].map((y, i) =>
      inner(
        smooth([
          [20 + i * 8, y],
          [34 + i * 8, y - 3],
          [48 + i * 8, y],
          [62 + i * 8, y - 3],
        ]),
      ),
    ),
    area(smoothClosed(pts("6,42 30,30 70,36 114,28 114,42")), "ground"),
  );

/** Ground, light and wetness as small scenes. */
export function ground(kind: string): Shape[] {
  return (GROUND_KINDS[kind] ?? otherGround)(kind);
}

export function light(kind: string): Shape[] {
  const sun = all(
    area(circle(92, 22, 11), "yellow"),
    Array.from({ length: 10 }, (_, i) => outline(straight([polar(92, 22, 14, i * 36), polar(92, 22, 19, i * 36)]))),
  );
  const floor = earth(82);
  if (kind === "sun") return all(sun, floor, tuft(46, 82, 7, 50, 34));
  if (kind === "half")
    return all(
      sun,
      floor,
      treeShape(34, 82, 22),
      tuft(80, 82, 6, 34, 26),
      Array.from({ length: 6 }, (_, i) =>
        faint(
          straight([
            [14 + i * 9, 84],
            [8 + i * 9, 94],
          ]),
        ),
      ),
    );
  return all(
    floor,
    treeShape(26, 82, 24),
    treeShape(94, 82, 24),
    treeShape(60, 60, 26),
    Array.from({ length: 16 }, (_, i) =>
      faint(
        straight([
          [8 + i * 7, 82],
          [2 + i * 7, 94],
        ]),
      ),
    ),
    tuft(60, 82, 5, 26, 18),
  );
}

export function wetness(kind: string): Shape[] {
  const tint: Record<string, Tint> = { dry: "straw", moist: "ground", wet: "brown", standing: "water" };
  const drops = { dry: 0, moist: 2, wet: 5, standing: 0 }[kind] ?? 0;
  const soil = area(rectangle(8, 54, 104, 36), tint[kind]);
  const cracks =
    kind === "dry"
      ? [
          outline(straight(pts("26,54 30,66 24,78"))),
          outline(straight(pts("62,54 58,70 66,84"))),
          outline(straight(pts("92,54 96,68"))),
        ]
      : [];
  const surface =
    kind === "standing"
      ? [inner(smooth(pts("16,62 32,59 48,62 64,59"))), inner(smooth(pts("50,74 66,71 82,74 98,71")))]
      : [];
  return all(
    soil,
    cracks,
    surface,
    Array.from({ length: drops }, (_, i) =>
      area(
        smoothClosed([
          [24 + i * 18, 62],
          [29 + i * 18, 72],
          [24 + i * 18, 78],
          [19 + i * 18, 72],
        ]),
        "water",
      ),
    ),
    tuft(60, 54, 7, 50, 38),
  );
}
