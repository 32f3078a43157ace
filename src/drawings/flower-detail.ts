import { drawLeaf } from "./leaf";
import { stem } from "./parts";
import {
  pts,
  all,
  along,
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
  type Tint,
} from "./shapes";

/** Pictures of flowers, heads and fruits looked at closely. */
type Draw = (state: string) => Shape[];

const trumpet = (): Shape[] => [
  area(smoothClosed(pts("60,66 55,50 30,22 36,8 60,14 84,8 90,22 65,50")), "white"),
  outline(ellipse(60, 15, 27, 7)),
];
const cup = (): Shape => area(smoothClosed(pts("52,54 68,54 66,72 60,76 54,72")), "leaf");

const calyxBracts: Draw = (s) => {
  if (s === "small")
    return all(
      stem(60, 70, 94, 1.6),
      trumpet(),
      cup(),
      [-1, 1].map((d) =>
        area(
          smoothClosed([
            [60, 88],
            [60 + d * 7, 84],
            [60 + d * 13, 86],
            [60 + d * 6, 89],
          ]),
          "leaf",
        ),
      ),
    );
  if (s === "hiding")
    return all(
      stem(60, 70, 94, 1.6),
      trumpet(),
      [-1, 1].map((d) =>
        area(
          smoothClosed([
            [60, 80],
            [60 + d * 18, 72],
            [60 + d * 20, 52],
            [60 + d * 6, 42],
            [60, 50],
          ]),
          "leaf",
        ),
      ),
      inner(straight(pts("60,48 60,78"))),
    );
  return all(stem(60, 70, 94, 1.6), trumpet(), cup());
};

/** Three sepals side by side, their tips upwards. */
const sepalTips: Record<string, (x: number) => Point[]> = {
  blunt: (x) => [
    [x - 11, 90],
    [x - 13, 56],
    [x - 8, 38],
    [x, 33],
    [x + 8, 38],
    [x + 13, 56],
    [x + 11, 90],
  ],
  pointed: (x) => [
    [x - 11, 90],
    [x - 12, 60],
    [x, 30],
    [x + 12, 60],
    [x + 11, 90],
  ],
  tail: (x) => [
    [x - 11, 90],
    [x - 12, 66],
    [x - 3, 46],
    [x, 4],
    [x + 3, 46],
    [x + 12, 66],
    [x + 11, 90],
  ],
};
const sepalTip: Draw = (s) =>
  all(
    [28, 60, 92].flatMap((x) => [
      area(s === "blunt" ? smoothClosed(sepalTips[s](x)) : straight(sepalTips[s](x), true), "leaf"),
      faint(
        straight([
          [x, 86],
          [x, 48],
        ]),
      ),
    ]),
  );

const sepalHair: Draw = (s) => {
  const body = [area(straight(pts("34,92 36,50 60,8 84,50 86,92"), true), "leaf"), inner(straight(pts("60,90 60,18")))];
  const side = along([0, 24], [0, 88], 14).map(([, y]): [number, number] => [
    y < 50 ? ((y - 8) / 42) * 24 : 24 + (y - 50) / 21,
    y,
  ]);
  const at = (from: number, every: number, length: number, width: number) =>
    side
      .filter(([, y], i) => y >= from && i % every === 0)
      .flatMap(([w, y]) =>
        [-1, 1].map((d) =>
          hair(
            straight([
              [60 + d * w, y],
              [60 + d * (w + length), y - length * 0.3],
            ]),
            width,
          ),
        ),
      );
  if (s === "few") return all(body, at(20, 2, 6, 0.8));
  if (s === "bristly") return all(body, at(54, 1, 20, 1.4));
  if (s === "sticky")
    return all(
      body,
      side.flatMap(([w, y]) =>
        [-1, 1].flatMap((d) => [
          hair(
            straight([
              [60 + d * w, y],
              [60 + d * (w + 7), y],
            ]),
          ),
          flat(circle(60 + d * (w + 8), y, 1.6), "red"),
        ]),
      ),
    );
  return body;
};

const petals = (tint: Tint, r = 30, y = 38): Shape[] =>
  [0, 72, 144, 216, 288].map((a) =>
    area(
      smoothClosed([
        polar(60, y, 4, a - 90),
        polar(60, y, r * 0.6, a - 112),
        polar(60, y, r, a - 96),
        polar(60, y, r, a - 84),
        polar(60, y, r * 0.6, a - 68),
      ]),
      tint,
    ),
  );
