import type { CompiledFlora, Pair, Shown } from "../flora";
import { buildModel, type Model, withTuning } from "../identify";
import type { TrialOptions } from "./options";

/** True where people are known to take one of these plants for the other. */
export function isListed({ taxa, pairs }: CompiledFlora, ...names: [string, string]): boolean {
  const [a, b] = names.map((name) => taxa.find((t) => t.name === name)?.id);
  return pairs.some((p) => !p.found && ((p.a === a && p.b === b) || (p.a === b && p.b === a)));
}

export function modelWithout(
  flora: CompiledFlora,
  taxon: number,
  { assumed, twinsListed, tuning }: TrialOptions,
  known: Map<number, Model>,
): Model {
  const made = known.get(taxon);
  if (made) return made;
  const rest = removeTaxon(flora, taxon);
  const { id } = flora.taxa[taxon];
  const model = buildModel(
    twinsListed ? rest : { ...rest, pairs: rest.pairs.filter((p) => p.a !== id && p.b !== id) },
    assumed,
    withTuning(tuning),
  );
  if (known.size > 12) known.clear();
  known.set(taxon, model);
  return model;
}

/**
 * The flora without one of its plants. In the pairs that people know of it stays, as a plant that is not held: by its name and by
 * what it shows of the parts that tell, as `unheld` pairs are written.
 */
export function removeTaxon(flora: CompiledFlora, taxon: number): CompiledFlora {
  const shift = (t: number) => (t > taxon ? t - 1 : t);
  const { id, name, common } = flora.taxa[taxon];
  const known = (pair: Pair): Pair =>
    pair.found || (pair.a !== id && pair.b !== id)
      ? pair
      : { ...pair, unheld: { name, common: common[0] ?? name, shows: shownOf(flora, taxon, pair) } };
  return {
    ...flora,
    pairs: flora.pairs.map(known),
    taxa: flora.taxa.filter((_, t) => t !== taxon),
    sets: flora.sets.map((s) => ({ ...s, taxa: s.taxa.filter((other) => other !== id) })),
    scores: flora.scores.filter((s) => s.taxon !== taxon).map((s) => ({ ...s, taxon: shift(s.taxon) })),
  };
}

/** A state that a plant has less often than this is not what someone who lists it as a twin would say that it shows. */
const SAID_TO_SHOW = 0.1;
/** A part tells where the other plant shows no more than this of what the twin shows. */
const SHARED = 0.3;

/** What a plant shows of a pair's deciders, at any stage, as someone who lists it as a twin would put it: the parts that tell it from the other. */
function shownOf(flora: CompiledFlora, taxon: number, pair: Pair): Shown[] {
  const other = flora.taxa.findIndex((t) => t.id === (pair.a === flora.taxa[taxon].id ? pair.b : pair.a));
  const characters = new Set(pair.deciders.flatMap((d) => d.characters));
  return [...characters].flatMap((character): Shown[] => {
    const c = flora.characters.findIndex((own) => own.id === character);
    const scoresOf = (t: number) => flora.scores.filter((s) => s.taxon === t && s.character === c);
    const points = scoresOf(taxon).flatMap((s) => (s.points ? [s.points] : []));
    if (points.length > 0) {
      const range: [number, number] = [Math.min(...points.map((p) => p[1])), Math.max(...points.map((p) => p[2]))];
      const apart = scoresOf(other).every((s) => s.points && (s.points[1] > range[1] || s.points[2] < range[0]));
      return apart ? [{ character, range }] : [];
    }
    const shown = flora.characters[c].states.map((_, k) =>
      scoresOf(taxon).some((s) => (s.shares?.[k] ?? 0) >= SAID_TO_SHOW),
    );
    const shared = scoresOf(other).some(
      (s) => (s.shares ?? []).reduce((sum, share, k) => sum + (shown[k] ? share : 0), 0) > SHARED,
    );
    return shown.includes(true) && !shared
      ? [{ character, states: flora.characters[c].states.flatMap((s, k) => (shown[k] ? [s.id] : [])) }]
      : [];
  });
}
