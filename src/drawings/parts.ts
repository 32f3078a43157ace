import { drawLeaf, type Leaf } from "./leaf";
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
  key,
  liveliness,
  type Lively,
  outline,
  type Point,
  polar,
  type Shape,
  smooth,
  smoothClosed,
  STILL,
  straight,
  type Tint,
} from "./shapes";

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
  const spots: Point[] =
    kind === "veins"
      ? [...along([20, 72], [100, 18], 15), ...along([50, 50], [46, 80], 5), ...along([70, 38], [83, 76], 6)]
      : grid(kind === "few" ? 5 : kind === "long" ? 5 : kind === "none" ? 0 : 8, vary);
  if (kind === "none") return parts;
  for (const [x, y] of spots) {
    const dx = vary(2);
    if (kind === "felt" || kind === "woolly")
      parts.push(
        hair(
          smooth([
            [x - 4, y + vary(3)],
            [x, y - 2],
            [x + 4, y + vary(3)],
          ]),
          0.6,
        ),
      );
    else if (kind === "rough" || kind === "bristly")
      parts.push(
        hair(
          straight([
            [x, y],
            [x + 1.4, y - 4],
          ]),
          1.4,
        ),
        flat(circle(x, y, 1.1), "ink"),
      );
    else if (kind === "long")
      parts.push(
        hair(
          smooth([
            [x, y],
            [x + 2 + dx, y - 8],
            [x + 5 + dx, y - 15],
          ]),
          0.8,
        ),
      );
    else
      parts.push(
        hair(
          straight([
            [x, y],
            [x + 2.4 + dx, y - 5],
          ]),
          0.7,
        ),
      );
  }
  return parts;
}

function grid(n: number, vary: (s: number) => number): Point[] {
  const points: Point[] = [];
  for (let i = 0; i < n; i++)
    for (let k = 0; k < n; k++) {
      const x = 22 + (i * 78) / n + vary(3);
      const y = 22 + (k * 62) / n + vary(3);
      if (y > 78 - (x - 14) * 0.9 - 4 && y < 86 - Math.max(0, x - 84) * 1.2) points.push([x, y]);
    }
  return points;
}

/** A cut across a stem: its outline, and what fills it. */
export function section(
  shape: "round" | "angled" | "square" | "flattened" | "furrowed" | "oval" | "flat" | "green-ridged" | "triangular",
  fill: "solid" | "hollow" | "pith" | "plain",
  tint: Tint = "leaf",
): Shape[] {
  const ring = sectionOutline(shape, 34);
  const parts: Shape[] = [area(ring, tint)];
  if (fill === "hollow") parts.push(area(sectionOutline(shape, 23), "paper"));
  if (fill === "pith") parts.push(area(sectionOutline(shape, 22), "white"), ...dots(60, 48, 18));
  if (fill === "solid")
    parts.push(
      ...[26, 18, 10].map((r) => faint(sectionOutline(shape, r))),
      ...[0, 45, 90, 135].map((a) => faint(straight([polar(60, 48, 28, a), polar(60, 48, 28, a + 180)]))),
    );
  if (fill === "plain") parts.push(faint(sectionOutline(shape, 28)));
  return parts;
}

function sectionOutline(shape: string, r: number): string {
  const ring = (radius: (a: number) => number, squash = 1) =>
    smoothClosed(
      Array.from({ length: 48 }, (_, i) => {
        const [x, y] = polar(0, 0, radius((i * 360) / 48), (i * 360) / 48);
        return [60 + x, 48 + y * squash] as Point;
      }),
    );
  if (shape === "triangular")
    return straight([polar(60, 54, r * 1.15, -90), polar(60, 54, r * 1.15, 30), polar(60, 54, r * 1.15, 150)], true);
  if (shape === "angled")
    return straight(
      Array.from({ length: 6 }, (_, i) => polar(60, 48, r, i * 60 + 15)),
      true,
    );
  if (shape === "square")
    return straight(
      [
        [60 - r * 0.8, 48 - r * 0.8],
        [60 + r * 0.8, 48 - r * 0.8],
        [60 + r * 0.8, 48 + r * 0.8],
        [60 - r * 0.8, 48 + r * 0.8],
      ],
      true,
    );
  if (shape === "furrowed") return ring((a) => r * (0.86 + 0.16 * Math.cos((5 * a * Math.PI) / 180)));
  if (shape === "green-ridged")
    return ring((a) => r * (0.84 + 0.18 * Math.abs(Math.cos((4 * a * Math.PI) / 180)) ** 6));
  if (shape === "oval") return ring(() => r, 0.68);
  if (shape === "flat" || shape === "flattened")
    return smoothClosed([
      [60 - r * 1.25, 48],
      [60 - r * 0.5, 48 - r * 0.34],
      [60 + r * 0.5, 48 - r * 0.34],
      [60 + r * 1.25, 48],
      [60 + r * 0.5, 48 + r * 0.34],
      [60 - r * 0.5, 48 + r * 0.34],
    ]);
  return ring(() => r);
}

