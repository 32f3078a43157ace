export * from "./label-limits";
export * from "./chain";
export * from "./treatment";
export * from "./checks";
export * from "./reports";
export * from "./label-words";
export { askLabel, type GroupUse, type LabelUse, SEASONS_POINTED_OUT, seasonsRunning } from "./label-use";
