export { addDays, dayIn, mustBePast, seasonOf } from "./days";
export { dayWords } from "./day-words";
export { type Change, stateAt } from "./history";
export { fromZonedTime, inZone, isZone } from "./site-time";
