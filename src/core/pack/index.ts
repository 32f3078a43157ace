export * from "./amend";
export * from "./keys";
export * from "./pack";
export { PLANT_COLUMNS, type PlantRow, plantRowSchema, readPlant, taxonId } from "./plant";
export { isWritten, TWIN_COLUMNS, type TwinRow, twinRowSchema } from "./twin";
export * from "./words";
