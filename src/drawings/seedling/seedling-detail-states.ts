import { earth } from "../habit/earth";
import type { Draw } from "../ink/draw";
import { all, polar, outline, straight, smooth, pts, inner, along, hair } from "../ink/shapes";
import { drawLeaf, type Leaf } from "../leaf/leaf";
import { stem } from "../stem/stem";
import { firstPrickles, firstLeaf, BACKS, wool, firstShapes } from "./first-leaves";
import { tips, stalks, seedLeaf, leafHairs, veins, cutAcross, notched, notches, narrowLobed } from "./seed-leaves";

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
      s === "red" ? [58, 60, 62].map((x) => inner(straight(pts("0,38 0,84", x)))) : [],
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
