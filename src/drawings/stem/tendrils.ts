import type { Draw } from "../ink/draw";
import {
  type Point,
  type Shape,
  outline,
  smooth,
  all,
  straight,
  area,
  circle,
  pts,
  ellipse,
  flat,
} from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { stem } from "./stem";

export const tendril = (from: Point, side: number, forked = false): Shape[] => {
  const [x, y] = from;
  const coil = (u: number, v: number) =>
    outline(
      smooth([
        [x, y],
        [x + side * 16, y - 6],
        [x + side * (26 + u), y - 16 - v],
        [x + side * (32 + u), y - 22 - v],
        [x + side * (26 + u), y - 28 - v],
        [x + side * (21 + u), y - 22 - v],
        [x + side * (27 + u), y - 18 - v],
      ]),
    );
  return forked ? [coil(0, 0), coil(8, -18)] : [coil(0, 0)];
};

export const tendrilPlace: Draw = (s) => {
  const leaf = (foot: Point) =>
    all(outline(straight([[66, 58], foot])), drawLeaf({ shape: "egg", veins: false }, foot, 30, 64));
  const body = stem(60, 4, 92, 5);
  if (s === "opposite") return all(body, leaf([78, 50]), tendril([55, 58], -1));
  if (s === "beside")
    return all(
      body,
      leaf([78, 50]),
      tendril([65, 64], 1).map((t) => ({ ...t, width: 1.8 })),
    );
  if (s === "stalk")
    return all(body, leaf([86, 46]), tendril([68, 57], 1), tendril([66, 60], -1), area(circle(67, 58, 2), "brown"));
  return all(
    body,
    outline(straight(pts("65,58 92,40"))),
    drawLeaf({ shape: "oval", veins: false }, [76, 50], 18, 20),
    drawLeaf({ shape: "oval", veins: false }, [76, 50], 18, 120),
    tendril([92, 40], 0.6),
  );
};

export const axilBulbils: Draw = (s) =>
  all(
    stem(60, 4, 92, 3),
    [30, 62].flatMap((y, i) => {
      const side = i ? -1 : 1;
      return [
        ...drawLeaf({ shape: "heart" }, [60 + side * 12, y], 36, side * 70),
        outline(
          straight([
            [60 + side * 3, y],
            [60 + side * 12, y],
          ]),
        ),
        ...(s === "bulbils"
          ? [area(ellipse(60 + side * 9, y - 8, 6, 5), "brown"), flat(circle(60 + side * 8, y - 9, 0.9), "ink")]
          : []),
      ];
    }),
  );
