import { type Tint, type Point, type Shape, area, circle, ellipse } from "../ink/shapes";
import { closed, placed, line, toward } from "./pen";

/** Fruit where the flowers stood: berries round, pods hanging, plumes, keys and burs in plain outline. */
export function fruitAt(kind: string, tint: Tint, at: Point, size: number, degrees: number): Shape[] {
  const r = Math.max(1.5, size / 2);
  const [x, y] = at;
  if (["pod", "split", "nut"].includes(kind) && r > 2.4)
    return [
      closed(
        placed(
          [
            [0, 0],
            [r * 0.32, -r * 0.6],
            [0, -r * 2],
            [-r * 0.32, -r * 0.6],
          ],
          at,
          1,
          degrees,
        ),
        tint,
        0.6,
      ),
    ];
  if (kind === "plume" || kind === "parachute")
    return Array.from({ length: 9 }, (_, i) => line([at, toward(at, i * 40, r * 1.5)], 0.5));
  if (kind === "key")
    return [
      closed(
        placed(
          [
            [0, 0],
            [r * 0.5, -r * 0.8],
            [r * 0.2, -r * 2],
            [-r * 0.3, -r * 1.2],
          ],
          at,
          1,
          degrees + 150,
        ),
        tint,
        0.6,
      ),
    ];
  if (kind === "bur")
    return [
      { ...area(circle(x, y, r), tint), width: 0.7 },
      ...Array.from({ length: 12 }, (_, i) => line([toward(at, i * 30, r), toward(at, i * 30, r * 1.5)], 0.5)),
    ];
  return [{ ...area(ellipse(x, y, r, r * 1.05), tint), width: 0.6 }];
}
