import gammaQuantile from "@stdlib/stats-base-dists-gamma-quantile";
import tQuantile from "@stdlib/stats-base-dists-t-quantile";
import { z } from "zod";
import { InputError } from "../errors";
import { above0, calculation, level, whole } from "../product";

const counts = () => z.array(whole(0, "plants")).min(1).max(10_000).describe("plants, in each quadrat");
const quadrat = () => above0("m², of one quadrat").default(1);

export interface Spread {
  n: number;
  mean: number;
  /** s², with n − 1 */
  variance: number;
}

/** @throws {InputError} out-of-range where fewer than two values are given */
export function spreadOf(values: number[], field: string): Spread {
  const n = values.length;
  if (n < 2) throw new InputError("out-of-range", field, n, "give at least two values");
  const mean = values.reduce((sum, value) => sum + value, 0) / n;
  return { n, mean, variance: values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (n - 1) };
}

/** The t of a two-sided interval. */
export const twoSidedT = (confidence: number, freedom: number): number => tQuantile(1 - (1 - confidence) / 2, freedom);

/** An interval about a mean of counts, in plants per m². A lower limit below 0 is given as it is, and clipped beside it. */
const intervalOf = (mean: number, error: number, t: number, quadratM2: number) => {
  const low = (mean - t * error) / quadratM2;
  return {
    mean: mean / quadratM2,
    standardError: error / quadratM2,
    low,
    lowClipped: Math.max(0, low),
    high: (mean + t * error) / quadratM2,
  };
};

/** Plants per m² with an interval. */
export const DENSITY = [
  calculation({
    name: "density-t",
    says: "Density from counts, with the t interval (n − 1).",
    inputs: z.strictObject({ counts: counts(), quadratM2: quadrat(), level: level() }),
    gives: "plants/m²: { mean, standardError, low, lowClipped, high }",
    source: "Student (1908); any text of survey statistics",
    example: {
      inputs: { counts: [2, 4, 6], level: 0.95 },
      value: { mean: 4, standardError: 2 / Math.sqrt(3), low: -0.9682754, lowClipped: 0, high: 8.9682754 },
    },
    run: ({ counts: of, quadratM2, level: confidence }) => {
      const { n, mean, variance } = spreadOf(of, "counts");
      return intervalOf(mean, Math.sqrt(variance / n), twoSidedT(confidence, n - 1), quadratM2);
    },
  }),
  calculation({
    name: "density-poisson",
    says: "Density from a total count, with the exact Poisson interval. None found is a result.",
    inputs: z.strictObject({
      total: whole(0, "plants in all quadrats"),
      quadrats: whole(1, "quadrats"),
      quadratM2: quadrat(),
      level: level(),
      sides: z.enum(["two", "upper"]).default("two").describe("two-sided, or the upper limit alone"),
    }),
    gives: "plants/m²: { mean, low: 0 for an upper limit alone, high }",
    source: "Garwood (1936), Biometrika 28",
    example: {
      inputs: { total: 0, quadrats: 10, sides: "upper" },
      value: { mean: 0, low: 0, high: -Math.log(0.05) / 10 },
    },
    run: ({ total, quadrats, quadratM2, level: confidence, sides }) => {
      const ground = quadrats * quadratM2;
      const tail = sides === "two" ? (1 - confidence) / 2 : 1 - confidence;
      const low = sides === "upper" || total === 0 ? 0 : gammaQuantile(tail, total, 1);
      return { mean: total / ground, low: low / ground, high: gammaQuantile(1 - tail, total + 1, 1) / ground };
    },
  }),
  calculation({
    name: "density-negative-binomial",
    says: "Density from counts that are clumped. k is worked out by moments where it is not given; it is undefined where the variance is not above the mean.",
    inputs: z.strictObject({
      counts: counts(),
      quadratM2: quadrat(),
      level: level(),
      k: above0("exponent k").optional(),
    }),
    gives:
      "{ k: or null, mean, standardError, low, lowClipped, high } in plants/m², null but for mean where k is undefined",
    source: "Anscombe (1949), Biometrics 5: k = m² / (s² − m); variance of the mean (m + m²/k) / n, with t (n − 1)",
    example: {
      inputs: { counts: [2, 2, 2] },
      value: { k: null, mean: 2, standardError: null, low: null, lowClipped: null, high: null },
    },
    run: ({ counts: of, quadratM2, level: confidence, k: given }) => {
      const { n, mean, variance } = spreadOf(of, "counts");
      const k = given ?? (variance > mean ? mean ** 2 / (variance - mean) : null);
      if (k === null)
        return { k, mean: mean / quadratM2, standardError: null, low: null, lowClipped: null, high: null };
      const error = Math.sqrt((mean + mean ** 2 / k) / n);
      return { k, ...intervalOf(mean, error, twoSidedT(confidence, n - 1), quadratM2) };
    },
  }),
];
