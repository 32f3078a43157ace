import { type Tint, type Shape, WIDTH, HEIGHT, joinLines } from "./shapes";

export const TINTS: Record<Tint, string> = {
  leaf: "#d8e4c4",
  pale: "#ecf1de",
  dark: "#86a070",
  bark: "#cdbca2",
  white: "#fffdf6",
  yellow: "#f0cf5a",
  orange: "#e39a4a",
  pink: "#e9b4c1",
  purple: "#a392be",
  green: "#b3cb97",
  red: "#cf8377",
  black: "#3a3a3a",
  blue: "#8b9cbd",
  brown: "#a78a69",
  silver: "#d7dad6",
  straw: "#ece0bb",
  water: "#d6e6e8",
  ground: "#e6ddc6",
  sky: "#eef2f6",
  ink: "#1d2a24",
  paper: "#fbf9f2",
  bluegrey: "#aec1bc",
  yellowgreen: "#e2e6a0",
};

export const INK = "#1d2a24";

const WIDTHS = { outline: 1.4, inner: 0.7, hair: 0.9, key: 2.2, faint: 0.45 };

/** A drawing as a free-standing SVG file, for PNG, print and sample pictures. */
export function shapesToSvg(shapes: Shape[], scale = 1): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH * scale}" height="${HEIGHT * scale}" viewBox="0 0 ${WIDTH} ${HEIGHT}"><rect width="100%" height="100%" fill="#fdfbf5"/>${pathsOf(shapes)}</svg>`;
}

/** Drawings side by side in one picture, each as wide as the last: a list shows hundreds, and one picture for many is fetched and drawn at once. */
export function rowToSvg(drawings: Shape[][]): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH * drawings.length}" height="${HEIGHT}"><rect width="100%" height="100%" fill="#fdfbf5"/>${drawings.map((shapes, i) => `<svg x="${i * WIDTH}" width="${WIDTH}" height="${HEIGHT}">${pathsOf(shapes)}</svg>`).join("")}</svg>`;
}

/** How thick a shape's line is; 0 where it has none. */
export const lineWidth = (s: Shape): number => s.width ?? (s.ink ? WIDTHS[s.ink] : 0);

export const pathsOf = (shapes: Shape[]): string =>
  joinLines(shapes)
    .map(
      (s) =>
        `<path d="${s.d}" fill="${s.tint ? TINTS[s.tint] : "none"}" stroke="${s.ink ? INK : "none"}" stroke-width="${lineWidth(s)}" stroke-linecap="round" stroke-linejoin="round"${s.dash ? ' stroke-dasharray="3 3"' : ""}/>`,
    )
    .join("");

export const escapeXml = (text: string) => text.replace(/&/g, "&amp;").replace(/</g, "&lt;");
