import type { Draw } from "../ink/draw";
import { type Point, along, all, outline, straight, type Shape, faint, pts, inner, smooth, polar } from "../ink/shapes";
import { stem, fringe } from "./stem";

export const hairPosture: Draw = (s) => {
  const lean: Record<string, Point> = { standing: [16, 0], down: [9, 12], flat: [2.5, -14], forward: [10, -10] };
  const [dx, dy] = lean[s];
  const rows = along([0, 16], [0, 82], 12).map(([, y]) => y);
  return all(
    stem(60, 6, 90, 14, "pale"),
    rows.flatMap((y) =>
      [-1, 1].map((d) => ({
        ...outline(
          straight([
            [60 + d * 14, y],
            [60 + d * (14 + dx), y + dy],
          ]),
        ),
        width: 1.2,
      })),
    ),
  );
};

/** A stem whose hairs stand in one line down one side, or cling with hooks. */
export function specialHair(kind: "line" | "hooked"): Shape[] {
  const body = all(stem(60, 8, 88, 12, "pale"), faint(straight(pts("56,10 56,86"))));
  if (kind === "line")
    return all(body, fringe("soft", along([66, 12], [66, 86], 30), 1, "line"), inner(straight(pts("66,10 66,88"))));
  return all(
    body,
    along([0, 14], [0, 84], 10).flatMap(([, y]) =>
      [-1, 1].map((d) => ({
        ...outline(
          smooth([
            [60 + d * 12, y],
            [60 + d * 20, y + 2],
            [60 + d * 19, y + 8],
          ]),
        ),
        width: 1.1,
      })),
    ),
    [20, 44, 68].map((y) => outline(polarHook(y))),
  );
}

const polarHook = (y: number): string => smooth([[60, y], polar(60, y, 6, -30), polar(62, y, 7, 40)]);
