import {
  pts,
  all,
  area,
  circle,
  ellipse,
  faint,
  flat,
  hair,
  inner,
  outline,
  type Point,
  polar,
  type Shape,
  smooth,
  smoothClosed,
  straight,
  type Tint,
} from "./shapes";
import { drawLeaf } from "./leaf";
import { FRUITS, specialFlower } from "./flower-detail";
import { stem } from "./parts";

function petal(cx: number, cy: number, r: number, w: number, degrees: number, tint: Tint): Shape {
  const at = (along: number, across: number) => polar(...polar(cx, cy, along, degrees), across, degrees + 90);
  return area(
    smoothClosed([
      at(r * 0.15, 0),
      at(r * 0.55, w),
      at(r * 0.95, w * 0.6),
      at(r, 0),
      at(r * 0.95, -w * 0.6),
      at(r * 0.55, -w),
    ]),
    tint,
  );
}

export function openFlower(n: number, tint: Tint = "white", r = 32, cx = 60, cy = 44, heart: Tint = "yellow"): Shape[] {
  const w = Math.min(r * 0.42, (Math.PI * r) / n / 1.7);
  return all(
    Array.from({ length: n }, (_, i) => petal(cx, cy, r, w, (i * 360) / n - 90, tint)),
    area(circle(cx, cy, r * 0.2), heart),
  );
}

const flowerKindStalk = stem(60, 62, 94, 1.4);
const flowerKindLipped = (kind: string, tint: Tint): Shape[] => specialFlower(kind, tint);
const FLOWER_KIND_KINDS: Record<string, (kind: string, tint: Tint) => Shape[]> = {
  lipped: flowerKindLipped,
  iris: flowerKindLipped,
  daisy: (_kind, tint) => all(flowerKindStalk, openFlower(14, tint, 32), area(circle(60, 44, 12), "orange")),
  straps: (_kind, tint) =>
    all(
      flowerKindStalk,
      ...[32, 24, 15].map((r) =>
        Array.from({ length: Math.round(r * 0.8) }, (_, i) =>
          petal(60, 42, r, 3, (i * 360) / Math.round(r * 0.8) + r, tint),
        ),
      ),
    ) as Shape[],
  button: (_kind, tint) =>
    all(
      flowerKindStalk,
      area(ellipse(60, 44, 24, 18), tint),
      Array.from({ length: 30 }, (_, i) =>
        inner(circle(...polar(60, 43, 20 * Math.sqrt((i + 0.5) / 30), i * 137.5), 1.7)),
      ),
    ),
  umbel: (_kind, tint) =>
    all(
      stem(60, 66, 94, 2),
      Array.from({ length: 13 }, (_, i) => polar(60, 68, 48, -165 + i * 12.5)).flatMap((tip) => [
        inner(straight([[60, 68], tip])),
        area(circle(...tip, 4.4), tint),
      ]),
    ),
  pea: (_kind, tint) =>
    all(
      stem(60, 70, 94, 1.4),
      area(smoothClosed(pts("60,60 30,42 34,14 60,20 86,14 90,42")), tint),
      area(smoothClosed(pts("58,62 34,66 30,52 52,46")), tint),
      area(smoothClosed(pts("62,62 86,66 90,52 68,46")), tint),
      area(smoothClosed(pts("60,74 50,64 56,52 64,52 70,64")), "pale"),
      inner(straight(pts("60,24 60,44"))),
    ),
  bowl: (_kind, tint) =>
    all(
      stem(60, 72, 94, 1.4),
      openFlower(5, tint, 34, 60, 42),
      Array.from({ length: 12 }, (_, i) => hair(straight([polar(60, 42, 6, i * 30), polar(60, 42, 13, i * 30)]))),
    ),
  trumpet: (_kind, tint) =>
    all(
      area(smoothClosed(pts("60,90 54,66 28,30 34,14 60,20 86,14 92,30 66,66")), tint),
      outline(ellipse(60, 22, 30, 9)),
      inner(straight(pts("60,84 60,30"))),
    ),
  spurred: (_kind, tint) =>
    all(
      inner(smooth(pts("60,4 64,18 58,26"))),
      area(smoothClosed(pts("30,40 44,24 80,26 94,40 90,62 70,72 42,68 30,54")), tint),
      area(smoothClosed(pts("30,46 16,50 12,62 20,68 22,58 32,56")), tint),
      area(smoothClosed(pts("80,58 104,62 104,82 84,78")), "pale"),
      area(smoothClosed(pts("70,66 84,84 72,90 60,74")), "pale"),
    ),
  tiny: () =>
    all(
      stem(60, 8, 94, 1.4),
      [18, 32, 46, 60, 74].flatMap((y, i) =>
        [-1, 1].flatMap((s) => [
          area(ellipse(60 + s * (7 + (i % 2) * 3), y, 3.4, 4), "green"),
          inner(
            straight([
              [60, y + 4],
              [60 + s * 6, y + 1],
            ]),
          ),
        ]),
      ),
    ),
};
const otherFlowerKind = (_kind: string, tint: Tint): Shape[] =>
  all(
    inner(straight(pts("60,94 60,12"))),
    [
      [60, 12],
      [42, 26],
      [78, 26],
      [34, 46],
      [86, 46],
      [50, 42],
      [70, 40],
      [44, 62],
      [76, 62],
    ].flatMap(([x, y]) => [
      inner(
        straight([
          [60, y + 16],
          [x, y],
        ]),
      ),
      ...openFlower(5, tint, 9, x, y),
    ]),
  );

