export * from "./calendar";
export { readCompiledFlora } from "./read-compiled";
export * from "./types";
