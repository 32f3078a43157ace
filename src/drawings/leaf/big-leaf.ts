import { type Shape, smoothClosed, pts, inner, circle, all, area, smooth } from "../ink/shapes";
import type { HairKind } from "../stem/stem";
import { type LeafShape, type Leaf, drawLeaf } from "./leaf";

/** Shapes with lobes below the stalk's foot stand higher, so that the lobes stay on the field. */
const EARED: LeafShape[] = ["heart", "arrow", "kidney"];

export const bigLeaf = (leaf: Leaf): Shape[] =>
  EARED.includes(leaf.shape)
    ? drawLeaf(leaf, [60, 72], 60, 0, 14)
    : drawLeaf(leaf, [60, 84], leaf.shape === "round" ? 66 : 72, 0, 8);

export const leafHair = (state: string): HairKind => (state === "scales" ? "felt" : (state as HairKind));

/** A leaf set with small round scales. */
export function scalyLeaf(): Shape[] {
  const blade = smoothClosed(pts("14,78 22,40 52,14 104,12 108,50 86,82 46,90"));
  const scales = Array.from({ length: 40 }, (_, i) => inner(circle(26 + ((i * 17) % 74), 30 + ((i * 29) % 46), 1.9)));
  return all(area(blade, "silver"), inner(smooth(pts("14,78 50,48 106,14"))), scales);
}
