import { type Point, type Tint, type Lively, type Shape, area, circle, straight } from "../ink/shapes";
import { closed, placed, line, toward, tapered, along } from "./pen";

/** A head in the making. */
interface Head {
  kind: string;
  foot: Point;
  length: number;
  degrees: number;
  tint: Tint;
  awn: number;
  lively: Lively;
  /** its axis, and the length of a spikelet */
  curve: Point[];
  size: number;
}

function spikelet({ tint, awn, lively }: Head, at: Point, way: number, size: number): Shape[] {
  const outline: Point[] = [
    [0, 0],
    [size * 0.22, -size * 0.45],
    [0, -size],
    [-size * 0.22, -size * 0.45],
  ];
  return [
    closed(placed(outline, at, 1, way), tint, 0.5),
    ...(awn > 0.5 ? [line([toward(at, way, size), toward(at, way + lively(6), size + awn)], 0.4)] : []),
  ];
}

const cylinder = ({ curve, length, tint, awn }: Head): Shape[] => [
  tapered(curve, Math.max(4, length / 9), Math.max(3, length / 12), tint),
  ...(awn > 0.5 ? bristled(curve, awn) : []),
];

const spike = (head: Head): Shape[] => [
  line(head.curve, 0.9),
  ...steps(head.length, head.size * 0.55).flatMap((u, i) => {
    const { at, degrees: way } = along(head.curve, u);
    return spikelet(head, at, way + (i % 2 ? 24 : -24), head.size);
  }),
];

const fingers = ({ foot, degrees, length, tint }: Head): Shape[] =>
  [-52, -26, 2, 30, 54].map((turn) => {
    const finger = [0, 0.5, 1].map((u) => toward(foot, degrees + turn * (0.7 + 0.4 * u), length * u));
    return tapered(finger, 2.2, 1.2, tint);
  });

const burs = ({ curve, length, tint }: Head): Shape[] =>
  steps(length, 9).map((u) => {
    const { at } = along(curve, u);
    return { ...area(circle(at[0], at[1], 3.4), tint), width: 0.8 };
  });

/** Tufts of spikelets on a few stalks from one point. */
const tufts = (head: Head): Shape[] =>
  [-58, -26, 4, 34, 62].flatMap((turn, i) => {
    const { foot, degrees, length, size } = head;
    const tip = toward(foot, degrees + turn, length * (0.35 + 0.12 * (i % 3)));
    return [
      line([foot, tip], 0.7),
      ...[-50, -15, 20, 55].flatMap((more) => spikelet(head, tip, degrees + turn * 0.6 + more, size * 0.8)),
    ];
  });

const SPREAD: Record<string, number> = { narrow: 20, plume: 34 };

/** Branches up the axis: close to it, as a plume, or wide open. */
function panicle(head: Head): Shape[] {
  const { kind, curve, length, size } = head;
  const spread = SPREAD[kind] ?? 62;
  const isPlume = kind === "plume";
  return [
    line(curve, 0.9),
    ...steps(length, Math.max(4, length / 13)).flatMap((u, i) => {
      const { at, degrees: way } = along(curve, u * 0.92);
      const branch = length * (kind === "narrow" ? 0.26 : 0.4) * (1 - u * 0.8);
      const turn = way + (i % 2 ? spread : -spread);
      return [
        line([at, toward(at, turn, branch * 0.5), toward(at, turn, branch)], 0.5),
        ...(isPlume ? [0.4, 0.6, 0.8, 1] : [0.55, 1]).flatMap((v) =>
          spikelet(head, toward(at, turn, branch * v), turn + (isPlume ? 10 : 26), size * 0.72),
        ),
      ];
    }),
  ];
}

const KINDS: Record<string, (head: Head) => Shape[]> = {
  ...{ cylinder, spike, "short-stalks": spike, fingers, burs },
  ...{ lumps: tufts, side: tufts, tufted: tufts, umbrella: tufts },
};

/** A head of a grass or rush at the end of its culm; `length` in the field's units. */
export function grassHead(
  kind: string,
  foot: Point,
  length: number,
  degrees: number,
  tint: Tint,
  awn: number,
  lively: Lively,
): Shape[] {
  const curve = [0, 0.3, 0.65, 1].map((u) => toward(foot, degrees + u * u * 16, length * u));
  const size = Math.min(11, Math.max(3.6, length / 9));
  return (KINDS[kind] ?? panicle)({ kind, foot, length, degrees, tint, awn, lively, curve, size });
}

const steps = (length: number, step: number): number[] => {
  const n = Math.min(40, Math.max(4, Math.round(length / Math.max(2, step))));
  return Array.from({ length: n }, (_, i) => i / n);
};

function bristled(curve: Point[], awn: number): Shape[] {
  const tips = Array.from({ length: 26 }, (_, i) => along(curve, i / 26));
  return [
    {
      d: tips.map(({ at, degrees }, i) => straight([at, toward(at, degrees + (i % 2 ? 34 : -34), awn + 3)])).join(""),
      ink: "hair",
      width: 0.5,
    },
  ];
}
