import type { Observation } from "./case";
import { evidenceOf } from "./likelihood";
import { type Judgement, likeliestStage } from "./posterior";
import type { UnheldTwin } from "./unheld";
import { usualLook } from "./usual";

/** Looks that part a plant from a twin must agree with it this many times, or as often as there are such looks. */
const AGREEING = 2;
/** An answer agrees with a plant where it is at least this share as likely of it as its usual one. */
const AGREES = 0.5;

export interface OpenTwin {
  twin: UnheldTwin;
  /** characters that part the two and can be seen now, not looked at yet; none where nothing listed parts them at this stage */
  looks: number[];
}

/**
 * Twins that a plant may still be, of those that the flora does not hold: nothing is known of them but what parts them from
 * it. One is out of the way once the looks that part the two were made and show what this plant usually shows.
 */
export function openTwins(judgement: Judgement, taxon: number): OpenTwin[] {
  const { model } = judgement;
  if (model.unheld[taxon].length === 0) return [];
  const stage = likeliestStage(judgement, taxon);
  return model.unheld[taxon].flatMap((twin): OpenTwin[] => {
    const ids = twin.deciders.filter((d) => d.stage === stage || d.stage === "any").flatMap((d) => d.characters);
    const parting = [...new Set(ids)].flatMap((id) => {
      const c = model.characterIndex.get(id) as number;
      const usual = usualLook(model, taxon, c, stage);
      return usual ? [{ c, usual }] : [];
    });
    const answers = parting.map(({ c, usual }) => ({ c, agrees: agrees(judgement, taxon, c, usual) }));
    const wanted = Math.min(AGREEING, parting.length);
    if (wanted > 0 && !answers.some((x) => x.agrees === false) && answers.filter((x) => x.agrees).length >= wanted) return [];
    return [{ twin, looks: answers.filter((x) => x.agrees === null).map((x) => x.c) }];
  });
}

/** Whether what was seen of a part is what the plant usually shows; null where it was not looked at, or told nothing. */
function agrees(judgement: Judgement, taxon: number, c: number, usual: Observation): boolean | null {
  const { model, evidence } = judgement;
  const i = judgement.case.observations.findIndex((o) => o.character === usual.character);
  if (i < 0) return null;
  const item = evidence[i];
  if (!item || item.character !== c) return false;
  const ideal = evidenceOf(model, usual, i)?.chance ?? item.chance;
  const best = (chance: Float64Array) => chance.subarray(model.firstCondition[taxon], model.firstCondition[taxon + 1]).reduce((a, b) => Math.max(a, b), 0);
  return best(item.chance) >= AGREES * best(ideal);
}
