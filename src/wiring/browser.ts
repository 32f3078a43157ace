import { systemClock } from "@/adapters/system-clock";
import { simulatedWeather } from "@/adapters/simulated-weather";
import type { ClockPort } from "@/ports/clock";
import type { WeatherPort } from "@/ports/weather";

/** What the screens are given of the device. */
export const clock: ClockPort = systemClock;

/** A station that can be asked: real use has none yet, and forecasts are typed or imported there. */
export const weatherOf = (demonstration: boolean): WeatherPort | null => (demonstration ? simulatedWeather : null);
