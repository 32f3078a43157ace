import type { Model } from "../model/model";

export function sumConditions(model: Model, weight: Float64Array): Float64Array {
  const sums = new Float64Array(model.flora.taxa.length);
  for (let z = 0; z < weight.length; z++) sums[model.conditionTaxon[z]] += weight[z];
  return sums;
}

export function total(values: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i];
  return sum;
}
