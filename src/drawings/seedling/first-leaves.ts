import { earth } from "../habit/earth";
import { pts, type Shape, all, hair, smooth, along, outline, straight, polar, smoothClosed } from "../ink/shapes";
import { type Leaf, drawLeaf } from "../leaf/leaf";
import { stem } from "../stem/stem";

export const firstShapes: Record<string, Leaf> = {
  linear: { shape: "linear" },
  lance: { shape: "lance" },
  oval: { shape: "oval" },
  round: { shape: "kidney" },
  heart: { shape: "heart" },
  arrow: { shape: "arrow" },
  spoon: { shape: "spoon" },
};

/** A seedling's first true leaf above its two seed leaves. */
export const firstLeaf = (leaf: Leaf): Shape[] =>
  all(
    earth(90),
    stem(60, 76, 90, 1.8),
    [-72, 72].flatMap((a) => drawLeaf({ shape: "oval", veins: false, tint: "pale" }, [60, 80], 20, a)),
    drawLeaf(leaf, [60, 76], 62, 0),
  );

/** Wool lies across a leaf in loose threads. */
export const wool = (): Shape[] =>
  [34, 44, 54].map((y, i) =>
    hair(
      smooth([
        [46, y],
        [52, y + (i % 2 ? 5 : -5)],
        [60, y + (i % 2 ? -4 : 4)],
        [67, y + 1],
        [74, y + (i % 2 ? 5 : -4)],
      ]),
    ),
  );

export const BACKS: Record<string, Leaf["tint"]> = { green: "leaf", purple: "purple", white: "white" };

/** Prickles of a first leaf: out from its rim, or as pimples on its face. */
export const firstPrickles: Record<string, () => Shape[]> = {
  none: () => [],
  edge: () =>
    along([0, 22], [0, 80], 7).flatMap(([, y]) => {
      const w = 22 * Math.sin((Math.PI * (92 - y)) / 84) ** 0.8;
      return [-1, 1].map((d) => ({
        ...outline(
          straight([
            [60 + d * w, y + 3],
            [60 + d * (w + 11), y - 6],
            [60 + d * w, y - 3],
          ]),
        ),
        width: 1.4,
      }));
    }),
  warts: () =>
    Array.from({ length: 12 }, (_, i) => polar(60, 52, 16 * Math.sqrt((i + 0.5) / 12), i * 137.5)).map(([x, y]) => ({
      ...outline(smoothClosed(pts("-2.5,0 0,-4 2.5,0 0,2", x, y))),
      width: 1.2,
    })),
};

/** A first true leaf of this outline, with its tip and its teeth where they are known. */
export const firstLeafOf = (shape: string, tip: string | null, teeth: string | null): Shape[] =>
  firstLeaf({
    ...firstShapes[shape],
    ...(tip ? { tip: tip as Leaf["tip"] } : {}),
    ...(teeth ? { edge: teeth as Leaf["edge"] } : {}),
  });
