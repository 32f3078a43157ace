import { openStore } from "../device/store";
import { mixId } from "./mix-entry";
import { type Label, mixOf, productsOf } from "./tank-mix";

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
