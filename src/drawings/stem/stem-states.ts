import { bloom } from "../flower/composite";
import type { Draw } from "../ink/draw";
import {
  all,
  inner,
  straight,
  outline,
  faint,
  area,
  ellipse,
  flat,
  circle,
  smoothClosed,
  pts,
  hair,
} from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { ARMS, PRICKLES } from "./arms";
import { specialHair } from "./hair-posture";
import { section } from "./section";
import { stem, hairyStem, type HairKind } from "./stem";

export const STEM_STATES: Record<string, Draw> = {
  "stem-section": (s) => section(s as "round", "plain"),
  "stem-hollow": (s) => section("round", s as "hollow"),
  "stem-ridges": (s) =>
    all(
      stem(60, 6, 90, 22, "leaf"),
      s === "lined"
        ? [46, 53, 60, 67, 74].map((x) => inner(straight(pts("0,6 0,90", x))))
        : s === "ridged"
          ? [44, 52, 60, 68, 76].flatMap((x) => [
              {
                ...outline(straight(pts("0,6 0,90", x))),
                width: 2.6,
              },
              faint(straight(pts("3,6 3,90", x))),
            ])
          : [],
    ),
  "stem-hair": (s) => (s === "line" || s === "hooked" ? specialHair(s) : hairyStem(s as HairKind, `stem-${s}`)),
  "stem-marks": (s) =>
    all(
      stem(60, 6, 90, 18, s === "flushed" ? "red" : "leaf"),
      s === "flushed"
        ? [50, 60, 70].map((x) => faint(straight(pts("0,6 0,90", x))))
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
        [55, 65].map((x) => outline(straight(pts("0,6 0,90", x)))),
        [14, 30, 46, 62, 78].flatMap((y) => [spike(68, y, 1), spike(52, y, -1)]),
      );
    return all(
      body,
      [34, 72].flatMap((y) => [spike(68, y, 1), spike(52, y, -1)]),
      drawLeaf({ shape: "oval", veins: false }, [66, 28], 28, 58),
      drawLeaf({ shape: "oval", veins: false }, [54, 66], 28, -58),
    );
  },
};
