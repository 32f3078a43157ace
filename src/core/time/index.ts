export { addDays, dayIn, mustBePast, seasonOf } from "./days";
export { type Change, stateAt } from "./history";
export { fromZonedTime, inZone, isZone } from "./site-time";
