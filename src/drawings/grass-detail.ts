import { tuft } from "./habits";
import { collar, earth, stem } from "./parts";
import {
  pts,
  all,
  along,
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
  type Shape,
  smooth,
  smoothClosed,
  straight,
} from "./shapes";

/** Pictures of grasses and rushes looked at closely, and the heads of reeds, burs and sedges. */
type Draw = (state: string) => Shape[];

const spikelet = (x: number, y: number, degrees: number, size: number, wide = 0.24): Shape => {
  const tip = polar(x, y, size, degrees);
  const side = (s: number) => polar(...polar(x, y, size * 0.5, degrees), size * wide, degrees + s * 90);
  return area(smoothClosed([[x, y], side(1), tip, side(-1)]), "straw");
};

const bladeTwist: Draw = (s) => {
  if (s === "none")
    return all(area(straight(pts("50,92 52,30 60,4 68,30 70,92"), true), "leaf"), inner(straight(pts("60,92 60,8"))));
  const d = s === "clockwise" ? 1 : -1;
  const turn = (y: number) =>
    area(
      smoothClosed([
        [60 - d * 10, y],
        [60 + d * 12, y - 8],
        [60 + d * 8, y - 20],
        [60 - d * 12, y - 12],
      ]),
      "leaf",
    );
  const arrow = all(
    outline(
      smooth([
        [60 - d * 34, 20],
        [60 - d * 20, 8],
        [60 + d * 20, 8],
        [60 + d * 34, 20],
      ]),
    ),
    outline(
      straight([
        [60 + d * 34, 20],
        [60 + d * 34, 10],
      ]),
    ),
    outline(
      straight([
        [60 + d * 34, 20],
        [60 + d * 24, 18],
      ]),
    ),
  );
  return all(
    turn(90),
    turn(72),
    turn(54),
    area(
      smoothClosed([
        [60 - d * 8, 36],
        [60 + d * 9, 30],
        [60, 14],
      ]),
      "leaf",
    ),
    [84, 66, 48].map((y) =>
      inner(
        straight([
          [60 - d * 9, y],
          [60 + d * 9, y - 10],
        ]),
      ),
    ),
    arrow,
  );
};

const bladeEdge: Draw = (s) => {
  const teeth: Point[] = Array.from({ length: 25 }, (_, i) => [
    8 + i * 4.4,
    s === "saw" ? (i % 2 ? 22 : 31) : s === "rough" ? (i % 2 ? 27 : 31) : 31,
  ]);
  return all(
    area(straight([...teeth, [112, 84], [8, 84]], true), "leaf"),
    [46, 58, 70].map((y) =>
      faint(
        straight([
          [8, y],
          [112, y],
        ]),
      ),
    ),
  );
};

const footSwelling: Draw = (s) =>
  all(
    earth(66),
    s === "swollen"
      ? [
          area(smoothClosed(pts("54,10 66,10 68,46 84,62 78,80 60,86 42,80 36,62 52,46")), "pale"),
          inner(smooth(pts("48,80 46,62 57,44"))),
          inner(smooth(pts("72,80 74,62 63,44"))),
        ]
      : [area(straight(pts("53,10 67,10 69,82 51,82"), true), "pale"), inner(straight(pts("60,12 60,80")))],
    Array.from({ length: 7 }, (_, i) =>
      hair(
        straight([
          [50 + i * 3.4, 84],
          [40 + i * 7, 94],
        ]),
      ),
    ),
  );

const culmSkin: Draw = (s) =>
  all(
    stem(60, 4, 92, 12, "straw"),
    outline(straight(pts("46,70 74,70"))),
    area(straight(pts("47,70 73,70 72,92 48,92"), true), "leaf"),
    s === "dull"
      ? [52, 56, 60, 64, 68].map((x) =>
          inner(
            straight([
              [x, 4],
              [x, 68],
            ]),
          ),
        )
      : s === "glossy"
        ? [area(smoothClosed(pts("53,10 57,8 57,62 53,60")), "white")]
        : along([0, 8], [0, 66], 18).flatMap(([, y]) =>
            [-1, 1].map((d) =>
              hair(
                straight([
                  [60 + d * 12, y],
                  [60 + d * 19, y - 3],
                ]),
              ),
            ),
          ),
  );

