import type { Lively, Point, Shape } from "../ink/shapes";
import { foliageOf, unrecordedLeaf } from "./foliage";
import { inAxils, onTop } from "./in-flower";
import { GROUND, MIDDLE, along, toward, tapered, line } from "./pen";
import type { Seen } from "./seen";
import type { Size } from "./size";
import { type Stand, stemWidth, stemTint } from "./stand";
import { leavesAlong, stemAlong } from "./stems";

/** A vine on what it climbs by the means that is recorded; a post where it winds, a trunk where it clings, a twig where it holds on. */
export function climber(seen: Seen, size: Size, lively: Lively): Stand {
  const by = seen.state("climbs-by");
  const tall = GROUND - 44;
  const clings = by === "rootlets" || by === "discs";
  const support = MIDDLE + 16;
  const winds = by === "twining" ? 15 : clings ? 5 : 9;
  const left = seen.state("twine-way") === "left" ? -1 : 1;
  const curve: Point[] = Array.from({ length: 25 }, (_, i) => {
    const u = i / 24;
    const swing = by === "twining" ? Math.sin(u * Math.PI * 7) : Math.sin(u * Math.PI * 3);
    return [support + left * winds * swing, GROUND - tall * u];
  });
  const foliage = foliageOf(seen);
  const length = Math.min(74, Math.max(16, size.leafUnits || 40));
  const order = seen.state("leaf-order") ?? "alternate";
  const leaves = foliage
    ? leavesAlong(
        curve,
        { foliage, order, length, smallest: 0.55, from: 0.12, to: 0.96, nodes: order === "opposite" ? 6 : 9 },
        lively,
      )
    : {
        behind: [],
        before: [0.25, 0.45, 0.65, 0.85].map((u, i) => unrecordedLeaf(along(curve, u).at, 36, i % 2 ? 60 : -60)),
      };
  const stem = stemAlong(seen, curve, Math.min(4, Math.max(1.7, stemWidth(seen, size))), stemTint(seen), lively);
  return {
    shapes: [
      ...leaves.behind,
      ...supportOf(clings, support, tall),
      ...stem,
      ...holds(by, curve, support, seen, lively),
      ...leaves.before,
      ...inAxils(seen, size, curve, lively),
      ...onTop(seen, size, curve, lively, 0.7),
    ],
    anchors: {
      leaf: toward(along(curve, 0.4).at, -60, length * 0.7),
      stem: along(curve, 0.25).at,
      flower: along(curve, 0.8).at,
      root: [support, GROUND + 20],
    },
    unrecorded: [...(foliage ? [] : ["leaf outline"]), ...(by ? [] : ["how it climbs"])],
  };
}

const supportOf = (isTrunk: boolean, x: number, tall: number): Shape[] => [
  tapered(
    [
      [x, GROUND],
      [x, GROUND - tall - 22],
    ],
    isTrunk ? 34 : 7,
    isTrunk ? 28 : 5,
    "bark",
  ),
];

/** What the vine holds on with. */
function holds(by: string | null, curve: Point[], support: number, seen: Seen, lively: Lively): Shape[] {
  const at = [0.2, 0.36, 0.52, 0.68, 0.84].map((u) => along(curve, u).at);
  if (by === "tendril" || by === "discs" || by === "leaf-stalk") {
    const forked = seen.state("tendril-fork") === "forked";
    return at.flatMap((point, i) => {
      const way = i % 2 ? 64 : -64;
      const end = toward(point, way, 20);
      const coil = [point, toward(point, way, 12), toward(end, way + 70, 4), toward(end, way + 190, 3)];
      const tips =
        by === "discs" ? [toward(point, way - 26, 14), toward(point, way, 16), toward(point, way + 26, 14)] : [];
      return [
        line(coil, 0.8),
        ...(forked ? [line([toward(point, way, 10), toward(point, way + 34, 22)], 0.8)] : []),
        ...tips.map((tip) => line([point, tip], 1.1)),
      ];
    });
  }
  if (by === "rootlets")
    return at.flatMap((point) =>
      Array.from({ length: 9 }, (_, i) =>
        line(
          [
            [point[0], point[1] + i * 2 - 9],
            [point[0] + (support > point[0] ? 6 : -6) + lively(2), point[1] + i * 2 - 9],
          ],
          0.5,
        ),
      ),
    );
  return [];
}
