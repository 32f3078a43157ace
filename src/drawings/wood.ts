import { drawLeaf } from "./leaf";
import { earth, fringe, stem } from "./parts";
import {
  pts,
  all,
  along,
  area,
  circle,
  ellipse,
  faint,
  flat,
  inner,
  outline,
  type Point,
  polar,
  type Shape,
  smooth,
  smoothClosed,
  straight,
} from "./shapes";

/** Pictures of what twigs and climbing stems show: buds in their order, scars, pith, wings, tendrils. */
type Draw = (state: string) => Shape[];

const sideBud = (x: number, y: number, side: number, size = 1): Shape[] => [
  area(
    smoothClosed([
      [x, y],
      [x + side * 9 * size, y - 5 * size],
      [x + side * 11 * size, y - 15 * size],
      [x + side * 3 * size, y - 11 * size],
    ]),
    "brown",
  ),
  outline(
    smooth([
      [x - side * 1, y + 2],
      [x + side * 5 * size, y + 4 * size],
      [x + side * 8 * size, y + 1],
    ]),
  ),
];
const twig = (half = 5): Shape[] => stem(60, 12, 92, half, "bark");

const budOrder: Draw = (s) => {
  const nodes: [number, number][] =
    s === "alternate"
      ? [
          [30, 1],
          [48, -1],
          [66, 1],
          [84, -1],
        ]
      : s === "opposite"
        ? [34, 58, 82].flatMap(
            (y) =>
              [
                [y, 1],
                [y, -1],
              ] as [number, number][],
          )
        : [34, 58, 82].flatMap(
            (y) =>
              [
                [y, 1],
                [y - 7, -1],
              ] as [number, number][],
          );
  return all(
    twig(),
    area(
      smoothClosed(
        [
          [55, 12],
          [54, 4],
          [60, -2],
          [66, 4],
          [65, 12],
        ].map(([x, y]) => [x, y + 6] as Point),
      ),
      "brown",
    ),
    nodes.flatMap(([y, side]) => sideBud(60 + side * 5, y, side)),
  );
};

const endBud: Draw = (s) => {
  const sides = all(sideBud(66, 62, 1), sideBud(54, 74, -1));
  if (s === "bud")
    return all(
      stem(60, 40, 92, 6, "bark"),
      area(smoothClosed(pts("52,42 48,26 60,4 72,26 68,42")), "brown"),
      inner(smooth(pts("52,38 60,26 68,38"))),
      inner(smooth(pts("50,28 60,15 70,28"))),
      sides,
    );
  if (s === "thorn") return all(area(straight(pts("54,92 55,46 60,2 65,46 66,92"), true), "bark"), sides);
  return all(
    stem(60, 34, 92, 6, "bark"),
    area(ellipse(60, 34, 6, 2.6), "straw"),
    outline(smooth(pts("60,34 57,26 52,24"))),
    sideBud(66, 44, 1, 1.3),
    sides,
  );
};

const leafScar: Draw = (s) => {
  const bark = area(straight(pts("26,4 94,4 94,92 26,92"), true), "bark");
  const bud = area(smoothClosed(pts("46,44 48,24 60,10 72,24 74,44 60,50")), "brown");
  const traces = (spots: Point[]) => spots.map(([x, y]) => flat(circle(x, y, 1.8), "ink"));
  if (s === "line")
    return all(
      bark,
      bud,
      area(smoothClosed(pts("36,52 60,60 84,52 60,64")), "straw"),
      traces([
        [48, 58],
        [60, 62],
        [72, 58],
      ]),
    );
  if (s === "half-moon")
    return all(
      bark,
      bud,
      area(straight(pts("38,54 82,54 80,64 70,74 60,76 50,74 40,64"), true), "straw"),
      traces([
        [48, 62],
        [60, 68],
        [72, 62],
      ]),
    );
  if (s === "shield")
    return all(
      bark,
      bud,
      area(smoothClosed(pts("32,56 46,52 60,60 74,52 88,56 84,76 60,92 36,76")), "straw"),
      traces([
        [42, 64],
        [52, 74],
        [60, 82],
        [68, 74],
        [78, 64],
        [60, 66],
      ]),
    );
  return all(
    bark,
    area(smoothClosed(pts("46,8 32,32 36,62 60,76 84,62 88,32 74,8 78,34 74,54 60,62 46,54 42,34")), "straw"),
    bud,
    traces([
      [36, 44],
      [50, 68],
      [70, 68],
      [84, 44],
    ]),
  );
};

