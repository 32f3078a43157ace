import { earth } from "../habit/earth";
import { tuft } from "../habit/figures";
import type { Draw } from "../ink/draw";
import {
  all,
  area,
  smoothClosed,
  pts,
  inner,
  smooth,
  straight,
  hair,
  outline,
  along,
  type Shape,
  ellipse,
} from "../ink/shapes";
import { stem } from "../stem/stem";

export const footSwelling: Draw = (s) =>
  all(
    earth(66),
    s === "swollen"
      ? [
          area(smoothClosed(pts("54,10 66,10 68,46 84,62 78,80 60,86 42,80 36,62 52,46")), "pale"),
          inner(smooth(pts("48,80 46,62 57,44"))),
          inner(smooth(pts("72,80 74,62 63,44"))),
        ]
      : [area(straight(pts("53,10 67,10 69,82 51,82"), true), "pale"), inner(straight(pts("60,12 60,80")))],
    Array.from({ length: 7 }, (_, i) =>
      hair(
        straight([
          [50 + i * 3.4, 84],
          [40 + i * 7, 94],
        ]),
      ),
    ),
  );

export const culmSkin: Draw = (s) =>
  all(
    stem(60, 4, 92, 12, "straw"),
    outline(straight(pts("46,70 74,70"))),
    area(straight(pts("47,70 73,70 72,92 48,92"), true), "leaf"),
    s === "dull"
      ? [52, 56, 60, 64, 68].map((x) => inner(straight(pts("0,4 0,68", x))))
      : s === "glossy"
        ? [area(smoothClosed(pts("53,10 57,8 57,62 53,60")), "white")]
        : along([0, 8], [0, 66], 18).flatMap(([, y]) =>
            [-1, 1].map((d) =>
              hair(
                straight([
                  [60 + d * 12, y],
                  [60 + d * 19, y - 3],
                ]),
              ),
            ),
          ),
  );

export function tuberPlace(s: string): Shape[] {
  const ground = earth(34);
  const top = all(tuft(60, 34, 4, 26, 20));
  if (s === "ends")
    return all(
      ground,
      top,
      [
        [16, 84],
        [60, 90],
        [104, 82],
      ].flatMap(([x, y]) => [
        outline(
          smooth([
            [60, 36],
            [(x + 60) / 2, y - 22],
            [x, y],
          ]),
        ),
        area(ellipse(x, y, 6, 5), "brown"),
      ]),
    );
  if (s === "chains")
    return all(
      ground,
      top,
      [
        [10, 72],
        [110, 72],
      ].flatMap(([x, y]) => [
        outline(
          smooth([
            [60, 36],
            [(x + 60) / 2, y - 8],
            [x, y],
          ]),
        ),
        ...[0.35, 0.62, 0.9].map((u) => area(ellipse(60 + (x - 60) * u, 38 + (y - 38) * u ** 0.7, 5.5, 4.5), "brown")),
      ]),
    );
  return all(
    ground,
    top,
    [
      [48, 56],
      [60, 62],
      [72, 56],
      [54, 74],
      [66, 75],
    ].map(([x, y]) => area(ellipse(x, y, 7, 10), "brown")),
  );
}
