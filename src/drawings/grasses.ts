import {
  pts,
  all,
  area,
  circle,
  ellipse,
  faint,
  flat,
  hair,
  inner,
  outline,
  type Point,
  polar,
  type Shape,
  smooth,
  smoothClosed,
  straight,
} from "./shapes";
import { reedHead } from "./grass-detail";
import { stem } from "./parts";

const spikelet = (x: number, y: number, degrees: number, size = 10, awn = 0): Shape[] => {
  const tip = polar(x, y, size, degrees);
  const side = (s: number) => polar(...polar(x, y, size * 0.5, degrees), size * 0.24, degrees + s * 90);
  return [
    area(smoothClosed([[x, y], side(1), tip, side(-1)]), "straw"),
    ...(awn > 0 ? [hair(straight([tip, polar(tip[0], tip[1], awn, degrees)]), 0.8)] : []),
  ];
};

const headAxis = outline(straight(pts("60,94 60,8")));
const headPlume = (kind: string): Shape[] => reedHead(kind);
const HEAD_KINDS: Record<string, (kind: string) => Shape[]> = {
  plume: headPlume,
  burs: headPlume,
  umbrella: headPlume,
  spike: () =>
    all(
      headAxis,
      [14, 26, 38, 50, 62].flatMap((y, i) => spikelet(60, y + 8, i % 2 ? -62 : -118, 15, 8)),
    ),
  "short-stalks": () =>
    all(
      {
        ...outline(smooth(pts("56,94 58,50 70,18 92,20"))),
        width: 1.4,
      },
      [
        [58, 66],
        [60, 50],
        [66, 34],
        [78, 22],
      ].flatMap(([x, y], i) => [
        outline(
          straight([
            [x, y],
            [x + (i % 2 ? 7 : -6), y - 5],
          ]),
        ),
        ...spikelet(x + (i % 2 ? 7 : -6), y - 5, i % 2 ? -35 : -140, 22, 9),
      ]),
    ),
  cylinder: () =>
    all(
      headAxis,
      area(smoothClosed(pts("53,70 51,40 54,14 60,8 66,14 69,40 67,70 60,74")), "straw"),
      Array.from({ length: 40 }, (_, i) =>
        inner(
          straight([
            [53 + (i % 4) * 4.4, 16 + Math.floor(i / 4) * 5.6],
            [54 + (i % 4) * 4.4, 13 + Math.floor(i / 4) * 5.6],
          ]),
        ),
      ),
    ),
  narrow: () =>
    all(
      headAxis,
      [20, 32, 44, 56, 68].flatMap((y, i) => [
        outline(
          straight([
            [60, y + 14],
            [60 + (i % 2 ? 8 : -8), y],
          ]),
        ),
        ...spikelet(60 + (i % 2 ? 8 : -8), y, -90, 13, 6),
        ...spikelet(60 + (i % 2 ? 4 : -4), y + 8, -90, 11),
      ]),
    ),
  open: () =>
    all(
      headAxis,
      [24, 40, 56, 70].flatMap((y, i) =>
        [-1, 1].flatMap((s) => {
          const end: Point = [60 + s * (18 + i * 7), y - 10 + i * 2];
          return [
            inner(straight([[60, y], end])),
            inner(
              straight([
                [60 + s * (10 + i * 4), y - 5],
                [60 + s * (16 + i * 6), y + 5],
              ]),
            ),
            ...spikelet(end[0], end[1], s > 0 ? -20 : -160, 9),
            ...spikelet(60 + s * (16 + i * 6), y + 5, 70, 8),
          ];
        }),
      ),
      spikelet(60, 14, -90, 10),
    ),
  lumps: () =>
    all(
      headAxis,
      [
        [60, 16, 9],
        [50, 30, 8],
        [72, 34, 9],
        [40, 50, 11],
        [86, 54, 8],
      ].flatMap(([x, y, r]) => [
        outline(
          straight([
            [60, y + 12],
            [x, y],
          ]),
        ),
        area(
          smoothClosed([
            [x - r, y],
            [x - r * 0.4, y - r],
            [x + r * 0.8, y - r * 0.7],
            [x + r, y + r * 0.4],
            [x, y + r * 0.8],
          ]),
          "green",
        ),
        ...[0, 72, 144, 216, 288].map((a) => inner(straight([[x, y], polar(x, y, r * 0.8, a)]))),
      ]),
    ),
  fingers: () =>
    all(
      headAxis,
      [-58, -78, -98, -122].flatMap((a, i) => {
        const from: Point = [60, 40 - i * 5];
        return [
          outline(straight([from, polar(from[0], from[1], 36, a)])),
          ...[10, 16, 22, 28, 34].flatMap((r) => spikelet(...polar(from[0], from[1], r, a), a + 24, 7)),
        ];
      }),
    ),
  tufted: () =>
    all(
      headAxis,
      [22, 40, 58, 74].flatMap((y, i) => [
        area(
          smoothClosed([
            [60, y + 8],
            [60 + (i % 2 ? 10 : -10), y - 6],
            [60 + (i % 2 ? 16 : -16), y - 20],
            [60 + (i % 2 ? 4 : -4), y - 6],
          ]),
          "straw",
        ),
        ...Array.from({ length: 8 }, (_, k) =>
          hair(straight([[60 + (i % 2 ? 8 : -8), y - 4], polar(60 + (i % 2 ? 8 : -8), y - 4, 13, -150 + k * 16)]), 0.6),
        ),
      ]),
    ),
};
const otherHead = (): Shape[] =>
  all(
    area(smoothClosed(pts("56,94 57,50 60,4 63,50 64,94")), "green"),
    ...[0, 1, 2, 3, 4, 5].flatMap((i) => [
      inner(straight([[62, 40], polar(62, 40, 14 + (i % 3) * 4, -30 + i * 18)])),
      area(circle(...polar(62, 40, 15 + (i % 3) * 4, -30 + i * 18), 3), "brown"),
    ]),
  );

