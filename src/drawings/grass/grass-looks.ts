import type { Pictures } from "../ink/draw";
import { type Tint, type Shape, all, outline, area, ellipse, inner, key, flat, hair, circle } from "../ink/shapes";

/** A head of spikelets on a stem, of one tint. */
const colored = (tint: Tint, marks = ""): Shape[] =>
  all(
    outline("M60,94L60,62"),
    [14, 24, 34, 44, 54].flatMap((y, i) => [
      area(ellipse(60 - 7 - i * 1.4, y + 4, 8, 4.4), tint),
      area(ellipse(60 + 7 + i * 1.4, y + 4, 8, 4.4), tint),
    ]),
    area(ellipse(60, 8, 4, 6), tint),
    marks ? [inner(marks)] : [],
  );

const spikelet = (low: number, high: number): Shape[] =>
  all(
    area("M60,92L46,60Q44,26 60,10Q76,26 74,60Z", "pale"),
    low > 0 ? [area(`M58,92Q${30},${92 - low * 0.5} 44,${92 - low}Q56,${92 - low * 0.5} 58,92Z`, "leaf")] : [],
    [area(`M62,92Q${90},${92 - high * 0.5} 76,${92 - high}Q64,${92 - high * 0.5} 62,92Z`, "leaf")],
    inner("M60,88L60,20"),
  );

const threeFlorets = (awned: boolean[]): Shape[] =>
  all(
    outline("M60,94L60,84"),
    [74, 52, 30].flatMap((y, i) => [
      area(`M60,${y + 10}Q${i % 2 ? 40 : 80},${y} 60,${y - 16}Q${i % 2 ? 56 : 64},${y} 60,${y + 10}Z`, "straw"),
      ...(awned[i] ? [key(`M60,${y - 16}L${i % 2 ? 34 : 88},${y - 34 < 2 ? 2 : y - 34}`)] : []),
    ]),
  );

const culm = (): Shape[] => [area("M54,4L66,4L66,92L54,92Z", "straw")];

/** Pictures of heads, scales, awns and old sheaths of grasses. */
export const GRASS_LOOKS: Pictures = {
  "head-color": {
    green: () => colored("green"),
    purple: () => colored("purple", "M56,30L64,30"),
    straw: () => colored("straw", "M60,60L60,14"),
    brown: () => colored("brown", "M54,40L66,40"),
    silver: () => colored("silver", "M50,50L70,50M52,34L68,34"),
    yellow: () => colored("yellow", "M54,50L66,50"),
  },
  "head-density": {
    loose: () =>
      all(
        outline("M60,94L60,8M60,60L26,36M60,60L94,36M60,40L34,18M60,40L86,18M60,24L46,8M60,24L74,8"),
        [
          [26, 36],
          [94, 36],
          [34, 18],
          [86, 18],
          [46, 8],
          [74, 8],
          [60, 6],
        ].map(([x, y]) => area(ellipse(x, y, 3, 5), "straw")),
      ),
    dense: () =>
      all(
        outline("M60,94L60,70"),
        area("M50,72Q44,38 60,6Q76,38 70,72Z", "straw"),
        inner("M54,60L66,56M52,46L68,42M54,32L66,28M56,20L64,18"),
      ),
    broken: () =>
      all(
        outline("M60,94L60,20"),
        [
          [60, 22, 16],
          [60, 56, 8],
          [60, 78, 6],
        ].map(([x, y, r]) => area(ellipse(x, y, r * 0.8, r), "straw")),
        inner("M54,18L66,26M56,54L64,60"),
      ),
  },
  "glume-sizes": {
    equal: () => spikelet(56, 56),
    unequal: () => spikelet(34, 62),
    tiny: () => spikelet(8, 62),
  },
  "awn-floret": {
    every: () => threeFlorets([true, true, true]),
    upper: () => threeFlorets([false, true, true]),
    lower: () => threeFlorets([true, false, false]),
  },
  "sheath-shed": {
    cling: () =>
      all(
        culm(),
        area("M50,26L70,26L68,90L52,90Z", "leaf"),
        inner("M56,30L56,88M64,30L64,88"),
        outline("M70,26Q90,16 110,22"),
      ),
    fall: () =>
      all(
        culm(),
        area("M78,40Q92,50 88,92L74,92Q82,66 72,44Z", "leaf"),
        inner("M80,50Q86,66 81,90"),
        key("M54,60L66,60"),
      ),
  },
};

/** New states of parts of grasses that were drawn before. */
export const midStripe = (): Shape[] => [
  area("M34,92L44,6L76,6L86,92Z", "leaf"),
  flat("M55,92L57,6L63,6L65,92Z", "white"),
  outline("M55,92L57,6M65,92L63,6"),
  inner("M44,92L50,6M76,92L70,6"),
];

export const bladeFoot = (): Shape[] =>
  all(
    area("M52,92L50,60L66,60L68,92Z", "pale"),
    area("M50,60Q66,30 112,10Q86,46 66,60Z", "leaf"),
    [54, 58, 62, 66, 70, 74].map((x, i) => hair(`M${x},${54 - i * 3}L${x - 10 + i},${30 - i * 3}`)),
    [circle(58, 60, 1)].map((d) => outline(d)),
  );
