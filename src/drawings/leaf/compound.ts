import { type Lively, STILL, type Shape, type Point, all, outline, straight, polar } from "../ink/shapes";
import { bud, leafOrder } from "./leaf-order";
import { type Leaf, drawLeaf } from "./leaf";

/** A divided leaf. */
export function compoundLeaf(
  kind: "simple" | "three" | "palmate" | "pinnate" | "ferny" | "none",
  middle: "same" | "longer" = "longer",
  leaf: Leaf = { shape: "egg" },
  lively: Lively = STILL,
): Shape[] {
  const leaflet = (foot: Point, length: number, angle: number) =>
    drawLeaf(leaf, foot, length * (1 + lively(LEAFLET_GROWTH)), angle + lively(LEAFLET_TURN));
  if (kind === "simple") return all(drawLeaf(leaf, [60, 76], 62, lively(LEAFLET_TURN), 14), bud(60, 90));
  if (kind === "none") return leafOrder("spines");
  const rod = outline(
    straight([
      [60, 92],
      [60, kind === "pinnate" ? 30 : 62],
    ]),
  );
  if (kind === "three")
    return all(
      rod,
      outline(
        straight([
          [60, 62],
          [60, middle === "longer" ? 48 : 60],
        ]),
      ),
      leaflet([61, 62], 40, 82),
      leaflet([59, 62], 40, -82),
      leaflet([60, middle === "longer" ? 48 : 60], 42, 0),
    );
  if (kind === "palmate")
    return all(
      rod,
      ...[-112, -56, 0, 56, 112].map((a) =>
        leaflet(polar(60, 62, middle === "longer" && a === 0 ? 10 : 2, a - 90), 40, a),
      ),
    );
  if (kind === "pinnate")
    return all(
      rod,
      ...[76, 58, 42].flatMap((y) => [leaflet([60, y], 30, 72), leaflet([60, y], 30, -72)]).flat(),
      leaflet([60, 32], 28, 0),
    );
  return all(rod, ferny([60, 92], 82, -90, 3));
}

/** No two leaves of a plant are quite alike: leaflets of one leaf differ by so much of their length, and are turned by so many degrees. Less than any state differs from the next. */
const LEAFLET_GROWTH = 0.04;

const LEAFLET_TURN = 4;

/** A leaf divided again and again, as strokes. */
export function ferny([x, y]: Point, length: number, degrees: number, depth: number, width = 1.4): Shape[] {
  const end = polar(x, y, length, degrees);
  const parts: Shape[] = [{ ...outline(straight([[x, y], end])), width }];
  if (depth === 0) return parts;
  for (const u of [0.34, 0.52, 0.7, 0.86]) {
    const from: Point = [x + (end[0] - x) * u, y + (end[1] - y) * u];
    for (const side of [-1, 1])
      parts.push(...ferny(from, length * (0.56 - u * 0.36), degrees + side * 52, depth - 1, width * 0.72));
  }
  return parts;
}
