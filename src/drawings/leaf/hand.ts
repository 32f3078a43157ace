import { pts, type Point, type Shape, polar, inner, straight, all, area, outline } from "../ink/shapes";
import { toothed } from "./leaf-edge";
import type { Leaf } from "./leaf";

/** A blade with lobes that spread from the foot, like a hand; half the notch angle in degrees sets how far they part. */
export function handLeaf(
  lobes: number,
  notch: number,
  [x, y]: Point = [60, 84],
  reach = 62,
  edge: Leaf["edge"] = "smooth",
): Shape[] {
  const spread = lobes === 3 ? 58 : 50;
  const middle = (lobes - 1) / 2;
  const points: Point[] = [];
  for (let i = 0; i < lobes; i++) {
    const a = -90 + (i - middle) * spread;
    const long = reach * (1 - Math.abs(i - middle) * 0.16);
    if (i === 0) points.push(polar(x, y, 8, a - 60));
    points.push(polar(x, y, long * 0.62, a - 18), polar(x, y, long, a), polar(x, y, long * 0.62, a + 18));
    if (i < lobes - 1) points.push(polar(x, y, reach * (0.24 + notch / 400), a + spread / 2));
    else points.push(polar(x, y, 8, a + 60));
  }
  const veins = Array.from({ length: lobes }, (_, i) =>
    inner(
      straight([[x, y], polar(x, y, reach * 0.8 * (1 - Math.abs(i - middle) * 0.16), -90 + (i - middle) * spread)]),
    ),
  );
  return all(
    area(straight(toothed(points, [x, y - reach / 2], edge), true), "leaf"),
    veins,
    outline(straight(pts("0,0 0,10", x, y))),
  );
}
