export { looksSuffice } from "./separable";
export { type Batch, makeReport, mergeBatches, runBatch } from "./run-trials";
export { compareOrders, type OrderComparison } from "./compare-orders";
export type { TrialOptions } from "./options";
