import type { Draw } from "../ink/draw";
import {
  type Shape,
  area,
  smoothClosed,
  pts,
  outline,
  ellipse,
  all,
  inner,
  straight,
  type Point,
  faint,
  along,
  hair,
  flat,
  circle,
  type Tint,
  polar,
  smooth,
} from "../ink/shapes";
import { stem } from "../stem/stem";

const trumpet = (): Shape[] => [
  area(smoothClosed(pts("60,66 55,50 30,22 36,8 60,14 84,8 90,22 65,50")), "white"),
  outline(ellipse(60, 15, 27, 7)),
];

const cup = (): Shape => area(smoothClosed(pts("52,54 68,54 66,72 60,76 54,72")), "leaf");

export const calyxBracts: Draw = (s) => {
  if (s === "small")
    return all(
      stem(60, 70, 94, 1.6),
      trumpet(),
      cup(),
      [-1, 1].map((d) =>
        area(
          smoothClosed([
            [60, 88],
            [60 + d * 7, 84],
            [60 + d * 13, 86],
            [60 + d * 6, 89],
          ]),
          "leaf",
        ),
      ),
    );
  if (s === "hiding")
    return all(
      stem(60, 70, 94, 1.6),
      trumpet(),
      [-1, 1].map((d) =>
        area(
          smoothClosed([
            [60, 80],
            [60 + d * 18, 72],
            [60 + d * 20, 52],
            [60 + d * 6, 42],
            [60, 50],
          ]),
          "leaf",
        ),
      ),
      inner(straight(pts("60,48 60,78"))),
    );
  return all(stem(60, 70, 94, 1.6), trumpet(), cup());
};

/** Three sepals side by side, their tips upwards. */
const sepalTips: Record<string, (x: number) => Point[]> = {
  blunt: (x) => [
    [x - 11, 90],
    [x - 13, 56],
    [x - 8, 38],
    [x, 33],
    [x + 8, 38],
    [x + 13, 56],
    [x + 11, 90],
  ],
  pointed: (x) => [
    [x - 11, 90],
    [x - 12, 60],
    [x, 30],
    [x + 12, 60],
    [x + 11, 90],
  ],
  tail: (x) => [
    [x - 11, 90],
    [x - 12, 66],
    [x - 3, 46],
    [x, 4],
    [x + 3, 46],
    [x + 12, 66],
    [x + 11, 90],
  ],
};

export const sepalTip: Draw = (s) =>
  all(
    [28, 60, 92].flatMap((x) => [
      area(s === "blunt" ? smoothClosed(sepalTips[s](x)) : straight(sepalTips[s](x), true), "leaf"),
      faint(straight(pts("0,86 0,48", x))),
    ]),
  );

export const sepalHair: Draw = (s) => {
  const body = [area(straight(pts("34,92 36,50 60,8 84,50 86,92"), true), "leaf"), inner(straight(pts("60,90 60,18")))];
  const side = along([0, 24], [0, 88], 14).map(([, y]): [number, number] => [
    y < 50 ? ((y - 8) / 42) * 24 : 24 + (y - 50) / 21,
    y,
  ]);
  const at = (from: number, every: number, length: number, width: number) =>
    side
      .filter(([, y], i) => y >= from && i % every === 0)
      .flatMap(([w, y]) =>
        [-1, 1].map((d) =>
          hair(
            straight([
              [60 + d * w, y],
              [60 + d * (w + length), y - length * 0.3],
            ]),
            width,
          ),
        ),
      );
  if (s === "few") return all(body, at(20, 2, 6, 0.8));
  if (s === "bristly") return all(body, at(54, 1, 20, 1.4));
  if (s === "sticky")
    return all(
      body,
      side.flatMap(([w, y]) =>
        [-1, 1].flatMap((d) => [
          hair(
            straight([
              [60 + d * w, y],
              [60 + d * (w + 7), y],
            ]),
          ),
          flat(circle(60 + d * (w + 8), y, 1.6), "red"),
        ]),
      ),
    );
  return body;
};

const petals = (tint: Tint, r = 30, y = 38): Shape[] =>
  [0, 72, 144, 216, 288].map((a) =>
    area(
      smoothClosed([
        polar(60, y, 4, a - 90),
        polar(60, y, r * 0.6, a - 112),
        polar(60, y, r, a - 96),
        polar(60, y, r, a - 84),
        polar(60, y, r * 0.6, a - 68),
      ]),
      tint,
    ),
  );

const spread = (angles: number[], long: number, y = 38): Shape[] =>
  angles.map((a) =>
    area(straight([polar(60, y, 6, a - 20), polar(60, y, long, a), polar(60, y, 6, a + 20)], true), "leaf"),
  );

const sepalSetStalk = stem(60, 40, 94, 1.6);

const SEPAL_SET_KINDS: Record<string, (s: string) => Shape[]> = {
  spread: () => all(sepalSetStalk, spread([-54, 18, 90, 162, 234], 38), petals("yellow", 28)),
  "bent-back": () =>
    all(
      sepalSetStalk,
      petals("yellow", 30, 30),
      [-1, 1].flatMap((d) => [
        area(
          smoothClosed([
            [60 + d * 4, 36],
            [60 + d * 13, 48],
            [60 + d * 11, 70],
            [60 + d * 5, 54],
          ]),
          "leaf",
        ),
      ]),
    ),
  tube: () =>
    all(
      stem(60, 80, 94, 1.6),
      petals("pink", 26, 22),
      area(straight(pts("50,30 70,30 68,82 52,82"), true), "leaf"),
      [56, 60, 64].map((x) => inner(straight(pts("0,34 0,80", x)))),
    ),
  bladder: () =>
    all(
      stem(60, 84, 94, 1.6),
      petals("white", 24, 20),
      area(smoothClosed(pts("52,28 68,28 86,52 80,78 60,86 40,78 34,52")), "pale"),
      [46, 53, 60, 67, 74].map((x) =>
        inner(
          smooth([
            [60 + (x - 60) * 0.4, 30],
            [x, 56],
            [60, 84],
          ]),
        ),
      ),
    ),
};

const otherSepalSet = (): Shape[] =>
  all(
    sepalSetStalk,
    petals("red", 32),
    [
      [28, 84],
      [90, 88],
    ].map(([x, y]) => area(smoothClosed(pts("0,0 7,-8 13,0 6,4", x, y)), "leaf")),
  );

export function sepalSet(s: string): Shape[] {
  return (SEPAL_SET_KINDS[s] ?? otherSepalSet)(s);
}
