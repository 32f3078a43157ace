import { type Shape, all, outline, straight, smooth, pts, area, hair, faint } from "../ink/shapes";
import { stem } from "../stem/stem";

const barkTrunk = stem(60, 4, 92, 28, "bark");

const BARK_KINDS: Record<string, (s: string) => Shape[]> = {
  smooth: () => barkTrunk,
  dotted: () =>
    all(
      barkTrunk,
      [
        [44, 16],
        [66, 24],
        [52, 40],
        [74, 48],
        [46, 62],
        [68, 74],
      ].map(([x, y]) => ({
        ...outline(straight(pts("-6,0 6,0", x, y))),
        width: 2,
      })),
    ),
  stringy: () =>
    all(
      barkTrunk,
      [38, 46, 54, 64, 74, 82].map((x, i) =>
        outline(
          smooth([
            [x, 4],
            [x + 3 - (i % 3) * 3, 40],
            [x - 4 + (i % 2) * 9, 92],
          ]),
        ),
      ),
      outline(smooth(pts("86,30 98,50 94,80"))),
      outline(smooth(pts("34,24 22,46 24,70"))),
    ),
  furrowed: () =>
    all(
      barkTrunk,
      [40, 52, 64, 76].flatMap((x) => [
        {
          ...outline(smooth(pts("0,4 5,28 -3,52 4,92", x))),
          width: 2.6,
        },
      ]),
    ),
  scaly: () =>
    all(
      barkTrunk,
      [
        [32, 6],
        [60, 6],
        [44, 32],
        [70, 34],
        [32, 58],
        [58, 60],
        [44, 78],
      ].map(([x, y]) => area(straight(pts("2,0 22,2 20,20 0,18", x, y), true), "bark")),
    ),
};

const otherBark = (): Shape[] =>
  all(
    barkTrunk,
    Array.from({ length: 46 }, (_, i) =>
      hair(
        smooth([
          [36 + ((i * 13) % 48), 6 + i * 1.9],
          [30 + ((i * 13) % 52), 12 + i * 1.8],
          [34 + ((i * 17) % 56), 16 + i * 1.7],
        ]),
        1,
      ),
    ),
  );

export function bark(s: string): Shape[] {
  return (BARK_KINDS[s] ?? otherBark)(s);
}

export const barkEdge = (): Shape[] => [
  area(straight(pts("14,4 40,4 40,92 14,92"), true), "leaf"),
  faint(straight(pts("26,4 26,92"))),
];
