import { BESIDE } from "./beside";
import { cluster, flowerKind, fruit, openFlower, pod, umbel } from "./flowers";
import * as grass from "./grasses";
import { FLOWER_DETAIL } from "./flower-detail";
import { GRASS_DETAIL } from "./grass-detail";
import * as habit from "./habits";
import { LEAF_DETAIL, pricklyLeaf, veinPiece } from "./leaf-detail";
import { drawLeaf, type Leaf, type LeafEdge, type LeafLobes, type LeafShape } from "./leaf";
import {
  collar,
  compoundLeaf,
  earth,
  ferny,
  hairyLeaf,
  hairyStem,
  type HairKind,
  leafOrder,
  section,
  stem,
} from "./parts";
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
  polar,
  type Point,
  rectangle,
  type Shape,
  smooth,
  smoothClosed,
  straight,
  type Tint,
} from "./shapes";
import { drawLook } from "./looks/added";
import { butterflySeedLeaves, SEEDLINGS } from "./seedlings";
import * as water from "./water";
import { specialHair, WOOD } from "./wood";

type Draw = (state: string) => Shape[];

/** Shapes with lobes below the stalk's foot stand higher, so that the lobes stay on the field. */
const EARED: LeafShape[] = ["heart", "arrow", "kidney"];
const bigLeaf = (leaf: Leaf): Shape[] =>
  EARED.includes(leaf.shape)
    ? drawLeaf(leaf, [60, 72], 60, 0, 14)
    : drawLeaf(leaf, [60, 84], leaf.shape === "round" ? 66 : 72, 0, 8);
const leafHair = (state: string): HairKind => (state === "scales" ? "felt" : (state as HairKind));

const ARMS: Record<string, () => Shape[]> = {
  none: () => stem(60, 6, 90, 9, "bark"),
  prickles: () =>
    all(
      stem(60, 6, 90, 9, "leaf"),
      [
        [69, 24, 1],
        [51, 44, -1],
        [69, 64, 1],
        [51, 80, -1],
      ].map(([x, y, s]) =>
        area(
          straight(
            [
              [x, y - 7],
              [x + s * 18, y + 4],
              [x, y + 7],
            ],
            true,
          ),
          "red",
        ),
      ),
    ),
  thorns: () =>
    all(
      stem(60, 6, 90, 6, "bark"),
      [
        [66, 34, 1],
        [54, 66, -1],
      ].flatMap(([x, y, s]) => [
        area(
          straight(
            [
              [x, y - 3],
              [x + s * 36, y - 14],
              [x, y + 4],
            ],
            true,
          ),
          "bark",
        ),
        ...drawLeaf({ shape: "oval", veins: false }, [x, y + 4], 14, s * 60),
      ]),
    ),
  forked: () =>
    all(
      stem(60, 6, 90, 5, "bark"),
      [28, 64].flatMap((y) =>
        [-32, -90, -148].map((a) => ({
          ...outline(straight([[60, y], polar(60, y, 26, a === -90 ? -60 : a)])),
          width: 2,
        })),
      ),
      drawLeaf({ shape: "spoon", veins: false }, [60, 26], 22, 100),
      drawLeaf({ shape: "spoon", veins: false }, [60, 62], 22, -100),
    ),
  bristles: () =>
    all(
      stem(60, 6, 90, 9, "leaf"),
      Array.from({ length: 17 }, (_, i) => [
        hair(
          straight([
            [69, 10 + i * 4.8],
            [80, 7 + i * 4.8],
          ]),
          0.9,
        ),
        hair(
          straight([
            [51, 12 + i * 4.8],
            [40, 9 + i * 4.8],
          ]),
          0.9,
        ),
      ]).flat(),
    ),
  "green-spines": () =>
    all(
      outline(straight(pts("60,92 60,4"))),
      [78, 62, 46, 30, 16].flatMap((y, i) => [
        {
          ...outline(
            straight([
              [60, y],
              [60 + (34 - i * 4), y - 16],
            ]),
          ),
          width: 2.4,
        },
        {
          ...outline(
            straight([
              [60, y + 5],
              [60 - (34 - i * 4), y - 11],
            ]),
          ),
          width: 2.4,
        },
        outline(
          straight([
            [76, y - 7],
            [80, y - 20],
          ]),
        ),
      ]),
    ),
  "leaf-spines": () =>
    all(stem(34, 6, 90, 4, "bark"), drawLeaf({ shape: "oval", edge: "spiny", tip: "spine" }, [38, 60], 66, 74)),
};

const PRICKLES: Record<string, () => Shape[]> = {
  hooked: () => all(barkEdge(), area(smoothClosed(pts("40,22 66,34 92,66 70,56 40,72")), "red")),
  straight: () => all(barkEdge(), area(straight(pts("40,26 98,48 40,68"), true), "red")),
  slender: () => all(barkEdge(), area(straight(pts("40,42 104,48 40,53"), true), "red")),
  bristle: () =>
    all(
      barkEdge(),
      [20, 34, 48, 62, 76].map((y, i) =>
        hair(
          straight([
            [40, y],
            [84 + (i % 2) * 10, y - 3],
          ]),
          1.4,
        ),
      ),
    ),
};
/** Two leaves grown into one round the stem. */
const joinedPair = (): Shape[] =>
  all(
    stem(60, 4, 92, 4),
    area(smoothClosed(pts("60,40 84,34 114,44 86,60 60,58 34,60 6,44 36,34")), "leaf"),
    inner(straight(pts("12,45 108,45"))),
    outline(ellipse(60, 48, 5, 4)),
  );
const barkEdge = (): Shape[] => [
  area(straight(pts("14,4 40,4 40,92 14,92"), true), "leaf"),
  faint(straight(pts("26,4 26,92"))),
];

const tinted = (tint: Tint): Shape[] => all(area(smoothClosed(pts("60,10 84,26 90,56 74,82 46,82 30,56 36,26")), tint));
const COLOUR_MARK: Partial<Record<string, Shape[]>> = {
  black: [faint(smooth(pts("44,40 40,56 48,72")))],
};

