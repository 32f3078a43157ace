import { umbel } from "../flower/umbel";
import { earth } from "../habit/earth";
import {
  type Point,
  type Shape,
  key,
  straight,
  circle,
  all,
  area,
  smoothClosed,
  pts,
  inner,
  outline,
  smooth,
  flat,
  rectangle,
  ellipse,
  hair,
} from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { stem } from "../stem/stem";

/** Pictures of what is measured or counted: the part, and between which points. */

/** A line between two points with a bar across each end. */
export function span([ax, ay]: Point, [bx, by]: Point): Shape[] {
  const length = Math.hypot(bx - ax, by - ay);
  const [x, y] = [(-4.5 * (by - ay)) / length, (4.5 * (bx - ax)) / length];
  const bar = ([px, py]: Point): Shape => ({
    ...key(
      straight([
        [px - x, py - y],
        [px + x, py + y],
      ]),
    ),
    width: 2,
  });
  return [
    {
      ...key(
        straight([
          [ax, ay],
          [bx, by],
        ]),
      ),
      width: 1.4,
    },
    bar([ax, ay]),
    bar([bx, by]),
  ];
}

/** A ring round each thing that is counted. */
export const rings = (points: Point[], r = 5): Shape[] =>
  points.map(([x, y]) => ({ ...key(circle(x, y, r)), width: 1.6 }));

export const lying = (shape: "oval" | "lance"): Shape[] => drawLeaf({ shape }, [30, 48], 78, 90, 20);

export const bladeOfGrass = (): Shape[] =>
  all(
    area(smoothClosed(pts("8,46 30,36 92,40 112,50 90,56 30,60 8,54")), "leaf"),
    inner(straight(pts("10,50 110,50"))),
  );

export const floret = (x: number, y: number): Shape[] =>
  all(
    area(smoothClosed(pts("0,0 -9,-18 -5,-38 0,-46 5,-38 9,-18", x, y)), "straw"),
    inner(straight(pts("0,-2 0,-40", x, y))),
  );

export const awned = (x: number, y: number): Shape[] =>
  all(
    floret(x, y),
    outline(
      smooth([
        [x, y - 46],
        [x + 2, 20],
        [x + 8, 6],
      ]),
    ),
  );

export const seedLeaves = (): Shape[] =>
  all(
    earth(88),
    stem(60, 62, 88, 2),
    [-68, 68].flatMap((a) => drawLeaf({ shape: "oval", veins: false }, [60, 62], 46, a)),
  );

export const umbrella = (): Shape[] => umbel(9);

export const ribbon = (): Shape[] =>
  all(
    flat(rectangle(4, 4, 112, 88), "water"),
    area(smoothClosed(pts("12,50 40,40 96,44 108,50 96,56 40,60")), "green"),
    inner(straight(pts("14,50 104,50"))),
  );

export const pod = (): Shape[] =>
  all(
    stem(22, 40, 56, 1.4),
    area(smoothClosed(pts("24,48 44,38 84,38 104,46 84,56 44,58")), "green"),
    [42, 58, 74, 90].map((x) => inner(ellipse(x, 47, 5, 4))),
  );

export const pair = (): Shape[] =>
  all(
    stem(30, 6, 92, 3, "bark"),
    {
      ...outline(straight(pts("33,50 72,50"))),
      width: 1.8,
    },
    area(circle(80, 42, 9), "red"),
    area(circle(80, 58, 9), "red"),
  );

export const longFlower = (): Shape[] =>
  all(
    stem(60, 82, 94, 1.4),
    area(smoothClosed(pts("60,84 52,70 52,36 38,14 52,18 60,10 68,18 82,14 68,36 68,70")), "white"),
    inner(straight(pts("60,80 60,22"))),
  );

export const feather = (): Shape[] =>
  all(
    flat(rectangle(4, 4, 112, 88), "water"),
    outline(straight(pts("10,60 112,60"))),
    [22, 36, 50, 64, 78, 92].flatMap((x) => [
      hair(straight(pts("0,60 10,26", x)), 1.2),
      hair(straight(pts("0,60 10,90", x)), 1.2),
    ]),
  );
