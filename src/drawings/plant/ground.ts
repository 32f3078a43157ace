import { type Lively, type Shape, straight, flat, faint, type Point, pts, area, circle } from "../ink/shapes";
import { FIGURE, GROUND, placed, cut, closed } from "./pen";

/** Earth below the ground line, a few strokes in it. */
export function earthBelow(lively: Lively): Shape[] {
  const [left, right] = [16, FIGURE.width - 16];
  const strokes = Array.from({ length: 34 }, (_, i) => {
    const x = left + 10 + ((right - left - 20) * i) / 34 + lively(5);
    const y = GROUND + (x < 90 ? 26 : 12) + ((i * 29) % 54) + lively(4);
    return straight([
      [x, y],
      [x + 5, y + lively(1)],
    ]);
  });
  return [
    flat(
      straight(
        [
          [left, GROUND],
          [right, GROUND],
          [right, FIGURE.height - 6],
          [left, FIGURE.height - 6],
        ],
        true,
      ),
      "ground",
    ),
    { ...faint(strokes.join("")), width: 0.4 },
    {
      d: straight([
        [left, GROUND],
        [right, GROUND],
      ]),
      ink: "outline",
      width: 1.1,
    },
  ];
}

/** Water from its surface down to the bottom. */
export function waterBody(surface: number): Shape[] {
  const [left, right] = [16, FIGURE.width - 16];
  return [
    flat(
      straight(
        [
          [left, surface],
          [right, surface],
          [right, GROUND],
          [left, GROUND],
        ],
        true,
      ),
      "water",
    ),
    {
      d: straight([
        [left, surface],
        [right, surface],
      ]),
      ink: "inner",
    },
    ...[0.2, 0.5, 0.8].map((u) => {
      const x = left + (right - left) * u;
      return faint(straight(pts("0,5 18,5", x, surface)));
    }),
  ];
}

/** What stands beside the plant, so that its size is seen. */
export interface Companion {
  shapes: Shape[];
  words: string;
}

const PERSON_CM = 175;

const BOOT_CM = 30;

const HAND_CM = 18;

/**
 * A person, a boot or a hand, at the plant's own scale.
 * @param perCm units of the field for a centimeter
 */
export function companion(perCm: number): Companion | null {
  const x = 44;
  if (PERSON_CM * perCm <= GROUND - 30 && PERSON_CM * perCm >= 16)
    return { shapes: person(32, PERSON_CM * perCm), words: `${PERSON_CM} cm` };
  if (BOOT_CM * perCm <= 150 && BOOT_CM * perCm >= 16) return { shapes: boot(x, BOOT_CM * perCm), words: "a boot" };
  if (HAND_CM * perCm <= 170) return { shapes: hand(x + 8, HAND_CM * perCm), words: "a hand" };
  if (2 * perCm <= 90) return { shapes: fingertip(x, 2 * perCm), words: "a fingertip" };
  return null;
}

function person(x: number, tall: number): Shape[] {
  const u = tall / 100;
  const body: Point[] = pts(
    "-10,-84 -13,-80 -16,-46 -12.5,-45 -10,-66 -9,-46 -8.5,0 -2,0 -1,-44 1,-44 2,0 8.5,0 9,-46 10,-66 12.5,-45 16,-46 13,-80 10,-84",
  );
  const [cx, cy] = [x, GROUND - 92.5 * u];
  return [
    { ...area(straight(placed(body, [x, GROUND], u, 0), true), "paper"), width: 0.7 },
    { ...area(circle(cx, cy, 7.2 * u), "paper"), width: 0.7 },
  ];
}

function boot(x: number, tall: number): Shape[] {
  const u = tall / 30;
  const made: Point[] = pts("-6,-30 6,-30 6,-12 16,-6 17,-2 17,0 -7,0 -7,-14");
  return [
    cut(placed(made, [x, GROUND], u, 0), "paper", 0.8),
    {
      ...faint(
        straight(
          placed(
            [
              [-7, -3],
              [17, -3],
            ],
            [x, GROUND],
            u,
            0,
          ),
        ),
      ),
      width: 0.8,
    },
  ];
}

/** A hand that stands on the ground, fingers up. */
function hand(x: number, tall: number): Shape[] {
  const u = tall / 18;
  const made: Point[] = pts(
    "-3,0 -3.6,-5 -6.4,-8 -7,-10.6 -5.8,-11 -4,-8.6 -4,-15.4 -3,-16 -2.1,-15.2 -2,-11 -1.7,-17.4 -0.6,-18 0.3,-17.3 0.3,-11 0.9,-16.6 1.9,-17 2.7,-16.2 2.3,-10.6 3.1,-13.8 4,-14 4.6,-13.2 3.8,-6 3,0",
  );
  return [{ ...area(straight(placed(made, [x, GROUND], u, 0), true), "paper"), width: 0.7 }];
}

const fingertip = (x: number, tall: number): Shape[] => [
  closed(
    placed(
      [
        [-0.8, 0],
        [-0.85, -1.2],
        [-0.5, -1.85],
        [0, -2],
        [0.5, -1.85],
        [0.85, -1.2],
        [0.8, 0],
      ],
      [x, GROUND],
      tall / 2,
      0,
    ),
    "paper",
    0.7,
  ),
  closed(
    placed(
      [
        [-0.45, -1.2],
        [-0.4, -1.75],
        [0.4, -1.75],
        [0.45, -1.2],
      ],
      [x, GROUND],
      tall / 2,
      0,
    ),
    "white",
    0.5,
  ),
];
