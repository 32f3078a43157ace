export { addDays, dayIn, mustBePast, seasonOf } from "./days";
export { fromZonedTime, inZone } from "./site-time";
