import type { Lively, Point, Shape } from "../ink/shapes";
import { foliageOf, type Foliage, unrecordedLeaf, drawFoliage } from "./foliage";
import { headRoom, onTop, inAxils, hasTop } from "./in-flower";
import { MIDDLE, GROUND, toward, along, line } from "./pen";
import type { Seen } from "./seen";
import { type Size, isCreeper } from "./size";
import { type Stand, stemWidth, stemTint } from "./stand";
import { rosette, leavesAlong, stemAlong } from "./stems";

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
