import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { hoursWith, readForecast, simulatedForecast, sprayHour } from "./index";

const HEAD = ["hour", "wind_ms", "gust_ms", "temperature_c", "humidity_percent", "rain_mm"];

describe("a forecast", () => {
  it("is read by the names of its columns, in any order, and an empty cell is not known", () => {
    const [hour] = readForecast([
      ["rain_mm", "hour", "wind_ms"],
      ["0", "2026-06-09 14:00", "2,5"],
    ]);
    expect(hour).toEqual({
      hour: "2026-06-09T14",
      windMS: 2.5,
      gustMS: null,
      temperatureC: null,
      humidityPercent: null,
      rainMm: 0,
    });
  });
  it("is refused by line and column", () => {
    expect(() => readForecast([["wind"], ["1"]])).toThrow(/begin with a line of names/);
    expect(() => readForecast([HEAD, ["noon"]])).toThrow(/line 2, hour/);
    expect(() => readForecast([HEAD, ["2026-06-09T14", "99"]])).toThrow(
      /line 2, wind_ms: got "99"; give a number from 0 to 60/,
    );
    expect(() => readForecast([HEAD])).toThrow(/give 1 to 400 hours/);
  });
  it("counts time without rain no further than it goes, and not over an hour that is not known", () => {
    const rows = (rain: string[]) =>
      readForecast([HEAD, ...rain.map((mm, i) => [`2026-06-09T${String(10 + i)}`, "2", "3", "15", "60", mm])]);
    const free = (rain: string[]) => hoursWith(rows(rain), () => true).map(({ rainFreeHours }) => rainFreeHours);
    expect(free(["0", "0", "0.5", "0"])).toEqual([2, 1, 0, 1]);
    expect(free(["0", "", "0"])).toEqual([1, null, 1]);
    const [first] = hoursWith(rows(["0", "0"]), () => true);
    expect(first && sprayHour((({ hour: _, ...rest }) => rest)(first), { rainFreeHours: 6 }).fails).toEqual([
      "Time without rain is 2 h, less than 6 h.",
    ]);
  });
  it("that is simulated is in range, and the same for a seed", () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const made = simulatedForecast("2026-06-09T06", 48, seed);
        expect(made).toEqual(simulatedForecast("2026-06-09T06", 48, seed));
        const rows = made.map((h) => [
          h.hour,
          ...[h.windMS, h.gustMS, h.temperatureC, h.humidityPercent, h.rainMm].map(String),
        ]);
        expect(readForecast([HEAD, ...rows])).toEqual(made);
      }),
      { numRuns: 30 },
    ));
});
