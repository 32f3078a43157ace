import { circle, ellipse, type Lively, type Point, type Shape, straight, type Tint, area, flat } from "../shapes";
import { along, closed, line, placed, tapered, toward } from "./pen";

/** One flower or fruit as it looks from a step away. */
export interface Bloom {
  kind: string;
  tint: Tint;
  /** width in the field's units, drawn no smaller than can be seen */
  size: number;
}

const LEAST = 1.6;

/** A flower seen from the side or from before, of at least a visible size. */
export function bloom({ kind, tint, size }: Bloom, at: Point, degrees = 0): Shape[] {
  const r = Math.max(LEAST, size / 2);
  const [x, y] = at;
  if (r < 2.6) return [{ ...area(circle(x, y, r), tint), width: 0.5 }];
  if (kind === "daisy" || kind === "straps") {
    const rays = kind === "daisy" ? 13 : 18;
    return [
      ...Array.from({ length: rays }, (_, i) =>
        closed(
          placed(
            [
              [0, -r * 0.3],
              [r * 0.16, -r * 0.7],
              [0, -r],
              [-r * 0.16, -r * 0.7],
            ],
            at,
            1,
            (360 * i) / rays,
          ),
          tint,
          0.4,
        ),
      ),
      { ...area(circle(x, y, r * 0.36), kind === "daisy" ? "yellow" : tint), width: 0.5 },
    ];
  }
  if (kind === "button") {
    const cup = placed(
      [
        [-r * 0.7, 0],
        [-r * 0.8, -r * 0.9],
        [r * 0.8, -r * 0.9],
        [r * 0.7, 0],
        [0, r * 0.25],
      ],
      at,
      1,
      degrees,
    );
    const tuft = Array.from({ length: 9 }, (_, i) =>
      line(
        placed(
          [
            [(i - 4) * r * 0.16, -r * 0.85],
            [(i - 4) * r * 0.3, -r * 1.7],
          ],
          at,
          1,
          degrees,
        ),
        0.6,
      ),
    );
    const crown = placed(
      [
        [-r * 0.8, -r * 0.85],
        [-r * 1.25, -r * 1.6],
        [0, -r * 1.85],
        [r * 1.25, -r * 1.6],
        [r * 0.8, -r * 0.85],
      ],
      at,
      1,
      degrees,
    );
    return [closed(crown, tint, 0.5), ...tuft, closed(cup, "green", 0.6)];
  }
  if (kind === "trumpet") {
    const bell = placed(
      [
        [-r * 0.2, r],
        [-r * 0.35, 0],
        [-r, -r * 0.8],
        [0, -r * 0.6],
        [r, -r * 0.8],
        [r * 0.35, 0],
        [r * 0.2, r],
      ],
      at,
      1,
      degrees,
    );
    return [closed(bell, tint, 0.7)];
  }
  if (kind === "pea" || kind === "lipped" || kind === "spurred") {
    const lip = placed(
      [
        [0, r * 0.6],
        [-r * 0.8, 0],
        [-r * 0.7, -r * 0.9],
        [0, -r * 0.6],
        [r * 0.8, -r * 0.9],
        [r * 0.9, 0],
      ],
      at,
      1,
      degrees,
    );
    const low = placed(
      [
        [0, r * 0.6],
        [-r * 0.4, r * 0.1],
        [0, -r * 0.3],
        [r * 0.5, r * 0.1],
      ],
      at,
      1,
      degrees,
    );
    return [closed(lip, tint, 0.6), closed(low, tint, 0.5)];
  }
  const petals = kind === "iris" ? 3 : 5;
  return [
    ...Array.from({ length: petals }, (_, i) =>
      closed(
        placed(
          [
            [0, 0],
            [r * 0.5, -r * 0.6],
            [0, -r],
            [-r * 0.5, -r * 0.6],
          ],
          at,
          1,
          degrees + (360 * i) / petals,
        ),
        tint,
        0.5,
      ),
    ),
    { ...flat(circle(x, y, r * 0.2), "yellow") },
  ];
}

/** An umbel: rays from one point to a dome, each with a flower or an umbel of its own. */
function umbel(foot: Point, reach: number, degrees: number, flower: Bloom, rays: number, compound: boolean): Shape[] {
  const shapes: Shape[] = [];
  const ends: Point[] = [];
  for (let i = 0; i < rays; i++) {
    const turn = -72 + (144 * i) / Math.max(1, rays - 1);
    const end = toward(foot, degrees + turn, reach * (1 - 0.18 * Math.abs(turn / 72)));
    ends.push(end);
    shapes.push(line([foot, toward(foot, degrees + turn * 0.75, reach * 0.55), end], 0.35));
  }
  for (const end of ends) {
    if (!compound) shapes.push(...bloom(flower, end, degrees));
    else {
      const small = reach * 0.16;
      for (const turn of [-70, -35, 0, 35, 70]) {
        const tip = toward(end, degrees + turn, small);
        shapes.push({ ...area(circle(tip[0], tip[1], Math.max(1.1, small * 0.28)), flower.tint), width: 0.4 });
      }
    }
  }
  return shapes;
}

