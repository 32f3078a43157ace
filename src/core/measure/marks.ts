import { InputError } from "../errors";
import type { Tool } from "./tools";
import { type Calibration, distance, type Point, toPlane } from "./plane";

/** Something marked on a photograph. */
export interface Mark {
  id: string;
  tool: Tool;
  points: Point[];
}

/** All that was marked on one photograph: it can be opened and measured again. */
export interface Marks {
  /** size of the photograph on which the points lie */
  widthPx: number;
  heightPx: number;
  calibration: Calibration | null;
  marks: Mark[];
  /** how far a marked point may be from the right one, pixels (standard deviation) */
  pointingPx: number;
}

/** A measurement with its 95% interval, value ± half. */
export interface Measured {
  value: number;
  half: number;
  unit: "mm" | "mm²" | "°" | "× blade" | "" | "px" | "px²";
}

/** Fewest and most points of a mark; a count may have as many as are there. */
export const POINTS: Record<Tool, [number, number]> = {
  length: [2, 2],
  path: [2, 60],
  ratio: [3, 3],
  angle: [3, 3],
  area: [3, 60],
  count: [1, 200],
};
/** A known object is itself made, and laid, no better than this: standard deviation as a share. */
const OBJECT_ERROR = 0.002;
/** Normal quantile of a two-sided 95% interval. */
const Z95 = 1.96;
const STEP_PX = 0.5;

/**
 * What a mark measures. The interval carries the pointing error of every point of the mark and of the calibration through to the
 * result (first-order propagation, by differences: JCGM 100:2008, 5.1.2) and, for lengths, that of the known object.
 * @throws {InputError} too-few-points, and those of `toPlane`
 */
export function measure({ calibration, pointingPx }: Pick<Marks, "calibration" | "pointingPx">, mark: Mark): Measured {
  const [least] = POINTS[mark.tool];
  if (mark.points.length < least)
    throw new InputError("too-few-points", "points", mark.points.length, `${mark.tool} needs ${least} points`);
  if (mark.tool === "count") return { value: mark.points.length, half: 0, unit: "" };
  const calibrating = calibration?.points ?? [];
  const value = (points: Point[]) =>
    amountOf(
      mark.tool,
      calibration && { ...calibration, points: points.slice(mark.points.length) },
      points.slice(0, mark.points.length),
    );
  const points = [...mark.points, ...calibrating];
  const middle = value(points);
  let variance = 0;
  points.forEach((_, i) => {
    for (const axis of [0, 1]) {
      const at = (step: number) =>
        value(
          points.map((p, k) =>
            k === i ? ([p[0] + (axis === 0 ? step : 0), p[1] + (axis === 1 ? step : 0)] as Point) : p,
          ),
        );
      variance += (((at(STEP_PX) - at(-STEP_PX)) / (2 * STEP_PX)) * pointingPx) ** 2;
    }
  });
  const scaled = calibration !== null;
  if (scaled && mark.tool !== "ratio" && mark.tool !== "angle")
    variance += (middle * OBJECT_ERROR * (mark.tool === "area" ? 2 : 1)) ** 2;
  return { value: middle, half: Z95 * Math.sqrt(variance), unit: unitOf(mark.tool, scaled) };
}

function unitOf(tool: Tool, scaled: boolean): Measured["unit"] {
  if (tool === "ratio") return "× blade";
  if (tool === "angle") return "°";
  if (tool === "area") return scaled ? "mm²" : "px²";
  return scaled ? "mm" : "px";
}

function amountOf(tool: Tool, calibration: Calibration | null, marked: Point[]): number {
  const map = toPlane(calibration);
  const points = marked.map((p) => map(p));
  if (tool === "ratio") return distance(points[0], points[1]) / Math.max(1e-9, distance(points[1], points[2]));
  if (tool === "angle") return angleAt(points[1], points[0], points[2]);
  if (tool === "area") return areaOf(points);
  return points.slice(1).reduce((sum, p, i) => sum + distance(points[i], p), 0);
}

/** Angle at a corner between two arms, degrees in [0, 180]. */
function angleAt(corner: Point, a: Point, b: Point): number {
  const [ax, ay, bx, by] = [a[0] - corner[0], a[1] - corner[1], b[0] - corner[0], b[1] - corner[1]];
  return (Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) * 180) / Math.PI;
}

/** Area of a polygon, by the surveyor's formula. */
function areaOf(points: Point[]): number {
  return (
    Math.abs(
      points.reduce(
        (sum, [x, y], i) => sum + x * points[(i + 1) % points.length][1] - points[(i + 1) % points.length][0] * y,
        0,
      ),
    ) / 2
  );
}

/** A reading for a measured character in the character's own unit, or null where the mark measures something else. */
export function readingFor(character: { kind: string; unit?: string }, measured: Measured): number | null {
  const { kind, unit = "" } = character;
  if (kind === "ratio") return measured.unit === "× blade" ? measured.value : null;
  if (kind === "angle") return measured.unit === "°" ? measured.value : null;
  if (kind === "count") return measured.unit === "" ? measured.value : null;
  const perMm: Record<string, number> = { mm: 1, cm: 0.1, m: 0.001 };
  return measured.unit === "mm" && unit in perMm ? measured.value * perMm[unit] : null;
}

/** The same marks on a copy of the photograph in another size. */
export function resized(marks: Marks, widthPx: number): Marks {
  const f = widthPx / marks.widthPx;
  const scale = (points: Point[]): Point[] => points.map(([x, y]) => [x * f, y * f]);
  return {
    widthPx,
    heightPx: marks.heightPx * f,
    pointingPx: marks.pointingPx * f,
    calibration: marks.calibration && { ...marks.calibration, points: scale(marks.calibration.points) },
    marks: marks.marks.map((m) => ({ ...m, points: scale(m.points) })),
  };
}