const husks: Record<string, () => Shape[]> = {
  long: () => [area(smoothClosed(pts("60,62 52,72 56,92 64,92 68,72")), "straw")],
  hairy: () =>
    all(
      area(smoothClosed(pts("60,62 52,72 56,90 64,90 68,72")), "straw"),
      outline(smooth(pts("66,74 82,70 98,80"))),
      Array.from({ length: 6 }, (_, i) =>
        hair(
          straight([
            [54, 72 + i * 3],
            [46, 69 + i * 3],
          ]),
        ),
      ),
    ),
  oval: () => [area(ellipse(60, 72, 6, 8), "brown")],
  wide: () => [
    area(smoothClosed(pts("48,72 56,62 68,64 74,74 62,82")), "straw"),
    inner(smooth(pts("50,74 60,70 72,74"))),
  ],
  bur: () =>
    all(
      area(circle(60, 74, 9), "straw"),
      Array.from({ length: 12 }, (_, i) => outline(straight([polar(60, 74, 9, i * 30), polar(60, 74, 15, i * 30)]))),
    ),
};

const spikeletSets: Record<string, (y: number, side: number) => Shape[]> = {
  edge: (y, d) => [
    area(
      smoothClosed([
        [60 + d * 2, y],
        [60 + d * 14, y - 10],
        [60 + d * 15, y - 24],
        [60 + d * 9, y - 16],
      ]),
      "straw",
    ),
    outline(
      straight([
        [60 + d * 4, y - 2],
        [60 + d * 14, y - 22],
      ]),
    ),
  ],
  flat: (y, d) => [
    area(
      smoothClosed([
        [60, y],
        [60 + d * 12, y - 4],
        [60 + d * 14, y - 18],
        [60 + d * 6, y - 26],
        [60, y - 14],
      ]),
      "straw",
    ),
    inner(
      straight([
        [60 + d * 2, y - 4],
        [60 + d * 8, y - 22],
      ]),
    ),
    inner(
      straight([
        [60 + d * 4, y - 3],
        [60 + d * 12, y - 16],
      ]),
    ),
  ],
  pairs: (y, d) => [spikelet(60, y, -90 + d * 24, 26, 0.18), spikelet(60, y, -90 + d * 54, 24, 0.18)],
  threes: (y, d) => [
    spikelet(60, y, -90 + d * 16, 26, 0.15),
    spikelet(60, y, -90 + d * 40, 25, 0.15),
    spikelet(60, y, -90 + d * 66, 22, 0.15),
  ],
};

const bristles: Draw = (s) => {
  const count = { none: 0, few: 2, many: 8, barbed: 6 }[s] ?? 0;
  const lines = Array.from({ length: count }, (_, i) => {
    const a = -90 + (i - (count - 1) / 2) * (count > 4 ? 13 : 34);
    const end = polar(60, 78, 60, a);
    const barbs =
      s === "barbed"
        ? [0.4, 0.6, 0.8].flatMap((u) =>
            [-1, 1].map((d) =>
              hair(
                straight([
                  [60 + (end[0] - 60) * u, 78 + (end[1] - 78) * u],
                  polar(60 + (end[0] - 60) * u, 78 + (end[1] - 78) * u, 6, a + 180 + d * 32),
                ]),
                1.1,
              ),
            ),
          )
        : [];
    return [{ ...outline(straight([[60, 78], end])), width: 1.1 }, ...barbs];
  });
  return all(
    outline(straight(pts("60,94 60,78"))),
    lines.flat(),
    area(ellipse(60, 58, 11, 19), "straw"),
    inner(smooth(pts("56,42 54,58 57,74"))),
  );
};

