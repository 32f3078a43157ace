import { flowerTint } from "../states";
import type { Lively, Point, Shape, Tint } from "../shapes";
import { cluster, type Cluster, fruitAt } from "./flowering";
import { drawFoliage, type Foliage, foliageOf, unrecordedLeaf } from "./foliage";
import { along, GROUND, line, MIDDLE, toward } from "./pen";
import { isCreeper, type Size } from "./size";
import { leavesAlong, rosette, stemAlong } from "./stems";
import type { Seen } from "./seen";

/** What a habit draws: shapes from back to front, where each recorded part is, and what could not be drawn. */
export interface Stand {
  shapes: Shape[];
  anchors: Record<string, Point>;
  unrecorded: string[];
}

const THICK: Record<string, number> = { thread: 0.15, pencil: 0.7, thumb: 2.2, wrist: 6 };

/** Width of the stem in the field's units: as recorded, at least as can be seen. */
export const stemWidth = (seen: Seen, size: Size): number =>
  Math.min(
    13,
    Math.max(1.6, (THICK[seen.state("stem-thick") ?? ""] ?? size.heightUnits / 90 / size.perCm + 0.2) * size.perCm),
  );

export const stemTint = (seen: Seen): Tint => (seen.state("stem-marks") === "flushed" ? "red" : "green");

/** An upright, leaning or creeping herb, or a rosette. */
export function herb(seen: Seen, size: Size, lively: Lively): Stand {
  const foliage = foliageOf(seen);
  if (isRosette(seen)) return rosetteHerb(seen, size, foliage, lively);
  if (isCreeper(seen)) return creeper(seen, size, foliage, lively);
  return upright(seen, size, foliage, lively);
}

/** Leaves at the ground alone, or a leafless stalk above them. */
function isRosette(seen: Seen): boolean {
  const order = seen.state("leaf-order");
  const low = seen.state("low-leaves");
  if (order === "basal") return true;
  return (
    seen.stage === "vegetative" &&
    (low === "flat-rosette" || low === "upright-rosette") &&
    seen.value("height") === null
  );
}

function rosetteHerb(seen: Seen, size: Size, foliage: Foliage | null, lively: Lively): Stand {
  const foot: Point = [MIDDLE, GROUND];
  const flatOn = seen.state("low-leaves") !== "upright-rosette";
  const length = Math.min(150, Math.max(26, size.leafUnits));
  const leaves = foliage
    ? rosette(foliage, foot, length / (1 + foliage.stalk), flatOn, lively)
    : plainLeaves(foot, length);
  const isTall = seen.stage === "flowering" || seen.stage === "fruiting";
  const tall = size.heightUnits - headRoom(seen, size);
  const top: Point = [MIDDLE + lively(8), GROUND - tall];
  const scape: Point[] = [foot, [MIDDLE + lively(5), GROUND - tall * 0.5], top];
  const leafy = seen.state("stem-leaves");
  const small =
    foliage && leafy && leafy !== "none" && isTall
      ? leavesAlong(
          scape,
          {
            foliage,
            order: "alternate",
            length: length * 0.4,
            smallest: 0.4,
            from: 0.25,
            to: 0.8,
            nodes: leafy === "few" ? 3 : 7,
          },
          lively,
        )
      : { behind: [], before: [] };
  return {
    shapes: [
      ...small.behind,
      ...(isTall ? stemAlong(seen, scape, Math.min(4, stemWidth(seen, size)), stemTint(seen), lively) : []),
      ...leaves,
      ...small.before,
      ...(isTall ? onTop(seen, size, scape, lively) : []),
    ],
    anchors: {
      leaf: toward(foot, -60, length * 0.7),
      stem: along(scape, 0.5).at,
      flower: top,
      root: [MIDDLE, GROUND + 20],
    },
    unrecorded: foliage ? [] : ["leaf outline"],
  };
}

const plainLeaves = (foot: Point, length: number): Shape[] =>
  [-62, -24, 24, 62].map((turn) => unrecordedLeaf(foot, length * 0.7, turn));

