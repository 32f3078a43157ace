import type { Draw } from "../ink/draw";
import { all } from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { hairPosture } from "../stem/hair-posture";
import { stem } from "../stem/stem";
import { tendrilPlace, tendril, axilBulbils } from "../stem/tendrils";
import { budOrder, endBud } from "./buds";
import { leafScar, twigPith, rootSuckers } from "./twigs";
import { stemWings } from "./wings";

export const WOOD: Record<string, Draw> = {
  "bud-order": budOrder,
  "end-bud": endBud,
  "leaf-scar": leafScar,
  "twig-pith": twigPith,
  "root-suckers": rootSuckers,
  "stem-wings": stemWings,
  "hair-posture": hairPosture,
  "tendril-place": tendrilPlace,
  "tendril-fork": (s) =>
    all(
      stem(34, 4, 92, 5),
      drawLeaf({ shape: "egg", veins: false }, [29, 60], 28, -64),
      tendril([39, 60], 1.6, s === "forked"),
    ),
  "axil-bulbils": axilBulbils,
};
