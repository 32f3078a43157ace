import {
  type Shape,
  polar,
  area,
  smoothClosed,
  hair,
  straight,
  outline,
  pts,
  all,
  smooth,
  inner,
  type Point,
  circle,
} from "../ink/shapes";
import { reedHead } from "./reed-head";

export const spikelet = (x: number, y: number, degrees: number, size = 10, awn = 0): Shape[] => {
  const tip = polar(x, y, size, degrees);
  const side = (s: number) => polar(...polar(x, y, size * 0.5, degrees), size * 0.24, degrees + s * 90);
  return [
    area(smoothClosed([[x, y], side(1), tip, side(-1)]), "straw"),
    ...(awn > 0 ? [hair(straight([tip, polar(tip[0], tip[1], awn, degrees)]), 0.8)] : []),
  ];
};

const headAxis = outline(straight(pts("60,94 60,8")));

const headPlume = (kind: string): Shape[] => reedHead(kind);

const HEAD_KINDS: Record<string, (kind: string) => Shape[]> = {
  plume: headPlume,
  burs: headPlume,
  umbrella: headPlume,
  spike: () =>
    all(
      headAxis,
      [14, 26, 38, 50, 62].flatMap((y, i) => spikelet(60, y + 8, i % 2 ? -62 : -118, 15, 8)),
    ),
  "short-stalks": () =>
    all(
      {
        ...outline(smooth(pts("56,94 58,50 70,18 92,20"))),
        width: 1.4,
      },
      [
        [58, 66],
        [60, 50],
        [66, 34],
        [78, 22],
      ].flatMap(([x, y], i) => [
        outline(
          straight([
            [x, y],
            [x + (i % 2 ? 7 : -6), y - 5],
          ]),
        ),
        ...spikelet(x + (i % 2 ? 7 : -6), y - 5, i % 2 ? -35 : -140, 22, 9),
      ]),
    ),
  cylinder: () =>
    all(
      headAxis,
      area(smoothClosed(pts("53,70 51,40 54,14 60,8 66,14 69,40 67,70 60,74")), "straw"),
      Array.from({ length: 40 }, (_, i) =>
        inner(
          straight([
            [53 + (i % 4) * 4.4, 16 + Math.floor(i / 4) * 5.6],
            [54 + (i % 4) * 4.4, 13 + Math.floor(i / 4) * 5.6],
          ]),
        ),
      ),
    ),
  narrow: () =>
    all(
      headAxis,
      [20, 32, 44, 56, 68].flatMap((y, i) => [
        outline(
          straight([
            [60, y + 14],
            [60 + (i % 2 ? 8 : -8), y],
          ]),
        ),
        ...spikelet(60 + (i % 2 ? 8 : -8), y, -90, 13, 6),
        ...spikelet(60 + (i % 2 ? 4 : -4), y + 8, -90, 11),
      ]),
    ),
  open: () =>
    all(
      headAxis,
      [24, 40, 56, 70].flatMap((y, i) =>
        [-1, 1].flatMap((s) => {
          const end: Point = [60 + s * (18 + i * 7), y - 10 + i * 2];
          return [
            inner(straight([[60, y], end])),
            inner(
              straight([
                [60 + s * (10 + i * 4), y - 5],
                [60 + s * (16 + i * 6), y + 5],
              ]),
            ),
            ...spikelet(end[0], end[1], s > 0 ? -20 : -160, 9),
            ...spikelet(60 + s * (16 + i * 6), y + 5, 70, 8),
          ];
        }),
      ),
      spikelet(60, 14, -90, 10),
    ),
  lumps: () =>
    all(
      headAxis,
      [
        [60, 16, 9],
        [50, 30, 8],
        [72, 34, 9],
        [40, 50, 11],
        [86, 54, 8],
      ].flatMap(([x, y, r]) => [
        outline(
          straight([
            [60, y + 12],
            [x, y],
          ]),
        ),
        area(
          smoothClosed([
            [x - r, y],
            [x - r * 0.4, y - r],
            [x + r * 0.8, y - r * 0.7],
            [x + r, y + r * 0.4],
            [x, y + r * 0.8],
          ]),
          "green",
        ),
        ...[0, 72, 144, 216, 288].map((a) => inner(straight([[x, y], polar(x, y, r * 0.8, a)]))),
      ]),
    ),
  fingers: () =>
    all(
      headAxis,
      [-58, -78, -98, -122].flatMap((a, i) => {
        const from: Point = [60, 40 - i * 5];
        return [
          outline(straight([from, polar(from[0], from[1], 36, a)])),
          ...[10, 16, 22, 28, 34].flatMap((r) => spikelet(...polar(from[0], from[1], r, a), a + 24, 7)),
        ];
      }),
    ),
  tufted: () =>
    all(
      headAxis,
      [22, 40, 58, 74].flatMap((y, i) => [
        area(
          smoothClosed([
            [60, y + 8],
            [60 + (i % 2 ? 10 : -10), y - 6],
            [60 + (i % 2 ? 16 : -16), y - 20],
            [60 + (i % 2 ? 4 : -4), y - 6],
          ]),
          "straw",
        ),
        ...Array.from({ length: 8 }, (_, k) =>
          hair(straight([[60 + (i % 2 ? 8 : -8), y - 4], polar(60 + (i % 2 ? 8 : -8), y - 4, 13, -150 + k * 16)]), 0.6),
        ),
      ]),
    ),
};

const otherHead = (): Shape[] =>
  all(
    area(smoothClosed(pts("56,94 57,50 60,4 63,50 64,94")), "green"),
    ...[0, 1, 2, 3, 4, 5].flatMap((i) => [
      inner(straight([[62, 40], polar(62, 40, 14 + (i % 3) * 4, -30 + i * 18)])),
      area(circle(...polar(62, 40, 15 + (i % 3) * 4, -30 + i * 18), 3), "brown"),
    ]),
  );

export function head(kind: string): Shape[] {
  return (HEAD_KINDS[kind] ?? otherHead)(kind);
}
