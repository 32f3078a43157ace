import type { Pictures } from "../ink/draw";
import { type Shape, all, outline, area, inner, circle, key } from "../ink/shapes";
import { drawLeaf } from "./leaf";

const blade = (): Shape[] => drawLeaf({ shape: "egg", base: "rounded" }, [60, 86], 74, 0, 6);

const hung = (angles: [number, number, number][], top = 6): Shape[] =>
  all(
    { ...outline(`M60,92L60,${top}`), width: 2.4 },
    angles.flatMap(([x, y, degrees]) => drawLeaf({ shape: "lance", veins: false }, [x, y], 34, degrees)),
  );

const toothEdge = (beads: boolean): Shape[] =>
  all(
    area("M4,92L4,50L22,34L26,50L46,32L50,48L70,30L74,46L94,28L98,44L116,28L116,92Z", "leaf"),
    inner("M14,92L20,44M40,92L44,42M64,92L68,40M88,92L92,38"),
    beads
      ? [
          [22, 31],
          [46, 29],
          [70, 27],
          [94, 25],
        ].map(([x, y]) => area(circle(x, y, 4.2), "red"))
      : [],
  );

const hand = (round: boolean): Shape[] => [
  area(
    round
      ? "M60,88L20,70L10,44Q34,52 38,40Q34,26 60,6Q86,26 82,40Q86,52 110,44L100,70Z"
      : "M60,88L20,70L8,40L42,52L36,36L60,4L84,36L78,52L112,40L100,70Z",
    "leaf",
  ),
  inner("M60,86L60,14M60,86L16,48M60,86L104,48"),
];

/** Pictures of how a leaf is held, its surface, teeth, rim and bays. */
export const LEAF_LOOKS: Pictures = {
  "leaf-pose": {
    spread: () =>
      hung([
        [60, 76, 70],
        [60, 66, -70],
        [60, 46, 70],
        [60, 36, -70],
      ]),
    drooping: () =>
      hung([
        [60, 56, 150],
        [60, 48, -150],
        [60, 28, 150],
        [60, 20, -150],
      ]),
    upright: () =>
      hung([
        [60, 84, 22],
        [60, 76, -22],
        [60, 58, 22],
        [60, 50, -22],
      ]),
    crowded: () =>
      hung(
        [
          [60, 58, 80],
          [60, 58, -80],
          [60, 54, 48],
          [60, 54, -48],
          [60, 50, 16],
          [60, 50, -16],
        ],
        48,
      ),
  },
  "leaf-face": {
    even: blade,
    sunken: () =>
      all(
        blade(),
        key("M60,80L60,18M60,70L40,56M60,70L80,56M60,54L38,42M60,54L82,42M60,40L44,30M60,40L76,30"),
        outline("M46,66Q50,60 48,54M74,66Q70,60 72,54M46,52Q52,46 48,40M74,52Q68,46 72,40"),
      ),
    trough: () =>
      all(area("M60,90Q16,50 34,8L60,22Z", "leaf"), area("M60,90Q104,50 86,8L60,22Z", "dark"), key("M60,90L60,22")),
    wavy: () =>
      all(
        area(
          "M60,90Q44,84 46,74Q30,70 38,58Q24,50 36,42Q28,30 44,26Q44,14 60,6Q76,14 76,26Q92,30 84,42Q96,50 82,58Q90,70 74,74Q76,84 60,90Z",
          "leaf",
        ),
        inner("M60,88L60,12"),
      ),
  },
  "tooth-gland": { plain: () => toothEdge(false), gland: () => toothEdge(true) },
  "leaf-rim": {
    plain: blade,
    pale: () => rimmed("white"),
    red: () => rimmed("red"),
  },
  bays: { sharp: () => hand(false), round: () => hand(true) },
};

/** A blade within a blade: what shows of the outer one is the rim. */
const rimmed = (tint: "white" | "red"): Shape[] => [
  area("M60,90Q18,80 28,48Q38,20 60,6Q82,20 92,48Q102,80 60,90Z", tint),
  area("M60,80Q30,72 38,48Q46,28 60,18Q74,28 82,48Q90,72 60,80Z", "leaf"),
  inner("M60,80L60,18M60,64L46,54M60,64L74,54M60,48L48,40M60,48L72,40"),
  outline("M60,90L60,96"),
  ...(tint === "red" ? [inner("M40,20L46,26M80,20L74,26M26,50L34,50M94,50L86,50M40,80L46,74M80,80L74,74")] : []),
];
