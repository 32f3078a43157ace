import { type Character, LIFE_FORMS, STAGES, type Taxon } from "../../flora";
import type { Observation } from "../case/case";
import { baseKnown } from "../evidence/missing-part";
import { applies } from "../model/answer-tables";
import { hasPart } from "../model/scores";
import type { Judgement } from "../posterior/judgement";
import type { ActiveHypotheses } from "./hypotheses";

/**
 * True where the part, or another that stands on just the same, was seen to be missing, or where no plant is scored for it, so
 * that a measure has one class only: the question says nothing and is not asked.
 */
export function ruledOut(judgement: Judgement, c: number): boolean {
  if (judgement.model.answers[c] < 2) return true;
  const { characters } = judgement.model.flora;
  const when = characters[c].when;
  const { observations } = judgement.case;
  if (isOutlineOfShreds(characters[c].id, observations)) return true;
  if (!when) return false;
  const seen = observations.find(
    (o) => o.character === when.character && o.answer !== "cannot-tell" && o.answer !== "not-there-yet",
  );
  if (seen) return seen.answer === "absent" || !(seen.states ?? []).some((s) => when.states.includes(s));
  const alike = (other: Character) =>
    other.when?.character === when.character &&
    other.when.states.join() === when.states.join() &&
    !other.states.some((s) => s.id === "none");
  return observations.some(
    (o) =>
      o.answer === "absent" &&
      !o.states &&
      alike(characters[judgement.model.characterIndex.get(o.character) as number]),
  );
}

/** The outline, length and base of a blade mean nothing on a leaf that is cut to ribbons or divided like a fern. */
export const OUTLINE = ["leaf-shape", "leaf-ratio", "leaf-width", "leaf-base", "leaf-edge"];
const isOutlineOfShreds = (id: string, observations: Observation[]): boolean =>
  OUTLINE.includes(id) &&
  observations.some(
    ({ character, answer, states }) =>
      answer === "seen" &&
      states !== undefined &&
      ((character === "leaf-lobes" && states.every((s) => s === "shreds")) ||
        (character === "leaf-kind" && states.every((s) => s === "ferny"))),
  );

export function contactShare(judgement: Judgement): { sap: number; skin: number } {
  const share = { sap: 0, skin: 0 };
  judgement.model.flora.taxa.forEach((taxon: Taxon, t) => {
    const contact = taxon.hazards.contact;
    if (contact) share[contact] += Math.max(judgement.local.taxa[t], judgement.flat.taxa[t]);
  });
  return share;
}

export function handling(
  judgement: Judgement,
  c: number,
  harm: { sap: number; skin: number },
): "gloves" | "never" | undefined {
  const character = judgement.model.flora.characters[c];
  if (character.destroys && protectedShare(judgement) > judgement.model.tuning.harmShare) return "never";
  if (
    !character.touch ||
    (harm.sap <= judgement.model.tuning.harmShare && harm.skin <= judgement.model.tuning.harmShare)
  )
    return undefined;
  if (
    character.touch === "skin" ||
    harm.skin > judgement.model.tuning.harmShare ||
    !judgement.case.kit.includes("gloves")
  )
    return "never";
  return "gloves";
}

function protectedShare(judgement: Judgement): number {
  return judgement.status.reduce((sum, s, t) => sum + (s === "protected" ? judgement.local.taxa[t] : 0), 0);
}

/** Ids of the characters that suit what still fits, at its stage: what free order offers first. */
export function askableCharacters(judgement: Judgement, active: ActiveHypotheses): string[] {
  return judgement.model.flora.characters
    .filter((_, c) => {
      return (
        !ruledOut(judgement, c) &&
        carriedShare(judgement, active, c) >= judgement.model.tuning.appliesAction &&
        visibleShare(judgement, active, c) >= judgement.model.tuning.visible
      );
    })
    .map((character) => character.id);
}

const WINTER = STAGES.indexOf("winter");

/** A part that only some plants keep over winter is asked for once it is seen that this one does. */
function keptNow(judgement: Judgement, c: number): boolean {
  const [kept] = judgement.model.flora.characters[c].winter ?? [];
  return (
    !kept ||
    judgement.case.observations.some(
      (o) =>
        o.character === kept.character && o.answer === "seen" && (o.states ?? []).some((s) => kept.states.includes(s)),
    )
  );
}

/** Share of what still fits that carries the part. */
export function carriedShare(judgement: Judgement, active: ActiveHypotheses, c: number): number {
  const { model } = judgement;
  const { conditions, weights, firstOf, share } = active;
  const carries = LIFE_FORMS.map((form) => applies(model, c, form));
  const part = baseKnown(model, c, judgement.case.observations, false) ? null : model.lacking[c];
  let carried = 0;
  for (let i = 0; i < active.taxa.length; i++) {
    const t = active.taxa[i];
    if (!carries[model.taxonLifeForm[t]] || !hasPart(model, t, c)) continue;
    if (!part) carried += share[i];
    else
      for (let k = firstOf[i]; k < firstOf[i + 1]; k++)
        carried += share[i] * weights[k] * (1 - part.base[conditions[k]]);
  }
  return carried / active.total;
}

/** Share of what still fits that shows the part at this stage. */
export function visibleShare(judgement: Judgement, active: ActiveHypotheses, c: number): number {
  const { taxa, share, stages, stageWeight, stageTotal, total } = active;
  const { model } = judgement;
  const leftInWinter = keptNow(judgement, c);
  const seen = model.seen[c];
  const step = model.seenStep[c];
  let visible = 0;
  for (let s = 0; s < stages.length; s++) {
    if (stages[s] === WINTER && !leftInWinter) continue;
    if (step === 0) visible += seen[stages[s]] ? stageTotal[s] : 0;
    else
      for (let i = 0; i < taxa.length; i++)
        if (seen[taxa[i] * step + stages[s]]) visible += share[i] * stageWeight[s * taxa.length + i];
  }
  return visible / total;
}
