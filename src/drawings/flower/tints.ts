import {
  type Tint,
  type Shape,
  all,
  area,
  smoothClosed,
  pts,
  faint,
  smooth,
  flat,
  circle,
  polar,
  inner,
  straight,
} from "../ink/shapes";

export const tinted = (tint: Tint): Shape[] =>
  all(area(smoothClosed(pts("60,10 84,26 90,56 74,82 46,82 30,56 36,26")), tint));

export const COLOUR_MARK: Partial<Record<string, Shape[]>> = {
  black: [faint(smooth(pts("44,40 40,56 48,72")))],
};

/** Hatching that tells colors apart in black and white: the direction stands for the color, as in heraldry. */
/** The tint of a state of flower-color. */
export const flowerTint = (colour: string): Tint => (colour in FLOWER_TINTS ? FLOWER_TINTS[colour] : "white");

const FLOWER_TINTS: Record<string, Tint> = {
  white: "white",
  yellow: "yellow",
  orange: "orange",
  pink: "pink",
  purple: "purple",
  green: "green",
  red: "red",
};

/** A color is a disc, which says nothing of petals; its marks tell it from the others where colors cannot be seen. */
export const HATCHES: Record<string, Shape[]> = {
  yellow: Array.from({ length: 12 }, (_, i) => flat(circle(...polar(60, 48, 18 + (i % 2) * 10, i * 30), 1.3), "ink")),
  orange: [44, 54, 64, 74].map((x) => inner(straight(pts("0,26 0,70", x)))),
  pink: [34, 44, 54, 64].map((y) => faint(straight(pts("36,6 84,-6", 0, y)))),
  purple: [36, 48, 60].flatMap((y) =>
    [46, 60, 74].flatMap((x) => [inner(straight(pts("-4,-4 4,4", x, y))), inner(straight(pts("4,-4 -4,4", x, y)))]),
  ),
  green: [12, 20, 28].map((r) => faint(circle(60, 48, r))),
  red: [32, 42, 52, 62].map((y) => inner(straight(pts("36,0 84,0", 0, y)))),
};
