import { type Character, type CompiledFlora, type Score, type Stage, STAGES } from "../../flora";
import type { Tuning } from "../tuning";

/**
 * Whether a part is seen on a plant at a stage: 0 no; 1 on some of its kind; 2 as a rule. Leaves are seen in winter on plants
 * that keep them, and on no others.
 * @returns of one character [taxon × stage], or, where all plants are alike in this, [stage]
 */
export function seenOn(
  flora: CompiledFlora,
  scoresOf: Map<number, Score[]>[],
  character: Character,
  tuning: Tuning,
): Uint8Array {
  const always = Uint8Array.from(STAGES, (stage) => (character.stages.includes(stage) ? 2 : 0));
  if (!character.winter) return always;
  const seen = new Uint8Array(flora.taxa.length * STAGES.length);
  const winter = STAGES.indexOf("winter");
  for (let t = 0; t < flora.taxa.length; t++) {
    seen.set(always, t * STAGES.length);
    const kept = keptInWinter(flora, scoresOf[t], character.winter);
    seen[t * STAGES.length + winter] = kept >= tuning.keptByMost ? 2 : kept >= tuning.keptBySome ? 1 : 0;
  }
  return seen;
}

/** Share of a plant's kind that meets all the conditions; 0 where the first is not recorded, and another that is not counts as met. */
function keptInWinter(
  flora: CompiledFlora,
  scores: Map<number, Score[]>,
  conditions: { character: string; states: string[] }[],
): number {
  return conditions.reduce((share, { character, states }, i) => {
    const c = flora.characters.findIndex((other) => other.id === character);
    const whole = (scores.get(c) ?? []).filter((s) => !s.position && !s.form);
    const shares = (whole.find((s) => s.stage === "winter") ?? whole.find((s) => !s.stage))?.shares;
    if (!shares) return i === 0 ? 0 : share;
    return (
      share * states.reduce((sum, id) => sum + shares[flora.characters[c].states.findIndex((s) => s.id === id)], 0)
    );
  }, 1);
}

/** The stage whose scores hold: in winter what is kept of the leaves looks as it does in leaf. */
export const scoredStage = (character: Character, stage: Stage): Stage =>
  stage === "winter" && character.winter ? "vegetative" : stage;
