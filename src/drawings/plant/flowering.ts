import { type Point, type Shape, area, circle, type Lively } from "../ink/shapes";
import { type Bloom, bloom } from "./bloom";
import { toward, line, along } from "./pen";

/** An umbel: rays from one point to a dome, each with a flower or an umbel of its own. */
function umbel(foot: Point, reach: number, degrees: number, flower: Bloom, rays: number, compound: boolean): Shape[] {
  const shapes: Shape[] = [];
  const ends: Point[] = [];
  for (let i = 0; i < rays; i++) {
    const turn = -72 + (144 * i) / Math.max(1, rays - 1);
    const end = toward(foot, degrees + turn, reach * (1 - 0.18 * Math.abs(turn / 72)));
    ends.push(end);
    shapes.push(line([foot, toward(foot, degrees + turn * 0.75, reach * 0.55), end], 0.35));
  }
  for (const end of ends) {
    if (!compound) shapes.push(...bloom(flower, end, degrees));
    else {
      const small = reach * 0.16;
      for (const turn of [-70, -35, 0, 35, 70]) {
        const tip = toward(end, degrees + turn, small);
        shapes.push({ ...area(circle(tip[0], tip[1], Math.max(1.1, small * 0.28)), flower.tint), width: 0.4 });
      }
    }
  }
  return shapes;
}

export interface Cluster {
  kind: string;
  flower: Bloom;
  /** length or width of the cluster in the field's units */
  reach: number;
  rays: number;
}

/** A cluster on the end of a stem. */
export function cluster({ kind, flower, reach, rays }: Cluster, foot: Point, degrees: number, lively: Lively): Shape[] {
  if (kind === "umbrella") return umbel(foot, reach * 0.55, degrees, flower, Math.min(19, Math.max(7, rays)), true);
  if (kind === "simple-umbel") return umbel(foot, reach * 0.45, degrees, flower, 13, false);
  if (kind === "spike" || kind === "coil") return spike(kind, flower, foot, reach, degrees, lively);
  if (kind === "plume") return plume(flower, foot, reach, degrees, lively);
  if (kind === "flat") return flatTop(flower, foot, reach, degrees);
  if (kind === "dense-head") {
    const tip = toward(foot, degrees, reach * 0.3);
    const at = Array.from({ length: 16 }, (_, i) => toward(tip, i * 137.5, reach * 0.3 * Math.sqrt((i + 0.5) / 16)));
    return [
      line([foot, tip], 1),
      ...at.flatMap((point) => bloom({ ...flower, size: Math.max(3.4, flower.size) }, point)),
    ];
  }
  if (kind === "few")
    return [-38, 0, 34].flatMap((turn, i) => {
      const tip = toward(foot, degrees + turn, reach * (0.5 + 0.2 * (i % 2)));
      return [line([foot, tip], 0.8), ...bloom(flower, tip, degrees + turn)];
    });
  return bloom(flower, toward(foot, degrees, Math.max(2, flower.size * 0.4)), degrees);
}

function spike(kind: string, flower: Bloom, foot: Point, reach: number, degrees: number, lively: Lively): Shape[] {
  const bend = kind === "coil" ? 70 : lively(8);
  const curve = [0, 0.34, 0.67, 1].map((u) => toward(foot, degrees + bend * u * u, reach * u));
  const step = Math.max(2.4, flower.size * 0.62);
  const n = Math.min(46, Math.max(5, Math.round(reach / step)));
  return [
    line(curve, 1),
    ...Array.from({ length: n }, (_, i) => i / n).flatMap((u, i) => {
      const { at, degrees: way } = along(curve, u);
      const size = flower.size * (1.05 - 0.5 * u);
      return bloom(
        { ...flower, size },
        toward(at, way + (i % 2 ? 64 : -64), Math.max(1.6, size * 0.5)),
        way + (i % 2 ? 64 : -64),
      );
    }),
  ];
}

function plume(flower: Bloom, foot: Point, reach: number, degrees: number, lively: Lively): Shape[] {
  const n = 11;
  return [
    line([foot, toward(foot, degrees, reach)], 0.9),
    ...Array.from({ length: n }, (_, i) => (i + 0.3) / n).flatMap((u, i) => {
      const at = toward(foot, degrees, reach * u);
      const long = reach * 0.36 * (1 - u * 0.82);
      const way = degrees + (i % 2 ? 1 : -1) * (58 + lively(6));
      const beads = Math.max(2, Math.round(long / Math.max(2.6, flower.size)));
      return [
        line([at, toward(at, way, long)], 0.6),
        ...Array.from({ length: beads }, (_, b) => (b + 1) / beads).flatMap((v) =>
          bloom(flower, toward(at, way, long * v)),
        ),
      ];
    }),
  ];
}

/** Stalks of several lengths that bring all flowers to one level. */
function flatTop(flower: Bloom, foot: Point, reach: number, degrees: number): Shape[] {
  const stalks = [-56, -38, -20, 0, 20, 38, 56];
  return stalks.flatMap((turn) => {
    const end = toward(foot, degrees + turn, (reach * 0.55) / Math.max(0.55, Math.cos((turn * Math.PI) / 180)));
    const small = [-24, 0, 24].map((more) => toward(end, degrees + more, reach * 0.09));
    return [line([foot, end], 0.7), ...small.flatMap((tip) => bloom(flower, tip, degrees))];
  });
}
