import type { Pictures } from "../ink/draw";
import {
  type Shape,
  area,
  circle,
  all,
  outline,
  inner,
  polar,
  ellipse,
  key,
  faint,
  flat,
  straight,
} from "../ink/shapes";

const dots = (at: [number, number][], r = 4): Shape[] => at.map(([x, y]) => area(circle(x, y, r), "pink"));

const head = (surface: Shape[]): Shape[] =>
  all(
    outline("M60,94L60,72"),
    area("M30,34Q26,72 60,74Q94,72 90,34Z", "leaf"),
    outline("M40,40L44,68M52,40L54,72M68,40L66,72M80,40L76,68"),
    area("M30,34L36,8L46,28L54,4L62,28L72,4L78,28L88,10L90,34Z", "purple"),
    surface,
  );

const seed = (d: string, face: Shape[] = []): Shape[] => all(area(d, "brown"), face);

const ROUND = "M60,14Q98,14 98,50Q98,86 60,86Q22,86 22,50Q22,14 60,14Z";

const capsule = (top: Shape[] = [], round: Shape[] = []): Shape[] =>
  all(
    outline("M60,94L60,78"),
    area("M60,80Q34,74 38,46Q44,26 60,24Q76,26 82,46Q86,74 60,80Z", "straw"),
    inner("M60,78L60,28M50,74Q44,50 54,30M70,74Q76,50 66,30"),
    top,
    round,
  );

const flower = (eye: Shape[]): Shape[] =>
  all(
    [0, 72, 144, 216, 288].map((a) => {
      const [x, y] = polar(60, 48, 24, a - 90);
      return area(ellipse(x, y, 16, 16), "pink");
    }),
    area(circle(60, 48, 12), "pink"),
    eye,
  );

/** Pictures of how clusters stand, throats, bracts, seeds and fruits; and of stipules in water. */
export const CLUSTER_LOOKS: Pictures = {
  throat: {
    plain: () => flower([outline(circle(60, 48, 3))]),
    other: () => flower([area(circle(60, 48, 11), "yellow"), key("M60,48L60,32M60,48L74,52M60,48L46,52")]),
  },
  "cluster-pose": {
    upright: () =>
      all(
        outline("M60,94L60,10"),
        dots([
          [60, 10],
          [52, 22],
          [68, 22],
          [50, 36],
          [70, 36],
          [48, 50],
          [72, 50],
        ]),
      ),
    nodding: () =>
      all(
        outline("M52,94L52,40C52,10 84,6 88,30"),
        dots([
          [56, 22],
          [66, 12],
          [78, 14],
          [86, 22],
          [90, 34],
        ]),
      ),
    hanging: () =>
      all(
        outline("M14,10L60,10L60,88"),
        dots([
          [60, 90],
          [52, 76],
          [68, 76],
          [50, 60],
          [70, 60],
          [48, 44],
          [72, 44],
        ]),
      ),
    "one-sided": () =>
      all(
        outline("M44,94L48,30Q52,12 70,8"),
        dots(
          [
            [56, 84],
            [58, 68],
            [60, 52],
            [62, 36],
            [68, 22],
            [80, 10],
          ],
          6,
        ),
      ),
  },
  "bract-felt": {
    bare: () => head([]),
    felt: () =>
      head([outline("M34,46Q44,42 52,50T72,46T88,52M36,58Q46,52 58,60T84,58"), faint("M36,52L86,46M40,66L82,54")]),
    glands: () =>
      head(
        [
          [38, 48],
          [50, 54],
          [60, 48],
          [72, 54],
          [82, 48],
          [46, 66],
          [60, 66],
          [74, 66],
        ].flatMap(([x, y]) => [outline(`M${x},${y}l4,-8`), area(circle(x + 4, y - 9, 2.6), "red")]),
      ),
  },
  "seed-form": {
    round: () => seed(ROUND),
    flat: () =>
      all(
        area(ellipse(60, 40, 36, 30), "brown"),
        outline(ellipse(60, 40, 24, 18)),
        area("M24,84Q60,78 96,84Q60,90 24,84Z", "brown"),
      ),
    kidney: () => seed("M60,40Q52,12 28,22Q8,40 24,66Q44,90 60,86Q76,90 96,66Q112,40 92,22Q68,12 60,40Z"),
    wedge: () => seed("M60,8L100,76Q60,96 20,76Z", [inner("M60,10L60,86")]),
    long: () => seed("M50,6Q62,2 70,8L72,88Q60,96 48,88Z", [inner("M58,8L58,90M66,10L66,88")]),
  },
  "seed-face": {
    shiny: () => seed(ROUND, [flat("M40,30Q52,22 62,26Q50,32 42,44Z", "white"), flat(circle(72, 32, 4), "white")]),
    dull: () => seed(ROUND),
    rough: () =>
      seed(ROUND, [
        inner(
          "M26,42Q42,34 60,42T96,42M24,56Q42,48 60,56T96,56M32,70Q46,62 60,70T88,70M40,24Q44,50 40,78M60,16Q64,50 60,84M80,24Q76,50 80,78",
        ),
      ]),
  },
  "fruit-beak": {
    none: () => capsule(),
    beak: () => capsule([area("M55,28L60,0L65,28Z", "straw")]),
  },
  "fruit-wrap": {
    bare: () => capsule(),
    sepals: () =>
      capsule([], [area("M60,82Q22,70 26,34Q42,44 46,66Q52,40 60,34Q68,40 74,66Q78,44 94,34Q98,70 60,82Z", "leaf")]),
    withered: () =>
      capsule([
        outline("M56,26Q46,14 54,4M60,25Q62,12 58,2M64,26Q76,16 68,6"),
        flat("M52,26Q48,10 58,4Q56,16 66,6Q74,16 68,27Z", "straw"),
        outline("M52,26Q48,10 58,4Q56,16 66,6Q74,16 68,27"),
      ]),
  },
  "water-stipule": {
    none: () => pondweed([]),
    lasting: () => pondweed([area("M60,62Q70,40 66,24Q58,36 56,60Z", "white")]),
    fibers: () => pondweed([key("M60,62L72,30M60,62L66,26M60,62L78,38M60,62L60,28")]),
  },
};

