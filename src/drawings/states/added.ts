import {
  simpleUmbel,
  denseHead,
  coil,
  spinyWings,
  heartSeedLeaves,
  chamberedRoot,
  deadVine,
  CLUSTER_LOOKS,
} from "../flower/cluster-looks";
import { collar } from "../grass/collar";
import { midStripe, bladeFoot, GRASS_LOOKS } from "../grass/grass-looks";
import type { Pictures } from "../ink/draw";
import { type Shape, all, flat, inner, area } from "../ink/shapes";
import { LEAF_LOOKS } from "../leaf/leaf-looks";
import { drawLeaf } from "../leaf/leaf";
import { STEM_LOOKS } from "../stem/stem-looks";

const midline = (): Shape[] =>
  all(
    drawLeaf({ shape: "egg", base: "rounded" }, [60, 84], 72, 0, 8),
    flat("M57,82L59,16L61,16L63,82Z", "white"),
    inner("M57,82L59,16M63,82L61,16"),
  );

const purpleBelow = (): Shape[] =>
  all(
    drawLeaf({ shape: "oval" }, [34, 86], 74),
    drawLeaf({ shape: "oval", tint: "purple", veins: false }, [86, 86], 74),
  );

const smallClaws = (): Shape[] =>
  all(
    collar({ auricles: "none" }),
    area("M64,54Q76,52 74,66Q66,68 60,62Q66,60 64,54Z", "pale"),
    area("M41,54Q28,52 31,66Q38,68 46,62Q40,60 41,54Z", "pale"),
  );

/** States that were added to characters whose other states are drawn elsewhere. */
const ADDED: Pictures = {
  cluster: { "simple-umbel": simpleUmbel, "dense-head": denseHead, coil: coil },
  midrib: { "mid-stripe": midStripe },
  auricles: { "small-claws": smallClaws },
  "stem-wings": { spiny: spinyWings },
  "seed-leaf": { heart: heartSeedLeaves },
  "root-kind": { chambered: chamberedRoot },
  "blade-hair": { foot: bladeFoot },
  "dead-stems": { vine: deadVine },
  "under-tone": { purple: purpleBelow },
  "leaf-marks": { midline },
};

const LOOKS: Pictures = { ...STEM_LOOKS, ...LEAF_LOOKS, ...GRASS_LOOKS, ...CLUSTER_LOOKS, ...ADDED };

/** The picture of a state that this folder draws; null where another does. */
export const drawLook = (character: string, state: string): Shape[] | null => LOOKS[character]?.[state]?.() ?? null;
