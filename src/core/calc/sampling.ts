import normalQuantile from "@stdlib/stats-base-dists-normal-quantile";
import { z } from "zod";
import { above0, calculation, level, roundUp, whole } from "../product";
import { twoSidedT } from "./density";

const precision = z
  .enum(["half-width", "standard-error"])
  .default("half-width")
  .describe("what D is: half of the interval, or the standard error, as a share of the mean");

/**
 * Quadrats for a relative precision. t depends on n: n is the least number that is enough with its own t. The correction for a small
 * number of quadrats in all comes before rounding up, which comes last.
 * @param perQuadrat squared coefficient of variation of one quadrat
 */
function sampleSize(
  perQuadrat: number,
  d: number,
  meaning: z.output<typeof precision>,
  confidence: number,
  population: number | undefined,
): number {
  const sizeWith = (t: number): number => {
    const n = (t ** 2 * perQuadrat) / d ** 2;
    return roundUp(population === undefined ? n : n / (1 + n / population));
  };
  if (meaning === "standard-error") return Math.max(2, sizeWith(1));
  // t is more than the z of the same level, so that fewer than this are never enough.
  let n = Math.max(2, sizeWith(normalQuantile(1 - (1 - confidence) / 2, 0, 1)));
  while (n < (population ?? Infinity) && sizeWith(twoSidedT(confidence, n - 1)) > n) n++;
  return n;
}

const common = {
  d: above0("share, relative precision D"),
  meaning: precision,
  level: level(),
  population: whole(1, "quadrats in all, where they are few").optional(),
};

/** How many quadrats are enough. */
export const SAMPLING = [
  calculation({
    name: "sample-size",
    says: "Quadrats for a relative precision, from the mean per quadrat and k. Without k the counts are Poisson.",
    inputs: z.strictObject({ mean: above0("plants per quadrat"), k: above0("exponent k").optional(), ...common }),
    gives: "quadrats",
    source: "n = t² (1/m + 1/k) / D²; Karandinos (1976), Bulletin of the Entomological Society of America 22",
    example: { inputs: { mean: 4, k: 2, d: 0.25, meaning: "standard-error" }, value: 12 },
    run: ({ mean, k, d, meaning, level: confidence, population }) =>
      sampleSize(1 / mean + (k === undefined ? 0 : 1 / k), d, meaning, confidence, population),
  }),
  calculation({
    name: "sample-size-taylor",
    says: "Quadrats for a relative precision, from Taylor's power law s² = a · m^b.",
    inputs: z.strictObject({
      mean: above0("plants per quadrat"),
      a: above0("a of the power law, not its logarithm"),
      b: above0("b of the power law"),
      ...common,
    }),
    gives: "quadrats",
    source: "n = t² a m^(b − 2) / D²; Taylor (1961), Nature 189; Green (1970)",
    example: { inputs: { mean: 4, a: 2, b: 1.5, d: 0.25, meaning: "standard-error" }, value: 16 },
    run: ({ mean, a, b, d, meaning, level: confidence, population }) =>
      sampleSize(a * mean ** (b - 2), d, meaning, confidence, population),
  }),
];
