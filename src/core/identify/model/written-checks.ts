import type { Stage } from "../../flora";
import type { Model } from "./model";

/** Checks that people wrote for two plants at a stage, most trusted first; none for three plants or more. */
export function writtenChecks({ flora }: Pick<Model, "flora">, taxa: number[], stage: Stage): string[] {
  const [a, b] = taxa.map((t) => flora.taxa[t].id);
  const pair =
    taxa.length === 2
      ? flora.pairs.find((p) => !p.found && ((p.a === a && p.b === b) || (p.a === b && p.b === a)))
      : undefined;
  const at = (named: Stage | "any") =>
    pair?.deciders.filter((d) => d.stage === named).flatMap((d) => d.characters) ?? [];
  return [...new Set([...at(stage), ...at("any")])];
}
