export * from "./calendar";
export { readCompiledFlora } from "./read-compiled";
export * from "./types";
export { NOT_DRAWN } from "./not-drawn";
export { withUnit } from "./with-unit";
