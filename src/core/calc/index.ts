import { InputError } from "../errors";
import { CALIBRATION } from "./calibration";
import { type Calculation, calculate } from "./calculation";
import { COVER } from "./cover";
import { DEGREE_DAYS } from "./degree-days";
import { DENSITY } from "./density";
import { DETECTION } from "./detection";
import { GEOMETRY } from "./geometry";
import { LABEL } from "./label";
import { PHOTOGRAPH } from "./photograph";
import { SAMPLING } from "./sampling";
import { SEQUENTIAL } from "./sequential";
import { SPRAY_HOURS } from "./spray-hours";
import { TANK } from "./tank";
import { UNIT_CALCULATIONS } from "./units";
import { WOODY } from "./woody";
import { WORK } from "./work";

export type { Calculation } from "./calculation";

/** Every calculation of the core, by subject. The command, and each screen's own explanation, read them here. */
export const CALCULATIONS: Calculation[] = [
  ...CALIBRATION,
  ...TANK,
  ...WOODY,
  ...WORK,
  ...LABEL,
  ...SPRAY_HOURS,
  ...DEGREE_DAYS,
  ...PHOTOGRAPH,
  ...GEOMETRY,
  ...DENSITY,
  ...COVER,
  ...SAMPLING,
  ...SEQUENTIAL,
  ...DETECTION,
  ...UNIT_CALCULATIONS,
];

const BY_NAME = new Map(CALCULATIONS.map((of) => [of.name, of]));

/** @throws {InputError} unknown-function, or what `calculate` throws */
export function calculateBy(name: unknown, inputs: unknown): unknown {
  const of = typeof name === "string" ? BY_NAME.get(name) : undefined;
  if (!of) throw new InputError("unknown-function", "function", name, "write a name that --list prints");
  return calculate(of, inputs);
}
