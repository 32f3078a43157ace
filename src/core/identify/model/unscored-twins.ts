import type { CompiledFlora, Pair, Shown } from "../../flora";

/** A plant that people take for one of this flora, listed as its twin though the flora includes no scores of it. */
export interface UnscoredTwin {
  name: string;
  common: string;
  deciders: Pair["deciders"];
  /** what it shows of the deciders */
  shows: Shown[];
}

/** Listed twins that the flora does not include, of each plant that it holds. */
export function unscoredTwins(flora: CompiledFlora): UnscoredTwin[][] {
  const index = new Map(flora.taxa.map((taxon, t) => [taxon.id, t]));
  const twins: UnscoredTwin[][] = flora.taxa.map(() => []);
  for (const { a, b, deciders, found, unheld } of flora.pairs) {
    if (found) continue;
    for (const [own, other] of [
      [a, b],
      [b, a],
    ]) {
      const t = index.get(own);
      if (t !== undefined && !index.has(other))
        twins[t].push({
          name: unheld?.name ?? other,
          common: unheld?.common ?? other,
          deciders,
          shows: unheld?.shows ?? [],
        });
    }
  }
  return twins;
}
