import type { Draw } from "../ink/draw";
import { all, faint, straight, inner, pts, area, ellipse } from "../ink/shapes";
import { stem } from "../stem/stem";
import { bulbils, waterFlower, waterFruit, winterWater } from "./water-flower";
import { waterLeaf, waterEdge, ribSpines, wave, waterTip, waterStalk, waterVeins, floatLeaf } from "./water-leaf";
import { lifted, waterFoot, surface, tips, holdfast, feel } from "./water-parts";
import { waterPlan, axis, forking, branching, mass } from "./water-plan";

export const WATER_STATES: Record<string, Draw> = {
  "water-plan": waterPlan,
  "water-leaf": waterLeaf,
  "water-teeth": waterEdge,
  "rib-spines": ribSpines,
  "out-of-water": lifted,
  "leaf-edge-wave": wave,
  "water-foot": waterFoot,
  axis: axis,
  forking: forking,
  bulbils: bulbils,
  surface: surface,
  "water-flower": waterFlower,
  tips: tips,
  "stem-colour": (s) =>
    all(
      stem(60, 4, 92, 12, ({ green: "green", red: "red", pale: "white", brown: "brown" } as const)[s as "green"]),
      s === "red"
        ? [56, 64].map((x) => faint(straight(pts("0,4 0,92", x))))
        : s === "brown"
          ? [20, 48, 76].map((y) => inner(straight(pts("48,0 72,0", 0, y))))
          : s === "pale"
            ? [faint(straight(pts("60,4 60,92")))]
            : [area(ellipse(74, 48, 5, 9), "green")],
    ),
  holdfast: holdfast,
  "water-fruit": waterFruit,
  "water-feel": feel,
  "water-tip": waterTip,
  branching: branching,
  mass: mass,
  "winter-water": winterWater,
  "water-stalk": waterStalk,
  "water-veins": waterVeins,
  "float-leaf": floatLeaf,
};
