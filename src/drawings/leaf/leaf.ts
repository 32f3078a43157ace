import { type Tint, type Point, type Shape, area, straight, inner, faint, outline, smooth, all } from "../ink/shapes";

export type LeafShape =
  | "linear"
  | "lance"
  | "oval"
  | "egg"
  | "spoon"
  | "heart"
  | "arrow"
  | "round"
  | "kidney"
  | "diamond";

export type LeafEdge = "smooth" | "fine" | "coarse" | "blunt" | "spiny";

export type LeafLobes = "none" | "shallow" | "deep" | "backward" | "shreds";

export interface Leaf {
  shape: LeafShape;
  edge?: LeafEdge;
  lobes?: LeafLobes;
  base?: "wedge" | "rounded" | "flat" | "heart" | "ears" | "slanted";
  tip?: "blunt" | "pointed" | "drawn-out" | "spine" | "notched";
  tint?: Tint;
  veins?: boolean;
}

/** Half the width of a blade at a share u of its length from base to tip, as a share of the length. */
const PROFILES: Record<LeafShape, (u: number) => number> = {
  linear: (u) => 0.07 * Math.min(1, u * 14) * Math.min(1, (1 - u) * 6),
  lance: (u) => 0.16 * Math.sin(Math.PI * u ** 0.85) ** 0.85,
  oval: (u) => 0.29 * Math.sin(Math.PI * u) ** 0.8,
  egg: (u) => 0.32 * Math.sin(Math.PI * u ** 0.62) ** 0.85,
  spoon: (u) => 0.3 * Math.sin(Math.PI * u ** 1.9) ** 0.8 + 0.015,
  heart: (u) => 0.42 * Math.sin(Math.PI * u ** 0.5) ** 0.8,
  arrow: (u) => 0.34 * (1 - u) ** 0.85 * Math.min(1, u * 16),
  kidney: (u) =>
    0.56 *
    Math.sqrt(Math.max(0, 1 - (1.6 * Math.max(0, u - 0.28)) ** 2)) *
    Math.sqrt(Math.min(1, 0.55 + u)) *
    Math.min(1, (1 - u) * 9),
  diamond: (u) => 0.34 * Math.min(u / 0.4, (1 - u) / 0.6),
  round: (u) => 0.46 * Math.sqrt(Math.max(0, 1 - (2 * u - 1) ** 2)),
};

function baseFactor(base: Leaf["base"], u: number): number {
  if (base === "wedge") return Math.min(1, u / 0.42) ** 0.9;
  if (base === "flat") return u < 0.04 ? 0.2 : 1.15 - 0.15 * Math.min(1, u * 3);
  if (base === "rounded") return Math.min(1, Math.sqrt(Math.min(1, u / 0.16)));
  return 1;
}

/** From here on a blunt blade is closed by a quarter of an ellipse. */
const BLUNT_FROM = 0.7;

function tipFactor(tip: Leaf["tip"], u: number): number {
  if (tip === "drawn-out") return u > 0.52 ? Math.max(0.13, 1 - (u - 0.52) * 3.4) : 1;
  if (tip === "pointed" || tip === "spine") return u > 0.6 ? Math.max(0.06, 1 - (u - 0.6) * 1.6) : 1;
  return 1;
}

/** Half the width of this blade at a share u of its length, as a share of the length, teeth left out. */
function halfWidth(leaf: Leaf, u: number): number {
  const profile = PROFILES[leaf.shape];
  const blunt = leaf.tip === "blunt" && u > BLUNT_FROM;
  const plain = blunt
    ? profile(BLUNT_FROM) * Math.sqrt(Math.max(0, 1 - ((u - BLUNT_FROM) / (1 - BLUNT_FROM)) ** 2))
    : profile(u);
  return plain * baseFactor(leaf.base, u) * tipFactor(leaf.tip, u) * lobeFactor(leaf.lobes, u);
}

function lobeFactor(lobes: LeafLobes | undefined, u: number): number {
  if (!lobes || lobes === "none") return 1;
  if (lobes === "shreds") return 0.22 + 0.78 * Math.max(0, Math.sin(Math.PI * u * 7)) ** 2.2;
  const depth = lobes === "shallow" ? 0.28 : 0.68;
  const count = lobes === "backward" ? 4 : 3.5;
  const phase = u * count + (lobes === "backward" ? 0.15 : 0);
  const wave = lobes === "backward" ? 1 - (phase % 1) : 0.5 + 0.5 * Math.cos(2 * Math.PI * (phase - 0.35));
  return 1 - depth * (1 - wave) * Math.min(1, (1 - u) * 4);
}

function edgeTooth(edge: LeafEdge | undefined, i: number): number {
  if (edge === "fine") return i % 2 ? 2 : 0;
  if (edge === "coarse") return [0, 2, 4, 6][i % 4];
  if (edge === "blunt") return [0, 2.2, 2.8, 2.2][i % 4];
  if (edge === "spiny") return [0, 0.6, 1.2, 5][i % 4];
  return 0;
}

/** A side of a blade is drawn through so many points and one. */
const STEPS = 48;

/** A point of a side of the blade, from its foot upwards; `sign` is 1 for the right side. */
function sidePoint(leaf: Leaf, [x, y]: Point, length: number, sign: number, i: number): Point {
  const u = i / STEPS;
  const half = length * halfWidth(leaf, u);
  const foot = leaf.base === "slanted" ? Math.min(1, (sign > 0 ? 0.2 : 1) + u * 2.4) : 1;
  const dent = leaf.tip === "notched" && u > 0.88 ? (u - 0.88) * length * 0.9 : 0;
  const tooth = u > 0.06 && u < 0.95 ? edgeTooth(leaf.edge, i) : 0;
  const drop = leaf.edge === "coarse" || leaf.edge === "fine" ? tooth * 0.5 : 0;
  return [x + sign * (half * foot + tooth), y - length * u - drop + dent * (u > 0.97 ? 1.6 : 0)];
}

