export * from "./amend";
export * from "./pack";
export * from "./words";
