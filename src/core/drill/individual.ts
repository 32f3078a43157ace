import type { Stage } from "../flora";
import { minimumWidth, type Model, quantile, scoreFor, shows } from "../identify";
import type { Chance } from "../random";

/** A state that fewer plants of its kind show than this is drawn on no individual. */
const LEAST_SHARE = 0.15;
/** Measures are drawn within the middle of the plant's own range, as shares of the plants. */
const MIDDLE = [0.2, 0.8];

/** What one plant shows of one character. */
export type Trait = { character: number; state: number } | { character: number; value: number };

/** One plant as it stands: each character that is recorded and seen, drawn once within what its kind shows. */
export interface Individual {
  taxon: number;
  stage: Stage;
  /** index of the leaf form */
  form: number;
  traits: Map<number, Trait>;
}

/**
 * Draws one plant. The same seed gives the same plant; a character that is added to the flora leaves the others as they were.
 * @param chance a source of its own for this plant
 */
export function drawIndividual(model: Model, taxon: number, stage: Stage, chance: Chance): Individual {
  const { forms } = model.flora.taxa[taxon];
  const form = chance.named("form").pick(forms.map(({ share }) => share));
  const traits = new Map<number, Trait>();
  for (const [c, { id, kind }] of model.flora.characters.entries()) {
    if (!shows(model, taxon, c, stage)) continue;
    const score = scoreFor(model, taxon, c, stage, undefined, forms[form].id);
    if (!score || score.notApplicable) continue;
    const own = chance.named(id);
    if (score.shares) traits.set(c, { character: c, state: own.pick(usual(score.shares)) });
    if (score.points) {
      const share = MIDDLE[0] + (MIDDLE[1] - MIDDLE[0]) * own.uniform();
      const [least, , , most] = score.points;
      const value = Math.min(most, Math.max(least, quantile(score.points, share, minimumWidth(kind))));
      traits.set(c, { character: c, value: kind === "count" ? Math.max(0, Math.round(value)) : rounded(value) });
    }
  }
  return { taxon, stage, form, traits: withoutLoose(model, traits) };
}

const usual = (shares: number[]): number[] => {
  const most = Math.max(...shares);
  return shares.map((share) => (share >= Math.min(LEAST_SHARE, most) ? share : 0));
};

/** As a person would read it off: two figures that tell. */
const rounded = (value: number): number => Math.max(0, Number(value.toPrecision(2)));

/** Leaves out what stands on a part that this plant lacks, or that is not known to be there. */
function withoutLoose(model: Model, traits: Map<number, Trait>): Map<number, Trait> {
  const stands = (c: number): boolean => {
    const { when } = model.flora.characters[c];
    if (!when) return true;
    const base = model.characterIndex.get(when.character);
    const trait = base === undefined ? undefined : traits.get(base);
    if (base === undefined || !trait || !("state" in trait)) return false;
    return when.states.includes(model.flora.characters[base].states[trait.state].id) && stands(base);
  };
  return new Map([...traits].filter(([c]) => stands(c)));
}
