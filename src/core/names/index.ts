export * from "./resolve";
export * from "./parts";
