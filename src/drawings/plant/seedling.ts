import { type Lively, type Point, type Shape, straight } from "../ink/shapes";
import type { Leaf } from "../leaf/leaf";
import { type Foliage, drawFoliage } from "./foliage";
import { MIDDLE, GROUND, tapered, toward, line, closed, placed } from "./pen";
import type { Seen } from "./seen";
import type { Stand } from "./stand";

const STEM = 96;

const HALF: Record<string, (u: number) => number> = {
  strap: (u) => 0.1 * Math.min(1, u * 10) * Math.min(1, (1 - u) * 8),
  lance: (u) => 0.2 * Math.sin(Math.PI * u ** 0.8),
  oval: (u) => 0.3 * Math.sin(Math.PI * u) ** 0.8,
  round: (u) => 0.47 * Math.sqrt(Math.max(0, 1 - (2 * u - 1) ** 2)),
  spoon: (u) => 0.32 * Math.sin(Math.PI * u ** 1.8) ** 0.8 + 0.03,
  notched: (u) => 0.42 * Math.sin(Math.PI * u ** 1.25) ** 0.7,
  heart: (u) => 0.46 * Math.sin(Math.PI * u ** 1.4) ** 0.7,
  butterfly: (u) => 0.55 * Math.sin(Math.PI * u ** 1.6) ** 0.7,
};

/** A seedling: seed leaves, first leaves in their order, a little root. `perMm` units of the field for a millimeter. */
export function seedling(seen: Seen, perMm: number, lively: Lively): Stand {
  if (seen.lifeForm === "grass" || seen.lifeForm === "rush") return grassSeedling(seen, lively);
  const foot: Point = [MIDDLE, GROUND];
  const neck: Point = [MIDDLE + lively(3), GROUND - STEM * 0.45];
  const shape = seen.state("seed-leaf");
  const long = Math.min(92, Math.max(18, (seen.value("seed-leaf-length") ?? 12) * perMm));
  const red = seen.state("below-seed-leaf") === "red";
  const above = first(seen, neck, long, lively);
  return {
    shapes: [
      tapered([foot, neck], 3.4, 2.6, red ? "red" : "green"),
      ...above.behind,
      ...(shape && shape !== "hidden"
        ? [-78, 78].flatMap((turn) => seedLeaf(seen, shape, neck, long, turn + lively(4)))
        : []),
      ...above.before,
      ...hairs(seen, foot, neck),
    ],
    anchors: {
      leaf: toward(neck, -70, long * 0.7),
      stem: [MIDDLE, GROUND - 20],
      flower: neck,
      root: [MIDDLE, GROUND + 16],
    },
    unrecorded: [
      ...(shape ? [] : ["seed leaves"]),
      ...(seen.state("first-shape") || seen.state("first-leaf") ? [] : ["first leaves"]),
    ],
  };
}

function seedLeaf(seen: Seen, shape: string, foot: Point, long: number, degrees: number): Shape[] {
  const half = HALF[shape] ?? (HALF.oval as (u: number) => number);
  const ratio = seen.value("seed-leaf-ratio");
  const own = Math.max(...[0.2, 0.4, 0.5, 0.6, 0.8].map(half)) * 2;
  const wide = ratio ? Math.min(2.4, Math.max(0.4, 1 / ratio / own)) : 1;
  const dented =
    shape === "notched" || shape === "butterfly" || shape === "heart" || seen.state("seed-leaf-tip") === "dented";
  const stalk = { none: 0, short: 6, long: 18 }[seen.state("seed-leaf-stalk") ?? "short"] ?? 6;
  const start = toward(foot, degrees, stalk);
  const side = (sign: number): Point[] =>
    Array.from({ length: 12 }, (_, i) => {
      const u = (i + 0.5) / 12;
      return [sign * half(u) * wide, -u];
    });
  const tip: Point = dented ? [0, shape === "butterfly" ? -0.62 : -0.86] : [0, -1];
  const made = [[0, 0] as Point, ...side(1), tip, ...side(-1).reverse()];
  return [
    line([foot, start], 1.4),
    closed(placed(made, start, long, degrees), "green", 1),
    ...(seen.state("seed-leaf-veins") === "hidden"
      ? []
      : [
          line(
            placed(
              [
                [0, 0],
                [0, -0.8],
              ],
              start,
              long,
              degrees,
            ),
            0.5,
          ),
        ]),
  ];
}

