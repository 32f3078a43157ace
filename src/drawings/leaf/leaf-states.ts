import type { Draw } from "../ink/draw";
import { all, outline, straight, pts, area, smoothClosed, inner, smooth, hair, flat, circle } from "../ink/shapes";
import { stem, type HairKind } from "../stem/stem";
import { bigLeaf, scalyLeaf, leafHair } from "./big-leaf";
import { compoundLeaf } from "./compound";
import { hairyLeaf } from "./hairy-leaf";
import { leafOrder, joinedPair } from "./leaf-order";
import { type LeafShape, type LeafLobes, type LeafEdge, drawLeaf, type Leaf } from "./leaf";
import { pricklyLeaf } from "./veins";

export const LEAF_STATES: Record<string, Draw> = {
  "leaf-order": (s) => leafOrder(s as "alternate"),
  "leaf-kind": (s) => compoundLeaf(s as "simple"),
  "leaf-shape": (s) =>
    bigLeaf({
      shape: s as LeafShape,
      base:
        s === "heart" || s === "arrow" || s === "kidney" || s === "diamond" || s === "round"
          ? undefined
          : s === "egg"
            ? "rounded"
            : "wedge",
    }),
  "leaf-lobes": (s) => bigLeaf({ shape: s === "backward" ? "spoon" : "oval", lobes: s as LeafLobes }),
  "leaf-edge": (s) => bigLeaf({ shape: "oval", edge: s as LeafEdge }),
  "leaf-base": (s) =>
    s === "joined"
      ? joinedPair()
      : drawLeaf(
          { shape: s === "heart" ? "heart" : "egg", base: s as Leaf["base"] },
          [60, 76],
          66,
          0,
          s === "ears" ? 4 : 14,
        ),
  "leaf-tip": (s) => drawLeaf({ shape: "oval", tip: s as Leaf["tip"] }, [60, 92], 78),
  "leaf-stalk": (s) =>
    ({
      none: () => all(stem(22, 4, 92, 3), drawLeaf({ shape: "oval" }, [26, 56], 60, 76)),
      short: () =>
        all(stem(22, 4, 92, 3), outline(straight(pts("25,60 44,54"))), drawLeaf({ shape: "oval" }, [44, 54], 56, 76)),
      long: () =>
        all(
          stem(22, 4, 92, 3),
          {
            ...outline(straight(pts("25,64 72,50"))),
            width: 2,
          },
          drawLeaf({ shape: "oval" }, [72, 50], 42, 76),
        ),
    })[s as "none"](),
  "stalk-foot": (s) => {
    const axis = stem(40, 4, 92, 8);
    if (s === "plain")
      return all(axis, {
        ...outline(straight(pts("48,54 110,24"))),
        width: 4,
      });
    if (s === "sheath") return all(axis, area(straight(pts("48,74 48,46 64,44 112,22 114,28 70,54"), true), "pale"));
    if (s === "bladder")
      return all(
        axis,
        area(smoothClosed(pts("30,78 26,46 48,30 76,34 112,18 116,26 84,52 58,82")), "pale"),
        inner(smooth(pts("46,74 60,52 110,24"))),
      );
    return all(
      axis,
      area(smoothClosed(pts("48,40 60,54 54,92 48,92")), "leaf"),
      area(smoothClosed(pts("32,40 20,54 26,92 32,92")), "leaf"),
      {
        ...outline(straight(pts("48,40 110,20"))),
        width: 3,
      },
    );
  },
  "leaf-hair-above": (s) =>
    s === "scales" ? scalyLeaf() : s === "prickly" ? pricklyLeaf() : hairyLeaf(s as HairKind, false, `above-${s}`),
  "leaf-hair-below": (s) => (s === "scales" ? scalyLeaf() : hairyLeaf(leafHair(s), true, `below-${s}`)),
  "under-tone": (s) =>
    all(
      drawLeaf({ shape: "oval" }, [34, 86], 74),
      drawLeaf(
        {
          shape: "oval",
          tint: ({ same: "leaf", paler: "pale", white: "white" } as const)[s as "same"],
          veins: s !== "white",
        },
        [86, 86],
        74,
      ),
      s === "white"
        ? [
            outline(straight(pts("86,86 86,16"))),
            ...Array.from({ length: 14 }, (_, i) =>
              hair(
                straight([
                  [76 + (i % 5) * 5, 30 + i * 3.2],
                  [80 + (i % 5) * 5, 28 + i * 3.2],
                ]),
                0.6,
              ),
            ),
          ]
        : s === "paler"
          ? Array.from({ length: 9 }, (_, i) => flat(circle(78 + (i % 3) * 8, 36 + i * 4, 0.8), "ink"))
          : [],
    ),
  "leaf-gloss": (s) =>
    all(
      bigLeaf({ shape: "oval" }),
      s === "shiny"
        ? [
            flat(smoothClosed(pts("50,70 44,50 50,30 54,48")), "paper"),
            flat(smoothClosed(pts("68,66 74,50 70,34 66,50")), "paper"),
          ]
        : [],
    ),
  "leaf-substance": (s) =>
    ({
      thin: () => all(area(smoothClosed(pts("10,40 50,30 92,40 106,74 98,70 86,48 50,36 12,44")), "leaf")),
      firm: () => all(area(smoothClosed(pts("10,44 50,36 96,38 110,48 108,54 94,46 50,44 10,52")), "leaf")),
      leathery: () =>
        all(area(straight(pts("10,42 110,36 110,48 10,54"), true), "dark"), outline(straight(pts("14,39 106,34")))),
      fleshy: () =>
        all(
          area(smoothClosed(pts("8,48 30,26 86,24 112,44 90,68 34,70")), "green"),
          area(smoothClosed(pts("60,78 66,88 60,94 54,88")), "water"),
        ),
    })[s as "thin"](),
};