/** @param tint the flower's own color, where a plant's is drawn; white says nothing of it */
export function flowerKind(kind: string, tint: Tint = "white"): Shape[] {
  return (FLOWER_KIND_KINDS[kind] ?? otherFlowerKind)(kind, tint);
}

/** An umbrella of umbrellas with n spokes. */
export function umbel(
  n: number,
  bracts: "none" | "few" | "many" | "forked" = "none",
  bractlets: "none" | "one-side" | "ring" | "broad" = "none",
): Shape[] {
  const parts: Shape[] = [...stem(60, 66, 94, 2)];
  for (let i = 0; i < n; i++) {
    const tip = polar(60, 68, 46, -160 + (i * 140) / (n - 1));
    parts.push(inner(straight([[60, 68], tip])));
    for (let k = 0; k < 7; k++) {
      const end = polar(tip[0], tip[1], 8, -150 + k * 20 + (-160 + (i * 140) / (n - 1) + 90) * 0.5);
      parts.push(faint(straight([tip, end])), flat(circle(end[0], end[1], 1.5), "white"), {
        d: circle(end[0], end[1], 1.5),
        ink: "inner",
      });
    }
    const leaflets = { none: [], "one-side": [70, 95], ring: [20, 60, 100, 140, 180], broad: [] }[bractlets];
    for (const a of leaflets) parts.push(hair(straight([tip, polar(tip[0], tip[1], 6, a)]), 1.2));
    if (bractlets === "broad")
      for (const a of [50, 90, 130])
        parts.push(
          area(
            smoothClosed([
              tip,
              polar(tip[0], tip[1], 5, a - 22),
              polar(tip[0], tip[1], 9, a),
              polar(tip[0], tip[1], 5, a + 22),
            ]),
            "pale",
          ),
        );
  }
  const wide = { none: 0, few: 3, many: 9, forked: 5 }[bracts];
  for (let i = 0; i < wide; i++) {
    const a = wide === 3 ? 40 + i * 50 : 15 + (i * 150) / (wide - 1);
    const end = polar(60, 68, bracts === "forked" ? 24 : 15, a);
    parts.push({ ...outline(straight([[60, 68], end])), width: 1.8 });
    if (bracts === "forked")
      for (const u of [0.45, 0.7, 0.9])
        for (const s of [-1, 1])
          parts.push(
            hair(straight([polar(60, 68, 24 * u, a), polar(...polar(60, 68, 24 * u, a), 8, a + s * 45)]), 1.2),
          );
  }
  return parts;
}

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

