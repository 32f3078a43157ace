"use client";
import { calculateProduct } from "@/core/product";
import type { LabelUse } from "@/core/records";
import { Notice } from "../ui/notice";
import { StemDrawing } from "./drawings";
import { amountWords, figure, readNumber, toSi, UNIT_WORDS, unitOf } from "./mix-units";
import { LabelChoice, LabelSays } from "./label-choice";
import { Quantity } from "./quantity";
import type { Label } from "./tank-mix";
import type { Mix } from "./use-mix";
import { WorkedOut } from "./worked-out";

const CLASSES = [0, 1, 2, 3];

/** Bark bands, cut faces and cuts of woody stems, by class of diameter. */
export function Stems({ mix, labels, use }: { mix: Mix; labels: Label[]; use: LabelUse | undefined }) {
  const label = labels.find(({ id }) => id === mix.typed.label0);
  const stems = CLASSES.flatMap((i) => {
    const diameter = readNumber(mix.typed[`stem${i}`]);
    const count = readNumber(mix.typed[`count${i}`]);
    if (diameter === undefined || count === undefined) return [];
    return [{ diameterCm: toSi("stem", mix.system, diameter), count: Math.max(1, Math.round(count)) }];
  });
  const unit = UNIT_WORDS[unitOf("stem", mix.system)];
  return (
    <section aria-label="Stems">
      <div className="grid grid-cols-2 gap-x-4 gap-y-2 max-w-[420px]">
        {CLASSES.slice(0, Math.min(CLASSES.length, stems.length + 1)).map((i) => (
          <div key={i} className="contents">
            <Typed mix={mix} field={`stem${i}`} label={`Diameter of class ${i + 1}, ${unit}`} />
            <Typed mix={mix} field={`count${i}`} label="Stems of it" />
          </div>
        ))}
        <Quantity mix={mix} field="band" kind="stem" label="Height of the bark band" />
        <Typed mix={mix} field="perCut" label="mL in one cut, as the label says" />
      </div>
      <LabelChoice mix={mix} field="label0" labels={labels} className="max-w-[420px] mt-3" />
      <LabelSays labels={label ? [label] : []} use={use} />
      {stems.length > 0 ? <Results mix={mix} stems={stems} label={label} /> : null}
    </section>
  );
}

const Typed = ({ mix, field, label }: { mix: Mix; field: string; label: string }) => (
  <label className="field">
    <span className="label">{label}</span>
    <input
      inputMode="decimal"
      autoComplete="off"
      className="figure"
      value={mix.typed[field] ?? ""}
      onChange={(e) => mix.type(field, e.target.value)}
    />
  </label>
);

function Results({
  mix,
  stems,
  label,
}: {
  mix: Mix;
  stems: { diameterCm: number; count: number }[];
  label: Label | undefined;
}) {
  const most = label?.limits.stemMaxMl;
  const bandCm = mix.si("band");
  const mlPerCut = readNumber(mix.typed.perCut) ?? 1;
  const cuts = calculateProduct("hatchet-cuts", { stems, mlPerCut }) as {
    cuts: number;
    perStem: number[];
    volumeMl: number;
  };
  const face = calculateProduct("cut-surface", { stems }) as { areaM2: number };
  const band = bandCm ? (calculateProduct("bark-band", { stems, bandCm }) as { areaM2: number }) : null;
  return (
    <div className="mt-4 flex flex-wrap gap-6 items-start">
      <StemDrawing diameterCm={stems[0]?.diameterCm ?? 10} bandCm={bandCm ?? null} cuts={cuts.perStem[0] ?? 0} />
      <dl>
        <Line name="Cuts around all stems, one for each inch of diameter">
          {cuts.cuts} ({cuts.perStem.join(", ")} a stem), {amountWords(cuts.volumeMl / 1000, false, mix.system)}
        </Line>
        <Line name="Cut faces of all stumps">{figure(face.areaM2 * 1e4)} cm²</Line>
        {band ? <Line name="Bark of all bands">{figure(band.areaM2 * 1e4)} cm²</Line> : null}
      </dl>
      {most !== undefined && Math.max(...cuts.perStem) * mlPerCut > most ? (
        <Notice grave>
          <strong>This is more than the label allows for one stem:</strong> {Math.max(...cuts.perStem)} cuts of{" "}
          {mlPerCut} mL are {figure(Math.max(...cuts.perStem) * mlPerCut)} mL, and {most} mL are allowed.
        </Notice>
      ) : null}
      <p className="small max-w-[50ch]">
        Scrape the bark first: where it is not green, the stem takes nothing up. The label says how much a cut, a stump
        or a band may get.
      </p>
      <WorkedOut name="hatchet-cuts" inputs={{ stems, mlPerCut }} />
    </div>
  );
}

const Line = ({ name, children }: { name: string; children: React.ReactNode }) => (
  <div className="row py-1.5">
    <dt className="small">{name}</dt>
    <dd className="m-0 text-[18px] font-semibold figure">{children}</dd>
  </div>
);
