export * from "./resolve";
