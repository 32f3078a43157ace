"use client";
import { Options } from "../ui/options";

import { DayInput, TimeInput } from "../ui/day-field";
import { Button } from "../ui/button";
import Link from "next/link";
import { useEffect, useState } from "react";
import { mixForRecord } from "../mix/mix-for-record";
import type { LabelLimits, Treatment } from "@/core/records";
import { ActionForm, Fault, Field, type FormAction } from "../ui/action-form";
import { Notice } from "../ui/notice";
import { fullDay, siteDay, siteTime } from "../words/dates";

interface View {
  planId: string;
  /** whose numbers of the mix screens are read */
  deviceKey: string;
  zone: string;
  areaM2: number;
  equipment: string;
  stage: Treatment["stage"];
  usesProduct: boolean;
  who: string;
  licence: string;
  licenceExpires: string;
  /** what is against the work now: then a specialist records it, with a word */
  reasons: string[];
  specialist: boolean;
  /** the wind that is usual here in this month */
  usualWind: string | null;
  labels: { id: string; name: string; limits: LabelLimits }[];
  today: string;
  /** of the site, for a correction */
  patches: { id: string; name: string }[];
  old: { id: string; patchId: string; body: Treatment } | null;
}

/** Everything a regulator asks for, filled in from the plan; total is worked out from rate and area as one types. */
export function TreatmentForm({
  action,
  draft,
  id,
  view,
}: {
  action: FormAction;
  draft: string;
  id: string;
  view: View;
}) {
  const old = view.old?.body;
  const [key] = useState(id);
  const [area, setArea] = useState(String(old?.areaM2 ?? Math.round(view.areaM2 * 10) / 10));
  return (
    <ActionForm action={action} draft={draft} label="Record of treatment" className="mt-4 grid gap-6">
      <input type="hidden" name="id" value={key} />
      <input type="hidden" name="planId" value={view.planId} />
      {view.old ? (
        <>
          <input type="hidden" name="supersedes" value={view.old.id} />
          <Field name="treatment.correctionReason" label="What was wrong">
            <input name="correctionReason" required />
          </Field>
          <Field name="patchId" label="Patch of the work" hint="if it was written on the wrong one, say so above">
            <select name="patchId" defaultValue={view.old.patchId}>
              <Options choices={view.patches} />
            </select>
          </Field>
        </>
      ) : null}
      <WhoAndWhen view={view} />
      <WhereAndWhat view={view} area={area} setArea={setArea} />
      {view.usesProduct ? <Product view={view} area={area} /> : null}
      <Weather old={old} usualWind={view.usualWind} />
      {view.old ? null : (
        <Field
          name="doneShare"
          label="How much of the planned work this is, %"
          hint="less than 100 where it goes on another day"
        >
          <input name="donePercent" inputMode="numeric" className="figure" defaultValue="100" />
        </Field>
      )}
      <Field name="treatment.note" label="Note">
        <textarea name="note" defaultValue={old?.note ?? ""} />
      </Field>
      <Fault name="waterDistanceM" />
      <AgainstGate view={view} />
      <div>
        <Button type="submit" look="press">
          Write it in the ledger
        </Button>
        <p className="small mt-1">An entry cannot be changed afterward. A new entry can correct it.</p>
      </div>
    </ActionForm>
  );
}

function WhoAndWhen({ view }: { view: View }) {
  const old = view.old?.body;
  const { licence, licenceExpires: ends } = old ?? view;
  return (
    <Group title="Who and when">
      <div className="sm:col-span-3">
        <p>
          Done by <strong>{old?.who ?? view.who}</strong>
          {licence ? `, license ${licence}` : ", no license in the register"}
          {ends ? `, valid to ${fullDay(ends)}` : ""}.
        </p>
        <p className="small">
          The name and the license come from the plan and the district’s register. A keeper changes them there.
        </p>
      </div>
      <Field name="treatment.from" label="Day">
        <DayInput name="day" label="day of the work" max={view.today} value={old ? siteDay(old) : view.today} />
      </Field>
      <Field name="treatment.from" label={`From, time of the site (${view.zone})`}>
        <TimeInput name="fromTime" value={old ? siteTime(old.from, old.zone) : ""} />
      </Field>
      <Field name="treatment.to" label="To">
        <TimeInput name="toTime" value={old ? siteTime(old.to, old.zone) : ""} />
      </Field>
    </Group>
  );
}

function WhereAndWhat({ view, area, setArea }: { view: View; area: string; setArea: (area: string) => void }) {
  const old = view.old?.body;
  return (
    <Group title="Where and what">
      <Field name="treatment.areaM2" label="Area treated, m²">
        <input
          name="areaM2"
          inputMode="decimal"
          value={area}
          onChange={(e) => setArea(e.target.value)}
          required
          className="figure"
        />
      </Field>
      <Field name="treatment.stage" label="Stage of the plant">
        <select name="stage" defaultValue={old?.stage ?? view.stage}>
          <option value="seedling">seedling</option>
          <option value="vegetative">in leaf</option>
          <option value="flowering">in flower</option>
          <option value="fruiting">in seed</option>
          <option value="winter">winter rest</option>
        </select>
      </Field>
      <Field name="treatment.equipment" label="Equipment">
        <input name="equipment" defaultValue={old?.equipment ?? view.equipment} required />
      </Field>
    </Group>
  );
}

/** Rate times area, in the label's unit; null where either is not a number above 0. */
const expectedTotal = (rate: string, area: string): number | null =>
  Number(area) > 0 && Number(rate) > 0 ? Number(((Number(rate) * Number(area)) / 10000).toPrecision(4)) : null;