function dots(cx: number, cy: number, r: number): Shape[] {
  return Array.from({ length: 19 }, (_, i) =>
    faint(circle(...polar(cx, cy, r * Math.sqrt((i + 0.5) / 20), i * 137.5), 1.6)),
  );
}

/** A grass at the bend where blade meets sheath. */
export function collar(options: {
  ligule?: "membrane" | "fringe" | "fringed-membrane" | "none";
  edge?: "flat" | "rounded" | "pointed" | "torn";
  auricles?: "none" | "stubs" | "claws";
  throat?: "none" | "tufts" | "line";
}): Shape[] {
  const { ligule = "membrane", edge = "rounded", auricles = "none", throat = "none" } = options;
  const parts = all(
    stem(52, 4, 60, 7, "pale"),
    area(smoothClosed(pts("40,92 41,54 64,52 65,92")), "leaf"),
    inner(straight(pts("52,92 53,58"))),
    area(straight(pts("64,52 66,44 112,8 116,14 84,56 64,62"), true), "leaf"),
    inner(smooth(pts("65,54 88,36 113,11"))),
  );
  parts.push(...liguleShapes(ligule, edge), ...auricleShapes(auricles));
  if (throat === "tufts")
    for (let i = 0; i < 7; i++)
      parts.push(
        hair(
          straight([
            [42, 54],
            [32 - i * 0.6, 48 - i * 4],
          ]),
        ),
        hair(
          straight([
            [66, 54],
            [74 + i, 58 + i * 3],
          ]),
        ),
      );
  if (throat === "line")
    for (let i = 0; i < 12; i++)
      parts.push(
        hair(
          straight([
            [68 + i * 1.6, 58 + i * 0.4],
            [72 + i * 1.6, 66 + i * 0.4],
          ]),
        ),
      );
  return parts;
}

function liguleShapes(kind: string, edge: string): Shape[] {
  if (kind === "none") return [key(straight(pts("44,53 62,51")))];
  const tops: Record<string, Point[]> = {
    flat: [
      [43, 38],
      [62, 37],
    ],
    rounded: [
      [43, 40],
      [48, 31],
      [57, 30],
      [62, 38],
    ],
    pointed: [
      [43, 40],
      [53, 18],
      [62, 38],
    ],
    torn: [
      [43, 36],
      [46, 40],
      [48, 31],
      [51, 39],
      [54, 29],
      [57, 38],
      [60, 31],
      [62, 38],
    ],
  };
  if (kind === "fringe")
    return Array.from({ length: 14 }, (_, i) =>
      hair(
        straight([
          [43 + i * 1.45, 53],
          [42 + i * 1.55, 35 - (i % 3) * 2],
        ]),
        1.1,
      ),
    );
  const low = kind === "fringed-membrane";
  const top = low
    ? ([
        [43, 45],
        [62, 44],
      ] as Point[])
    : tops[edge];
  const parts: Shape[] = [area(straight([[43, 54], ...top, [62, 52]], true), "white")];
  if (low)
    for (let i = 0; i < 13; i++)
      parts.push(
        hair(
          straight([
            [43.5 + i * 1.5, 45],
            [43 + i * 1.55, 35 - (i % 2) * 3],
          ]),
          0.9,
        ),
      );
  return parts;
}

function auricleShapes(kind: string): Shape[] {
  if (kind === "claws")
    return [
      area(smoothClosed(pts("64,60 52,66 36,62 34,56 46,58 62,53")), "pale"),
      area(smoothClosed(pts("41,58 50,70 68,70 70,64 56,63 45,54")), "pale"),
    ];
  if (kind === "stubs")
    return [
      area(smoothClosed(pts("64,60 70,66 74,62 66,53")), "pale"),
      area(smoothClosed(pts("41,58 34,64 32,58 41,53")), "pale"),
    ];
  return [];
}

