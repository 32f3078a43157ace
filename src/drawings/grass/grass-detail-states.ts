import { earth } from "../habit/earth";
import type { Draw } from "../ink/draw";
import {
  all,
  hair,
  straight,
  area,
  smoothClosed,
  pts,
  faint,
  smooth,
  flat,
  ellipse,
  inner,
  outline,
} from "../ink/shapes";
import { stem } from "../stem/stem";
import { bladeTwist, bladeEdge } from "./blade-detail";
import { collar } from "./collar";
import { footSwelling, culmSkin, tuberPlace } from "./culm";
import { awnPlace, husks, spikelet, spikeletSets, bristles } from "./spikelets";

export const GRASS_DETAIL: Record<string, Draw> = {
  "auricle-hair": (s) =>
    all(
      collar({ auricles: "claws" }),
      s === "hairs"
        ? [
            [36, 66],
            [42, 68],
            [48, 70],
            [56, 72],
            [64, 71],
          ].map(([x, y]) => ({
            ...hair(straight(pts("0,0 -2,9", x, y))),
            width: 1.2,
          }))
        : [],
    ),
  "blade-twist": bladeTwist,
  "blade-edge": bladeEdge,
  "blade-under": (s) =>
    all(
      area(smoothClosed(pts("26,92 30,50 46,14 62,6 60,20 50,54 50,92")), "leaf"),
      area(smoothClosed(pts("50,92 50,54 60,20 62,6 80,26 84,58 80,92")), "pale"),
      [58, 66, 73].map((x) => faint(smooth(pts("0,90 2,56 -2,26", x)))),
      s === "glossy"
        ? [
            flat(smoothClosed(pts("60,84 59,58 64,34 68,36 66,60 66,84")), "paper"),
            flat(smoothClosed(pts("74,80 75,58 72,42 76,44 79,60 78,80")), "paper"),
          ]
        : [],
    ),
  "awn-place": awnPlace,
  "hidden-seeds": (s) =>
    all(
      earth(84),
      stem(60, 4, 84, 5),
      area(smoothClosed(pts("66,84 68,60 92,30 98,36 80,64 74,84")), "pale"),
      area(smoothClosed(pts("54,84 52,60 38,34 33,40 44,66 47,84")), "pale"),
      s === "seeds" ? [area(ellipse(70, 66, 4, 9), "brown"), area(ellipse(51, 70, 3.6, 8), "brown")] : [],
    ),
  "foot-swelling": footSwelling,
  "culm-skin": culmSkin,
  "first-blade-stance": (s) =>
    all(
      earth(),
      s === "upright"
        ? [area(smoothClosed(pts("58,84 52,50 60,8 66,50 63,84")), "leaf"), inner(straight(pts("60,82 60,12")))]
        : [
            outline(straight(pts("60,84 60,66"))),
            area(smoothClosed(pts("58,68 72,56 112,58 74,68 62,70")), "leaf"),
            inner(smooth(pts("60,68 80,61 110,58"))),
          ],
    ),
  husk: (s) =>
    all(
      earth(48),
      area(smoothClosed(pts("58,62 56,24 62,4 64,24 62,62")), "leaf"),
      husks[s](),
      Array.from({ length: 4 }, (_, i) =>
        hair(
          smooth([
            [58, 66],
            [48 - i * 5, 76],
            [44 - i * 3, 92],
          ]),
        ),
      ),
    ),
  glumes: (s) =>
    all(
      s === "longer"
        ? [
            area(smoothClosed(pts("60,92 36,56 44,6 58,60")), "pale"),
            area(smoothClosed(pts("60,92 84,56 76,6 62,60")), "pale"),
            spikelet(60, 84, -90, 44),
          ]
        : [
            spikelet(58, 84, -104, 66),
            spikelet(62, 84, -76, 66),
            spikelet(60, 80, -90, 74),
            area(smoothClosed(pts("60,92 46,76 48,58 58,80")), "pale"),
            area(smoothClosed(pts("60,92 74,76 72,58 62,80")), "pale"),
          ],
    ),
  "spikelet-set": (s) =>
    all(
      {
        ...outline(straight(pts("60,94 60,8"))),
        width: 2,
      },
      [86, 66, 46].flatMap((y, i) => spikeletSets[s](y, i % 2 ? -1 : 1)),
      spikeletSets[s](28, -1),
    ),
  bristles,
  "spike-gap": (s) =>
    all(
      stem(60, 4, 94, 2.2),
      area(smoothClosed(pts("56,8 64,8 65,20 64,34 56,34 55,20")), "yellow"),
      area(
        smoothClosed(
          s === "gap"
            ? [
                [54, 48],
                [66, 48],
                [68, 64],
                [66, 82],
                [54, 82],
                [52, 64],
              ]
            : [
                [54, 35],
                [66, 35],
                [69, 56],
                [66, 76],
                [54, 76],
                [51, 56],
              ],
        ),
        "brown",
      ),
      s === "gap" ? [] : [outline(straight(pts("54,35 66,35")))],
    ),
  "tuber-place": tuberPlace,
};
