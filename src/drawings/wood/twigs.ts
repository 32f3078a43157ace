import { earth } from "../habit/earth";
import type { Draw } from "../ink/draw";
import {
  area,
  straight,
  pts,
  smoothClosed,
  type Point,
  flat,
  circle,
  all,
  along,
  faint,
  outline,
  smooth,
} from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { stem } from "../stem/stem";

export const leafScar: Draw = (s) => {
  const bark = area(straight(pts("26,4 94,4 94,92 26,92"), true), "bark");
  const bud = area(smoothClosed(pts("46,44 48,24 60,10 72,24 74,44 60,50")), "brown");
  const traces = (spots: Point[]) => spots.map(([x, y]) => flat(circle(x, y, 1.8), "ink"));
  if (s === "line")
    return all(
      bark,
      bud,
      area(smoothClosed(pts("36,52 60,60 84,52 60,64")), "straw"),
      traces([
        [48, 58],
        [60, 62],
        [72, 58],
      ]),
    );
  if (s === "half-moon")
    return all(
      bark,
      bud,
      area(straight(pts("38,54 82,54 80,64 70,74 60,76 50,74 40,64"), true), "straw"),
      traces([
        [48, 62],
        [60, 68],
        [72, 62],
      ]),
    );
  if (s === "shield")
    return all(
      bark,
      bud,
      area(smoothClosed(pts("32,56 46,52 60,60 74,52 88,56 84,76 60,92 36,76")), "straw"),
      traces([
        [42, 64],
        [52, 74],
        [60, 82],
        [68, 74],
        [78, 64],
        [60, 66],
      ]),
    );
  return all(
    bark,
    area(smoothClosed(pts("46,8 32,32 36,62 60,76 84,62 88,32 74,8 78,34 74,54 60,62 46,54 42,34")), "straw"),
    bud,
    traces([
      [36, 44],
      [50, 68],
      [70, 68],
      [84, 44],
    ]),
  );
};

export const twigPith: Draw = (s) => {
  const wood = all(
    area(straight(pts("36,4 84,4 84,92 36,92"), true), "bark"),
    flat(straight(pts("42,4 78,4 78,92 42,92"), true), "straw"),
  );
  const core = straight(pts("50,4 70,4 70,92 50,92"), true);
  if (s === "white") return all(wood, area(core, "white"));
  if (s === "brown")
    return all(
      wood,
      area(core, "orange"),
      along([60, 10], [60, 86], 16).map(([x, y], i) => faint(circle(x + (i % 3) * 4 - 4, y, 1.4))),
    );
  if (s === "hollow")
    return all(wood, area(core, "paper"), area(straight(pts("50,60 70,60 70,68 50,68"), true), "straw"), [
      faint(straight(pts("55,4 55,58"))),
    ]);
  return all(
    wood,
    area(core, "paper"),
    along([60, 8], [60, 88], 13).map(([, y]) => ({
      ...outline(straight(pts("50,0 70,0", 0, y))),
      width: 2,
    })),
  );
};

export const rootSuckers: Draw = (s) => {
  const shoot = (x: number, h: number) =>
    all(
      stem(x, 70 - h, 70, 1.3, "bark"),
      drawLeaf({ shape: "oval", veins: false }, [x, 70 - h * 0.4], 12, 60),
      drawLeaf({ shape: "oval", veins: false }, [x, 70 - h * 0.7], 12, -60),
      drawLeaf({ shape: "oval", veins: false }, [x, 70 - h], 10, 0),
    );
  const parent = all(stem(30, 22, 70, 4, "bark"), area(circle(30, 20, 17), "leaf"));
  const spots: [number, number][] =
    s === "none"
      ? []
      : s === "few"
        ? [[52, 22]]
        : [
            [50, 30],
            [66, 26],
            [80, 32],
            [94, 22],
            [108, 26],
          ];
  const root =
    s === "none"
      ? [outline(smooth(pts("30,70 24,82 28,92"))), outline(smooth(pts("30,70 38,82 36,92")))]
      : [
          {
            ...outline(
              smooth([
                [30, 74],
                [50, 82],
                [s === "few" ? 56 : 112, 80],
              ]),
            ),
            width: 2.2,
          },
        ];
  return all(
    earth(70),
    parent,
    root,
    spots.flatMap(([x, h]) => [outline(straight(pts("0,70 0,80", x))), ...shoot(x, h)]),
  );
};