/** A shoot with leaves in their order on it. */
export function leafOrder(order: "alternate" | "opposite" | "whorled" | "basal" | "spines", own?: Leaf): Shape[] {
  if (order === "basal")
    return all(
      inner(straight(pts("60,84 60,14"))),
      ...[-80, -52, 52, 80, -25, 25].map((a) => drawLeaf(own ?? { shape: "spoon" }, [60, 84], 38, a)),
      outline(straight(pts("20,86 100,86"))),
    );
  const leaf: Leaf = own ?? { shape: "lance" };
  const parts: Shape[] = [];
  const nodes = [76, 54, 32];
  nodes.forEach((y, i) => {
    if (order === "alternate") parts.push(...drawLeaf(leaf, [60, y], 34, i % 2 ? -58 : 58));
    if (order === "opposite") parts.push(...drawLeaf(leaf, [60, y], 32, 60), ...drawLeaf(leaf, [60, y], 32, -60));
    if (order === "whorled")
      parts.push(...[70, -70, 35, -35].flatMap((a) => drawLeaf({ ...leaf, veins: false }, [60, y], 27, a)));
    if (order === "spines")
      parts.push(
        outline(
          straight([
            [60, y],
            [76, y - 12],
          ]),
        ),
        outline(
          straight([
            [60, y],
            [44, y - 10],
          ]),
        ),
        outline(
          straight([
            [60, y + 8],
            [72, y + 1],
          ]),
        ),
      );
  });
  return all(stem(60, 12, 90, 2.2), parts);
}

/** A divided leaf. */
export function compoundLeaf(
  kind: "simple" | "three" | "palmate" | "pinnate" | "ferny" | "none",
  middle: "same" | "longer" = "longer",
  leaf: Leaf = { shape: "egg" },
  lively: Lively = STILL,
): Shape[] {
  const leaflet = (foot: Point, length: number, angle: number) =>
    drawLeaf(leaf, foot, length * (1 + lively(LEAFLET_GROWTH)), angle + lively(LEAFLET_TURN));
  if (kind === "simple") return all(drawLeaf(leaf, [60, 76], 62, lively(LEAFLET_TURN), 14), bud(60, 90));
  if (kind === "none") return leafOrder("spines");
  const rod = outline(
    straight([
      [60, 92],
      [60, kind === "pinnate" ? 30 : 62],
    ]),
  );
  if (kind === "three")
    return all(
      rod,
      outline(
        straight([
          [60, 62],
          [60, middle === "longer" ? 48 : 60],
        ]),
      ),
      leaflet([61, 62], 40, 82),
      leaflet([59, 62], 40, -82),
      leaflet([60, middle === "longer" ? 48 : 60], 42, 0),
    );
  if (kind === "palmate")
    return all(
      rod,
      ...[-112, -56, 0, 56, 112].map((a) =>
        leaflet(polar(60, 62, middle === "longer" && a === 0 ? 10 : 2, a - 90), 40, a),
      ),
    );
  if (kind === "pinnate")
    return all(
      rod,
      ...[76, 58, 42].flatMap((y) => [leaflet([60, y], 30, 72), leaflet([60, y], 30, -72)]).flat(),
      leaflet([60, 32], 28, 0),
    );
  return all(rod, ferny([60, 92], 82, -90, 3));
}

/** No two leaves of a plant are quite alike: leaflets of one leaf differ by so much of their length, and are turned by so many degrees. Less than any state differs from the next. */
const LEAFLET_GROWTH = 0.04;
const LEAFLET_TURN = 4;

/** A leaf divided again and again, as strokes. */
export function ferny([x, y]: Point, length: number, degrees: number, depth: number, width = 1.4): Shape[] {
  const end = polar(x, y, length, degrees);
  const parts: Shape[] = [{ ...outline(straight([[x, y], end])), width }];
  if (depth === 0) return parts;
  for (const u of [0.34, 0.52, 0.7, 0.86]) {
    const from: Point = [x + (end[0] - x) * u, y + (end[1] - y) * u];
    for (const side of [-1, 1])
      parts.push(...ferny(from, length * (0.56 - u * 0.36), degrees + side * 52, depth - 1, width * 0.72));
  }
  return parts;
}

const bud = (x: number, y: number): Shape[] => [
  area(ellipse(x + 5, y - 2, 2.4, 4), "brown"),
  outline(
    straight([
      [x - 14, y + 4],
      [x + 16, y + 4],
    ]),
  ),
];

/** Ground line with a little hatching. */
export const earth = (y = 84): Shape[] => [
  outline(
    straight([
      [8, y],
      [112, y],
    ]),
  ),
  ...Array.from({ length: 12 }, (_, i) =>
    faint(
      straight([
        [14 + i * 8.4, y + 2],
        [10 + i * 8.4, y + 8],
      ]),
    ),
  ),
];
