import {
  outline,
  straight,
  pts,
  type Shape,
  hair,
  smooth,
  all,
  area,
  smoothClosed,
  inner,
  circle,
  faint,
} from "../ink/shapes";
import { stem } from "../stem/stem";

const rootGround = [outline(straight(pts("8,30 112,30"))), ...stem(60, 6, 30, 2)];

const rootFibre = (x: number, dx: number, depth: number): Shape =>
  hair(
    smooth([
      [x, 30],
      [x + dx * 0.4, 30 + depth * 0.5],
      [x + dx, 30 + depth],
    ]),
    1,
  );

const ROOT_KINDS: Record<string, (kind: string) => Shape[]> = {
  fibrous: () =>
    all(
      rootGround,
      Array.from({ length: 13 }, (_, i) => rootFibre(60, (i - 6) * 6, 52 - Math.abs(i - 6) * 3)),
    ),
  taproot: () =>
    all(
      rootGround,
      area(smoothClosed(pts("54,30 66,30 64,58 60,92 56,58")), "straw"),
      [42, 54, 66].flatMap((y) => [hair(straight(pts("58,0 44,9", 0, y))), hair(straight(pts("62,4 76,12", 0, y)))]),
    ),
  rhizome: () =>
    all(
      rootGround,
      area(smoothClosed(pts("8,50 40,44 80,52 112,46 112,54 80,60 40,52 8,58")), "straw"),
      [22, 36, 50, 64, 78, 92].map((x) => inner(straight(pts("0,46 1,57", x)))),
      [22, 50, 78, 104].flatMap((x) => [hair(straight(pts("0,56 -4,74", x))), hair(straight(pts("0,56 5,76", x)))]),
      {
        ...outline(straight(pts("92,50 96,12"))),
        width: 2,
      },
      {
        ...outline(straight(pts("24,48 20,16"))),
        width: 2,
      },
      {
        ...outline(straight(pts("60,30 60,50"))),
        width: 2,
      },
    ),
  creeping: () =>
    all(
      rootGround,
      {
        ...outline(smooth(pts("60,30 58,56 30,62 6,56"))),
        width: 2.4,
      },
      {
        ...outline(smooth(pts("58,56 84,66 114,58"))),
        width: 2.4,
      },
      {
        ...outline(straight(pts("58,56 60,92"))),
        width: 2.4,
      },
      [
        [30, 62],
        [88, 66],
      ].flatMap(([x, y]) => [
        area(circle(x, y - 3, 3), "pink"),
        outline(
          smooth([
            [x, y - 5],
            [x + 2, 30],
            [x, 12],
          ]),
        ),
      ]),
    ),
  tubers: () =>
    all(
      rootGround,
      [-26, -10, 8, 26].map((dx) =>
        area(
          smoothClosed([
            [60 + dx * 0.25, 32],
            [60 + dx * 0.9 + 7, 52],
            [60 + dx * 1.3 + 2, 84],
            [60 + dx * 0.9 - 6, 54],
          ]),
          "straw",
        ),
      ),
    ),
  woody: () =>
    all(
      rootGround,
      area(smoothClosed(pts("42,30 78,30 84,44 60,56 36,44")), "bark"),
      [
        [44, 50, 20, 84],
        [54, 54, 48, 92],
        [66, 54, 74, 92],
        [78, 48, 104, 80],
      ].map(([a, b, c, d]) => ({
        ...outline(
          smooth([
            [a, b],
            [(a + c) / 2 + 3, (b + d) / 2],
            [c, d],
          ]),
        ),
        width: 3.4,
      })),
      [50, 70].flatMap((x) => stem(x, 8, 30, 2.4, "bark")),
    ),
};

const otherRoot = (): Shape[] =>
  all(
    rootGround,
    area(smoothClosed(pts("60,32 80,58 72,80 60,84 48,80 40,58")), "white"),
    faint(smooth(pts("60,36 68,58 62,82"))),
    faint(smooth(pts("60,36 50,58 56,82"))),
    Array.from({ length: 7 }, (_, i) =>
      hair(
        straight([
          [60 + (i - 3) * 3, 84],
          [60 + (i - 3) * 6, 94],
        ]),
      ),
    ),
  );

export function root(kind: string): Shape[] {
  return (ROOT_KINDS[kind] ?? otherRoot)(kind);
}
