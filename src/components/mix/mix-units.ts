import { convert } from "@/core/product";

export const SYSTEMS = ["metric", "us", "imperial"] as const;
export type System = (typeof SYSTEMS)[number];

/** What is measured on these screens, with its SI unit and the unit of each system. US and imperial never share a word. */
const KINDS = {
  plot: { si: "m2", metric: "m2", us: "ft2", imperial: "ft2" },
  area: { si: "m2", metric: "m2", us: "acre", imperial: "acre" },
  caught: { si: "mL", metric: "mL", us: "floz-us", imperial: "floz-imp" },
  tank: { si: "L", metric: "L", us: "gal-us", imperial: "gal-imp" },
  rate: { si: "L/ha", metric: "L/ha", us: "gal-us/acre", imperial: "gal-imp/acre" },
  flow: { si: "L/min", metric: "L/min", us: "gal-us/min", imperial: "gal-imp/min" },
  speed: { si: "km/h", metric: "km/h", us: "mph", imperial: "mph" },
  spacing: { si: "m", metric: "cm", us: "in", imperial: "in" },
  stem: { si: "cm", metric: "cm", us: "in", imperial: "in" },
} as const;
export type Kind = keyof typeof KINDS;

export const UNIT_WORDS: Record<string, string> = {
  ...{ m2: "m²", ft2: "ft²", acre: "acres", mL: "mL", L: "L", kg: "kg", g: "g", cm: "cm", in: "in" },
  ...{ "floz-us": "US fl oz", "pt-us": "US pt", "qt-us": "US qt", "gal-us": "US gal" },
  ...{ "floz-imp": "imperial fl oz", "pt-imp": "imperial pt", "gal-imp": "imperial gal" },
  ...{ "oz-weight": "oz by weight", lb: "lb", "km/h": "km/h", mph: "mph" },
  ...{ "L/min": "L/min", "gal-us/min": "US gal/min", "gal-imp/min": "imperial gal/min" },
  ...{ "L/ha": "L/ha", "mL/ha": "mL/ha", "kg/ha": "kg/ha", "g/ha": "g/ha" },
  ...{
    "gal-us/acre": "US gal/acre",
    "qt-us/acre": "US qt/acre",
    "pt-us/acre": "US pt/acre",
    "floz-us/acre": "US fl oz/acre",
  },
  ...{ "gal-imp/acre": "imperial gal/acre", "pt-imp/acre": "imperial pt/acre", "floz-imp/acre": "imperial fl oz/acre" },
  ...{ "lb/acre": "lb/acre", "oz-weight/acre": "oz by weight/acre", percent: "% v/v of the finished mix" },
};

/** Units in which a label may give a rate, the usual ones of a system first. */
export const RATE_UNITS: Record<System, string[]> = {
  metric: ["L/ha", "mL/ha", "kg/ha", "g/ha", "percent"],
  us: ["floz-us/acre", "pt-us/acre", "qt-us/acre", "gal-us/acre", "oz-weight/acre", "lb/acre", "percent"],
  imperial: ["pt-imp/acre", "floz-imp/acre", "L/ha", "oz-weight/acre", "lb/acre", "kg/ha", "percent"],
};

export const unitOf = (kind: Kind, system: System): string => KINDS[kind][system];
export const toSi = (kind: Kind, system: System, value: number): number =>
  convert(value, KINDS[kind][system], KINDS[kind].si);
export const fromSi = (kind: Kind, system: System, value: number): number =>
  convert(value, KINDS[kind].si, KINDS[kind][system]);

/** A rate as the label writes it, in L/ha or kg/ha; dry and fluid stay apart. */
export function rateInSi(value: number, unit: string): { perHa: number; dry: boolean } {
  const dry = /^(kg|g|lb|oz-weight)\//.test(unit);
  return { perHa: convert(value, unit, dry ? "kg/ha" : "L/ha"), dry };
}

/** An amount of product as a jug or a scale shows it: in the small unit below one of the large. */
export function amountWords(si: number, dry: boolean, system: System): string {
  const [large, small] = dry
    ? system === "metric"
      ? ["kg", "g"]
      : ["lb", "oz-weight"]
    : { metric: ["L", "mL"], us: ["gal-us", "floz-us"], imperial: ["gal-imp", "floz-imp"] }[system];
  const inLarge = convert(si, dry ? "kg" : "L", large ?? "");
  const unit = inLarge >= 1 ? large : small;
  return `${figure(convert(si, dry ? "kg" : "L", unit ?? ""))} ${UNIT_WORDS[unit ?? ""]}`;
}

/** Three figures, without a tail of zeros. */
export const figure = (value: number): string =>
  Number(value.toPrecision(value >= 1000 ? 4 : 3)).toLocaleString("en-US", { maximumFractionDigits: 3 });

/** A typed number: a comma is a point. Undefined where nothing, or no number above 0, stands there. */
export function readNumber(text: string | undefined): number | undefined {
  const value = Number((text ?? "").trim().replace(",", "."));
  return (text ?? "").trim() !== "" && Number.isFinite(value) && value > 0 ? value : undefined;
}