const FIRST_SHAPES: Record<string, Leaf["shape"]> = {
  linear: "linear",
  lance: "lance",
  oval: "oval",
  round: "round",
  heart: "heart",
  arrow: "arrow",
  spoon: "spoon",
};

/** The first leaves above the seed leaves; dashed where their outline is not recorded. */
function first(seen: Seen, neck: Point, long: number, lively: Lively): { behind: Shape[]; before: Shape[] } {
  const plan = seen.state("first-leaf");
  const shape = FIRST_SHAPES[seen.state("first-shape") ?? ""];
  if (!plan && !shape) return { behind: [], before: [] };
  const teeth = seen.state("first-teeth");
  const foliage: Foliage = {
    kind: plan === "three" ? "three" : plan === "divided" ? "ferny" : "simple",
    leaf: {
      shape: shape ?? "oval",
      edge: plan === "toothed" ? ((teeth ?? "coarse") as Leaf["edge"]) : "smooth",
      lobes: plan === "lobed" ? "deep" : "none",
      tip: (seen.state("first-tip") ?? undefined) as Leaf["tip"],
    },
    lobePlan: "feather",
    leaflets: 3,
    longMiddle: false,
    width: null,
    stalk: { none: 0, short: 0.16, long: 0.5 }[seen.state("first-stalk") ?? "short"] ?? 0.16,
    lobes: 3,
    tint: "leaf",
    threads: false,
  };
  const order = seen.state("first-order");
  const blade = Math.min(84, long * 1.25);
  const turns = order === "opposite" ? [-36, 36] : order === "rosette" ? [-56, 50, -18, 16] : [-30, 34];
  const top = order === "rosette" ? neck : toward(neck, 0, 22);
  return {
    behind: order === "rosette" ? [] : [tapered([neck, top], 2.4, 1.8, "green")],
    before: turns.flatMap((turn, i) =>
      drawFoliage(
        foliage,
        order === "alternate" && i === 1 ? toward(neck, 0, 34) : top,
        blade * (1 - 0.18 * (i % 2)),
        turn,
        lively,
      ),
    ),
  };
}

function hairs(seen: Seen, foot: Point, neck: Point): Shape[] {
  const hair = seen.state("seedling-hair");
  if (!hair || hair === "none") return [];
  const n = hair === "few" ? 6 : 18;
  const d = Array.from({ length: n }, (_, i) => {
    const u = (i + 0.5) / n;
    const at: Point = [foot[0] + (neck[0] - foot[0]) * u, foot[1] + (neck[1] - foot[1]) * u];
    return straight([toward(at, i % 2 ? 90 : -90, 1.6), toward(at, i % 2 ? 76 : -76, hair === "bristly" ? 9 : 6)]);
  });
  return [{ d: d.join(""), ink: "hair", width: hair === "bristly" ? 1 : 0.6 }];
}

const BLADES: Record<string, number> = { thread: 1.6, narrow: 4, broad: 10 };

function grassSeedling(seen: Seen, lively: Lively): Stand {
  const kind = seen.state("first-blade");
  const level = seen.state("first-blade-stance") === "level";
  const width = BLADES[kind ?? "narrow"] ?? 4;
  const foot: Point = [MIDDLE, GROUND];
  const neck: Point = [MIDDLE, GROUND - 44];
  const first_: Point[] = level
    ? [neck, toward(neck, 62, 46), toward(neck, 84, 92)]
    : [neck, toward(neck, 12, 70), toward(neck, 20, 128)];
  const second: Point[] = [neck, toward(neck, -8, 66), toward(neck, -18 + lively(4), 128)];
  const husk = seen.state("husk");
  return {
    shapes: [
      tapered([foot, neck], 3.6, 3, seen.state("sheath-foot") === "red" ? "red" : "green"),
      { ...tapered(second, width * 0.8, 0.5, "pale") },
      tapered(first_, width, 0.5, "green"),
      ...(husk
        ? [
            closed(
              placed(
                [
                  [0, 0],
                  [4, -8],
                  [0, -18],
                  [-4, -8],
                ],
                [MIDDLE + 3, GROUND + 22],
                1,
                20,
              ),
              "straw",
              0.9,
            ),
          ]
        : []),
    ],
    anchors: { leaf: toward(neck, 40, 60), stem: [MIDDLE, GROUND - 22], flower: neck, root: [MIDDLE, GROUND + 16] },
    unrecorded: kind ? [] : ["first blade"],
  };
}
