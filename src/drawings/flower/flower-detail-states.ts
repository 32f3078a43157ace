import { wingAngles, pods, nutlet, valve } from "../fruit/pod-shapes";
import type { Draw } from "../ink/draw";
import {
  all,
  area,
  smoothClosed,
  polar,
  straight,
  ellipse,
  hair,
  smooth,
  pts,
  faint,
  outline,
  inner,
  circle,
} from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { stem } from "../stem/stem";
import { onePetal, flowerBracts, bractEnds, headOn } from "./bracts";
import { calyxBracts, sepalTip, sepalHair, sepalSet } from "./calyx";

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
