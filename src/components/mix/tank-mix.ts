import type { BenchPack } from "@/contracts/bench-pack";
import { InputError } from "@/core/errors";
import { calculateProduct } from "@/core/product";
import { type Kind, RATE_UNITS, rateInSi, readNumber, UNIT_WORDS, unitOf } from "./mix-units";
import { type MixEntry, siOf } from "./mix-entry";

export interface TankMix {
  totalL: number;
  loads: number;
  fullLoads: number;
  lastLoadL: number;
  products: { name: string; total: number; perFullLoad: number; inLastLoad: number; perHa: number; over: string[] }[];
}
export type Label = NonNullable<BenchPack["labels"]>[number];

export const MOST_PRODUCTS = 3;

/** A product as it was typed: its rate as the label writes it, and the label's own maximum. */
export interface TypedProduct {
  name: string;
  dry: boolean;
  /** which of the fields it was typed in */
  at: number;
  label: Label | null;
  input: {
    name: string;
    perHa?: number;
    percentVv?: number;
    maxPerHa?: number;
    seasonMaxPerHa?: number;
    maxPercentVv?: number;
    maxPerTank?: number;
  };
}

/** The products that are typed so far. A field left empty is a product that is not there. */
export function productsOf(mix: MixEntry, labels: Label[]): TypedProduct[] {
  return Array.from({ length: MOST_PRODUCTS }, (_, i) => i).flatMap((i): TypedProduct[] => {
    const value = readNumber(mix.typed[`product${i}`]);
    if (value === undefined) return [];
    const unit = mix.typed[`unit${i}`] ?? RATE_UNITS[mix.system][0] ?? "L/ha";
    const label = labels.find(({ id }) => id === mix.typed[`label${i}`]) ?? null;
    const name = label?.name ?? `Product ${i + 1}`;
    if (unit === "percent")
      return [{ name, at: i, dry: false, label, input: { name, percentVv: Math.min(100, value), ...limitsOf(label) } }];
    const { perHa, dry } = rateInSi(value, unit);
    const typedMax = readNumber(mix.typed[`max${i}`]);
    const ownMax = typedMax === undefined ? {} : { maxPerHa: rateInSi(typedMax, unit).perHa };
    return [{ name, at: i, dry, label, input: { name, perHa, ...ownMax, ...limitsOf(label) } }];
  });
}

const limitsOf = (label: Label | null) =>
  label
    ? {
        ...(label.limits.ratePerHaMax === undefined ? {} : { maxPerHa: label.limits.ratePerHaMax }),
        seasonMaxPerHa: label.limits.seasonMaxPerHa,
        maxPercentVv: label.limits.percentVvMax,
        maxPerTank: label.limits.tankMax,
      }
    : {};

/** The mix in SI, or null while something is missing. */
export function mixOf(mix: MixEntry, products: TypedProduct[]): { inputs: object; value: TankMix } | null {
  const [areaM2, rateLPerHa, tankL] = ["area", "rate", "tank"].map((field) => siOf(mix, field));
  if (areaM2 === undefined || rateLPerHa === undefined || tankL === undefined || products.length === 0) return null;
  const inputs = { areaM2, rateLPerHa, tankL, products: products.map(({ input }) => input) };
  try {
    return { inputs, value: calculateProduct("tank-mix", inputs) as TankMix };
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** One kind of load: how much it is, and how often it is filled. */
export interface Load {
  name: string;
  liters: number;
  last: boolean;
}

/** The loads of a mix: the full ones as one, then the part load that is left. */
export function loadsOf(value: TankMix): Load[] {
  const { fullLoads, lastLoadL, totalL } = value;
  const full = {
    name: fullLoads === 1 ? "The full load" : `Each of ${fullLoads} full loads`,
    liters: (totalL - lastLoadL) / Math.max(1, fullLoads),
    last: false,
  };
  const last = { name: fullLoads > 0 ? "The last part load" : "One part load", liters: lastLoadL, last: true };
  return [...(fullLoads > 0 ? [full] : []), ...(lastLoadL > 0 ? [last] : [])];
}

/** What was typed, in a line, for the card. */
export function inWords(mix: MixEntry, products: TypedProduct[]): string {
  const of = (field: string, kind: Kind) => `${mix.typed[field] ?? "?"} ${UNIT_WORDS[unitOf(kind, mix.system)]}`;
  const rates = products.map(({ name, at }) => {
    const unit = mix.typed[`unit${at}`] ?? RATE_UNITS[mix.system][0] ?? "";
    return `${name} ${mix.typed[`product${at}`]} ${UNIT_WORDS[unit]}`;
  });
  return [`Area ${of("area", "area")}`, `carrier ${of("rate", "rate")}`, `tank ${of("tank", "tank")}`, ...rates].join(
    " · ",
  );
}