/** One picture for each state of each character that can be drawn. */
const DRAWINGS: Record<string, Draw> = {
  ...WOOD,
  ...LEAF_DETAIL,
  ...GRASS_DETAIL,
  ...SEEDLINGS,
  ...FLOWER_DETAIL,
  ...BESIDE,
  ground: habit.ground,
  light: habit.light,
  wetness: habit.wetness,
  "plant-kind": habit.plantKind,
  clump: habit.clump,
  evergreen: habit.winter,
  tone: habit.tone,
  stance: habit.stance,
  "climbs-by": habit.climbing,
  "twine-way": (s) => {
    const side = s === "right" ? 1 : -1;
    return all(
      area(rectangle(50, 4, 20, 88), "bark"),
      [76, 54, 32, 10].map((y) => ({
        ...outline(
          straight([
            [60 - side * 14, y + 12],
            [60 + side * 14, y],
          ]),
        ),
        width: 4,
      })),
      [65, 43, 21].map((y) => ({
        ...outline(
          straight([
            [60 + side * 14, y + 0],
            [60 - side * 14, y - 0],
          ]),
        ),
        dash: true,
      })),
      outline(
        straight([
          [60 + side * 30, 50],
          [60 + side * 44, 36],
          [60 + side * 36, 36],
        ]),
      ),
      outline(
        straight([
          [60 + side * 44, 36],
          [60 + side * 44, 45],
        ]),
      ),
    );
  },
  "dead-stems": habit.deadStems,
  "stem-section": (s) => section(s as "round", "plain"),
  "stem-hollow": (s) => section("round", s as "hollow"),
  "stem-ridges": (s) =>
    all(
      stem(60, 6, 90, 22, "leaf"),
      s === "lined"
        ? [46, 53, 60, 67, 74].map((x) =>
            inner(
              straight([
                [x, 6],
                [x, 90],
              ]),
            ),
          )
        : s === "ridged"
          ? [44, 52, 60, 68, 76].flatMap((x) => [
              {
                ...outline(
                  straight([
                    [x, 6],
                    [x, 90],
                  ]),
                ),
                width: 2.6,
              },
              faint(
                straight([
                  [x + 3, 6],
                  [x + 3, 90],
                ]),
              ),
            ])
          : [],
    ),
  "stem-hair": (s) => (s === "line" || s === "hooked" ? specialHair(s) : hairyStem(s as HairKind, `stem-${s}`)),
  "stem-marks": (s) =>
    all(
      stem(60, 6, 90, 18, s === "flushed" ? "red" : "leaf"),
      s === "flushed"
        ? [50, 60, 70].map((x) =>
            faint(
              straight([
                [x, 6],
                [x, 90],
              ]),
            ),
          )
        : s === "blotched"
          ? [
              [52, 20, 6],
              [68, 34, 7],
              [54, 48, 5],
              [66, 62, 8],
              [52, 76, 6],
            ].map(([x, y, r]) => area(ellipse(x, y, r * 0.7, r), "purple"))
          : s === "specks"
            ? Array.from({ length: 32 }, (_, i) => flat(circle(46 + ((i * 11) % 29), 10 + i * 2.5, 1.1), "red"))
            : [],
    ),
  "stem-bloom": bloom,
  sap: (s) =>
    all(
      stem(40, 6, 60, 10, "leaf"),
      area(ellipse(40, 60, 10, 4), "pale"),
      stem(84, 50, 92, 10, "leaf"),
      area(ellipse(84, 50, 10, 4), "pale"),
      s === "clear"
        ? [
            {
              ...outline(smoothClosed(pts("40,64 44,74 40,80 36,74"))),
              dash: true,
            },
          ]
        : s === "milky"
          ? [area(smoothClosed(pts("30,62 50,62 46,74 40,88 34,74")), "white"), area(ellipse(84, 49, 11, 5), "white")]
          : [flat(smoothClosed(pts("32,62 48,62 44,76 40,82 36,74")), "black"), flat(ellipse(84, 50, 9, 3.4), "black")],
    ),
  joints: (s) =>
    all(
      stem(60, 6, 90, 8, "leaf"),
      s === "swollen" ? [area(ellipse(60, 48, 17, 11), "leaf")] : [outline(straight(pts("52,48 68,48")))],
      drawLeaf({ shape: "lance", veins: false }, [s === "swollen" ? 74 : 67, 44], 34, 64),
    ),
  ocrea: (s) =>
    all(
      stem(60, 6, 90, 8, "leaf"),
      drawLeaf({ shape: "lance", veins: false }, [68, 58], 40, 70),
      s === "none"
        ? [outline(straight(pts("52,60 68,60")))]
        : s === "saucer"
          ? [area(ellipse(60, 56, 34, 11), "leaf"), inner(ellipse(60, 54, 9, 3))]
          : [
              area(straight(pts("50,60 70,60 69,34 51,34"), true), "straw"),
              inner(straight(pts("56,58 56,36"))),
              inner(straight(pts("64,58 64,36"))),
            ],
      s === "fringed"
        ? Array.from({ length: 9 }, (_, i) =>
            hair(
              straight([
                [51 + i * 2.2, 34],
                [50 + i * 2.5, 18],
              ]),
            ),
          )
        : [],
    ),
  arms: (s) => ARMS[s](),
  "prickle-shape": (s) => PRICKLES[s](),
  "prickle-place": (s) => {
    const spike = (x: number, y: number, side: number) =>
      area(
        straight(
          [
            [x, y - 4],
            [x + side * 13, y + 3],
            [x, y + 5],
          ],
          true,
        ),
        "red",
      );
    const body = stem(60, 6, 90, 8, "leaf");
    if (s === "scattered")
      return all(
        body,
        [
          [68, 16, 1],
          [52, 26, -1],
          [68, 40, 1],
          [68, 52, 1],
          [52, 62, -1],
          [52, 78, -1],
        ].map(([x, y, d]) => spike(x, y, d)),
      );
    if (s === "on-angles")
      return all(
        body,
        [55, 65].map((x) =>
          outline(
            straight([
              [x, 6],
              [x, 90],
            ]),
          ),
        ),
        [14, 30, 46, 62, 78].flatMap((y) => [spike(68, y, 1), spike(52, y, -1)]),
      );
    return all(
      body,
      [34, 72].flatMap((y) => [spike(68, y, 1), spike(52, y, -1)]),
      drawLeaf({ shape: "oval", veins: false }, [66, 28], 28, 58),
      drawLeaf({ shape: "oval", veins: false }, [54, 66], 28, -58),
    );
  },
  "cane-section": (s) => section(s as "round", "pith", s === "green-ridged" ? "green" : "leaf"),
  "cane-bloom": bloom,
  "red-hair": (s) =>
    all(
      stem(60, 6, 90, 12, s === "dense" ? "red" : "leaf"),
      s === "none"
        ? []
        : Array.from({ length: s === "dense" ? 26 : 7 }, (_, i) => {
            const y = 8 + i * (s === "dense" ? 3.2 : 12);
            return [
              hair(
                straight([
                  [72, y],
                  [84, y - 2],
                ]),
                0.9,
              ),
              flat(circle(85, y - 2, 1.4), "red"),
              hair(
                straight([
                  [48, y],
                  [36, y - 2],
                ]),
                0.9,
              ),
              flat(circle(35, y - 2, 1.4), "red"),
            ];
          }).flat(),
    ),
  "twig-skin": (s) => {
    const tint = ({ brown: "bark", green: "green", red: "red", silver: "silver", bloomed: "leaf" } as const)[
      s as "brown"
    ];
    const body = stem(60, 6, 90, 13, tint);
    if (s === "silver")
      return all(
        body,
        Array.from({ length: 26 }, (_, i) => inner(circle(50 + ((i * 9) % 21), 10 + i * 3.1, 1.6))),
      );
    if (s === "bloomed")
      return all(
        body,
        flat(smoothClosed(pts("50,10 66,12 68,60 52,66")), "white"),
        Array.from({ length: 8 }, (_, i) =>
          faint(
            straight([
              [52, 14 + i * 6],
              [64, 12 + i * 6],
            ]),
          ),
        ),
      );
    return all(
      body,
      s === "brown"
        ? [30, 60].map((y) =>
            outline(
              straight([
                [47, y],
                [73, y],
              ]),
            ),
          )
        : s === "red"
          ? [55, 60, 65].map((x) =>
              faint(
                straight([
                  [x, 6],
                  [x, 90],
                ]),
              ),
            )
          : [area(ellipse(74, 44, 5, 8), "green")],
    );
  },
  bark: (s) => {
    const trunk = stem(60, 4, 92, 28, "bark");
    if (s === "smooth") return trunk;
    if (s === "dotted")
      return all(
        trunk,
        [
          [44, 16],
          [66, 24],
          [52, 40],
          [74, 48],
          [46, 62],
          [68, 74],
        ].map(([x, y]) => ({
          ...outline(
            straight([
              [x - 6, y],
              [x + 6, y],
            ]),
          ),
          width: 2,
        })),
      );
    if (s === "stringy")
      return all(
        trunk,
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
      );
    if (s === "furrowed")
      return all(
        trunk,
        [40, 52, 64, 76].flatMap((x) => [
          {
            ...outline(
              smooth([
                [x, 4],
                [x + 5, 28],
                [x - 3, 52],
                [x + 4, 92],
              ]),
            ),
            width: 2.6,
          },
        ]),
      );
    if (s === "scaly")
      return all(
        trunk,
        [
          [32, 6],
          [60, 6],
          [44, 32],
          [70, 34],
          [32, 58],
          [58, 60],
          [44, 78],
        ].map(([x, y]) =>
          area(
            straight(
              [
                [x + 2, y],
                [x + 22, y + 2],
                [x + 20, y + 20],
                [x, y + 18],
              ],
              true,
            ),
            "bark",
          ),
        ),
      );
    return all(
      trunk,
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
  },
  "wood-colour": (s) => {
    const tint = ({ green: "green", yellow: "yellow", brown: "brown", orange: "orange" } as const)[s as "green"];
    const marks =
      s === "orange"
        ? [30, 44, 58].map((y) =>
            outline(
              straight([
                [48, y],
                [74, y - 4],
              ]),
            ),
          )
        : s === "green"
          ? [flat(smoothClosed(pts("52,26 68,24 70,70 52,72")), "white")]
          : s === "yellow"
            ? [54, 60, 66].map((x) =>
                outline(
                  straight([
                    [x, 26],
                    [x, 70],
                  ]),
                ),
              )
            : [faint(smooth(pts("52,30 66,46 54,68")))];
    return all(
      stem(60, 4, 92, 24, "bark"),
      area(smoothClosed(pts("44,20 76,16 78,76 46,80")), tint),
      marks,
      area(straight(pts("84,60 114,20 118,26 90,66"), true), "silver"),
    );
  },
  buds: (s) => {
    const twig = stem(60, 4, 92, 7, "bark");
    if (s === "scaly")
      return all(
        twig,
        area(smoothClosed(pts("67,66 88,50 92,28 74,36 67,50")), "brown"),
        [44, 54].map((y) =>
          inner(
            smooth([
              [70, y],
              [80, y - 6],
              [88, y - 10],
            ]),
          ),
        ),
      );
    if (s === "naked")
      return all(
        twig,
        area(smoothClosed(pts("67,66 84,52 90,24 76,34 67,50")), "straw"),
        Array.from({ length: 12 }, (_, i) =>
          hair(
            straight([
              [72 + (i % 4) * 4, 58 - i * 2.4],
              [78 + (i % 4) * 4, 50 - i * 2.4],
            ]),
            0.7,
          ),
        ),
      );
    if (s === "hidden") return all(twig, outline(ellipse(60, 46, 6, 9)), flat(circle(60, 43, 1.6), "ink"));
    return all(twig, area(circle(69, 48, 3), "brown"));
  },
  "leaf-order": (s) => leafOrder(s as "alternate"),
  "leaf-kind": (s) => compoundLeaf(s as "simple"),
  "leaf-shape": (s) =>
    bigLeaf({
      shape: s as LeafShape,
      base:
        s === "heart" || s === "arrow" || s === "kidney" || s === "diamond" || s === "round"
          ? undefined
          : s === "egg"
            ? "rounded"
            : "wedge",
    }),
  "leaf-lobes": (s) => bigLeaf({ shape: s === "backward" ? "spoon" : "oval", lobes: s as LeafLobes }),
  "leaf-edge": (s) => bigLeaf({ shape: "oval", edge: s as LeafEdge }),
  "leaf-base": (s) =>
    s === "joined"
      ? joinedPair()
      : drawLeaf(
          { shape: s === "heart" ? "heart" : "egg", base: s as Leaf["base"] },
          [60, 76],
          66,
          0,
          s === "ears" ? 4 : 14,
        ),
  "leaf-tip": (s) => drawLeaf({ shape: "oval", tip: s as Leaf["tip"] }, [60, 92], 78),
  "leaf-stalk": (s) =>
    ({
      none: () => all(stem(22, 4, 92, 3), drawLeaf({ shape: "oval" }, [26, 56], 60, 76)),
      short: () =>
        all(stem(22, 4, 92, 3), outline(straight(pts("25,60 44,54"))), drawLeaf({ shape: "oval" }, [44, 54], 56, 76)),
      long: () =>
        all(
          stem(22, 4, 92, 3),
          {
            ...outline(straight(pts("25,64 72,50"))),
            width: 2,
          },
          drawLeaf({ shape: "oval" }, [72, 50], 42, 76),
        ),
    })[s as "none"](),
  "stalk-foot": (s) => {
    const axis = stem(40, 4, 92, 8);
    if (s === "plain")
      return all(axis, {
        ...outline(straight(pts("48,54 110,24"))),
        width: 4,
      });
    if (s === "sheath") return all(axis, area(straight(pts("48,74 48,46 64,44 112,22 114,28 70,54"), true), "pale"));
    if (s === "bladder")
      return all(
        axis,
        area(smoothClosed(pts("30,78 26,46 48,30 76,34 112,18 116,26 84,52 58,82")), "pale"),
        inner(smooth(pts("46,74 60,52 110,24"))),
      );
    return all(
      axis,
      area(smoothClosed(pts("48,40 60,54 54,92 48,92")), "leaf"),
      area(smoothClosed(pts("32,40 20,54 26,92 32,92")), "leaf"),
      {
        ...outline(straight(pts("48,40 110,20"))),
        width: 3,
      },
    );
  },
  "leaf-hair-above": (s) =>
    s === "scales" ? scalyLeaf() : s === "prickly" ? pricklyLeaf() : hairyLeaf(s as HairKind, false, `above-${s}`),
  "leaf-hair-below": (s) => (s === "scales" ? scalyLeaf() : hairyLeaf(leafHair(s), true, `below-${s}`)),
  "under-tone": (s) =>
    all(
      drawLeaf({ shape: "oval" }, [34, 86], 74),
      drawLeaf(
        {
          shape: "oval",
          tint: ({ same: "leaf", paler: "pale", white: "white" } as const)[s as "same"],
          veins: s !== "white",
        },
        [86, 86],
        74,
      ),
      s === "white"
        ? [
            outline(straight(pts("86,86 86,16"))),
            ...Array.from({ length: 14 }, (_, i) =>
              hair(
                straight([
                  [76 + (i % 5) * 5, 30 + i * 3.2],
                  [80 + (i % 5) * 5, 28 + i * 3.2],
                ]),
                0.6,
              ),
            ),
          ]
        : s === "paler"
          ? Array.from({ length: 9 }, (_, i) => flat(circle(78 + (i % 3) * 8, 36 + i * 4, 0.8), "ink"))
          : [],
    ),
  "leaf-gloss": (s) =>
    all(
      bigLeaf({ shape: "oval" }),
      s === "shiny"
        ? [
            flat(smoothClosed(pts("50,70 44,50 50,30 54,48")), "paper"),
            flat(smoothClosed(pts("68,66 74,50 70,34 66,50")), "paper"),
          ]
        : [],
    ),
  "leaf-substance": (s) =>
    ({
      thin: () => all(area(smoothClosed(pts("10,40 50,30 92,40 106,74 98,70 86,48 50,36 12,44")), "leaf")),
      firm: () => all(area(smoothClosed(pts("10,44 50,36 96,38 110,48 108,54 94,46 50,44 10,52")), "leaf")),
      leathery: () =>
        all(area(straight(pts("10,42 110,36 110,48 10,54"), true), "dark"), outline(straight(pts("14,39 106,34")))),
      fleshy: () =>
        all(
          area(smoothClosed(pts("8,48 30,26 86,24 112,44 90,68 34,70")), "green"),
          area(smoothClosed(pts("60,78 66,88 60,94 54,88")), "water"),
        ),
    })[s as "thin"](),
  stipules: (s) => {
    const base = all(stem(40, 4, 92, 6), {
      ...outline(straight(pts("46,58 112,26"))),
      width: 3,
    });
    const wing = (edge: Point[]) => area(straight([[46, 60], ...edge, [86, 42]], true), "pale");
    if (s === "none") return base;
    if (s === "free")
      return all(
        base,
        area(straight(pts("46,62 62,76 50,66"), true), "pale"),
        area(straight(pts("34,62 22,76 32,68"), true), "pale"),
      );
    if (s === "fused")
      return all(
        base,
        wing([
          [58, 70],
          [92, 54],
        ]),
        area(straight(pts("46,54 56,40 90,28 80,40"), true), "pale"),
      );
    if (s === "fringed")
      return all(
        base,
        wing([
          [58, 70],
          [92, 54],
        ]),
        Array.from({ length: 9 }, (_, i) =>
          hair(
            straight([
              [54 + i * 4.4, 68 - i * 1.8],
              [60 + i * 4.6, 82 - i * 1.6],
            ]),
            1.3,
          ),
        ),
        Array.from({ length: 8 }, (_, i) =>
          hair(
            straight([
              [56 + i * 4, 50 - i * 2],
              [54 + i * 4, 36 - i * 2],
            ]),
            1.3,
          ),
        ),
      );
    if (s === "tube")
      return all(
        base,
        area(straight(pts("31,62 49,62 48,30 32,30"), true), "straw"),
        inner(straight(pts("37,60 37,32"))),
        inner(straight(pts("43,60 43,32"))),
      );
    return all(base, drawLeaf({ shape: "egg" }, [46, 62], 38, 122), drawLeaf({ shape: "egg" }, [34, 62], 34, -122));
  },
  "middle-stalk": (s) => compoundLeaf("three", s as "same"),
  "vein-run": (s) => {
    if (s === "arched" || s === "fan") return veinPiece(s);
    const teeth: Point[] = Array.from({ length: 21 }, (_, i) => [10 + i * 5, i % 4 === 0 ? 40 : i % 4 === 2 ? 24 : 32]);
    const piece = area(
      straight(
        [
          ...(s === "tips" || s === "notches" || s === "loops"
            ? teeth
            : ([
                [10, 24],
                [110, 24],
              ] as Point[])),
          [110, 84],
          [10, 84],
        ],
        true,
      ),
      "leaf",
    );
    if (s === "single")
      return all(piece, {
        ...outline(straight(pts("10,56 110,56"))),
        width: 2,
      });
    if (s === "three")
      return all(
        piece,
        [40, 56, 72].map((y) => ({
          ...outline(
            straight([
              [10, y],
              [110, y],
            ]),
          ),
          width: 1.8,
        })),
      );
    const rib = outline(straight(pts("10,76 110,76")));
    if (s === "loops")
      return all(
        piece,
        rib,
        [20, 40, 60, 80].map((x) =>
          outline(
            smooth([
              [x, 76],
              [x + 12, 52],
              [x + 26, 48],
              [x + 30, 60],
            ]),
          ),
        ),
      );
    return all(
      piece,
      rib,
      [0, 1, 2, 3].map((i) => ({
        ...outline(straight([[14 + i * 20, 76], s === "tips" ? [20 + i * 20, 25] : [30 + i * 20, 40]])),
        width: 2,
      })),
    );
  },
  "last-parts": (s) =>
    ({
      broad: () =>
        all(
          outline(straight(pts("60,92 60,40"))),
          drawLeaf({ shape: "egg", edge: "coarse" }, [60, 48], 42),
          drawLeaf({ shape: "egg", edge: "coarse" }, [60, 70], 40, 76),
          drawLeaf({ shape: "egg", edge: "coarse" }, [60, 70], 40, -76),
        ),
      lance: () =>
        all(
          outline(straight(pts("60,92 60,30"))),
          drawLeaf({ shape: "lance", edge: "fine" }, [60, 44], 42),
          ...[56, 76]
            .flatMap((y) => [
              drawLeaf({ shape: "lance", edge: "fine" }, [60, y], 44, 58),
              drawLeaf({ shape: "lance", edge: "fine" }, [60, y], 44, -58),
            ])
            .flat(),
        ),
      blunt: () =>
        all(
          outline(straight(pts("60,92 60,16"))),
          [20, 38, 56, 74]
            .flatMap((y, i) => [
              drawLeaf({ shape: "round", lobes: "shallow", veins: false }, [60, y], 16 + i * 3, 66),
              drawLeaf({ shape: "round", lobes: "shallow", veins: false }, [60, y], 16 + i * 3, -66),
            ])
            .flat(),
        ),
      narrow: () =>
        all(
          outline(straight(pts("60,92 60,10"))),
          [16, 32, 48, 64, 80].flatMap((y) =>
            [-1, 1].flatMap((d) => [
              {
                ...outline(
                  straight([
                    [60, y],
                    [60 + d * 34, y - 20],
                  ]),
                ),
                width: 3,
              },
              {
                ...outline(
                  straight([
                    [60 + d * 15, y - 9],
                    [60 + d * 26, y + 3],
                  ]),
                ),
                width: 2.4,
              },
            ]),
          ),
        ),
      thread: () => ferny([60, 94], 86, -90, 3, 0.9),
    })[s as "broad"](),
  "low-leaves": (s) =>
    ({
      "flat-rosette": () =>
        all(
          earth(),
          [-88, -74, -60, 60, 74, 88].flatMap((a) => drawLeaf({ shape: "spoon" }, [60, 82], 46, a)),
        ),
      "upright-rosette": () =>
        all(
          earth(),
          [-38, -20, 0, 20, 38].flatMap((a) => drawLeaf({ shape: "spoon" }, [60, 84], 58, a)),
        ),
      withered: () =>
        all(
          earth(),
          stem(60, 6, 84, 3),
          [
            [48, 84, 34, 80],
            [72, 84, 88, 80],
          ].map(([a, b, c, d]) => ({
            ...outline(
              smooth([
                [a, b],
                [(a + c) / 2, d - 4],
                [c, d],
              ]),
            ),
            dash: true,
          })),
          drawLeaf({ shape: "lance" }, [60, 46], 30, 60),
        ),
    })[s as "withered"](),
  "stem-leaves": (s) =>
    all(
      stem(60, 16, 92, 2),
      area(circle(60, 12, 8), "yellow"),
      s === "none"
        ? [-76, -40, 40, 76].flatMap((a) => drawLeaf({ shape: "spoon", veins: false }, [60, 92], 26, a))
        : s === "few"
          ? all(
              drawLeaf({ shape: "lance", veins: false }, [60, 64], 24, 50),
              drawLeaf({ shape: "lance", veins: false }, [60, 40], 15, -50),
            )
          : [84, 72, 60, 48, 36].flatMap((y, i) =>
              drawLeaf({ shape: "lance", veins: false }, [60, y], 30 - i * 2, i % 2 ? -60 : 60),
            ),
    ),
  "stem-leaf-foot": (s) =>
    all(
      stem(46, 4, 92, 5),
      s === "stalked"
        ? all(outline(straight(pts("51,56 66,50"))), drawLeaf({ shape: "egg" }, [66, 50], 46, 70))
        : s === "stalkless"
          ? drawLeaf({ shape: "lance" }, [50, 54], 64, 72)
          : all(drawLeaf({ shape: "egg", base: "ears" }, [48, 56], 62, 68)),
    ),
  "ligule-kind": (s) => collar({ ligule: s as "membrane" }),
  "ligule-edge": (s) => collar({ edge: s as "flat" }),
  auricles: (s) => collar({ auricles: s as "none" }),
  "youngest-leaf": (s) => grass.youngest(s as "rolled"),
  "shoot-section": (s) => section(s as "round", "solid", "pale"),
  "sheath-closure": (s) => grass.sheath(s as "open"),
  "sheath-hair": (s) =>
    s === "edge"
      ? all(
          grass.sheath("open"),
          Array.from({ length: 14 }, (_, i) =>
            hair(
              straight([
                [60, 18 + i * 5],
                [50, 14 + i * 5],
              ]),
            ),
          ),
        )
      : hairyStem(s as HairKind, `sheath-${s}`),
  "blade-hair": (s) =>
    all(
      area(straight(pts("8,34 112,30 114,66 8,62"), true), "leaf"),
      [40, 48, 56].map((y) =>
        faint(
          straight([
            [8, y],
            [112, y],
          ]),
        ),
      ),
      s === "none"
        ? []
        : Array.from({ length: s === "velvet" ? 70 : s === "fine" ? 36 : 14 }, (_, i) => {
            const n = s === "velvet" ? 14 : s === "fine" ? 12 : 7;
            const x = 14 + (i % n) * (96 / n);
            const y = 40 + Math.floor(i / n) * (s === "long" ? 16 : 6);
            return hair(
              smooth([
                [x, y],
                [x + 1, y - (s === "long" ? 10 : 3)],
                [x + 3, y - (s === "long" ? 20 : 6)],
              ]),
              0.8,
            );
          }),
    ),
  "collar-hair": (s) => collar({ throat: s as "none" }),
  "node-hair": (s) =>
    all(
      stem(60, 4, 92, 10, "pale"),
      area(ellipse(60, 48, 13, 8), "brown"),
      s === "ring"
        ? Array.from({ length: 13 }, (_, i) =>
            hair(
              straight([
                [48 + i * 2, 52],
                [36 + i * 4, 66 - Math.abs(6 - i)],
              ]),
              0.9,
            ),
          )
        : [],
    ),
  "blade-form": grass.bladeForm,
  "blade-tip": grass.bladeTip,
  midrib: grass.midrib,
  "blade-upper": (s) =>
    all(
      area(straight(pts("8,24 112,20 114,72 8,70"), true), "leaf"),
      s === "ribbed"
        ? [28, 36, 44, 52, 60, 66].flatMap((y) => [
            {
              ...outline(
                straight([
                  [8, y],
                  [112, y - 1],
                ]),
              ),
              width: 2,
            },
          ])
        : s === "rough"
          ? Array.from({ length: 60 }, (_, i) =>
              flat(
                straight(
                  [
                    [14 + (i % 12) * 8, 30 + Math.floor(i / 12) * 9],
                    [18 + (i % 12) * 8, 28 + Math.floor(i / 12) * 9],
                    [14 + (i % 12) * 8, 33 + Math.floor(i / 12) * 9],
                  ],
                  true,
                ),
                "ink",
              ),
            )
          : [faint(straight(pts("8,46 112,44")))],
    ),
  "sheath-foot": grass.sheathFoot,
  pull: (s) =>
    all(
      outline(straight(pts("8,66 112,66"))),
      s === "annual"
        ? all(
            habit.tuft(60, 44, 5, 34, 36),
            Array.from({ length: 7 }, (_, i) =>
              hair(
                straight([
                  [60, 44],
                  [48 + i * 4, 60],
                ]),
              ),
            ),
            outline(straight(pts("90,54 90,26 84,34"))),
            outline(straight(pts("90,26 96,34"))),
          )
        : s === "tough"
          ? all(
              habit.tuft(60, 66, 9, 60, 46),
              Array.from({ length: 9 }, (_, i) =>
                hair(
                  straight([
                    [60, 66],
                    [36 + i * 6, 92],
                  ]),
                  1.2,
                ),
              ),
              area(smoothClosed(pts("46,20 74,20 76,34 44,34")), "paper"),
            )
          : all(
              habit.tuft(34, 50, 5, 34, 38),
              {
                ...outline(smooth(pts("34,50 60,58 84,52 112,66"))),
                width: 3,
              },
              [52, 74, 92].map((x) =>
                hair(
                  straight([
                    [x, 56],
                    [x + 2, 66],
                  ]),
                ),
              ),
            ),
    ),
  "head-kind": grass.head,
  "awn-shape": grass.awns,
  "spikelet-stalk": grass.spikeletStalk,
  "floret-hair": grass.floretHair,
  "head-breaks": (s) =>
    s === "holds"
      ? all(
          grass.head("narrow"),
          [
            [86, 84],
            [34, 88],
            [96, 72],
          ].map(([x, y]) => area(ellipse(x, y, 3, 5), "straw")),
        )
      : all(
          [
            [60, 84, 0],
            [64, 58, 8],
            [56, 34, -10],
            [70, 12, 14],
          ].flatMap(([x, y, a]) => [
            outline(straight([[x, y + 6], polar(x, y, 12, -90 + a)])),
            area(smoothClosed([[x, y], polar(x, y, 10, -60 + a), polar(x, y, 18, -70 + a)]), "straw"),
            area(smoothClosed([[x, y], polar(x, y, 10, -120 + a), polar(x, y, 18, -110 + a)]), "straw"),
          ]),
        ),
  "head-stance": (s) =>
    s === "stiff"
      ? all(
          outline(straight(pts("60,94 60,10"))),
          [14, 24, 34, 44].flatMap((y) => [
            area(ellipse(65, y, 3, 7), "straw"),
            area(ellipse(55, y + 4, 3, 7), "straw"),
          ]),
        )
      : all(
          outline(smooth(pts("40,94 44,40 62,14 92,30 98,52"))),
          [
            [66, 18],
            [78, 22],
            [90, 34],
            [96, 46],
          ].map(([x, y]) => area(ellipse(x, y + 8, 3, 8), "straw")),
        ),
  "seed-leaf": (s) => seedLeaves(s),
  "first-leaf": (s) =>
    all(
      earth(86),
      stem(60, 58, 86, 1.8),
      [-70, 70].flatMap((a) => drawLeaf({ shape: "oval", veins: false, tint: "pale" }, [60, 66], 22, a)),
      s === "three"
        ? [-60, 0, 60].flatMap((a) => drawLeaf({ shape: "egg", veins: false }, [60, 54], 30, a))
        : s === "divided"
          ? ferny([60, 58], 50, -90, 2)
          : drawLeaf(
              { shape: "oval", edge: s === "toothed" ? "coarse" : "smooth", lobes: s === "lobed" ? "deep" : "none" },
              [60, 58],
              50,
            ),
    ),
  "first-order": (s) =>
    all(
      earth(86),
      s === "rosette"
        ? [-70, -35, 0, 35, 70].flatMap((a) => drawLeaf({ shape: "spoon", veins: false }, [60, 84], 40, a))
        : all(
            stem(60, 14, 86, 1.8),
            [-70, 70].flatMap((a) => drawLeaf({ shape: "oval", veins: false, tint: "pale" }, [60, 76], 20, a)),
            s === "alternate"
              ? all(
                  drawLeaf({ shape: "egg", veins: false }, [60, 54], 32, 60),
                  drawLeaf({ shape: "egg", veins: false }, [60, 34], 28, -60),
                )
              : [52, 28].flatMap((y) => [
                  ...drawLeaf({ shape: "egg", veins: false }, [60, y], 30, 64),
                  ...drawLeaf({ shape: "egg", veins: false }, [60, y], 30, -64),
                ]),
          ),
    ),
  "seedling-hair": (s) =>
    all(
      hairyStem(s as HairKind, `seedling-${s}`),
      drawLeaf({ shape: "oval", veins: false, tint: "pale" }, [72, 20], 30, 60),
    ),
  "first-blade": (s) =>
    all(
      earth(),
      s === "thread"
        ? [
            {
              ...outline(smooth(pts("60,84 58,50 64,10"))),
              width: 1.2,
            },
          ]
        : s === "narrow"
          ? [area(smoothClosed(pts("58,84 54,50 60,10 63,50 62,84")), "leaf")]
          : [area(smoothClosed(pts("57,84 42,50 58,16 76,44 63,84")), "leaf"), inner(straight(pts("60,82 58,22")))],
    ),
  "grass-seedling-hair": (s) =>
    all(earth(), hairyStem(s as HairKind, `grass-seedling-${s}`).slice(0), outline(straight(pts("30,84 90,84")))),
  "root-kind": habit.root,
  "root-cut": (s) => {
    const tint = ({ solid: "white", chambers: "straw", orange: "orange", yellow: "yellow" } as const)[s as "solid"];
    const body = area(smoothClosed(pts("36,6 84,6 88,40 70,80 60,94 50,80 32,40")), tint);
    if (s === "chambers")
      return all(
        body,
        [16, 30, 44, 58, 70].map((y, i) => area(ellipse(60, y, 20 - i * 2.4, 4.4), "paper")),
        [24, 52].map((y) => flat(circle(44, y, 2.2), "orange")),
      );
    return all(
      body,
      s === "solid"
        ? [faint(straight(pts("60,10 60,88")))]
        : s === "orange"
          ? [48, 60, 72].map((x) =>
              inner(
                smooth([
                  [x, 10],
                  [60 + (x - 60) * 0.6, 50],
                  [60, 86],
                ]),
              ),
            )
          : [20, 38, 56].map((y) =>
              faint(
                smooth([
                  [40, y],
                  [60, y + 5],
                  [80, y],
                ]),
              ),
            ),
    );
  },
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
      area(
        smoothClosed([
          [x - 8, y + 4],
          [x + 8, y + 4],
          [x + 4, y + 16],
          [x - 4, y + 16],
        ]),
        "leaf",
      ),
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
  "fruit-kind": (s) => fruit(s),
  "fruit-colour": (s) =>
    all(
      tinted(
        (
          {
            red: "red",
            orange: "orange",
            black: "black",
            blue: "blue",
            green: "green",
            white: "white",
            brown: "brown",
            silver: "silver",
          } as const
        )[s as "red"],
      ),
      COLOUR_MARK[s] ?? [],
      FRUIT_MARKS[s] ?? [],
    ),
  "split-fruit": (s) => splitFruit(s),
  "fruit-ribs": seedRibs,
  "fruit-core": (s) =>
    s === "core"
      ? all(fruit("bramble"), area(straight(pts("56,10 64,10 63,26 57,26"), true), "white"))
      : all(
          fruit("bramble").slice(1),
          area(ellipse(60, 28, 13, 5), "paper"),
          area(smoothClosed(pts("18,44 26,44 30,62 22,74 14,62")), "white"),
        ),
  "pod-hair": (s) => pod(s as "none"),
  "fruit-place": (s) =>
    all(
      outline(straight(pts("60,94 60,8"))),
      s === "axils"
        ? [24, 46, 68].flatMap((y) => [
            ...drawLeaf({ shape: "lance", veins: false }, [60, y], 32, 70),
            ...drawLeaf({ shape: "lance", veins: false }, [60, y], 32, -70),
            area(circle(68, y - 7, 5), "straw"),
            area(circle(52, y - 7, 5), "straw"),
          ])
        : all(
            [50, 60, 70, 55, 65].map((x, i) => area(circle(x, 10 + (i > 2 ? 9 : i === 1 ? 0 : 3), 5), "straw")),
            [40, 62].flatMap((y) => [
              ...drawLeaf({ shape: "lance", veins: false }, [60, y], 32, 66),
              ...drawLeaf({ shape: "lance", veins: false }, [60, y], 32, -66),
            ]),
          ),
    ),
  "fruit-cluster": (s) =>
    all(
      outline(straight(pts("60,4 60,34"))),
      (s === "one"
        ? [[60, 50]]
        : s === "few"
          ? [
              [46, 48],
              [74, 48],
              [60, 62],
            ]
          : [
              [36, 40],
              [52, 38],
              [68, 38],
              [84, 40],
              [44, 54],
              [60, 52],
              [76, 54],
              [52, 68],
              [68, 68],
              [60, 82],
            ]
      ).flatMap(([x, y]) => [
        inner(
          straight([
            [60, 30],
            [x, y],
          ]),
        ),
        area(circle(x, y, s === "one" ? 16 : s === "few" ? 11 : 8), "red"),
      ]),
    ),
  "water-plan": water.waterPlan,
  "water-leaf": water.waterLeaf,
  "water-teeth": water.waterEdge,
  "rib-spines": water.ribSpines,
  "out-of-water": water.lifted,
  "leaf-edge-wave": water.wave,
  "water-foot": water.waterFoot,
  axis: water.axis,
  forking: water.forking,
  bulbils: water.bulbils,
  surface: water.surface,
  "water-flower": water.waterFlower,
  tips: water.tips,
  "stem-colour": (s) =>
    all(
      stem(60, 4, 92, 12, ({ green: "green", red: "red", pale: "white", brown: "brown" } as const)[s as "green"]),
      s === "red"
        ? [56, 64].map((x) =>
            faint(
              straight([
                [x, 4],
                [x, 92],
              ]),
            ),
          )
        : s === "brown"
          ? [20, 48, 76].map((y) =>
              inner(
                straight([
                  [48, y],
                  [72, y],
                ]),
              ),
            )
          : s === "pale"
            ? [faint(straight(pts("60,4 60,92")))]
            : [area(ellipse(74, 48, 5, 9), "green")],
    ),
  holdfast: water.holdfast,
  "water-fruit": water.waterFruit,
  "water-feel": water.feel,
  "water-tip": water.waterTip,
  branching: water.branching,
  mass: water.mass,
  "winter-water": water.winterWater,
  "water-stalk": water.waterStalk,
  "water-veins": water.waterVeins,
  "float-leaf": water.floatLeaf,
};

/** Hatching that tells colors apart in black and white: the direction stands for the color, as in heraldry. */
/** The tint of a state of flower-color. */
export const flowerTint = (colour: string): Tint => (colour in FLOWER_TINTS ? FLOWER_TINTS[colour] : "white");
const FLOWER_TINTS: Record<string, Tint> = {
  white: "white",
  yellow: "yellow",
  orange: "orange",
  pink: "pink",
  purple: "purple",
  green: "green",
  red: "red",
};

/** A color is a disc, which says nothing of petals; its marks tell it from the others where colors cannot be seen. */
const HATCHES: Record<string, Shape[]> = {
  yellow: Array.from({ length: 12 }, (_, i) => flat(circle(...polar(60, 48, 18 + (i % 2) * 10, i * 30), 1.3), "ink")),
  orange: [44, 54, 64, 74].map((x) =>
    inner(
      straight([
        [x, 26],
        [x, 70],
      ]),
    ),
  ),
  pink: [34, 44, 54, 64].map((y) =>
    faint(
      straight([
        [36, y + 6],
        [84, y - 6],
      ]),
    ),
  ),
  purple: [36, 48, 60].flatMap((y) =>
    [46, 60, 74].flatMap((x) => [
      inner(
        straight([
          [x - 4, y - 4],
          [x + 4, y + 4],
        ]),
      ),
      inner(
        straight([
          [x + 4, y - 4],
          [x - 4, y + 4],
        ]),
      ),
    ]),
  ),
  green: [12, 20, 28].map((r) => faint(circle(60, 48, r))),
  red: [32, 42, 52, 62].map((y) =>
    inner(
      straight([
        [36, y],
        [84, y],
      ]),
    ),
  ),
};
const FRUIT_MARKS: Record<string, Shape[]> = {
  red: [40, 52, 64, 76].map((x) =>
    faint(
      straight([
        [x, 26],
        [x, 74],
      ]),
    ),
  ),
  orange: [
    [46, 34],
    [62, 28],
    [74, 44],
    [50, 54],
    [68, 64],
    [56, 72],
  ].map(([x, y]) =>
    inner(
      straight([
        [x, y],
        [x + 4, y + 4],
      ]),
    ),
  ),
  blue: [28, 40, 52, 64]
    .map((y) =>
      faint(
        straight([
          [40, y],
          [80, y],
        ]),
      ),
    )
    .concat(flat(ellipse(50, 34, 7, 4), "paper")),
  brown: [30, 48, 66].map((y) =>
    inner(
      smooth([
        [40, y],
        [60, y + 5],
        [80, y],
      ]),
    ),
  ),
  silver: [
    [46, 30],
    [64, 26],
    [76, 42],
    [44, 52],
    [60, 48],
    [72, 64],
    [52, 70],
  ].map(([x, y]) => inner(circle(x, y, 2))),
  green: [inner(smooth(pts("60,12 72,44 60,80"))), inner(smooth(pts("60,12 48,44 60,80")))],
};

function bloom(state: string): Shape[] {
  const strength = { none: 0, light: 4, bloom: 9, white: 9 }[state] ?? 0;
  return all(
    stem(60, 4, 92, 14, "leaf"),
    strength > 4
      ? [flat(rectangle(47, 4, 26, 88), "white"), flat(rectangle(47, 40, 26, 18), "leaf")]
      : strength > 0
        ? [flat(ellipse(56, 26, 7, 16), "white"), flat(ellipse(64, 70, 6, 13), "white")]
        : [],
    strength > 4 ? [area(smoothClosed(pts("72,38 104,34 108,60 72,58")), "paper")] : [],
  );
}

function seedLeaves(state: string): Shape[] {
  const shapes: Record<string, Leaf> = {
    strap: { shape: "linear", veins: false },
    lance: { shape: "lance" },
    oval: { shape: "oval" },
    round: { shape: "round" },
    spoon: { shape: "spoon" },
  };
  const ground = all(earth(86), stem(60, 60, 86, 1.8));
  if (state === "butterfly") return butterflySeedLeaves();
  if (state === "hidden")
    return all(
      earth(60),
      stem(60, 16, 60, 1.8),
      area(ellipse(56, 74, 9, 7), "straw"),
      area(ellipse(66, 74, 8, 7), "straw"),
      drawLeaf({ shape: "egg", veins: false }, [60, 30], 24, 50),
      drawLeaf({ shape: "egg", veins: false }, [60, 26], 24, -50),
    );
  if (state === "notched")
    return all(
      ground,
      [-1, 1].flatMap((s) => [
        area(
          smoothClosed([
            [60, 62],
            [60 + s * 14, 38],
            [60 + s * 30, 28],
            [60 + s * 36, 38],
            [60 + s * 46, 40],
            [60 + s * 42, 54],
            [60 + s * 22, 62],
          ]),
          "leaf",
        ),
        inner(
          straight([
            [60, 62],
            [60 + s * 34, 40],
          ]),
        ),
      ]),
    );
  return all(
    ground,
    drawLeaf(shapes[state], [60, 62], state === "strap" ? 56 : 42, 58),
    drawLeaf(shapes[state], [60, 62], state === "strap" ? 56 : 42, -58),
  );
}

const headBractsRays = Array.from({ length: 11 }, (_, i) =>
  area(
    smoothClosed([
      polar(60, 34, 10, -170 + i * 16),
      polar(60, 34, 26, -173 + i * 16),
      polar(60, 34, 30, -170 + i * 16),
      polar(60, 34, 26, -167 + i * 16),
    ]),
    "yellow",
  ),
);
const headBractsCup = (rows: number) =>
  Array.from({ length: rows }, (_, r) =>
    Array.from({ length: 6 }, (_, i) =>
      area(
        smoothClosed([
          [36 + i * 8, 76 - r * 12],
          [34 + i * 8, 66 - r * 12],
          [38 + i * 8, 54 - r * 12],
          [43 + i * 8, 66 - r * 12],
        ]),
        "leaf",
      ),
    ),
  ).flat();
const headBractsStalk = stem(60, 78, 94, 2.4);
const HEAD_BRACTS_KINDS: Record<string, (state: string) => Shape[]> = {
  "one-row": () =>
    all(
      headBractsRays,
      headBractsStalk,
      Array.from({ length: 7 }, (_, i) =>
        area(
          straight(
            [
              [37 + i * 6.6, 78],
              [37 + i * 6.6, 36],
              [40 + i * 6.6, 32],
              [43 + i * 6.6, 36],
              [43 + i * 6.6, 78],
            ],
            true,
          ),
          "leaf",
        ),
      ),
    ),
  "two-rows": () =>
    all(
      headBractsRays,
      headBractsStalk,
      Array.from({ length: 7 }, (_, i) =>
        area(
          straight(
            [
              [37 + i * 6.6, 74],
              [40 + i * 6.6, 32],
              [43 + i * 6.6, 74],
            ],
            true,
          ),
          "leaf",
        ),
      ),
      Array.from({ length: 5 }, (_, i) =>
        area(
          straight(
            [
              [38 + i * 9, 80],
              [40 + i * 9, 60],
              [44 + i * 9, 80],
            ],
            true,
          ),
          "pale",
        ),
      ),
    ),
  tiles: () => all(headBractsRays, headBractsStalk, headBractsCup(3).reverse()),
};
const otherHeadBracts = (): Shape[] =>
  all(
    Array.from({ length: 7 }, (_, i) => area(circle(42 + i * 6, 42 - (i % 2) * 5, 4), "green")),
    headBractsStalk,
    area(smoothClosed(pts("32,44 88,44 82,68 60,80 38,68")), "leaf"),
    outline(smooth(pts("32,44 60,52 88,44"))),
  );

function headBracts(state: string): Shape[] {
  return (HEAD_BRACTS_KINDS[state] ?? otherHeadBracts)(state);
}

const bractTipsBract = (x: number, tint: Tint = "leaf") =>
  area(
    straight(
      [
        [x - 12, 92],
        [x - 12, 44],
        [x, 10],
        [x + 12, 44],
        [x + 12, 92],
      ],
      true,
    ),
    tint,
  );
const BRACT_TIPS_KINDS: Record<string, (state: string) => Shape[]> = {
  black: () =>
    all(
      [34, 60, 86].map((x) => bractTipsBract(x)),
      [34, 60, 86].map((x) =>
        flat(
          straight(
            [
              [x - 7, 30],
              [x, 10],
              [x + 7, 30],
            ],
            true,
          ),
          "black",
        ),
      ),
    ),
  "black-hair": () =>
    all(
      [34, 60, 86].map((x) => bractTipsBract(x)),
      [34, 60, 86].flatMap((x) =>
        [22, 36, 50, 64, 78].flatMap((y) => [
          {
            ...outline(
              straight([
                [x, y],
                [x + 8, y - 7],
              ]),
            ),
            width: 1.6,
          },
          flat(circle(x + 8, y - 7, 1.7), "black"),
        ]),
      ),
    ),
  papery: () =>
    all(
      [34, 60, 86].map((x) => bractTipsBract(x, "white")),
      [34, 60, 86].map((x) =>
        area(
          straight(
            [
              [x - 6, 92],
              [x - 6, 48],
              [x, 28],
              [x + 6, 48],
              [x + 6, 92],
            ],
            true,
          ),
          "leaf",
        ),
      ),
    ),
  "bent-back": () =>
    all(
      area(smoothClosed(pts("36,16 84,16 80,52 40,52")), "leaf"),
      [-1, 1].flatMap((s) =>
        [0, 1].map((k) => ({
          ...outline(
            smooth([
              [60 + s * 16, 52],
              [60 + s * (30 + k * 8), 52 + k * 4],
              [60 + s * (34 + k * 6), 82 - k * 6],
            ]),
          ),
          width: 3.4,
        })),
      ),
      stem(60, 52, 94, 3),
    ),
};
const otherBractTips = (): Shape[] =>
  all(
    [34, 60, 86].map((x) => bractTipsBract(x)),
    [34, 60, 86].map((x) =>
      faint(
        straight([
          [x, 90],
          [x, 20],
        ]),
      ),
    ),
  );

function bractTips(state: string): Shape[] {
  return (BRACT_TIPS_KINDS[state] ?? otherBractTips)(state);
}

function pappus(state: string): Shape[] {
  const seed = area(smoothClosed(pts("60,94 52,78 56,60 64,60 68,78")), "brown");
  if (state === "none") return all(seed);
  if (state === "chaff")
    return all(
      seed,
      [30, 44, 76, 90].map((x) =>
        area(
          straight(
            [
              [x - 5, 92],
              [x, 34],
              [x + 5, 92],
            ],
            true,
          ),
          "white",
        ),
      ),
    );
  const threads = Array.from({ length: 9 }, (_, i) => -160 + i * 17.5);
  return all(
    seed,
    threads.flatMap((a) => {
      const end = polar(60, 60, 48, a);
      const line = hair(straight([[60, 60], end]), 1);
      if (state === "plain") return [line];
      return [
        line,
        ...[0.4, 0.58, 0.76, 0.92].flatMap((u) =>
          [-1, 1].map((s) =>
            hair(
              straight([
                [60 + (end[0] - 60) * u, 60 + (end[1] - 60) * u],
                polar(60 + (end[0] - 60) * u, 60 + (end[1] - 60) * u, 6, a + s * 50),
              ]),
              0.6,
            ),
          ),
        ),
      ];
    }),
  );
}

const SPLIT_FRUIT_KINDS: Record<string, (state: string) => Shape[]> = {
  flat: () =>
    all(
      area(smoothClosed(pts("60,10 88,28 90,64 60,90 30,64 32,28")), "pale"),
      area(smoothClosed(pts("60,18 78,34 80,60 60,80 40,60 42,34")), "straw"),
      [50, 57, 63, 70].map((x) => ({
        ...outline(
          straight([
            [x, 24],
            [x, 56],
          ]),
        ),
        width: 1.6,
      })),
    ),
  wavy: () =>
    all(
      area(circle(60, 50, 32), "straw"),
      [36, 48, 60, 72, 84].map((x) => ({
        ...outline(smooth(Array.from({ length: 8 }, (_, i) => [x + (i % 2 ? 3 : -3), 26 + i * 7] as Point))),
        width: 1.4,
      })),
    ),
  needle: () =>
    all(
      outline(straight(pts("60,4 60,16"))),
      area(smoothClosed(pts("57,12 53,60 56,94 59,60")), "black"),
      area(smoothClosed(pts("63,12 67,60 64,94 61,60")), "black"),
    ),
  bristly: () =>
    all(
      area(smoothClosed(pts("60,16 78,34 78,64 60,82 42,64 42,34")), "straw"),
      Array.from({ length: 18 }, (_, i) => ({
        ...hair(straight([polar(60, 49, 22, i * 20), polar(60, 49, 38, i * 20)])),
        width: 1.4,
      })),
    ),
  corky: () =>
    all(
      area(rectangle(38, 18, 44, 60), "straw"),
      [44, 52, 60, 68, 76].map((x) => area(ellipse(x, 48, 3.6, 28), "pale")),
      [52, 68].map((x) =>
        outline(
          straight([
            [x, 18],
            [x - 3 + (x > 60 ? 6 : 0), 4],
          ]),
        ),
      ),
    ),
  winged: () =>
    all(
      area(smoothClosed(pts("60,14 70,50 60,86 50,50")), "straw"),
      [-1, 1].flatMap((s) => [
        area(
          smoothClosed([
            [60 + s * 6, 22],
            [60 + s * 30, 34],
            [60 + s * 32, 62],
            [60 + s * 6, 80],
          ]),
          "white",
        ),
        inner(
          smooth([
            [60 + s * 4, 24],
            [60 + s * 12, 50],
            [60 + s * 4, 78],
          ]),
        ),
      ]),
    ),
};
const otherSplitFruit = (): Shape[] =>
  all(
    area(smoothClosed(pts("60,14 82,34 82,66 60,86 38,66 38,34")), "straw"),
    [44, 52, 60, 68, 76].map((x) => ({
      ...outline(
        smooth([
          [60 + (x - 60) * 0.4, 18],
          [x, 50],
          [60 + (x - 60) * 0.4, 82],
        ]),
      ),
      width: 2,
    })),
  );

function splitFruit(state: string): Shape[] {
  return (SPLIT_FRUIT_KINDS[state] ?? otherSplitFruit)(state);
}

/** Half of a double seed from its back: pale ribs upon the brown ground of the grooves. */
function seedRibs(state: string): Shape[] {
  const half = state === "wide" ? 4.2 : 1.8;
  const bulge = (x: number) => 60 + (x - 60) * 0.34;
  const ribs = [36, 48, 60, 72, 84].map((x) =>
    area(
      smoothClosed([
        [bulge(x), 14],
        [x + half, 40],
        [x + half, 58],
        [bulge(x), 86],
        [x - half, 58],
        [x - half, 40],
      ]),
      "pale",
    ),
  );
  return all(area(smoothClosed(pts("60,10 88,32 91,60 60,90 29,60 32,32")), "brown"), ribs);
}

/** The picture of a state, or null where there is none: a smell, a measure. */
export function drawState(character: string, state: string): Shape[] | null {
  const look = drawLook(character, state);
  if (look) return look;
  const draw = DRAWINGS[character];
  return draw ? draw(state) : null;
}

/** A leaf set with small round scales. */
function scalyLeaf(): Shape[] {
  const blade = smoothClosed(pts("14,78 22,40 52,14 104,12 108,50 86,82 46,90"));
  const scales = Array.from({ length: 40 }, (_, i) => inner(circle(26 + ((i * 17) % 74), 30 + ((i * 29) % 46), 1.9)));
  return all(area(blade, "silver"), inner(smooth(pts("14,78 50,48 106,14"))), scales);
}