const twigPith: Draw = (s) => {
  const wood = all(
    area(straight(pts("36,4 84,4 84,92 36,92"), true), "bark"),
    flat(straight(pts("42,4 78,4 78,92 42,92"), true), "straw"),
  );
  const core = straight(pts("50,4 70,4 70,92 50,92"), true);
  if (s === "white") return all(wood, area(core, "white"));
  if (s === "brown")
    return all(
      wood,
      area(core, "orange"),
      along([60, 10], [60, 86], 16).map(([x, y], i) => faint(circle(x + (i % 3) * 4 - 4, y, 1.4))),
    );
  if (s === "hollow")
    return all(wood, area(core, "paper"), area(straight(pts("50,60 70,60 70,68 50,68"), true), "straw"), [
      faint(straight(pts("55,4 55,58"))),
    ]);
  return all(
    wood,
    area(core, "paper"),
    along([60, 8], [60, 88], 13).map(([, y]) => ({
      ...outline(
        straight([
          [50, y],
          [70, y],
        ]),
      ),
      width: 2,
    })),
  );
};

const rootSuckers: Draw = (s) => {
  const shoot = (x: number, h: number) =>
    all(
      stem(x, 70 - h, 70, 1.3, "bark"),
      drawLeaf({ shape: "oval", veins: false }, [x, 70 - h * 0.4], 12, 60),
      drawLeaf({ shape: "oval", veins: false }, [x, 70 - h * 0.7], 12, -60),
      drawLeaf({ shape: "oval", veins: false }, [x, 70 - h], 10, 0),
    );
  const parent = all(stem(30, 22, 70, 4, "bark"), area(circle(30, 20, 17), "leaf"));
  const spots: [number, number][] =
    s === "none"
      ? []
      : s === "few"
        ? [[52, 22]]
        : [
            [50, 30],
            [66, 26],
            [80, 32],
            [94, 22],
            [108, 26],
          ];
  const root =
    s === "none"
      ? [outline(smooth(pts("30,70 24,82 28,92"))), outline(smooth(pts("30,70 38,82 36,92")))]
      : [
          {
            ...outline(
              smooth([
                [30, 74],
                [50, 82],
                [s === "few" ? 56 : 112, 80],
              ]),
            ),
            width: 2.2,
          },
        ];
  return all(
    earth(70),
    parent,
    root,
    spots.flatMap(([x, h]) => [
      outline(
        straight([
          [x, 70],
          [x, 80],
        ]),
      ),
      ...shoot(x, h),
    ]),
  );
};

const STEM_WINGS_KINDS: Record<string, (s: string) => Shape[]> = {
  none: (s) => {
    const body = stem(60, 4, 92, 6, s === "corky" ? "bark" : "leaf");
    return body;
  },
  corky: (s) => {
    const body = stem(60, 4, 92, 6, s === "corky" ? "bark" : "leaf");
    return all(
      [-1, 1].map((d) =>
        area(
          smoothClosed([
            [60 + d * 6, 6],
            [60 + d * 22, 12],
            [60 + d * 20, 40],
            [60 + d * 24, 70],
            [60 + d * 18, 90],
            [60 + d * 6, 92],
          ]),
          "straw",
        ),
      ),
      [-1, 1].flatMap((d) =>
        [14, 20].map((w) =>
          faint(
            straight([
              [60 + d * w, 14],
              [60 + d * w, 86],
            ]),
          ),
        ),
      ),
      body,
    );
  },
  broken: (s) => {
    const body = stem(60, 4, 92, 6, s === "corky" ? "bark" : "leaf");
    return all(
      [
        [12, 30],
        [44, 56],
        [70, 86],
      ].flatMap(([a, b]) =>
        [-1, 1].map((d) =>
          area(
            straight(
              [
                [60 + d * 6, a],
                [60 + d * 16, (a + b) / 2],
                [60 + d * 6, b],
              ],
              true,
            ),
            "green",
          ),
        ),
      ),
      body,
    );
  },
};
const otherStemWings = (s: string): Shape[] => {
  const body = stem(60, 4, 92, 6, s === "corky" ? "bark" : "leaf");
  return all(
    [-1, 1].map((d) =>
      area(
        straight(
          [
            [60 + d * 6, 4],
            ...Array.from({ length: 12 }, (_, i) => [60 + d * (i % 2 ? 26 : 17), 6 + i * 7.6] as Point),
            [60 + d * 6, 92],
          ],
          true,
        ),
        "green",
      ),
    ),
    body,
  );
};

