import { type Tint, type Point, type Lively, type Shape, straight } from "../ink/shapes";
import { type Leaf, bladeOutline } from "../leaf/leaf";
import { toward, tapered, line, placed, cut, nerve, vein, closed } from "./pen";
import type { Seen } from "./seen";

/** How the leaves of one plant are built; lengths in shares of the blade. */
export interface Foliage {
  kind: string;
  leaf: Leaf;
  lobePlan: "fan" | "feather";
  leaflets: number;
  /** middle leaflet on a stalk of its own */
  longMiddle: boolean;
  /** width over length, where it is recorded */
  width: number | null;
  stalk: number;
  /** lobes of a hand: as recorded, else the fewest that show the plan */
  lobes: number;
  tint: Tint;
  /** finest parts of a leaf that is cut again and again */
  threads: boolean;
}

const FEWEST_LOBES = 3;

const STALKS: Record<string, number> = { none: 0, short: 0.12, long: 0.6 };

const LEAFLETS: Record<string, number> = { three: 3, palmate: 5, pinnate: 9 };

/** A blade is made this long, so that teeth have their size; then it is scaled. */
const MADE = 60;

/** The leaves as they are recorded; null where neither their outline nor their plan is. */
export function foliageOf(seen: Seen): Foliage | null {
  const shape = seen.state("leaf-shape") ?? (seen.state("lobe-plan") === "fan" ? "round" : null);
  const kind = seen.state("leaf-kind") ?? "simple";
  if (kind === "none" || (!shape && kind !== "ferny")) return null;
  const ratio = seen.value("leaf-ratio");
  return {
    kind,
    leaf: bladeOf(seen, shape ?? "egg"),
    lobePlan: seen.state("lobe-plan") === "fan" ? "fan" : "feather",
    leaflets: Math.min(23, Math.round(seen.value("leaflets") ?? LEAFLETS[kind] ?? 1)),
    longMiddle: seen.state("middle-stalk") === "longer",
    width: ratio ? 1 / ratio : null,
    stalk: stalkOf(seen),
    lobes: Math.min(9, Math.max(3, Math.round(seen.value("lobe-count") ?? FEWEST_LOBES))),
    tint: tintOf(seen.state("tone")),
    threads: ["thread", "narrow"].includes(seen.state("last-parts") ?? ""),
  };
}

/** Outlines that have lobes below the stalk's foot of themselves. */
const EARED = ["heart", "kidney", "arrow"];

function bladeOf(seen: Seen, shape: string): Leaf {
  const base = seen.state("leaf-base");
  const isOwn = base !== null && base !== "joined" && !(EARED.includes(shape) && base !== "ears");
  return {
    shape: shape as Leaf["shape"],
    edge: (seen.state("leaf-edge") ?? "smooth") as Leaf["edge"],
    lobes: (seen.state("leaf-lobes") ?? "none") as Leaf["lobes"],
    base: isOwn ? (base as Leaf["base"]) : undefined,
    tip: (seen.state("leaf-tip") ?? undefined) as Leaf["tip"],
  };
}

/** As measured, else as said in words, in shares of the blade. */
const stalkOf = (seen: Seen): number =>
  seen.value("stalk-ratio") ?? STALKS[seen.state("leaf-stalk") ?? "short"] ?? 0.12;

const tintOf = (tone: string | null): Tint =>
  tone === "dark" ? "dark" : tone === "blue-grey" ? "bluegrey" : tone === "yellow-green" ? "yellowgreen" : "leaf";

/** A leaf with its stalk from a point of the stem: `length` of the blade in the field's units, degrees from straight up. */
export function drawFoliage(
  foliage: Foliage,
  foot: Point,
  length: number,
  degrees: number,
  lively: Lively,
  far = false,
): Shape[] {
  const stalk = foliage.stalk * length;
  const bent = degrees + (degrees > 180 ? -1 : 1) * 6 * Math.sign(Math.sin((degrees * Math.PI) / 180));
  const end = toward(foot, degrees, stalk);
  const tint = far && foliage.tint === "leaf" ? "pale" : foliage.tint;
  const rod =
    stalk < 0.5
      ? []
      : stalk > 18
        ? [tapered([foot, end], Math.min(3, 1.4 + length / 60), 1.2, "green")]
        : [line([foot, end], 0.9)];
  return [...rod, ...bladeAt({ ...foliage, tint }, end, length, bent + lively(4), lively)];
}

function bladeAt(foliage: Foliage, foot: Point, length: number, degrees: number, lively: Lively): Shape[] {
  const { kind } = foliage;
  if (kind === "ferny") return ferny(foot, length, degrees, foliage);
  if (kind === "three" || kind === "palmate") return fingers(foliage, foot, length, degrees, lively);
  if (kind === "pinnate") return feather(foliage, foot, length, degrees, lively);
  return simple(foliage, foot, length, degrees);
}

/** Veins are drawn on a blade of at least this length, its middle nerve from less on. */
const LEAST = { nerve: 12, veins: 22 };

const MIDDLE_NERVE: Point[] = [
  [0, 0],
  [0, -MADE * 0.94],
];

