export * from "./amend";
export * from "./keys";
export * from "./pack";
export { readPlant, taxonId } from "./raw-plant";
export * from "./words";
