import { type Stage, STAGES } from "../../flora";
import type { Model } from "../model/model";
import { scoreFor, seenAt } from "../model/scores";
import type { Chances, Evidence } from "./evidence";

/**
 * What was seen is less likely at a stage that does not show the part. At the stage that the scout stated it is weighed by how
 * likely such a part is there then: a plant of that kind can have it, though nobody asks for it. A score that is not of that
 * very stage is trusted less there.
 */
export function weighByStage(model: Model, c: number, { chance, background }: Chances, stated: Stage[]): void {
  const { outOfStage, partThere, otherStage } = model.tuning;
  const character = model.flora.characters[c];
  const canBe = stated.filter((stage) => character.answered.includes(stage)).map((stage) => STAGES.indexOf(stage));
  for (let z = 0; z < chance.length; z++) {
    const { taxon, stage, form } = model.conditions[z];
    if (seenAt(model, taxon, c, stage) > 0) continue;
    if (!canBe.includes(stage)) {
      chance[z] *= outOfStage;
      continue;
    }
    const formId = model.flora.taxa[taxon].forms[form].id;
    const own = scoreFor(model, taxon, c, STAGES[stage], undefined, formId)?.stage === STAGES[stage] ? 1 : otherStage;
    chance[z] = partThere * (own * chance[z] + (1 - own) * background[model.conditionLifeForm[z]]);
  }
}

/** On a plant at two stages at once each part is explained by one of them: the one that shows it, or, where both do, either. */
export function atEither(model: Model, c: number, evidence: Evidence, stated: Stage[]): Evidence {
  if (stated.length < 2) return evidence;
  const pair = stated.map((stage) => STAGES.indexOf(stage)) as [number, number];
  return joined(model, evidence, pair, (t, [a, b]) => {
    const [seenA, seenB] = pair.map((stage) => seenAt(model, t, c, stage) > 0);
    return seenA === seenB ? (a + b) / 2 : seenA ? a : b;
  });
}

/** A part that is missing on such a plant is missing at both of its stages. */
export function missingAtBoth(model: Model, evidence: Evidence, stated: Stage[]): Evidence {
  if (stated.length < 2) return evidence;
  const pair = stated.map((stage) => STAGES.indexOf(stage)) as [number, number];
  return joined(model, evidence, pair, (_, [a, b]) => Math.min(a, b));
}

/** Gives both stages of each plant, form and cross one chance. */
function joined(
  model: Model,
  evidence: Evidence,
  [first, second]: [number, number],
  together: (taxon: number, chances: [number, number]) => number,
): Evidence {
  const join = (values: Float64Array, from: number, taxon: number) => {
    const both = together(taxon, [values[from + first], values[from + second]]);
    values[from + first] = both;
    values[from + second] = both;
  };
  const { chance, between } = evidence;
  for (let z = 0; z < chance.length; z += STAGES.length) join(chance, z, model.conditionTaxon[z]);
  if (between) for (const [x, { parents }] of model.crosses.entries()) join(between, x * STAGES.length, parents[0]);
  return evidence;
}