export function head(kind: string): Shape[] {
  return (HEAD_KINDS[kind] ?? otherHead)(kind);
}

export function awns(kind: string): Shape[] {
  const seed = spikelet(60, 88, -90, 34);
  if (kind === "none") return all(seed);
  if (kind === "straight") return all(seed, outline(straight(pts("60,54 60,8"))));
  if (kind === "spreading")
    return all(
      [
        [40, 84, -126],
        [60, 88, -90],
        [80, 84, -54],
      ].flatMap(([x, y, a]) => [
        ...spikelet(x, y, a, 20),
        outline(smooth([polar(x, y, 20, a), polar(x, y, 40, a + (a + 90) * 0.3), polar(x, y, 66, a + (a + 90) * 0.9)])),
      ]),
      outline(smooth(pts("60,68 66,40 58,12"))),
    );
  if (kind === "bent")
    return all(
      seed,
      {
        ...outline(straight(pts("60,66 57,60 63,54 57,48 63,42 60,38"))),
        width: 1.6,
      },
      outline(straight(pts("60,38 92,14"))),
    );
  return all(
    area(ellipse(60, 60, 16, 26), "straw"),
    ...Array.from({ length: 9 }, (_, i) => hair(straight([[60, 82], polar(60, 70, 28, 40 + i * 12)]))),
    outline(smooth(pts("60,40 64,26 72,22 76,30 70,34"))),
  );
}

export function spikeletStalk(kind: string): Shape[] {
  const length = { none: 0, tiny: 5, short: 16, long: 42 }[kind] ?? 0;
  return all(
    {
      ...outline(straight(pts("36,92 36,6"))),
      width: 2,
    },
    [26, 66].flatMap((y) => [
      outline(
        straight([
          [36, y],
          [36 + length, y - length * 0.25],
        ]),
      ),
      ...spikelet(36 + length, y - length * 0.25, -14, 32),
    ]),
  );
}

