import { InputError } from "../errors";
import { seededChance } from "../random";
import type { SprayHour } from "./spray-hours";

/** One hour of a forecast. What is null was not forecast. `hour` is the wall clock of the site, such as 2026-06-09T14. */
export interface ForecastHour {
  hour: string;
  windMS: number | null;
  gustMS: number | null;
  temperatureC: number | null;
  humidityPercent: number | null;
  rainMm: number | null;
}

/** Columns of a forecast as a file, with the range that each may have. */
export const FORECAST_COLUMNS = {
  wind_ms: ["windMS", 0, 60],
  gust_ms: ["gustMS", 0, 80],
  temperature_c: ["temperatureC", -50, 60],
  humidity_percent: ["humidityPercent", 0, 100],
  rain_mm: ["rainMm", 0, 500],
} as const;

const MOST_HOURS = 400;
const HOUR = /^\d{4}-\d{2}-\d{2}T\d{2}$/;

/**
 * Reads a forecast from rows of a table whose first row names the columns: hour, wind_ms, gust_ms, temperature_c, humidity_percent,
 * rain_mm. An empty cell was not forecast.
 * @throws {InputError} naming the line and the column
 */
export function readForecast(rows: string[][]): ForecastHour[] {
  const [head, ...lines] = rows;
  const names = (head ?? []).map((name) => name.trim().toLowerCase());
  if (!names.includes("hour"))
    throw new InputError(
      "missing",
      "line 1",
      names.join(","),
      `begin with a line of names: hour, ${Object.keys(FORECAST_COLUMNS).join(", ")}`,
    );
  if (lines.length === 0 || lines.length > MOST_HOURS)
    throw new InputError("out-of-range", "lines", lines.length, `give 1 to ${MOST_HOURS} hours`);
  return lines.map((line, i) => {
    const cell = (name: string): string => (line[names.indexOf(name)] ?? "").trim();
    const hour = cell("hour").replace(" ", "T").slice(0, 13);
    if (!HOUR.test(hour) || Number.isNaN(Date.parse(`${hour}:00:00Z`)))
      throw new InputError("out-of-range", `line ${i + 2}, hour`, cell("hour"), "write an hour as 2026-06-09T14");
    const values = Object.entries(FORECAST_COLUMNS).map(([name, [field, low, high]]) => {
      const text = names.includes(name) ? cell(name).replace(",", ".") : "";
      if (text === "") return [field, null] as const;
      const value = Number(text);
      if (!Number.isFinite(value) || value < low || value > high)
        throw new InputError("out-of-range", `line ${i + 2}, ${name}`, text, `give a number from ${low} to ${high}`);
      return [field, value] as const;
    });
    return { hour, ...Object.fromEntries(values) } as ForecastHour;
  });
}

/** From this much rain in an hour it rains, mm. */
const RAIN_MM = 0.1;

/**
 * The hours as limits ask for them. Time without rain is counted as far as the forecast goes, and no further; an hour of which rain is
 * not known ends it.
 * @param isLight whether the sun is up in an hour, or null where the place is not known
 */
export function hoursWith(
  forecast: ForecastHour[],
  isLight: (hour: string) => boolean | null,
): (SprayHour & { hour: string })[] {
  return forecast.map(({ hour, windMS, gustMS, temperatureC, humidityPercent }, i) => {
    const ahead = forecast.slice(i);
    const until = ahead.findIndex(({ rainMm }) => rainMm === null || rainMm >= RAIN_MM);
    const rainFreeHours = ahead[0]?.rainMm === null ? null : until < 0 ? ahead.length : until;
    return {
      hour,
      windMS,
      gustMS,
      temperatureC,
      humidityPercent,
      rainFreeHours,
      daylight: isLight(hour),
      pressureKPa: 101.325,
    };
  });
}

/** A made-up forecast of so many hours from an hour, for the demonstration: the same seed gives the same weather. */
export function simulatedForecast(from: string, count: number, seed: number): ForecastHour[] {
  const chance = seededChance(seed);
  const start = Date.parse(`${from}:00:00Z`);
  let wind = 2 + 2 * chance.uniform();
  let rain = 0;
  return Array.from({ length: count }, (_, i) => {
    const at = new Date(start + i * 3600_000);
    const warmth = Math.sin(((at.getUTCHours() - 9) / 24) * 2 * Math.PI);
    wind = Math.max(0.2, Math.min(9, wind + (chance.uniform() - 0.5) * 1.4 + warmth * 0.15));
    rain = rain > 0 ? (chance.uniform() < 0.7 ? chance.uniform() * 2 : 0) : chance.uniform() < 0.04 ? 0.5 : 0;
    const round = (value: number): number => Math.round(value * 10) / 10;
    return {
      hour: at.toISOString().slice(0, 13),
      ...{
        windMS: round(wind),
        gustMS: round(wind * (1.3 + 0.4 * chance.uniform())),
        temperatureC: round(12 + 7 * warmth),
      },
      ...{ humidityPercent: Math.round(Math.min(100, 72 - 22 * warmth + rain * 10)), rainMm: round(rain) },
    };
  });
}
