import { drawLeaf, type Leaf } from "./leaf";
import { hairyLeaf, stem } from "./parts";
import {
  pts,
  all,
  area,
  circle,
  ellipse,
  faint,
  flat,
  hair,
  inner,
  outline,
  type Point,
  polar,
  type Shape,
  smooth,
  smoothClosed,
  straight,
} from "./shapes";

/** Pictures of a leaf looked at closely: plan of the lobes, marks, dots, meal, ears, glands, hair under the lens. */
type Draw = (state: string) => Shape[];

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
    outline(
      straight([
        [x, y],
        [x, y + 10],
      ]),
    ),
  );
}

/** How far apart teeth stand along an edge, and how far they stand out. */
const TEETH: Record<string, { apart: number; out: number }> = {
  fine: { apart: 4, out: 1.1 },
  coarse: { apart: 8, out: 2.4 },
  blunt: { apart: 7, out: 1.6 },
  spiny: { apart: 10, out: 3.4 },
};

/** An outline with teeth set on each of its sides, pointing away from the middle. */
function toothed(points: Point[], middle: Point, edge: Leaf["edge"]): Point[] {
  const teeth = edge ? TEETH[edge] : undefined;
  if (!teeth) return points;
  return points.flatMap((from, i) => {
    const to = points[(i + 1) % points.length];
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const long = Math.hypot(dx, dy);
    const count = Math.round(long / teeth.apart);
    const away = dx * (from[1] - middle[1]) - dy * (from[0] - middle[0]) > 0 ? -1 : 1;
    return [
      from,
      ...Array.from({ length: i === points.length - 1 ? 0 : count }, (_, k): Point => {
        const t = (k + 0.5) / count;
        return [from[0] + t * dx + (away * -dy * teeth.out) / long, from[1] + t * dy + (away * dx * teeth.out) / long];
      }),
    ];
  });
}

const MARKS: Record<string, Shape[]> = {
  plain: [],
  chevron: [area(straight(pts("45,56 60,36 75,56 73,64 60,46 47,64"), true), "white")],
  blotch: [
    flat(smoothClosed(pts("52,56 60,38 70,52 62,66")), "purple"),
    outline(smoothClosed(pts("52,56 60,38 70,52 62,66"))),
  ],
  "pale-veins": [
    [60, 80, 60, 20],
    [60, 66, 78, 52],
    [60, 66, 42, 52],
    [60, 50, 78, 36],
    [60, 50, 42, 36],
  ].flatMap(([a, b, c, d]) => [
    {
      ...outline(
        straight([
          [a, b],
          [c, d],
        ]),
      ),
      width: 4.5,
    },
    flat(
      straight(
        [
          [a - 1.2, b],
          [c - 1.2, d],
          [c + 1.2, d],
          [a + 1.2, b],
        ],
        true,
      ),
      "white",
    ),
  ]),
  spots: Array.from({ length: 16 }, (_, i) =>
    area(circle(...polar(60, 50, 18 * Math.sqrt((i + 0.5) / 16), i * 137.5), 1.7), "purple"),
  ),
};

const dotted = (s: string): Shape[] => {
  const blade = drawLeaf({ shape: "oval", tint: s === "none" ? "pale" : "yellowgreen", veins: false }, [60, 92], 84);
  if (s === "none") return all(blade, inner(straight(pts("60,92 60,12"))));
  if (s === "clear")
    return all(
      blade,
      inner(straight(pts("60,92 60,12"))),
      Array.from({ length: 40 }, (_, i) =>
        area(circle(...polar(60, 52, 20 * Math.sqrt((i + 0.5) / 40), i * 137.5), 1.3), "white"),
      ),
    );
  return all(
    blade,
    inner(straight(pts("60,92 60,12"))),
    [-1, 1].flatMap((d) =>
      Array.from({ length: 11 }, (_, i) =>
        flat(circle(60 + d * 22.5 * Math.sin((Math.PI * (i + 1.2)) / 13) ** 0.8, 86 - i * 6.6, 1.5), "black"),
      ),
    ),
  );
};

