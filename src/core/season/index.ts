export * from "./orders";
export * from "./visits";
export * from "./week";
