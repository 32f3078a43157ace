import { z } from "zod";
import { above0, between, calculation } from "./calculation";

const flow = () => above0("L/min, of one nozzle");
const spacing = () => above0("m, between nozzles");

/** Nozzles whose flow is more than `tolerance` away from a flow, counted from 1, with their flow as a share of it. */
const offFrom = (flows: number[], of: number, tolerance: number) =>
  flows.flatMap((value, i) =>
    Math.abs(value / of - 1) > tolerance + 1e-12 ? [{ nozzle: i + 1, share: value / of }] : [],
  );

/** How much a sprayer puts on an area. Sources: the dimensions alone; the constants 600 and 5940 follow exactly from the units. */
export const CALIBRATION = [
  calculation({
    name: "boom-rate",
    says: "Carrier that a boom puts on an area.",
    inputs: z.strictObject({ flowLPerMin: flow(), speedKmH: above0("km/h"), spacingM: spacing() }),
    gives: "L/ha",
    source:
      "L/ha = 600 · L/min ÷ (km/h · m); FAO, Guidelines on good practice for ground application of pesticides (2001)",
    example: { inputs: { flowLPerMin: 0.8, speedKmH: 6, spacingM: 0.5 }, value: 160 },
    run: ({ flowLPerMin, speedKmH, spacingM }) => (600 * flowLPerMin) / (speedKmH * spacingM),
  }),
  calculation({
    name: "boom-rate-us",
    says: "Carrier that a boom puts on an area, in US measures.",
    inputs: z.strictObject({
      flowGalUsPerMin: above0("US gal/min, of one nozzle"),
      speedMph: above0("mph"),
      spacingIn: above0("in, between nozzles"),
    }),
    gives: "US gal/acre",
    source: "GPA = 5940 · GPM ÷ (mph · in); extension calibration guides of US land-grant universities",
    example: { inputs: { flowGalUsPerMin: 0.2, speedMph: 5, spacingIn: 20 }, value: 11.88 },
    run: ({ flowGalUsPerMin, speedMph, spacingIn }) => (5940 * flowGalUsPerMin) / (speedMph * spacingIn),
  }),
  calculation({
    name: "nozzle-flow",
    says: "Flow that each nozzle of a boom needs for a rate.",
    inputs: z.strictObject({ rateLPerHa: above0("L/ha"), speedKmH: above0("km/h"), spacingM: spacing() }),
    gives: "L/min",
    source: "boom-rate, solved for the flow",
    example: { inputs: { rateLPerHa: 160, speedKmH: 6, spacingM: 0.5 }, value: 0.8 },
    run: ({ rateLPerHa, speedKmH, spacingM }) => (rateLPerHa * speedKmH * spacingM) / 600,
  }),
  calculation({
    name: "travel-speed",
    says: "Speed from a measured run.",
    inputs: z.strictObject({ distanceM: above0("m"), seconds: above0("s") }),
    gives: "km/h",
    source: "3.6 · m ÷ s",
    example: { inputs: { distanceM: 50, seconds: 30 }, value: 6 },
    run: ({ distanceM, seconds }) => (3.6 * distanceM) / seconds,
  }),
  calculation({
    name: "nozzle-check",
    says: "Nozzles that differ from the mean of all, and from what they should give.",
    inputs: z.strictObject({
      flowsLPerMin: z.array(flow()).min(1).max(200).describe("L/min, of each nozzle in order"),
      nominalLPerMin: flow().optional(),
      tolerance: between(0, 1, "share").default(0.1),
    }),
    gives: "{ meanLPerMin, offMean: [{ nozzle, share }], offNominal: the same, or null where none was given }",
    source: "the usual limit of 10 % off the mean; FAO (2001)",
    example: {
      inputs: { flowsLPerMin: [1, 1, 1, 1.4], nominalLPerMin: 1 },
      value: { meanLPerMin: 1.1, offMean: [{ nozzle: 4, share: 1.4 / 1.1 }], offNominal: [{ nozzle: 4, share: 1.4 }] },
    },
    run: ({ flowsLPerMin, nominalLPerMin, tolerance }) => {
      const meanLPerMin = flowsLPerMin.reduce((sum, value) => sum + value, 0) / flowsLPerMin.length;
      return {
        meanLPerMin,
        offMean: offFrom(flowsLPerMin, meanLPerMin, tolerance),
        offNominal: nominalLPerMin === undefined ? null : offFrom(flowsLPerMin, nominalLPerMin, tolerance),
      };
    },
  }),
  calculation({
    name: "catch-rate",
    says: "Small-plot catch: spray a measured plot, then catch for the same time.",
    inputs: z.strictObject({ plotM2: above0("m²"), caughtMl: above0("mL") }),
    gives: "L/ha",
    source: "10 · mL ÷ m²; the plot method of extension guides for backpack sprayers",
    example: { inputs: { plotM2: 25, caughtMl: 500 }, value: 200 },
    run: ({ plotM2, caughtMl }) => (10 * caughtMl) / plotM2,
  }),
  calculation({
    name: "catch-rate-us",
    says: "Small-plot catch in US measures. On 1/128 acre (340.3 ft²) the fluid ounces are gallons to the acre.",
    inputs: z.strictObject({ plotFt2: above0("ft²"), caughtFlOzUs: above0("US fl oz") }),
    gives: "US gal/acre",
    source: "the 1/128th acre method of US extension guides",
    example: { inputs: { plotFt2: 340.3125, caughtFlOzUs: 20 }, value: 20 },
    run: ({ plotFt2, caughtFlOzUs }) => ((caughtFlOzUs / 128) * 43560) / plotFt2,
  }),
  calculation({
    name: "handgun-rate",
    says: "Carrier that a handgun puts on an area.",
    inputs: z.strictObject({ flowLPerMin: above0("L/min"), seconds: above0("s"), areaM2: above0("m²") }),
    gives: "L/ha",
    source: "volume ÷ area",
    example: { inputs: { flowLPerMin: 6, seconds: 30, areaM2: 60 }, value: 500 },
    run: ({ flowLPerMin, seconds, areaM2 }) => ((flowLPerMin * seconds) / 60 / areaM2) * 1e4,
  }),
];
