import type { Draw } from "../ink/draw";
import {
  pts,
  type Point,
  all,
  area,
  smoothClosed,
  straight,
  circle,
  outline,
  type Shape,
  polar,
  smooth,
} from "../ink/shapes";
import { stem } from "../stem/stem";

export const onePetal: Record<string, Point[]> = {
  whole: [
    [56, 92],
    [36, 50],
    [38, 20],
    [60, 10],
    [82, 20],
    [84, 50],
    [64, 92],
  ],
  notched: [
    [56, 92],
    [36, 50],
    [38, 18],
    [50, 10],
    [60, 22],
    [70, 10],
    [82, 18],
    [84, 50],
    [64, 92],
  ],
  split: [
    [56, 92],
    [38, 54],
    [32, 20],
    [42, 6],
    [52, 22],
    [60, 56],
    [68, 22],
    [78, 6],
    [88, 20],
    [82, 54],
    [64, 92],
  ],
};

export const flowerBracts: Draw = (s) => {
  const length = { soft: 7, stiff: 18, prickly: 24 }[s] ?? 7;
  return all(
    stem(60, 6, 94, 2),
    [16, 30, 44, 58, 72].flatMap((y, i) =>
      [-1, 1].flatMap((d) => {
        const x = 60 + d * (8 + (i % 2) * 2);
        const tip: Point = [x + d * length, y - length * 0.6];
        const bract =
          s === "soft"
            ? area(
                smoothClosed([
                  [x, y],
                  [x + d * 7, y - 1],
                  [x + d * 5, y - 6],
                ]),
                "pale",
              )
            : area(straight([[x, y + 3], tip, [x, y - 3]], true), "leaf");
        return [
          area(circle(x, y, 5), "green"),
          bract,
          ...(s === "prickly" ? [{ ...outline(straight([tip, [tip[0] + d * 7, tip[1] - 4]])), width: 1.8 }] : []),
        ];
      }),
    ),
  );
};

export const bractEnds: Record<string, (x: number) => Shape[]> = {
  soft: (x) => [area(smoothClosed(pts("-12,90 -12,50 0,30 12,50 12,90", x)), "leaf")],
  spine: (x) => [
    area(straight(pts("-12,90 -12,50 0,30 12,50 12,90", x), true), "leaf"),
    {
      ...outline(straight(pts("0,30 0,20", x))),
      width: 1.8,
    },
  ],
  stout: (x) => [
    area(straight(pts("-12,90 -12,56 -5,42 0,4 5,42 12,56 12,90", x), true), "leaf"),
    area(straight(pts("-5,42 0,2 5,42", x), true), "straw"),
  ],
  comb: (x) => [
    area(straight(pts("-12,90 -12,54 0,34 12,54 12,90", x), true), "leaf"),
    ...Array.from({ length: 9 }, (_, i) => outline(straight([[x, 36], polar(x, 38, 20, -160 + i * 17.5)]))),
  ],
  hooked: (x) => [
    area(straight(pts("-12,90 -12,52 0,34 12,52 12,90", x), true), "leaf"),
    {
      ...outline(smooth(pts("0,36 1,20 7,15 11,20 9,25", x))),
      width: 2,
    },
  ],
  torn: (x) => [
    area(straight(pts("-12,90 -12,56 12,56 12,90", x), true), "leaf"),
    area(straight(pts("-12,56 -16,32 -9,38 -4,22 1,35 7,24 10,38 16,30 12,56", x), true), "straw"),
  ],
};

export const headOn = (x: number, y: number): Shape[] =>
  all(
    Array.from({ length: 9 }, (_, i) =>
      area(
        smoothClosed([
          [x, y],
          polar(x, y, 22, -172 + i * 20.5),
          polar(x, y, 27, -166 + i * 20.5),
          polar(x, y, 20, -160 + i * 20.5),
        ]),
        "purple",
      ),
    ),
    area(smoothClosed(pts("-17,-4 17,-4 14,18 0,25 -14,18", x, y)), "leaf"),
  );
