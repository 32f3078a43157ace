import {
  type Shape,
  all,
  inner,
  straight,
  pts,
  area,
  smoothClosed,
  outline,
  smooth,
  polar,
  hair,
  faint,
  type Point,
  circle,
  flat,
  rectangle,
  ellipse,
} from "../ink/shapes";
import { pond, strap, feather } from "./pond";

const WATER_LEAF_KINDS: Record<string, (kind: string) => Shape[]> = {
  strap: () => all(pond(), strap(14, 48, 92, 0, 11), inner(straight(pts("16,48 102,48")))),
  ribbon: () =>
    all(
      pond(),
      area(smoothClosed(pts("10,34 60,28 110,32 114,48 110,64 60,68 10,62")), "green"),
      [38, 48, 58].map((y) => inner(straight(pts("10,0 112,0", 0, y)))),
    ),
  thread: () =>
    all(
      pond(),
      [30, 48, 66].map((y) => ({
        ...outline(smooth(pts("8,0 40,-6 80,5 114,-3", 0, y))),
        width: 1.4,
      })),
    ),
  feather: () => all(pond(), feather(16, 48, 92, 0)),
  forked: () => {
    const fork = (x: number, y: number, l: number, a: number, depth: number): Shape[] => {
      const end = polar(x, y, l, a);
      return [
        { ...outline(straight([[x, y], end])), width: 2 },
        ...(depth
          ? [
              fork(end[0], end[1], l * 0.75, a - 20, depth - 1),
              fork(end[0], end[1], l * 0.75, a + 20, depth - 1),
            ].flat()
          : [hair(straight([polar(x, y, l * 0.5, a), polar(...polar(x, y, l * 0.5, a), 4, a + 60)]))]),
      ];
    };
    return all(pond(), fork(10, 48, 36, 0, 2));
  },
  broad: () =>
    all(
      pond(),
      area(smoothClosed(pts("20,50 44,20 86,22 106,48 84,74 44,76")), "green"),
      inner(straight(pts("8,52 104,48"))),
      [40, 60, 80].flatMap((x) => [faint(straight(pts("0,50 10,28", x))), faint(straight(pts("0,50 10,70", x)))]),
    ),
};

const otherWaterLeaf = (): Shape[] =>
  all(
    pond(),
    area(smoothClosed(pts("8,42 110,42 114,48 110,54 8,54")), "green"),
    [34, 60, 86].map((x) => outline(straight(pts("0,42 0,54", x)))),
  );

export function waterLeaf(kind: string): Shape[] {
  return (WATER_LEAF_KINDS[kind] ?? otherWaterLeaf)(kind);
}

export function waterEdge(kind: string): Shape[] {
  const size = { none: 0, lens: 2, eye: 5, stout: 11 }[kind] ?? 0;
  const teeth: Point[] = Array.from({ length: 33 }, (_, i) => [10 + i * 3.2, 36 - (i % 4 === 2 ? size : 0)]);
  return all(
    pond(),
    area(straight([...teeth, [114, 66], [8, 66]], true), "green"),
    inner(straight(pts("8,52 114,52"))),
    kind === "lens"
      ? [
          { ...outline(circle(84, 36, 22)), width: 2.4 },
          {
            ...outline(straight(pts("100,52 112,66"))),
            width: 4,
          },
          ...[70, 78, 86, 94].map((x) => outline(straight(pts("0,36 3,28 5,36", x)))),
        ]
      : [],
  );
}

export function ribSpines(kind: string): Shape[] {
  return all(
    pond(),
    strap(14, 50, 92, 0, 15),
    {
      ...inner(straight(pts("16,50 102,50"))),
      width: 2.4,
    },
    kind === "spines" ? [36, 56, 76].map((x) => flat(straight(pts("0,50 5,40 7,50", x), true), "red")) : [],
  );
}

export function wave(kind: string): Shape[] {
  const edge = (y: number, amplitude: number): Point[] =>
    Array.from({ length: 27 }, (_, i) => [8 + i * 4, y + Math.sin(i * 1.25) * amplitude]);
  const a = kind === "waved" ? 6 : 0;
  return all(
    pond(),
    area(straight([...edge(32, a), ...edge(64, a).reverse()], true), "green"),
    inner(straight(pts("8,48 112,48"))),
    a
      ? Array.from({ length: 8 }, (_, i) =>
          faint(
            straight([
              [16 + i * 13, 34],
              [20 + i * 13, 46],
            ]),
          ),
        )
      : [],
  );
}

