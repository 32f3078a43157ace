import { simulatedForecast } from "@/core/product";
import type { WeatherPort } from "@/ports/weather";

/** The made-up station of the demonstration: a day has the same weather whenever it is asked. */
export const simulatedWeather: WeatherPort = {
  simulated: true,
  ask: (from, hours) => simulatedForecast(from, hours, Number(from.slice(0, 10).replaceAll("-", ""))),
};
