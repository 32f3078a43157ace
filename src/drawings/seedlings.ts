import { drawLeaf, type Leaf } from "./leaf";
import { earth, stem } from "./parts";
import {
  pts,
  all,
  along,
  area,
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

/** Pictures of broad-leaved seedlings looked at closely. */
type Draw = (state: string) => Shape[];

const seedLeaf = (leaf: Leaf): Shape[] => drawLeaf(leaf, [60, 92], 82);

const tips: Record<string, () => Shape[]> = {
  blunt: () => seedLeaf({ shape: "oval", tip: "blunt", veins: false }),
  pointed: () => seedLeaf({ shape: "oval", tip: "pointed", veins: false }),
  dented: () => [area(smoothClosed(pts("60,92 40,66 38,30 48,12 60,24 72,12 82,30 80,66")), "leaf")],
};

const stalks: Record<string, number> = { none: 0, short: 12, long: 34 };

const leafHairs = (s: string): Shape[] => {
  const rim: Point[] = along([0, 20], [0, 84], 14).map(([, y]) => [22 * Math.sin((Math.PI * (92 - y)) / 84) ** 0.8, y]);
  const edge = rim.flatMap(([w, y]) => [
    hair(
      straight([
        [60 + w, y],
        [68 + w, y - 5],
      ]),
    ),
    hair(
      straight([
        [60 - w, y],
        [52 - w, y - 5],
      ]),
    ),
  ]);
  const face = Array.from({ length: 26 }, (_, i) => polar(60, 52, 18 * Math.sqrt((i + 0.5) / 26), i * 137.5)).map(
    ([x, y]) =>
      hair(
        straight([
          [x, y],
          [x + 2, y - 7],
        ]),
      ),
  );
  return s === "none" ? [] : s === "edge" ? edge : all(edge, face);
};

const firstShapes: Record<string, Leaf> = {
  linear: { shape: "linear" },
  lance: { shape: "lance" },
  oval: { shape: "oval" },
  round: { shape: "kidney" },
  heart: { shape: "heart" },
  arrow: { shape: "arrow" },
  spoon: { shape: "spoon" },
};

const veins: Record<string, () => Shape[]> = {
  hidden: () => [],
  middle: () => [
    {
      ...inner(straight(pts("60,90 60,16"))),
      width: 1.4,
    },
  ],
  net: () =>
    all(
      {
        ...inner(straight(pts("60,90 60,14"))),
        width: 1.4,
      },
      [72, 54, 36].flatMap((y) =>
        [-1, 1].flatMap((d) => [
          inner(
            smooth([
              [60, y],
              [60 + d * 10, y - 8],
              [60 + d * 18, y - 8],
            ]),
          ),
          inner(
            straight([
              [60 + d * 9, y - 7],
              [60 + d * 12, y - 18],
            ]),
          ),
        ]),
      ),
    ),
};

/** A seedling's first true leaf above its two seed leaves. */
const firstLeaf = (leaf: Leaf): Shape[] =>
  all(
    earth(90),
    stem(60, 76, 90, 1.8),
    [-72, 72].flatMap((a) => drawLeaf({ shape: "oval", veins: false, tint: "pale" }, [60, 80], 20, a)),
    drawLeaf(leaf, [60, 76], 62, 0),
  );

/** Wool lies across a leaf in loose threads. */
const wool = (): Shape[] =>
  [34, 44, 54].map((y, i) =>
    hair(
      smooth([
        [46, y],
        [52, y + (i % 2 ? 5 : -5)],
        [60, y + (i % 2 ? -4 : 4)],
        [67, y + 1],
        [74, y + (i % 2 ? 5 : -4)],
      ]),
    ),
  );

const BACKS: Record<string, Leaf["tint"]> = { green: "leaf", purple: "purple", white: "white" };

/** How far the tip of a seed leaf is cut in, as the height at which the notch ends. */
const notches: Record<string, number> = { dent: 26, third: 44, deep: 68 };

const notched = (depth: number): Shape[] => [
  area(
    smoothClosed([
      [60, 92],
      [38, 70],
      [32, 36],
      [42, 12],
      [53, 18],
      [60, depth],
      [67, 18],
      [78, 12],
      [88, 36],
      [82, 70],
    ]),
    "leaf",
  ),
];
const narrowLobed = (): Shape[] => [
  area(straight(pts("60,92 52,74 24,14 30,12 60,64 90,12 96,14 68,74"), true), "leaf"),
];

/** A leaf, and below it the same leaf cut across. */
const cutAcross = (half: number): Shape[] =>
  all(
    drawLeaf({ shape: "oval", veins: false }, [60, 62], 56),
    area(
      smoothClosed([
        [32, 80],
        [60, 80 - half],
        [88, 80],
        [60, 80 + half],
      ]),
      "leaf",
    ),
  );

/** Prickles of a first leaf: out from its rim, or as pimples on its face. */
const firstPrickles: Record<string, () => Shape[]> = {
  none: () => [],
  edge: () =>
    along([0, 22], [0, 80], 7).flatMap(([, y]) => {
      const w = 22 * Math.sin((Math.PI * (92 - y)) / 84) ** 0.8;
      return [-1, 1].map((d) => ({
        ...outline(
          straight([
            [60 + d * w, y + 3],
            [60 + d * (w + 11), y - 6],
            [60 + d * w, y - 3],
          ]),
        ),
        width: 1.4,
      }));
    }),
  warts: () =>
    Array.from({ length: 12 }, (_, i) => polar(60, 52, 16 * Math.sqrt((i + 0.5) / 12), i * 137.5)).map(([x, y]) => ({
      ...outline(
        smoothClosed([
          [x - 2.5, y],
          [x, y - 4],
          [x + 2.5, y],
          [x, y + 2],
        ]),
      ),
      width: 1.2,
    })),
};

/** A first true leaf of this outline, with its tip and its teeth where they are known. */
export const firstLeafOf = (shape: string, tip: string | null, teeth: string | null): Shape[] =>
  firstLeaf({
    ...firstShapes[shape],
    ...(tip ? { tip: tip as Leaf["tip"] } : {}),
    ...(teeth ? { edge: teeth as Leaf["edge"] } : {}),
  });

export const SEEDLINGS: Record<string, Draw> = {
  "seed-leaf-tip": (s) => tips[s](),
  "seed-leaf-stalk": (s) =>
    all(
      earth(86),
      stem(60, 56, 86, 1.8),
      [-1, 1].flatMap((d) => {
        const a = d * 58;
        const foot = polar(60, 58, stalks[s], a - 90);
        return [
          ...(stalks[s] ? [{ ...outline(straight([[60, 58], foot])), width: 2 }] : []),
          ...drawLeaf({ shape: "oval", veins: false }, foot, 30, a),
        ];
      }),
    ),
  "seed-leaf-hair": (s) => all(seedLeaf({ shape: "oval", veins: false }), leafHairs(s)),
  "first-prickles": (s) => all(seedLeaf({ shape: "oval", veins: false }), firstPrickles[s]()),
  "seed-leaf-veins": (s) => all(seedLeaf({ shape: "oval", veins: false }), veins[s]()),
  "seed-leaf-back": (s) =>
    all(
      drawLeaf({ shape: "oval", tint: "leaf", veins: false }, [32, 88], 72),
      drawLeaf({ shape: "oval", tint: s === "purple" ? "purple" : "pale", veins: false }, [86, 88], 72),
      outline(smooth(pts("44,12 60,4 76,12"))),
      outline(straight(pts("76,12 69,11"))),
      outline(straight(pts("76,12 75,5"))),
      s === "purple"
        ? [-6, 0, 6].map((x) =>
            inner(
              straight([
                [86 + x, 74],
                [86 + x, 34],
              ]),
            ),
          )
        : [],
    ),
  "below-seed-leaf": (s) =>
    all(
      earth(86),
      stem(60, 34, 86, 4, s === "red" ? "red" : "leaf"),
      s === "red"
        ? [58, 60, 62].map((x) =>
            inner(
              straight([
                [x, 38],
                [x, 84],
              ]),
            ),
          )
        : [],
      drawLeaf({ shape: "oval", veins: false }, [62, 36], 34, 62),
      drawLeaf({ shape: "oval", veins: false }, [58, 36], 34, -62),
    ),
  "first-tip": (s) => firstLeaf({ shape: "oval", tip: s as Leaf["tip"] }),
  "first-teeth": (s) => firstLeaf({ shape: "oval", edge: s as Leaf["edge"] }),
  "first-back": (s) =>
    all(
      firstLeaf({ shape: "oval", tint: BACKS[s] }),
      outline(smooth(pts("82,26 94,20 96,36"))),
      outline(straight(pts("96,36 91,33"))),
      outline(straight(pts("96,36 99,31"))),
      s === "white"
        ? wool().slice(0, 2)
        : s === "purple"
          ? [-6, 6].map((x) =>
              inner(
                straight([
                  [60 + x, 62],
                  [60 + x, 32],
                ]),
              ),
            )
          : [],
    ),
  "first-wool": (s) => all(firstLeaf({ shape: "oval" }), s === "wool" ? wool() : []),
  "seed-leaf-substance": (s) => cutAcross(s === "thick" ? 13 : 2.5),
  "seed-leaf-notch": (s) => notched(notches[s]),
  "seed-leaf-lobe": (s) => (s === "narrow" ? narrowLobed() : notched(notches.third)),
  "below-seed-leaf-hair": (s) =>
    all(
      earth(86),
      stem(60, 34, 86, 4),
      s === "hairy"
        ? along([0, 38], [0, 82], 9).flatMap(([, y]) =>
            [-1, 1].map((d) =>
              hair(
                straight([
                  [60 + d * 2, y],
                  [60 + d * 12, y - 4],
                ]),
              ),
            ),
          )
        : [],
      drawLeaf({ shape: "oval", veins: false }, [62, 36], 34, 62),
      drawLeaf({ shape: "oval", veins: false }, [58, 36], 34, -62),
    ),
  "first-stalk": (s) =>
    all(
      earth(90),
      stem(60, 76, 90, 1.8),
      [-72, 72].flatMap((a) => drawLeaf({ shape: "oval", veins: false, tint: "pale" }, [60, 80], 20, a)),
      stalks[s]
        ? [
            {
              ...outline(
                straight([
                  [60, 76],
                  [60, 76 - stalks[s]],
                ]),
              ),
              width: 2,
            },
          ]
        : [],
      drawLeaf({ shape: "oval" }, [60, 76 - stalks[s]], 34, 0),
    ),
  "first-shape": (s) => firstLeaf(firstShapes[s]),
};

/** Seed leaves cut in two: each like the wings of a butterfly. */
export const butterflySeedLeaves = (): Shape[] =>
  all(
    earth(86),
    stem(60, 60, 86, 1.8),
    [-1, 1].flatMap((s) => [
      area(
        straight(
          [
            [60, 60],
            [60 + s * 20, 50],
            [60 + s * 44, 16],
            [60 + s * 50, 20],
            [60 + s * 34, 52],
            [60 + s * 52, 66],
            [60 + s * 48, 72],
            [60 + s * 22, 60],
          ],
          true,
        ),
        "leaf",
      ),
      inner(
        straight([
          [60, 60],
          [60 + s * 30, 51],
        ]),
      ),
      flat(
        smoothClosed([
          [60 + s * 2, 60],
          [60 + s * 4, 58],
          [60 + s * 5, 61],
        ]),
        "ink",
      ),
    ]),
  );
