import type { Shape } from "./shapes";

/** How the states of one character are drawn. */
export type Draw = (state: string) => Shape[];

/** Pictures by character and state. */
export type Pictures = Record<string, Record<string, () => Shape[]>>;
