export * from "./types";
export * from "./calendar";