function upright(seen: Seen, size: Size, foliage: Foliage | null, lively: Lively): Stand {
  const height = size.heightUnits;
  const top: Point = [MIDDLE + lively(9), GROUND - height + headRoom(seen, size)];
  const zigzag = seen.state("stem-course") === "zigzag" ? 5 : 0;
  const curve: Point[] = Array.from({ length: 7 }, (_, i) => {
    const u = i / 6;
    return [MIDDLE + (top[0] - MIDDLE) * u + (i % 2 ? zigzag : -zigzag) + lively(1.2), GROUND - (GROUND - top[1]) * u];
  });
  const width = stemWidth(seen, size);
  const order = seen.state("leaf-order") ?? "alternate";
  const length = leafLength(size, foliage, height);
  const nodes = Math.round(
    Math.min(
      order === "alternate" ? 26 : 13,
      Math.max(4, (height / Math.max(10, length)) * (order === "alternate" ? 4.2 : 2.6)),
    ),
  );
  const withered = seen.state("low-leaves") === "withered" && seen.stage !== "vegetative";
  const leafing = foliage
    ? leavesAlong(
        curve,
        {
          foliage,
          order,
          length,
          smallest: 0.42,
          from: withered ? 0.22 : 0.05,
          to: seen.stage === "vegetative" ? 0.97 : 0.8,
          nodes,
        },
        lively,
      )
    : { behind: [], before: plainAlong(curve, length) };
  const low =
    foliage && seen.state("low-leaves")?.endsWith("rosette")
      ? rosette(foliage, [MIDDLE, GROUND], length, true, lively).slice(0, 4 * 6)
      : [];
  return {
    shapes: [
      ...low,
      ...leafing.behind,
      ...branches(seen, size, curve, foliage, length, lively),
      ...stemAlong(seen, curve, width, stemTint(seen), lively),
      ...leafing.before,
      ...inAxils(seen, size, curve, lively),
      ...onTop(seen, size, curve, lively),
    ],
    anchors: {
      leaf: toward(along(curve, 0.35).at, -60, length * 0.7),
      stem: along(curve, 0.2).at,
      flower: [top[0], top[1] - (hasTop(seen) ? height * 0.08 : 0)],
      root: [MIDDLE, GROUND + 20],
    },
    unrecorded: foliage ? [] : ["leaf outline"],
  };
}

/** Blade length in the field's units: to scale where it is recorded, kept within what the stem can carry. */
function leafLength(size: Size, foliage: Foliage | null, height: number): number {
  const stalk = foliage ? 1 + foliage.stalk : 1;
  return Math.min(110, Math.max(7, size.leafUnits), (height * 0.46) / stalk);
}

const plainAlong = (curve: Point[], length: number): Shape[] =>
  [0.2, 0.4, 0.6, 0.8].map((u, i) => {
    const { at, degrees } = along(curve, u);
    return unrecordedLeaf(at, Math.min(44, length), degrees + (i % 2 ? 58 : -58));
  });

const AXIL_CLUSTERS = ["axils"];
const TOP_CLUSTERS = ["single", "few", "flat", "umbrella", "spike", "plume", "simple-umbel", "dense-head", "coil"];

function hasTop(seen: Seen): boolean {
  return isOut(seen) && TOP_CLUSTERS.includes(seen.state("cluster") ?? "");
}

const isOut = (seen: Seen): boolean => seen.stage === "flowering" || seen.stage === "fruiting";

/** How much of the height is cluster and flower, in the field's units. */
function headRoom(seen: Seen, size: Size): number {
  const kind = seen.state("cluster");
  if (!hasTop(seen) || !kind) return 0;
  const made = seen.stage === "flowering" ? clusterOf(seen, size, kind, 1) : null;
  if (kind === "single") return made ? Math.max(4, made.flower.size * 0.9) : 8;
  return Math.min(
    size.heightUnits * 0.42,
    (made?.reach ?? size.heightUnits * (REACH[kind] ?? 0.2)) * (kind === "umbrella" ? 0.62 : 0.9),
  );
}

