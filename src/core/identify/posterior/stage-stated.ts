import type { Stage } from "../../flora";
import { type Tuning, TUNING } from "../tuning";

/** Chance that a scout who stands before a plant in `truth` says `stated`. */
export function stageStatedChance(
  stated: Stage,
  truth: Stage,
  t: Pick<Tuning, "stageStated" | "stageNear" | "stageFar"> = TUNING,
): number {
  if (stated === truth) return t.stageStated;
  const near: Record<Stage, Stage[]> = {
    seedling: ["vegetative"],
    vegetative: ["seedling", "flowering", "winter"],
    flowering: ["vegetative", "fruiting"],
    fruiting: ["flowering", "winter"],
    winter: ["fruiting", "vegetative"],
  };
  return near[truth].includes(stated) ? t.stageNear : t.stageFar;
}
