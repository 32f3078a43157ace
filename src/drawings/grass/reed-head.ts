import {
  type Shape,
  outline,
  straight,
  pts,
  all,
  inner,
  smooth,
  hair,
  area,
  circle,
  polar,
  smoothClosed,
} from "../ink/shapes";
import { stem } from "../stem/stem";
import { spikelet } from "./spikelets";

/** Heads of reeds, sandburs and umbrella sedges. */
export function reedHead(kind: string): Shape[] {
  const axis = outline(straight(pts("60,94 60,10")));
  if (kind === "plume")
    return all(
      axis,
      Array.from({ length: 15 }, (_, i) => {
        const y = 12 + i * 4;
        return [-1, 1].flatMap((d) => [
          inner(
            smooth([
              [60, y + 8],
              [60 + d * (8 + i), y + 2],
              [60 + d * (14 + i * 1.5), y + 8],
            ]),
          ),
          ...[0.4, 0.7, 1].map((u) =>
            hair(
              smooth([
                [60 + d * (8 + i) * u, y + 3],
                [60 + d * (11 + i) * u, y - 3],
                [60 + d * (16 + i) * u, y - 2],
              ]),
              0.7,
            ),
          ),
        ]);
      }).flat(),
    );
  if (kind === "burs")
    return all(
      axis,
      [18, 34, 50, 66].flatMap((y, i) => [
        area(circle(60 + (i % 2 ? 7 : -7), y, 8), "straw"),
        ...Array.from({ length: 11 }, (_, k) =>
          outline(straight([polar(60 + (i % 2 ? 7 : -7), y, 8, k * 33), polar(60 + (i % 2 ? 7 : -7), y, 13, k * 33)])),
        ),
      ]),
    );
  return all(
    stem(60, 60, 94, 3),
    [-160, -130, -50, -20].map((a) =>
      area(
        smoothClosed([[60, 60], polar(60, 60, 28, a - 6), polar(60, 60, 54, a + 8), polar(60, 60, 28, a + 8)]),
        "leaf",
      ),
    ),
    [-120, -98, -78, -58].flatMap((a) => [
      outline(straight([[60, 60], polar(60, 60, 38, a)])),
      ...[-40, -14, 14, 40].map((b) => spikelet(...polar(60, 60, 34, a), a + b, 16, 0.14)),
    ]),
  );
}
