import { type Shape, all, area, straight, outline, polar, hair, pts, smoothClosed } from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { barkEdge } from "../wood/bark";
import { stem } from "./stem";

export const ARMS: Record<string, () => Shape[]> = {
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
        outline(straight(pts("76,-7 80,-20", 0, y))),
      ]),
    ),
  "leaf-spines": () =>
    all(stem(34, 6, 90, 4, "bark"), drawLeaf({ shape: "oval", edge: "spiny", tip: "spine" }, [38, 60], 66, 74)),
};

export const PRICKLES: Record<string, () => Shape[]> = {
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
