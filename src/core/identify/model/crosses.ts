import type { CompiledFlora } from "../../flora";

/** A cross that may stand there: two plants of the flora that are interfertile, by their indices. */
export interface Cross {
  parents: [number, number];
}

/**
 * The crosses of a flora: each pair that is listed as interfertile, once. A pair whose cross is a plant of the flora by itself is
 * left to that plant.
 */
export function crossesOf(flora: CompiledFlora): Cross[] {
  const index = new Map(flora.taxa.map((t, i) => [t.name, i]));
  const named = new Set(flora.taxa.filter((t) => t.rank === "hybrid").map((t) => t.genus));
  return flora.taxa.flatMap((taxon, a) =>
    taxon.interfertile.flatMap((name) => {
      const b = index.get(name);
      if (b === undefined || b === a) return [];
      const listedBack = flora.taxa[b].interfertile.includes(taxon.name);
      if (listedBack && b < a) return [];
      return named.has(taxon.genus) && taxon.genus === flora.taxa[b].genus
        ? []
        : [{ parents: [a, b] as [number, number] }];
    }),
  );
}
