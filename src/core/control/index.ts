export { barkSlipsOn, type Ground, inMonths, type StandSize } from "./conditions";
export * from "./check-methods";
export * from "./disposal";
export * from "./gate";
export { type MethodBook, methodOf, readMethodBook, readOwnMethod, writtenMethod } from "./method-files";
export { readMethodCase } from "./method-case";
export { CONDITIONS, type Method, METHOD_IDS, type Rule } from "./method-schema";
export * from "./methods";
export { lastDayBeforeSeed } from "./windows";
