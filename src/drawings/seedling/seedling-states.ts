import { earth } from "../habit/earth";
import type { Draw } from "../ink/draw";
import { all, outline, smooth, pts, area, smoothClosed, inner, straight } from "../ink/shapes";
import { ferny } from "../leaf/compound";
import { drawLeaf } from "../leaf/leaf";
import { stem, hairyStem, type HairKind } from "../stem/stem";
import { seedLeaves } from "./seed-leaf-kinds";

export const SEEDLING_STATES: Record<string, Draw> = {
  "seed-leaf": (s) => seedLeaves(s),
  "first-leaf": (s) =>
    all(
      earth(86),
      stem(60, 58, 86, 1.8),
      [-70, 70].flatMap((a) => drawLeaf({ shape: "oval", veins: false, tint: "pale" }, [60, 66], 22, a)),
      s === "three"
        ? [-60, 0, 60].flatMap((a) => drawLeaf({ shape: "egg", veins: false }, [60, 54], 30, a))
        : s === "divided"
          ? ferny([60, 58], 50, -90, 2)
          : drawLeaf(
              { shape: "oval", edge: s === "toothed" ? "coarse" : "smooth", lobes: s === "lobed" ? "deep" : "none" },
              [60, 58],
              50,
            ),
    ),
  "first-order": (s) =>
    all(
      earth(86),
      s === "rosette"
        ? [-70, -35, 0, 35, 70].flatMap((a) => drawLeaf({ shape: "spoon", veins: false }, [60, 84], 40, a))
        : all(
            stem(60, 14, 86, 1.8),
            [-70, 70].flatMap((a) => drawLeaf({ shape: "oval", veins: false, tint: "pale" }, [60, 76], 20, a)),
            s === "alternate"
              ? all(
                  drawLeaf({ shape: "egg", veins: false }, [60, 54], 32, 60),
                  drawLeaf({ shape: "egg", veins: false }, [60, 34], 28, -60),
                )
              : [52, 28].flatMap((y) => [
                  ...drawLeaf({ shape: "egg", veins: false }, [60, y], 30, 64),
                  ...drawLeaf({ shape: "egg", veins: false }, [60, y], 30, -64),
                ]),
          ),
    ),
  "seedling-hair": (s) =>
    all(
      hairyStem(s as HairKind, `seedling-${s}`),
      drawLeaf({ shape: "oval", veins: false, tint: "pale" }, [72, 20], 30, 60),
    ),
  "first-blade": (s) =>
    all(
      earth(),
      s === "thread"
        ? [
            {
              ...outline(smooth(pts("60,84 58,50 64,10"))),
              width: 1.2,
            },
          ]
        : s === "narrow"
          ? [area(smoothClosed(pts("58,84 54,50 60,10 63,50 62,84")), "leaf")]
          : [area(smoothClosed(pts("57,84 42,50 58,16 76,44 63,84")), "leaf"), inner(straight(pts("60,82 58,22")))],
    ),
  "grass-seedling-hair": (s) =>
    all(earth(), hairyStem(s as HairKind, `grass-seedling-${s}`).slice(0), outline(straight(pts("30,84 90,84")))),
};
