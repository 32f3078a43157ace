export * from "./marks";
export { marksSchema } from "./schema";
export { type Calibration, homography, type Point, toPlane } from "./plane";
export * from "./tools";
