import type { Draw } from "../ink/draw";
import {
  all,
  area,
  rectangle,
  outline,
  straight,
  smoothClosed,
  pts,
  ellipse,
  flat,
  circle,
  faint,
  inner,
  smooth,
} from "../ink/shapes";
import { climbing } from "./climbing";
import { ground, light, wetness } from "./place";
import { plantKind, clump } from "./plant-kind";
import { root } from "./root";
import { stance } from "./stance";
import { winter, tone, deadStems } from "./winter";

/** One picture for each state of each character that can be drawn. */
export const HABIT_STATES: Record<string, Draw> = {
  ground: ground,
  light: light,
  wetness: wetness,
  "plant-kind": plantKind,
  clump: clump,
  evergreen: winter,
  tone: tone,
  stance: stance,
  "climbs-by": climbing,
  "twine-way": (s) => {
    const side = s === "right" ? 1 : -1;
    return all(
      area(rectangle(50, 4, 20, 88), "bark"),
      [76, 54, 32, 10].map((y) => ({
        ...outline(
          straight([
            [60 - side * 14, y + 12],
            [60 + side * 14, y],
          ]),
        ),
        width: 4,
      })),
      [65, 43, 21].map((y) => ({
        ...outline(
          straight([
            [60 + side * 14, y + 0],
            [60 - side * 14, y - 0],
          ]),
        ),
        dash: true,
      })),
      outline(
        straight([
          [60 + side * 30, 50],
          [60 + side * 44, 36],
          [60 + side * 36, 36],
        ]),
      ),
      outline(
        straight([
          [60 + side * 44, 36],
          [60 + side * 44, 45],
        ]),
      ),
    );
  },
  "dead-stems": deadStems,
  "root-kind": root,
  "root-cut": (s) => {
    const tint = ({ solid: "white", chambers: "straw", orange: "orange", yellow: "yellow" } as const)[s as "solid"];
    const body = area(smoothClosed(pts("36,6 84,6 88,40 70,80 60,94 50,80 32,40")), tint);
    if (s === "chambers")
      return all(
        body,
        [16, 30, 44, 58, 70].map((y, i) => area(ellipse(60, y, 20 - i * 2.4, 4.4), "paper")),
        [24, 52].map((y) => flat(circle(44, y, 2.2), "orange")),
      );
    return all(
      body,
      s === "solid"
        ? [faint(straight(pts("60,10 60,88")))]
        : s === "orange"
          ? [48, 60, 72].map((x) =>
              inner(
                smooth([
                  [x, 10],
                  [60 + (x - 60) * 0.6, 50],
                  [60, 86],
                ]),
              ),
            )
          : [20, 38, 56].map((y) => faint(smooth(pts("40,0 60,5 80,0", 0, y)))),
    );
  },
};
