import { type Shape, all, inner, straight, pts, outline, area, ellipse, smoothClosed } from "../ink/shapes";
import { stem } from "../stem/stem";
import { type Leaf, drawLeaf } from "./leaf";

/** A shoot with leaves in their order on it. */
export function leafOrder(order: "alternate" | "opposite" | "whorled" | "basal" | "spines", own?: Leaf): Shape[] {
  if (order === "basal")
    return all(
      inner(straight(pts("60,84 60,14"))),
      ...[-80, -52, 52, 80, -25, 25].map((a) => drawLeaf(own ?? { shape: "spoon" }, [60, 84], 38, a)),
      outline(straight(pts("20,86 100,86"))),
    );
  const leaf: Leaf = own ?? { shape: "lance" };
  const parts: Shape[] = [];
  const nodes = [76, 54, 32];
  nodes.forEach((y, i) => {
    if (order === "alternate") parts.push(...drawLeaf(leaf, [60, y], 34, i % 2 ? -58 : 58));
    if (order === "opposite") parts.push(...drawLeaf(leaf, [60, y], 32, 60), ...drawLeaf(leaf, [60, y], 32, -60));
    if (order === "whorled")
      parts.push(...[70, -70, 35, -35].flatMap((a) => drawLeaf({ ...leaf, veins: false }, [60, y], 27, a)));
    if (order === "spines")
      parts.push(
        outline(straight(pts("60,0 76,-12", 0, y))),
        outline(straight(pts("60,0 44,-10", 0, y))),
        outline(straight(pts("60,8 72,1", 0, y))),
      );
  });
  return all(stem(60, 12, 90, 2.2), parts);
}

export const bud = (x: number, y: number): Shape[] => [
  area(ellipse(x + 5, y - 2, 2.4, 4), "brown"),
  outline(straight(pts("-14,4 16,4", x, y))),
];

/** Two leaves grown into one round the stem. */
export const joinedPair = (): Shape[] =>
  all(
    stem(60, 4, 92, 4),
    area(smoothClosed(pts("60,40 84,34 114,44 86,60 60,58 34,60 6,44 36,34")), "leaf"),
    inner(straight(pts("12,45 108,45"))),
    outline(ellipse(60, 48, 5, 4)),
  );
