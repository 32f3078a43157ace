import { type Shape, faint, straight, inner, flat, ellipse, smooth, circle, pts } from "../ink/shapes";

export const FRUIT_MARKS: Record<string, Shape[]> = {
  red: [40, 52, 64, 76].map((x) => faint(straight(pts("0,26 0,74", x)))),
  orange: [
    [46, 34],
    [62, 28],
    [74, 44],
    [50, 54],
    [68, 64],
    [56, 72],
  ].map(([x, y]) => inner(straight(pts("0,0 4,4", x, y)))),
  blue: [28, 40, 52, 64]
    .map((y) => faint(straight(pts("40,0 80,0", 0, y))))
    .concat(flat(ellipse(50, 34, 7, 4), "paper")),
  brown: [30, 48, 66].map((y) => inner(smooth(pts("40,0 60,5 80,0", 0, y)))),
  silver: [
    [46, 30],
    [64, 26],
    [76, 42],
    [44, 52],
    [60, 48],
    [72, 64],
    [52, 70],
  ].map(([x, y]) => inner(circle(x, y, 2))),
  green: [inner(smooth(pts("60,12 72,44 60,80"))), inner(smooth(pts("60,12 48,44 60,80")))],
};
