export * from "./methods";
