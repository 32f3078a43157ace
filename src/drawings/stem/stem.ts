import {
  type Tint,
  type Shape,
  flat,
  straight,
  outline,
  type Point,
  liveliness,
  hair,
  smooth,
  circle,
  ellipse,
  along,
  all,
  faint,
  pts,
} from "../ink/shapes";

/** A length of upright stem with its two edges. */
export function stem(x: number, top: number, bottom: number, half: number, tint: Tint = "leaf"): Shape[] {
  return [
    flat(
      straight(
        [
          [x - half, top],
          [x + half, top],
          [x + half, bottom],
          [x - half, bottom],
        ],
        true,
      ),
      tint,
    ),
    outline(
      straight([
        [x - half, top],
        [x - half, bottom],
      ]),
    ),
    outline(
      straight([
        [x + half, top],
        [x + half, bottom],
      ]),
    ),
  ];
}

export type HairKind =
  | "none"
  | "few"
  | "soft"
  | "bristly"
  | "sticky"
  | "woolly"
  | "rough"
  | "felt"
  | "fine"
  | "velvet"
  | "long"
  | "edge"
  | "veins"
  | "dense";

/** Hairs standing out from an edge; length, stiffness and number say which. `out` is +1 to the right, −1 to the left. */
export function fringe(kind: HairKind, edge: Point[], out: number, name: string): Shape[] {
  const vary = liveliness(name);
  const spec: Record<HairKind, [number, number, number, number]> = {
    none: [99, 0, 0, 0],
    few: [5, 6, 0.9, 2],
    soft: [1, 6, 0.7, 3],
    bristly: [2, 10, 1.5, 0],
    sticky: [2, 7, 0.8, 1],
    woolly: [1, 9, 0.6, 6],
    rough: [2, 2.6, 1.3, 0.5],
    felt: [1, 3.2, 0.6, 3],
    fine: [1, 2.4, 0.6, 0.6],
    velvet: [1, 4, 0.7, 1.5],
    long: [2, 12, 0.8, 3],
    edge: [2, 6, 0.8, 2],
    veins: [3, 5, 0.8, 2],
    dense: [1, 7, 0.8, 2],
  };
  const [every, length, width, bend] = spec[kind];
  const shapes: Shape[] = [];
  edge.forEach(([x, y], i) => {
    if (i % every !== 0) return;
    const l = length * (1 + vary(0.2));
    const dy = kind === "bristly" ? 2 + vary(1) : -bend + vary(1.5);
    const tip: Point = [x + out * l, y + dy];
    shapes.push(
      hair(
        kind === "woolly"
          ? smooth([[x, y], [x + out * l * 0.5, y - 4 + vary(2)], [x + out * l * 0.8, y + 3 + vary(2)], tip])
          : straight([[x, y], tip]),
        width,
      ),
    );
    if (kind === "sticky") shapes.push(flat(circle(tip[0], tip[1], 1.3), "red"));
    if (kind === "bristly") shapes.push(flat(ellipse(x + out * 0.8, y, 1.8, 1.5), "purple"));
  });
  return shapes;
}

/** A stem clothed with hair on both sides, under the lens. */
export function hairyStem(kind: HairKind, name: string): Shape[] {
  const right = along([72, 10], [72, 86], 30);
  const left = along([48, 10], [48, 86], 30);
  return all(
    stem(60, 8, 88, 12, "pale"),
    faint(straight(pts("56,10 56,86"))),
    faint(straight(pts("65,10 65,86"))),
    fringe(kind, right, 1, name),
    fringe(kind, left, -1, `${name}l`),
  );
}
