import { z } from "zod";
import { InputError } from "../errors";
import { above0, calculation } from "../product";

const celsius = (what: string) => z.number().min(-90).max(70).describe(`°C, ${what}`);
const dayFields = { minC: celsius("lowest of the day"), maxC: celsius("highest of the day") };
const thresholds = {
  lowerC: celsius("lower threshold"),
  upperC: celsius("upper threshold, horizontal cutoff").optional(),
};
type Day = { minC: number; maxC: number };

function mustBeOrdered({ minC, maxC }: Day, lowerC: number, upperC: number | undefined): void {
  if (minC > maxC) throw new InputError("out-of-range", "minC", minC, `give at most maxC, ${maxC}`);
  if (upperC !== undefined && upperC <= lowerC)
    throw new InputError("out-of-range", "upperC", upperC, `give more than lowerC, ${lowerC}`);
}

/**
 * Degree days of a day by the average: (min + max) / 2, at most the upper threshold, less the lower threshold, at least 0. Minimum and
 * maximum are taken as they are, not raised to the threshold.
 */
export function averageDegreeDays(day: Day, lowerC: number, upperC?: number): number {
  mustBeOrdered(day, lowerC, upperC);
  return Math.max(0, Math.min((day.minC + day.maxC) / 2, upperC ?? Infinity) - lowerC);
}

/** Area of a day's sine above a threshold, degree days. A threshold that is just touched cuts nothing off. */
function sineAbove({ minC, maxC }: Day, thresholdC: number): number {
  const middle = (minC + maxC) / 2;
  if (minC >= thresholdC) return middle - thresholdC;
  if (maxC <= thresholdC) return 0;
  const swing = (maxC - minC) / 2;
  const angle = Math.asin((thresholdC - middle) / swing);
  return ((middle - thresholdC) * (Math.PI / 2 - angle) + swing * Math.cos(angle)) / Math.PI;
}

/**
 * Degree days of a day by the single sine with a horizontal cutoff: what lies above the lower threshold less what lies above the
 * upper. All six cases of two thresholds follow from this difference. Source: Zalom et al. (1983), Degree-days: the calculation and
 * use of heat units in pest management, University of California leaflet 21373.
 */
export function sineDegreeDays(day: Day, lowerC: number, upperC?: number): number {
  mustBeOrdered(day, lowerC, upperC);
  return sineAbove(day, lowerC) - (upperC === undefined ? 0 : sineAbove(day, upperC));
}

/** Heat that a plant has had. The day itself counts. */
export const DEGREE_DAYS = [
  calculation({
    name: "degree-days-average",
    says: "Degree days of a day by the average of its lowest and highest temperature.",
    inputs: z.strictObject({ ...dayFields, ...thresholds }),
    gives: "°C · day",
    source: "McMaster and Wilhelm (1997), Agricultural and Forest Meteorology 87, method 1",
    example: { inputs: { minC: 10, maxC: 24, lowerC: 10 }, value: 7 },
    run: ({ minC, maxC, lowerC, upperC }) => averageDegreeDays({ minC, maxC }, lowerC, upperC),
  }),
  calculation({
    name: "degree-days-sine",
    says: "Degree days of a day by a single sine, with one threshold or two (horizontal cutoff).",
    inputs: z.strictObject({ ...dayFields, ...thresholds }),
    gives: "°C · day",
    source: "Zalom et al. (1983), University of California leaflet 21373",
    example: { inputs: { minC: 0, maxC: 20, lowerC: 10 }, value: 10 / Math.PI },
    run: ({ minC, maxC, lowerC, upperC }) => sineDegreeDays({ minC, maxC }, lowerC, upperC),
  }),
  calculation({
    name: "degree-days-reached",
    says: "The day on which a sum of degree days is reached, counted from 1, or null where it is not reached.",
    inputs: z.strictObject({
      days: z.array(z.strictObject(dayFields)).min(1).max(3000).describe("days in order"),
      ...thresholds,
      wanted: above0("°C · day"),
      method: z.enum(["average", "sine"]).default("sine"),
    }),
    gives: "{ day: from 1, or null, sum: °C · day to that day, or of all }",
    source: "sum of the days' degree days",
    example: {
      inputs: {
        days: [
          { minC: 10, maxC: 20 },
          { minC: 10, maxC: 20 },
          { minC: 10, maxC: 20 },
        ],
        lowerC: 5,
        wanted: 20,
      },
      value: { day: 2, sum: 20 },
    },
    run: ({ days, lowerC, upperC, wanted, method }) => {
      const of = method === "sine" ? sineDegreeDays : averageDegreeDays;
      let sum = 0;
      for (const [i, day] of days.entries()) {
        sum += of(day, lowerC, upperC);
        if (sum >= wanted - 1e-9) return { day: i + 1, sum };
      }
      return { day: null, sum };
    },
  }),
];
