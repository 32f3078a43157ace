export * from "./disposal";
export * from "./methods";
export * from "./gate";
