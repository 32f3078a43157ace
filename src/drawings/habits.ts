import { drawLeaf } from "./leaf";
import { earth, stem } from "./parts";
import {
  pts,
  all,
  area,
  circle,
  ellipse,
  faint,
  flat,
  hair,
  inner,
  outline,
  type Point,
  polar,
  rectangle,
  type Shape,
  smooth,
  smoothClosed,
  straight,
  type Tint,
} from "./shapes";

const blade = (x: number, y: number, reach: number, height: number, width = 1.3): Shape => ({
  ...outline(
    smooth([
      [x, y],
      [x + reach * 0.35, y - height * 0.7],
      [x + reach, y - height],
    ]),
  ),
  width,
});
const tuft = (x: number, y: number, n: number, spread: number, height: number): Shape[] =>
  Array.from({ length: n }, (_, i) =>
    blade(
      x + ((i - (n - 1) / 2) * spread) / n / 2.4,
      y,
      (i - (n - 1) / 2) * (spread / n),
      height - Math.abs(i - (n - 1) / 2) * (height / n / 1.6),
    ),
  );
const bush = (x: number, y: number, r: number, tint: Tint = "leaf"): Shape =>
  area(
    smoothClosed([
      [x - r, y],
      [x - r * 1.05, y - r * 0.7],
      [x - r * 0.5, y - r * 1.3],
      [x, y - r * 1.15],
      [x + r * 0.6, y - r * 1.35],
      [x + r * 1.1, y - r * 0.6],
      [x + r, y],
    ]),
    tint,
  );
const treeShape = (x: number, y: number, r: number): Shape[] => [
  area(
    straight(
      [
        [x - 3, y],
        [x - 2, y - r * 1.2],
        [x + 2, y - r * 1.2],
        [x + 3, y],
      ],
      true,
    ),
    "bark",
  ),
  bush(x, y - r * 0.9, r),
];

/** A person for scale. */
export const person = (x: number, y: number): Shape[] => [
  area(circle(x, y - 34, 4), "paper"),
  {
    ...outline(
      straight([
        [x, y - 30],
        [x, y - 14],
        [x - 4, y],
      ]),
    ),
    width: 2,
  },
  {
    ...outline(
      straight([
        [x, y - 14],
        [x + 4, y],
      ]),
    ),
    width: 2,
  },
  {
    ...outline(
      straight([
        [x - 6, y - 18],
        [x, y - 27],
        [x + 6, y - 18],
      ]),
    ),
    width: 2,
  },
];

const PLANT_KIND_KINDS: Record<string, (kind: string) => Shape[]> = {
  grasslike: () =>
    all(
      earth(),
      tuft(58, 84, 11, 84, 66),
      inner(straight(pts("60,84 66,14"))),
      inner(straight(pts("66,14 70,22"))),
      inner(straight(pts("66,20 60,26"))),
    ),
  herb: () =>
    all(
      earth(),
      stem(60, 22, 84, 1.8),
      [72, 56, 42].flatMap((y, i) => drawLeaf({ shape: "egg" }, [60, y], 30, i % 2 ? -60 : 60)),
      area(circle(60, 18, 8), "yellow"),
      drawLeaf({ shape: "egg" }, [60, 78], 26, -72),
    ),
  climber: () =>
    all(
      earth(),
      outline(rectangle(56, 8, 6, 76)),
      {
        ...outline(smooth(pts("40,84 52,74 66,66 52,54 66,46 52,34 66,26 54,14"))),
        width: 2.4,
      },
      drawLeaf({ shape: "heart", veins: false }, [67, 62], 20, 80),
      drawLeaf({ shape: "heart", veins: false }, [51, 50], 20, -80),
      drawLeaf({ shape: "heart", veins: false }, [67, 30], 18, 80),
    ),
  shrub: () =>
    all(
      earth(),
      [
        [60, 84, 30, 30],
        [60, 84, 50, 22],
        [60, 84, 72, 24],
        [60, 84, 92, 34],
      ].map(([x, y, tx, ty]) => ({
        ...outline(
          smooth([
            [x, y],
            [(x + tx) / 2, (y + ty) / 2 - 4],
            [tx, ty],
          ]),
        ),
        width: 2.2,
      })),
      bush(34, 46, 18),
      bush(62, 38, 20),
      bush(88, 48, 17),
      [46, 60, 76].map((x) => ({
        ...outline(
          straight([
            [60, 84],
            [x, 58],
          ]),
        ),
        width: 2.2,
      })),
    ),
  tree: () => all(earth(), treeShape(60, 84, 30), person(104, 84)),
};
const otherPlantKind = (): Shape[] =>
  all(
    area(rectangle(6, 26, 108, 64), "water"),
    outline(straight(pts("6,26 114,26"))),
    [36, 60, 84].flatMap((x) => [
      outline(
        smooth([
          [x, 90],
          [x + 4, 64],
          [x - 2, 36],
        ]),
      ),
      ...[80, 68, 56, 44].flatMap((y) => [
        inner(
          straight([
            [x + 1, y],
            [x + 11, y - 5],
          ]),
        ),
        inner(
          straight([
            [x + 1, y],
            [x - 9, y - 5],
          ]),
        ),
      ]),
    ]),
  );

