import type { Later } from "./identify";

/** The look to come back for: the first that begins after a day; where there is none, one that others of its kind show already. */
export const nextLater = (later: Later[], day: string): Later | undefined =>
  later.find(({ from }) => from > day) ?? later[0];
