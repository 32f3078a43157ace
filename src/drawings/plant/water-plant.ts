import { type Tint, type Lively, type Point, type Shape, area, ellipse } from "../ink/shapes";
import { waterBody } from "./ground";
import { GROUND, MIDDLE, tapered, along, line, toward, placed, closed } from "./pen";
import type { Seen } from "./seen";
import type { Size } from "./size";
import type { Stand } from "./stand";

const SURFACE = 84;

const STEMS: Record<string, Tint> = { green: "green", red: "red", pale: "pale", brown: "brown" };

/** A plant in its water: stems from the bottom, leaves in rings, pairs or singly, and what floats on the surface. */
export function waterPlant(seen: Seen, _size: Size, lively: Lively): Stand {
  const plan = seen.state("water-plan");
  const isWinter = seen.stage === "winter";
  const standing = isWinter && (seen.state("winter-water") === "dead" || seen.state("winter-water") === "buds");
  const top = standing ? GROUND - 60 : SURFACE + 12;
  const stems = [-44, 0, 48].map((x, i): Point[] =>
    [0, 0.33, 0.66, 1].map((u) => [MIDDLE + x + Math.sin(u * 4 + i) * 9, GROUND - (GROUND - top - i * 9) * u]),
  );
  const tint = STEMS[seen.state("stem-colour") ?? ""] ?? "green";
  return {
    shapes: [
      ...waterBody(SURFACE),
      ...(plan === "rosette"
        ? fromBottom(seen, lively)
        : stems.flatMap((curve) => [tapered(curve, 2.4, 1.1, tint), ...rings(seen, plan, curve, lively)])),
      ...onSurface(seen),
      ...bulbils(seen),
    ],
    anchors: {
      leaf: along(stems[1] as Point[], 0.6).at,
      stem: along(stems[1] as Point[], 0.2).at,
      flower: [MIDDLE + 30, SURFACE - 6],
      root: [MIDDLE, GROUND + 14],
    },
    unrecorded: [...(plan ? [] : ["plan under water"]), ...(seen.state("water-leaf") ? [] : ["leaf under water"])],
  };
}

function rings(seen: Seen, plan: string | null, curve: Point[], lively: Lively): Shape[] {
  if (!plan) return [];
  const crowded = seen.state("tips") === "bushy";
  const number = Math.min(12, Math.round(seen.value("whorl-number") ?? (plan === "branchlets" ? 7 : 4)));
  const nodes = Array.from({ length: 10 }, (_, i) => (i + 0.6) / 10).map((u) => (crowded ? u ** 0.7 : u));
  return nodes.flatMap((u, i) => {
    const { at, degrees } = along(curve, u);
    if (plan === "alternate") return leaf(seen, at, degrees + (i % 2 ? 56 : -56), lively);
    if (plan === "opposite") return [-62, 62].flatMap((turn) => leaf(seen, at, degrees + turn, lively));
    return Array.from({ length: number }, (_, k) => -104 + (208 * k) / Math.max(1, number - 1)).flatMap((turn) =>
      leaf(seen, at, degrees + turn, lively),
    );
  });
}

const LONG: Record<string, number> = {
  strap: 20,
  ribbon: 56,
  thread: 40,
  feather: 22,
  forked: 16,
  broad: 34,
  tube: 22,
};

