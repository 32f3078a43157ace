import betaQuantile from "@stdlib/stats-base-dists-beta-quantile";
import { InputError } from "../errors";

/**
 * Exact one-sided upper limit of a proportion (Clopper and Pearson 1934): 0 of n is a result, not a failure.
 * @param k successes, whole, 0 ≤ k ≤ n
 * @param n trials, whole, ≥ 1
 * @param level confidence in (0, 1)
 * @returns limit in [0, 1]
 * @throws {InputError} out-of-range
 * @example upperLimit(0, 300, 0.95) // 0.00994
 */
export function upperLimit(k: number, n: number, level = 0.95): number {
  if (!Number.isInteger(n) || n < 1) throw new InputError("out-of-range", "n", n, "give a whole number of at least 1");
  if (!Number.isInteger(k) || k < 0 || k > n)
    throw new InputError("out-of-range", "k", k, `give a whole number from 0 to ${n}`);
  if (!(level > 0 && level < 1)) throw new InputError("out-of-range", "level", level, "give a number between 0 and 1");
  return k === n ? 1 : betaQuantile(level, k + 1, n - k);
}

/**
 * Expected calibration error: mean gap between what was claimed and what came true, over equal bins of the claim,
 * weighted by how many claims fall in each.
 * @param claims probability claimed in [0, 1], and whether it came true
 * @param bins number of equal bins
 */
export function calibrationError(claims: { probability: number; right: boolean }[], bins = 15): number {
  if (claims.length === 0) return 0;
  const sums = Array.from({ length: bins }, () => ({ n: 0, claimed: 0, right: 0 }));
  for (const { probability, right } of claims) {
    const bin = sums[Math.min(bins - 1, Math.floor(probability * bins))];
    bin.n++;
    bin.claimed += probability;
    if (right) bin.right++;
  }
  return sums.reduce((sum, b) => sum + Math.abs(b.claimed - b.right), 0) / claims.length;
}
