import { pts, type Shape, outline, straight, faint } from "../ink/shapes";

/** Ground line with a little hatching. */
export const earth = (y = 84): Shape[] => [
  outline(straight(pts("8,0 112,0", 0, y))),
  ...Array.from({ length: 12 }, (_, i) =>
    faint(
      straight([
        [14 + i * 8.4, y + 2],
        [10 + i * 8.4, y + 8],
      ]),
    ),
  ),
];