/** One leaf under water, by its plan: strap, ribbon, thread, feather, fork or blade. */
function leaf(seen: Seen, foot: Point, degrees: number, lively: Lively): Shape[] {
  const kind = seen.state("water-leaf");
  if (!kind) return [{ ...line([foot, toward(foot, degrees, 16)], 0.7), dash: true }];
  const long = (LONG[kind] ?? 20) * (1 + lively(0.08));
  const end = toward(foot, degrees, long);
  if (kind === "thread" || kind === "tube")
    return [line([foot, toward(foot, degrees + 8, long * 0.5), end], kind === "tube" ? 1.6 : 0.8)];
  if (kind === "feather")
    return [
      line([foot, end], 0.7),
      ...[0.2, 0.36, 0.52, 0.68, 0.84].flatMap((u) =>
        [-1, 1].map((side) =>
          line(
            [
              toward(foot, degrees, long * u),
              toward(toward(foot, degrees, long * u), degrees + side * 38, long * 0.4 * (1.1 - u * 0.7)),
            ],
            0.5,
          ),
        ),
      ),
    ];
  if (kind === "forked") {
    const fork = toward(foot, degrees, long * 0.5);
    return [
      line([foot, fork], 0.8),
      ...[-22, 22].map((turn) => line([fork, toward(fork, degrees + turn, long * 0.6)], 0.7)),
    ];
  }
  const wide = kind === "broad" ? 0.3 : kind === "ribbon" ? 0.06 : 0.12;
  const made: Point[] = [
    [0, 0],
    [wide, -0.3],
    [wide, -0.7],
    [0, -1],
    [-wide, -0.7],
    [-wide, -0.3],
  ];
  const edge = seen.state("water-teeth");
  const teeth =
    edge && edge !== "none"
      ? [0.3, 0.5, 0.7].flatMap((u) =>
          [-1, 1].map((side) =>
            line(
              placed(
                [
                  [side * wide, -u],
                  [side * (wide + 0.07), -u - 0.05],
                ],
                foot,
                long,
                degrees,
              ),
              0.5,
            ),
          ),
        )
      : [];
  return [closed(placed(made, foot, long, degrees), "green", 0.6), ...teeth];
}

/** Leaves that rise from the bottom, or a ring of them that floats. */
function fromBottom(seen: Seen, lively: Lively): Shape[] {
  const foot: Point = [MIDDLE, GROUND];
  const kind = seen.state("water-leaf");
  const reach = kind === "ribbon" ? GROUND - SURFACE - 8 : 70;
  return [-26, -14, -4, 6, 16, 28].map((turn) => {
    const curve = [foot, toward(foot, turn * 0.7, reach * 0.5), toward(foot, turn + lively(3), reach)];
    return tapered(curve, kind === "broad" ? 12 : 5, 1.4, "green");
  });
}

function onSurface(seen: Seen): Shape[] {
  const float = seen.state("float-leaf");
  const surface = seen.state("surface");
  if (float === "rosette" || float === "diamond")
    return Array.from({ length: 11 }, (_, i) => -90 + 18 * i).map((turn) => {
      const at = toward([MIDDLE, SURFACE + 4], turn, 40);
      return closed(
        placed(
          [
            [0, 0],
            [8, -8],
            [0, -15],
            [-8, -8],
          ],
          [at[0], SURFACE + 3 - Math.abs(90 - Math.abs(turn)) * 0.09],
          1,
          turn,
        ),
        "green",
        0.7,
      );
    });
  if (surface === "float" || float === "oval")
    return [-46, 6, 58].map((x) => ({ ...area(ellipse(MIDDLE + x, SURFACE, 22, 6), "green"), width: 0.8 }));
  if (surface === "flowers")
    return [-30, 34].flatMap((x) => [
      line(
        [
          [MIDDLE + x, SURFACE + 12],
          [MIDDLE + x, SURFACE - 9],
        ],
        0.8,
      ),
      { ...area(ellipse(MIDDLE + x, SURFACE - 11, 5, 3.6), "white"), width: 0.6 },
    ]);
  if (surface === "shoots")
    return [-34, 20].map((x) =>
      tapered(
        [
          [MIDDLE + x, SURFACE + 14],
          [MIDDLE + x + 3, SURFACE - 26],
        ],
        3,
        1.4,
        "green",
      ),
    );
  return [];
}

function bulbils(seen: Seen): Shape[] {
  const kind = seen.state("bulbils");
  if (!kind || kind === "none") return [];
  return [-20, 4, 30].map((x) => ({
    ...area(ellipse(MIDDLE + x, GROUND + 9, kind === "tuber" ? 6 : 4, 4), kind === "star" ? "white" : "straw"),
    width: 0.8,
  }));
}
