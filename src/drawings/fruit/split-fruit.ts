import {
  type Shape,
  all,
  area,
  smoothClosed,
  pts,
  outline,
  straight,
  circle,
  smooth,
  type Point,
  hair,
  polar,
  rectangle,
  ellipse,
  inner,
} from "../ink/shapes";

const SPLIT_FRUIT_KINDS: Record<string, (state: string) => Shape[]> = {
  flat: () =>
    all(
      area(smoothClosed(pts("60,10 88,28 90,64 60,90 30,64 32,28")), "pale"),
      area(smoothClosed(pts("60,18 78,34 80,60 60,80 40,60 42,34")), "straw"),
      [50, 57, 63, 70].map((x) => ({
        ...outline(straight(pts("0,24 0,56", x))),
        width: 1.6,
      })),
    ),
  wavy: () =>
    all(
      area(circle(60, 50, 32), "straw"),
      [36, 48, 60, 72, 84].map((x) => ({
        ...outline(smooth(Array.from({ length: 8 }, (_, i) => [x + (i % 2 ? 3 : -3), 26 + i * 7] as Point))),
        width: 1.4,
      })),
    ),
  needle: () =>
    all(
      outline(straight(pts("60,4 60,16"))),
      area(smoothClosed(pts("57,12 53,60 56,94 59,60")), "black"),
      area(smoothClosed(pts("63,12 67,60 64,94 61,60")), "black"),
    ),
  bristly: () =>
    all(
      area(smoothClosed(pts("60,16 78,34 78,64 60,82 42,64 42,34")), "straw"),
      Array.from({ length: 18 }, (_, i) => ({
        ...hair(straight([polar(60, 49, 22, i * 20), polar(60, 49, 38, i * 20)])),
        width: 1.4,
      })),
    ),
  corky: () =>
    all(
      area(rectangle(38, 18, 44, 60), "straw"),
      [44, 52, 60, 68, 76].map((x) => area(ellipse(x, 48, 3.6, 28), "pale")),
      [52, 68].map((x) =>
        outline(
          straight([
            [x, 18],
            [x - 3 + (x > 60 ? 6 : 0), 4],
          ]),
        ),
      ),
    ),
  winged: () =>
    all(
      area(smoothClosed(pts("60,14 70,50 60,86 50,50")), "straw"),
      [-1, 1].flatMap((s) => [
        area(
          smoothClosed([
            [60 + s * 6, 22],
            [60 + s * 30, 34],
            [60 + s * 32, 62],
            [60 + s * 6, 80],
          ]),
          "white",
        ),
        inner(
          smooth([
            [60 + s * 4, 24],
            [60 + s * 12, 50],
            [60 + s * 4, 78],
          ]),
        ),
      ]),
    ),
};

const otherSplitFruit = (): Shape[] =>
  all(
    area(smoothClosed(pts("60,14 82,34 82,66 60,86 38,66 38,34")), "straw"),
    [44, 52, 60, 68, 76].map((x) => ({
      ...outline(
        smooth([
          [60 + (x - 60) * 0.4, 18],
          [x, 50],
          [60 + (x - 60) * 0.4, 82],
        ]),
      ),
      width: 2,
    })),
  );

export function splitFruit(state: string): Shape[] {
  return (SPLIT_FRUIT_KINDS[state] ?? otherSplitFruit)(state);
}

/** Half of a double seed from its back: pale ribs upon the brown ground of the grooves. */
export function seedRibs(state: string): Shape[] {
  const half = state === "wide" ? 4.2 : 1.8;
  const bulge = (x: number) => 60 + (x - 60) * 0.34;
  const ribs = [36, 48, 60, 72, 84].map((x) =>
    area(
      smoothClosed([
        [bulge(x), 14],
        [x + half, 40],
        [x + half, 58],
        [bulge(x), 86],
        [x - half, 58],
        [x - half, 40],
      ]),
      "pale",
    ),
  );
  return all(area(smoothClosed(pts("60,10 88,32 91,60 60,90 29,60 32,32")), "brown"), ribs);
}
