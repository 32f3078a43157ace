"use client";
import type { LabelUse } from "@/core/records";
import { Notice } from "../ui/notice";
import { TankDrawing } from "./drawings";
import { amountWords, figure, fromSi, RATE_UNITS, UNIT_WORDS, unitOf } from "./mix-units";
import { isAgainst, LabelChoice, LabelSays } from "./label-choice";
import { LabelPaperLink, SheetLinks } from "./paper-links";
import { Quantity } from "./quantity";
import {
  inWords,
  type Label,
  loadsOf,
  MOST_PRODUCTS,
  mixOf,
  productsOf,
  type TankMix,
  type TypedProduct,
} from "./tank-mix";
import type { Mix } from "./use-mix";
import { WorkedOut } from "./worked-out";

/** Tank and loads, with several products, each against what its own label says. */
export function Tank({
  mix,
  labels,
  deviceKey,
  use,
}: {
  mix: Mix;
  labels: Label[];
  deviceKey: string;
  /** where and on what the plan means to use it */
  use: LabelUse | undefined;
}) {
  const products = productsOf(mix, labels);
  const made = mixOf(mix, products);
  const over = made?.value.products.flatMap(({ name, over: of }) => of.map((what) => `${name}, ${what}`)) ?? [];
  const chosen = products.flatMap(({ label }) => (label ? [label] : []));
  const blocked = over.length > 0 || isAgainst(chosen, use);
  return (
    <section aria-label="Tank">
      <p className="print-only">{inWords(mix, products)}</p>
      <div className="grid grid-cols-2 gap-4 max-w-[520px] no-print">
        <Quantity mix={mix} field="area" kind="area" label="Area to be sprayed" />
        <Quantity mix={mix} field="rate" kind="rate" label="Carrier" />
        <Quantity mix={mix} field="tank" kind="tank" label="The tank takes" />
      </div>
      {Array.from({ length: Math.min(MOST_PRODUCTS, products.length + 1) }, (_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the products never change places
        <Product key={i} {...{ mix, labels, i }} />
      ))}
      <ul className="no-print mt-3">
        {products.flatMap(({ label }) =>
          label ? (
            <li key={label.id}>
              <LabelPaperLink deviceKey={deviceKey} label={label} />
            </li>
          ) : (
            []
          ),
        )}
      </ul>
      {over.length > 0 ? (
        <Notice grave className="mt-4 max-w-[60ch]">
          <strong>Do not mix this.</strong> It is more than the label allows.
          <ul>
            {over.map((what) => (
              <li key={what}>{what}</li>
            ))}
          </ul>
        </Notice>
      ) : null}
      <LabelSays labels={chosen} use={use} />
      {made && !blocked ? <Loads {...{ mix, products, value: made.value, inputs: made.inputs }} /> : null}
    </section>
  );
}

const Product = ({ mix, labels, i }: { mix: Mix; labels: Label[]; i: number }) => (
  <fieldset className="grid grid-cols-2 gap-4 mt-3 max-w-[520px] no-print">
    <legend className="small">{i === 0 ? "Product" : `Product ${i + 1}, if there is one`}</legend>
    <label className="field">
      <span className="label">Rate, as the label writes it</span>
      <input
        inputMode="decimal"
        autoComplete="off"
        className="figure"
        value={mix.typed[`product${i}`] ?? ""}
        onChange={(e) => mix.type(`product${i}`, e.target.value)}
      />
    </label>
    <label className="field">
      <span className="label">Unit</span>
      <select
        value={mix.typed[`unit${i}`] ?? RATE_UNITS[mix.system][0]}
        onChange={(e) => mix.type(`unit${i}`, e.target.value)}
      >
        {RATE_UNITS[mix.system].map((unit) => (
          <option key={unit} value={unit}>
            {UNIT_WORDS[unit]}
          </option>
        ))}
      </select>
    </label>
    {mix.typed[`product${i}`] ? (
      <LabelChoice mix={mix} field={`label${i}`} labels={labels} className="col-span-2" />
    ) : null}
    {mix.typed[`product${i}`] && isSilent(labels, mix.typed[`label${i}`]) ? (
      <label className="field col-span-2">
        <span className="label">
          The most that an area may get is not typed in. Read the label: at most, in the unit above
        </span>
        <input
          inputMode="decimal"
          autoComplete="off"
          className="figure"
          value={mix.typed[`max${i}`] ?? ""}
          onChange={(e) => mix.type(`max${i}`, e.target.value)}
        />
      </label>
    ) : null}
  </fieldset>
);

/** Whether nothing that is typed in says how much an area may get. */
const isSilent = (labels: Label[], id: string | undefined): boolean =>
  labels.find((label) => label.id === id)?.limits.ratePerHaMax === undefined;

/** What goes into each load. */
function Loads({
  mix,
  products,
  value,
  inputs,
}: {
  mix: Mix;
  products: TypedProduct[];
  value: TankMix;
  inputs: object;
}) {
  const volume = (liters: number) =>
    `${figure(fromSi("tank", mix.system, liters))} ${UNIT_WORDS[unitOf("tank", mix.system)]}`;
  const loads = loadsOf(value);
  const silent = products.filter(({ input }) => input.maxPerHa === undefined && input.perHa !== undefined);
  return (
    <div className="mt-5">
      <p role="status" className="text-[18px]">
        <strong>
          {volume(value.totalL)} in all, {value.loads} {value.loads === 1 ? "load" : "loads"}
        </strong>
      </p>
      <ul className="grid gap-4 mt-2 md:grid-cols-2">
        {loads.map((load) => (
          <li key={load.name} className="flex gap-4 items-center">
            <TankDrawing share={load.liters / (mix.si("tank") ?? load.liters)} words={volume(load.liters)} />
            <div>
              <p className="font-semibold">{load.name}</p>
              <ul>
                {value.products.map((product, i) => (
                  <li key={product.name}>
                    {product.name}:{" "}
                    <strong className="figure">
                      {amountWords(
                        load.last ? product.inLastLoad : product.perFullLoad,
                        products[i]?.dry ?? false,
                        mix.system,
                      )}
                    </strong>
                  </li>
                ))}
                <li>fill up with water to {volume(load.liters)}</li>
              </ul>
            </div>
          </li>
        ))}
      </ul>
      {silent.map(({ name }) => (
        <p key={name} className="mt-2">
          <strong>Nobody has said how much of {name} an area may get at most.</strong> Read the label before you mix.
        </p>
      ))}
      <p className="small mt-2 max-w-[60ch]">
        The label is the law. Fill half the water first, then the product, then the rest.
      </p>
      <p className="no-print mt-2">
        <SheetLinks mix={mix} what="card" print="Print the tailgate card" />
      </p>
      <WorkedOut name="tank-mix" inputs={inputs as Record<string, unknown>} />
    </div>
  );
}
