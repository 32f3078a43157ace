import {
  type Shape,
  all,
  inner,
  straight,
  pts,
  area,
  circle,
  outline,
  rectangle,
  smooth,
  ellipse,
  hair,
} from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { stem } from "../stem/stem";
import { earth } from "./earth";
import { tuft, bush, treeShape, person } from "./figures";

const PLANT_KIND_KINDS: Record<string, (kind: string) => Shape[]> = {
  grasslike: () =>
    all(
      earth(),
      tuft(58, 84, 11, 84, 66),
      inner(straight(pts("60,84 66,14"))),
      inner(straight(pts("66,14 70,22"))),
      inner(straight(pts("66,20 60,26"))),
    ),
  herb: () =>
    all(
      earth(),
      stem(60, 22, 84, 1.8),
      [72, 56, 42].flatMap((y, i) => drawLeaf({ shape: "egg" }, [60, y], 30, i % 2 ? -60 : 60)),
      area(circle(60, 18, 8), "yellow"),
      drawLeaf({ shape: "egg" }, [60, 78], 26, -72),
    ),
  climber: () =>
    all(
      earth(),
      outline(rectangle(56, 8, 6, 76)),
      {
        ...outline(smooth(pts("40,84 52,74 66,66 52,54 66,46 52,34 66,26 54,14"))),
        width: 2.4,
      },
      drawLeaf({ shape: "heart", veins: false }, [67, 62], 20, 80),
      drawLeaf({ shape: "heart", veins: false }, [51, 50], 20, -80),
      drawLeaf({ shape: "heart", veins: false }, [67, 30], 18, 80),
    ),
  shrub: () =>
    all(
      earth(),
      [
        [60, 84, 30, 30],
        [60, 84, 50, 22],
        [60, 84, 72, 24],
        [60, 84, 92, 34],
      ].map(([x, y, tx, ty]) => ({
        ...outline(
          smooth([
            [x, y],
            [(x + tx) / 2, (y + ty) / 2 - 4],
            [tx, ty],
          ]),
        ),
        width: 2.2,
      })),
      bush(34, 46, 18),
      bush(62, 38, 20),
      bush(88, 48, 17),
      [46, 60, 76].map((x) => ({
        ...outline(
          straight([
            [60, 84],
            [x, 58],
          ]),
        ),
        width: 2.2,
      })),
    ),
  tree: () => all(earth(), treeShape(60, 84, 30), person(104, 84)),
};

const otherPlantKind = (): Shape[] =>
  all(
    area(rectangle(6, 26, 108, 64), "water"),
    outline(straight(pts("6,26 114,26"))),
    [36, 60, 84].flatMap((x) => [
      outline(smooth(pts("0,90 4,64 -2,36", x))),
      ...[80, 68, 56, 44].flatMap((y) => [
        inner(straight(pts("1,0 11,-5", x, y))),
        inner(straight(pts("1,0 -9,-5", x, y))),
      ]),
    ]),
  );

export function plantKind(kind: string): Shape[] {
  return (PLANT_KIND_KINDS[kind] ?? otherPlantKind)(kind);
}

export function clump(kind: string): Shape[] {
  const ground = earth();
  if (kind === "single") return all(ground, tuft(60, 84, 3, 18, 60));
  if (kind === "loose-tuft")
    return all(ground, tuft(44, 84, 4, 40, 54), tuft(60, 84, 4, 40, 60), tuft(76, 84, 4, 40, 54));
  if (kind === "dense-tuft") return all(ground, area(ellipse(60, 82, 15, 6), "straw"), tuft(60, 82, 19, 92, 62));
  if (kind === "patch")
    return all(
      ground,
      outline(smooth(pts("12,92 40,90 80,93 110,90"))),
      [18, 40, 62, 84, 104].flatMap((x, i) => [
        inner(straight(pts("0,84 0,91", x))),
        ...tuft(x, 84, 3, 16, 40 + (i % 2) * 12),
      ]),
    );
  if (kind === "runners")
    return all(
      ground,
      {
        ...outline(smooth(pts("8,82 34,76 60,82 86,76 112,82"))),
        width: 2.2,
      },
      [10, 60, 110].flatMap((x) => [
        hair(straight(pts("0,83 -4,92", x))),
        hair(straight(pts("0,83 3,93", x))),
        ...tuft(x === 10 ? 16 : x === 110 ? 104 : x, 82, 4, 26, 34),
      ]),
    );
  return all(
    ground,
    Array.from({ length: 9 }, (_, i) => ({
      ...outline(
        smooth([
          [52 + i * 2, 84],
          [34 + i * 6.5, 50],
          [16 + i * 11, 14 + Math.abs(4 - i) * 4],
        ]),
      ),
      width: 3,
    })),
    area(ellipse(60, 84, 20, 6), "bark"),
    person(112, 84),
  );
}
