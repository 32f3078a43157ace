import { openFlower, flowerKind } from "../flower/flower-kind";
import { collar } from "../grass/collar";
import { head } from "../grass/head";
import { earth } from "../habit/earth";
import {
  type Shape,
  all,
  key,
  circle,
  area,
  straight,
  pts,
  inner,
  smooth,
  outline,
  smoothClosed,
  polar,
  hair,
  ellipse,
  flat,
  rectangle,
  type Point,
} from "../ink/shapes";
import { compoundLeaf } from "../leaf/compound";
import { handLeaf } from "../leaf/hand";
import { drawLeaf } from "../leaf/leaf";
import { stem } from "../stem/stem";
import { waterPlan } from "../water/water-plan";
import {
  span,
  rings,
  lying,
  bladeOfGrass,
  awned,
  floret,
  seedLeaves,
  umbrella,
  pod,
  pair,
  longFlower,
  feather,
  ribbon,
} from "./pieces";

const MEASURED: Record<string, () => Shape[]> = {
  "leaf-width": () => all(drawLeaf({ shape: "egg", base: "rounded" }, [60, 88], 70, 0, 6), span([38, 60], [82, 60])),
  "lobe-count": () =>
    all(
      drawLeaf({ shape: "oval", lobes: "deep" }, [60, 90], 78, 0, 6),
      [26, 46, 66].flatMap((y, i) => [key(circle(24, y, 5)), key(`M30,${y}L${44 - i * 2},${y}`)]),
    ),
  height: () =>
    all(
      earth(86),
      stem(66, 10, 86, 2),
      [-60, 60].flatMap((a) => [30, 52, 72].flatMap((y) => drawLeaf({ shape: "lance", veins: false }, [66, y], 26, a))),
      span([22, 10], [22, 86]),
    ),
  "thorn-length": () =>
    all(stem(30, 6, 90, 6, "bark"), area(straight(pts("36,56 98,38 36,66"), true), "bark"), span([38, 48], [96, 30])),
  leaflets: () =>
    all(
      compoundLeaf("pinnate"),
      rings(
        [
          [60, 22],
          [45, 37],
          [75, 37],
          [44, 55],
          [76, 55],
          [45, 75],
          [75, 75],
        ],
        6,
      ),
    ),
  "leaf-length": () => all(lying("oval"), span([30, 86], [108, 86])),
  "leaf-ratio": () =>
    all(drawLeaf({ shape: "oval" }, [22, 48], 74, 90), span([22, 88], [96, 88]), span([109, 28], [109, 68])),
  "notch-angle": () =>
    all(handLeaf(3, 0.5), {
      ...key(straight(pts("60,12 76,56 104,34"))),
      width: 2,
    }),
  "stalk-ratio": () =>
    all(drawLeaf({ shape: "oval" }, [46, 44], 66, 90, 34), span([12, 84], [46, 84]), span([46, 84], [112, 84])),
  "vein-pairs": () =>
    all(
      drawLeaf({ shape: "oval", veins: false }, [60, 88], 78),
      inner(straight(pts("60,88 60,12"))),
      [76, 62, 48, 34].flatMap((y) =>
        [-1, 1].map((d) =>
          inner(
            smooth([
              [60, y],
              [60 + d * 11, y - 7],
              [60 + d * 18, y - 14],
            ]),
          ),
        ),
      ),
      rings(
        [
          [70, 70],
          [70, 56],
          [70, 42],
          [70, 28],
        ],
        4,
      ),
    ),
  "ligule-height": () => all(collar({ ligule: "membrane", edge: "rounded" }), span([30, 26], [30, 52])),
  "blade-width": () => all(bladeOfGrass(), span([60, 34], [60, 64])),
  "blade-length": () => all(bladeOfGrass(), span([8, 78], [112, 78])),
  "awn-length": () => all(awned(60, 92), span([82, 46], [82, 6])),
  florets: () =>
    all(
      outline(straight(pts("60,94 60,84"))),
      [
        [44, 82, -24],
        [76, 82, 24],
      ].map(([x, y, a]) => area(smoothClosed([[60, 86], [x, y - 14], polar(60, 86, 40, a - 90)]), "pale")),
      floret(48, 70),
      floret(72, 60),
      floret(58, 50),
      rings(
        [
          [48, 48],
          [72, 38],
          [58, 26],
        ],
        6,
      ),
    ),
  "head-length": () => all(head("spike"), span([96, 4], [96, 74])),
  "husk-length": () =>
    all(
      earth(40),
      area(smoothClosed(pts("58,52 55,18 61,4 64,18 62,52")), "leaf"),
      area(smoothClosed(pts("60,52 50,64 54,88 66,88 70,64")), "straw"),
      outline(smooth(pts("64,88 76,92 92,92"))),
      [48, 40, 34].map((x, i) =>
        hair(
          smooth([
            [58, 56],
            [x, 60 + i * 6],
            [x - 10, 78 + i * 4],
          ]),
        ),
      ),
      span([84, 52], [84, 86]),
    ),
  "floret-length": () => all(awned(48, 88), span([74, 42], [74, 88])),
  "seed-leaf-length": () => all(seedLeaves(), span([62, 56], [102, 38])),
  "seed-leaf-ratio": () =>
    all(
      drawLeaf({ shape: "oval", veins: false }, [22, 46], 74, 90),
      span([22, 86], [96, 86]),
      span([109, 26], [109, 66]),
    ),
  petals: () =>
    all(
      stem(60, 72, 94, 1.4),
      openFlower(5, "white", 36, 60, 46),
      rings(Array.from({ length: 5 }, (_, i) => polar(60, 46, 24, i * 72 - 90))),
    ),
  "flower-width": () => all(stem(60, 60, 94, 1.4), openFlower(5, "white", 32, 60, 40), span([28, 82], [92, 82])),
  rays: () =>
    all(
      umbrella(),
      rings(
        Array.from({ length: 9 }, (_, i) => polar(60, 68, 26, -160 + i * 17.5)),
        3,
      ),
    ),
  "umbel-width": () => all(umbrella(), span([12, 84], [108, 84])),
  "ray-number": () =>
    all(flowerKind("daisy"), rings([-90, -90 + 360 / 14, -90 + 720 / 14].map((a) => polar(60, 44, 26, a)))),
  "fruit-length": () => all(pod(), span([24, 76], [104, 76])),
  "flower-stalk": () => all(pair(), span([34, 32], [72, 32])),
  styles: () =>
    all(
      area(ellipse(60, 70, 22, 18), "green"),
      [44, 60, 76].flatMap((x) => [
        outline(
          smooth([
            [60, 54],
            [(60 + x) / 2, 36],
            [x, 22],
          ]),
        ),
        area(circle(x, 20, 4), "yellow"),
      ]),
      rings(
        [
          [44, 20],
          [60, 20],
          [76, 20],
        ],
        8,
      ),
    ),
  "flower-length": () => all(longFlower(), span([98, 10], [98, 84])),
  "top-spike": () =>
    all(
      stem(60, 50, 94, 1.4),
      area(smoothClosed(pts("60,60 53,46 55,18 60,6 65,18 67,46")), "green"),
      [-1, 1].flatMap((d) => [
        outline(
          smooth([
            [60, 88],
            [60 + d * 14, 80],
            [60 + d * 22, 70],
          ]),
        ),
        area(ellipse(60 + d * 24, 60, 4.5, 12), "green"),
      ]),
      span([106, 6], [106, 60]),
    ),
  stones: () =>
    all(
      area(circle(60, 48, 38), "red"),
      area(circle(60, 48, 33), "pale"),
      [
        [46, 40],
        [74, 40],
        [60, 62],
      ].map(([x, y]) => area(ellipse(x, y, 7, 10), "brown")),
      rings(
        [
          [46, 40],
          [74, 40],
          [60, 62],
        ],
        13,
      ),
    ),
  "whorl-number": () =>
    all(
      flat(rectangle(4, 4, 112, 88), "water"),
      area(circle(60, 48, 5), "green"),
      [0, 72, 144, 216, 288].flatMap((a) => [
        area(
          smoothClosed([
            polar(60, 48, 5, a),
            polar(60, 48, 24, a - 10),
            polar(60, 48, 38, a),
            polar(60, 48, 24, a + 10),
          ]),
          "green",
        ),
      ]),
      rings([0, 72, 144, 216, 288].map((a) => polar(60, 48, 26, a))),
    ),
  "leaf-pairs": () =>
    all(
      feather(),
      rings(
        [22, 36, 50, 64, 78, 92].map((x) => [x + 7, 38] as Point),
        4,
      ),
    ),
  "water-leaf-length": () => all(ribbon(), span([12, 78], [108, 78])),
  "water-leaf-width": () => all(ribbon(), span([66, 34], [66, 66])),
  internode: () => all(waterPlan("whorled"), span([102, 42], [102, 64])),
  "stem-thickness": () =>
    all(
      flat(rectangle(4, 4, 112, 88), "water"),
      area(straight(pts("48,4 72,4 72,92 48,92"), true), "green"),
      span([42, 48], [78, 48]),
    ),
};

/** What is measured or counted, and between which points; null of a character that has no picture of its own. */
export const drawMeasured = (character: string): Shape[] | null => MEASURED[character]?.() ?? null;
