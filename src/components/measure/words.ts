import type { Tool } from "@/core/measure";

export const TOOL_WORDS: Record<Tool, string> = {
  length: "Length",
  path: "Path",
  ratio: "Stalk : blade",
  angle: "Angle",
  area: "Area",
  count: "Count",
};
export const POINT_NAMES: Partial<Record<Tool, string[]>> = {
  ratio: ["foot of the stalk", "foot of the blade", "tip of the blade"],
  angle: ["one arm", "corner", "other arm"],
};
export const CORNER_NAMES = ["upper left corner", "upper right corner", "lower right corner", "lower left corner"];
