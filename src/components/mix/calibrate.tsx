"use client";
import { calculateProduct } from "@/core/product";
import { PrintButton } from "../shell/print-button";
import { Button } from "../ui/button";
import { Segmented } from "../ui/segmented";
import { figure, fromSi, UNIT_WORDS, unitOf } from "./mix-units";
import { BoomDrawing } from "./drawings";
import { Quantity } from "./quantity";
import type { Mix } from "./use-mix";
import { WorkedOut } from "./worked-out";

const WAYS = [
  { value: "catch", words: "Backpack, by a plot" },
  { value: "boom", words: "Boom" },
  { value: "handgun", words: "Handgun" },
] as const;
type Way = (typeof WAYS)[number]["value"];

interface Rate {
  name: string;
  inputs: Record<string, number>;
  rateLPerHa: number;
}

/** The rate of the chosen way, once its numbers are there. */
function rateOf(way: Way, mix: Mix): Rate | null {
  const fields: Record<Way, [name: string, fields: Record<string, string>]> = {
    catch: ["catch-rate", { plotM2: "plot", caughtMl: "caught" }],
    boom: ["boom-rate", { flowLPerMin: "flow", speedKmH: "speed", spacingM: "spacing" }],
    handgun: ["handgun-rate", { flowLPerMin: "flow", seconds: "seconds", areaM2: "plot" }],
  };
  const [name, of] = fields[way];
  const read = Object.entries(of).map(([input, field]) => [input, mix.si(field)] as const);
  if (read.some(([, value]) => value === undefined)) return null;
  const inputs = Object.fromEntries(read) as Record<string, number>;
  return { name, inputs, rateLPerHa: calculateProduct(name, inputs) as number };
}

/** How much a sprayer puts on an area; the rate goes on to the tank. */
export function Calibrate({ mix, onDone }: { mix: Mix; onDone: () => void }) {
  const way: Way = WAYS.find(({ value }) => value === mix.typed.way)?.value ?? "catch";
  const rate = rateOf(way, mix);
  return (
    <section aria-label="Calibrate">
      <Segmented
        label="What is calibrated"
        value={way}
        onChange={(next) => mix.type("way", next)}
        options={[...WAYS]}
      />
      <p className="mt-3 max-w-[60ch]">{STEPS[way]}</p>
      <div className="grid grid-cols-2 gap-4 mt-3 max-w-[520px]">
        {way === "catch" ? (
          <>
            <Quantity mix={mix} field="plot" kind="plot" label="Plot that was sprayed with water" />
            <Quantity mix={mix} field="caught" kind="caught" label="Caught in the same time" />
          </>
        ) : null}
        {way === "boom" ? (
          <>
            <Quantity mix={mix} field="flow" kind="flow" label="Flow of one nozzle" />
            <Quantity mix={mix} field="speed" kind="speed" label="Speed" />
            <Quantity mix={mix} field="spacing" kind="spacing" label="Between nozzles" />
          </>
        ) : null}
        {way === "handgun" ? (
          <>
            <Quantity mix={mix} field="flow" kind="flow" label="Flow of the gun" />
            <Quantity mix={mix} field="plot" kind="plot" label="Plot that was sprayed" />
            <Quantity mix={mix} field="seconds" unit="s" label="Time for the plot" />
          </>
        ) : null}
      </div>
      {way === "boom" ? <Nozzles mix={mix} /> : null}
      {rate ? (
        <div className="mt-4">
          <p role="status" className="text-[20px]">
            <strong>
              {figure(fromSi("rate", mix.system, rate.rateLPerHa))} {UNIT_WORDS[unitOf("rate", mix.system)]}
            </strong>
          </p>
          <Button
            look="press"
            className="no-print"
            onClick={() => {
              mix.put("rate", rate.rateLPerHa);
              onDone();
            }}
          >
            Fill the tank by it
          </Button>
          <span className="no-print ml-3">
            <PrintButton words="Print this sheet" />
          </span>
          <WorkedOut name={rate.name} inputs={rate.inputs} />
        </div>
      ) : null}
    </section>
  );
}

const STEPS: Record<Way, string> = {
  catch:
    "Spray a measured plot with water, as you would on the job, and take the time. Then spray into a jug for as long.",
  boom: "Catch each nozzle for a minute, and drive a measured run at the speed of the job.",
  handgun: "Catch the gun for a minute. Then spray a measured plot, and take the time.",
};

interface Check {
  meanLPerMin: number;
  offMean: { nozzle: number; share: number }[];
  offNominal: { nozzle: number; share: number }[] | null;
}

/** Each nozzle against the mean of all, and against what it should give. */
function Nozzles({ mix }: { mix: Mix }) {
  const each = (mix.typed.nozzles ?? "")
    .split(/[\s;]+/)
    .map((text) => Number(text.replace(",", ".")))
    .filter((value) => value > 0)
    .slice(0, 60);
  const nominal = mix.si("flow");
  const unit = UNIT_WORDS[unitOf("flow", mix.system)];
  const toLiters = (value: number) => value / fromSi("flow", mix.system, 1);
  const check =
    each.length > 1
      ? (calculateProduct("nozzle-check", { flowsLPerMin: each.map(toLiters), nominalLPerMin: nominal }) as Check)
      : null;
  return (
    <div className="mt-4 max-w-[520px]">
      <label className="field">
        <span className="label">Flow of each nozzle, {unit}, with a space between</span>
        <input
          inputMode="text"
          autoComplete="off"
          className="figure"
          value={mix.typed.nozzles ?? ""}
          onChange={(e) => mix.type("nozzles", e.target.value)}
        />
      </label>
      {check ? (
        <>
          <BoomDrawing flows={each} mean={fromSi("flow", mix.system, check.meanLPerMin)} unit={unit ?? ""} />
          <p role="status">
            Mean {figure(fromSi("flow", mix.system, check.meanLPerMin))} {unit}. {offWords("the mean", check.offMean)}{" "}
            {check.offNominal ? offWords("the flow above", check.offNominal) : ""}
          </p>
        </>
      ) : null}
    </div>
  );
}

const offWords = (what: string, off: { nozzle: number; share: number }[]): string =>
  off.length === 0
    ? `No nozzle is more than 10% off ${what}.`
    : `Clean or replace: ${off.map(({ nozzle, share }) => `nozzle ${nozzle} (${Math.round(share * 100)}% of ${what})`).join(", ")}.`;
