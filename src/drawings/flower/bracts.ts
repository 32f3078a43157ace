import type { Draw } from "../ink/draw";
import {
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
  soft: (x) => [
    area(
      smoothClosed([
        [x - 12, 90],
        [x - 12, 50],
        [x, 30],
        [x + 12, 50],
        [x + 12, 90],
      ]),
      "leaf",
    ),
  ],
  spine: (x) => [
    area(
      straight(
        [
          [x - 12, 90],
          [x - 12, 50],
          [x, 30],
          [x + 12, 50],
          [x + 12, 90],
        ],
        true,
      ),
      "leaf",
    ),
    {
      ...outline(
        straight([
          [x, 30],
          [x, 20],
        ]),
      ),
      width: 1.8,
    },
  ],
  stout: (x) => [
    area(
      straight(
        [
          [x - 12, 90],
          [x - 12, 56],
          [x - 5, 42],
          [x, 4],
          [x + 5, 42],
          [x + 12, 56],
          [x + 12, 90],
        ],
        true,
      ),
      "leaf",
    ),
    area(
      straight(
        [
          [x - 5, 42],
          [x, 2],
          [x + 5, 42],
        ],
        true,
      ),
      "straw",
    ),
  ],
  comb: (x) => [
    area(
      straight(
        [
          [x - 12, 90],
          [x - 12, 54],
          [x, 34],
          [x + 12, 54],
          [x + 12, 90],
        ],
        true,
      ),
      "leaf",
    ),
    ...Array.from({ length: 9 }, (_, i) => outline(straight([[x, 36], polar(x, 38, 20, -160 + i * 17.5)]))),
  ],
  hooked: (x) => [
    area(
      straight(
        [
          [x - 12, 90],
          [x - 12, 52],
          [x, 34],
          [x + 12, 52],
          [x + 12, 90],
        ],
        true,
      ),
      "leaf",
    ),
    {
      ...outline(
        smooth([
          [x, 36],
          [x + 1, 20],
          [x + 7, 15],
          [x + 11, 20],
          [x + 9, 25],
        ]),
      ),
      width: 2,
    },
  ],
  torn: (x) => [
    area(
      straight(
        [
          [x - 12, 90],
          [x - 12, 56],
          [x + 12, 56],
          [x + 12, 90],
        ],
        true,
      ),
      "leaf",
    ),
    area(
      straight(
        [
          [x - 12, 56],
          [x - 16, 32],
          [x - 9, 38],
          [x - 4, 22],
          [x + 1, 35],
          [x + 7, 24],
          [x + 10, 38],
          [x + 16, 30],
          [x + 12, 56],
        ],
        true,
      ),
      "straw",
    ),
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
    area(
      smoothClosed([
        [x - 17, y - 4],
        [x + 17, y - 4],
        [x + 14, y + 18],
        [x, y + 25],
        [x - 14, y + 18],
      ]),
      "leaf",
    ),
  );
