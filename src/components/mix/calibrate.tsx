"use client";
import { Button } from "../ui/button";
import { Segmented } from "../ui/segmented";
import { figure, fromSi, UNIT_WORDS, unitOf } from "./mix-units";
import { nozzlesOf, offWords, rateOf, STEPS, wayOf, WAYS } from "./calibration";
import { BoomDrawing } from "./drawings";
import { SheetLinks } from "./paper-links";
import { Quantity } from "./quantity";
import type { Mix } from "./use-mix";
import { WorkedOut } from "./worked-out";

/** How much a sprayer puts on an area; the rate goes on to the tank. */
export function Calibrate({ mix, onDone }: { mix: Mix; onDone: () => void }) {
  const way = wayOf(mix);
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
            <SheetLinks mix={mix} what="calibration" print="Print this sheet" />
          </span>
          <WorkedOut name={rate.name} inputs={rate.inputs} />
        </div>
      ) : null}
    </section>
  );
}

/** Each nozzle against the mean of all, and against what it should give. */
function Nozzles({ mix }: { mix: Mix }) {
  const { each, check } = nozzlesOf(mix);
  const unit = UNIT_WORDS[unitOf("flow", mix.system)];
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
