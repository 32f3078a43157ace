import type { Tint, Lively, Point, Shape } from "../ink/shapes";
import { grassHead } from "./grass-head";
import { MIDDLE, GROUND, tapered, toward, along, line } from "./pen";
import type { Seen } from "./seen";
import type { Size } from "./size";
import type { Stand } from "./stand";

const SHOOTS: Record<string, number> = {
  single: 2,
  "loose-tuft": 7,
  "dense-tuft": 16,
  patch: 7,
  runners: 6,
  "big-clump": 24,
};

const HEAD_TINTS: Record<string, Tint> = {
  green: "green",
  purple: "purple",
  straw: "straw",
  brown: "brown",
  silver: "silver",
  yellow: "yellow",
};

/** A grass, sedge or rush: its shoots as they stand together, blades to scale, heads where it flowers. */
export function grass(seen: Seen, size: Size, lively: Lively): Stand {
  const clump = seen.state("clump") ?? "loose-tuft";
  const shoots = SHOOTS[clump] ?? 6;
  const spread =
    clump === "patch" || clump === "runners" ? 116 : clump === "dense-tuft" ? 12 : clump === "big-clump" ? 26 : 18;
  const blade = bladeOf(seen, size);
  const isOut = seen.stage === "flowering" || seen.stage === "fruiting";
  const culms = isOut ? Math.min(clump === "single" ? 1 : 3, shoots) : 0;
  const feet = Array.from(
    { length: shoots },
    (_, i): Point => [MIDDLE + (shoots === 1 ? 0 : -spread / 2 + (spread * i) / (shoots - 1)) + lively(3), GROUND],
  );
  const tall = isOut ? size.heightUnits : Math.min(size.heightUnits, Math.max(60, blade.length * 1.3));
  const tuft = feet.flatMap((foot, i) =>
    shoot(foot, blade, (i - (shoots - 1) / 2) / Math.max(1, shoots - 1), isOut ? tall * 0.4 : tall * 0.5, lively),
  );
  const stems = Array.from({ length: culms }, (_, i) =>
    culm(seen, size, feet[Math.floor(((i + 0.5) * shoots) / culms)] as Point, i - (culms - 1) / 2, blade, lively),
  );
  return {
    shapes: [
      ...(clump === "runners"
        ? [
            tapered(
              [
                [74, GROUND - 2],
                [MIDDLE, GROUND + 1],
                [318, GROUND - 2],
              ],
              2.4,
              2,
              "straw",
            ),
          ]
        : []),
      ...tuft,
      ...stems.flat(),
    ],
    anchors: {
      leaf: [MIDDLE - 40, GROUND - tall * 0.3],
      stem: [MIDDLE, GROUND - tall * 0.25],
      flower: [MIDDLE, GROUND - tall * 0.92],
      root: [MIDDLE, GROUND + 20],
    },
    unrecorded: seen.value("blade-width") === null && seen.value("blade-length") === null ? ["size of the blade"] : [],
  };
}

interface Blade {
  length: number;
  width: number;
  tint: Tint;
  round: boolean;
}

function bladeOf(seen: Seen, size: Size): Blade {
  const tone = seen.state("tone");
  return {
    length: Math.min(150, Math.max(20, (seen.value("blade-length") ?? 18) * size.perCm)),
    width: Math.min(16, Math.max(1.1, ((seen.value("blade-width") ?? 5) / 10) * size.perCm)),
    tint:
      tone === "blue-grey" ? "bluegrey" : tone === "yellow-green" ? "yellowgreen" : tone === "dark" ? "dark" : "leaf",
    round: ["rolled", "round"].includes(seen.state("blade-form") ?? ""),
  };
}

/** A few blades from one foot, arching away from the middle. */
function shoot(foot: Point, blade: Blade, lean: number, tall: number, lively: Lively): Shape[] {
  return [-1, 1, -0.4].map((side, i) => {
    const turn = side * (24 + 22 * i * 0.5) + lean * 46 + lively(8);
    const long = Math.max(blade.length, tall * 0.6) * (1 - 0.14 * i);
    return arching(foot, turn, Math.min(long, blade.length * 1.02), blade, i === 2);
  });
}

function arching(foot: Point, turn: number, length: number, { width, tint, round }: Blade, far: boolean): Shape {
  const bend = round ? 10 : 30;
  const way = Math.sign(turn) || 1;
  const curve = [0, 0.3, 0.6, 0.85, 1]
    .map((u) => u * length)
    .reduce<Point[]>((points, reach, i, all) => {
      const before = points.at(-1);
      if (!before) return [foot];
      const u = reach / length;
      return [...points, toward(before, turn * 0.6 + way * bend * u * u * 1.5, reach - (all[i - 1] ?? 0))];
    }, []);
  return tapered(curve, round ? Math.min(1.8, width) : width, 0.4, far && tint === "leaf" ? "pale" : tint);
}

/** A flowering stem with its nodes, a few blades and its head. */
function culm(seen: Seen, size: Size, foot: Point, lean: number, blade: Blade, lively: Lively): Shape[] {
  const kind = seen.state("head-kind");
  const head = Math.min(size.heightUnits * 0.5, Math.max(20, (seen.value("head-length") ?? 10) * size.perCm));
  const tall = size.heightUnits * (1 - 0.06 * Math.abs(lean)) - (kind ? head : 0);
  const curve: Point[] = [0, 0.35, 0.7, 1].map((u) => [foot[0] + lean * 34 * u * u + lively(1), GROUND - tall * u]);
  const many = Math.min(9, Math.max(3, Math.round(tall / Math.max(24, blade.length * 0.9))));
  const nodes = Array.from({ length: many }, (_, i) => 0.14 + (0.66 * i) / Math.max(1, many - 1));
  const nod = seen.state("head-stance") === "nodding" ? 34 * (lean >= 0 ? 1 : -1) : 0;
  const { at, degrees } = along(curve, 1);
  const awn = Math.min(40, ((seen.value("awn-length") ?? 0) / 10) * size.perCm);
  return [
    tapered(curve, Math.max(1.5, Math.min(5, blade.width * 0.5)), 1, "green"),
    ...nodes.map((u) => line([toward(along(curve, u).at, 90, 2), toward(along(curve, u).at, -90, 2)], 1.4)),
    ...nodes.map((u, i) =>
      arching(along(curve, u).at, (i % 2 ? 1 : -1) * 40, blade.length * (0.95 - (0.4 * i) / many), blade, i === 1),
    ),
    ...(kind
      ? grassHead(
          kind,
          at,
          head,
          degrees + nod,
          HEAD_TINTS[seen.state("head-color") ?? ""] ?? "straw",
          seen.state("awn-shape") === "none" ? 0 : awn,
          lively,
        )
      : []),
  ];
}
