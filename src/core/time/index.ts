export { addDays, dayIn, EARLIEST_DAY, mustBePast, seasonOf } from "./days";
export { fromZonedTime, inZone } from "./zoned";
