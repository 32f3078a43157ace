import {
  type Shape,
  all,
  outline,
  straight,
  pts,
  smooth,
  polar,
  area,
  ellipse,
  hair,
  smoothClosed,
  inner,
} from "../ink/shapes";
import { spikelet } from "./head";

export function awns(kind: string): Shape[] {
  const seed = spikelet(60, 88, -90, 34);
  if (kind === "none") return all(seed);
  if (kind === "straight") return all(seed, outline(straight(pts("60,54 60,8"))));
  if (kind === "spreading")
    return all(
      [
        [40, 84, -126],
        [60, 88, -90],
        [80, 84, -54],
      ].flatMap(([x, y, a]) => [
        ...spikelet(x, y, a, 20),
        outline(smooth([polar(x, y, 20, a), polar(x, y, 40, a + (a + 90) * 0.3), polar(x, y, 66, a + (a + 90) * 0.9)])),
      ]),
      outline(smooth(pts("60,68 66,40 58,12"))),
    );
  if (kind === "bent")
    return all(
      seed,
      {
        ...outline(straight(pts("60,66 57,60 63,54 57,48 63,42 60,38"))),
        width: 1.6,
      },
      outline(straight(pts("60,38 92,14"))),
    );
  return all(
    area(ellipse(60, 60, 16, 26), "straw"),
    ...Array.from({ length: 9 }, (_, i) => hair(straight([[60, 82], polar(60, 70, 28, 40 + i * 12)]))),
    outline(smooth(pts("60,40 64,26 72,22 76,30 70,34"))),
  );
}

export function spikeletStalk(kind: string): Shape[] {
  const length = { none: 0, tiny: 5, short: 16, long: 42 }[kind] ?? 0;
  return all(
    {
      ...outline(straight(pts("36,92 36,6"))),
      width: 2,
    },
    [26, 66].flatMap((y) => [
      outline(
        straight([
          [36, y],
          [36 + length, y - length * 0.25],
        ]),
      ),
      ...spikelet(36 + length, y - length * 0.25, -14, 32),
    ]),
  );
}

export function floretHair(kind: string): Shape[] {
  const seed = area(smoothClosed(pts("60,90 46,60 54,20 60,8 66,20 74,60")), "straw");
  const veins = [
    inner(straight(pts("60,88 60,14"))),
    inner(smooth(pts("56,84 52,54 58,16"))),
    inner(smooth(pts("64,84 68,54 62,16"))),
  ];
  const hairs: Shape[] = [];
  if (kind === "base")
    for (let i = 0; i < 9; i++) hairs.push(hair(straight([[60, 90], polar(60, 90, 22, -150 + i * 15)])));
  if (kind === "edge")
    for (let i = 0; i < 9; i++)
      hairs.push(
        hair(
          straight([
            [50 - (i < 5 ? 2 : 0), 80 - i * 7],
            [40, 74 - i * 7],
          ]),
        ),
        hair(
          straight([
            [70 + (i < 5 ? 2 : 0), 80 - i * 7],
            [80, 74 - i * 7],
          ]),
        ),
      );
  if (kind === "all")
    for (let i = 0; i < 24; i++)
      hairs.push(
        hair(
          straight([
            [52 + (i % 4) * 5, 80 - Math.floor(i / 4) * 10],
            [54 + (i % 4) * 5, 72 - Math.floor(i / 4) * 10],
          ]),
        ),
      );
  if (kind === "cobweb")
    for (let i = 0; i < 7; i++)
      hairs.push(
        hair(
          smooth([
            [60, 90],
            [44 + i * 6, 86 + (i % 2) * 6],
            [30 + i * 10, 78 + (i % 3) * 6],
            [26 + i * 11, 88],
          ]),
          0.6,
        ),
      );
  return all(seed, veins, hairs);
}
