import type { Draw } from "../ink/draw";
import { all, area, straight, pts, inner, smoothClosed, outline, smooth, type Point, faint } from "../ink/shapes";

export const bladeTwist: Draw = (s) => {
  if (s === "none")
    return all(area(straight(pts("50,92 52,30 60,4 68,30 70,92"), true), "leaf"), inner(straight(pts("60,92 60,8"))));
  const d = s === "clockwise" ? 1 : -1;
  const turn = (y: number) =>
    area(
      smoothClosed([
        [60 - d * 10, y],
        [60 + d * 12, y - 8],
        [60 + d * 8, y - 20],
        [60 - d * 12, y - 12],
      ]),
      "leaf",
    );
  const arrow = all(
    outline(
      smooth([
        [60 - d * 34, 20],
        [60 - d * 20, 8],
        [60 + d * 20, 8],
        [60 + d * 34, 20],
      ]),
    ),
    outline(
      straight([
        [60 + d * 34, 20],
        [60 + d * 34, 10],
      ]),
    ),
    outline(
      straight([
        [60 + d * 34, 20],
        [60 + d * 24, 18],
      ]),
    ),
  );
  return all(
    turn(90),
    turn(72),
    turn(54),
    area(
      smoothClosed([
        [60 - d * 8, 36],
        [60 + d * 9, 30],
        [60, 14],
      ]),
      "leaf",
    ),
    [84, 66, 48].map((y) =>
      inner(
        straight([
          [60 - d * 9, y],
          [60 + d * 9, y - 10],
        ]),
      ),
    ),
    arrow,
  );
};

export const bladeEdge: Draw = (s) => {
  const teeth: Point[] = Array.from({ length: 25 }, (_, i) => [
    8 + i * 4.4,
    s === "saw" ? (i % 2 ? 22 : 31) : s === "rough" ? (i % 2 ? 27 : 31) : 31,
  ]);
  return all(
    area(straight([...teeth, [112, 84], [8, 84]], true), "leaf"),
    [46, 58, 70].map((y) => faint(straight(pts("8,0 112,0", 0, y)))),
  );
};
