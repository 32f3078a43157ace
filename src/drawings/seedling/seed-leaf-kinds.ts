import { earth } from "../habit/earth";
import { type Shape, all, area, ellipse, smoothClosed, inner, straight } from "../ink/shapes";
import { type Leaf, drawLeaf } from "../leaf/leaf";
import { stem } from "../stem/stem";
import { butterflySeedLeaves } from "./seed-leaves";

export function seedLeaves(state: string): Shape[] {
  const shapes: Record<string, Leaf> = {
    strap: { shape: "linear", veins: false },
    lance: { shape: "lance" },
    oval: { shape: "oval" },
    round: { shape: "round" },
    spoon: { shape: "spoon" },
  };
  const ground = all(earth(86), stem(60, 60, 86, 1.8));
  if (state === "butterfly") return butterflySeedLeaves();
  if (state === "hidden")
    return all(
      earth(60),
      stem(60, 16, 60, 1.8),
      area(ellipse(56, 74, 9, 7), "straw"),
      area(ellipse(66, 74, 8, 7), "straw"),
      drawLeaf({ shape: "egg", veins: false }, [60, 30], 24, 50),
      drawLeaf({ shape: "egg", veins: false }, [60, 26], 24, -50),
    );
  if (state === "notched")
    return all(
      ground,
      [-1, 1].flatMap((s) => [
        area(
          smoothClosed([
            [60, 62],
            [60 + s * 14, 38],
            [60 + s * 30, 28],
            [60 + s * 36, 38],
            [60 + s * 46, 40],
            [60 + s * 42, 54],
            [60 + s * 22, 62],
          ]),
          "leaf",
        ),
        inner(
          straight([
            [60, 62],
            [60 + s * 34, 40],
          ]),
        ),
      ]),
    );
  return all(
    ground,
    drawLeaf(shapes[state], [60, 62], state === "strap" ? 56 : 42, 58),
    drawLeaf(shapes[state], [60, 62], state === "strap" ? 56 : 42, -58),
  );
}
