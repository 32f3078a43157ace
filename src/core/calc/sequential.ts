import { z } from "zod";
import { InputError } from "../errors";
import { above0, calculation, whole } from "../product";

const errors = {
  alpha: z.number().gt(0).lt(0.5).default(0.1).describe("chance of saying above where it is below"),
  beta: z.number().gt(0).lt(0.5).default(0.1).describe("chance of saying below where it is above"),
};

interface Lines {
  /** plants, or plots with the plant, per quadrat */
  slope: number;
  interceptLow: number;
  interceptHigh: number;
}

/** Two parallel lines of Wald's test. @param gain logarithm that one more plant adds @param loss that one more quadrat takes away */
const linesOf = (gain: number, loss: number, alpha: number, beta: number): Lines => ({
  slope: loss / gain,
  interceptLow: Math.log(beta / (1 - alpha)) / gain,
  interceptHigh: Math.log((1 - beta) / alpha) / gain,
});

/** The first crossing decides. A total on a line decides too. */
function decide(
  lines: Lines,
  counts: number[],
): { decision: "above" | "below" | "go on"; after: number | null; total: number } {
  let total = 0;
  for (const [i, value] of counts.entries()) {
    total += value;
    const at = lines.slope * (i + 1);
    if (total >= at + lines.interceptHigh) return { decision: "above", after: i + 1, total };
    if (total <= at + lines.interceptLow) return { decision: "below", after: i + 1, total };
  }
  return { decision: "go on", after: null, total };
}

function mustRise(low: number, high: number, field: string): void {
  if (high <= low) throw new InputError("out-of-range", field, high, `give more than ${low}`);
}

/** When to stop counting. Source of both: Wald (1947), Sequential Analysis. */
export const SEQUENTIAL = [
  calculation({
    name: "sequential-counts",
    says: "Wald's test for clumped counts: two lines on a chart, and the total between them.",
    inputs: z.strictObject({
      lowMean: above0("plants per quadrat that are few"),
      highMean: above0("plants per quadrat that are many"),
      k: above0("exponent k"),
      ...errors,
      counts: z.array(whole(0, "plants")).max(10_000).default([]).describe("plants, in the order of counting"),
    }),
    gives: "{ slope, interceptLow, interceptHigh, decision: above, below or go on, after: quadrats or null, total }",
    source: "Wald (1947); negative binomial form in Waters (1955), Forest Science 1",
    example: {
      inputs: { lowMean: 1, highMean: 4, k: 2, alpha: 0.1, beta: 0.1 },
      value: {
        ...{ slope: 2, interceptLow: -Math.log(9) / Math.log(2), interceptHigh: Math.log(9) / Math.log(2) },
        ...{ decision: "go on", after: null, total: 0 },
      },
    },
    run: ({ lowMean, highMean, k, alpha, beta, counts }) => {
      mustRise(lowMean, highMean, "highMean");
      const gain = Math.log((highMean * (lowMean + k)) / (lowMean * (highMean + k)));
      const lines = linesOf(gain, k * Math.log((k + highMean) / (k + lowMean)), alpha, beta);
      return { ...lines, ...decide(lines, counts) };
    },
  }),
  calculation({
    name: "sequential-presence",
    says: "Wald's test for plots with and without the plant.",
    inputs: z.strictObject({
      lowShare: z.number().gt(0).lt(1).describe("share of plots that is low"),
      highShare: z.number().gt(0).lt(1).describe("share of plots that is high"),
      ...errors,
      present: z.array(z.boolean()).max(10_000).default([]).describe("whether each plot has the plant, in order"),
    }),
    gives: "{ slope, interceptLow, interceptHigh, decision: above, below or go on, after: plots or null, total }",
    source: "Wald (1947), binomial form",
    example: {
      inputs: { lowShare: 0.2, highShare: 0.8, alpha: 0.1, beta: 0.1, present: [true, true] },
      value: {
        ...{ slope: 0.5, interceptLow: -Math.log(9) / Math.log(16), interceptHigh: Math.log(9) / Math.log(16) },
        ...{ decision: "above", after: 2, total: 2 },
      },
    },
    run: ({ lowShare, highShare, alpha, beta, present }) => {
      mustRise(lowShare, highShare, "highShare");
      const gain = Math.log((highShare * (1 - lowShare)) / (lowShare * (1 - highShare)));
      const lines = linesOf(gain, Math.log((1 - lowShare) / (1 - highShare)), alpha, beta);
      return { ...lines, ...decide(lines, present.map(Number)) };
    },
  }),
];