/** One blade or leaflet, with its veins where it is large enough to show them. */
function simple(foliage: Foliage, foot: Point, length: number, degrees: number): Shape[] {
  const { made, isFan } = outlineOf(foliage);
  const put = (points: Point[]): Point[] => placed(points, foot, length / MADE, degrees);
  return [
    cut(put(made), foliage.tint, length > 26 ? 0.9 : length > 9 ? 0.55 : 0.25),
    ...(length < LEAST.nerve ? [] : [nerve(put(MIDDLE_NERVE))]),
    ...(length < LEAST.veins ? [] : isFan ? fanNerves(put) : sideVeins(made, put)),
  ];
}

/** The outline of a blade, made upright and `MADE` long. */
function outlineOf({ leaf, lobePlan, width, lobes }: Foliage): { made: Point[]; isFan: boolean } {
  const isCut = leaf.lobes !== undefined && leaf.lobes !== "none";
  const isFan = isCut && lobePlan === "fan";
  if (isFan) return { made: fanOutline(leaf, lobes), isFan };
  if (isCut && leaf.lobes !== "shreds") return { made: cutOutline(leaf, width), isFan };
  return { made: widened(bladeOutline(leaf, [0, 0], MADE), width), isFan };
}

type Put = (points: Point[]) => Point[];

const fanNerves = (put: Put): Shape[] =>
  [-62, -34, 34, 62].map((side) => nerve(put([[0, 0], toward([0, 0], side, MADE * 0.62)])));

const sideVeins = (made: Point[], put: Put): Shape[] =>
  [0.16, 0.3, 0.44, 0.58, 0.72].flatMap((u) =>
    [-1, 1].map((side) => {
      const reach = Math.min(widthAt(made, u), widthAt(made, u + 0.1)) * 0.8;
      const ends: Point[] = [
        [0, -MADE * u],
        [side * reach, -MADE * (u + 0.1)],
      ];
      return vein(put(ends));
    }),
  );

/** Half the width of an outline at a share of its length. */
function widthAt(points: readonly Point[], u: number): number {
  const near = points.filter(([, y]) => Math.abs(-y / MADE - u) < 0.06);
  return Math.max(0, ...near.map(([x]) => Math.abs(x)));
}

/** The outline brought to the width that is recorded. */
function widened(points: Point[], width: number | null): Point[] {
  if (!width) return points;
  const own = (2 * Math.max(...points.map(([x]) => Math.abs(x)))) / MADE;
  const factor = Math.min(3, Math.max(0.3, width / own));
  return points.map(([x, y]) => [x * factor, y]);
}

const DEPTH: Record<string, number> = { shallow: 0.34, deep: 0.72, backward: 0.7 };

/** Lobes like the fingers of a hand: each a pointed arch from the foot, teeth along it. */
function fanOutline(leaf: Leaf, lobes: number): Point[] {
  const depth = DEPTH[leaf.lobes ?? "deep"] ?? 0.5;
  const step = Math.min(52, 220 / lobes);
  const angles = Array.from({ length: lobes }, (_, i) => (i - (lobes - 1) / 2) * step);
  const reach = angles.map((angle) => 1 - 0.36 * (Math.abs(angle) / 104));
  const tooth = leaf.edge === "coarse" || leaf.edge === "spiny" ? 0.07 : leaf.edge === "fine" ? 0.03 : 0;
  const outer = ((lobes - 1) / 2) * step;
  const points: Point[] = [toward([0, 0], -outer - 46, MADE * 0.2)];
  angles.forEach((angle, i) => {
    const long = MADE * (reach[i] ?? 1);
    for (const [turn, far] of [
      [-step * 0.38, 0.56],
      [-step * 0.27, 0.72 + tooth],
      [-step * 0.17, 0.76],
      [0, 1],
      [step * 0.17, 0.76],
      [step * 0.27, 0.72 + tooth],
      [step * 0.38, 0.56],
    ] as const)
      points.push(toward([0, 0], angle + turn, long * far));
    if (i < angles.length - 1) points.push(toward([0, 0], angle + step / 2, MADE * (1 - depth) * 0.78));
  });
  points.push(toward([0, 0], outer + 46, MADE * 0.2));
  return points;
}

