import { type Lively, type Shape, type Point, area, circle } from "../ink/shapes";
import { foliageOf } from "./foliage";
import { MIDDLE, GROUND, tapered, toward, line, along } from "./pen";
import type { Seen } from "./seen";
import type { Size } from "./size";
import type { Stand } from "./stand";
import { rosette } from "./stems";

/** What is left of a herb or grass in winter: its dead stems, and the leaves that stay. */
export function winterStand(seen: Seen, size: Size, lively: Lively): Stand {
  const dead = seen.state("dead-stems");
  const green = seen.state("evergreen");
  const foliage = foliageOf(seen);
  const keeps = green === "rosette" || green === "evergreen";
  const grassy = seen.lifeForm === "grass" || seen.lifeForm === "rush";
  const leaf = Math.min(70, Math.max(20, size.leafUnits || 40));
  return {
    shapes: [
      ...(dead === "straw" && isSingle(seen) ? deadCulms(size, lively) : dead ? deadStems(dead, size, lively) : []),
      ...(keeps && grassy ? tuft(lively) : []),
      ...(keeps && !grassy && foliage ? rosette(foliage, [MIDDLE, GROUND], leaf, true, lively) : []),
    ],
    anchors: {
      leaf: [MIDDLE - 30, GROUND - 12],
      stem: [MIDDLE, GROUND - 80],
      flower: [MIDDLE, GROUND - size.heightUnits],
      root: [MIDDLE, GROUND + 20],
    },
    unrecorded: [...(dead || keeps ? [] : ["what stands in winter"])],
  };
}

const tuft = (lively: Lively): Shape[] =>
  [-50, -30, -12, 8, 26, 48].map((turn) => {
    const foot: Point = [MIDDLE + turn * 0.2, GROUND];
    return tapered([foot, toward(foot, turn * 0.7, 22), toward(foot, turn + lively(6), 42)], 2.4, 0.5, "green");
  });

/** Dry stems that still wind up what they climbed. */
function deadVine(lively: Lively): Shape[] {
  const winding = (phase: number, top: number): Point[] =>
    Array.from({ length: 13 }, (_, i) => {
      const u = i / 12;
      return [MIDDLE + 15 * Math.sin(phase + 9 * u) + lively(3), GROUND - u * (GROUND - top)];
    });
  const stake = tapered(
    [
      [MIDDLE, GROUND],
      [MIDDLE + 2, 96],
    ],
    7,
    5,
    "bark",
  );
  const hanging = [
    [-46, 0.62],
    [40, 0.8],
  ].map(([x, u]) =>
    line([along(winding(0, 104), u).at, [MIDDLE + x * 0.7, GROUND - u * 190], [MIDDLE + x, GROUND - u * 150]], 0.9),
  );
  return [stake, line(winding(0, 104), 1.6), line(winding(2, 150), 1.2), ...hanging];
}

/** A grass of single shoots leaves them standing; only a tussock leaves a heap of straw. */
const isSingle = (seen: Seen): boolean => seen.state("clump") === "single";

/** Dry culms with their last leaves hanging from the joints. */
function deadCulms(size: Size, lively: Lively): Shape[] {
  const tall = size.heightUnits * 0.8;
  return [-24, 0, 22].flatMap((x, i) => {
    const top: Point = [MIDDLE + x * 1.4 + lively(4), GROUND - tall * (1 - 0.12 * i)];
    const curve: Point[] = [[MIDDLE + x, GROUND], [MIDDLE + x * 1.1, (GROUND + top[1]) / 2], top];
    const width = Math.min(6, Math.max(1.6, size.perCm * 0.9));
    return [
      tapered(curve, width, width * 0.6, "straw"),
      ...[0.3, 0.5, 0.72].map((u, k) => {
        const { at } = along(curve, u);
        const side = (i + k) % 2 ? 1 : -1;
        const out = toward(at, side * 70, Math.min(26, tall * 0.14));
        return tapered([at, out, toward(out, side * 165, Math.min(34, tall * 0.18))], 2, 0.6, "straw");
      }),
    ];
  });
}

function deadStems(kind: string, size: Size, lively: Lively): Shape[] {
  const tall = size.heightUnits * 0.94;
  const stem = (x: number, share: number, lean: number): Point[] => [
    [MIDDLE + x, GROUND],
    [MIDDLE + x + lean * 0.5 + lively(2), GROUND - tall * share * 0.5],
    [MIDDLE + x + lean, GROUND - tall * share],
  ];
  if (kind === "none") return [];
  if (kind === "straw")
    return Array.from({ length: 12 }, (_, i) => {
      const foot: Point = [MIDDLE - 26 + i * 4.6, GROUND];
      return tapered(
        [foot, toward(foot, -50 + i * 9, 40), toward(foot, (-72 + i * 13) * 1.1, 62 + lively(10))],
        1.6,
        0.6,
        "straw",
      );
    });
  if (kind === "canes")
    return [-34, -8, 20].flatMap((x, i) => {
      const curve = stem(x, 1 - 0.1 * i, x * 0.3);
      return [
        tapered(curve, 7, 4, "straw"),
        ...[0.16, 0.34, 0.52, 0.7, 0.88].map((u) =>
          line([toward(along(curve, u).at, 90, 4), toward(along(curve, u).at, -90, 4)], 1.1),
        ),
      ];
    });
  if (kind === "vine") return deadVine(lively);
  if (kind === "thicket")
    return [-60, -34, -10, 18, 44].map((x) =>
      line(
        [
          [MIDDLE + x, GROUND],
          [MIDDLE + x * 0.4 + lively(12), GROUND - 70],
          [MIDDLE + x * 1.2 + lively(20), GROUND - 130],
          [MIDDLE + x * 0.6, GROUND - 180],
        ],
        1.4,
      ),
    );
  return [-16, 14].flatMap((x, i) => {
    const curve = stem(x, 1 - 0.14 * i, x * 0.5);
    const { at, degrees } = along(curve, 1);
    const head =
      kind === "ribbed"
        ? [-64, -44, -22, 0, 22, 44, 64].map((turn) => line([at, toward(at, degrees + turn, 40)], 0.7))
        : [0.7, 0.8, 0.9, 1].flatMap((u, k) => {
            const side = toward(along(curve, u).at, k % 2 ? 48 : -48, 15);
            return [
              line([along(curve, u).at, side], 0.7),
              { ...area(circle(side[0], side[1], 3.2), "brown"), width: 0.6 },
            ];
          });
    return [tapered(curve, kind === "ribbed" ? 6 : 3, 1.6, "straw"), ...head];
  });
}