const spread = (angles: number[], long: number, y = 38): Shape[] =>
  angles.map((a) =>
    area(straight([polar(60, y, 6, a - 20), polar(60, y, long, a), polar(60, y, 6, a + 20)], true), "leaf"),
  );

const sepalSetStalk = stem(60, 40, 94, 1.6);
const SEPAL_SET_KINDS: Record<string, (s: string) => Shape[]> = {
  spread: () => all(sepalSetStalk, spread([-54, 18, 90, 162, 234], 38), petals("yellow", 28)),
  "bent-back": () =>
    all(
      sepalSetStalk,
      petals("yellow", 30, 30),
      [-1, 1].flatMap((d) => [
        area(
          smoothClosed([
            [60 + d * 4, 36],
            [60 + d * 13, 48],
            [60 + d * 11, 70],
            [60 + d * 5, 54],
          ]),
          "leaf",
        ),
      ]),
    ),
  tube: () =>
    all(
      stem(60, 80, 94, 1.6),
      petals("pink", 26, 22),
      area(straight(pts("50,30 70,30 68,82 52,82"), true), "leaf"),
      [56, 60, 64].map((x) =>
        inner(
          straight([
            [x, 34],
            [x, 80],
          ]),
        ),
      ),
    ),
  bladder: () =>
    all(
      stem(60, 84, 94, 1.6),
      petals("white", 24, 20),
      area(smoothClosed(pts("52,28 68,28 86,52 80,78 60,86 40,78 34,52")), "pale"),
      [46, 53, 60, 67, 74].map((x) =>
        inner(
          smooth([
            [60 + (x - 60) * 0.4, 30],
            [x, 56],
            [60, 84],
          ]),
        ),
      ),
    ),
};
const otherSepalSet = (): Shape[] =>
  all(
    sepalSetStalk,
    petals("red", 32),
    [
      [28, 84],
      [90, 88],
    ].map(([x, y]) =>
      area(
        smoothClosed([
          [x, y],
          [x + 7, y - 8],
          [x + 13, y],
          [x + 6, y + 4],
        ]),
        "leaf",
      ),
    ),
  );

function sepalSet(s: string): Shape[] {
  return (SEPAL_SET_KINDS[s] ?? otherSepalSet)(s);
}

