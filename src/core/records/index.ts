export * from "./chain";
export * from "./treatment";
