export * from "./amend";
export * from "./keys";
export * from "./pack";
export { readPlant, taxonId } from "./plant";
export * from "./words";
