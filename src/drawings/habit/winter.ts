import {
  type Shape,
  type Tint,
  all,
  faint,
  straight,
  flat,
  circle,
  outline,
  smooth,
  pts,
  ellipse,
  area,
  rectangle,
  inner,
  polar,
} from "../ink/shapes";
import { drawLeaf } from "../leaf/leaf";
import { stem } from "../stem/stem";
import { earth } from "./earth";
import { bush, tuft } from "./figures";

export function tone(kind: string): Shape[] {
  const tint: Record<string, Tint> = {
    same: "leaf",
    "yellow-green": "yellowgreen",
    dark: "dark",
    "blue-grey": "bluegrey",
    reddish: "red",
  };
  return all(
    earth(),
    bush(24, 84, 17),
    bush(96, 84, 17),
    bush(60, 84, 21, tint[kind]),
    kind === "dark"
      ? Array.from({ length: 9 }, (_, i) =>
          faint(
            straight([
              [44 + i * 4, 82],
              [48 + i * 4, 62],
            ]),
          ),
        )
      : kind === "blue-grey"
        ? Array.from({ length: 6 }, (_, i) => flat(circle(48 + i * 5, 66 + (i % 2) * 8, 1.2), "paper"))
        : kind === "yellow-green"
          ? [outline(smooth(pts("46,70 60,62 74,70")))]
          : kind === "reddish"
            ? [outline(straight(pts("50,80 56,66"))), outline(straight(pts("66,80 70,66")))]
            : [],
  );
}

export function winter(kind: string): Shape[] {
  const snow = [flat(ellipse(60, 88, 52, 5), "white"), outline(straight(pts("8,86 112,86")))];
  if (kind === "evergreen") return all(snow, stem(60, 50, 86, 2, "bark"), bush(60, 62, 26, "dark"));
  if (kind === "rosette")
    return all(
      snow,
      [-80, -50, -20, 20, 50, 80].flatMap((a) => drawLeaf({ shape: "spoon", veins: false }, [60, 84], 34, a)),
    );
  if (kind === "bare")
    return all(
      snow,
      {
        ...outline(straight(pts("60,86 60,18"))),
        width: 3,
      },
      [
        [60, 62, 34, 34],
        [60, 56, 86, 26],
        [60, 40, 42, 16],
        [60, 34, 78, 12],
      ].map(([a, b, c, d]) => ({
        ...outline(
          straight([
            [a, b],
            [c, d],
          ]),
        ),
        width: 1.8,
      })),
    );
  return all(
    snow,
    {
      ...outline(straight(pts("48,86 46,70 56,66"))),
      dash: true,
    },
    {
      ...outline(straight(pts("72,86 74,62 66,56"))),
      dash: true,
    },
  );
}

const DEAD_STEMS_KINDS: Record<string, (kind: string) => Shape[]> = {
  none: () => all(earth(), tuft(60, 84, 4, 18, 9)),
  canes: () =>
    all(
      earth(),
      [38, 54, 70, 86].flatMap((x, i) => [
        area(rectangle(x - 3, 12 + i * 4, 6, 72 - i * 4), "straw"),
        ...[28, 46, 64].map((y) =>
          outline(
            straight([
              [x - 4, y + i * 3],
              [x + 4, y + i * 3],
            ]),
          ),
        ),
      ]),
    ),
  ribbed: () =>
    all(
      earth(),
      stem(60, 34, 84, 4, "straw"),
      inner(straight(pts("58.6,36 58.6,84"))),
      inner(straight(pts("61.4,36 61.4,84"))),
      Array.from({ length: 9 }, (_, i) => outline(straight([[60, 34], polar(60, 34, 28, -165 + i * 19)]))),
    ),
  woody: () =>
    all(
      earth(),
      [46, 62, 78].flatMap((x) => [
        outline(straight(pts("0,84 0,24", x))),
        area(circle(x, 20, 5), "brown"),
        outline(straight(pts("0,44 9,32", x))),
        area(circle(x + 10, 30, 3.5), "brown"),
      ]),
    ),
  straw: () =>
    all(
      earth(),
      Array.from({ length: 9 }, (_, i) => ({
        ...outline(
          smooth([
            [50 + i * 2.6, 84],
            [40 + i * 5, 50],
            [22 + i * 10, 40 - (i % 3) * 8],
          ]),
        ),
        width: 1.4,
      })),
      flat(ellipse(60, 82, 14, 4), "straw"),
    ),
};

const otherDeadStems = (): Shape[] =>
  all(
    earth(),
    bush(60, 84, 28, "dark"),
    Array.from({ length: 7 }, (_, i) => ({
      ...outline(
        straight([
          [40 + i * 7, 84],
          [36 + i * 8, 60 - (i % 2) * 8],
        ]),
      ),
      width: 1.5,
    })),
    Array.from({ length: 6 }, (_, i) => ({
      ...inner(
        straight([
          [42 + i * 7, 72],
          [48 + i * 6, 62],
        ]),
      ),
    })),
  );

export function deadStems(kind: string): Shape[] {
  return (DEAD_STEMS_KINDS[kind] ?? otherDeadStems)(kind);
}
