export { barkSlipsOn, type Ground, inMonths, type StandSize } from "./conditions";
export * from "./check-methods";
export * from "./disposal";
export * from "./gate";
export { type MethodBook, methodOf, readMethodBook } from "./method-files";
export { readMethodCase } from "./method-case";
export { CONDITIONS, type Method, METHOD_IDS } from "./method-schema";
export * from "./methods";
export { lastDayBeforeSeed } from "./windows";