const onePetal: Record<string, Point[]> = {
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

const flowerBracts: Draw = (s) => {
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

const bractEnds: Record<string, (x: number) => Shape[]> = {
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

const headOn = (x: number, y: number): Shape[] =>
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

const wingAngles: Record<string, number> = { straight: 90, wide: 55, narrow: 16 };

const pods: Record<string, () => Shape[]> = {
  long: () => [area(smoothClosed(pts("57,10 64,10 65,50 61,90 56,50")), "green"), inner(straight(pts("60,14 60,84")))],
  beaded: () =>
    all(
      outline(straight(pts("60,4 60,12"))),
      [20, 36, 52, 68].map((y) => area(ellipse(60, y, 9, 8.4), "green")),
      area(straight(pts("57,76 63,76 60,94"), true), "green"),
    ),
  disc: () =>
    all(
      area(circle(60, 46, 36), "green"),
      area(circle(60, 46, 22), "straw"),
      outline(straight(pts("60,82 60,94"))),
      inner(straight(pts("60,10 60,82"))),
      flat(straight(pts("56,8 60,18 64,8"), true), "paper"),
    ),
  purse: () => [
    area(straight(pts("60,90 28,18 50,14 60,24 70,14 92,18"), true), "green"),
    inner(straight(pts("60,24 60,88"))),
  ],
  oval: () => [
    area(smoothClosed(pts("60,84 40,64 40,40 60,26 80,40 80,64")), "green"),
    inner(straight(pts("60,28 60,82"))),
    outline(straight(pts("60,26 60,12"))),
  ],
  hanging: () => [
    outline(smooth(pts("60,2 58,14 60,22"))),
    area(smoothClosed(pts("57,22 48,54 50,84 60,92 70,84 72,54 63,22")), "brown"),
    area(ellipse(60, 60, 5, 14), "straw"),
  ],
  coiled: () => [
    { ...outline(smooth(Array.from({ length: 40 }, (_, i) => polar(60, 48, 8 + i * 0.72, i * 22)))), width: 5 },
    outline(straight([polar(60, 48, 37, 858), polar(60, 48, 44, 866)])),
  ],
  pea: () => [
    area(smoothClosed(pts("10,50 34,34 86,34 110,46 86,62 34,64")), "green"),
    ...[34, 50, 66, 82].map((x) => faint(circle(x, 49, 9))),
    outline(straight(pts("110,46 116,42"))),
  ],
};

const nutlet: Draw = (s) =>
  all(
    area(smoothClosed(pts("60,12 88,34 86,70 60,86 34,70 32,34")), "brown"),
    s === "none"
      ? [faint(smooth(pts("44,30 40,50 46,70")))]
      : Array.from({ length: 16 }, (_, i) => ({
          ...outline(
            straight([polar(60, 49, 33, i * 22.5), polar(60, 49, 42, i * 22.5), polar(60, 49, 42, i * 22.5 + 6)]),
          ),
          width: 1.2,
        })),
    s === "all"
      ? Array.from({ length: 14 }, (_, i) => polar(60, 49, 24 * Math.sqrt((i + 0.5) / 14), i * 137.5)).map(([x, y]) =>
          outline(
            straight([
              [x, y],
              [x, y - 6],
              [x + 3, y - 6],
            ]),
          ),
        )
      : [],
  );

const valve: Draw = (s) => {
  const rim = Array.from({ length: 48 }, (_, i) =>
    polar(60, 50, s === "toothed" ? (i % 4 === 0 ? 44 : 34) : 36, i * 7.5 - 90),
  );
  return all(
    area(s === "toothed" ? straight(rim, true) : smoothClosed(rim), "brown"),
    inner(straight(pts("60,84 60,20"))),
    area(ellipse(60, 60, 7, 14), "straw"),
  );
};

export const FLOWER_DETAIL: Record<string, Draw> = {
  "calyx-bracts": calyxBracts,
  "sepal-tip": sepalTip,
  "tepal-tip": (s) =>
    all(
      s === "none"
        ? []
        : [-1, 1].flatMap((d) =>
            [28, 58].map((a) =>
              area(
                s === "blunt"
                  ? smoothClosed([
                      [60, 84],
                      polar(60, 84, 34, -90 + d * (a + 12)),
                      polar(60, 84, 54, -90 + d * (a + 5)),
                      polar(60, 84, 49, -90 + d * a),
                      polar(60, 84, 54, -90 + d * (a - 5)),
                      polar(60, 84, 34, -90 + d * (a - 12)),
                    ])
                  : straight(
                      [
                        [60, 84],
                        polar(60, 84, 30, -90 + d * (a + 11)),
                        polar(60, 84, 60, -90 + d * a),
                        polar(60, 84, 30, -90 + d * (a - 11)),
                      ],
                      true,
                    ),
                "pale",
              ),
            ),
          ),
      area(ellipse(60, 62, 13, 18), "green"),
      [-10, 0, 10].map((a) =>
        hair(smooth([[60, 44], polar(60, 44, 10, -90 + a * 1.6), polar(60, 44, 18, -90 + a * 3)])),
      ),
      s === "none" ? [area(straight(pts("60,84 42,76 40,68"), true), "pale")] : [],
    ),
  "sepal-hair": sepalHair,
  "sepal-set": sepalSet,
  "petal-notch": (s) => [area(smoothClosed(onePetal[s]), "white"), faint(straight(pts("60,88 60,60")))],
  "flower-bracts": flowerBracts,
  "bract-end": (s) => all([28, 60, 92].flatMap((x) => bractEnds[s](x))),
  "bract-web": (s) =>
    all(
      bractEnds.spine(34),
      bractEnds.spine(60),
      bractEnds.spine(86),
      s === "cobweb"
        ? Array.from({ length: 9 }, (_, i) =>
            hair(
              smooth([
                [22, 44 + i * 5],
                [46, 40 + ((i * 7) % 20) + i * 3],
                [74, 60 + ((i * 11) % 18) - 8],
                [98, 42 + i * 5],
              ]),
              0.7,
            ),
          )
        : [],
    ),
  "head-nod": (s) =>
    s === "upright"
      ? all(stem(60, 60, 94, 2), headOn(60, 36))
      : all(
          outline(smooth(pts("40,94 42,50 54,20 74,20 80,36"))),
          headOn(80, 60).map((shape) => shape),
          area(ellipse(80, 38, 5, 3), "leaf"),
        ),
  "bare-neck": (s) =>
    all(
      stem(60, 40, 94, 2),
      headOn(60, 24),
      s === "leafy"
        ? [46, 60, 74, 88].flatMap((y, i) =>
            drawLeaf({ shape: "lance", veins: false }, [60, y + 4], 26, i % 2 ? 58 : -58),
          )
        : drawLeaf({ shape: "lance", veins: false }, [60, 92], 26, 64),
    ),
  "wing-angle": (s) =>
    all(
      inner(straight(pts("60,2 60,20"))),
      [-1, 1].flatMap((d) => {
        const a = 90 - d * wingAngles[s];
        const tip = polar(60, 26, 56, a);
        const bend = polar(60, 26, 40, a - d * 14);
        return [
          area(
            smoothClosed([
              [60, 26],
              polar(60, 26, 16, a + d * 8),
              polar(60, 26, 44, a + d * 8),
              tip,
              bend,
              polar(60, 26, 18, a - d * 8),
            ]),
            "straw",
          ),
          area(circle(...polar(60, 26, 8, a), 6), "brown"),
        ];
      }),
    ),
  "pod-shape": (s) => pods[s](),
  "nutlet-hooks": nutlet,
  "valve-edge": valve,
};

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

/** Fruits the common set does not name: nutlets, spiny capsules, lanterns, wheels, nuts, balls of beaked seeds. */
export const FRUITS: Record<string, () => Shape[]> = {
  nutlets: () =>
    all(
      [-1, 1].map((d) =>
        area(
          straight(
            [
              [60, 84],
              [60 + d * 30, 60],
              [60 + d * 40, 26],
              [60 + d * 18, 50],
            ],
            true,
          ),
          "leaf",
        ),
      ),
      [
        [48, 44],
        [72, 44],
        [50, 64],
        [70, 64],
      ].map(([x, y]) => area(ellipse(x, y, 10, 11), "brown")),
      inner(straight(pts("60,84 60,94"))),
    ),
  spiny: () =>
    all(
      inner(straight(pts("60,2 60,18"))),
      area(ellipse(60, 52, 24, 30), "green"),
      Array.from({ length: 20 }, (_, i) =>
        area(
          straight([polar(60, 52, 25, i * 18 - 4), polar(60, 52, 42, i * 18), polar(60, 52, 25, i * 18 + 4)], true),
          "green",
        ),
      ),
      [48, 60, 72].map((x) =>
        faint(
          straight([
            [x, 30],
            [x, 76],
          ]),
        ),
      ),
    ),
  lantern: () =>
    all(
      inner(smooth(pts("60,2 56,10 60,16"))),
      area(smoothClosed(pts("60,14 86,34 84,62 60,94 36,62 34,34")), "straw"),
      [46, 60, 74].map((x) =>
        outline(
          smooth([
            [60, 16],
            [x, 48],
            [60, 92],
          ]),
        ),
      ),
      { d: circle(60, 54, 12), ink: "faint" },
    ),
  wheel: () =>
    all(
      area(ellipse(60, 48, 40, 40), "green"),
      Array.from({ length: 12 }, (_, i) => outline(straight([polar(60, 48, 10, i * 30), polar(60, 48, 40, i * 30)]))),
      area(circle(60, 48, 9), "straw"),
    ),
  nut: () =>
    all(
      area(circle(60, 46, 34), "green"),
      area(smoothClosed(pts("60,22 80,36 80,60 60,74 40,60 40,36")), "bark"),
      [50, 60, 70].map((x) =>
        inner(
          smooth([
            [x, 28],
            [x + 3, 48],
            [x - 2, 68],
          ]),
        ),
      ),
      inner(straight(pts("60,80 60,94"))),
    ),
  "seed-ball": () =>
    all(
      stem(60, 70, 94, 1.6),
      Array.from({ length: 22 }, (_, i) => {
        const p = polar(60, 44, 24 * Math.sqrt((i + 0.5) / 22), i * 137.5);
        const a = (Math.atan2(p[1] - 44, p[0] - 60) * 180) / Math.PI;
        return [
          area(circle(p[0], p[1], 5), "green"),
          { ...outline(straight([polar(p[0], p[1], 5, a), polar(...polar(p[0], p[1], 5, a), 5, a + 24)])), width: 1.2 },
        ];
      }).flat(),
    ),
};
