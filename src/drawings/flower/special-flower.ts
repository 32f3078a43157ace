import { type Tint, type Shape, all, area, straight, pts, smoothClosed, inner, smooth, polar } from "../ink/shapes";
import { stem } from "../stem/stem";

/** Two-lipped and iris flowers. */
export function specialFlower(kind: string, tint: Tint): Shape[] {
  if (kind === "lipped")
    return all(
      area(straight(pts("16,60 40,54 40,76 16,76"), true), "leaf"),
      area(smoothClosed(pts("38,58 58,46 76,20 96,22 92,40 74,56 98,68 92,88 70,80 58,72 38,70")), tint),
      inner(smooth(pts("44,64 60,60 74,56"))),
    );
  return all(
    stem(60, 70, 94, 2.4),
    [-44, 0, 44].map((a) =>
      area(
        smoothClosed([
          [60, 56],
          polar(60, 56, 22, a - 100),
          polar(60, 56, 46, a - 96),
          polar(60, 56, 48, a - 84),
          polar(60, 56, 22, a - 80),
        ]),
        tint,
      ),
    ),
    [-1, 1].map((d) =>
      area(
        smoothClosed([
          [60, 58],
          [60 + d * 22, 52],
          [60 + d * 44, 64],
          [60 + d * 46, 84],
          [60 + d * 32, 88],
          [60 + d * 20, 68],
        ]),
        tint,
      ),
    ),
    area(smoothClosed(pts("54,58 66,58 68,80 60,90 52,80")), tint),
    [
      {
        ...inner(straight(pts("60,62 60,82"))),
        width: 2,
      },
    ],
  );
}