export const GRASS_DETAIL: Record<string, Draw> = {
  "auricle-hair": (s) =>
    all(
      collar({ auricles: "claws" }),
      s === "hairs"
        ? [
            [36, 66],
            [42, 68],
            [48, 70],
            [56, 72],
            [64, 71],
          ].map(([x, y]) => ({
            ...hair(
              straight([
                [x, y],
                [x - 2, y + 9],
              ]),
            ),
            width: 1.2,
          }))
        : [],
    ),
  "blade-twist": bladeTwist,
  "blade-edge": bladeEdge,
  "blade-under": (s) =>
    all(
      area(smoothClosed(pts("26,92 30,50 46,14 62,6 60,20 50,54 50,92")), "leaf"),
      area(smoothClosed(pts("50,92 50,54 60,20 62,6 80,26 84,58 80,92")), "pale"),
      [58, 66, 73].map((x) =>
        faint(
          smooth([
            [x, 90],
            [x + 2, 56],
            [x - 2, 26],
          ]),
        ),
      ),
      s === "glossy"
        ? [
            flat(smoothClosed(pts("60,84 59,58 64,34 68,36 66,60 66,84")), "paper"),
            flat(smoothClosed(pts("74,80 75,58 72,42 76,44 79,60 78,80")), "paper"),
          ]
        : [],
    ),
  "awn-place": awnPlace,
  "hidden-seeds": (s) =>
    all(
      earth(84),
      stem(60, 4, 84, 5),
      area(smoothClosed(pts("66,84 68,60 92,30 98,36 80,64 74,84")), "pale"),
      area(smoothClosed(pts("54,84 52,60 38,34 33,40 44,66 47,84")), "pale"),
      s === "seeds" ? [area(ellipse(70, 66, 4, 9), "brown"), area(ellipse(51, 70, 3.6, 8), "brown")] : [],
    ),
  "foot-swelling": footSwelling,
  "culm-skin": culmSkin,
  "first-blade-stance": (s) =>
    all(
      earth(),
      s === "upright"
        ? [area(smoothClosed(pts("58,84 52,50 60,8 66,50 63,84")), "leaf"), inner(straight(pts("60,82 60,12")))]
        : [
            outline(straight(pts("60,84 60,66"))),
            area(smoothClosed(pts("58,68 72,56 112,58 74,68 62,70")), "leaf"),
            inner(smooth(pts("60,68 80,61 110,58"))),
          ],
    ),
  husk: (s) =>
    all(
      earth(48),
      area(smoothClosed(pts("58,62 56,24 62,4 64,24 62,62")), "leaf"),
      husks[s](),
      Array.from({ length: 4 }, (_, i) =>
        hair(
          smooth([
            [58, 66],
            [48 - i * 5, 76],
            [44 - i * 3, 92],
          ]),
        ),
      ),
    ),
  glumes: (s) =>
    all(
      s === "longer"
        ? [
            area(smoothClosed(pts("60,92 36,56 44,6 58,60")), "pale"),
            area(smoothClosed(pts("60,92 84,56 76,6 62,60")), "pale"),
            spikelet(60, 84, -90, 44),
          ]
        : [
            spikelet(58, 84, -104, 66),
            spikelet(62, 84, -76, 66),
            spikelet(60, 80, -90, 74),
            area(smoothClosed(pts("60,92 46,76 48,58 58,80")), "pale"),
            area(smoothClosed(pts("60,92 74,76 72,58 62,80")), "pale"),
          ],
    ),
  "spikelet-set": (s) =>
    all(
      {
        ...outline(straight(pts("60,94 60,8"))),
        width: 2,
      },
      [86, 66, 46].flatMap((y, i) => spikeletSets[s](y, i % 2 ? -1 : 1)),
      spikeletSets[s](28, -1),
    ),
  bristles,
  "spike-gap": (s) =>
    all(
      stem(60, 4, 94, 2.2),
      area(smoothClosed(pts("56,8 64,8 65,20 64,34 56,34 55,20")), "yellow"),
      area(
        smoothClosed(
          s === "gap"
            ? [
                [54, 48],
                [66, 48],
                [68, 64],
                [66, 82],
                [54, 82],
                [52, 64],
              ]
            : [
                [54, 35],
                [66, 35],
                [69, 56],
                [66, 76],
                [54, 76],
                [51, 56],
              ],
        ),
        "brown",
      ),
      s === "gap" ? [] : [outline(straight(pts("54,35 66,35")))],
    ),
  "tuber-place": tuberPlace,
};

