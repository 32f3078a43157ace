import type { ForecastHour } from "@/core/product";

/** Where the weather of the coming hours is asked for. What a person typed or imported needs no port. */
export interface WeatherPort {
  /** whether its weather is made up; screens say so */
  readonly simulated: boolean;
  /** @param from hour of the site's wall clock, such as 2026-06-09T06 @param hours how many of them */
  ask(from: string, hours: number): ForecastHour[];
}
