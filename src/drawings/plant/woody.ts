import type { Tint, Point, Lively, Shape } from "../ink/shapes";
import { foliageOf, type Foliage, unrecordedLeaf } from "./foliage";
import { inAxils, onTop } from "./in-flower";
import { GROUND, along, toward, tapered, line, closed, placed } from "./pen";
import type { Seen } from "./seen";
import type { Size } from "./size";
import type { Stand } from "./stand";
import { leavesAlong, onStem } from "./stems";

const SKINS: Record<string, Tint> = {
  brown: "bark",
  green: "green",
  red: "red",
  silver: "silver",
  bloomed: "bluegrey",
};

const skin = (seen: Seen): Tint => SKINS[seen.state("twig-skin") ?? ""] ?? "bark";

/** The whole bush or tree stands at the left, at its own scale; a twig of it at the right, so that its leaves can be seen. */
export const BUSH = 132;

/** and reaches no further to either side */
const HALF = 62;

const TWIG = { foot: [232, GROUND - 12] as Point, long: 236 };

/** A shrub, its canes upright, arching or trailing, or a tree; with a twig of it. */
export function woody(seen: Seen, size: Size, lively: Lively): Stand {
  const foliage = foliageOf(seen);
  const isTree = seen.lifeForm === "tree";
  const bare = seen.stage === "winter" && seen.state("evergreen") !== "evergreen";
  const whole = isTree ? tree(seen, size, bare, lively) : shrub(seen, size, foliage, bare, lively);
  const twig = twigOf(seen, size, bare ? null : foliage, bare, lively);
  return {
    shapes: [...whole, ...twig.shapes],
    anchors: { ...twig.anchors, root: [BUSH, GROUND + 20] },
    unrecorded: bare || foliage ? [] : ["leaf outline"],
  };
}

/** Drawn within this height, so that the twig has its place beside it. */
const tallOf = (size: Size): number => Math.min(GROUND - 40, size.heightUnits);

function tree(seen: Seen, size: Size, bare: boolean, lively: Lively): Shape[] {
  const tall = tallOf(size);
  const trunk: Point[] = [
    [BUSH, GROUND],
    [BUSH + lively(3), GROUND - tall * 0.45],
    [BUSH + lively(6), GROUND - tall * 0.86],
  ];
  const limbs = [0.34, 0.46, 0.56, 0.66, 0.76].flatMap((u, i) => {
    const { at, degrees } = along(trunk, u);
    return [-1, 1].map((side) => [
      at,
      toward(at, degrees + side * 48, Math.min(HALF * 0.5, tall * 0.17)),
      toward(at, degrees + side * (34 + lively(6)), Math.min(HALF, tall * 0.34) * (1 - 0.11 * i)),
    ]);
  });
  return [
    ...(bare ? [] : [crown([BUSH, GROUND - tall * 0.62], Math.min(HALF, tall * 0.36), tall * 0.4, lively)]),
    tapered(trunk, Math.max(4, tall / 22), 1.6, seen.state("bark-color") === "dark" ? "brown" : "bark"),
    ...limbs.map((limb) => tapered(limb, Math.max(1.8, tall / 60), 0.7, "bark")),
    ...(bare ? limbs.flatMap((limb) => twiglets(limb, lively)) : []),
  ];
}

const twiglets = (limb: Point[], lively: Lively): Shape[] =>
  [0.4, 0.6, 0.8, 1].map((u, i) => {
    const { at, degrees } = along(limb, u);
    return line([at, toward(at, degrees + (i % 2 ? 36 : -36) + lively(8), 16)], 0.7);
  });

function crown([x, y]: Point, wide: number, high: number, lively: Lively): Shape {
  const n = 22;
  const points = Array.from({ length: n }, (_, i): Point => {
    const a = (2 * Math.PI * i) / n;
    const r = i % 2 ? 1 : 0.9;
    return [x + wide * r * Math.cos(a) + lively(2), y + high * r * Math.sin(a) + lively(2)];
  });
  return closed(points, "pale", 0.8);
}

function shrub(seen: Seen, size: Size, foliage: Foliage | null, bare: boolean, lively: Lively): Shape[] {
  const tall = tallOf(size);
  const stance = seen.state("stance") ?? "erect";
  const canes = caneCurves(stance, tall, lively);
  const leaf = Math.max(9, Math.min(26, size.leafUnits));
  const nodes = Math.min(10, Math.max(4, Math.round(tall / 24)));
  return canes.flatMap((curve, i) => {
    const leaves =
      bare || !foliage
        ? { behind: [], before: [] }
        : leavesAlong(
            curve,
            {
              foliage,
              order: seen.state("leaf-order") ?? "alternate",
              length: leaf,
              smallest: 0.7,
              from: 0.25,
              to: 1,
              nodes,
            },
            lively,
          );
    return [
      ...leaves.behind,
      tapered(curve, 3.2, 0.9, skin(seen)),
      ...(i % 2 === 0 ? onStem(seen, curve, 2.4, lively) : []),
      ...leaves.before,
    ];
  });
}

