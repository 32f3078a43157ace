import { type Calculation, calculatorOf, PRODUCT_CALCULATIONS } from "../product";
import { COVER } from "./cover";
import { DEGREE_DAYS } from "./degree-days";
import { DENSITY } from "./density";
import { DETECTION } from "./detection";
import { GEOMETRY } from "./geometry";
import { PHOTOGRAPH } from "./photograph";
import { SAMPLING } from "./sampling";
import { SEQUENTIAL } from "./sequential";

/** Every calculation of the core, by subject. The command, and each screen's own explanation, read them here. */
export const CALCULATIONS: Calculation[] = [
  ...PRODUCT_CALCULATIONS,
  ...DEGREE_DAYS,
  ...PHOTOGRAPH,
  ...GEOMETRY,
  ...DENSITY,
  ...COVER,
  ...SAMPLING,
  ...SEQUENTIAL,
  ...DETECTION,
];

export const calculateBy = calculatorOf(CALCULATIONS);
