export * from "./calendar";
export * from "./types";