export function floretHair(kind: string): Shape[] {
  const seed = area(smoothClosed(pts("60,90 46,60 54,20 60,8 66,20 74,60")), "straw");
  const veins = [
    inner(straight(pts("60,88 60,14"))),
    inner(smooth(pts("56,84 52,54 58,16"))),
    inner(smooth(pts("64,84 68,54 62,16"))),
  ];
  const hairs: Shape[] = [];
  if (kind === "base")
    for (let i = 0; i < 9; i++) hairs.push(hair(straight([[60, 90], polar(60, 90, 22, -150 + i * 15)])));
  if (kind === "edge")
    for (let i = 0; i < 9; i++)
      hairs.push(
        hair(
          straight([
            [50 - (i < 5 ? 2 : 0), 80 - i * 7],
            [40, 74 - i * 7],
          ]),
        ),
        hair(
          straight([
            [70 + (i < 5 ? 2 : 0), 80 - i * 7],
            [80, 74 - i * 7],
          ]),
        ),
      );
  if (kind === "all")
    for (let i = 0; i < 24; i++)
      hairs.push(
        hair(
          straight([
            [52 + (i % 4) * 5, 80 - Math.floor(i / 4) * 10],
            [54 + (i % 4) * 5, 72 - Math.floor(i / 4) * 10],
          ]),
        ),
      );
  if (kind === "cobweb")
    for (let i = 0; i < 7; i++)
      hairs.push(
        hair(
          smooth([
            [60, 90],
            [44 + i * 6, 86 + (i % 2) * 6],
            [30 + i * 10, 78 + (i % 3) * 6],
            [26 + i * 11, 88],
          ]),
          0.6,
        ),
      );
  return all(seed, veins, hairs);
}

export function sheath(closure: "open" | "half" | "closed"): Shape[] {
  const body = area(straight(pts("46,10 74,10 74,92 46,92"), true), "leaf");
  const until = { open: 92, half: 52, closed: 18 }[closure];
  const gap = [
    outline(
      straight([
        [60, 10],
        [60, until],
      ]),
    ),
    ...(closure === "open"
      ? [faint(straight(pts("64,10 64,92"))), flat(straight(pts("60,10 64,10 64,92 60,92"), true), "pale")]
      : []),
    ...(closure === "half" ? [flat(straight(pts("57,10 63,10 60,52"), true), "paper")] : []),
    ...(closure === "closed" ? [flat(straight(pts("57,10 63,10 60,18"), true), "paper")] : []),
  ];
  return all(body, gap, area(smoothClosed(pts("74,12 90,4 110,16 92,16")), "leaf"));
}

export function youngest(kind: "rolled" | "folded"): Shape[] {
  if (kind === "rolled")
    return all(
      area(circle(60, 48, 36), "pale"),
      area(circle(60, 48, 28), "paper"),
      Array.from({ length: 1 }, () => ({
        ...outline(smooth(Array.from({ length: 40 }, (_, i) => polar(60, 48, 3 + i * 0.55, i * 24)))),
        width: 3,
      })),
    );
  return all(
    area(smoothClosed(pts("60,8 76,40 74,80 60,92 46,80 44,40")), "pale"),
    {
      ...outline(straight(pts("56,18 58,84"))),
      width: 3,
    },
    {
      ...outline(straight(pts("64,18 62,84"))),
      width: 3,
    },
    {
      ...outline(smooth(pts("58,84 60,87 62,84"))),
      width: 3,
    },
  );
}

export function bladeForm(kind: string): Shape[] {
  if (kind === "flat")
    return all(
      area(smoothClosed(pts("14,56 30,44 104,34 110,40 36,62")), "leaf"),
      inner(straight(pts("18,56 108,38"))),
      area(straight(pts("20,82 100,82 100,86 20,86"), true), "leaf"),
    );
  if (kind === "channelled")
    return all(
      area(smoothClosed(pts("14,56 30,44 104,34 110,40 36,62")), "leaf"),
      {
        ...inner(straight(pts("18,56 108,38"))),
        width: 2,
      },
      {
        ...outline(straight(pts("36,72 60,90 84,72"))),
        width: 3,
      },
    );
  if (kind === "rolled")
    return all(
      Array.from({ length: 5 }, (_, i) => ({
        ...outline(
          smooth([
            [44 + i * 6, 88],
            [34 + i * 12, 50],
            [20 + i * 20, 12],
          ]),
        ),
        width: 1.4,
      })),
      area(circle(102, 78, 8), "leaf"),
      {
        ...inner(smooth(pts("102,70 100,78 104,80"))),
      },
    );
  return all(
    [44, 60, 76].flatMap((x) => stem(x, 8, 92, 4, "green")),
    area(circle(102, 70, 9), "green"),
    flat(circle(102, 70, 5), "white"),
  );
}

