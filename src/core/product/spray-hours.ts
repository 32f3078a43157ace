import { z } from "zod";
import { between, calculation, from0 } from "./calculation";

/** Saturation vapor pressure over water, kPa. Source: FAO Irrigation and Drainage Paper 56 (1998), equation 11. */
const saturation = (celsius: number): number => 0.6108 * Math.exp((17.27 * celsius) / (celsius + 237.3));

/** Psychrometer constant of an aspirated instrument, 1/°C. Source: FAO 56 (1998), equation 16. */
const PSYCHROMETER = 0.000662;

/**
 * Difference of dry and wet bulb, °C: e = es(Tw) − A · p · (T − Tw), solved for Tw. It is not the distance to the dew point, and it
 * depends on pressure. Sources: FAO 56 (1998), equations 15 and 16.
 * @param pressureKPa pressure at the place, kPa; 101.325 at sea level
 */
export function deltaT(temperatureC: number, humidityPercent: number, pressureKPa = 101.325): number {
  const vapor = (humidityPercent / 100) * saturation(temperatureC);
  let low = temperatureC - 60;
  let high = temperatureC;
  for (let i = 0; i < 80; i++) {
    const wet = (low + high) / 2;
    if (saturation(wet) - PSYCHROMETER * pressureKPa * (temperatureC - wet) > vapor) high = wet;
    else low = wet;
  }
  return temperatureC - (low + high) / 2;
}

const reading = (low: number, high: number, unit: string) => between(low, high, unit).nullable();
export const hourSchema = z.strictObject({
  windMS: reading(0, 60, "m/s"),
  gustMS: reading(0, 80, "m/s"),
  temperatureC: reading(-50, 60, "°C"),
  humidityPercent: reading(0, 100, "%"),
  rainFreeHours: reading(0, 1000, "h, without rain from now on, as far as the forecast goes"),
  daylight: z.boolean().nullable().describe("whether the sun is up"),
  pressureKPa: between(50, 110, "kPa").default(101.325),
});
export type SprayHour = z.output<typeof hourSchema>;
export const hourLimitsSchema = z.strictObject({
  windMinMS: from0("m/s").optional(),
  windMaxMS: from0("m/s").optional(),
  gustMaxMS: from0("m/s").optional(),
  temperatureMinC: z.number().describe("°C").optional(),
  temperatureMaxC: z.number().describe("°C").optional(),
  humidityMinPercent: between(0, 100, "%").optional(),
  deltaTMinC: from0("°C").optional(),
  deltaTMaxC: from0("°C").optional(),
  rainFreeHours: from0("h").optional(),
  daylightOnly: z.boolean().optional(),
});
export type HourLimits = z.output<typeof hourLimitsSchema>;

export interface HourAnswer {
  suits: boolean;
  /** every limit that fails, as a sentence */
  fails: string[];
  deltaTC: number | null;
  /** calm air in the dark, or near it, can lie still over the ground */
  inversionCaution: boolean;
}

/** Wind below this at low sun or night can mean an inversion, m/s. */
const CALM_MS = 1.5;

/** Whether an hour is within all limits; a limit itself is still within. A reading that is missing fails every limit that asks for it. */
export function sprayHour(hour: SprayHour, limits: HourLimits): HourAnswer {
  const fails: string[] = [];
  const ask = (what: string, unit: string, got: number | null, least: number | undefined, most: number | undefined) => {
    if (least === undefined && most === undefined) return;
    if (got === null) fails.push(`${what} is missing.`);
    else if (least !== undefined && got < least)
      fails.push(`${what} is ${round(got)} ${unit}, less than ${least} ${unit}.`);
    else if (most !== undefined && got > most)
      fails.push(`${what} is ${round(got)} ${unit}, more than ${most} ${unit}.`);
  };
  const { temperatureC, humidityPercent, pressureKPa } = hour;
  const deltaTC =
    temperatureC === null || humidityPercent === null ? null : deltaT(temperatureC, humidityPercent, pressureKPa);
  ask("Wind", "m/s", hour.windMS, limits.windMinMS, limits.windMaxMS);
  ask("Gusts", "m/s", hour.gustMS, undefined, limits.gustMaxMS);
  ask("Temperature", "°C", temperatureC, limits.temperatureMinC, limits.temperatureMaxC);
  ask("Humidity", "%", humidityPercent, limits.humidityMinPercent, undefined);
  ask("Delta-T", "°C", deltaTC, limits.deltaTMinC, limits.deltaTMaxC);
  ask("Time without rain", "h", hour.rainFreeHours, limits.rainFreeHours, undefined);
  if (limits.daylightOnly && hour.daylight === null) fails.push("Daylight is missing.");
  if (limits.daylightOnly && hour.daylight === false) fails.push("The sun is down.");
  const isCalm = hour.windMS !== null && hour.windMS < CALM_MS;
  return { suits: fails.length === 0, fails, deltaTC, inversionCaution: isCalm && hour.daylight !== true };
}

const round = (value: number): number => Math.round(value * 10) / 10;

export const SPRAY_HOURS = [
  calculation({
    name: "delta-t",
    says: "Difference of dry and wet bulb: how fast drops dry up.",
    inputs: z.strictObject({
      temperatureC: between(-20, 60, "°C"),
      humidityPercent: between(0, 100, "%"),
      pressureKPa: between(50, 110, "kPa").default(101.325),
    }),
    gives: "°C",
    source: "FAO Irrigation and Drainage Paper 56 (1998), equations 11, 15 and 16, solved for the wet bulb",
    example: { inputs: { temperatureC: 25, humidityPercent: 100 }, value: 0 },
    run: ({ temperatureC, humidityPercent, pressureKPa }) => deltaT(temperatureC, humidityPercent, pressureKPa),
  }),
  calculation({
    name: "spray-hour",
    says: "Whether an hour is within all limits, and every limit that fails. A missing reading fails.",
    inputs: z.strictObject({ hour: hourSchema, limits: hourLimitsSchema }),
    gives: "{ suits, fails: [sentence], deltaTC, inversionCaution }",
    source: "limits of the label, each inclusive",
    example: {
      inputs: {
        hour: {
          ...{ windMS: 5, gustMS: 6, temperatureC: 20, humidityPercent: 100 },
          ...{ rainFreeHours: null, daylight: true },
        },
        limits: { windMaxMS: 4.5, temperatureMaxC: 20, rainFreeHours: 6 },
      },
      value: {
        suits: false,
        fails: ["Wind is 5 m/s, more than 4.5 m/s.", "Time without rain is missing."],
        ...{ deltaTC: 0, inversionCaution: false },
      },
    },
    run: ({ hour, limits }) => sprayHour(hour, limits),
  }),
];
