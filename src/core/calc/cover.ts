import normalQuantile from "@stdlib/stats-base-dists-normal-quantile";
import { z } from "zod";
import { InputError } from "../errors";
import { between, calculation, level, whole } from "../product";

/** Interval of a share by Wilson (1927), Journal of the American Statistical Association 22; it holds at 0 and at n of n. */
export function wilson(k: number, n: number, confidence: number): { share: number; low: number; high: number } {
  if (k > n) throw new InputError("out-of-range", "k", k, `give at most n, ${n}`);
  const z2 = normalQuantile(1 - (1 - confidence) / 2, 0, 1) ** 2;
  const middle = (k + z2 / 2) / (n + z2);
  const half = Math.sqrt(z2 * ((k * (n - k)) / n + z2 / 4)) / (n + z2);
  return { share: k / n, low: k === 0 ? 0 : middle - half, high: k === n ? 1 : middle + half };
}

/** How much of the ground a plant covers. Plots without it count. */
export const COVER = [
  calculation({
    name: "cover-classes",
    says: "Mean cover from classes, by the middle of each. Empty plots are of a class of their own, or of 0 to 0.",
    inputs: z.strictObject({
      classes: z
        .array(z.strictObject({ low: between(0, 100, "%"), high: between(0, 100, "%") }))
        .min(1)
        .max(30)
        .describe("classes of cover, in order"),
      plots: z.array(whole(0, "number of the class, from 1; 0: the plant is absent")).min(1).max(10_000),
    }),
    gives: "%",
    source: "Daubenmire (1959), Northwest Science 33: mean of the middles",
    example: {
      inputs: {
        classes: [
          { low: 0, high: 5 },
          { low: 5, high: 25 },
        ],
        plots: [0, 1, 2],
      },
      value: (0 + 2.5 + 15) / 3,
    },
    run: ({ classes, plots }) => {
      const middles = plots.map((plot, i) => {
        const held = plot === 0 ? { low: 0, high: 0 } : classes[plot - 1];
        if (!held) throw new InputError("out-of-range", `plots.${i}`, plot, `give 0 to ${classes.length}`);
        if (held.low > held.high)
          throw new InputError("out-of-range", `classes.${plot - 1}.low`, held.low, `give at most ${held.high}`);
        return (held.low + held.high) / 2;
      });
      return middles.reduce((sum, middle) => sum + middle, 0) / middles.length;
    },
  }),
  calculation({
    name: "cover-hits",
    says: "Cover from points that hit the plant, with Wilson's interval.",
    inputs: z.strictObject({ hits: whole(0, "points that hit"), points: whole(1, "points"), level: level() }),
    gives: "share: { share, low, high }",
    source: "Wilson (1927)",
    example: { inputs: { hits: 0, points: 10 }, value: { share: 0, low: 0, high: 0.2775328 } },
    run: ({ hits, points, level: confidence }) => wilson(hits, points, confidence),
  }),
  calculation({
    name: "wilson",
    says: "Interval of a share, such as the frequency of a plant in plots.",
    inputs: z.strictObject({ k: whole(0, "plots with the plant"), n: whole(1, "plots"), level: level() }),
    gives: "share: { share, low, high }",
    source: "Wilson (1927)",
    example: { inputs: { k: 5, n: 10 }, value: { share: 0.5, low: 0.2365931, high: 0.7634069 } },
    run: ({ k, n, level: confidence }) => wilson(k, n, confidence),
  }),
  calculation({
    name: "infested-area",
    says: "Infested area: gross areas times their cover. The mean cover of several is weighted by area.",
    inputs: z.strictObject({
      patches: z
        .array(z.strictObject({ areaM2: between(0, 1e12, "m²"), coverShare: between(0, 1, "share") }))
        .min(1)
        .max(10_000),
    }),
    gives: "{ infestedM2, meanCover: share, or null where there is no area }",
    source: "sum of area · cover",
    example: {
      inputs: {
        patches: [
          { areaM2: 100, coverShare: 0.5 },
          { areaM2: 300, coverShare: 0.1 },
        ],
      },
      value: { infestedM2: 80, meanCover: 0.2 },
    },
    run: ({ patches }) => {
      const grossM2 = patches.reduce((sum, { areaM2 }) => sum + areaM2, 0);
      const infestedM2 = patches.reduce((sum, { areaM2, coverShare }) => sum + areaM2 * coverShare, 0);
      return { infestedM2, meanCover: grossM2 === 0 ? null : infestedM2 / grossM2 };
    },
  }),
];