const awnPlaceScale = (points: Point[]) => area(smoothClosed(points), "straw");
const awnPlaceThick = (points: Point[]) => ({ ...outline(smooth(points)), width: 1.5 });
const AWN_PLACE_KINDS: Record<string, (s: string) => Shape[]> = {
  tip: () =>
    all(
      awnPlaceScale([
        [60, 94],
        [48, 74],
        [52, 52],
        [60, 40],
        [68, 52],
        [72, 74],
      ]),
      awnPlaceThick([
        [60, 40],
        [60, 4],
      ]),
    ),
  fork: () =>
    all(
      area(straight(pts("60,94 46,76 48,48 52,30 60,52 68,30 72,48 74,76"), true), "straw"),
      awnPlaceThick([
        [60, 52],
        [60, 4],
      ]),
    ),
  back: () =>
    all(
      awnPlaceScale([
        [60, 94],
        [48, 74],
        [50, 50],
        [58, 26],
        [68, 50],
        [72, 74],
      ]),
      awnPlaceThick([
        [66, 70],
        [84, 52],
        [86, 40],
        [108, 14],
      ]),
      [inner(smooth(pts("60,90 60,34")))],
    ),
  crown: () =>
    all(
      awnPlaceScale([
        [60, 94],
        [50, 76],
        [52, 56],
        [56, 44],
        [64, 44],
        [68, 56],
        [70, 76],
      ]),
      area(straight(pts("54,44 52,32 56,38 60,30 64,38 68,32 66,44"), true), "brown"),
      awnPlaceThick([
        [60, 36],
        [60, 4],
      ]),
    ),
};
const otherAwnPlace = (): Shape[] =>
  all(
    awnPlaceScale([
      [60, 94],
      [46, 76],
      [46, 56],
      [56, 46],
      [66, 50],
      [72, 60],
      [72, 76],
    ]),
    awnPlaceThick([
      [50, 50],
      [44, 28],
      [40, 4],
    ]),
  );

function awnPlace(s: string): Shape[] {
  return (AWN_PLACE_KINDS[s] ?? otherAwnPlace)(s);
}

function tuberPlace(s: string): Shape[] {
  const ground = earth(34);
  const top = all(tuft(60, 34, 4, 26, 20));
  if (s === "ends")
    return all(
      ground,
      top,
      [
        [16, 84],
        [60, 90],
        [104, 82],
      ].flatMap(([x, y]) => [
        outline(
          smooth([
            [60, 36],
            [(x + 60) / 2, y - 22],
            [x, y],
          ]),
        ),
        area(ellipse(x, y, 6, 5), "brown"),
      ]),
    );
  if (s === "chains")
    return all(
      ground,
      top,
      [
        [10, 72],
        [110, 72],
      ].flatMap(([x, y]) => [
        outline(
          smooth([
            [60, 36],
            [(x + 60) / 2, y - 8],
            [x, y],
          ]),
        ),
        ...[0.35, 0.62, 0.9].map((u) => area(ellipse(60 + (x - 60) * u, 38 + (y - 38) * u ** 0.7, 5.5, 4.5), "brown")),
      ]),
    );
  return all(
    ground,
    top,
    [
      [48, 56],
      [60, 62],
      [72, 56],
      [54, 74],
      [66, 75],
    ].map(([x, y]) => area(ellipse(x, y, 7, 10), "brown")),
  );
}

/** Heads of reeds, sandburs and umbrella sedges. */
export function reedHead(kind: string): Shape[] {
  const axis = outline(straight(pts("60,94 60,10")));
  if (kind === "plume")
    return all(
      axis,
      Array.from({ length: 15 }, (_, i) => {
        const y = 12 + i * 4;
        return [-1, 1].flatMap((d) => [
          inner(
            smooth([
              [60, y + 8],
              [60 + d * (8 + i), y + 2],
              [60 + d * (14 + i * 1.5), y + 8],
            ]),
          ),
          ...[0.4, 0.7, 1].map((u) =>
            hair(
              smooth([
                [60 + d * (8 + i) * u, y + 3],
                [60 + d * (11 + i) * u, y - 3],
                [60 + d * (16 + i) * u, y - 2],
              ]),
              0.7,
            ),
          ),
        ]);
      }).flat(),
    );
  if (kind === "burs")
    return all(
      axis,
      [18, 34, 50, 66].flatMap((y, i) => [
        area(circle(60 + (i % 2 ? 7 : -7), y, 8), "straw"),
        ...Array.from({ length: 11 }, (_, k) =>
          outline(straight([polar(60 + (i % 2 ? 7 : -7), y, 8, k * 33), polar(60 + (i % 2 ? 7 : -7), y, 13, k * 33)])),
        ),
      ]),
    );
  return all(
    stem(60, 60, 94, 3),
    [-160, -130, -50, -20].map((a) =>
      area(
        smoothClosed([[60, 60], polar(60, 60, 28, a - 6), polar(60, 60, 54, a + 8), polar(60, 60, 28, a + 8)]),
        "leaf",
      ),
    ),
    [-120, -98, -78, -58].flatMap((a) => [
      outline(straight([[60, 60], polar(60, 60, 38, a)])),
      ...[-40, -14, 14, 40].map((b) => spikelet(...polar(60, 60, 34, a), a + b, 16, 0.14)),
    ]),
  );
}
