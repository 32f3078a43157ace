"use client";
import type { LabelUse } from "@/core/records";
import { LabelChoice, LabelSays } from "./label-choice";
import { calculateProduct } from "@/core/product";
import { Notice } from "../ui/notice";
import { amountWords, figure, fromSi, readNumber, UNIT_WORDS, unitOf } from "./mix-units";
import { Quantity } from "./quantity";
import type { Label } from "./tank-mix";
import type { Mix } from "./use-mix";
import { WorkedOut } from "./worked-out";

interface SpotAnswer {
  productL: number;
  perHa: number;
  over: string[];
  mixLeftL: number | null;
}

/** Spots with a mix by volume: what goes into the tank, what the wetted ground got, what may still be used, and the rinse. */
export function Spot({ mix, labels, use }: { mix: Mix; labels: Label[]; use: LabelUse | undefined }) {
  const label = labels.find(({ id }) => id === mix.typed.label0) ?? null;
  const percentVv = readNumber(mix.typed.percent);
  const tankL = mix.si("tank");
  const volume = (liters: number) =>
    `${figure(fromSi("tank", mix.system, liters))} ${UNIT_WORDS[unitOf("tank", mix.system)]}`;
  const made =
    percentVv !== undefined && percentVv <= 100 && tankL !== undefined
      ? (calculateProduct("percent-mix", { finishedL: tankL, percentVv }) as { productL: number; waterL: number })
      : null;
  return (
    <section aria-label="Spots">
      <div className="grid grid-cols-2 gap-4 max-w-[520px]">
        <Quantity mix={mix} field="tank" kind="tank" label="The tank takes" />
        <Quantity mix={mix} field="percent" unit="% v/v" label="Product in the finished mix" />
        <Quantity mix={mix} field="spotMix" kind="tank" label="Mix that was used" />
        <Quantity mix={mix} field="spotArea" kind="plot" label="Ground that was wetted" />
      </div>
      <LabelChoice mix={mix} field="label0" labels={labels} className="max-w-[520px] mt-3" />
      <LabelSays labels={label ? [label] : []} use={use} />
      {made ? (
        <p role="status" className="mt-4 text-[18px]">
          <strong>{amountWords(made.productL, false, mix.system)}</strong> of product, filled up with water to{" "}
          {volume(made.productL + made.waterL)}.
        </p>
      ) : null}
      {percentVv !== undefined ? <OnTheGround {...{ mix, label, percentVv, volume }} /> : null}
      <Rinse mix={mix} />
    </section>
  );
}

/** What the wetted ground got, against the label. */
function OnTheGround({
  mix,
  label,
  percentVv,
  volume,
}: {
  mix: Mix;
  label: Label | null;
  percentVv: number;
  volume: (liters: number) => string;
}) {
  const [mixL, areaM2] = [mix.si("spotMix"), mix.si("spotArea")];
  if (mixL === undefined || areaM2 === undefined || percentVv > 100) return null;
  const inputs = {
    ...{ mixL, percentVv, areaM2 },
    ...(label ? { maxPerHa: label.limits.ratePerHaMax, seasonMaxPerHa: label.limits.seasonMaxPerHa } : {}),
  };
  const spot = calculateProduct("spot-spray", inputs) as SpotAnswer;
  return (
    <div className="mt-3">
      <p role="status">
        {amountWords(spot.productL, false, mix.system)} on that ground are {figure(spot.perHa)} L/ha.{" "}
        {spot.mixLeftL === null
          ? "The label does not say how much an area may get at most, or none is chosen: read it."
          : spot.over.length === 0
            ? `The label allows ${volume(spot.mixLeftL)} of mix more on it.`
            : ""}
      </p>
      {spot.over.length > 0 ? (
        <Notice grave className="mt-2 max-w-[60ch]">
          <strong>This is more than the label allows.</strong>
          <ul>
            {spot.over.map((what) => (
              <li key={what}>{what}</li>
            ))}
          </ul>
        </Notice>
      ) : null}
      <WorkedOut name="spot-spray" inputs={inputs} />
    </div>
  );
}

/** How clean a tank is after it was rinsed, three times with a tenth of it where nothing else is typed. */
function Rinse({ mix }: { mix: Mix }) {
  const [leftL, rinseL] = [mix.si("rinseLeft"), mix.si("rinse")];
  const times = Math.round(readNumber(mix.typed.rinses) ?? 3);
  const left = leftL && rinseL ? (calculateProduct("rinse", { leftL, rinseL, times }) as number) : null;
  return (
    <div className="mt-5">
      <h2 className="ruled">Rinse water</h2>
      <div className="grid grid-cols-3 gap-4 max-w-[520px] mt-2">
        <Quantity mix={mix} field="rinseLeft" kind="tank" label="Cannot be drained" />
        <Quantity mix={mix} field="rinse" kind="tank" label="Water each time" />
        <Quantity mix={mix} field="rinses" unit="times" label="Rinsed" hint="3 where nothing is typed" />
      </div>
      {left !== null ? (
        <p role="status" className="mt-2">
          {figure(left * 100)}% of the product is left in the tank. Spray the rinse water on ground that the label
          allows.
        </p>
      ) : null}
    </div>
  );
}
