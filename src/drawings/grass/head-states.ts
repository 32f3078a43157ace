import type { Draw } from "../ink/draw";
import { all, area, ellipse, outline, straight, polar, smoothClosed, pts, smooth } from "../ink/shapes";
import { awns, spikeletStalk, floretHair } from "./floret";
import { head } from "./head";

export const HEAD_STATES: Record<string, Draw> = {
  "head-kind": head,
  "awn-shape": awns,
  "spikelet-stalk": spikeletStalk,
  "floret-hair": floretHair,
  "head-breaks": (s) =>
    s === "holds"
      ? all(
          head("narrow"),
          [
            [86, 84],
            [34, 88],
            [96, 72],
          ].map(([x, y]) => area(ellipse(x, y, 3, 5), "straw")),
        )
      : all(
          [
            [60, 84, 0],
            [64, 58, 8],
            [56, 34, -10],
            [70, 12, 14],
          ].flatMap(([x, y, a]) => [
            outline(straight([[x, y + 6], polar(x, y, 12, -90 + a)])),
            area(smoothClosed([[x, y], polar(x, y, 10, -60 + a), polar(x, y, 18, -70 + a)]), "straw"),
            area(smoothClosed([[x, y], polar(x, y, 10, -120 + a), polar(x, y, 18, -110 + a)]), "straw"),
          ]),
        ),
  "head-stance": (s) =>
    s === "stiff"
      ? all(
          outline(straight(pts("60,94 60,10"))),
          [14, 24, 34, 44].flatMap((y) => [
            area(ellipse(65, y, 3, 7), "straw"),
            area(ellipse(55, y + 4, 3, 7), "straw"),
          ]),
        )
      : all(
          outline(smooth(pts("40,94 44,40 62,14 92,30 98,52"))),
          [
            [66, 18],
            [78, 22],
            [90, 34],
            [96, 46],
          ].map(([x, y]) => area(ellipse(x, y + 8, 3, 8), "straw")),
        ),
};