/** Side stems that carry the same clusters, where there are several of them or the cluster is one head. */
function branches(
  seen: Seen,
  size: Size,
  curve: Point[],
  foliage: Foliage | null,
  leaf: number,
  lively: Lively,
): Shape[] {
  const kind = seen.state("cluster");
  if (
    !hasTop(seen) ||
    !kind ||
    size.heightUnits < 120 ||
    seen.state("scape") === "solid-one" ||
    seen.state("scape") === "hollow"
  )
    return [];
  const opposite = seen.state("leaf-order") === "opposite";
  return [0.56, 0.7].flatMap((u, i) => {
    const { at, degrees } = along(curve, u);
    return (opposite ? [-1, 1] : [i % 2 ? 1 : -1]).flatMap((side) => {
      const long = size.heightUnits * 0.26 * (1.1 - 0.4 * i);
      const side_: Point[] = [at, toward(at, degrees + side * 42, long * 0.5), toward(at, degrees + side * 30, long)];
      return [
        ...stemAlong(seen, side_, Math.max(1.2, stemWidth(seen, size) * 0.5), stemTint(seen), lively),
        ...(foliage ? drawFoliage(foliage, along(side_, 0.45).at, leaf * 0.42, degrees + side * 70, lively) : []),
        ...onTop(seen, size, side_, lively, 0.72),
      ];
    });
  });
}

/** The cluster at the end of a stem, in flower or in fruit. */
export function onTop(seen: Seen, size: Size, curve: Point[], lively: Lively, share = 1): Shape[] {
  const kind = seen.state("cluster");
  if (!isOut(seen) || !kind || AXIL_CLUSTERS.includes(kind)) return [];
  const { at, degrees } = along(curve, 1);
  const drooping = seen.state("cluster-pose") === "nodding" || seen.state("head-nod") === "nodding" ? 46 : 0;
  if (seen.stage === "fruiting") return fruits(seen, size, kind, at, degrees + drooping, share, lively);
  const made = clusterOf(seen, size, kind, share);
  return made ? cluster(made, at, degrees + drooping, lively) : [];
}

function clusterOf(seen: Seen, size: Size, kind: string, share: number): Cluster | null {
  const flower = seen.state("flower-kind");
  if (!flower) return null;
  const color = seen.state("flower-colour");
  const wide = ((seen.value("flower-width") ?? 8) / 10) * size.perCm * share;
  const umbel = seen.value("umbel-width");
  const reach = (umbel ? Math.max(24, umbel * size.perCm * 1.5) : size.heightUnits * REACH[kind]) * share;
  return {
    kind: kind === "single" ? "single" : kind,
    flower: {
      kind: flower,
      tint: color ? flowerTint(color) : "white",
      size: Math.min(kind === "single" ? 46 : Math.min(150, reach) / 4.2, wide),
    },
    reach: Math.min(150, reach),
    rays: seen.value("rays") ?? 16,
  };
}

const REACH: Record<string, number> = {
  spike: 0.24,
  plume: 0.24,
  coil: 0.16,
  flat: 0.22,
  umbrella: 0.3,
  "simple-umbel": 0.18,
  "dense-head": 0.2,
  few: 0.14,
  single: 0.1,
};

function fruits(
  seen: Seen,
  size: Size,
  kind: string,
  foot: Point,
  degrees: number,
  share: number,
  lively: Lively,
): Shape[] {
  const fruit = seen.state("fruit-kind");
  if (!fruit) return [];
  const tint = fruitTint(seen);
  const wide = Math.min(20, Math.max(3, ((seen.value("fruit-length") ?? 6) / 10) * size.perCm)) * share;
  const many = kind === "single" ? 1 : kind === "few" ? 3 : 12;
  const reach = Math.min(110, size.heightUnits * (REACH[kind] ?? 0.2)) * share;
  if (kind === "umbrella" || kind === "simple-umbel" || kind === "flat")
    return [-60, -42, -24, -8, 8, 24, 42, 60].flatMap((turn) => {
      const tip = toward(foot, degrees + turn, reach * 0.6);
      return [
        line([foot, tip], 0.6),
        ...[-24, 0, 24].flatMap((more) =>
          fruitAt(fruit, tint, toward(tip, degrees + more, 5), wide * 0.6, degrees + turn),
        ),
      ];
    });
  const stem = [foot, toward(foot, degrees + lively(6), reach)];
  return [
    ...(many > 1 ? [line(stem, 0.9)] : []),
    ...Array.from({ length: many }, (_, i) => (i + 0.4) / many).flatMap((u, i) => {
      const { at } = along(stem, many > 1 ? u : 0.1);
      const turn = degrees + (i % 2 ? 52 : -52);
      const tip = many > 1 ? toward(at, turn, Math.max(3, wide * 0.6)) : at;
      return [...(many > 1 ? [line([at, tip], 0.6)] : []), ...fruitAt(fruit, tint, tip, wide, turn)];
    }),
  ];
}

