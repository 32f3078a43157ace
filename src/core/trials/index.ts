export { looksSuffice } from "./separable";
export { type Batch, makeReport, mergeBatches, runBatch, type TrialReport } from "./run-trials";
export { compareOrders, type OrderComparison } from "./compare-orders";
export type { TrialOptions } from "./options";
