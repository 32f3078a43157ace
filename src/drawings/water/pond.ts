import {
  type Shape,
  flat,
  rectangle,
  polar,
  area,
  smoothClosed,
  outline,
  straight,
  hair,
  smooth,
  pts,
} from "../ink/shapes";

export const pond = (): Shape[] => [flat(rectangle(4, 4, 112, 88), "water")];

export const strap = (x: number, y: number, length: number, degrees: number, half = 3): Shape => {
  const at = (r: number, w: number) => polar(...polar(x, y, r, degrees), w, degrees + 90);
  return area(
    smoothClosed([
      [x, y],
      at(length * 0.4, half),
      at(length * 0.9, half * 0.7),
      at(length, 0),
      at(length * 0.9, -half * 0.7),
      at(length * 0.4, -half),
    ]),
    "green",
  );
};

export const feather = (x: number, y: number, length: number, degrees: number): Shape[] => {
  const end = polar(x, y, length, degrees);
  return [
    outline(straight([[x, y], end])),
    ...[0.25, 0.42, 0.58, 0.74, 0.9].flatMap((u) =>
      [-1, 1].map((s) =>
        hair(
          straight([
            [x + (end[0] - x) * u, y + (end[1] - y) * u],
            polar(x + (end[0] - x) * u, y + (end[1] - y) * u, length * 0.34 * (1.1 - u * 0.6), degrees + s * 55),
          ]),
          0.8,
        ),
      ),
    ),
  ];
};

export const stalk = (): Shape => ({
  ...outline(smooth(pts("60,92 61,50 60,6"))),
  width: 2.2,
});
