import {
  type Shape,
  all,
  flat,
  rectangle,
  ellipse,
  area,
  smoothClosed,
  pts,
  polar,
  straight,
  circle,
  outline,
  smooth,
  type Tint,
  faint,
  hair,
} from "../ink/shapes";
import { stem } from "../stem/stem";

export function bloom(state: string): Shape[] {
  const strength = { none: 0, light: 4, bloom: 9, white: 9 }[state] ?? 0;
  return all(
    stem(60, 4, 92, 14, "leaf"),
    strength > 4
      ? [flat(rectangle(47, 4, 26, 88), "white"), flat(rectangle(47, 40, 26, 18), "leaf")]
      : strength > 0
        ? [flat(ellipse(56, 26, 7, 16), "white"), flat(ellipse(64, 70, 6, 13), "white")]
        : [],
    strength > 4 ? [area(smoothClosed(pts("72,38 104,34 108,60 72,58")), "paper")] : [],
  );
}

const headBractsRays = Array.from({ length: 11 }, (_, i) =>
  area(
    smoothClosed([
      polar(60, 34, 10, -170 + i * 16),
      polar(60, 34, 26, -173 + i * 16),
      polar(60, 34, 30, -170 + i * 16),
      polar(60, 34, 26, -167 + i * 16),
    ]),
    "yellow",
  ),
);

const headBractsCup = (rows: number) =>
  Array.from({ length: rows }, (_, r) =>
    Array.from({ length: 6 }, (_, i) =>
      area(
        smoothClosed([
          [36 + i * 8, 76 - r * 12],
          [34 + i * 8, 66 - r * 12],
          [38 + i * 8, 54 - r * 12],
          [43 + i * 8, 66 - r * 12],
        ]),
        "leaf",
      ),
    ),
  ).flat();

const headBractsStalk = stem(60, 78, 94, 2.4);

const HEAD_BRACTS_KINDS: Record<string, (state: string) => Shape[]> = {
  "one-row": () =>
    all(
      headBractsRays,
      headBractsStalk,
      Array.from({ length: 7 }, (_, i) =>
        area(
          straight(
            [
              [37 + i * 6.6, 78],
              [37 + i * 6.6, 36],
              [40 + i * 6.6, 32],
              [43 + i * 6.6, 36],
              [43 + i * 6.6, 78],
            ],
            true,
          ),
          "leaf",
        ),
      ),
    ),
  "two-rows": () =>
    all(
      headBractsRays,
      headBractsStalk,
      Array.from({ length: 7 }, (_, i) =>
        area(
          straight(
            [
              [37 + i * 6.6, 74],
              [40 + i * 6.6, 32],
              [43 + i * 6.6, 74],
            ],
            true,
          ),
          "leaf",
        ),
      ),
      Array.from({ length: 5 }, (_, i) =>
        area(
          straight(
            [
              [38 + i * 9, 80],
              [40 + i * 9, 60],
              [44 + i * 9, 80],
            ],
            true,
          ),
          "pale",
        ),
      ),
    ),
  tiles: () => all(headBractsRays, headBractsStalk, headBractsCup(3).reverse()),
};

const otherHeadBracts = (): Shape[] =>
  all(
    Array.from({ length: 7 }, (_, i) => area(circle(42 + i * 6, 42 - (i % 2) * 5, 4), "green")),
    headBractsStalk,
    area(smoothClosed(pts("32,44 88,44 82,68 60,80 38,68")), "leaf"),
    outline(smooth(pts("32,44 60,52 88,44"))),
  );

export function headBracts(state: string): Shape[] {
  return (HEAD_BRACTS_KINDS[state] ?? otherHeadBracts)(state);
}

const bractTipsBract = (x: number, tint: Tint = "leaf") =>
  area(straight(pts("-12,92 -12,44 0,10 12,44 12,92", x), true), tint);

const BRACT_TIPS_KINDS: Record<string, (state: string) => Shape[]> = {
  black: () =>
    all(
      [34, 60, 86].map((x) => bractTipsBract(x)),
      [34, 60, 86].map((x) => flat(straight(pts("-7,30 0,10 7,30", x), true), "black")),
    ),
  "black-hair": () =>
    all(
      [34, 60, 86].map((x) => bractTipsBract(x)),
      [34, 60, 86].flatMap((x) =>
        [22, 36, 50, 64, 78].flatMap((y) => [
          {
            ...outline(straight(pts("0,0 8,-7", x, y))),
            width: 1.6,
          },
          flat(circle(x + 8, y - 7, 1.7), "black"),
        ]),
      ),
    ),
  papery: () =>
    all(
      [34, 60, 86].map((x) => bractTipsBract(x, "white")),
      [34, 60, 86].map((x) => area(straight(pts("-6,92 -6,48 0,28 6,48 6,92", x), true), "leaf")),
    ),
  "bent-back": () =>
    all(
      area(smoothClosed(pts("36,16 84,16 80,52 40,52")), "leaf"),
      [-1, 1].flatMap((s) =>
        [0, 1].map((k) => ({
          ...outline(
            smooth([
              [60 + s * 16, 52],
              [60 + s * (30 + k * 8), 52 + k * 4],
              [60 + s * (34 + k * 6), 82 - k * 6],
            ]),
          ),
          width: 3.4,
        })),
      ),
      stem(60, 52, 94, 3),
    ),
};

const otherBractTips = (): Shape[] =>
  all(
    [34, 60, 86].map((x) => bractTipsBract(x)),
    [34, 60, 86].map((x) => faint(straight(pts("0,90 0,20", x)))),
  );

export function bractTips(state: string): Shape[] {
  return (BRACT_TIPS_KINDS[state] ?? otherBractTips)(state);
}

export function pappus(state: string): Shape[] {
  const seed = area(smoothClosed(pts("60,94 52,78 56,60 64,60 68,78")), "brown");
  if (state === "none") return all(seed);
  if (state === "chaff")
    return all(
      seed,
      [30, 44, 76, 90].map((x) => area(straight(pts("-5,92 0,34 5,92", x), true), "white")),
    );
  const threads = Array.from({ length: 9 }, (_, i) => -160 + i * 17.5);
  return all(
    seed,
    threads.flatMap((a) => {
      const end = polar(60, 60, 48, a);
      const line = hair(straight([[60, 60], end]), 1);
      if (state === "plain") return [line];
      return [
        line,
        ...[0.4, 0.58, 0.76, 0.92].flatMap((u) =>
          [-1, 1].map((s) =>
            hair(
              straight([
                [60 + (end[0] - 60) * u, 60 + (end[1] - 60) * u],
                polar(60 + (end[0] - 60) * u, 60 + (end[1] - 60) * u, 6, a + s * 50),
              ]),
              0.6,
            ),
          ),
        ),
      ];
    }),
  );
}
