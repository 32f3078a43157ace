import {
  outline,
  smooth,
  pts,
  area,
  straight,
  polar,
  type Shape,
  all,
  circle,
  smoothClosed,
  inner,
  type Tint,
  ellipse,
  flat,
  rectangle,
  hair,
} from "../ink/shapes";
import { pond } from "./pond";

const bulbilsThread = outline(smooth(pts("10,30 40,40 60,48")));

const bulbilsStar = (cx: number, cy: number, r: number) =>
  area(
    straight(
      Array.from({ length: 12 }, (_, i) => polar(cx, cy, i % 2 ? r * 0.45 : r, i * 30 - 90)),
      true,
    ),
    "white",
  );

const BULBILS_KINDS: Record<string, (kind: string) => Shape[]> = {
  star: () => all(pond(), bulbilsThread, bulbilsStar(64, 52, 24), bulbilsStar(98, 24, 11)),
  ball: () => all(pond(), bulbilsThread, area(circle(64, 54, 18), "white"), area(circle(96, 30, 9), "white")),
  tuber: () =>
    all(
      pond(),
      bulbilsThread,
      outline(smooth(pts("60,48 76,58 88,62"))),
      area(smoothClosed(pts("84,56 100,54 108,66 98,78 86,72")), "straw"),
      inner(straight(pts("90,60 104,66"))),
    ),
  burr: () =>
    all(
      pond(),
      outline(straight(pts("60,92 60,70"))),
      [64, 50, 36, 22].flatMap((y, i) => [
        area(
          straight(
            [
              [60, y + 8],
              [84 - i * 4, y - 6],
              [78 - i * 4, y + 6],
            ],
            true,
          ),
          "brown",
        ),
        area(
          straight(
            [
              [60, y + 8],
              [36 + i * 4, y - 6],
              [42 + i * 4, y + 6],
            ],
            true,
          ),
          "brown",
        ),
      ]),
    ),
  tight: () =>
    all(
      pond(),
      outline(straight(pts("60,92 60,66"))),
      area(smoothClosed(pts("60,70 46,56 46,30 60,12 74,30 74,56")), "dark"),
      [24, 36, 48].map((y) => inner(smooth(pts("48,6 60,0 72,6", 0, y)))),
    ),
};

const otherBulbils = (): Shape[] => all(pond(), bulbilsThread, outline(straight(pts("60,48 96,60"))));

export function bulbils(kind: string): Shape[] {
  return (BULBILS_KINDS[kind] ?? otherBulbils)(kind);
}

export function waterFlower(kind: string): Shape[] {
  const petals = (n: number, tint: Tint, r = 30) =>
    all(
      pond(),
      Array.from({ length: n }, (_, i) =>
        area(ellipse(...polar(60, 46, r * 0.55, (i * 360) / n - 90), r * 0.48, r * 0.48), tint),
      ),
      area(circle(60, 46, 6), tint === "yellow" ? "orange" : "yellow"),
    );
  if (kind === "three-white") return petals(3, "white");
  if (kind === "four-white") return petals(4, "white", 26);
  if (kind === "five-yellow") return petals(5, "yellow");
  if (kind === "spike")
    return all(
      flat(rectangle(4, 60, 112, 32), "water"),
      outline(straight(pts("4,60 116,60"))),
      outline(straight(pts("60,92 60,12"))),
      [16, 24, 32, 40].flatMap((y) => [area(ellipse(55, y, 4, 3), "brown"), area(ellipse(65, y + 2, 4, 3), "brown")]),
    );
  if (kind === "tiny")
    return all(
      pond(),
      outline(straight(pts("60,92 60,6"))),
      outline(straight(pts("60,54 96,40"))),
      outline(straight(pts("60,54 24,40"))),
      area(ellipse(67, 46, 3.4, 5), "pale"),
    );
  if (kind === "orange-dots")
    return all(
      pond(),
      {
        ...outline(straight(pts("12,60 108,40"))),
        width: 3,
      },
      [32, 56, 80].map((x) => area(circle(x, 50 - (x - 56) * 0.2, 5), "orange")),
    );
  return all(
    pond(),
    outline(straight(pts("60,92 60,6"))),
    [24, 50, 76].flatMap((y) => [inner(straight(pts("60,0 86,-8", 0, y))), inner(straight(pts("60,0 34,-8", 0, y)))]),
  );
}

