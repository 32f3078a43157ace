import { tinted, COLOUR_MARK } from "../flower/tints";
import type { Draw } from "../ink/draw";
import { all, area, straight, pts, ellipse, smoothClosed, outline, circle, inner } from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { fruit } from "./fruit-kind";
import { FRUIT_MARKS } from "./fruit-marks";
import { pod } from "./pod";
import { splitFruit, seedRibs } from "./split-fruit";

export const FRUIT_STATES: Record<string, Draw> = {
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
};