/** Lobes along the midrib: broadest where the outline is, cut in towards the midrib, pointing forward, or back to the foot. */
function cutOutline(leaf: Leaf, width: number | null): Point[] {
  const depth = DEPTH[leaf.lobes ?? "deep"] ?? 0.5;
  const back = leaf.lobes === "backward";
  const plain = widened(bladeOutline({ ...leaf, lobes: "none", edge: "smooth" }, [0, 0], MADE), width);
  const tooth = leaf.edge === "coarse" || leaf.edge === "spiny" ? 0.12 : leaf.edge === "fine" ? 0.05 : 0;
  const pairs = back ? 6 : 5;
  const side: Point[] = [[1.2, 0]];
  for (let i = 0; i < pairs; i++) {
    const u = 0.1 + (0.72 * i) / (pairs - 1);
    const half = Math.max(2.5, widthAt(plain, Math.min(0.9, u + 0.04)) * (leaf.shape === "spoon" && i < 2 ? 0.7 : 1));
    const lift = back ? -0.05 : 0.07;
    side.push([half * (1 - depth), -MADE * (u - 0.055)]);
    if (tooth) side.push([half * (0.78 + tooth), -MADE * (u + lift * 0.3)], [half * 0.82, -MADE * (u + lift * 0.5)]);
    side.push([half, -MADE * (u + lift)]);
    side.push([half * (0.66 + tooth * 0.6), -MADE * (u + (back ? 0.05 : 0.085))]);
  }
  const last = widthAt(plain, 0.88);
  side.push(
    [Math.max(2, last * (1 - depth * 0.5)), -MADE * 0.87],
    [Math.max(1.6, last * 0.7), -MADE * 0.92],
    [0, -MADE],
  );
  return [
    ...side,
    ...side
      .slice(0, -1)
      .reverse()
      .map(([x, y]) => [-x, y] as Point),
  ];
}

/** Three or more leaflets from the end of the stalk. */
function fingers(foliage: Foliage, foot: Point, length: number, degrees: number, lively: Lively): Shape[] {
  const one: Foliage = { ...foliage, kind: "simple" };
  if (foliage.kind === "three") {
    const middle = foliage.longMiddle ? length * 0.2 : 0;
    const end = toward(foot, degrees, middle);
    return [
      ...(middle > 0 ? [line([foot, end], 0.8)] : []),
      ...[-74, 74].flatMap((turn) => simple(one, foot, length * 0.62, degrees + turn + lively(4))),
      ...simple(one, end, length * 0.72, degrees),
    ];
  }
  const n = Math.max(5, foliage.leaflets);
  return Array.from({ length: n }, (_, i) => -110 + (220 * i) / (n - 1)).flatMap((turn) =>
    simple(one, foot, length * (1 - Math.abs(turn) / 300), degrees + turn + lively(3)),
  );
}

/** Leaflets in pairs along a stalk, and one at its end. */
function feather(foliage: Foliage, foot: Point, length: number, degrees: number, lively: Lively): Shape[] {
  const one: Foliage = { ...foliage, kind: "simple" };
  const pairs = Math.max(1, Math.floor((foliage.leaflets - 1) / 2));
  const size = Math.min(0.42, 1.5 / (pairs + 1.6));
  const end = toward(foot, degrees, length * (1 - size));
  const sides = Array.from({ length: pairs }, (_, i) => 0.1 + (0.86 * i) / Math.max(1, pairs - 0.4));
  return [
    line([foot, end], Math.min(1.4, 0.5 + length / 90)),
    ...sides.flatMap((u) => {
      const at = toward(foot, degrees, length * (1 - size) * u);
      return [-66, 66].flatMap((turn) =>
        simple(one, at, length * size * (1.05 - 0.25 * u), degrees + turn + lively(4)),
      );
    }),
    ...simple(one, end, length * size, degrees),
  ];
}

/** Cut again and again: side branches that carry small blades, or threads. */
function ferny(foot: Point, length: number, degrees: number, foliage: Foliage): Shape[] {
  const shapes: Shape[] = [line([foot, toward(foot, degrees, length)], Math.min(1.3, 0.4 + length / 80))];
  const pairs = 7;
  for (let i = 0; i < pairs; i++) {
    const u = 0.14 + (0.8 * i) / pairs;
    const at = toward(foot, degrees, length * u);
    for (const side of [-1, 1]) {
      const reach = length * 0.42 * (1 - u * 0.85);
      const angle = degrees + side * 58;
      shapes.push(...pinna(at, reach, angle, foliage));
    }
  }
  return shapes;
}

function pinna(foot: Point, length: number, degrees: number, { tint, threads }: Foliage): Shape[] {
  if (length < 3) return [line([foot, toward(foot, degrees, length)], 0.6)];
  if (threads)
    return [
      line([foot, toward(foot, degrees, length)], 0.6),
      ...[0.3, 0.5, 0.7, 0.88].flatMap((u) =>
        [-1, 1].map((side) => {
          const at = toward(foot, degrees, length * u);
          return line([at, toward(at, degrees + side * 44, length * 0.36 * (1.1 - u))], 0.5);
        }),
      ),
    ];
  const side = (sign: number): Point[] =>
    [0.12, 0.26, 0.34, 0.48, 0.56, 0.7, 0.78, 0.9].map((u, i) => [
      sign * MADE * (i % 2 ? 0.07 : 0.24) * (1.1 - u * 0.8),
      -MADE * u,
    ]);
  const made: Point[] = [[0, 0], ...side(1), [0, -MADE], ...side(-1).reverse()];
  return [closed(placed(made, foot, length / MADE, degrees), tint, 0.5)];
}

/** The line of a leaf that is not recorded: dashed, and plain. */
export const unrecordedLeaf = (foot: Point, length: number, degrees: number): Shape => ({
  d: straight(placed(bladeOutline({ shape: "oval" }, [0, 0], MADE), foot, length / MADE, degrees), true),
  ink: "inner",
  dash: true,
});