export function plantKind(kind: string): Shape[] {
  return (PLANT_KIND_KINDS[kind] ?? otherPlantKind)(kind);
}

export function clump(kind: string): Shape[] {
  const ground = earth();
  if (kind === "single") return all(ground, tuft(60, 84, 3, 18, 60));
  if (kind === "loose-tuft")
    return all(ground, tuft(44, 84, 4, 40, 54), tuft(60, 84, 4, 40, 60), tuft(76, 84, 4, 40, 54));
  if (kind === "dense-tuft") return all(ground, area(ellipse(60, 82, 15, 6), "straw"), tuft(60, 82, 19, 92, 62));
  if (kind === "patch")
    return all(
      ground,
      outline(smooth(pts("12,92 40,90 80,93 110,90"))),
      [18, 40, 62, 84, 104].flatMap((x, i) => [
        inner(
          straight([
            [x, 84],
            [x, 91],
          ]),
        ),
        ...tuft(x, 84, 3, 16, 40 + (i % 2) * 12),
      ]),
    );
  if (kind === "runners")
    return all(
      ground,
      {
        ...outline(smooth(pts("8,82 34,76 60,82 86,76 112,82"))),
        width: 2.2,
      },
      [10, 60, 110].flatMap((x) => [
        hair(
          straight([
            [x, 83],
            [x - 4, 92],
          ]),
        ),
        hair(
          straight([
            [x, 83],
            [x + 3, 93],
          ]),
        ),
        ...tuft(x === 10 ? 16 : x === 110 ? 104 : x, 82, 4, 26, 34),
      ]),
    );
  return all(
    ground,
    Array.from({ length: 9 }, (_, i) => ({
      ...outline(
        smooth([
          [52 + i * 2, 84],
          [34 + i * 6.5, 50],
          [16 + i * 11, 14 + Math.abs(4 - i) * 4],
        ]),
      ),
      width: 3,
    })),
    area(ellipse(60, 84, 20, 6), "bark"),
    person(112, 84),
  );
}

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

