import type { Stage } from "@/core/flora";

/** What a scout calls each stage: the one home of these words. */
export const STAGE_WORDS: Record<Stage, string> = {
  seedling: "Seedling",
  vegetative: "In leaf",
  flowering: "In flower",
  fruiting: "In seed",
  winter: "Winter",
};

/** The same within a sentence. */
export const WHEN: Record<Stage, string> = {
  seedling: "as a seedling",
  vegetative: "in leaf",
  flowering: "in flower",
  fruiting: "in seed",
  winter: "in winter",
};