const pondweed = (stipule: Shape[]): Shape[] =>
  all(
    { ...outline("M56,94L60,4"), width: 3 },
    area("M60,62Q84,34 114,40Q94,66 60,62Z", "green"),
    inner("M62,60Q88,50 112,41"),
    stipule,
  );

/** New states of clusters, stems and roots that were drawn before. */
export const simpleUmbel = (): Shape[] =>
  all(
    outline("M60,94L60,52"),
    [-80, -55, -28, 0, 28, 55, 80].flatMap((a) => {
      const [x, y] = polar(60, 52, 40, a - 90);
      return [
        outline(
          straight([
            [60, 52],
            [x, y],
          ]),
        ),
        area(circle(x, y, 5), "pink"),
      ];
    }),
  );

export const denseHead = (): Shape[] =>
  all(
    outline("M60,94L60,60"),
    area(circle(60, 36, 27), "pink"),
    inner(
      "M44,20Q50,30 44,40M60,12Q64,26 60,40M76,20Q70,30 76,40M40,44Q50,50 46,58M60,46Q64,54 60,62M78,46Q72,52 74,58M34,32L44,32M76,32L86,32",
    ),
  );

export const coil = (): Shape[] =>
  all(
    { ...outline("M40,94Q44,60 60,40C74,20 100,22 98,44C96,60 74,58 76,44C78,36 88,38 86,46"), width: 2.2 },
    dots(
      [
        [50, 44],
        [58, 28],
        [72, 16],
        [88, 14],
        [104, 24],
        [108, 42],
      ],
      5,
    ),
  );

export const heartSeedLeaves = (): Shape[] =>
  all(
    outline("M60,86L60,60M10,86L110,86"),
    [-1, 1].map((d) =>
      area(
        `M60,60Q${60 + d * 10},44 ${60 + d * 16},38Q${60 + d * 4},22 ${60 + d * 24},16Q${60 + d * 54},16 ${60 + d * 56},40Q${60 + d * 44},64 ${60 + d * 20},54Q${60 + d * 16},44 ${60 + d * 16},38`,
        "leaf",
      ),
    ),
    inner("M76,38L108,38M44,38L12,38"),
  );

export const spinyWings = (): Shape[] =>
  all(
    area("M52,4L68,4L68,92L52,92Z", "leaf"),
    [-1, 1].map((d) =>
      area(
        `M${60 + d * 8},4L${60 + d * 16},14L${60 + d * 34},10L${60 + d * 18},26L${60 + d * 20},40L${60 + d * 38},38L${60 + d * 18},54L${60 + d * 20},68L${60 + d * 36},66L${60 + d * 16},82L${60 + d * 8},92Z`,
        "green",
      ),
    ),
  );

export const chamberedRoot = (): Shape[] =>
  all(
    outline("M4,26L116,26"),
    outline("M54,26L54,4M66,26L66,4"),
    area("M44,26Q32,56 44,80Q60,90 76,80Q88,56 76,26Z", "straw"),
    [34, 46, 58, 70].map((y) => area(`M48,${y}L72,${y}L72,${y + 7}L48,${y + 7}Z`, "white")),
    outline("M46,82L34,94M56,86L54,96M66,86L72,96M76,80L90,92"),
  );

export const deadVine = (): Shape[] =>
  all(
    { ...outline("M60,94L60,4"), width: 4 },
    { ...key("M50,92C80,84 40,74 68,66C88,58 38,50 66,42C88,34 40,26 64,16"), width: 1.6 },
    [
      [78, 80],
      [44, 56],
      [76, 36],
    ].map(([x, y]) => area(circle(x, y, 4), "brown")),
  );