export const fruitTint = (seen: Seen): Tint => {
  const color = seen.state("fruit-colour");
  return (color as Tint | null) ?? "straw";
};

/** Flowers or fruit in the angles of the leaves. */
export function inAxils(seen: Seen, size: Size, curve: Point[], lively: Lively): Shape[] {
  const out = isOut(seen);
  const flowers = seen.stage === "flowering" && seen.state("cluster") === "axils";
  const hasFruit =
    seen.stage === "fruiting" && (seen.state("fruit-place") === "axils" || seen.state("cluster") === "axils");
  if (!out || (!flowers && !hasFruit)) return [];
  const kind = seen.state("flower-kind") ?? "bowl";
  const color = seen.state("flower-colour");
  const tint: Tint = color ? flowerTint(color) : "white";
  const wide = Math.min(26, Math.max(3, ((seen.value("flower-width") ?? 6) / 10) * size.perCm));
  const fruit = seen.state("fruit-kind");
  const long = Math.min(20, Math.max(3, ((seen.value("fruit-length") ?? 6) / 10) * size.perCm));
  return [0.42, 0.54, 0.66, 0.78, 0.9].flatMap((u, i) => {
    const { at, degrees } = along(curve, u);
    const turn = degrees + (i % 2 ? 36 : -36) + lively(5);
    const tip = toward(at, turn, Math.max(6, wide * 0.8));
    if (flowers)
      return [
        line([at, tip], 0.7),
        ...cluster({ kind: "single", flower: { kind, tint, size: wide }, reach: 10, rays: 5 }, tip, turn, lively),
      ];
    return fruit ? [line([at, tip], 0.7), ...fruitAt(fruit, fruitTint(seen), tip, long, turn)] : [];
  });
}

/** Stems along the ground that root as they go. */
function creeper(seen: Seen, size: Size, foliage: Foliage | null, lively: Lively): Stand {
  const y = GROUND - 4;
  const run: Point[] = [
    [66, y + 2],
    [120, y - 2],
    [MIDDLE, y],
    [260, y - 3],
    [318, y - Math.min(40, size.heightUnits * 0.4)],
  ];
  const length = Math.min(80, Math.max(9, size.leafUnits));
  const order = seen.state("leaf-order") ?? "alternate";
  const rising: Point[] = [
    [MIDDLE, y],
    [MIDDLE + 6, y - size.heightUnits * 0.5],
    [MIDDLE + lively(6), y - size.heightUnits],
  ];
  const leaves = [run, rising].map((curve) =>
    foliage
      ? leavesAlong(
          curve,
          { foliage, order, length, smallest: 0.7, from: 0.06, to: 0.96, nodes: curve === run ? 9 : 6 },
          lively,
        )
      : { behind: [], before: plainAlong(curve, length) },
  );
  return {
    shapes: [
      ...leaves.flatMap(({ behind }) => behind),
      ...stemAlong(seen, run, 2, stemTint(seen), lively),
      ...stemAlong(seen, rising, 1.8, stemTint(seen), lively),
      ...[100, 150, 240, 290].map((x) =>
        line(
          [
            [x, y],
            [x - 2, y + 14],
            [x + lively(4), y + 22],
          ],
          0.6,
        ),
      ),
      ...leaves.flatMap(({ before }) => before),
      ...inAxils(seen, size, rising, lively),
      ...onTop(seen, size, rising, lively),
    ],
    anchors: {
      leaf: [120, y - length * 0.6],
      stem: [240, y - 2],
      flower: [MIDDLE, y - size.heightUnits],
      root: [150, y + 18],
    },
    unrecorded: foliage ? [] : ["leaf outline"],
  };
}