export function waterTip(kind: string): Shape[] {
  if (kind === "cut")
    return all(
      pond(),
      outline(straight(pts("10,48 92,48"))),
      [20, 32, 44, 56, 68, 80, 90].flatMap((x) => [
        hair(
          straight([
            [x, 48],
            [Math.min(96, x + 12), 22],
          ]),
        ),
        hair(
          straight([
            [x, 48],
            [Math.min(96, x + 12), 74],
          ]),
        ),
      ]),
      {
        ...outline(straight(pts("97,18 97,78"))),
        dash: true,
      },
    );
  if (kind === "blunt")
    return all(
      pond(),
      area(smoothClosed(pts("4,30 80,30 104,40 104,56 80,66 4,66")), "green"),
      inner(straight(pts("4,48 104,48"))),
    );
  if (kind === "pointed")
    return all(
      pond(),
      area(straight(pts("4,30 60,32 112,48 60,64 4,66"), true), "green"),
      inner(straight(pts("4,48 110,48"))),
    );
  if (kind === "needle") return all(pond(), area(straight(pts("4,42 112,48 4,54"), true), "green"));
  return all(
    pond(),
    area(straight(pts("4,30 88,32 90,64 4,66"), true), "green"),
    outline(straight(pts("89,34 106,26"))),
    outline(straight(pts("90,48 112,48"))),
    outline(straight(pts("90,62 106,70"))),
  );
}

/** A leaf under water and its stalk. */
export function waterStalk(state: string): Shape[] {
  const length = { none: 0, short: 18, long: 44 }[state] ?? 0;
  const foot: Point = [26 + length, 58 - length * 0.3];
  return all(
    pond(),
    area(rectangle(16, 4, 9, 88), "green"),
    length > 0 ? [{ ...outline(straight([[25, 60], foot])), width: 2.4 }] : [],
    strap(foot[0], foot[1], 50, -18, 9),
  );
}

/** A broad strap against the light, with its veins. */
export function waterVeins(state: string): Shape[] {
  const blade = area(smoothClosed(pts("60,92 38,70 36,34 60,6 84,34 82,70")), "green");
  const middle = {
    ...inner(straight(pts("60,90 60,10"))),
    width: 1.6,
  };
  if (state === "none") return all(pond(), blade);
  if (state === "one") return all(pond(), blade, middle);
  if (state === "several")
    return all(
      pond(),
      blade,
      middle,
      [-15, -8, 8, 15].map((x) =>
        inner(
          smooth([
            [60 + x * 0.3, 88],
            [60 + x, 50],
            [60 + x * 0.4, 14],
          ]),
        ),
      ),
    );
  return all(
    pond(),
    blade,
    middle,
    [70, 54, 38, 24].flatMap((y) =>
      [-1, 1].flatMap((d) => [
        inner(
          straight([
            [60, y],
            [60 + d * 20, y - 10],
          ]),
        ),
        inner(
          straight([
            [60 + d * 10, y - 5],
            [60 + d * 12, y - 16],
          ]),
        ),
      ]),
    ),
  );
}

/** What floats, seen from above and from the side. */
export function floatLeaf(state: string): Shape[] {
  const surface = all([flat(rectangle(4, 52, 112, 40), "water")], outline(straight(pts("4,52 116,52"))));
  if (state === "oval")
    return all(
      surface,
      area(ellipse(60, 50, 34, 11), "green"),
      inner(straight(pts("28,50 92,50"))),
      outline(smooth(pts("60,60 56,76 62,92"))),
    );
  if (state === "diamond")
    return all(
      surface,
      area(straight(pts("60,30 78,38 92,50 60,68 28,50 42,38"), true), "green"),
      inner(straight(pts("60,66 60,34"))),
      outline(straight(pts("60,68 60,92"))),
    );
  if (state === "rosette")
    return all(
      surface,
      [40, 60, 80].flatMap((x) => [
        outline(straight(pts("0,90 0,22", x))),
        ...[-60, -30, 30, 60].flatMap((a) => feather(x, 44, 22, a - 90)),
      ]),
    );
  return all(
    surface,
    [46, 60, 74].map((x) => outline(smooth(pts("0,92 3,74 -2,60", x)))),
  );
}
