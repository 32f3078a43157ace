export { looksSuffice } from "./separable";
export {
  type Batch,
  compareOrders,
  makeReport,
  mergeBatches,
  type OrderComparison,
  runBatch,
  type TrialOptions,
} from "./run-trials";