const FRUIT_KINDS: Record<string, (kind: string, tint: Tint) => Shape[]> = {
  berry: (_kind, tint) =>
    all(
      inner(smooth(pts("60,4 58,20 60,34"))),
      area(circle(60, 58, 26), tint),
      faint(smooth(pts("46,46 42,58 48,70"))),
      flat(circle(60, 82, 2), "ink"),
    ),
  bramble: (_kind, tint) =>
    all(
      inner(straight(pts("60,4 60,24"))),
      ...[
        [60, 34, 1],
        [48, 40, 1],
        [72, 40, 1],
        [42, 52, 1],
        [60, 50, 1],
        [78, 52, 1],
        [48, 64, 1],
        [72, 64, 1],
        [60, 66, 1],
        [54, 78, 1],
        [66, 78, 1],
      ].map(([x, y]) => area(circle(x, y, 9.5), tint)),
      [40, 60, 80].map((x) =>
        area(
          straight(
            [
              [60, 24],
              [x - 6, 16],
              [x + 4, 26],
            ],
            true,
          ),
          "leaf",
        ),
      ),
    ),
  hip: (_kind, tint) =>
    all(
      inner(straight(pts("60,4 60,20"))),
      area(smoothClosed(pts("60,20 86,40 82,68 60,80 38,68 34,40")), tint),
      [-22, -10, 0, 10, 22].map((a) => hair(straight([[60, 78], polar(60, 78, 16, 90 + a)]), 1.4)),
    ),
  haw: (_kind, tint) =>
    all(
      [42, 78, 60].flatMap((x, i) => [
        inner(
          straight([
            [60, 4],
            [x, 40 + i * 6],
          ]),
        ),
        area(circle(x, 56 + i * 6, 14), tint),
        flat(
          straight(
            [
              [x - 4, 68 + i * 6],
              [x, 64 + i * 6],
              [x + 4, 68 + i * 6],
              [x, 72 + i * 6],
            ],
            true,
          ),
          "ink",
        ),
      ]),
    ),
  pod: () => pod("none"),
  split: () =>
    all(
      inner(straight(pts("60,4 60,30"))),
      inner(smooth(pts("60,30 54,44 56,78"))),
      inner(smooth(pts("60,30 66,44 64,78"))),
      area(smoothClosed(pts("52,26 36,48 46,84 54,60")), "straw"),
      area(smoothClosed(pts("68,26 84,48 74,84 66,60")), "straw"),
      inner(smooth(pts("48,34 44,54 47,78"))),
      inner(smooth(pts("72,34 76,54 73,78"))),
    ),
  "winged-nut": () =>
    all(
      inner(straight(pts("60,2 60,18"))),
      area(smoothClosed(pts("60,18 38,26 32,48 46,76 60,88")), "white"),
      area(smoothClosed(pts("60,18 82,26 88,48 74,76 60,88")), "white"),
      area(smoothClosed(pts("60,22 68,44 60,84 52,44")), "pale"),
    ),
  key: () =>
    all(
      inner(straight(pts("28,6 28,22"))),
      area(smoothClosed(pts("28,20 37,40 34,66 27,88 20,66 19,40")), "straw"),
      area(ellipse(28, 52, 5, 6.5), "brown"),
      faint(smooth(pts("29,26 31,44"))),
      inner(straight(pts("80,6 80,24"))),
      [-1, 1].flatMap((s) => [
        area(
          smoothClosed([
            [80, 26],
            [80 + s * 11, 30],
            [80 + s * 33, 66],
            [80 + s * 28, 84],
            [80 + s * 14, 62],
          ]),
          "straw",
        ),
        area(ellipse(80 + s * 6, 32, 6, 5), "brown"),
        faint(
          smooth([
            [80 + s * 11, 36],
            [80 + s * 20, 54],
            [80 + s * 27, 76],
          ]),
        ),
      ]),
    ),
  capsule: () =>
    all(
      inner(straight(pts("60,4 60,20"))),
      area(smoothClosed(pts("60,18 74,40 72,66 60,84 48,66 46,40")), "green"),
      inner(smooth(pts("60,20 64,50 60,82"))),
      [
        [88, 34],
        [94, 48],
        [30, 40],
        [26, 56],
      ].map(([x, y]) => area(circle(x, y, 3), "brown")),
      faint(straight(pts("76,44 86,36"))),
      faint(straight(pts("44,46 33,42"))),
    ),
  plume: () =>
    all(
      Array.from({ length: 9 }, (_, i) => {
        const end = polar(60, 70, 54, -170 + i * 20);
        const mid = polar(60, 70, 30, -160 + i * 20);
        return [
          area(ellipse(...polar(60, 70, 7, -170 + i * 20), 3, 4), "brown"),
          outline(smooth([[60, 70], mid, end])),
          ...[0.45, 0.6, 0.75, 0.9].flatMap((u) =>
            [-1, 1].map((s) =>
              hair(
                straight([
                  [60 + (end[0] - 60) * u, 70 + (end[1] - 70) * u],
                  polar(60 + (end[0] - 60) * u, 70 + (end[1] - 70) * u, 7, -170 + i * 20 + s * 38),
                ]),
                0.6,
              ),
            ),
          ),
        ];
      }).flat(),
    ),
  parachute: () =>
    all(
      area(smoothClosed(pts("60,92 56,78 60,64 64,78")), "brown"),
      outline(straight(pts("60,64 60,44"))),
      Array.from({ length: 15 }, (_, i) => hair(straight([[60, 44], polar(60, 44, 36, -172 + i * 11.7)]), 0.8)),
    ),
  "dry-seed": () =>
    all(
      [
        [40, 40],
        [66, 34],
        [82, 60],
        [50, 66],
        [68, 76],
      ].map(([x, y], i) => area(ellipse(x, y, 6 + (i % 2), 9), "brown")),
      [
        [40, 40],
        [66, 34],
        [82, 60],
        [50, 66],
      ].map(([x, y]) =>
        faint(
          straight([
            [x, y - 7],
            [x, y + 7],
          ]),
        ),
      ),
    ),
  ...FRUITS,
};
const otherFruit = (): Shape[] =>
  all(
    area(ellipse(60, 50, 20, 28), "brown"),
    Array.from({ length: 14 }, (_, i) => {
      const p = polar(60, 50, 1, i * 25.7);
      const from: Point = [60 + (p[0] - 60) * 20, 50 + (p[1] - 50) * 28];
      const to: Point = [60 + (p[0] - 60) * 31, 50 + (p[1] - 50) * 41];
      return outline(smooth([from, to, [to[0] + 3, to[1] + 3]]));
    }),
  );

