import {
  type Point,
  type Tint,
  type Shape,
  area,
  smooth,
  outline,
  smoothClosed,
  straight,
  faint,
  inner,
} from "../ink/shapes";

/** The field of a whole plant: wide enough for a person beside it; y downwards. */
export const FIGURE = { width: 360, height: 400 };

/** Where the ground is, and where the plant stands. */
export const GROUND = 318;

export const MIDDLE = 196;

/** A plant of full height reaches from the ground to here. */
export const TOP = 34;

/** Degrees clockwise from straight up. */
export const toward = ([x, y]: Point, degrees: number, length: number): Point => {
  const a = ((degrees - 90) * Math.PI) / 180;
  return [x + length * Math.cos(a), y + length * Math.sin(a)];
};

/** Points of a part that was made upright with its foot at 0, 0: scaled, turned (degrees clockwise) and moved. */
export function placed(points: readonly Point[], foot: Point, scale: number, degrees: number, flatten = 1): Point[] {
  const a = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(a), Math.sin(a)];
  return points.map(([x, y]) => {
    const [px, py] = [x * scale * flatten, y * scale];
    return [foot[0] + px * cos - py * sin, foot[1] + px * sin + py * cos];
  });
}

/** A point at a share of a curve's length, and the curve's direction there in degrees from straight up. */
export function along(curve: readonly Point[], share: number): { at: Point; degrees: number } {
  const lengths = curve.slice(1).map(([x, y], i) => Math.hypot(x - (curve[i] as Point)[0], y - (curve[i] as Point)[1]));
  let left = Math.min(1, Math.max(0, share)) * lengths.reduce((sum, l) => sum + l, 0);
  for (const [i, length] of lengths.entries()) {
    const [from, to] = [curve[i] as Point, curve[i + 1] as Point];
    if (left <= length || i === lengths.length - 1) {
      const u = length === 0 ? 0 : Math.min(1, left / length);
      const degrees = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI + 90;
      return { at: [from[0] + (to[0] - from[0]) * u, from[1] + (to[1] - from[1]) * u], degrees };
    }
    left -= length;
  }
  return { at: curve[0] as Point, degrees: 0 };
}

/** A stem or root along a curve, thick at its foot and thin at its end. */
export function tapered(curve: readonly Point[], from: number, to: number, tint: Tint): Shape {
  const sides = [-1, 1].map((side) =>
    curve.map((point, i) => {
      const u = i / Math.max(1, curve.length - 1);
      const [a, b] = [curve[Math.max(0, i - 1)] as Point, curve[Math.min(curve.length - 1, i + 1)] as Point];
      const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
      const half = (from + (to - from) * u) / 2;
      return [
        point[0] - (side * half * (b[1] - a[1])) / length,
        point[1] + (side * half * (b[0] - a[0])) / length,
      ] as Point;
    }),
  );
  const [left, right] = sides as [Point[], Point[]];
  return {
    ...area(`${smooth(left)}${smooth([...right].reverse()).replace("M", "L")}Z`, tint),
    width: from < 1.6 ? 0.35 : from < 4 ? 0.6 : 0.9,
  };
}

/** A thin line of a width of its own. */
export const line = (points: Point[], width: number): Shape => ({ ...outline(smooth(points)), width });

export const closed = (points: Point[], tint: Tint, width = 0.8): Shape => ({
  ...area(smoothClosed(points), tint),
  width,
});

export const cut = (points: Point[], tint: Tint, width = 0.8): Shape => ({
  ...area(straight(points, true), tint),
  width,
});

export const vein = (points: Point[]): Shape => faint(straight(points));

export const nerve = (points: Point[]): Shape => inner(straight(points));