const climbingPost = [area(rectangle(54, 4, 12, 88), "bark"), faint(straight(pts("58,6 58,90")))];
const climbingVine = (points: Point[]): Shape => ({ ...outline(smooth(points)), width: 3 });
const climbingTendril = (kind: string): Shape[] => {
  const coil =
    kind === "tendril"
      ? [outline(smooth(pts("38,50 46,44 50,50 46,54 50,58 56,54 68,52 54,48")))]
      : [
          outline(straight(pts("38,50 48,48"))),
          ...[40, 47, 54].flatMap((y) => [
            outline(
              straight([
                [48, 48],
                [53, y],
              ]),
            ),
            area(ellipse(54, y, 2.4, 3.2), "brown"),
          ]),
        ];
  return all(
    climbingPost,
    climbingVine([
      [34, 92],
      [38, 60],
      [34, 30],
      [38, 6],
    ]),
    coil,
    drawLeaf({ shape: "egg" }, [34, 30], 24, -70),
  );
};
const CLIMBING_KINDS: Record<string, (kind: string) => Shape[]> = {
  twining: () =>
    all(
      climbingPost,
      climbingVine([
        [40, 92],
        [52, 82],
        [68, 74],
        [52, 62],
        [68, 52],
        [52, 40],
        [68, 30],
        [52, 18],
        [64, 8],
      ]),
    ),
  "leaf-stalk": () =>
    all(
      climbingPost,
      climbingVine([
        [36, 92],
        [38, 60],
        [34, 30],
        [38, 6],
      ]),
      outline(smooth(pts("37,62 54,54 68,58 66,66 54,62"))),
      drawLeaf({ shape: "egg" }, [74, 56], 24, 70),
      outline(smooth(pts("66,60 70,58 74,56"))),
      outline(smooth(pts("35,30 52,24 67,28 65,34 54,31"))),
    ),
  tendril: climbingTendril,
  discs: climbingTendril,
  rootlets: () =>
    all(
      area(rectangle(62, 4, 26, 88), "bark"),
      climbingVine([
        [54, 92],
        [56, 60],
        [54, 30],
        [56, 4],
      ]),
      Array.from({ length: 22 }, (_, i) =>
        hair(
          straight([
            [56, 8 + i * 3.8],
            [63 + (i % 3), 9 + i * 3.8 + (i % 2) * 2],
          ]),
        ),
      ),
      drawLeaf({ shape: "egg", lobes: "shallow" }, [54, 40], 28, -72),
    ),
};
const otherClimbing = (): Shape[] =>
  all(
    earth(),
    climbingVine([
      [10, 80],
      [40, 60],
      [70, 66],
      [110, 44],
    ]),
    bush(84, 84, 18, "pale"),
    drawLeaf({ shape: "arrow" }, [40, 60], 22, -10),
    drawLeaf({ shape: "arrow" }, [74, 65], 22, 10),
  );

export function climbing(kind: string): Shape[] {
  return (CLIMBING_KINDS[kind] ?? otherClimbing)(kind);
}

const rootGround = [outline(straight(pts("8,30 112,30"))), ...stem(60, 6, 30, 2)];
const rootFibre = (x: number, dx: number, depth: number): Shape =>
  hair(
    smooth([
      [x, 30],
      [x + dx * 0.4, 30 + depth * 0.5],
      [x + dx, 30 + depth],
    ]),
    1,
  );
