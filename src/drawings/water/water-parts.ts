import {
  type Shape,
  flat,
  rectangle,
  outline,
  straight,
  pts,
  area,
  smoothClosed,
  all,
  smooth,
  type Point,
  ellipse,
  inner,
  circle,
  hair,
} from "../ink/shapes";
import { feather, pond, stalk } from "./pond";

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
    ].map(([x, y]) => outline(straight(pts("0,0 5,-3", x, y)))),
    hand,
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
      .flatMap((y) => [inner(straight(pts("60,0 76,-6", 0, y))), inner(straight(pts("60,0 44,-6", 0, y)))]),
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
    [36, 52, 68, 84].flatMap((x) => [inner(straight(pts("0,34 -4,24", x))), inner(straight(pts("0,34 -4,46", x)))]),
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
