import { type Tint, type Point, type Shape, area, circle, flat } from "../ink/shapes";
import { placed, closed, line } from "./pen";

/** One flower or fruit as it looks from a step away. */
export interface Bloom {
  kind: string;
  tint: Tint;
  /** width in the field's units, drawn no smaller than can be seen */
  size: number;
}

const LEAST = 1.6;

/** A flower in its place: its radius, where it is and which way it points. */
interface Placing {
  r: number;
  tint: Tint;
  at: Point;
  degrees: number;
}

/** Points of a flower in shares of its radius, put where it is. */
const put = ({ r, at, degrees }: Placing, points: Point[], turn = 0): Point[] =>
  placed(
    points.map(([x, y]): Point => [x * r, y * r]),
    at,
    1,
    degrees + turn,
  );

function rays(of: Placing, n: number, heart: Tint): Shape[] {
  const { r, at, tint } = of;
  const ray: Point[] = [
    [0, -0.3],
    [0.16, -0.7],
    [0, -1],
    [-0.16, -0.7],
  ];
  return [
    ...Array.from({ length: n }, (_, i) => closed(put({ ...of, degrees: 0 }, ray, (360 * i) / n), tint, 0.4)),
    { ...area(circle(at[0], at[1], r * 0.36), heart), width: 0.5 },
  ];
}

/** A thistle or knapweed: a cup with a brush on it. */
function button(of: Placing): Shape[] {
  const cup: Point[] = [
    [-0.7, 0],
    [-0.8, -0.9],
    [0.8, -0.9],
    [0.7, 0],
    [0, 0.25],
  ];
  const crown: Point[] = [
    [-0.8, -0.85],
    [-1.25, -1.6],
    [0, -1.85],
    [1.25, -1.6],
    [0.8, -0.85],
  ];
  const brush = Array.from({ length: 9 }, (_, i): Point[] => [
    [(i - 4) * 0.16, -0.85],
    [(i - 4) * 0.3, -1.7],
  ]);
  return [
    closed(put(of, crown), of.tint, 0.5),
    ...brush.map((hair) => line(put(of, hair), 0.6)),
    closed(put(of, cup), "green", 0.6),
  ];
}

function trumpet(of: Placing): Shape[] {
  const bell: Point[] = [
    [-0.2, 1],
    [-0.35, 0],
    [-1, -0.8],
    [0, -0.6],
    [1, -0.8],
    [0.35, 0],
    [0.2, 1],
  ];
  return [closed(put(of, bell), of.tint, 0.7)];
}

/** A flower of two lips, a pea or one with a spur: a hood over a lip. */
function lipped(of: Placing): Shape[] {
  const hood: Point[] = [
    [0, 0.6],
    [-0.8, 0],
    [-0.7, -0.9],
    [0, -0.6],
    [0.8, -0.9],
    [0.9, 0],
  ];
  const lip: Point[] = [
    [0, 0.6],
    [-0.4, 0.1],
    [0, -0.3],
    [0.5, 0.1],
  ];
  return [closed(put(of, hood), of.tint, 0.6), closed(put(of, lip), of.tint, 0.5)];
}

function petals(of: Placing, n: number): Shape[] {
  const petal: Point[] = [
    [0, 0],
    [0.5, -0.6],
    [0, -1],
    [-0.5, -0.6],
  ];
  return [
    ...Array.from({ length: n }, (_, i) => closed(put(of, petal, (360 * i) / n), of.tint, 0.5)),
    flat(circle(of.at[0], of.at[1], of.r * 0.2), "yellow"),
  ];
}

const KINDS: Record<string, (of: Placing) => Shape[]> = {
  daisy: (of) => rays(of, 13, "yellow"),
  straps: (of) => rays(of, 18, of.tint),
  button,
  trumpet,
  pea: lipped,
  lipped,
  spurred: lipped,
  iris: (of) => petals(of, 3),
};

/** A flower seen from the side or from before, of at least a visible size. */
export function bloom({ kind, tint, size }: Bloom, at: Point, degrees = 0): Shape[] {
  const r = Math.max(LEAST, size / 2);
  if (r < 2.6) return [{ ...area(circle(at[0], at[1], r), tint), width: 0.5 }];
  const of = { r, tint, at, degrees };
  return KINDS[kind]?.(of) ?? petals(of, 5);
}
