export * from "./auth";
export * from "./control";
export * from "./district";
export * from "./findings";
export * from "./ground";
export * from "./platform";
export * from "./reports";
export * from "./season";
