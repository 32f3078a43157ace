import { seededChance } from "@/core/random";
import { line, curveCatmullRom, curveCatmullRomClosed } from "d3-shape";

/** One stroke or area of a drawing. Roles, not colors: the renderer's theme gives the ink. */
export interface Shape {
  d: string;
  ink?: "outline" | "inner" | "hair" | "key" | "faint";
  tint?: Tint;
  width?: number;
  dash?: boolean;
}

export type Tint =
  | "leaf"
  | "pale"
  | "dark"
  | "bark"
  | "white"
  | "yellow"
  | "orange"
  | "pink"
  | "purple"
  | "green"
  | "red"
  | "black"
  | "blue"
  | "brown"
  | "silver"
  | "straw"
  | "water"
  | "ground"
  | "sky"
  | "ink"
  | "paper"
  | "bluegrey"
  | "yellowgreen";

export type Point = [number, number];

/** Points in the notation of SVG's own `points`, "8,30 112,30", as seen from `x`, `y`. */
export const pts = (points: string, x = 0, y = 0): Point[] =>
  points.split(" ").map((pair): Point => {
    const [right, down] = pair.split(",");
    return [x + Number(right), y + Number(down)];
  });
/** All drawings share one field: 120 wide, 96 high, y downwards. */
export const WIDTH = 120;

export const HEIGHT = 96;

const round = (x: number) => Math.round(x * 10) / 10;

const open = line<Point>().curve(curveCatmullRom.alpha(0.5)).digits(1);

const closed = line<Point>().curve(curveCatmullRomClosed.alpha(0.5)).digits(1);

export const smooth = (points: Point[]): string => open(points) ?? "";

export const smoothClosed = (points: Point[]): string => closed(points) ?? "";

export const straight = (points: Point[], close = false): string =>
  points.map(([x, y], i) => `${i ? "L" : "M"}${round(x)},${round(y)}`).join("") + (close ? "Z" : "");

export const circle = (x: number, y: number, r: number): string => ellipse(x, y, r, r);

export const ellipse = (x: number, y: number, rx: number, ry: number): string =>
  `M${round(x - rx)},${round(y)}a${round(rx)},${round(ry)} 0 1 0 ${round(2 * rx)},0a${round(rx)},${round(ry)} 0 1 0 ${round(-2 * rx)},0Z`;

export const rectangle = (x: number, y: number, w: number, h: number): string =>
  straight(
    [
      [x, y],
      [x + w, y],
      [x + w, y + h],
      [x, y + h],
    ],
    true,
  );

export const area = (d: string, tint: Tint): Shape => ({ d, tint, ink: "outline" });

export const flat = (d: string, tint: Tint): Shape => ({ d, tint });

export const outline = (d: string): Shape => ({ d, ink: "outline" });

export const inner = (d: string): Shape => ({ d, ink: "inner" });

export const faint = (d: string): Shape => ({ d, ink: "faint" });

export const hair = (d: string, width = 0.9): Shape => ({ d, ink: "hair", width });

export const key = (d: string): Shape => ({ d, ink: "key" });

/** Lines of one style that follow each other, drawn as one: the same picture with a fraction of the elements. Areas stay apart, as one covers another. */
export function joinLines(shapes: Shape[]): Shape[] {
  const joined: Shape[] = [];
  for (const shape of shapes) {
    const last = joined.at(-1);
    if (
      last &&
      !last.tint &&
      !shape.tint &&
      last.ink === shape.ink &&
      last.width === shape.width &&
      last.dash === shape.dash
    )
      joined[joined.length - 1] = { ...last, d: last.d + shape.d };
    else joined.push(shape);
  }
  return joined;
}

/** Points along a line from a to b, n of them, ends included. */
export function along(a: Point, b: Point, n: number): Point[] {
  return Array.from({ length: n }, (_, i) => [
    a[0] + ((b[0] - a[0]) * i) / (n - 1),
    a[1] + ((b[1] - a[1]) * i) / (n - 1),
  ]);
}

export const polar = (cx: number, cy: number, r: number, degrees: number): Point => [
  cx + r * Math.cos((degrees * Math.PI) / 180),
  cy + r * Math.sin((degrees * Math.PI) / 180),
];

/** A number within ± the spread given: how far one leaf or stroke departs from the typical one. */
export type Lively = (spread: number) => number;

/** As typical as can be: for answers to choose from, which show the state and no plant. */
export const STILL: Lively = () => 0;

/** Natural variation from a seed: the same name draws the same lines. */
export function liveliness(name: string): Lively {
  let seed = 7;
  for (const letter of name) seed = (seed * 31 + letter.charCodeAt(0)) % 1000003;
  const chance = seededChance(seed);
  return (spread) => (chance.uniform() - 0.5) * 2 * spread;
}

/** Joins parts into one drawing, back to front. */
export const all = (...parts: (Shape | Shape[])[]): Shape[] => parts.flat();
