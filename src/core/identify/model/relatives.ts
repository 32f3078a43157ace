import { classShares, type FourPoints } from "./measures";
import type { RelativeShares, Model } from "./model";
import { baseScore } from "./scores";

/** Mean overlap of the recorded states of two plants of one genus, smoothed where few pairs are recorded. */
export function relativeLikeness(model: Model, c: number): number {
  const byGenus = new Map<string, ArrayLike<number>[]>();
  model.flora.taxa.forEach((taxon, t) => {
    const score = baseScore(model, t, c);
    if (!score) return;
    const shares =
      score.shares ??
      classShares(score.points as FourPoints, model.edges[c], model.flora.characters[c].kind, model.tuning);
    byGenus.set(taxon.genus, [...(byGenus.get(taxon.genus) ?? []), shares]);
  });
  const { relativePriorPairs, relativePriorLikeness } = model.tuning;
  let sum = relativePriorPairs * relativePriorLikeness;
  let pairs = relativePriorPairs;
  for (const rows of byGenus.values()) {
    for (let a = 0; a < rows.length; a++) {
      for (let b = a + 1; b < rows.length; b++) {
        for (let s = 0; s < rows[a].length; s++) sum += Math.min(rows[a][s], rows[b][s]);
        pairs++;
      }
    }
  }
  return sum / pairs;
}

/** What a plant without a score of its own is taken to show: its genus, else its family, else its life form. */
export function inheritedChances(model: Model, c: number, taxon: number, background: Float32Array): Float32Array {
  const own = model.flora.taxa[taxon];
  const { inherited } = model.tuning;
  const kin = model.relativeShares[c].get(`genus ${own.genus}`) ?? model.relativeShares[c].get(`family ${own.family}`);
  return kin
    ? Float32Array.from(kin.sums, (sum, s) => inherited * (sum / kin.plants) + (1 - inherited) * background[s])
    : background;
}

export function sharesOfRelatives(model: Model, c: number): Map<string, RelativeShares> {
  const byName = new Map<string, RelativeShares>();
  model.flora.taxa.forEach((taxon, t) => {
    const score = baseScore(model, t, c);
    if (!score) return;
    const shares =
      score.shares ??
      classShares(score.points as FourPoints, model.edges[c], model.flora.characters[c].kind, model.tuning);
    for (const name of [`genus ${taxon.genus}`, `family ${taxon.family}`]) {
      const kin = byName.get(name) ?? { sums: new Float64Array(shares.length), plants: 0 };
      for (let s = 0; s < shares.length; s++) kin.sums[s] += shares[s];
      kin.plants++;
      byName.set(name, kin);
    }
  });
  return byName;
}
