import {
  pts,
  all,
  area,
  circle,
  ellipse,
  faint,
  flat,
  hair,
  inner,
  outline,
  type Point,
  polar,
  rectangle,
  type Shape,
  smooth,
  smoothClosed,
  straight,
  type Tint,
} from "./shapes";

const pond = (): Shape[] => [flat(rectangle(4, 4, 112, 88), "water")];
const strap = (x: number, y: number, length: number, degrees: number, half = 3): Shape => {
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
const feather = (x: number, y: number, length: number, degrees: number): Shape[] => {
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
const stalk = (): Shape => ({
  ...outline(smooth(pts("60,92 61,50 60,6"))),
  width: 2.2,
});

export function waterPlan(kind: string): Shape[] {
  if (kind === "whorled")
    return all(
      pond(),
      stalk(),
      [20, 42, 64, 84].flatMap((y) => [-155, -25, -110, -70, 165, 15].map((a) => strap(60, y, 24, a, 2.6))),
    );
  if (kind === "opposite")
    return all(
      pond(),
      stalk(),
      [20, 44, 68].flatMap((y) => [strap(60, y, 34, -160, 2.4), strap(60, y, 34, -20, 2.4)]),
    );
  if (kind === "alternate")
    return all(
      pond(),
      stalk(),
      [16, 34, 52, 70].map((y, i) => strap(60, y + 6, 40, i % 2 ? -155 : -25, 5)),
    );
  if (kind === "rosette")
    return all(
      pond(),
      inner(straight(pts("60,94 60,48"))),
      [0, 45, 90, 135, 180, 225, 270, 315].flatMap((a) => [
        outline(straight([[60, 44], polar(60, 44, 22, a)])),
        area(circle(...polar(60, 44, 30, a), 9), "green"),
      ]),
    );
  return all(
    pond(),
    stalk(),
    [22, 48, 74].flatMap((y) =>
      [-150, -120, -60, -30, 170, 10].map((a) => ({ ...outline(straight([[60, y], polar(60, y, 27, a)])), width: 2 })),
    ),
  );
}

const WATER_LEAF_KINDS: Record<string, (kind: string) => Shape[]> = {
  strap: () => all(pond(), strap(14, 48, 92, 0, 11), inner(straight(pts("16,48 102,48")))),
  ribbon: () =>
    all(
      pond(),
      area(smoothClosed(pts("10,34 60,28 110,32 114,48 110,64 60,68 10,62")), "green"),
      [38, 48, 58].map((y) =>
        inner(
          straight([
            [10, y],
            [112, y],
          ]),
        ),
      ),
    ),
  thread: () =>
    all(
      pond(),
      [30, 48, 66].map((y) => ({
        ...outline(
          smooth([
            [8, y],
            [40, y - 6],
            [80, y + 5],
            [114, y - 3],
          ]),
        ),
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
      [40, 60, 80].flatMap((x) => [
        faint(
          straight([
            [x, 50],
            [x + 10, 28],
          ]),
        ),
        faint(
          straight([
            [x, 50],
            [x + 10, 70],
          ]),
        ),
      ]),
    ),
};
const otherWaterLeaf = (): Shape[] =>
  all(
    pond(),
    area(smoothClosed(pts("8,42 110,42 114,48 110,54 8,54")), "green"),
    [34, 60, 86].map((x) =>
      outline(
        straight([
          [x, 42],
          [x, 54],
        ]),
      ),
    ),
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
          ...[70, 78, 86, 94].map((x) =>
            outline(
              straight([
                [x, 36],
                [x + 3, 28],
                [x + 5, 36],
              ]),
            ),
          ),
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
    kind === "spines"
      ? [36, 56, 76].map((x) =>
          flat(
            straight(
              [
                [x, 50],
                [x + 5, 40],
                [x + 7, 50],
              ],
              true,
            ),
            "red",
          ),
        )
      : [],
  );
}

export function lifted(kind: string): Shape[] {
  const surface = [flat(rectangle(4, 66, 112, 26), "water"), outline(straight(pts("4,66 116,66")))];
  const hand = area(smoothClosed(pts("44,4 76,4 74,18 60,24 46,18")), "paper");
  if (kind === "limp")
    return all(
      surface,
      {
        ...outline(smooth(pts("60,20 58,44 62,66 60,90"))),
        width: 3,
      },
      [28, 38, 48, 58].flatMap((y) =>
        [-1, 1].map((s) =>
          outline(
            smooth([
              [60, y],
              [60 + s * 5, y + 10],
              [60 + s * 3, y + 20],
            ]),
          ),
        ),
      ),
      hand,
    );
  if (kind === "holds")
    return all(
      surface,
      {
        ...outline(straight(pts("60,20 60,90"))),
        width: 2.4,
      },
      [30, 42, 54].flatMap((y) => [feather(60, y, 30, -160), feather(60, y, 30, -20)].flat()),
      hand,
    );
  return all(
    surface,
    {
      ...outline(straight(pts("60,20 60,38"))),
      width: 3,
    },
    {
      ...outline(straight(pts("66,46 76,66"))),
      width: 3,
    },
    {
      ...outline(straight(pts("44,44 36,58"))),
      width: 3,
    },
    [
      [54, 40],
      [70, 42],
      [50, 50],
      [62, 54],
    ].map(([x, y]) =>
      outline(
        straight([
          [x, y],
          [x + 5, y - 3],
        ]),
      ),
    ),
    hand,
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

export function waterFoot(kind: string): Shape[] {
  const axis: Shape = {
    ...outline(straight(pts("36,94 36,4"))),
    width: 5,
  };
  const leaf = (from: Point): Shape => area(smoothClosed([from, [70, 36], [112, 30], [114, 36], [72, 52]]), "green");
  if (kind === "clasps")
    return all(
      pond(),
      area(smoothClosed(pts("30,40 24,52 34,66 60,62 110,48 64,34 42,32")), "green"),
      axis,
      area(smoothClosed(pts("38,42 30,50 38,60 46,52")), "green"),
    );
  if (kind === "sheath")
    return all(pond(), axis, area(straight(pts("32,84 40,84 44,38 36,34"), true), "pale"), {
      ...outline(smooth(pts("42,40 74,26 114,22"))),
      width: 2.4,
    });
  if (kind === "loose-sheath")
    return all(pond(), axis, leaf([38, 50]), area(smoothClosed(pts("32,48 38,12 48,16 44,46")), "white"));
  if (kind === "shoulders")
    return all(
      pond(),
      axis,
      area(straight(pts("38,64 38,42 50,36 52,40 56,36 58,42 112,46 112,50 58,56 54,66"), true), "green"),
    );
  if (kind === "sloping")
    return all(pond(), axis, area(smoothClosed(pts("38,64 38,40 54,44 112,46 112,50 56,56")), "green"));
  if (kind === "bladder")
    return all(
      pond(),
      axis,
      outline(straight(pts("38,60 54,52"))),
      area(ellipse(66, 46, 15, 9), "pale"),
      outline(straight(pts("80,40 90,34"))),
      area(straight(pts("88,36 98,16 114,22 106,40"), true), "green"),
    );
  return all(pond(), axis, outline(straight(pts("38,56 52,50"))), leaf([50, 50]));
}

export function axis(kind: string): Shape[] {
  const body = area(rectangle(44, 4, 32, 88), "green");
  if (kind === "ribbed")
    return all(
      pond(),
      body,
      [48, 54, 60, 66, 72].map((x) =>
        outline(
          straight([
            [x, 4],
            [x, 92],
          ]),
        ),
      ),
      Array.from({ length: 14 }, (_, i) => flat(circle(47 + ((i * 7) % 28), 10 + i * 6, 1.6), "white")),
    );
  if (kind === "grooved")
    return all(
      pond(),
      body,
      {
        ...outline(straight(pts("60,4 60,92"))),
        width: 3,
      },
      faint(straight(pts("52,4 52,92"))),
    );
  return all(pond(), body, faint(straight(pts("52,6 52,90"))));
}

export function forking(kind: string): Shape[] {
  const line = (a: Point, b: Point): Shape => ({ ...outline(straight([a, b])), width: 2.6 });
  if (kind === "simple")
    return all(
      pond(),
      line([60, 92], [60, 10]),
      [30, 50, 70].flatMap((y) => [
        hair(
          straight([
            [60, y],
            [68, y - 6],
          ]),
          1.2,
        ),
        hair(
          straight([
            [60, y],
            [52, y - 6],
          ]),
          1.2,
        ),
      ]),
    );
  if (kind === "uneven")
    return all(pond(), line([60, 92], [60, 6]), line([60, 54], [76, 34]), flat(circle(60, 54, 2.4), "ink"));
  return all(
    pond(),
    line([60, 92], [60, 52]),
    line([60, 52], [38, 22]),
    line([60, 52], [82, 22]),
    line([38, 22], [28, 6]),
    line([38, 22], [46, 6]),
    line([82, 22], [74, 6]),
    line([82, 22], [92, 6]),
  );
}

const bulbilsThread = outline(smooth(pts("10,30 40,40 60,48")));
const bulbilsStar = (cx: number, cy: number, r: number) =>
  area(
    straight(
      Array.from({ length: 12 }, (_, i) => polar(cx, cy, i % 2 ? r * 0.45 : r, i * 30 - 90)),
      true,
    ),
    "white",
  );
const BULBILS_KINDS: Record<string, (kind: string) => Shape[]> = {
  star: () => all(pond(), bulbilsThread, bulbilsStar(64, 52, 24), bulbilsStar(98, 24, 11)),
  ball: () => all(pond(), bulbilsThread, area(circle(64, 54, 18), "white"), area(circle(96, 30, 9), "white")),
  tuber: () =>
    all(
      pond(),
      bulbilsThread,
      outline(smooth(pts("60,48 76,58 88,62"))),
      area(smoothClosed(pts("84,56 100,54 108,66 98,78 86,72")), "straw"),
      inner(straight(pts("90,60 104,66"))),
    ),
  burr: () =>
    all(
      pond(),
      outline(straight(pts("60,92 60,70"))),
      [64, 50, 36, 22].flatMap((y, i) => [
        area(
          straight(
            [
              [60, y + 8],
              [84 - i * 4, y - 6],
              [78 - i * 4, y + 6],
            ],
            true,
          ),
          "brown",
        ),
        area(
          straight(
            [
              [60, y + 8],
              [36 + i * 4, y - 6],
              [42 + i * 4, y + 6],
            ],
            true,
          ),
          "brown",
        ),
      ]),
    ),
  tight: () =>
    all(
      pond(),
      outline(straight(pts("60,92 60,66"))),
      area(smoothClosed(pts("60,70 46,56 46,30 60,12 74,30 74,56")), "dark"),
      [24, 36, 48].map((y) =>
        inner(
          smooth([
            [48, y + 6],
            [60, y],
            [72, y + 6],
          ]),
        ),
      ),
    ),
};
const otherBulbils = (): Shape[] => all(pond(), bulbilsThread, outline(straight(pts("60,48 96,60"))));

export function bulbils(kind: string): Shape[] {
  return (BULBILS_KINDS[kind] ?? otherBulbils)(kind);
}

export function surface(kind: string): Shape[] {
  const water = [flat(rectangle(4, 40, 112, 52), "water"), outline(straight(pts("4,40 116,40")))];
  const shoot = (top: number): Shape[] => [
    outline(
      straight([
        [60, 92],
        [60, top],
      ]),
    ),
    ...[84, 72, 60, 50]
      .filter((y) => y > top)
      .flatMap((y) => [
        inner(
          straight([
            [60, y],
            [76, y - 6],
          ]),
        ),
        inner(
          straight([
            [60, y],
            [44, y - 6],
          ]),
        ),
      ]),
  ];
  if (kind === "flowers")
    return all(
      water,
      shoot(20),
      [18, 24, 30].flatMap((y) => [area(circle(57, y, 2.4), "pink"), area(circle(63, y + 2, 2.4), "pink")]),
    );
  if (kind === "float")
    return all(
      water,
      inner(straight(pts("60,92 60,42"))),
      [30, 60, 90].map((x) => area(ellipse(x, 41, 15, 4), "green")),
    );
  if (kind === "shoots")
    return all(
      water,
      shoot(8),
      [12, 22, 32].flatMap((y) => [feather(60, y, 22, -160), feather(60, y, 22, -20)].flat()),
    );
  return all(water, shoot(52));
}

export function waterFlower(kind: string): Shape[] {
  const petals = (n: number, tint: Tint, r = 30) =>
    all(
      pond(),
      Array.from({ length: n }, (_, i) =>
        area(ellipse(...polar(60, 46, r * 0.55, (i * 360) / n - 90), r * 0.48, r * 0.48), tint),
      ),
      area(circle(60, 46, 6), tint === "yellow" ? "orange" : "yellow"),
    );
  if (kind === "three-white") return petals(3, "white");
  if (kind === "four-white") return petals(4, "white", 26);
  if (kind === "five-yellow") return petals(5, "yellow");
  if (kind === "spike")
    return all(
      flat(rectangle(4, 60, 112, 32), "water"),
      outline(straight(pts("4,60 116,60"))),
      outline(straight(pts("60,92 60,12"))),
      [16, 24, 32, 40].flatMap((y) => [area(ellipse(55, y, 4, 3), "brown"), area(ellipse(65, y + 2, 4, 3), "brown")]),
    );
  if (kind === "tiny")
    return all(
      pond(),
      outline(straight(pts("60,92 60,6"))),
      outline(straight(pts("60,54 96,40"))),
      outline(straight(pts("60,54 24,40"))),
      area(ellipse(67, 46, 3.4, 5), "pale"),
    );
  if (kind === "orange-dots")
    return all(
      pond(),
      {
        ...outline(straight(pts("12,60 108,40"))),
        width: 3,
      },
      [32, 56, 80].map((x) => area(circle(x, 50 - (x - 56) * 0.2, 5), "orange")),
    );
  return all(
    pond(),
    outline(straight(pts("60,92 60,6"))),
    [24, 50, 76].flatMap((y) => [
      inner(
        straight([
          [60, y],
          [86, y - 8],
        ]),
      ),
      inner(
        straight([
          [60, y],
          [34, y - 8],
        ]),
      ),
    ]),
  );
}

const WATER_FRUIT_KINDS: Record<string, (kind: string) => Shape[]> = {
  horned: () =>
    all(
      area(smoothClosed(pts("60,24 78,36 82,56 60,76 38,56 42,36")), "brown"),
      [
        [40, 40, 14, 22],
        [80, 40, 106, 22],
        [42, 60, 18, 80],
        [78, 60, 102, 80],
      ].map(([a, b, c, d]) => ({
        ...outline(
          straight([
            [a, b],
            [c, d],
          ]),
        ),
        width: 4,
      })),
    ),
  beaked: () =>
    all(
      outline(straight(pts("60,94 60,10"))),
      [16, 30, 44, 58].flatMap((y, i) => [
        area(ellipse(60 + (i % 2 ? 9 : -9), y, 7, 6), "brown"),
        outline(
          straight([
            [60 + (i % 2 ? 15 : -15), y - 4],
            [60 + (i % 2 ? 18 : -18), y - 9],
          ]),
        ),
      ]),
    ),
  curved: () =>
    all(
      outline(straight(pts("60,94 60,60"))),
      [-1, 1].flatMap((s) => [
        area(
          smoothClosed([
            [60, 62],
            [60 + s * 12, 50],
            [60 + s * 30, 36],
            [60 + s * 38, 14],
            [60 + s * 24, 24],
            [60 + s * 8, 40],
          ]),
          "brown",
        ),
        ...[24, 34, 44].map((y) =>
          outline(
            straight([
              [60 + s * (40 - (y - 14) * 0.5), y],
              [60 + s * (45 - (y - 14) * 0.5), y - 3],
            ]),
          ),
        ),
      ]),
    ),
  spiny: () =>
    all(
      area(ellipse(60, 52, 14, 20), "brown"),
      outline(straight(pts("60,32 60,6"))),
      outline(straight(pts("50,68 34,86"))),
      outline(straight(pts("70,68 86,86"))),
    ),
  capsule: () =>
    all(
      outline(straight(pts("20,94 40,60"))),
      area(smoothClosed(pts("38,62 50,44 86,24 94,32 80,52 50,70")), "straw"),
      [-20, 0, 20].map((a) => hair(straight([[92, 26], polar(92, 26, 12, a - 40)]))),
    ),
  "slender-seed": () =>
    all(
      outline(straight(pts("60,94 60,6"))),
      outline(straight(pts("60,60 96,46"))),
      area(ellipse(67, 46, 3.2, 14), "purple"),
    ),
};
const otherWaterFruit = (): Shape[] =>
  all(
    outline(straight(pts("60,94 60,6"))),
    outline(straight(pts("60,60 96,46"))),
    outline(straight(pts("60,60 24,46"))),
  );

export function waterFruit(kind: string): Shape[] {
  return (WATER_FRUIT_KINDS[kind] ?? otherWaterFruit)(kind);
}

export function tips(kind: string): Shape[] {
  const shoot = (gap: number, n: number, length: number) =>
    Array.from({ length: n }, (_, i) => 14 + i * gap).flatMap((y) => [
      inner(
        straight([
          [60, y],
          [60 + length, y - 8],
        ]),
      ),
      inner(
        straight([
          [60, y],
          [60 - length, y - 8],
        ]),
      ),
    ]);
  if (kind === "bushy") return all(pond(), stalk(), shoot(5, 16, 20));
  if (kind === "red") return all(pond(), stalk(), shoot(14, 6, 20), area(ellipse(60, 10, 7, 6), "red"));
  if (kind === "thin")
    return all(
      pond(),
      [44, 60, 76].map((x) =>
        outline(
          smooth([
            [60, 92],
            [x, 50],
            [x + 4, 6],
          ]),
        ),
      ),
    );
  return all(pond(), stalk(), shoot(18, 5, 24));
}

export function holdfast(kind: string): Shape[] {
  const mud = [flat(rectangle(4, 4, 112, 52), "water"), area(rectangle(4, 56, 112, 36), "ground")];
  const shoot: Shape = {
    ...outline(straight(pts("60,56 60,8"))),
    width: 2.4,
  };
  if (kind === "roots")
    return all(
      mud,
      shoot,
      Array.from({ length: 7 }, (_, i) => ({
        ...hair(
          straight([
            [60, 56],
            [42 + i * 6, 82],
          ]),
        ),
        width: 1.6,
      })),
    );
  if (kind === "threads")
    return all(
      mud,
      shoot,
      Array.from({ length: 5 }, (_, i) =>
        hair(
          smooth([
            [60, 56],
            [52 + i * 4, 66],
            [46 + i * 7, 74],
          ]),
          0.6,
        ),
      ),
    );
  if (kind === "rhizome")
    return all(
      mud,
      shoot,
      {
        ...outline(smooth(pts("8,72 60,66 112,74"))),
        width: 3.4,
      },
      outline(straight(pts("60,56 60,66"))),
      outline(straight(pts("96,71 98,14"))),
    );
  return all(
    mud,
    {
      ...outline(smooth(pts("24,40 60,30 98,38"))),
      width: 2.4,
    },
    [36, 52, 68, 84].flatMap((x) => [
      inner(
        straight([
          [x, 34],
          [x - 4, 24],
        ]),
      ),
      inner(
        straight([
          [x, 34],
          [x - 4, 46],
        ]),
      ),
    ]),
  );
}

export function feel(kind: string): Shape[] {
  const fingers = all(
    area(smoothClosed(pts("10,60 50,52 64,58 50,68 10,76")), "paper"),
    area(smoothClosed(pts("10,34 50,38 64,46 50,50 10,50")), "paper"),
  );
  const shoot: Shape = {
    ...outline(smooth(pts("40,52 80,50 112,46"))),
    width: 3,
  };
  if (kind === "harsh")
    return all(
      pond(),
      fingers,
      shoot,
      Array.from({ length: 8 }, (_, i) =>
        outline(
          straight([
            [72 + i * 5, 50],
            [75 + i * 5, 40],
          ]),
        ),
      ),
    );
  if (kind === "gritty")
    return all(
      pond(),
      fingers,
      shoot,
      Array.from({ length: 14 }, (_, i) =>
        area(rectangle(70 + (i % 7) * 6, 42 + Math.floor(i / 7) * 10, 2.6, 2.6), "white"),
      ),
    );
  return all(
    pond(),
    fingers,
    shoot,
    Array.from({ length: 5 }, (_, i) =>
      inner(
        smooth([
          [74 + i * 8, 48],
          [80 + i * 8, 40],
          [86 + i * 8, 42],
        ]),
      ),
    ),
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

export function branching(kind: string): Shape[] {
  const main = stalk();
  if (kind === "seldom") return all(pond(), main, outline(straight(pts("60,60 76,40"))));
  if (kind === "freely")
    return all(
      pond(),
      main,
      [84, 70, 56, 42, 28].flatMap((y) => [
        outline(
          straight([
            [60, y],
            [82, y - 18],
          ]),
        ),
        outline(
          straight([
            [60, y],
            [38, y - 18],
          ]),
        ),
      ]),
    );
  return all(
    pond(),
    main,
    [30, 24, 18].flatMap((y, i) => [
      outline(
        straight([
          [60, y],
          [96 - i * 8, y - 10],
        ]),
      ),
      outline(
        straight([
          [60, y],
          [24 + i * 8, y - 10],
        ]),
      ),
    ]),
    outline(straight(pts("4,8 116,8"))),
  );
}

const massLake = [
  flat(rectangle(4, 24, 112, 60), "water"),
  outline(straight(pts("4,24 116,24"))),
  flat(rectangle(4, 84, 112, 8), "ground"),
];
const MASS_KINDS: Record<string, (kind: string) => Shape[]> = {
  bottom: () =>
    all(
      massLake,
      Array.from({ length: 13 }, (_, i) =>
        outline(
          straight([
            [10 + i * 8, 84],
            [12 + i * 8, 68],
          ]),
        ),
      ),
    ),
  column: () =>
    all(
      massLake,
      [20, 44, 68, 92].map((x) =>
        outline(
          smooth([
            [x, 84],
            [x + 4, 56],
            [x - 2, 32],
          ]),
        ),
      ),
      [20, 44, 68, 92].flatMap((x) =>
        [50, 66].map((y) =>
          inner(
            straight([
              [x - 6, y],
              [x + 8, y - 3],
            ]),
          ),
        ),
      ),
    ),
  mat: () =>
    all(
      massLake,
      [20, 44, 68, 92].map((x) =>
        outline(
          straight([
            [x, 84],
            [x, 30],
          ]),
        ),
      ),
      area(smoothClosed(pts("8,26 60,22 112,26 108,36 60,34 12,36")), "green"),
    ),
  rosettes: () =>
    all(
      massLake,
      [26, 60, 94].flatMap((x) => [
        inner(
          straight([
            [x, 84],
            [x, 26],
          ]),
        ),
        area(ellipse(x, 25, 14, 4), "green"),
      ]),
    ),
};
const otherMass = (): Shape[] =>
  all(
    massLake,
    [
      [30, 46],
      [66, 38],
      [88, 60],
    ].map(([x, y]) =>
      area(
        smoothClosed([
          [x - 16, y],
          [x - 4, y - 7],
          [x + 14, y - 3],
          [x + 10, y + 7],
          [x - 8, y + 6],
        ]),
        "green",
      ),
    ),
  );

export function mass(kind: string): Shape[] {
  return (MASS_KINDS[kind] ?? otherMass)(kind);
}

const winterWaterLake = [
  flat(rectangle(4, 20, 112, 64), "water"),
  flat(rectangle(4, 12, 112, 8), "white"),
  outline(straight(pts("4,20 116,20"))),
  flat(rectangle(4, 84, 112, 8), "ground"),
];
const WINTER_WATER_KINDS: Record<string, (kind: string) => Shape[]> = {
  green: () =>
    all(
      winterWaterLake,
      [30, 50, 70, 90].flatMap((x) => [
        {
          ...outline(
            smooth([
              [x, 84],
              [x + 3, 66],
              [x - 2, 52],
            ]),
          ),
          width: 2.4,
        },
        inner(
          straight([
            [x - 6, 66],
            [x + 8, 62],
          ]),
        ),
      ]),
    ),
  buds: () =>
    all(
      winterWaterLake,
      [34, 60, 86].map((x) => area(ellipse(x, 80, 5, 8), "dark")),
    ),
  young: () =>
    all(
      winterWaterLake,
      [30, 56, 82].flatMap((x) => [
        area(ellipse(x, 82, 5, 4), "brown"),
        outline(
          straight([
            [x, 78],
            [x + 2, 60],
          ]),
        ),
        inner(
          straight([
            [x, 68],
            [x + 8, 62],
          ]),
        ),
      ]),
    ),
};
const otherWinterWater = (): Shape[] =>
  all(
    winterWaterLake,
    [30, 60, 90].map((x) => ({
      ...outline(
        smooth([
          [x, 84],
          [x + 12, 76],
          [x + 4, 70],
        ]),
      ),
      dash: true,
    })),
  );

export function winterWater(kind: string): Shape[] {
  return (WINTER_WATER_KINDS[kind] ?? otherWinterWater)(kind);
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
        outline(
          straight([
            [x, 90],
            [x, 22],
          ]),
        ),
        ...[-60, -30, 30, 60].flatMap((a) => feather(x, 44, 22, a - 90)),
      ]),
    );
  return all(
    surface,
    [46, 60, 74].map((x) =>
      outline(
        smooth([
          [x, 92],
          [x + 3, 74],
          [x - 2, 60],
        ]),
      ),
    ),
  );
}
