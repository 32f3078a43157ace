import type { Model } from "@/core/identify";
import type { Shape } from "../ink/shapes";
import { plateOf } from "./plate";

/** The one panel for a list: the collar or the leaf that one knows the plant by; null where neither is recorded. */
export function smallPlate(model: Model, taxon: number): Shape[] | null {
  const panels = plateOf(model, taxon, "vegetative");
  return (panels.find((p) => p.part === "Collar" && p.shapes) ?? panels.find((p) => p.shapes))?.shapes ?? null;
}
