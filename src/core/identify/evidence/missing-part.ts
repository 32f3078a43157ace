import { LIFE_FORMS, STAGES } from "../../flora";
import type { Observation } from "../case/case";
import { applies } from "../model/answer-tables";
import { shareWithout } from "../model/lacking";
import type { Model } from "../model/model";
import type { Sureness } from "../model/observer";
import { recordingOf, scoreFor, usuallySeen } from "../model/scores";
import type { Tuning } from "../tuning";
import type { Chances } from "./evidence";

const overlookedBy = (sure: Sureness, t: Tuning): number =>
  sure === "sure" ? t.overlookedSure : sure === "likely" ? t.overlookedLikely : t.overlookedGuess;

/** What other checks say of what a part stands on: that it is there, that it is missing, or nothing. */
export type BaseKnown = "there" | "missing" | null;

/**
 * Whether it is known from other checks that there is what a part stands on: that was seen itself, or another part of it was.
 * A look at this one then says nothing of it any more.
 * @param asked true of a character that was answered: of several answers on one base, the first of the vocabulary tells of it, and the others no more
 */
export function baseKnown(model: Model, c: number, observations: Observation[], asked: boolean): BaseKnown {
  const { characters } = model.flora;
  const { when } = characters[c];
  if (!when) return null;
  const seen = observations.filter((o) => o.answer === "seen");
  const base = seen.find((o) => o.character === when.character);
  if (base) return (base.states ?? []).some((state) => when.states.includes(state)) ? "there" : "missing";
  const onSame = seen.some((o) => {
    const other = model.characterIndex.get(o.character);
    return (
      other !== undefined &&
      other !== c &&
      characters[other].when?.character === when.character &&
      (!asked || other < c)
    );
  });
  return onSame ? "there" : null;
}

/**
 * What was seen of a part that stands on another, which only some have: on those that lack it nothing is to be seen, and
 * "none", where that is a state, is all that can be said.
 */
export function weighByBase(model: Model, observation: Observation, { chance, background }: Chances, c: number): void {
  const part = model.lacking[c];
  if (!part || (observation.answer === "absent" && observation.states)) return;
  const bare = observation.answer === "absent" || observation.states?.includes("none") ? model.tuning.missing : 0;
  for (let z = 0; z < chance.length; z++) chance[z] = part.shown[z] * chance[z] + (1 - part.shown[z]) * bare;
  for (let form = 0; form < background.length; form++)
    background[form] = part.shownByForm[form] * background[form] + (1 - part.shownByForm[form]) * bare;
}

/**
 * What "this plant has no such part" says, of a character without a state for it (the height of a ligule, the edge of a
 * leaflet): right for every plant that never carries the part, all but wrong for one that does. A wrong answer to an earlier
 * question, the kind of plant above all, is found out by it.
 * @param base what is known of what the part stands on
 */
export function missingPart(model: Model, c: number, sure: Sureness, base: BaseKnown): Chances {
  // Where the base is known to be missing its parts are too, on whatever plant: only the base itself tells.
  if (base === "missing")
    return {
      chance: new Float64Array(model.conditions.length).fill(model.tuning.missing),
      background: new Float64Array(LIFE_FORMS.length).fill(model.tuning.missing),
      even: model.tuning.missing,
    };
  const overlooked = overlookedBy(sure, model.tuning);
  const fails = base ? undefined : model.lacking[c]?.base;
  const chance = Float64Array.from(model.conditions, ({ taxon, stage, form }, z) =>
    missingChance(model, c, taxon, stage, form, overlooked, fails?.[z] ?? 0),
  );
  const background = Float64Array.from(LIFE_FORMS, (form) =>
    applies(model, c, form) ? shareWithout(model, c, form, overlooked) : model.tuning.missing,
  );
  return { chance, background, even: 1 / (model.answers[c] + 1) };
}

function missingChance(
  model: Model,
  c: number,
  taxon: number,
  stage: number,
  form: number,
  overlooked: number,
  baseFails: number,
): number {
  const recording = recordingOf(model, taxon, c);
  if (recording === "not-applicable") return model.tuning.missing;
  if (!usuallySeen(model, taxon, c, STAGES[stage])) return model.tuning.missingOutOfStage;
  const formId = model.flora.taxa[taxon].forms[form].id;
  if (scoreFor(model, taxon, c, STAGES[stage], undefined, formId)?.notApplicable) return model.tuning.missing;
  const bare = recording === "recorded" ? overlooked : Math.max(overlooked, model.tuning.missingUnrecorded);
  return bare + (model.tuning.missing - bare) * baseFails;
}