/** Outline of a blade that stands upright, foot at `foot`, `length` high; the right side first. */
export function bladeOutline(leaf: Leaf, [x, y]: Point, length: number, angle = 0): Point[] {
  const side = (sign: number): Point[] =>
    Array.from({ length: STEPS + 1 }, (_, i) => sidePoint(leaf, [x, y], length, sign, i));
  const right = side(1);
  const left = side(-1).reverse();
  const foot = footLobes(leaf, [x, y], length);
  const points = [
    ...foot.right,
    ...right.slice(foot.right.length ? 3 : 0),
    ...left.slice(0, foot.left.length ? -3 : undefined),
    ...foot.left,
  ];
  return angle === 0 ? points : turn(points, angle, [x, y]);
}

/** Lobes below the stalk's foot, for heart, arrowhead and clasping bases. */
function footLobes(leaf: Leaf, [x, y]: Point, length: number): { right: Point[]; left: Point[] } {
  const make = (points: Point[]) => ({
    right: points,
    left: points.map(([px, py]) => [2 * x - px, py] as Point).reverse(),
  });
  const s = length / 60;
  if (leaf.base === "ears")
    return make([
      [x, y],
      [x + 3 * s, y + 7 * s],
      [x + 9 * s, y + 10 * s],
      [x + 13 * s, y + 5 * s],
      [x + 10 * s, y - 2 * s],
    ]);
  if (leaf.shape === "kidney") return make(roundLobe([x, y], 29 * s, 13 * s));
  if (leaf.base === "heart" || (leaf.shape === "heart" && !leaf.base)) return make(roundLobe([x, y], 20.5 * s, 10 * s));
  if (leaf.shape === "arrow" && leaf.base !== "flat")
    return make([
      [x, y],
      [x + 7 * s, y + 4 * s],
      [x + 20 * s, y + 11 * s],
      [x + 18 * s, y - 2 * s],
    ]);
  return { right: [], left: [] };
}

/** A lobe that leaves the stalk's foot downwards and comes up again at `width` beside it, `drop` deep. */
function roundLobe([x, y]: Point, width: number, drop: number): Point[] {
  return Array.from({ length: 10 }, (_, i) => {
    const [across, down] = [(1 - Math.cos((Math.PI * i) / 9)) / 2, Math.sin((Math.PI * i) / 9)];
    return [x + width * across, y + drop * down - 4 * across] as Point;
  });
}

function turn(points: Point[], degrees: number, [cx, cy]: Point): Point[] {
  const a = (degrees * Math.PI) / 180;
  return points.map(([px, py]) => [
    cx + (px - cx) * Math.cos(a) - (py - cy) * Math.sin(a),
    cy + (px - cx) * Math.sin(a) + (py - cy) * Math.cos(a),
  ]);
}

/** A whole leaf: blade, midrib, side veins, one half in hatching. */
export function drawLeaf(leaf: Leaf, foot: Point, length: number, angle = 0, stalk = 0): Shape[] {
  const points = bladeOutline(leaf, foot, length, angle);
  const at = (u: number, w: number): Point => turn([[foot[0] + w, foot[1] - length * u]], angle, foot)[0];
  const parts: Shape[] = [area(straight(points, true), leaf.tint ?? "leaf")];
  if (leaf.veins !== false) {
    parts.push(inner(straight([at(0, 0), at(0.97, 0)])));
    if (leaf.shape !== "linear") {
      for (let u = 0.16; u < 0.82; u += 0.13) {
        const w = length * halfWidth(leaf, u + 0.1) * 0.8;
        parts.push(faint(straight([at(u, 0), at(u + 0.12, w)])), faint(straight([at(u, 0), at(u + 0.12, -w)])));
      }
      for (let u = 0.12; u < 0.86; u += 0.055)
        parts.push(faint(straight([at(u, 1.2), at(u + 0.01, length * halfWidth(leaf, u) * 0.86)])));
    }
  }
  if (leaf.edge === "spiny") parts.push(...spines(points));
  if (leaf.tip === "spine") parts.push(outline(straight([at(0.98, 0), at(1.08, 0)])));
  if (stalk > 0)
    parts.push({ ...outline(smooth([at(0, 0), at(-stalk / length / 2, 1), at(-stalk / length, -1)])), width: 2 });
  return all(parts);
}

/** A spine on the tip of every tooth, standing away from the blade. */
function spines(points: Point[]): Shape[] {
  const middle = points.reduce((sum, [x]) => sum + x, 0) / points.length;
  return points.flatMap(([x, y], i) => {
    if (i < 4 || i >= points.length - 4) return [];
    const [outX, outY] = [x - (points[i - 1][0] + points[i + 1][0]) / 2, y - (points[i - 1][1] + points[i + 1][1]) / 2];
    const size = Math.hypot(outX, outY);
    if (size < TOOTH || outX * (x - middle) < 0) return [];
    return [
      outline(
        straight([
          [x, y],
          [x + (SPINE * outX) / size, y + (SPINE * outY) / size],
        ]),
      ),
    ];
  });
}

/** A point that stands out from its neighbors by this much is the tip of a tooth. */
const TOOTH = 1.2;

const SPINE = 4;