/** A kind of fruit is drawn without a color until a plant gives it its own: a red berry would say more than "berry". */
export function fruit(kind: string, tint: Tint = "white"): Shape[] {
  return (FRUIT_KINDS[kind] ?? otherFruit)(kind, tint);
}

export function pod(hairs: "none" | "seams" | "all"): Shape[] {
  const top: Point[] = pts("14,40 40,26 76,28 106,48");
  const bottom: Point[] = pts("106,48 76,66 40,64 14,40");
  const parts = all(
    area(`${smooth(top)}${smooth(bottom).replace("M", "L")}Z`, "green"),
    [36, 54, 72, 88].map((x) => faint(ellipse(x, 46, 7, 9))),
    inner(straight(pts("4,34 14,40"))),
  );
  const edge: Point[] = pts("22,33 32,28 44,25.5 56,25.5 68,26.5 80,30 92,38 100,44");
  const under: Point[] = pts("24,54 34,61 46,65 58,67 70,67 82,64 94,57");
  if (hairs !== "none")
    parts.push(
      ...edge.map(([x, y]) =>
        hair(
          straight([
            [x, y],
            [x + 2, y - 10],
          ]),
        ),
      ),
      ...under.map(([x, y]) =>
        hair(
          straight([
            [x, y],
            [x + 2, y + 10],
          ]),
        ),
      ),
    );
  if (hairs === "all")
    for (let i = 0; i < 18; i++)
      parts.push(
        hair(
          straight([
            [26 + (i % 9) * 8, 38 + Math.floor(i / 9) * 14],
            [28 + (i % 9) * 8, 31 + Math.floor(i / 9) * 14],
          ]),
          0.8,
        ),
      );
  return parts;
}
