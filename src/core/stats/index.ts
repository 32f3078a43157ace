export { largestFirst, argMax } from "./largest";
export { timesLog } from "./times-log";
export { calibrationError, upperLimit } from "./proportion";
