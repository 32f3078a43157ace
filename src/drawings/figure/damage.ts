import type { Misleading } from "@/core/drill";
import { type Point, type Shape, liveliness, type Lively, flat, circle, smoothClosed, pts } from "../ink/shapes";
import { type Foliage, foliageOf, drawFoliage } from "../plant/foliage";
import { line, closed } from "../plant/pen";
import type { Seen } from "../plant/seen";

const FOOT: Point = [60, 90];

const LEAF = 72;

/** A leaf for a plant whose own leaf is not recorded. */
const PLAIN: Foliage = {
  ...{ kind: "simple", leaf: { shape: "oval", edge: "smooth", lobes: "none", base: undefined, tip: undefined } },
  ...{ lobePlan: "feather", leaflets: 1, longMiddle: false, width: 0.5, stalk: 0.12, lobes: 3 },
  ...{ tint: "leaf", threads: false },
};

const BLADE: Foliage = { ...PLAIN, width: 0.14, stalk: 0 };

const GRASSY = ["grass", "rush"];

/** A clue that lies, as it stands in the field: damage or stress on a plant of this kind. `seen` is the plant without the lie. */
export function drawDamage(misleading: Misleading, seen: Seen, state: string | undefined, seed: string): Shape[] {
  const lively = liveliness(seed);
  if (misleading === "mown") return mown(lively);
  if (misleading === "starved") return starved(lively);
  const own = foliageOf(seen) ?? (GRASSY.includes(seen.lifeForm) ? BLADE : PLAIN);
  const length = LEAF / (1 + Math.min(1, own.stalk));
  const leaf = drawFoliage({ ...own, ...(own.stalk > 1 ? { stalk: 1 } : {}) }, FOOT, length, 0, lively);
  return misleading === "chewed"
    ? [...leaf, ...bites(length, own, lively)]
    : [...leaf, ...blotches(length, state === "reddish" ? "red" : "yellow", lively)];
}

/** Round pieces are gone from the edge: what an insect leaves. */
function bites(length: number, { stalk, width }: Foliage, lively: Lively): Shape[] {
  const half = (length * (width ?? 0.55)) / 2;
  const top = FOOT[1] - stalk * length;
  return [0.22, 0.36, 0.47, 0.6, 0.74].flatMap((u, i) => {
    const side = i % 2 ? 1 : -1;
    const reach = half * Math.sin(Math.PI * (0.15 + 0.75 * u));
    return circleOf([FOOT[0] + side * (reach + lively(2)), top - length * u], 4 + 3.4 * Math.abs(Math.sin(i * 2.3)));
  });
}

const circleOf = ([x, y]: Point, r: number): Shape[] => [flat(circle(x, y, r), "paper")];

/** Colored from the edge inwards, and unevenly: no color that the plant has of itself is so. */
function blotches(length: number, tint: "red" | "yellow", lively: Lively): Shape[] {
  return Array.from({ length: 9 }, (_, i) => {
    const u = 0.18 + 0.08 * i;
    const x = FOOT[0] + (i % 2 ? 1 : -1) * length * 0.18 * Math.sin(Math.PI * u) + lively(4);
    const y = FOOT[1] - length * (0.1 + u);
    const r = 3 + 2.6 * Math.abs(Math.sin(i * 1.7));
    return flat(smoothClosed([0, 60, 120, 180, 240, 300].map((a) => around([x, y], a, r + lively(2)))), tint);
  });
}

const around = ([x, y]: Point, degrees: number, r: number): Point => [
  x + r * Math.cos((degrees * Math.PI) / 180),
  y + r * Math.sin((degrees * Math.PI) / 180),
];

/** Stubs at one height, cut flat, with the cut tops lying beside them. */
function mown(lively: Lively): Shape[] {
  const stubs = Array.from({ length: 9 }, (_, i): Point => [20 + i * 10 + lively(3), 84]);
  return [
    line(pts("4,84 116,84"), 1.2),
    ...stubs.flatMap(([x, y]) => [
      line(
        [
          [x, y],
          [x + lively(1), y - 22],
        ],
        2.2,
      ),
      line(pts("-2.4,-22 2.4,-22", x, y), 1.2),
    ]),
    ...[18, 46, 78, 100].map((x) =>
      line(
        [
          [x - 9, 80 + lively(2)],
          [x + 9, 76 + lively(2)],
        ],
        1,
      ),
    ),
    {
      ...line(pts("4,62 116,62"), 0.7),
      dash: true,
    },
  ];
}

/** One thin stalk with few small leaves between stones. */
function starved(lively: Lively): Shape[] {
  const stones: Point[] = pts("18,86 36,88 84,87 102,86 70,90");
  return [
    line(
      [
        [60, 86],
        [61 + lively(2), 66],
        [60, 44],
      ],
      1.1,
    ),
    ...[72, 60, 50].flatMap((y, i) =>
      drawFoliage({ ...PLAIN, tint: "yellowgreen", stalk: 0.1 }, [60, y], 13 - i * 2, i % 2 ? 62 : -62, lively),
    ),
    ...stones.map(([x, y]) =>
      closed(
        [0, 72, 144, 216, 288].map((a) => around([x, y], a, 6 + lively(3))),
        "ground",
      ),
    ),
    line(pts("4,92 116,92"), 1),
  ];
}