const WATER_FRUIT_KINDS: Record<string, (kind: string) => Shape[]> = {
  horned: () =>
    all(
      area(smoothClosed(pts("60,24 78,36 82,56 60,76 38,56 42,36")), "brown"),
      [
        [40, 40, 14, 22],
        [80, 40, 106, 22],
        [42, 60, 18, 80],
        [78, 60, 102, 80],
      ].map(([a, b, c, d]) => ({
        ...outline(
          straight([
            [a, b],
            [c, d],
          ]),
        ),
        width: 4,
      })),
    ),
  beaked: () =>
    all(
      outline(straight(pts("60,94 60,10"))),
      [16, 30, 44, 58].flatMap((y, i) => [
        area(ellipse(60 + (i % 2 ? 9 : -9), y, 7, 6), "brown"),
        outline(
          straight([
            [60 + (i % 2 ? 15 : -15), y - 4],
            [60 + (i % 2 ? 18 : -18), y - 9],
          ]),
        ),
      ]),
    ),
  curved: () =>
    all(
      outline(straight(pts("60,94 60,60"))),
      [-1, 1].flatMap((s) => [
        area(
          smoothClosed([
            [60, 62],
            [60 + s * 12, 50],
            [60 + s * 30, 36],
            [60 + s * 38, 14],
            [60 + s * 24, 24],
            [60 + s * 8, 40],
          ]),
          "brown",
        ),
        ...[24, 34, 44].map((y) =>
          outline(
            straight([
              [60 + s * (40 - (y - 14) * 0.5), y],
              [60 + s * (45 - (y - 14) * 0.5), y - 3],
            ]),
          ),
        ),
      ]),
    ),
  spiny: () =>
    all(
      area(ellipse(60, 52, 14, 20), "brown"),
      outline(straight(pts("60,32 60,6"))),
      outline(straight(pts("50,68 34,86"))),
      outline(straight(pts("70,68 86,86"))),
    ),
  capsule: () =>
    all(
      outline(straight(pts("20,94 40,60"))),
      area(smoothClosed(pts("38,62 50,44 86,24 94,32 80,52 50,70")), "straw"),
      [-20, 0, 20].map((a) => hair(straight([[92, 26], polar(92, 26, 12, a - 40)]))),
    ),
  "slender-seed": () =>
    all(
      outline(straight(pts("60,94 60,6"))),
      outline(straight(pts("60,60 96,46"))),
      area(ellipse(67, 46, 3.2, 14), "purple"),
    ),
};

const otherWaterFruit = (): Shape[] =>
  all(
    outline(straight(pts("60,94 60,6"))),
    outline(straight(pts("60,60 96,46"))),
    outline(straight(pts("60,60 24,46"))),
  );

export function waterFruit(kind: string): Shape[] {
  return (WATER_FRUIT_KINDS[kind] ?? otherWaterFruit)(kind);
}

const winterWaterLake = [
  flat(rectangle(4, 20, 112, 64), "water"),
  flat(rectangle(4, 12, 112, 8), "white"),
  outline(straight(pts("4,20 116,20"))),
  flat(rectangle(4, 84, 112, 8), "ground"),
];

const WINTER_WATER_KINDS: Record<string, (kind: string) => Shape[]> = {
  green: () =>
    all(
      winterWaterLake,
      [30, 50, 70, 90].flatMap((x) => [
        {
          ...outline(smooth(pts("0,84 3,66 -2,52", x))),
          width: 2.4,
        },
        inner(straight(pts("-6,66 8,62", x))),
      ]),
    ),
  buds: () =>
    all(
      winterWaterLake,
      [34, 60, 86].map((x) => area(ellipse(x, 80, 5, 8), "dark")),
    ),
  young: () =>
    all(
      winterWaterLake,
      [30, 56, 82].flatMap((x) => [
        area(ellipse(x, 82, 5, 4), "brown"),
        outline(straight(pts("0,78 2,60", x))),
        inner(straight(pts("0,68 8,62", x))),
      ]),
    ),
};

const otherWinterWater = (): Shape[] =>
  all(
    winterWaterLake,
    [30, 60, 90].map((x) => ({
      ...outline(smooth(pts("0,84 12,76 4,70", x))),
      dash: true,
    })),
  );

export function winterWater(kind: string): Shape[] {
  return (WINTER_WATER_KINDS[kind] ?? otherWinterWater)(kind);
}