function stemWings(s: string): Shape[] {
  return (STEM_WINGS_KINDS[s] ?? otherStemWings)(s);
}

const hairPosture: Draw = (s) => {
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

const tendril = (from: Point, side: number, forked = false): Shape[] => {
  const [x, y] = from;
  const coil = (u: number, v: number) =>
    outline(
      smooth([
        [x, y],
        [x + side * 16, y - 6],
        [x + side * (26 + u), y - 16 - v],
        [x + side * (32 + u), y - 22 - v],
        [x + side * (26 + u), y - 28 - v],
        [x + side * (21 + u), y - 22 - v],
        [x + side * (27 + u), y - 18 - v],
      ]),
    );
  return forked ? [coil(0, 0), coil(8, -18)] : [coil(0, 0)];
};
const tendrilPlace: Draw = (s) => {
  const leaf = (foot: Point) =>
    all(outline(straight([[66, 58], foot])), drawLeaf({ shape: "egg", veins: false }, foot, 30, 64));
  const body = stem(60, 4, 92, 5);
  if (s === "opposite") return all(body, leaf([78, 50]), tendril([55, 58], -1));
  if (s === "beside")
    return all(
      body,
      leaf([78, 50]),
      tendril([65, 64], 1).map((t) => ({ ...t, width: 1.8 })),
    );
  if (s === "stalk")
    return all(body, leaf([86, 46]), tendril([68, 57], 1), tendril([66, 60], -1), area(circle(67, 58, 2), "brown"));
  return all(
    body,
    outline(straight(pts("65,58 92,40"))),
    drawLeaf({ shape: "oval", veins: false }, [76, 50], 18, 20),
    drawLeaf({ shape: "oval", veins: false }, [76, 50], 18, 120),
    tendril([92, 40], 0.6),
  );
};

const axilBulbils: Draw = (s) =>
  all(
    stem(60, 4, 92, 3),
    [30, 62].flatMap((y, i) => {
      const side = i ? -1 : 1;
      return [
        ...drawLeaf({ shape: "heart" }, [60 + side * 12, y], 36, side * 70),
        outline(
          straight([
            [60 + side * 3, y],
            [60 + side * 12, y],
          ]),
        ),
        ...(s === "bulbils"
          ? [area(ellipse(60 + side * 9, y - 8, 6, 5), "brown"), flat(circle(60 + side * 8, y - 9, 0.9), "ink")]
          : []),
      ];
    }),
  );

export const WOOD: Record<string, Draw> = {
  "bud-order": budOrder,
  "end-bud": endBud,
  "leaf-scar": leafScar,
  "twig-pith": twigPith,
  "root-suckers": rootSuckers,
  "stem-wings": stemWings,
  "hair-posture": hairPosture,
  "tendril-place": tendrilPlace,
  "tendril-fork": (s) =>
    all(
      stem(34, 4, 92, 5),
      drawLeaf({ shape: "egg", veins: false }, [29, 60], 28, -64),
      tendril([39, 60], 1.6, s === "forked"),
    ),
  "axil-bulbils": axilBulbils,
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
