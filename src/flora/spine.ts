import type { CompiledFlora } from "@/core/flora";
import { buildModel, recordingOf } from "@/core/identify";
import type { Sought } from "./compile";
import type { Problem } from "./read-yaml";

/**
 * The general characters that a scout may state of any plant. Every cell is recorded, does not apply, or was sought and is not
 * known: an empty line of one plant would keep every other plant from being cleared. docs/flora-format.md names them too.
 */
export const SPINE = [
  ...[
    "plant-kind",
    "height",
    "evergreen",
    "clump",
    "stance",
    "climbs-by",
    "dead-stems",
    "tone",
    "root-kind",
    "root-age",
  ],
  ...[
    "stem-section",
    "stem-hollow",
    "stem-ridges",
    "stem-hair",
    "stem-marks",
    "sap",
    "joints",
    "ocrea",
    "arms",
    "smell",
  ],
  ...["leaf-order", "leaf-kind", "leaf-shape", "leaf-lobes", "leaf-edge", "leaf-base", "leaf-tip", "leaf-length"],
  ...["leaf-ratio", "leaf-stalk", "leaf-hair-above", "leaf-hair-below", "under-tone", "leaf-substance", "stipules"],
  ...["flower-kind", "flower-colour", "petals", "cluster", "fruit-kind", "fruit-colour"],
  ...["ligule-kind", "sheath-hair", "head-kind", "water-plan", "water-leaf"],
] as const;

export interface SpineShares {
  character: string;
  /** shares of all plants; what is left is empty */
  recorded: number;
  notApplicable: number;
  sought: number;
}

/** How each general character is filled, and a problem for each plant that has an empty cell. */
export function spineOf(flora: CompiledFlora, sought: Sought[]): { shares: SpineShares[]; faults: Problem[] } {
  const model = buildModel(flora);
  const faults: Problem[] = [];
  const shares = SPINE.map((character): SpineShares => {
    const c = model.characterIndex.get(character);
    const known = new Set(sought.filter((cell) => cell.character === character).map((cell) => cell.taxon));
    const counts = { recorded: 0, notApplicable: 0, sought: 0 };
    flora.taxa.forEach((taxon, t) => {
      const cell = c === undefined ? "not-recorded" : recordingOf(model, t, c);
      if (cell === "recorded") counts.recorded++;
      else if (cell === "not-applicable") counts.notApplicable++;
      else if (known.has(taxon.id)) counts.sought++;
      else
        faults.push({
          file: "flora/sets",
          line: 1,
          what: `${taxon.name}: ${character} is empty; record it, or write "not known; why"`,
        });
    });
    const share = (n: number) => Math.round((1000 * n) / flora.taxa.length) / 1000;
    return {
      character,
      recorded: share(counts.recorded),
      notApplicable: share(counts.notApplicable),
      sought: share(counts.sought),
    };
  });
  return { shares, faults };
}