const ROOT_KINDS: Record<string, (kind: string) => Shape[]> = {
  fibrous: () =>
    all(
      rootGround,
      Array.from({ length: 13 }, (_, i) => rootFibre(60, (i - 6) * 6, 52 - Math.abs(i - 6) * 3)),
    ),
  taproot: () =>
    all(
      rootGround,
      area(smoothClosed(pts("54,30 66,30 64,58 60,92 56,58")), "straw"),
      [42, 54, 66].flatMap((y) => [
        hair(
          straight([
            [58, y],
            [44, y + 9],
          ]),
        ),
        hair(
          straight([
            [62, y + 4],
            [76, y + 12],
          ]),
        ),
      ]),
    ),
  rhizome: () =>
    all(
      rootGround,
      area(smoothClosed(pts("8,50 40,44 80,52 112,46 112,54 80,60 40,52 8,58")), "straw"),
      [22, 36, 50, 64, 78, 92].map((x) =>
        inner(
          straight([
            [x, 46],
            [x + 1, 57],
          ]),
        ),
      ),
      [22, 50, 78, 104].flatMap((x) => [
        hair(
          straight([
            [x, 56],
            [x - 4, 74],
          ]),
        ),
        hair(
          straight([
            [x, 56],
            [x + 5, 76],
          ]),
        ),
      ]),
      {
        ...outline(straight(pts("92,50 96,12"))),
        width: 2,
      },
      {
        ...outline(straight(pts("24,48 20,16"))),
        width: 2,
      },
      {
        ...outline(straight(pts("60,30 60,50"))),
        width: 2,
      },
    ),
  creeping: () =>
    all(
      rootGround,
      {
        ...outline(smooth(pts("60,30 58,56 30,62 6,56"))),
        width: 2.4,
      },
      {
        ...outline(smooth(pts("58,56 84,66 114,58"))),
        width: 2.4,
      },
      {
        ...outline(straight(pts("58,56 60,92"))),
        width: 2.4,
      },
      [
        [30, 62],
        [88, 66],
      ].flatMap(([x, y]) => [
        area(circle(x, y - 3, 3), "pink"),
        outline(
          smooth([
            [x, y - 5],
            [x + 2, 30],
            [x, 12],
          ]),
        ),
      ]),
    ),
  tubers: () =>
    all(
      rootGround,
      [-26, -10, 8, 26].map((dx) =>
        area(
          smoothClosed([
            [60 + dx * 0.25, 32],
            [60 + dx * 0.9 + 7, 52],
            [60 + dx * 1.3 + 2, 84],
            [60 + dx * 0.9 - 6, 54],
          ]),
          "straw",
        ),
      ),
    ),
  woody: () =>
    all(
      rootGround,
      area(smoothClosed(pts("42,30 78,30 84,44 60,56 36,44")), "bark"),
      [
        [44, 50, 20, 84],
        [54, 54, 48, 92],
        [66, 54, 74, 92],
        [78, 48, 104, 80],
      ].map(([a, b, c, d]) => ({
        ...outline(
          smooth([
            [a, b],
            [(a + c) / 2 + 3, (b + d) / 2],
            [c, d],
          ]),
        ),
        width: 3.4,
      })),
      [50, 70].flatMap((x) => stem(x, 8, 30, 2.4, "bark")),
    ),
};
const otherRoot = (): Shape[] =>
  all(
    rootGround,
    area(smoothClosed(pts("60,32 80,58 72,80 60,84 48,80 40,58")), "white"),
    faint(smooth(pts("60,36 68,58 62,82"))),
    faint(smooth(pts("60,36 50,58 56,82"))),
    Array.from({ length: 7 }, (_, i) =>
      hair(
        straight([
          [60 + (i - 3) * 3, 84],
          [60 + (i - 3) * 6, 94],
        ]),
      ),
    ),
  );

export function root(kind: string): Shape[] {
  return (ROOT_KINDS[kind] ?? otherRoot)(kind);
}

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
        outline(
          straight([
            [x, 80],
            [x, 52],
          ]),
        ),
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
      ].map(([x, y]) =>
        outline(
          straight([
            [x - 6, y],
            [x, y - 3],
            [x + 7, y + 1],
          ]),
        ),
      ),
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

export function tone(kind: string): Shape[] {
  const tint: Record<string, Tint> = {
    same: "leaf",
    "yellow-green": "yellowgreen",
    dark: "dark",
    "blue-grey": "bluegrey",
    reddish: "red",
  };
  return all(
    earth(),
    bush(24, 84, 17),
    bush(96, 84, 17),
    bush(60, 84, 21, tint[kind]),
    kind === "dark"
      ? Array.from({ length: 9 }, (_, i) =>
          faint(
            straight([
              [44 + i * 4, 82],
              [48 + i * 4, 62],
            ]),
          ),
        )
      : kind === "blue-grey"
        ? Array.from({ length: 6 }, (_, i) => flat(circle(48 + i * 5, 66 + (i % 2) * 8, 1.2), "paper"))
        : kind === "yellow-green"
          ? [outline(smooth(pts("46,70 60,62 74,70")))]
          : kind === "reddish"
            ? [outline(straight(pts("50,80 56,66"))), outline(straight(pts("66,80 70,66")))]
            : [],
  );
}

