export * from "./disposal";
export * from "./methods";
