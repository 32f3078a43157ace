export * from "./chain";
export * from "./treatment";
export * from "./changed-verdict";
