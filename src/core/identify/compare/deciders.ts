import { type Pair, type Shown, type Stage, STAGES } from "../../flora";
import type { Model } from "../model/model";
import { scoreFor, usuallySeen } from "../model/scores";
import { variation } from "../next/later-checks";

/** Whether one of the deciders of a pair parts its two plants at a stage for which it is named. */
export function hasWorkingDecider(model: Model, pair: Pair): boolean {
  const [a, b] = [pair.a, pair.b].map((id) => model.flora.taxa.findIndex((t) => t.id === id));
  if (a < 0 || (b < 0 && !pair.unheld)) return false;
  const parts = (c: number, s: number) =>
    pair.unheld
      ? partsFromUnheld(model, pair.unheld.shows, a, c, STAGES[s])
      : variation({ model }, c, a, b, s) >= model.tuning.workingDecider;
  return pair.deciders.some(({ stage, characters }) =>
    characters.some((id) => {
      const c = model.characterIndex.get(id) as number;
      const stages = stage === "any" ? STAGES.map((_, s) => s) : [STAGES.indexOf(stage)];
      return stages.some((s) => parts(c, s));
    }),
  );
}

/** A plant parts from a twin that is not held where it seldom shows what the twin shows. */
function partsFromUnheld(model: Model, shows: Shown[], taxon: number, c: number, stage: Stage): boolean {
  const { id, states } = model.flora.characters[c];
  const shown = shows.find((s) => s.character === id);
  const score = scoreFor(model, taxon, c, stage, undefined, model.flora.taxa[taxon].forms[0].id);
  if (!shown || !score || !usuallySeen(model, taxon, c, stage)) return false;
  if (score.points && shown.range) return score.points[1] > shown.range[1] || score.points[2] < shown.range[0];
  return (
    shown.states !== undefined &&
    score.shares !== undefined &&
    shown.states.reduce((sum, state) => sum + (score.shares?.[states.findIndex((s) => s.id === state)] ?? 0), 0) <=
      model.tuning.seldomShown
  );
}