export interface Cluster {
  kind: string;
  flower: Bloom;
  /** length or width of the cluster in the field's units */
  reach: number;
  rays: number;
}

/** A cluster on the end of a stem. */
export function cluster({ kind, flower, reach, rays }: Cluster, foot: Point, degrees: number, lively: Lively): Shape[] {
  if (kind === "umbrella") return umbel(foot, reach * 0.55, degrees, flower, Math.min(19, Math.max(7, rays)), true);
  if (kind === "simple-umbel") return umbel(foot, reach * 0.45, degrees, flower, 13, false);
  if (kind === "spike" || kind === "coil") return spike(kind, flower, foot, reach, degrees, lively);
  if (kind === "plume") return plume(flower, foot, reach, degrees, lively);
  if (kind === "flat") return flatTop(flower, foot, reach, degrees);
  if (kind === "dense-head") {
    const tip = toward(foot, degrees, reach * 0.3);
    const at = Array.from({ length: 16 }, (_, i) => toward(tip, i * 137.5, reach * 0.3 * Math.sqrt((i + 0.5) / 16)));
    return [
      line([foot, tip], 1),
      ...at.flatMap((point) => bloom({ ...flower, size: Math.max(3.4, flower.size) }, point)),
    ];
  }
  if (kind === "few")
    return [-38, 0, 34].flatMap((turn, i) => {
      const tip = toward(foot, degrees + turn, reach * (0.5 + 0.2 * (i % 2)));
      return [line([foot, tip], 0.8), ...bloom(flower, tip, degrees + turn)];
    });
  return bloom(flower, toward(foot, degrees, Math.max(2, flower.size * 0.4)), degrees);
}

function spike(kind: string, flower: Bloom, foot: Point, reach: number, degrees: number, lively: Lively): Shape[] {
  const bend = kind === "coil" ? 70 : lively(8);
  const curve = [0, 0.34, 0.67, 1].map((u) => toward(foot, degrees + bend * u * u, reach * u));
  const step = Math.max(2.4, flower.size * 0.62);
  const n = Math.min(46, Math.max(5, Math.round(reach / step)));
  return [
    line(curve, 1),
    ...Array.from({ length: n }, (_, i) => i / n).flatMap((u, i) => {
      const { at, degrees: way } = along(curve, u);
      const size = flower.size * (1.05 - 0.5 * u);
      return bloom(
        { ...flower, size },
        toward(at, way + (i % 2 ? 64 : -64), Math.max(1.6, size * 0.5)),
        way + (i % 2 ? 64 : -64),
      );
    }),
  ];
}

function plume(flower: Bloom, foot: Point, reach: number, degrees: number, lively: Lively): Shape[] {
  const n = 11;
  return [
    line([foot, toward(foot, degrees, reach)], 0.9),
    ...Array.from({ length: n }, (_, i) => (i + 0.3) / n).flatMap((u, i) => {
      const at = toward(foot, degrees, reach * u);
      const long = reach * 0.36 * (1 - u * 0.82);
      const way = degrees + (i % 2 ? 1 : -1) * (58 + lively(6));
      const beads = Math.max(2, Math.round(long / Math.max(2.6, flower.size)));
      return [
        line([at, toward(at, way, long)], 0.6),
        ...Array.from({ length: beads }, (_, b) => (b + 1) / beads).flatMap((v) =>
          bloom(flower, toward(at, way, long * v)),
        ),
      ];
    }),
  ];
}

/** Stalks of several lengths that bring all flowers to one level. */
function flatTop(flower: Bloom, foot: Point, reach: number, degrees: number): Shape[] {
  const stalks = [-56, -38, -20, 0, 20, 38, 56];
  return stalks.flatMap((turn) => {
    const end = toward(foot, degrees + turn, (reach * 0.55) / Math.max(0.55, Math.cos((turn * Math.PI) / 180)));
    const small = [-24, 0, 24].map((more) => toward(end, degrees + more, reach * 0.09));
    return [line([foot, end], 0.7), ...small.flatMap((tip) => bloom(flower, tip, degrees))];
  });
}

