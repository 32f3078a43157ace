import type { Draw } from "../ink/draw";
import { type Shape, faint, straight, smooth, all, type Point, polar, circle, area, ellipse } from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { stem } from "../stem/stem";
import { earth } from "./earth";

const sizes =
  (less: number, same: number, more: number) =>
  (state: string): number =>
    state === "less" ? less : state === "more" ? more : same;

/** A leafy stem of this height, as a thread with leaves. */
function figure(x: number, height: number, known: boolean): Shape[] {
  const top = 84 - height;
  const steps = [0.25, 0.5, 0.75, 1];
  if (known)
    return [
      faint(
        straight([
          [x, 84],
          [x, top],
        ]),
      ),
      ...steps.flatMap((s) =>
        [-1, 1].map((d) =>
          faint(
            smooth([
              [x, 84 - s * height],
              [x + d * 9, 80 - s * height],
              [x + d * 15, 84 - s * height],
            ]),
          ),
        ),
      ),
    ];
  return all(
    stem(x, top, 84, 1.6),
    steps.flatMap((s) =>
      [-62, 62].flatMap((a) => drawLeaf({ shape: "lance", veins: false }, [x, 84 - s * height], 16, a)),
    ),
  );
}

const outlined = (shapes: Shape[]): Shape[] => shapes.map((shape) => faint(shape.d));

function flower([x, y]: Point, radius: number, known: boolean): Shape[] {
  const petals = Array.from({ length: 5 }, (_, i) => polar(x, y, radius * 0.58, i * 72 - 90)).map(([px, py]) =>
    known ? faint(circle(px, py, radius * 0.4)) : area(circle(px, py, radius * 0.4), "white"),
  );
  const middle = ellipse(x, y, radius * 0.24, radius * 0.24);
  return [...petals, known ? faint(middle) : area(middle, "straw")];
}

const blade = (x: number, half: number, known: boolean): Shape => {
  const points = straight(
    [
      [x - half, 92],
      [x - half, 22],
      [x, 6],
      [x + half, 22],
      [x + half, 92],
    ],
    true,
  );
  return known ? faint(points) : area(points, "leaf");
};

export const BESIDE: Record<string, Draw> = {
  "height-beside": (s) => all(earth(84), figure(34, 46, true), figure(84, sizes(24, 46, 72)(s), false)),
  "leaf-beside": (s) =>
    all(
      outlined(drawLeaf({ shape: "oval", veins: false }, [34, 88], 54)),
      drawLeaf({ shape: "oval" }, [84, 88], sizes(32, 54, 80)(s)),
    ),
  "blade-beside": (s) => [blade(34, 9, true), blade(84, sizes(4, 9, 17)(s), false)],
  "flower-beside": (s) => all(flower([32, 50], 21, true), flower([84, 50], sizes(11, 21, 33)(s), false)),
};