const ears: Record<string, () => Shape[]> = {
  pointed: () =>
    area2([
      [62, 40],
      [44, 54],
      [34, 78],
      [50, 66],
      [66, 60],
    ]),
  rounded: () =>
    area2([
      [62, 38],
      [42, 44],
      [32, 60],
      [44, 72],
      [64, 60],
    ]),
  coiled: () =>
    all(
      area2([
        [62, 38],
        [42, 40],
        [28, 58],
        [40, 76],
        [64, 62],
      ]),
      { ...outline(smooth(Array.from({ length: 22 }, (_, i) => polar(44, 58, 3 + i * 0.62, i * 30)))), width: 1.8 },
    ),
};
const area2 = (points: Point[]): Shape[] => [area(smoothClosed(points), "leaf")];
const earShape: Draw = (s) => all(drawLeaf({ shape: "lance" }, [62, 50], 56, 68), stem(54, 4, 92, 4), ears[s]());

const glands: Record<string, () => Shape[]> = {
  none: () => [],
  flat: () => [-1, 1].map((d) => area(ellipse(60 + d * 7, 56, 5, 2.6), "orange")),
  stalked: () =>
    [-1, 1].flatMap((d) => [
      outline(
        straight([
          [60 + d * 2, 58],
          [60 + d * 9, 54],
        ]),
      ),
      area(circle(60 + d * 11, 53, 3), "red"),
    ]),
  teeth: () =>
    [-1, 1].flatMap((d) => [
      area(
        straight(
          [
            [60 + d * 6, 50],
            [60 + d * 30, 46],
            [60 + d * 20, 38],
          ],
          true,
        ),
        "leaf",
      ),
      area(circle(60 + d * 27, 45, 3), "orange"),
    ]),
};
const stalkGlands: Draw = (s) =>
  all(
    {
      ...outline(straight(pts("60,94 60,54"))),
      width: 4,
    },
    area(smoothClosed(pts("60,54 30,44 18,8 102,8 90,44")), "leaf"),
    inner(straight(pts("60,54 60,8"))),
    faint(straight(pts("60,44 36,18"))),
    faint(straight(pts("60,44 84,18"))),
    glands[s](),
  );

const oneHair: Record<string, () => Shape[]> = {
  simple: () => [
    {
      ...outline(smooth(pts("60,72 61,44 64,14"))),
      width: 2.4,
    },
  ],
  star: () =>
    all(
      {
        ...outline(straight(pts("60,72 60,52"))),
        width: 2.4,
      },
      [-165, -140, -115, -90, -65, -40, -15].map((a) => ({
        ...outline(straight([[60, 52], polar(60, 52, 28, a)])),
        width: 1.8,
      })),
    ),
  hooked: () => [
    {
      ...outline(smooth(pts("60,72 61,46 63,24 70,18 76,24 73,32"))),
      width: 2.4,
    },
  ],
};

/** Three bare crowns beside the one that is asked about. */
const lateLeaf: Draw = (s) => {
  const bare = (x: number) =>
    all(
      stem(x, 40, 86, 2.5, "bark"),
      [-40, -14, 14, 40].map((a) => outline(straight([[x, 46], polar(x, 46, 26, a - 90)]))),
    );
  const leafy = (x: number, tint: "leaf" | "orange") =>
    all(
      bare(x),
      area(
        smoothClosed([
          [x - 18, 42],
          [x - 12, 20],
          [x + 4, 14],
          [x + 18, 28],
          [x + 14, 46],
          [x - 6, 50],
        ]),
        tint,
      ),
    );
  const middle =
    s === "early"
      ? all(
          bare(60),
          [52, 62, 70].map((x) => area(ellipse(x, 83, 4, 2), "orange")),
        )
      : leafy(60, s === "late" ? "leaf" : "orange");
  const side = (x: number) => (s === "late" ? bare(x) : leafy(x, s === "early" ? "leaf" : "orange"));
  return all(outline(straight(pts("6,86 114,86"))), side(22), side(98), middle);
};

