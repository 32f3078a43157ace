export { checkJsonText, type JsonLimits, linesOfRows } from "./json";
export { plainText } from "./text";
