import { type Shape, area, circle, inner, type Point, smooth, all, outline, straight, pts } from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { umbel } from "./umbel";

const clusterBloom = (x: number, y: number, r = 6): Shape[] => [
  area(circle(x, y, r * 0.8), "white"),
  inner(circle(x, y, r * 0.25)),
];

const clusterStalkTo = (x: number, y: number, from: Point): Shape =>
  inner(smooth([from, [(x + from[0]) / 2, (y + from[1]) / 2 - 2], [x, y]]));

const clusterPlace = (spots: Point[], from: (p: Point) => Point, r = 6) =>
  all(
    outline(
      straight([
        [60, 94],
        [60, Math.min(...spots.map((s) => from(s)[1]))],
      ]),
    ),
    spots.map((s) => clusterStalkTo(s[0], s[1], from(s))),
    spots.flatMap(([x, y]) => clusterBloom(x, y, r)),
  );

const CLUSTER_KINDS: Record<string, (kind: string) => Shape[]> = {
  single: () => all(outline(straight(pts("60,94 60,34"))), clusterBloom(60, 26, 15)),
  few: () =>
    clusterPlace(
      [
        [60, 22],
        [38, 34],
        [82, 32],
      ],
      () => [60, 62],
      10,
    ),
  flat: () =>
    clusterPlace(
      [
        [20, 28],
        [33, 22],
        [46, 20],
        [60, 18],
        [74, 20],
        [87, 22],
        [100, 28],
        [53, 27],
        [67, 27],
      ],
      ([x]) => [60, 84 - Math.abs(x - 60) * 0.5],
      7,
    ),
  umbrella: () => umbel(9),
  spike: () =>
    clusterPlace(
      [
        [60, 12],
        [52, 22],
        [68, 28],
        [52, 36],
        [68, 43],
        [52, 51],
        [68, 58],
      ],
      ([, y]) => [60, y + 3],
      6.5,
    ),
  plume: () =>
    clusterPlace(
      [
        [60, 10],
        [48, 18],
        [72, 18],
        [40, 30],
        [80, 30],
        [52, 30],
        [68, 32],
        [32, 46],
        [88, 46],
        [48, 46],
        [72, 46],
        [60, 40],
      ],
      ([, y]) => [60, y + 16],
      5.5,
    ),
};

const otherCluster = (): Shape[] =>
  all(
    outline(straight(pts("60,94 60,8"))),
    [22, 46, 70].flatMap((y) => [
      ...drawLeaf({ shape: "lance", veins: false }, [60, y], 34, 66),
      ...drawLeaf({ shape: "lance", veins: false }, [60, y], 34, -66),
      ...clusterBloom(68, y - 7, 7),
      ...clusterBloom(52, y - 7, 7),
    ]),
  );

export function cluster(kind: string): Shape[] {
  return (CLUSTER_KINDS[kind] ?? otherCluster)(kind);
}
