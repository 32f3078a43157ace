import { flowerTint } from "../flower/tints";
import type { Point, Lively, Shape, Tint } from "../ink/shapes";
import { cluster, type Cluster } from "./flowering";
import { fruitAt } from "./fruit";
import { along, toward, line } from "./pen";
import type { Seen } from "./seen";
import type { Size } from "./size";

const AXIL_CLUSTERS = ["axils"];

const TOP_CLUSTERS = ["single", "few", "flat", "umbrella", "spike", "plume", "simple-umbel", "dense-head", "coil"];

export function hasTop(seen: Seen): boolean {
  return isOut(seen) && TOP_CLUSTERS.includes(seen.state("cluster") ?? "");
}

const isOut = (seen: Seen): boolean => seen.stage === "flowering" || seen.stage === "fruiting";

/** How much of the height is cluster and flower, in the field's units. */
export function headRoom(seen: Seen, size: Size): number {
  const kind = seen.state("cluster");
  if (!hasTop(seen) || !kind) return 0;
  const made = seen.stage === "flowering" ? clusterOf(seen, size, kind, 1) : null;
  if (kind === "single") return made ? Math.max(4, made.flower.size * 0.9) : 8;
  return Math.min(
    size.heightUnits * 0.42,
    (made?.reach ?? size.heightUnits * (REACH[kind] ?? 0.2)) * (kind === "umbrella" ? 0.62 : 0.9),
  );
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
