import { InputError } from "../errors";
import { CALIBRATION } from "./calibration";
import { type Calculation, calculate } from "./calculation";
import { LABEL } from "./label";
import { SPRAY_HOURS } from "./spray-hours";
import { TANK } from "./tank";
import { UNIT_CALCULATIONS } from "./units";
import { WOODY } from "./woody";
import { WORK } from "./work";

export { above0, between, type Calculation, calculation, from0, level, roundUp, share, whole } from "./calculation";
export { type ForecastHour, hoursWith, readForecast, simulatedForecast } from "./forecast";
export { type HourLimits, sprayHour } from "./spray-hours";
export { convert, UNIT_NAMES } from "./units";

/** Calculations of product, water and hours: those that are done at the truck, and small enough to be kept there. */
export const PRODUCT_CALCULATIONS: Calculation[] = [
  ...CALIBRATION,
  ...TANK,
  ...WOODY,
  ...WORK,
  ...LABEL,
  ...SPRAY_HOURS,
  ...UNIT_CALCULATIONS,
];

/** @returns a function that runs the calculation of a name. It throws {InputError} unknown-function, or what the calculation throws */
export function calculatorOf(all: Calculation[]): (name: unknown, inputs: unknown) => unknown {
  const byName = new Map(all.map((of) => [of.name, of]));
  return (name, inputs) => {
    const of = typeof name === "string" ? byName.get(name) : undefined;
    if (!of) throw new InputError("unknown-function", "function", name, "write a name that --list prints");
    return calculate(of, inputs);
  };
}
export const calculateProduct = calculatorOf(PRODUCT_CALCULATIONS);
