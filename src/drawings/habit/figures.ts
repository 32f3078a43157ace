import { pts, type Shape, outline, smooth, type Tint, area, smoothClosed, straight, circle } from "../ink/shapes";

export const blade = (x: number, y: number, reach: number, height: number, width = 1.3): Shape => ({
  ...outline(
    smooth([
      [x, y],
      [x + reach * 0.35, y - height * 0.7],
      [x + reach, y - height],
    ]),
  ),
  width,
});

export const tuft = (x: number, y: number, n: number, spread: number, height: number): Shape[] =>
  Array.from({ length: n }, (_, i) =>
    blade(
      x + ((i - (n - 1) / 2) * spread) / n / 2.4,
      y,
      (i - (n - 1) / 2) * (spread / n),
      height - Math.abs(i - (n - 1) / 2) * (height / n / 1.6),
    ),
  );

export const bush = (x: number, y: number, r: number, tint: Tint = "leaf"): Shape =>
  area(
    smoothClosed([
      [x - r, y],
      [x - r * 1.05, y - r * 0.7],
      [x - r * 0.5, y - r * 1.3],
      [x, y - r * 1.15],
      [x + r * 0.6, y - r * 1.35],
      [x + r * 1.1, y - r * 0.6],
      [x + r, y],
    ]),
    tint,
  );

export const treeShape = (x: number, y: number, r: number): Shape[] => [
  area(
    straight(
      [
        [x - 3, y],
        [x - 2, y - r * 1.2],
        [x + 2, y - r * 1.2],
        [x + 3, y],
      ],
      true,
    ),
    "bark",
  ),
  bush(x, y - r * 0.9, r),
];

/** A person for scale. */
export const person = (x: number, y: number): Shape[] => [
  area(circle(x, y - 34, 4), "paper"),
  {
    ...outline(straight(pts("0,-30 0,-14 -4,0", x, y))),
    width: 2,
  },
  {
    ...outline(straight(pts("0,-14 4,0", x, y))),
    width: 2,
  },
  {
    ...outline(straight(pts("-6,-18 0,-27 6,-18", x, y))),
    width: 2,
  },
];
