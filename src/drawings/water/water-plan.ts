import {
  type Shape,
  all,
  inner,
  straight,
  pts,
  outline,
  polar,
  area,
  circle,
  rectangle,
  flat,
  faint,
  type Point,
  hair,
  smooth,
  smoothClosed,
  ellipse,
} from "../ink/shapes";
import { pond, stalk, strap } from "./pond";

export function waterPlan(kind: string): Shape[] {
  if (kind === "whorled")
    return all(
      pond(),
      stalk(),
      [20, 42, 64, 84].flatMap((y) => [-155, -25, -110, -70, 165, 15].map((a) => strap(60, y, 24, a, 2.6))),
    );
  if (kind === "opposite")
    return all(
      pond(),
      stalk(),
      [20, 44, 68].flatMap((y) => [strap(60, y, 34, -160, 2.4), strap(60, y, 34, -20, 2.4)]),
    );
  if (kind === "alternate")
    return all(
      pond(),
      stalk(),
      [16, 34, 52, 70].map((y, i) => strap(60, y + 6, 40, i % 2 ? -155 : -25, 5)),
    );
  if (kind === "rosette")
    return all(
      pond(),
      inner(straight(pts("60,94 60,48"))),
      [0, 45, 90, 135, 180, 225, 270, 315].flatMap((a) => [
        outline(straight([[60, 44], polar(60, 44, 22, a)])),
        area(circle(...polar(60, 44, 30, a), 9), "green"),
      ]),
    );
  return all(
    pond(),
    stalk(),
    [22, 48, 74].flatMap((y) =>
      [-150, -120, -60, -30, 170, 10].map((a) => ({ ...outline(straight([[60, y], polar(60, y, 27, a)])), width: 2 })),
    ),
  );
}

export function axis(kind: string): Shape[] {
  const body = area(rectangle(44, 4, 32, 88), "green");
  if (kind === "ribbed")
    return all(
      pond(),
      body,
      [48, 54, 60, 66, 72].map((x) => outline(straight(pts("0,4 0,92", x)))),
      Array.from({ length: 14 }, (_, i) => flat(circle(47 + ((i * 7) % 28), 10 + i * 6, 1.6), "white")),
    );
  if (kind === "grooved")
    return all(
      pond(),
      body,
      {
        ...outline(straight(pts("60,4 60,92"))),
        width: 3,
      },
      faint(straight(pts("52,4 52,92"))),
    );
  return all(pond(), body, faint(straight(pts("52,6 52,90"))));
}

export function forking(kind: string): Shape[] {
  const line = (a: Point, b: Point): Shape => ({ ...outline(straight([a, b])), width: 2.6 });
  if (kind === "simple")
    return all(
      pond(),
      line([60, 92], [60, 10]),
      [30, 50, 70].flatMap((y) => [
        hair(straight(pts("60,0 68,-6", 0, y)), 1.2),
        hair(straight(pts("60,0 52,-6", 0, y)), 1.2),
      ]),
    );
  if (kind === "uneven")
    return all(pond(), line([60, 92], [60, 6]), line([60, 54], [76, 34]), flat(circle(60, 54, 2.4), "ink"));
  return all(
    pond(),
    line([60, 92], [60, 52]),
    line([60, 52], [38, 22]),
    line([60, 52], [82, 22]),
    line([38, 22], [28, 6]),
    line([38, 22], [46, 6]),
    line([82, 22], [74, 6]),
    line([82, 22], [92, 6]),
  );
}

export function branching(kind: string): Shape[] {
  const main = stalk();
  if (kind === "seldom") return all(pond(), main, outline(straight(pts("60,60 76,40"))));
  if (kind === "freely")
    return all(
      pond(),
      main,
      [84, 70, 56, 42, 28].flatMap((y) => [
        outline(straight(pts("60,0 82,-18", 0, y))),
        outline(straight(pts("60,0 38,-18", 0, y))),
      ]),
    );
  return all(
    pond(),
    main,
    [30, 24, 18].flatMap((y, i) => [
      outline(
        straight([
          [60, y],
          [96 - i * 8, y - 10],
        ]),
      ),
      outline(
        straight([
          [60, y],
          [24 + i * 8, y - 10],
        ]),
      ),
    ]),
    outline(straight(pts("4,8 116,8"))),
  );
}

const massLake = [
  flat(rectangle(4, 24, 112, 60), "water"),
  outline(straight(pts("4,24 116,24"))),
  flat(rectangle(4, 84, 112, 8), "ground"),
];

const MASS_KINDS: Record<string, (kind: string) => Shape[]> = {
  bottom: () =>
    all(
      massLake,
      Array.from({ length: 13 }, (_, i) =>
        outline(
          straight([
            [10 + i * 8, 84],
            [12 + i * 8, 68],
          ]),
        ),
      ),
    ),
  column: () =>
    all(
      massLake,
      [20, 44, 68, 92].map((x) => outline(smooth(pts("0,84 4,56 -2,32", x)))),
      [20, 44, 68, 92].flatMap((x) => [50, 66].map((y) => inner(straight(pts("-6,0 8,-3", x, y))))),
    ),
  mat: () =>
    all(
      massLake,
      [20, 44, 68, 92].map((x) => outline(straight(pts("0,84 0,30", x)))),
      area(smoothClosed(pts("8,26 60,22 112,26 108,36 60,34 12,36")), "green"),
    ),
  rosettes: () =>
    all(
      massLake,
      [26, 60, 94].flatMap((x) => [inner(straight(pts("0,84 0,26", x))), area(ellipse(x, 25, 14, 4), "green")]),
    ),
};

const otherMass = (): Shape[] =>
  all(
    massLake,
    [
      [30, 46],
      [66, 38],
      [88, 60],
    ].map(([x, y]) => area(smoothClosed(pts("-16,0 -4,-7 14,-3 10,7 -8,6", x, y)), "green")),
  );

export function mass(kind: string): Shape[] {
  return (MASS_KINDS[kind] ?? otherMass)(kind);
}
