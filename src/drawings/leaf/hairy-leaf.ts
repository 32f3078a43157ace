import {
  type Shape,
  liveliness,
  type Tint,
  all,
  area,
  smoothClosed,
  pts,
  inner,
  smooth,
  faint,
  straight,
  type Lively,
  type Point,
  along,
  hair,
  flat,
  circle,
} from "../ink/shapes";
import { grid } from "../stem/section";
import type { HairKind } from "../stem/stem";

/** A piece of leaf, upper or under side, with hair of this kind on it and at its edge. */
export function hairyLeaf(kind: HairKind, under: boolean, name: string): Shape[] {
  const vary = liveliness(name);
  const tint: Tint = kind === "felt" ? "white" : under ? "pale" : "leaf";
  const parts = all(
    area(smoothClosed(pts("14,78 22,40 52,14 104,12 108,50 86,82 46,90")), tint),
    inner(smooth(pts("14,78 50,48 106,14"))),
    faint(straight(pts("50,48 46,84"))),
    faint(straight(pts("70,36 84,78"))),
    faint(straight(pts("50,48 40,26"))),
    faint(straight(pts("72,34 68,14"))),
  );
  return kind === "none" ? parts : [...parts, ...spotsOf(kind, vary).flatMap((spot) => hairAt(kind, spot, vary))];
}

const SPARSE: HairKind[] = ["few", "long"];

/** Where the hairs stand. */
const spotsOf = (kind: HairKind, vary: Lively): Point[] =>
  kind === "veins"
    ? [...along([20, 72], [100, 18], 15), ...along([50, 50], [46, 80], 5), ...along([70, 38], [83, 76], 6)]
    : grid(SPARSE.includes(kind) ? 5 : 8, vary);

function hairAt(kind: HairKind, [x, y]: Point, vary: Lively): Shape[] {
  const dx = vary(2);
  if (kind === "felt" || kind === "woolly") {
    const curl: Point[] = [
      [x - 4, y + vary(3)],
      [x, y - 2],
      [x + 4, y + vary(3)],
    ];
    return [hair(smooth(curl), 0.6)];
  }
  if (kind === "rough" || kind === "bristly") {
    const bristle: Point[] = pts("0,0 1.4,-4", x, y);
    return [hair(straight(bristle), 1.4), flat(circle(x, y, 1.1), "ink")];
  }
  if (kind === "long") {
    const long: Point[] = [
      [x, y],
      [x + 2 + dx, y - 8],
      [x + 5 + dx, y - 15],
    ];
    return [hair(smooth(long), 0.8)];
  }
  const short: Point[] = [
    [x, y],
    [x + 2.4 + dx, y - 5],
  ];
  return [hair(straight(short), 0.7)];
}
