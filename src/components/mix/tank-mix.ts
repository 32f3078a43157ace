import type { BenchPack } from "@/contracts/bench-pack";
import { InputError } from "@/core/errors";
import { calculateProduct } from "@/core/product";
import { openStore } from "../device/store";
import { RATE_UNITS, rateInSi, readNumber } from "./mix-units";
import { type MixEntry, mixId, siOf } from "./use-mix";

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

/** What a record asks for of a product; carrier is water, L. */
export interface MixForRecord {
  labelId: string;
  ratePerHa: number;
  total: number;
  carrierL: number;
}

/** The mix that a person made for a plan on this device, as its record asks for it; null where there is none, or one over its label. */
export async function mixForRecord(key: string, planId: string, labels: Label[]): Promise<MixForRecord | null> {
  const entry = (await (await openStore()).mixes.get(mixId(key, planId)))?.entry;
  const products = entry ? productsOf(entry, labels) : [];
  const made = entry && mixOf(entry, products);
  const [first] = made?.value.products ?? [];
  const label = products[0]?.label;
  if (!made || !first || !label || first.over.length > 0) return null;
  const round = (value: number): number => Number(value.toPrecision(4));
  const carrierL = made.value.totalL - (products[0]?.dry ? 0 : first.total);
  return { labelId: label.id, ratePerHa: round(first.perHa), total: round(first.total), carrierL: round(carrierL) };
}
