import type { Draw } from "../ink/draw";
import {
  all,
  area,
  circle,
  outline,
  straight,
  polar,
  flat,
  smoothClosed,
  ellipse,
  hair,
  pts,
  rectangle,
  smooth,
  faint,
} from "../ink/shapes";
import { stem } from "../stem/stem";
import { cluster } from "./cluster";
import { headBracts, bractTips, pappus } from "./composite";
import { flowerKind, openFlower } from "./flower-kind";
import { flowerTint, HATCHES } from "./tints";
import { umbel } from "./umbel";

export const FLOWER_STATES: Record<string, Draw> = {
  "flower-kind": (s) => flowerKind(s),
  "flower-colour": (s) => all(area(circle(60, 48, 38), flowerTint(s)), HATCHES[s] ?? []),
  cluster,
  "flower-sex": (s) =>
    all(
      [{ ...outline(circle(60, 48, 38)), width: 0.9 }],
      s !== "female"
        ? Array.from({ length: 10 }, (_, i) => [
            { ...outline(straight([polar(60, 48, 8, i * 36), polar(60, 48, 22, i * 36)])) },
            area(circle(...polar(60, 48, 23, i * 36), 2.4), "yellow"),
          ]).flat()
        : [],
      s !== "male"
        ? [
            area(circle(60, 48, 9), "green"),
            ...[-20, 0, 20].map((a) => ({ ...outline(straight([[60, 44], polar(60, 44, 13, -90 + a)])), width: 2 })),
          ]
        : [flat(circle(60, 48, 7), "paper")],
    ),
  sepals: (s) =>
    all(
      openFlower(5, "pink", 22, 60, 30),
      stem(60, 56, 94, 2),
      [-60, -30, 0, 30, 60].flatMap((a) => {
        const long = s === "drawn-out" ? 34 : 20;
        const tip = polar(60, 56, long, 90 + a);
        const sepal = area(
          smoothClosed([[60, 54], polar(60, 56, long * 0.5, 82 + a), tip, polar(60, 56, long * 0.5, 98 + a)]),
          s === "felt" ? "white" : "leaf",
        );
        const extra =
          s === "drawn-out"
            ? [area(ellipse(tip[0], tip[1], 2.4, 4), "leaf")]
            : s === "felt"
              ? [hair(straight([polar(60, 56, 6, 90 + a), polar(60, 56, 15, 90 + a)]), 0.7)]
              : s === "glandular"
                ? [0.4, 0.7, 1].flatMap((u) => [
                    hair(straight([polar(60, 56, long * u, 90 + a), polar(60, 56, long * u + 4, 90 + a + 40)])),
                    flat(circle(...polar(60, 56, long * u + 5, 90 + a + 40), 1.3), "red"),
                  ])
                : [];
        return [sepal, ...extra];
      }),
    ),
  "style-column": (s) =>
    all(
      area(smoothClosed(pts("14,60 40,70 60,74 80,70 106,60 92,84 60,92 28,84")), "white"),
      Array.from({ length: 8 }, (_, i) =>
        outline(
          straight([
            [40 + i * 5.6, 72],
            [32 + i * 8, 48],
          ]),
        ),
      ),
      s === "column"
        ? [area(rectangle(57, 30, 6, 42), "pale"), area(ellipse(60, 28, 6, 4), "yellow")]
        : [
            area(ellipse(60, 68, 11, 5), "pale"),
            ...[-6, -2, 2, 6].map((x) =>
              outline(
                straight([
                  [60 + x, 66],
                  [60 + x * 1.2, 58],
                ]),
              ),
            ),
          ],
    ),
  bracts: (s) => umbel(9, s as "none"),
  bractlets: (s) => umbel(5, "none", s as "none"),
  "head-bracts": (s) => headBracts(s),
  "bract-tips": (s) => bractTips(s),
  pappus: (s) => pappus(s),
  beak: (s) =>
    all(
      area(smoothClosed(pts("60,92 52,78 58,64 62,64 68,78")), "brown"),
      s === "beak" ? [outline(straight(pts("60,64 60,34")))] : [],
      Array.from({ length: 13 }, (_, i) =>
        hair(straight([[60, s === "beak" ? 34 : 64], polar(60, s === "beak" ? 34 : 64, 28, -170 + i * 13.3)]), 0.8),
      ),
    ),
  scape: (s) => {
    const bloom = (x: number, y: number) => [
      area(ellipse(x, y, 13, 8), "yellow"),
      area(smoothClosed(pts("-8,4 8,4 4,16 -4,16", x, y)), "leaf"),
    ];
    if (s === "branched")
      return all(
        outline(straight(pts("60,94 60,50"))),
        outline(smooth(pts("60,62 46,44 34,34"))),
        outline(smooth(pts("60,62 76,46 88,36"))),
        bloom(34, 18),
        bloom(60, 30),
        bloom(88, 20),
      );
    return all(
      stem(60, 30, 94, 3.4, "pale"),
      bloom(60, 16),
      s === "hollow"
        ? all(area(circle(96, 70, 14), "leaf"), area(circle(96, 70, 8), "paper"))
        : all(area(circle(96, 70, 14), "leaf"), faint(circle(96, 70, 9)), faint(circle(96, 70, 4))),
    );
  },
};
