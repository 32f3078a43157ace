import {
  type Shape,
  all,
  area,
  smoothClosed,
  pts,
  inner,
  straight,
  smooth,
  hair,
  key,
  type Point,
} from "../ink/shapes";
import { stem } from "../stem/stem";

/** A grass at the bend where blade meets sheath. */
export function collar(options: {
  ligule?: "membrane" | "fringe" | "fringed-membrane" | "none";
  edge?: "flat" | "rounded" | "pointed" | "torn";
  auricles?: "none" | "stubs" | "claws";
  throat?: "none" | "tufts" | "line";
}): Shape[] {
  const { ligule = "membrane", edge = "rounded", auricles = "none", throat = "none" } = options;
  const parts = all(
    stem(52, 4, 60, 7, "pale"),
    area(smoothClosed(pts("40,92 41,54 64,52 65,92")), "leaf"),
    inner(straight(pts("52,92 53,58"))),
    area(straight(pts("64,52 66,44 112,8 116,14 84,56 64,62"), true), "leaf"),
    inner(smooth(pts("65,54 88,36 113,11"))),
  );
  parts.push(...liguleShapes(ligule, edge), ...auricleShapes(auricles));
  if (throat === "tufts")
    for (let i = 0; i < 7; i++)
      parts.push(
        hair(
          straight([
            [42, 54],
            [32 - i * 0.6, 48 - i * 4],
          ]),
        ),
        hair(
          straight([
            [66, 54],
            [74 + i, 58 + i * 3],
          ]),
        ),
      );
  if (throat === "line")
    for (let i = 0; i < 12; i++)
      parts.push(
        hair(
          straight([
            [68 + i * 1.6, 58 + i * 0.4],
            [72 + i * 1.6, 66 + i * 0.4],
          ]),
        ),
      );
  return parts;
}

function liguleShapes(kind: string, edge: string): Shape[] {
  if (kind === "none") return [key(straight(pts("44,53 62,51")))];
  const tops: Record<string, Point[]> = {
    flat: [
      [43, 38],
      [62, 37],
    ],
    rounded: [
      [43, 40],
      [48, 31],
      [57, 30],
      [62, 38],
    ],
    pointed: [
      [43, 40],
      [53, 18],
      [62, 38],
    ],
    torn: [
      [43, 36],
      [46, 40],
      [48, 31],
      [51, 39],
      [54, 29],
      [57, 38],
      [60, 31],
      [62, 38],
    ],
  };
  if (kind === "fringe")
    return Array.from({ length: 14 }, (_, i) =>
      hair(
        straight([
          [43 + i * 1.45, 53],
          [42 + i * 1.55, 35 - (i % 3) * 2],
        ]),
        1.1,
      ),
    );
  const low = kind === "fringed-membrane";
  const top = low
    ? ([
        [43, 45],
        [62, 44],
      ] as Point[])
    : tops[edge];
  const parts: Shape[] = [area(straight([[43, 54], ...top, [62, 52]], true), "white")];
  if (low)
    for (let i = 0; i < 13; i++)
      parts.push(
        hair(
          straight([
            [43.5 + i * 1.5, 45],
            [43 + i * 1.55, 35 - (i % 2) * 3],
          ]),
          0.9,
        ),
      );
  return parts;
}

function auricleShapes(kind: string): Shape[] {
  if (kind === "claws")
    return [
      area(smoothClosed(pts("64,60 52,66 36,62 34,56 46,58 62,53")), "pale"),
      area(smoothClosed(pts("41,58 50,70 68,70 70,64 56,63 45,54")), "pale"),
    ];
  if (kind === "stubs")
    return [
      area(smoothClosed(pts("64,60 70,66 74,62 66,53")), "pale"),
      area(smoothClosed(pts("41,58 34,64 32,58 41,53")), "pale"),
    ];
  return [];
}