function Product({ view, area }: { view: View; area: string }) {
  const old = view.old?.body.product;
  const [label, setLabel] = useState(old?.labelId ?? "");
  const [rate, setRate] = useState(String(old?.ratePerHa ?? ""));
  const [total, setTotal] = useState(String(old?.total ?? ""));
  const [carrier, setCarrier] = useState(String(old?.carrierL ?? ""));
  const [fromMix, setFromMix] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the mix is read once, when the form is opened
  useEffect(() => {
    if (old) return;
    mixForRecord(view.deviceKey, view.planId, view.labels)
      .then((mix) => {
        if (!mix) return;
        setLabel((typed) => typed || mix.labelId);
        setRate((typed) => typed || String(mix.ratePerHa));
        setTotal((typed) => typed || String(mix.total));
        setCarrier((typed) => typed || String(mix.carrierL));
        setFromMix(true);
      })
      .catch(() => undefined);
  }, []);
  const limits = view.labels.find((l) => l.id === label)?.limits;
  const expected = expectedTotal(rate, area);
  return (
    <Group title="Product, from its own label">
      <Field name="product.labelId" label="Label">
        <select name="product.labelId" value={label} onChange={(e) => setLabel(e.target.value)} required>
          <Options none="choose" choices={view.labels} />
        </select>
      </Field>
      <Field
        name="product.ratePerHa"
        label={`Rate, ${limits?.rateUnit ?? "L"}/ha`}
        hint={limits?.ratePerHaMax ? `label: at most ${limits.ratePerHaMax}` : undefined}
      >
        <input
          name="product.ratePerHa"
          inputMode="decimal"
          value={rate}
          onChange={(e) => setRate(e.target.value)}
          required
          className="figure"
        />
      </Field>
      <Field
        name="product.total"
        label={`Product in all, ${limits?.rateUnit ?? "L"}`}
        hint={expected ? `rate × area = ${expected}` : undefined}
      >
        <input
          name="product.total"
          inputMode="decimal"
          value={total}
          onChange={(e) => setTotal(e.target.value)}
          required
          className="figure"
        />
      </Field>
      <Field name="treatment.product.carrierL" label="Water, L">
        <input
          name="product.carrierL"
          inputMode="decimal"
          value={carrier}
          onChange={(e) => setCarrier(e.target.value)}
          required
          className="figure"
        />
      </Field>
      {fromMix ? (
        <p className="sm:col-span-2" role="status">
          Filled in from your mix on this device. Change it where you used another amount.
        </p>
      ) : null}
      <p className="small sm:col-span-2">
        <LabelSays limits={limits} />
      </p>
      <Fault name="product" />
    </Group>
  );
}

/** What the label says of weather, water and coming back. */
function LabelSays({ limits }: { limits: LabelLimits | undefined }) {
  if (!limits)
    return (
      <>
        The label is not in the list? <Link href="/ledger/labels">Enter it first.</Link>
      </>
    );
  return [
    limits.windMaxMS ? `wind at most ${limits.windMaxMS} m/s` : "",
    limits.temperatureMaxC ? `at most ${limits.temperatureMaxC} °C` : "",
    limits.waterBufferM ? `${limits.waterBufferM} m from water` : "",
    limits.reentryHours ? `re-entry after ${limits.reentryHours} h` : "",
  ]
    .filter(Boolean)
    .join(" · ");
}

/** Where the gate was closed the work is still recorded, with the reasons and a specialist's word. */
function AgainstGate({ view }: { view: View }) {
  if (!view.specialist)
    return view.reasons.length === 0 ? null : (
      <Notice grave>
        <strong>This is not clear to act now.</strong> {view.reasons.join(" ")} If it was done all the same, a
        specialist records it, with a written word.
      </Notice>
    );
  return (
    <section>
      <h2 className="ruled">
        Done against the gate<span className="small">only if it was not clear to act on that day</span>
      </h2>
      {view.reasons.length > 0 ? <p className="mt-2">As of today: {view.reasons.join(" ")}</p> : null}
      <Field name="againstGate" label="How it came about" hint="your word stays on the record permanently">
        <textarea name="againstGate" />
      </Field>
    </section>
  );
}

const Weather = ({ old, usualWind }: { old: Treatment | undefined; usualWind: string | null }) => (
  <Group title="Weather">
    <Field name="windMS" label="Wind, m/s">
      <input name="windMS" inputMode="decimal" defaultValue={old?.windMS ?? ""} className="figure" />
    </Field>
    <Field name="windFrom" label="Wind from" hint={usualWind ? `usual this month: ${usualWind}` : undefined}>
      <select name="windFrom" defaultValue={old?.windFrom ?? ""}>
        <option value="">not recorded</option>
        {["calm", "N", "NE", "E", "SE", "S", "SW", "W", "NW"].map((d) => (
          <option key={d} value={d}>
            {d}
          </option>
        ))}
      </select>
    </Field>
    <Field name="temperatureC" label="Temperature, °C">
      <input name="temperatureC" inputMode="decimal" defaultValue={old?.temperatureC ?? ""} className="figure" />
    </Field>
  </Group>
);

const Group = ({ title, children }: { title: string; children: React.ReactNode }) => (
  <section>
    <h2 className="ruled">{title}</h2>
    <div className="grid sm:grid-cols-3 gap-x-6 gap-y-4 mt-3">{children}</div>
  </section>
);