export function winter(kind: string): Shape[] {
  const snow = [flat(ellipse(60, 88, 52, 5), "white"), outline(straight(pts("8,86 112,86")))];
  if (kind === "evergreen") return all(snow, stem(60, 50, 86, 2, "bark"), bush(60, 62, 26, "dark"));
  if (kind === "rosette")
    return all(
      snow,
      [-80, -50, -20, 20, 50, 80].flatMap((a) => drawLeaf({ shape: "spoon", veins: false }, [60, 84], 34, a)),
    );
  if (kind === "bare")
    return all(
      snow,
      {
        ...outline(straight(pts("60,86 60,18"))),
        width: 3,
      },
      [
        [60, 62, 34, 34],
        [60, 56, 86, 26],
        [60, 40, 42, 16],
        [60, 34, 78, 12],
      ].map(([a, b, c, d]) => ({
        ...outline(
          straight([
            [a, b],
            [c, d],
          ]),
        ),
        width: 1.8,
      })),
    );
  return all(
    snow,
    {
      ...outline(straight(pts("48,86 46,70 56,66"))),
      dash: true,
    },
    {
      ...outline(straight(pts("72,86 74,62 66,56"))),
      dash: true,
    },
  );
}

const DEAD_STEMS_KINDS: Record<string, (kind: string) => Shape[]> = {
  none: () => all(earth(), tuft(60, 84, 4, 18, 9)),
  canes: () =>
    all(
      earth(),
      [38, 54, 70, 86].flatMap((x, i) => [
        area(rectangle(x - 3, 12 + i * 4, 6, 72 - i * 4), "straw"),
        ...[28, 46, 64].map((y) =>
          outline(
            straight([
              [x - 4, y + i * 3],
              [x + 4, y + i * 3],
            ]),
          ),
        ),
      ]),
    ),
  ribbed: () =>
    all(
      earth(),
      stem(60, 34, 84, 4, "straw"),
      inner(straight(pts("58.6,36 58.6,84"))),
      inner(straight(pts("61.4,36 61.4,84"))),
      Array.from({ length: 9 }, (_, i) => outline(straight([[60, 34], polar(60, 34, 28, -165 + i * 19)]))),
    ),
  woody: () =>
    all(
      earth(),
      [46, 62, 78].flatMap((x) => [
        outline(
          straight([
            [x, 84],
            [x, 24],
          ]),
        ),
        area(circle(x, 20, 5), "brown"),
        outline(
          straight([
            [x, 44],
            [x + 9, 32],
          ]),
        ),
        area(circle(x + 10, 30, 3.5), "brown"),
      ]),
    ),
  straw: () =>
    all(
      earth(),
      Array.from({ length: 9 }, (_, i) => ({
        ...outline(
          smooth([
            [50 + i * 2.6, 84],
            [40 + i * 5, 50],
            [22 + i * 10, 40 - (i % 3) * 8],
          ]),
        ),
        width: 1.4,
      })),
      flat(ellipse(60, 82, 14, 4), "straw"),
    ),
};
const otherDeadStems = (): Shape[] =>
  all(
    earth(),
    bush(60, 84, 28, "dark"),
    Array.from({ length: 7 }, (_, i) => ({
      ...outline(
        straight([
          [40 + i * 7, 84],
          [36 + i * 8, 60 - (i % 2) * 8],
        ]),
      ),
      width: 1.5,
    })),
    Array.from({ length: 6 }, (_, i) => ({
      ...inner(
        straight([
          [42 + i * 7, 72],
          [48 + i * 6, 62],
        ]),
      ),
    })),
  );

export function deadStems(kind: string): Shape[] {
  return (DEAD_STEMS_KINDS[kind] ?? otherDeadStems)(kind);
}

export { tuft };
