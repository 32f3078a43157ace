import type { Draw } from "../ink/draw";
import {
  type Shape,
  area,
  smoothClosed,
  pts,
  inner,
  straight,
  all,
  outline,
  ellipse,
  circle,
  flat,
  smooth,
  polar,
  faint,
} from "../ink/shapes";

export const wingAngles: Record<string, number> = { straight: 90, wide: 55, narrow: 16 };

export const pods: Record<string, () => Shape[]> = {
  long: () => [area(smoothClosed(pts("57,10 64,10 65,50 61,90 56,50")), "green"), inner(straight(pts("60,14 60,84")))],
  beaded: () =>
    all(
      outline(straight(pts("60,4 60,12"))),
      [20, 36, 52, 68].map((y) => area(ellipse(60, y, 9, 8.4), "green")),
      area(straight(pts("57,76 63,76 60,94"), true), "green"),
    ),
  disc: () =>
    all(
      area(circle(60, 46, 36), "green"),
      area(circle(60, 46, 22), "straw"),
      outline(straight(pts("60,82 60,94"))),
      inner(straight(pts("60,10 60,82"))),
      flat(straight(pts("56,8 60,18 64,8"), true), "paper"),
    ),
  purse: () => [
    area(straight(pts("60,90 28,18 50,14 60,24 70,14 92,18"), true), "green"),
    inner(straight(pts("60,24 60,88"))),
  ],
  oval: () => [
    area(smoothClosed(pts("60,84 40,64 40,40 60,26 80,40 80,64")), "green"),
    inner(straight(pts("60,28 60,82"))),
    outline(straight(pts("60,26 60,12"))),
  ],
  hanging: () => [
    outline(smooth(pts("60,2 58,14 60,22"))),
    area(smoothClosed(pts("57,22 48,54 50,84 60,92 70,84 72,54 63,22")), "brown"),
    area(ellipse(60, 60, 5, 14), "straw"),
  ],
  coiled: () => [
    { ...outline(smooth(Array.from({ length: 40 }, (_, i) => polar(60, 48, 8 + i * 0.72, i * 22)))), width: 5 },
    outline(straight([polar(60, 48, 37, 858), polar(60, 48, 44, 866)])),
  ],
  pea: () => [
    area(smoothClosed(pts("10,50 34,34 86,34 110,46 86,62 34,64")), "green"),
    ...[34, 50, 66, 82].map((x) => faint(circle(x, 49, 9))),
    outline(straight(pts("110,46 116,42"))),
  ],
};

export const nutlet: Draw = (s) =>
  all(
    area(smoothClosed(pts("60,12 88,34 86,70 60,86 34,70 32,34")), "brown"),
    s === "none"
      ? [faint(smooth(pts("44,30 40,50 46,70")))]
      : Array.from({ length: 16 }, (_, i) => ({
          ...outline(
            straight([polar(60, 49, 33, i * 22.5), polar(60, 49, 42, i * 22.5), polar(60, 49, 42, i * 22.5 + 6)]),
          ),
          width: 1.2,
        })),
    s === "all"
      ? Array.from({ length: 14 }, (_, i) => polar(60, 49, 24 * Math.sqrt((i + 0.5) / 14), i * 137.5)).map(([x, y]) =>
          outline(straight(pts("0,0 0,-6 3,-6", x, y))),
        )
      : [],
  );

export const valve: Draw = (s) => {
  const rim = Array.from({ length: 48 }, (_, i) =>
    polar(60, 50, s === "toothed" ? (i % 4 === 0 ? 44 : 34) : 36, i * 7.5 - 90),
  );
  return all(
    area(s === "toothed" ? straight(rim, true) : smoothClosed(rim), "brown"),
    inner(straight(pts("60,84 60,20"))),
    area(ellipse(60, 60, 7, 14), "straw"),
  );
};
