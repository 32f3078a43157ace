import { bloom } from "../flower/composite";
import type { Draw } from "../ink/draw";
import {
  all,
  hair,
  straight,
  flat,
  circle,
  inner,
  smoothClosed,
  pts,
  faint,
  outline,
  area,
  ellipse,
  smooth,
} from "../ink/shapes";
import { section } from "../stem/section";
import { stem } from "../stem/stem";
import { bark } from "./bark";

export const TWIG_STATES: Record<string, Draw> = {
  "cane-section": (s) => section(s as "round", "pith", s === "green-ridged" ? "green" : "leaf"),
  "cane-bloom": bloom,
  "red-hair": (s) =>
    all(
      stem(60, 6, 90, 12, s === "dense" ? "red" : "leaf"),
      s === "none"
        ? []
        : Array.from({ length: s === "dense" ? 26 : 7 }, (_, i) => {
            const y = 8 + i * (s === "dense" ? 3.2 : 12);
            return [
              hair(straight(pts("72,0 84,-2", 0, y)), 0.9),
              flat(circle(85, y - 2, 1.4), "red"),
              hair(straight(pts("48,0 36,-2", 0, y)), 0.9),
              flat(circle(35, y - 2, 1.4), "red"),
            ];
          }).flat(),
    ),
  "twig-skin": (s) => {
    const tint = ({ brown: "bark", green: "green", red: "red", silver: "silver", bloomed: "leaf" } as const)[
      s as "brown"
    ];
    const body = stem(60, 6, 90, 13, tint);
    if (s === "silver")
      return all(
        body,
        Array.from({ length: 26 }, (_, i) => inner(circle(50 + ((i * 9) % 21), 10 + i * 3.1, 1.6))),
      );
    if (s === "bloomed")
      return all(
        body,
        flat(smoothClosed(pts("50,10 66,12 68,60 52,66")), "white"),
        Array.from({ length: 8 }, (_, i) =>
          faint(
            straight([
              [52, 14 + i * 6],
              [64, 12 + i * 6],
            ]),
          ),
        ),
      );
    return all(
      body,
      s === "brown"
        ? [30, 60].map((y) => outline(straight(pts("47,0 73,0", 0, y))))
        : s === "red"
          ? [55, 60, 65].map((x) => faint(straight(pts("0,6 0,90", x))))
          : [area(ellipse(74, 44, 5, 8), "green")],
    );
  },
  bark,
  "wood-colour": (s) => {
    const tint = ({ green: "green", yellow: "yellow", brown: "brown", orange: "orange" } as const)[s as "green"];
    const marks =
      s === "orange"
        ? [30, 44, 58].map((y) => outline(straight(pts("48,0 74,-4", 0, y))))
        : s === "green"
          ? [flat(smoothClosed(pts("52,26 68,24 70,70 52,72")), "white")]
          : s === "yellow"
            ? [54, 60, 66].map((x) => outline(straight(pts("0,26 0,70", x))))
            : [faint(smooth(pts("52,30 66,46 54,68")))];
    return all(
      stem(60, 4, 92, 24, "bark"),
      area(smoothClosed(pts("44,20 76,16 78,76 46,80")), tint),
      marks,
      area(straight(pts("84,60 114,20 118,26 90,66"), true), "silver"),
    );
  },
  buds: (s) => {
    const twig = stem(60, 4, 92, 7, "bark");
    if (s === "scaly")
      return all(
        twig,
        area(smoothClosed(pts("67,66 88,50 92,28 74,36 67,50")), "brown"),
        [44, 54].map((y) => inner(smooth(pts("70,0 80,-6 88,-10", 0, y)))),
      );
    if (s === "naked")
      return all(
        twig,
        area(smoothClosed(pts("67,66 84,52 90,24 76,34 67,50")), "straw"),
        Array.from({ length: 12 }, (_, i) =>
          hair(
            straight([
              [72 + (i % 4) * 4, 58 - i * 2.4],
              [78 + (i % 4) * 4, 50 - i * 2.4],
            ]),
            0.7,
          ),
        ),
      );
    if (s === "hidden") return all(twig, outline(ellipse(60, 46, 6, 9)), flat(circle(60, 43, 1.6), "ink"));
    return all(twig, area(circle(69, 48, 3), "brown"));
  },
};
