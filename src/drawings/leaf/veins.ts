import { type Shape, all, area, straight, smoothClosed, pts, inner, outline, smooth, polar, hair } from "../ink/shapes";
import { hairyLeaf } from "./hairy-leaf";

/** A leaf whose surface itself carries prickles. */
export const pricklyLeaf = (): Shape[] =>
  all(
    hairyLeaf("none", false, "prickly"),
    [
      [40, 56],
      [62, 40],
      [82, 28],
      [56, 66],
      [78, 56],
      [94, 40],
      [40, 38],
      [58, 24],
    ].map(([x, y]) => area(straight(pts("-3,2 2,-11 4,2", x, y), true), "red")),
  );

/** Veins that run along the edge, or several from the foot. */
export function veinPiece(kind: "arched" | "fan"): Shape[] {
  const blade = area(smoothClosed(pts("60,92 26,66 24,34 60,4 96,34 94,66")), "leaf");
  if (kind === "arched")
    return all(
      blade,
      inner(straight(pts("60,92 60,8"))),
      [0, 1, 2].flatMap((i) =>
        [-1, 1].map((d) => ({
          ...outline(
            smooth([
              [60, 82 - i * 16],
              [60 + d * (24 - i * 4), 62 - i * 14],
              [60 + d * (22 - i * 6), 36 - i * 8],
              [60 + d * 5, 14 - i * 2],
            ]),
          ),
          width: 1.6,
        })),
      ),
    );
  return all(
    blade,
    [-52, -26, 0, 26, 52].map((a) => ({
      ...outline(straight([[60, 90], polar(60, 90, a === 0 ? 80 : Math.abs(a) === 26 ? 66 : 46, a - 90)])),
      width: 1.6,
    })),
    [hair(straight(pts("60,50 74,40")), 0.5)],
  );
}
