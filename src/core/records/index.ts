export * from "./chain";
export * from "./treatment";
export * from "./checks";
export * from "./reports";
export * from "./label-words";
