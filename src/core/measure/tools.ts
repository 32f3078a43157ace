/** What can be measured on a photograph. */
export const TOOLS = ["length", "path", "ratio", "angle", "area", "count"] as const;
export type Tool = (typeof TOOLS)[number];

/** The tool that fits a measured character. */
export const toolFor = (character: { kind: string }): Tool =>
  character.kind === "ratio"
    ? "ratio"
    : character.kind === "angle"
      ? "angle"
      : character.kind === "count"
        ? "count"
        : "length";
