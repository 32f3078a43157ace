import { Matrix, solve } from "ml-matrix";
import { InputError } from "../errors";

/** A point of a photograph in pixels, or of a plane in millimeters: [x, y]. */
export type Point = [number, number];

/** Takes points of a photograph to points of the plane that was photographed. */
export interface ToPlane {
  (point: Point): Point;
  /** true where a unit of the plane is a millimeter */
  scaled: boolean;
}

/** How the photograph was calibrated. */
export type Calibration =
  /** two points of a thing of known length; right only where the camera looked straight on */
  | { kind: "length"; points: Point[]; mm: number }
  /** four corners of a rectangle of known size, in turn from its upper left; right at any angle */
  | { kind: "corners"; points: Point[]; widthMm: number; heightMm: number };

/**
 * The way from the photograph to the plane of the thing measured. With nothing to calibrate by, pixels stay pixels: ratios and
 * angles can still be read, if the camera looked straight on.
 * @throws {InputError} too-few-points | too-close | no-rectangle
 */
export function toPlane(calibration: Calibration | null): ToPlane {
  if (!calibration) return Object.assign((p: Point): Point => p, { scaled: false });
  if (calibration.kind === "length") {
    const [a, b] = needed(calibration.points, 2);
    const px = distance(a, b);
    if (px < 4) throw new InputError("too-close", "calibration.points", px, "mark two points further apart");
    const scale = calibration.mm / px;
    return Object.assign(([x, y]: Point): Point => [x * scale, y * scale], { scaled: true });
  }
  const corners = needed(calibration.points, 4);
  if (!isConvex(corners))
    throw new InputError(
      "no-rectangle",
      "calibration.points",
      corners,
      "mark the four corners in turn, round the thing",
    );
  const { widthMm: w, heightMm: h } = calibration;
  const map = homography(corners, [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ]);
  return Object.assign(map, { scaled: true });
}

function needed(points: Point[], n: number): Point[] {
  if (points.length !== n)
    throw new InputError("too-few-points", "calibration.points", points.length, `mark ${n} points`);
  return points;
}

export const distance = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(ax - bx, ay - by);

const cross = (o: Point, a: Point, b: Point): number => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);

/** Four points in turn make a rectangle seen from somewhere only if each turn goes the same way. */
function isConvex(points: Point[]): boolean {
  const turns = points.map((p, i) => Math.sign(cross(p, points[(i + 1) % 4], points[(i + 2) % 4])));
  return turns.every((t) => t === turns[0] && t !== 0);
}

/**
 * The projective map that takes four points to four others, from its eight linear equations (direct linear transformation;
 * Hartley and Zisserman 2004, Multiple View Geometry, 4.1).
 */
export function homography(from: Point[], to: Point[]): (p: Point) => Point {
  const rows: number[][] = [];
  const right: number[][] = [];
  from.forEach(([x, y], i) => {
    const [u, v] = to[i];
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]);
    right.push([u], [v]);
  });
  const [a, b, c, d, e, f, g, h] = solve(new Matrix(rows), new Matrix(right)).getColumn(0);
  return ([x, y]) => {
    const w = g * x + h * y + 1;
    return [(a * x + b * y + c) / w, (d * x + e * y + f) / w];
  };
}