function caneCurves(stance: string, tall: number, lively: Lively): Point[][] {
  const foot = (i: number): Point => [BUSH + (i - 2) * 6, GROUND];
  if (stance === "trailing")
    return [-1, 1, -0.6].map((side, i) => [
      foot(i + 1),
      [BUSH + side * 22, GROUND - 12],
      [BUSH + side * 46, GROUND - 7 + lively(2)],
      [BUSH + side * 66, GROUND - 4],
    ]);
  if (stance === "arching" || stance === "climbing")
    return [-1, -0.5, 0.25, 0.6, 1].map((side, i) => [
      foot(i),
      [BUSH + side * HALF * 0.34, GROUND - tall * 0.6],
      [BUSH + side * HALF * 0.72, GROUND - tall * (0.97 - 0.08 * Math.abs(side))],
      [BUSH + side * HALF * 1.12, GROUND - tall * 0.72],
    ]);
  return [-1, -0.5, 0, 0.5, 1].map((side, i) => [
    foot(i),
    [BUSH + side * HALF * 0.5 + lively(3), GROUND - tall * 0.5],
    [BUSH + side * HALF * 0.9, GROUND - tall * (1 - 0.16 * Math.abs(side))],
  ]);
}

/** The end of a branch, large: buds or leaves in their order, what pricks, flowers or fruit. */
function twigOf(
  seen: Seen,
  size: Size,
  foliage: Foliage | null,
  bare: boolean,
  lively: Lively,
): { shapes: Shape[]; anchors: Record<string, Point> } {
  const [x, y] = TWIG.foot;
  const zigzag = seen.state("stem-course") === "zigzag" ? 4 : 0;
  const curve: Point[] = [0, 0.2, 0.4, 0.6, 0.8, 1].map((u, i) => [
    x + 46 * u + (i % 2 ? zigzag : -zigzag),
    y - TWIG.long * u,
  ]);
  const cm = seen.value("leaf-length");
  const length = foliage ? 84 / (1 + foliage.stalk * 0.6) : 0;
  const order = seen.state("leaf-order") ?? seen.state("bud-order") ?? "alternate";
  const detail: Size = { ...size, perCm: cm ? length / cm : 10, heightUnits: 190 };
  const leaves = foliage
    ? leavesAlong(
        curve,
        { foliage, order, length, smallest: 0.62, from: 0.18, to: 0.96, nodes: order === "alternate" ? 6 : 4 },
        lively,
      )
    : {
        behind: [],
        before: bare
          ? buds(seen, curve)
          : [0.3, 0.6].map((u) => unrecordedLeaf(along(curve, u).at, 40, u > 0.5 ? 58 : -58)),
      };
  return {
    shapes: [
      ...leaves.behind,
      tapered(curve, 6, 2.2, skin(seen)),
      ...onStem(seen, curve, 5, lively),
      ...leaves.before,
      ...(bare ? [] : [...inAxils(seen, detail, curve, lively), ...onTop(seen, detail, curve, lively, 0.8)]),
    ],
    anchors: {
      leaf: toward(along(curve, 0.35).at, -60, length * 0.7 || 20),
      stem: along(curve, 0.12).at,
      flower: along(curve, 1).at,
    },
  };
}

/** Winter buds in their order; naked, hidden, or in scales. */
function buds(seen: Seen, curve: Point[]): Shape[] {
  const kind = seen.state("buds");
  const order = seen.state("bud-order") ?? seen.state("leaf-order") ?? "alternate";
  const size = kind === "tiny" || kind === "hidden" ? 3 : 6;
  const side = (u: number, way: number): Shape[] => {
    const { at, degrees } = along(curve, u);
    const root = toward(at, degrees + way * 90, 2.5);
    const made: Point[] = [
      [0, 0],
      [size * 0.42, -size * 0.6],
      [0, -size * 1.7],
      [-size * 0.42, -size * 0.6],
    ];
    return [closed(placed(made, root, 1, degrees + way * 34), kind === "naked" ? "straw" : "brown", 0.7)];
  };
  const ends = seen.state("end-bud") === "bud" ? side(0.995, 0.2) : [];
  return [
    ...[0.2, 0.36, 0.52, 0.68, 0.84].flatMap((u, i) =>
      order === "opposite"
        ? [...side(u, -1), ...side(u, 1)]
        : order === "near-opposite"
          ? [...side(u, -1), ...side(u + 0.03, 1)]
          : side(u, i % 2 ? 1 : -1),
    ),
    ...ends,
    ...(seen.state("end-bud") === "thorn"
      ? [line([along(curve, 1).at, toward(along(curve, 1).at, along(curve, 1).degrees, 16)], 1.6)]
      : []),
  ];
}