export function bladeTip(kind: string): Shape[] {
  if (kind === "boat")
    return all(
      area(smoothClosed(pts("10,40 80,36 106,40 110,48 106,56 80,60 10,56")), "leaf"),
      {
        ...inner(smooth(pts("10,48 90,48 110,44"))),
        width: 1.6,
      },
      outline(smooth(pts("96,38 104,48 96,58"))),
    );
  return all(area(straight(pts("10,36 60,40 112,48 60,56 10,60"), true), "leaf"), inner(straight(pts("10,48 110,48"))));
}

export function midrib(kind: string): Shape[] {
  const strip = area(straight(pts("34,6 86,6 90,92 30,92"), true), "leaf");
  if (kind === "keel")
    return all(
      strip,
      {
        ...outline(straight(pts("60,6 60,92"))),
        width: 4,
      },
      faint(straight(pts("46,6 44,92"))),
      faint(straight(pts("74,6 76,92"))),
    );
  if (kind === "pale-stripe")
    return all(
      strip,
      flat(straight(pts("48,6 54,6 52,92 45,92"), true), "white"),
      outline(straight(pts("48,6 45,92"))),
      outline(straight(pts("54,6 52,92"))),
      faint(straight(pts("70,6 72,92"))),
    );
  if (kind === "tramline")
    return all(
      strip,
      flat(straight(pts("56,6 58,6 58,92 56,92"), true), "white"),
      flat(straight(pts("62,6 64,6 64,92 62,92"), true), "white"),
      outline(straight(pts("57,6 57,92"))),
      outline(straight(pts("63,6 63,92"))),
    );
  return all(
    strip,
    ...[42, 50, 60, 70, 78].map((x) =>
      faint(
        straight([
          [x, 6],
          [x, 92],
        ]),
      ),
    ),
  );
}

export function sheathFoot(kind: string): Shape[] {
  const tint =
    ({ green: "pale", red: "red", striped: "white", brown: "brown", blue: "bluegrey" } as const)[kind as "green"] ??
    "pale";
  const stripes =
    kind === "striped"
      ? [40, 47, 54, 61, 68, 75].map((x) => ({
          ...outline(
            straight([
              [x, 40],
              [x, 80],
            ]),
          ),
          width: 1.6,
        }))
      : kind === "brown"
        ? [36, 44, 52, 68, 78].map((x, i) =>
            outline(
              smooth([
                [x, 80],
                [x - 6 + i * 3, 60],
                [x - 12 + i * 6, 44 + (i % 2) * 8],
              ]),
            ),
          )
        : kind === "red"
          ? [50, 60, 70].map((x) =>
              faint(
                straight([
                  [x, 44],
                  [x, 80],
                ]),
              ),
            )
          : kind === "blue"
            ? [48, 60, 72].map((x) => flat(ellipse(x, 60, 2, 9), "paper"))
            : [];
  return all(
    area(smoothClosed(pts("44,10 76,10 82,60 80,82 40,82 38,60")), "leaf"),
    area(smoothClosed(pts("39,44 81,44 82,66 80,82 40,82 38,66")), tint),
    stripes,
    outline(straight(pts("14,84 106,84"))),
    Array.from({ length: 7 }, (_, i) =>
      hair(
        straight([
          [46 + i * 5, 84],
          [40 + i * 7, 94],
        ]),
      ),
    ),
  );
}
