import type { Sheet } from "@/papers/sheet-pdf";
import { nozzlesOf, offWords, rateOf, STEPS, WAYS, wayOf } from "./calibration";
import type { MixEntry } from "./mix-entry";
import { siOf } from "./mix-entry";
import { amountWords, figure, fromSi, type Kind, RATE_UNITS, UNIT_WORDS, unitOf } from "./mix-units";
import { type Label, loadsOf, mixOf, productsOf, type TypedProduct } from "./tank-mix";

const LAW = "The label is the law. Where it says otherwise than this sheet, the label is right.";

/** Where a sheet comes from: the plan, if there is one, with its plant and its patch, and who printed it when. */
export interface SheetOrigin {
  plan: string | null;
  person: string;
  day: string;
}

const about = ({ plan, person, day }: SheetOrigin): string[] => [plan ?? "For no plan", `${person}, ${day}`];

const inUnits = (mix: MixEntry, field: string, kind: Kind): string => {
  const si = siOf(mix, field);
  return si === undefined
    ? "not typed in"
    : `${figure(fromSi(kind, mix.system, si))} ${UNIT_WORDS[unitOf(kind, mix.system)]}`;
};

/** The card for the tailgate (A5): what goes into each load, and what the labels ask. Null while a number is missing. */
export function tailgateCard(mix: MixEntry, labels: Label[], origin: SheetOrigin): Sheet | null {
  const products = productsOf(mix, labels);
  const made = mixOf(mix, products);
  if (!made) return null;
  const { value } = made;
  const over = value.products.flatMap(({ name, over: of }) => of.map((what) => `${name}, ${what}`));
  const volume = (liters: number) =>
    `${figure(fromSi("tank", mix.system, liters))} ${UNIT_WORDS[unitOf("tank", mix.system)]}`;
  const tankL = siOf(mix, "tank") ?? value.totalL;
  const loads = loadsOf(value).map((load) => ({
    heading: `${load.name}: ${volume(load.liters)}`,
    tankShare: load.liters / tankL,
    lines: [
      ...value.products.map((product, i): [string, string] => [
        product.name,
        amountWords(load.last ? product.inLastLoad : product.perFullLoad, products[i]?.dry ?? false, mix.system),
      ]),
      ["Then", `fill up with water to ${volume(load.liters)}`] as [string, string],
    ],
  }));
  const stop = { heading: "Do not mix this", grave: true, lines: over.map((what): [string, string] => ["", what]) };
  return {
    size: "A5",
    title: "Tailgate card",
    about: about(origin),
    parts: [
      {
        heading: `${volume(value.totalL)} in all, ${value.loads} ${value.loads === 1 ? "load" : "loads"}`,
        lines: [
          ["Area", inUnits(mix, "area", "area")],
          ["Carrier", inUnits(mix, "rate", "rate")],
          ["The tank takes", inUnits(mix, "tank", "tank")],
        ],
      },
      ...(over.length > 0 ? [stop] : loads),
      ...products.map((product) => labelPart(mix, product)),
    ],
    foot: `${LAW} Fill half the water first, then the product, then the rest.`,
  };
}

/** What the card repeats of a label: the rate as it was typed, and what hurts people and water. */
function labelPart(mix: MixEntry, { name, at, label }: TypedProduct): Sheet["parts"][number] {
  const unit = mix.typed[`unit${at}`] ?? RATE_UNITS[mix.system][0] ?? "";
  const limits = label?.limits;
  const silent = "the label does not say, or nobody typed it in: read it";
  return {
    heading: name,
    lines: [
      ["Rate", `${mix.typed[`product${at}`]} ${UNIT_WORDS[unit]}`],
      ["Protective gear", limits?.gear ?? silent],
      ["Re-entry", limits?.reentryHours === undefined ? silent : `after ${limits.reentryHours} h`],
      ["Distance to water", limits?.waterBufferM === undefined ? silent : `≥ ${limits.waterBufferM} m`],
    ],
  };
}

/** The sheet of a calibration (A4): what was caught and measured, and the rate. Null while a number is missing. */
export function calibrationSheet(mix: MixEntry, origin: SheetOrigin): Sheet | null {
  const way = wayOf(mix);
  const rate = rateOf(way, mix);
  if (!rate) return null;
  const { each, check } = nozzlesOf(mix);
  const unit = UNIT_WORDS[unitOf("flow", mix.system)];
  const measured: Record<typeof way, [string, string][]> = {
    catch: [
      ["Plot that was sprayed with water", inUnits(mix, "plot", "plot")],
      ["Caught in the same time", inUnits(mix, "caught", "caught")],
    ],
    boom: [
      ["Flow of one nozzle", inUnits(mix, "flow", "flow")],
      ["Speed", inUnits(mix, "speed", "speed")],
      ["Between nozzles", inUnits(mix, "spacing", "spacing")],
    ],
    handgun: [
      ["Flow of the gun", inUnits(mix, "flow", "flow")],
      ["Plot that was sprayed", inUnits(mix, "plot", "plot")],
      ["Time for the plot", `${mix.typed.seconds} s`],
    ],
  };
  const nozzles: Sheet["parts"] =
    way === "boom" && check
      ? [
          {
            heading: "Nozzles",
            lines: [
              ...each.map((flow, i): [string, string] => [`Nozzle ${i + 1}`, `${figure(flow)} ${unit}`]),
              ["Mean", `${figure(fromSi("flow", mix.system, check.meanLPerMin))} ${unit}`],
              ["", offWords("the mean", check.offMean)],
              ...(check.offNominal ? [["", offWords("the flow above", check.offNominal)] as [string, string]] : []),
            ],
          },
        ]
      : [];
  return {
    size: "A4",
    title: "Calibration sheet",
    about: [...about(origin), WAYS.find(({ value }) => value === way)?.words ?? ""],
    parts: [
      { heading: "How", lines: [["", STEPS[way]]] },
      { heading: "Measured", lines: measured[way] },
      ...nozzles,
      {
        heading: `${figure(fromSi("rate", mix.system, rate.rateLPerHa))} ${UNIT_WORDS[unitOf("rate", mix.system)]}`,
        lines: [["", "Calibrate again when the nozzle, the pressure, the speed or the person changes."]],
      },
    ],
    foot: LAW,
  };
}
