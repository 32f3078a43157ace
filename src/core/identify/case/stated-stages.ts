import type { Stage } from "../../flora";
import type { Case } from "./case";

/** The stages that a scout stated: none, one, or two where parts of the plant are at different stages. */
export const statedStages = ({ stage, stages }: Pick<Case, "stage" | "stages">): Stage[] => [
  ...new Set(stages ?? (stage ? [stage] : [])),
];
