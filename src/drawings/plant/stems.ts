import { pts, type Point, type Lively, type Shape, type Tint, straight } from "../ink/shapes";
import { type Foliage, drawFoliage } from "./foliage";
import { along, GROUND, toward, line, tapered } from "./pen";
import type { Seen } from "./seen";

/** Where leaves sit on a stem and how large they are; lengths in the field's units. */
export interface Leafing {
  foliage: Foliage;
  order: string;
  /** length of the largest blade */
  length: number;
  /** of the topmost, as a share of it */
  smallest: number;
  /** shares of the stem between which leaves sit */
  from: number;
  to: number;
  nodes: number;
}

/** Leaves along a stem, the lowest first: those behind it pale, those before it over it. */
export function leavesAlong(
  curve: Point[],
  { foliage, order, length, smallest, from, to, nodes }: Leafing,
  lively: Lively,
): { behind: Shape[]; before: Shape[] } {
  const [behind, before]: [Shape[], Shape[]] = [[], []];
  for (let i = 0; i < nodes; i++) {
    const u = from + ((to - from) * i) / Math.max(1, nodes - 1);
    const { at, degrees } = along(curve, u);
    const size = length * (1 - (1 - smallest) * (i / Math.max(1, nodes - 1)));
    const open = 62 - 18 * u;
    const put = (turn: number, share: number, far: boolean) => {
      const way = aboveGround(at, degrees + turn + lively(7), size * share, foliage);
      (far ? behind : before).push(...drawFoliage(foliage, at, size * share, way, lively, far));
    };
    for (const { turn, share, far } of turnsAt(order, i, open)) put(turn, share, far);
  }
  return { behind, before };
}

/** The leaves of one node: how far each turns from the stem, how large it is seen, and whether it stands behind. */
function turnsAt(order: string, i: number, open: number): { turn: number; share: number; far: boolean }[] {
  if (order === "opposite") {
    // pairs stand crosswise: every other pair points to and from the viewer, and is seen foreshortened
    const crossed = i % 2 === 1;
    return [-1, 1].map((side) => ({
      turn: side * (crossed ? open * 0.45 : open),
      share: crossed ? 0.72 : 1,
      far: crossed,
    }));
  }
  if (order === "whorled")
    return [-open, -open * 0.35, open * 0.35, open].map((turn) => {
      const far = Math.abs(turn) < 40;
      return { turn, share: far ? 0.8 : 1, far };
    });
  return [{ turn: i % 2 ? open : -open, share: 1, far: i % 3 === 2 }];
}

/** A leaf that would grow into the ground rises instead. */
function aboveGround([, y]: Point, degrees: number, blade: number, { stalk, lobePlan, leaf, kind }: Foliage): number {
  const isBroad = kind !== "simple" || (lobePlan === "fan" && leaf.lobes !== "none");
  const room = Math.min(1, Math.max(-1, (GROUND - 4 - y) / Math.max(1, blade * (1 + stalk))));
  const lowest = 90 + (Math.asin(room) * 180) / Math.PI - (isBroad ? 38 : 10);
  return Math.sign(degrees) * Math.min(Math.abs(degrees), Math.max(24, lowest));
}

/** A ring of leaves from the ground: flat on it, or standing up. */
export function rosette(foliage: Foliage, foot: Point, length: number, flatOn: boolean, lively: Lively): Shape[] {
  const turns = flatOn ? [-84, 84, -58, 60, -30, 28, -72, 72] : [-52, 52, -34, 36, -14, 16];
  return turns.flatMap((turn, i) => {
    const share = flatOn ? 0.7 + 0.3 * Math.abs(Math.sin((turn * Math.PI) / 180)) : 1 - 0.06 * i;
    return drawFoliage(foliage, foot, length * share, turn + lively(5), lively, i < 2);
  });
}

const MARKS: Record<string, Tint> = { flushed: "red", blotched: "purple", specks: "purple" };

const HAIRS: Record<string, [length: number, width: number, every: number]> = {
  few: [4, 0.5, 9],
  soft: [3.5, 0.45, 3],
  bristly: [6, 0.8, 4],
  sticky: [4, 0.5, 5],
  woolly: [3, 0.5, 2],
  hooked: [4, 0.7, 6],
};

/** What is on the stem: blotches, hair, and what pricks. */
export function onStem(seen: Seen, curve: Point[], width: number, lively: Lively): Shape[] {
  const shapes: Shape[] = [];
  const total = curve
    .slice(1)
    .reduce((sum, [x, y], i) => sum + Math.hypot(x - (curve[i] as Point)[0], y - (curve[i] as Point)[1]), 0);
  const marks = MARKS[seen.state("stem-marks") ?? ""];
  if (marks && width > 2.4)
    for (let i = 0; i < Math.min(40, total / 7); i++) {
      const { at } = along(curve, (i + 0.5) / (total / 7));
      const [x, y] = [at[0] + lively(width * 0.3), at[1] + lively(2)];
      shapes.push({
        d: straight(pts("0,-1.6 1,0 0,1.6 -0.9,0", x, y), true),
        tint: marks,
      });
    }
  const hairs = HAIRS[seen.state("stem-hair") ?? ""];
  if (hairs && total > 20) shapes.push(fringe(curve, width, total, hairs));
  const arms = seen.state("arms");
  if (arms && arms !== "none") shapes.push(...prickles(arms, curve, width, total));
  return shapes;
}

function fringe(curve: Point[], width: number, total: number, [length, ink, every]: [number, number, number]): Shape {
  const n = Math.min(140, Math.round(total / every));
  const d = Array.from({ length: n }, (_, i) => {
    const { at, degrees } = along(curve, i / n);
    const side = i % 2 ? 90 : -90;
    const root = toward(at, degrees + side, width / 2);
    return straight([root, toward(root, degrees + side * 0.9, length)]);
  });
  return { d: d.join(""), ink: "hair", width: ink };
}

function prickles(arms: string, curve: Point[], width: number, total: number): Shape[] {
  const long = arms === "thorns" || arms === "forked" ? 11 : arms === "bristles" ? 4 : 6;
  const every = arms === "thorns" || arms === "forked" ? 26 : arms === "bristles" ? 4 : 11;
  const n = Math.min(60, Math.max(3, Math.round(total / every)));
  return Array.from({ length: n }, (_, i) => {
    const { at, degrees } = along(curve, (i + 0.5) / n);
    const side = i % 2 ? 78 : -78;
    const root = toward(at, degrees + side, width / 2);
    if (arms === "bristles") return line([root, toward(root, degrees + side, long)], 0.5);
    const [a, b] = [toward(root, degrees, 1.5), toward(root, degrees + 180, 1.5)];
    return {
      d: straight([a, toward(root, degrees + side * 1.25, long), b], true),
      ink: "inner" as const,
      tint: "brown" as const,
    };
  });
}

/** A stem of the width that is known, else thin; with what is on it. */
export function stemAlong(seen: Seen, curve: Point[], width: number, tint: Tint, lively: Lively): Shape[] {
  return [tapered(curve, width, Math.max(1, width * 0.45), tint), ...onStem(seen, curve, width, lively)];
}
