"use client";
import { Options } from "../ui/options";
import { parse } from "csv-parse/browser/esm/sync";
import { useState } from "react";
import SunCalc from "suncalc";
import { InputError } from "@/core/errors";
import { type ForecastHour, type HourLimits, hoursWith, readForecast, sprayHour } from "@/core/product";
import type { LabelLimits } from "@/core/records";
import type { WeatherPort } from "@/ports/weather";
import { Button } from "../ui/button";
import { fullDay } from "../words/dates";
import type { Label } from "./tank-mix";
import type { Mix } from "./use-mix";

export interface Station {
  /** [longitude, latitude] of the site, for daylight */
  place: [number, number] | null;
  /** hours by which the site's clock is ahead of the meridian */
  aheadHours: number;
  today: string;
  /** a station that can be asked, where there is one */
  weather: WeatherPort | null;
}

const EXAMPLE = "hour,wind_ms,gust_ms,temperature_c,humidity_percent,rain_mm";
const MOST_LETTERS = 60_000;
const HOURS_SHOWN = 72;

/** The coming days hour by hour: each hour names every limit of the label that fails, and a missing reading fails. */
export function Hours({ mix, labels, station }: { mix: Mix; labels: Label[]; station: Station }) {
  const label = labels.find(({ id }) => id === mix.typed.label0) ?? labels[0] ?? null;
  const [fault, setFault] = useState("");
  const forecast = forecastOf(mix.typed.forecast ?? "");
  const take = (text: string) => {
    try {
      readForecast(rowsOf(text));
      setFault("");
      mix.type("forecast", text);
    } catch (error) {
      setFault(error instanceof Error ? error.message : "This cannot be read.");
    }
  };
  return (
    <section aria-label="Hours">
      <label className="field max-w-[420px]">
        <span className="label">Limits of the label</span>
        <select value={label?.id ?? ""} onChange={(e) => mix.type("label0", e.target.value)}>
          <Options choices={labels} />
        </select>
      </label>
      <p className="small mt-1">{limitWords(label)}</p>
      <div className="flex flex-wrap gap-3 mt-3 items-end">
        <label className="field">
          <span className="label">A forecast as a CSV file</span>
          <input type="file" accept=".csv,text/csv" onChange={(e) => e.target.files?.[0]?.text().then(take)} />
        </label>
        {station.weather ? (
          <Button onClick={() => take(askedText(station))}>
            {station.weather.simulated ? "Ask the made-up station" : "Ask the station"}
          </Button>
        ) : null}
      </div>
      <details className="mt-2">
        <summary className="small min-h-[44px] flex items-center">Type it</summary>
        <textarea
          aria-label="Forecast, a line for each hour"
          rows={6}
          className="figure w-full"
          defaultValue={mix.typed.forecast || `${EXAMPLE}\n${station.today}T08,`}
          onBlur={(e) => take(e.target.value)}
        />
      </details>
      {fault ? (
        <p role="alert" className="fault">
          {fault}
        </p>
      ) : null}
      {forecast ? <HourList {...{ forecast, label, station }} /> : null}
    </section>
  );
}

const rowsOf = (text: string): string[][] =>
  parse(text.slice(0, MOST_LETTERS), { relax_column_count: true, skip_empty_lines: true });

function forecastOf(text: string): ForecastHour[] | null {
  if (text === "") return null;
  try {
    return readForecast(rowsOf(text));
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

const askedText = ({ weather, today }: Station): string => {
  const lines = (weather?.ask(`${today}T06`, HOURS_SHOWN) ?? []).map((h) =>
    [h.hour, h.windMS, h.gustMS, h.temperatureC, h.humidityPercent, h.rainMm].join(","),
  );
  return [EXAMPLE, ...lines].join("\n");
};

/** What of the label's limits can be asked of an hour. */
function limitsOf(label: Label | null): HourLimits {
  const of: Partial<LabelLimits> = label?.limits ?? {};
  return {
    ...{ windMinMS: of.windMinMS, windMaxMS: of.windMaxMS, gustMaxMS: of.gustMaxMS },
    ...{ temperatureMinC: of.temperatureMinC, temperatureMaxC: of.temperatureMaxC },
    ...{ humidityMinPercent: of.humidityMinPercent, deltaTMinC: of.deltaTMinC, deltaTMaxC: of.deltaTMaxC },
    ...{ rainFreeHours: of.rainFreeHours, daylightOnly: true },
  };
}

function limitWords(label: Label | null): string {
  if (!label) return "No label is typed in. Only daylight is asked.";
  const {
    windMinMS,
    windMaxMS,
    gustMaxMS,
    temperatureMinC,
    temperatureMaxC,
    humidityMinPercent,
    deltaTMaxC,
    rainFreeHours,
  } = label.limits;
  const said = (what: string, value: number | undefined, unit: string) =>
    value === undefined ? `${what}: the label does not say.` : `${what}: ${value} ${unit}.`;
  return [
    said("Least wind", windMinMS, "m/s"),
    said("Most wind", windMaxMS, "m/s"),
    said("Gusts at most", gustMaxMS, "m/s"),
    said("Lowest temperature", temperatureMinC, "°C"),
    said("Highest temperature", temperatureMaxC, "°C"),
    said("Lowest humidity", humidityMinPercent, "%"),
    said("Delta-T at most", deltaTMaxC, "°C"),
    said("Hours without rain", rainFreeHours, "h"),
  ].join(" ");
}

function HourList({ forecast, label, station }: { forecast: ForecastHour[]; label: Label | null; station: Station }) {
  const isLight = (hour: string): boolean | null => {
    if (!station.place) return null;
    const [longitude, latitude] = station.place;
    const at = new Date(Date.parse(`${hour}:30:00Z`) - station.aheadHours * 3600_000);
    return SunCalc.getPosition(at, latitude, longitude).altitude > 0;
  };
  const hours = hoursWith(forecast, isLight).map(({ hour, ...reading }) => ({
    hour,
    reading,
    answer: sprayHour(reading, limitsOf(label)),
  }));
  const good = hours.filter(({ answer }) => answer.suits).length;
  return (
    <>
      <p role="status" className="mt-4 text-[18px]">
        <strong>
          {good} of {hours.length} hours are within every limit.
        </strong>{" "}
        A forecast is no measurement: measure at the place before you begin.
      </p>
      <ul>
        {hours.map(({ hour, reading, answer }, i) => (
          <li key={hour}>
            {i === 0 || hours[i - 1]?.hour.slice(0, 10) !== hour.slice(0, 10) ? (
              <h2 className="ruled mt-4">{fullDay(hour.slice(0, 10))}</h2>
            ) : null}
            <div className="row py-2 grid grid-cols-[58px_72px_minmax(0,1fr)] gap-x-3">
              <span className="figure">{hour.slice(11)}:00</span>
              <strong className={answer.suits ? "text-[var(--moss)]" : "text-[var(--danger)]"}>
                {answer.suits ? "suits" : "no"}
              </strong>
              <span className="small">
                {answer.fails.join(" ")}
                {answer.suits ? `Wind ${reading.windMS} m/s, ${reading.temperatureC} °C.` : ""}
                {answer.deltaTC === null ? "" : ` Delta-T ${answer.deltaTC.toFixed(1)} °C.`}
                {answer.inversionCaution ? " Calm in low sun: an inversion may hold drops over the ground." : ""}
              </span>
            </div>
          </li>
        ))}
      </ul>
    </>
  );
}