/** A head of a grass or rush at the end of its culm; `length` in the field's units. */
export function grassHead(
  kind: string,
  foot: Point,
  length: number,
  degrees: number,
  tint: Tint,
  awn: number,
  lively: Lively,
): Shape[] {
  const curve = [0, 0.3, 0.65, 1].map((u) => toward(foot, degrees + u * u * 16, length * u));
  const spikelet = (at: Point, way: number, size: number): Shape[] => [
    closed(
      placed(
        [
          [0, 0],
          [size * 0.22, -size * 0.45],
          [0, -size],
          [-size * 0.22, -size * 0.45],
        ],
        at,
        1,
        way,
      ),
      tint,
      0.5,
    ),
    ...(awn > 0.5 ? [line([toward(at, way, size), toward(at, way + lively(6), size + awn)], 0.4)] : []),
  ];
  const size = Math.min(11, Math.max(3.6, length / 9));
  if (kind === "cylinder")
    return [
      tapered(curve, Math.max(4, length / 9), Math.max(3, length / 12), tint),
      ...(awn > 0.5 ? bristled(curve, awn) : []),
    ];
  if (kind === "spike" || kind === "short-stalks")
    return [
      line(curve, 0.9),
      ...steps(length, size * 0.55).flatMap((u, i) => {
        const { at, degrees: way } = along(curve, u);
        return spikelet(at, way + (i % 2 ? 24 : -24), size);
      }),
    ];
  if (kind === "fingers")
    return [-52, -26, 2, 30, 54].flatMap((turn) => {
      const finger = [0, 0.5, 1].map((u) => toward(foot, degrees + turn * (0.7 + 0.4 * u), length * u));
      return [tapered(finger, 2.2, 1.2, tint)];
    });
  if (kind === "burs")
    return steps(length, 9).map((u) => {
      const { at } = along(curve, u);
      return { ...area(circle(at[0], at[1], 3.4), tint), width: 0.8 };
    });
  if (kind === "lumps" || kind === "side" || kind === "tufted" || kind === "umbrella")
    return [-58, -26, 4, 34, 62].flatMap((turn, i) => {
      const tip = toward(foot, degrees + turn, length * (0.35 + 0.12 * (i % 3)));
      return [
        line([foot, tip], 0.7),
        ...[-50, -15, 20, 55].flatMap((more) => spikelet(tip, degrees + turn * 0.6 + more, size * 0.8)),
      ];
    });
  const spread = kind === "narrow" ? 20 : kind === "plume" ? 34 : 62;
  return [
    line(curve, 0.9),
    ...steps(length, Math.max(4, length / 13)).flatMap((u, i) => {
      const { at, degrees: way } = along(curve, u * 0.92);
      const branch = length * (kind === "narrow" ? 0.26 : 0.4) * (1 - u * 0.8);
      const turn = way + (i % 2 ? spread : -spread);
      const tip = toward(at, turn, branch);
      const beads = kind === "plume" ? [0.4, 0.6, 0.8, 1] : [0.55, 1];
      return [
        line([at, toward(at, turn, branch * 0.5), tip], 0.5),
        ...beads.flatMap((v) =>
          spikelet(toward(at, turn, branch * v), turn + (kind === "plume" ? 10 : 26), size * 0.72),
        ),
      ];
    }),
  ];
}

const steps = (length: number, step: number): number[] => {
  const n = Math.min(40, Math.max(4, Math.round(length / Math.max(2, step))));
  return Array.from({ length: n }, (_, i) => i / n);
};

function bristled(curve: Point[], awn: number): Shape[] {
  const tips = Array.from({ length: 26 }, (_, i) => along(curve, i / 26));
  return [
    {
      d: tips.map(({ at, degrees }, i) => straight([at, toward(at, degrees + (i % 2 ? 34 : -34), awn + 3)])).join(""),
      ink: "hair",
      width: 0.5,
    },
  ];
}

/** Fruit where the flowers stood: berries round, pods hanging, plumes, keys and burs in plain outline. */
export function fruitAt(kind: string, tint: Tint, at: Point, size: number, degrees: number): Shape[] {
  const r = Math.max(1.5, size / 2);
  const [x, y] = at;
  if (["pod", "split", "nut"].includes(kind) && r > 2.4)
    return [
      closed(
        placed(
          [
            [0, 0],
            [r * 0.32, -r * 0.6],
            [0, -r * 2],
            [-r * 0.32, -r * 0.6],
          ],
          at,
          1,
          degrees,
        ),
        tint,
        0.6,
      ),
    ];
  if (kind === "plume" || kind === "parachute")
    return Array.from({ length: 9 }, (_, i) => line([at, toward(at, i * 40, r * 1.5)], 0.5));
  if (kind === "key")
    return [
      closed(
        placed(
          [
            [0, 0],
            [r * 0.5, -r * 0.8],
            [r * 0.2, -r * 2],
            [-r * 0.3, -r * 1.2],
          ],
          at,
          1,
          degrees + 150,
        ),
        tint,
        0.6,
      ),
    ];
  if (kind === "bur")
    return [
      { ...area(circle(x, y, r), tint), width: 0.7 },
      ...Array.from({ length: 12 }, (_, i) => line([toward(at, i * 30, r), toward(at, i * 30, r * 1.5)], 0.5)),
    ];
  return [{ ...area(ellipse(x, y, r, r * 1.05), tint), width: 0.6 }];
}