export const LEAF_DETAIL: Record<string, Draw> = {
  "lobe-plan": (s) => (s === "fan" ? handLeaf(5, 40) : drawLeaf({ shape: "oval", lobes: "deep" }, [60, 86], 78)),
  "leaf-marks": (s) => all(drawLeaf({ shape: "egg", base: "rounded" }, [60, 84], 72, 0, 8), MARKS[s]),
  "leaf-dots": dotted,
  "leaf-meal": (s) =>
    all(
      stem(60, 30, 92, 2.4),
      drawLeaf({ shape: "diamond", edge: "coarse" }, [62, 70], 44, 66),
      drawLeaf({ shape: "diamond", edge: "coarse" }, [58, 60], 44, -66),
      drawLeaf({ shape: "egg" }, [60, 38], 30, 24),
      drawLeaf({ shape: "egg" }, [60, 38], 30, -24),
      s === "mealy"
        ? Array.from({ length: 34 }, (_, i) =>
            area(circle(...polar(60, 26, 15 * Math.sqrt((i + 0.5) / 34), i * 137.5), 1.3), "white"),
          )
        : [],
    ),
  "ear-shape": earShape,
  "leaf-turn": (s) =>
    all(
      stem(60, 6, 92, 3),
      s === "level"
        ? [28, 52, 76].flatMap((y, i) => drawLeaf({ shape: "lance" }, [60, y], 48, i % 2 ? -84 : 84))
        : [26, 50, 74].map((y, i) =>
            area(
              smoothClosed([
                [60, y],
                [60 + (i % 2 ? -20 : 20), y - 10],
                [60 + (i % 2 ? -46 : 46), y - 22],
                [60 + (i % 2 ? -20 : 20), y - 6],
              ]),
              "leaf",
            ),
          ),
    ),
  "midrib-arms": (s) =>
    all(
      area(smoothClosed(pts("60,92 24,60 30,20 60,4 90,20 96,60")), "pale"),
      {
        ...outline(straight(pts("60,92 60,6"))),
        width: 3,
      },
      [30, 50, 70].flatMap((y) => [
        faint(
          straight([
            [60, y + 8],
            [86, y - 8],
          ]),
        ),
        faint(
          straight([
            [60, y + 8],
            [34, y - 8],
          ]),
        ),
      ]),
      s === "prickles"
        ? [22, 36, 50, 64, 78].map((y, i) =>
            area(
              straight(
                [
                  [60, y - 3],
                  [60 + (i % 2 ? -13 : 13), y + 7],
                  [60, y + 4],
                ],
                true,
              ),
              "red",
            ),
          )
        : [],
    ),
  "stalk-glands": stalkGlands,
  "hair-kind": (s) => all(area(smoothClosed(pts("8,76 60,70 112,76 112,92 8,92")), "pale"), oneHair[s]()),
  "late-leaf": lateLeaf,
};

/** A leaf whose surface itself carries prickles. */
export const pricklyLeaf = (): Shape[] =>
  all(
    hairyLeaf("none", false, "prickly"),
    [
      [40, 56],
      [62, 40],
      [82, 28],
      [56, 66],
      [78, 56],
      [94, 40],
      [40, 38],
      [58, 24],
    ].map(([x, y]) =>
      area(
        straight(
          [
            [x - 3, y + 2],
            [x + 2, y - 11],
            [x + 4, y + 2],
          ],
          true,
        ),
        "red",
      ),
    ),
  );

/** Veins that run along the edge, or several from the foot. */
export function veinPiece(kind: "arched" | "fan"): Shape[] {
  const blade = area(smoothClosed(pts("60,92 26,66 24,34 60,4 96,34 94,66")), "leaf");
  if (kind === "arched")
    return all(
      blade,
      inner(straight(pts("60,92 60,8"))),
      [0, 1, 2].flatMap((i) =>
        [-1, 1].map((d) => ({
          ...outline(
            smooth([
              [60, 82 - i * 16],
              [60 + d * (24 - i * 4), 62 - i * 14],
              [60 + d * (22 - i * 6), 36 - i * 8],
              [60 + d * 5, 14 - i * 2],
            ]),
          ),
          width: 1.6,
        })),
      ),
    );
  return all(
    blade,
    [-52, -26, 0, 26, 52].map((a) => ({
      ...outline(straight([[60, 90], polar(60, 90, a === 0 ? 80 : Math.abs(a) === 26 ? 66 : 46, a - 90)])),
      width: 1.6,
    })),
    [hair(straight(pts("60,50 74,40")), 0.5)],
  );
}
