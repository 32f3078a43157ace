import type { Character, CompiledFlora, Score } from "../../flora";

type Points = NonNullable<Score["points"]>;

/** Below its full size a plant may be anything: shares of the lower of its inner numbers that are given to each stage. */
const GROWING = {
  seedling: ([, low, high]: Points): Points => [0.01 * low, 0.03 * low, 0.15 * low, 0.5 * high],
  vegetative: ([, low, high, most]: Points): Points => [0.05 * low, 0.25 * low, high, most],
};

/**
 * The flora with scores that follow from its others: the width of a blade from its length and how many times as long as wide it
 * is, and what a plant that is not full-grown may measure. A score of its own takes precedence. They are no part of the flora:
 * files and packs do not carry them.
 */
export function withDerivedScores(flora: CompiledFlora): CompiledFlora {
  const indexOf = (id: string) => flora.characters.findIndex((c) => c.id === id);
  const derived = [
    ...widths(flora.scores, indexOf("leaf-length"), indexOf("leaf-ratio"), indexOf("leaf-width")),
    ...flora.characters.flatMap((character, c) => (character.grows ? growing(flora.scores, character, c) : [])),
  ];
  return derived.length === 0 ? flora : { ...flora, scores: [...flora.scores, ...derived] };
}

const isBase = (s: Score) => !s.stage && !s.position && !s.form;

/** Length over ratio, both spread evenly on a scale of ratios: medians divide, and the spreads add up as squares. */
function widths(scores: Score[], length: number, ratio: number, width: number): Score[] {
  if (length < 0 || ratio < 0 || width < 0) return [];
  const ofCharacter = (c: number) =>
    new Map(scores.filter((s) => s.character === c && isBase(s)).map((s) => [s.taxon, s]));
  const [lengths, ratios, own] = [length, ratio, width].map(ofCharacter);
  return [...lengths].flatMap(([taxon, long]): Score[] => {
    const slim = ratios.get(taxon);
    if (own.has(taxon) || !long.points || !slim?.points) return [];
    const points = quotient(long.points, slim.points);
    return points ? [{ taxon, character: width, confidence: Math.min(long.confidence, slim.confidence), points }] : [];
  });
}

/** Four points of x / y where x and y vary each by itself; null where one of them may be nothing. */
function quotient(x: Points, y: Points): Points | null {
  if (x[1] <= 0 || y[1] <= 0) return null;
  const middle = Math.sqrt((x[1] * x[2]) / (y[1] * y[2]));
  const inner = Math.hypot(Math.log(x[2] / x[1]), Math.log(y[2] / y[1])) / 2;
  const outer = Math.hypot(Math.log(x[3] / x[1]), Math.log(y[3] / y[1])) / 1.4;
  return [middle * Math.exp(-outer), middle * Math.exp(-inner), middle * Math.exp(inner), middle * Math.exp(outer)];
}

function growing(scores: Score[], { stages }: Character, c: number): Score[] {
  const ofCharacter = scores.filter((s) => s.character === c);
  const stated = new Set(ofCharacter.map((s) => `${s.taxon} ${s.stage ?? ""}`));
  return ofCharacter
    .filter(isBase)
    .flatMap(({ taxon, confidence, points }): Score[] =>
      points
        ? (["seedling", "vegetative"] as const)
            .filter((stage) => !stages.includes(stage) && !stated.has(`${taxon} ${stage}`))
            .map((stage) => ({ taxon, character: c, stage, confidence, points: GROWING[stage](points) }))
        : [],
    );
}
