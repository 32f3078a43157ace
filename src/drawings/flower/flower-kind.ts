import {
  type Tint,
  type Shape,
  polar,
  area,
  smoothClosed,
  all,
  circle,
  ellipse,
  inner,
  straight,
  pts,
  hair,
  outline,
  smooth,
} from "../ink/shapes";
import { stem } from "../stem/stem";
import { specialFlower } from "./special-flower";

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
