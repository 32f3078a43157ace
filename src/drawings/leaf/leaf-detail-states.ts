import type { Draw } from "../ink/draw";
import { all, area, circle, polar, smoothClosed, pts, outline, straight, faint } from "../ink/shapes";
import { stem } from "../stem/stem";
import { handLeaf } from "./hand";
import { earShape } from "./leaf-edge";
import { MARKS, dotted, stalkGlands, oneHair, lateLeaf } from "./leaf-surface";
import { drawLeaf } from "./leaf";

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
      [30, 50, 70].flatMap((y) => [faint(straight(pts("60,8 86,-8", 0, y))), faint(straight(pts("60,8 34,-8", 0, y)))]),
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
