import {
  area,
  rectangle,
  faint,
  straight,
  pts,
  type Point,
  type Shape,
  outline,
  smooth,
  ellipse,
  all,
  hair,
} from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { earth } from "./earth";
import { bush } from "./figures";

const climbingPost = [area(rectangle(54, 4, 12, 88), "bark"), faint(straight(pts("58,6 58,90")))];

const climbingVine = (points: Point[]): Shape => ({ ...outline(smooth(points)), width: 3 });

const climbingTendril = (kind: string): Shape[] => {
  const coil =
    kind === "tendril"
      ? [outline(smooth(pts("38,50 46,44 50,50 46,54 50,58 56,54 68,52 54,48")))]
      : [
          outline(straight(pts("38,50 48,48"))),
          ...[40, 47, 54].flatMap((y) => [
            outline(
              straight([
                [48, 48],
                [53, y],
              ]),
            ),
            area(ellipse(54, y, 2.4, 3.2), "brown"),
          ]),
        ];
  return all(
    climbingPost,
    climbingVine([
      [34, 92],
      [38, 60],
      [34, 30],
      [38, 6],
    ]),
    coil,
    drawLeaf({ shape: "egg" }, [34, 30], 24, -70),
  );
};

const CLIMBING_KINDS: Record<string, (kind: string) => Shape[]> = {
  twining: () =>
    all(
      climbingPost,
      climbingVine([
        [40, 92],
        [52, 82],
        [68, 74],
        [52, 62],
        [68, 52],
        [52, 40],
        [68, 30],
        [52, 18],
        [64, 8],
      ]),
    ),
  "leaf-stalk": () =>
    all(
      climbingPost,
      climbingVine([
        [36, 92],
        [38, 60],
        [34, 30],
        [38, 6],
      ]),
      outline(smooth(pts("37,62 54,54 68,58 66,66 54,62"))),
      drawLeaf({ shape: "egg" }, [74, 56], 24, 70),
      outline(smooth(pts("66,60 70,58 74,56"))),
      outline(smooth(pts("35,30 52,24 67,28 65,34 54,31"))),
    ),
  tendril: climbingTendril,
  discs: climbingTendril,
  rootlets: () =>
    all(
      area(rectangle(62, 4, 26, 88), "bark"),
      climbingVine([
        [54, 92],
        [56, 60],
        [54, 30],
        [56, 4],
      ]),
      Array.from({ length: 22 }, (_, i) =>
        hair(
          straight([
            [56, 8 + i * 3.8],
            [63 + (i % 3), 9 + i * 3.8 + (i % 2) * 2],
          ]),
        ),
      ),
      drawLeaf({ shape: "egg", lobes: "shallow" }, [54, 40], 28, -72),
    ),
};

const otherClimbing = (): Shape[] =>
  all(
    earth(),
    climbingVine([
      [10, 80],
      [40, 60],
      [70, 66],
      [110, 44],
    ]),
    bush(84, 84, 18, "pale"),
    drawLeaf({ shape: "arrow" }, [40, 60], 22, -10),
    drawLeaf({ shape: "arrow" }, [74, 65], 22, 10),
  );

export function climbing(kind: string): Shape[] {
  return (CLIMBING_KINDS[kind] ?? otherClimbing)(kind);
}
