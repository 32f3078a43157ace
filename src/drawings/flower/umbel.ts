import {
  type Point,
  type Shape,
  polar,
  inner,
  straight,
  faint,
  flat,
  circle,
  hair,
  area,
  smoothClosed,
  outline,
} from "../ink/shapes";
import { stem } from "../stem/stem";

type Bracts = "none" | "few" | "many" | "forked";

type Bractlets = "none" | "one-side" | "ring" | "broad";

const HUB: Point = [60, 68];

const BRACTS: Record<Bracts, number> = { none: 0, few: 3, many: 9, forked: 5 };

const BRACTLETS: Record<Bractlets, number[]> = {
  none: [],
  "one-side": [70, 95],
  ring: [20, 60, 100, 140, 180],
  broad: [],
};

/** An umbrella of umbrellas with n spokes. */
export function umbel(n: number, bracts: Bracts = "none", bractlets: Bractlets = "none"): Shape[] {
  return [
    ...stem(60, 66, 94, 2),
    ...Array.from({ length: n }, (_, i) => -160 + (i * 140) / (n - 1)).flatMap((turn) => spoke(turn, bractlets)),
    ...Array.from({ length: BRACTS[bracts] }, (_, i) =>
      BRACTS[bracts] === 3 ? 40 + i * 50 : 15 + (i * 150) / (BRACTS[bracts] - 1),
    ).flatMap((turn) => bract(turn, bracts === "forked")),
  ];
}

/** A spoke with its small umbel and the leaflets beneath that. */
function spoke(turn: number, bractlets: Bractlets): Shape[] {
  const tip = polar(60, 68, 46, turn);
  const [x, y] = tip;
  const small = Array.from({ length: 7 }, (_, k) => polar(x, y, 8, -150 + k * 20 + (turn + 90) * 0.5));
  return [
    inner(straight([HUB, tip])),
    ...small.flatMap((end): Shape[] => [
      faint(straight([tip, end])),
      flat(circle(end[0], end[1], 1.5), "white"),
      { d: circle(end[0], end[1], 1.5), ink: "inner" },
    ]),
    ...BRACTLETS[bractlets].map((a) => hair(straight([tip, polar(x, y, 6, a)]), 1.2)),
    ...(bractlets === "broad" ? [50, 90, 130] : []).map((a) =>
      area(smoothClosed([tip, polar(x, y, 5, a - 22), polar(x, y, 9, a), polar(x, y, 5, a + 22)]), "pale"),
    ),
  ];
}

function bract(turn: number, isForked: boolean): Shape[] {
  const end = polar(60, 68, isForked ? 24 : 15, turn);
  const tines = (isForked ? [0.45, 0.7, 0.9] : []).flatMap((u) =>
    [-1, 1].map((side): [Point, Point] => {
      const from = polar(60, 68, 24 * u, turn);
      return [from, polar(...from, 8, turn + side * 45)];
    }),
  );
  return [{ ...outline(straight([HUB, end])), width: 1.8 }, ...tines.map((tine) => hair(straight(tine), 1.2))];
}
