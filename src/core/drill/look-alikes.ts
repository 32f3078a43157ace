import type { Stage } from "../flora";
import { likenesses, type Model } from "../identify";

/** A plant below this likeness is no answer that anybody would give, unless the two are a listed pair. */
export const LEAST_LIKENESS = 0.05;

export interface LookAlike {
  taxon: number;
  likeness: number;
  listed: boolean;
}

const listed = new WeakMap<Model, Map<number, Set<number>>>();

function listedPairs(model: Model): Map<number, Set<number>> {
  const known = listed.get(model);
  if (known) return known;
  const made = new Map<number, Set<number>>();
  const index = new Map(model.flora.taxa.map(({ id }, t) => [id, t]));
  for (const { a, b } of model.flora.pairs) {
    const [first, second] = [index.get(a), index.get(b)];
    if (first === undefined || second === undefined) continue;
    made.set(first, (made.get(first) ?? new Set()).add(second));
    made.set(second, (made.get(second) ?? new Set()).add(first));
  }
  listed.set(model, made);
  return made;
}

/** The plants that this one is mistaken for at a stage: listed pairs, and those that the engine finds alike; most alike first. */
export function lookAlikes(model: Model, taxon: number, stage: Stage): LookAlike[] {
  const { taxa } = model.flora;
  const alike = likenesses(model, taxon, stage);
  const pairs = listedPairs(model).get(taxon) ?? new Set<number>();
  return [...taxa.keys()]
    .filter((t) => t !== taxon && taxa[t].calendar[stage] && !isWithin(model, taxon, t))
    .map((t) => ({ taxon: t, likeness: alike[t], listed: pairs.has(t) }))
    .filter(({ likeness, listed: isListed }) => isListed || likeness >= LEAST_LIKENESS)
    .sort((a, b) => b.likeness - a.likeness);
}

/** Whether one of two names includes the other, so that both would be right: any plant of a genus, and a species of it; a cross and its parent. */
function isWithin(model: Model, a: number, b: number): boolean {
  const [first, second] = [model.flora.taxa[a], model.flora.taxa[b]];
  if (first.genus !== second.genus) return false;
  return [first.rank, second.rank].some((rank) => rank === "genus" || rank === "hybrid");
}
