import { InputError } from "../../errors";
import { type CompiledFlora, LIFE_FORMS, type Score, STAGES, STATUSES } from "../../flora";
import { TUNING } from "../tuning";
import { fillCharacter } from "./answer-tables";
import { crossesOf } from "./crosses";
import { withDerivedScores } from "./derived-scores";
import { lackingOf } from "./lacking";
import { classEdges } from "./measures";
import type { Condition, Model } from "./model";
import { relativeLikeness, sharesOfRelatives } from "./relatives";
import { indexScores, recordings, variations } from "./scores";
import { unscoredTwins } from "./unscored-twins";
import { seenOn } from "./visible-at-stage";

/**
 * @param recorded compiled flora
 * @param observerError the observer's error in [0, 0.5]; 0.05 is the reference
 * @param tuning the constants of the engine
 */
export function buildModel(recorded: CompiledFlora, observerError = TUNING.referenceError, tuning = TUNING): Model {
  if (!(observerError >= 0 && observerError <= 0.5))
    throw new InputError("out-of-range", "observerError", observerError, "give a number from 0 to 0.5");
  const flora = withDerivedScores(recorded);
  const scoresOf = indexScores(flora);
  const { conditions, firstCondition } = conditionsOf(flora);
  const taxonLifeForm = Uint8Array.from(flora.taxa, (t) => LIFE_FORMS.indexOf(t.lifeForm));
  const { treatments, treatmentOf } = treatmentsOf(flora);
  const measured: Score[][] = flora.characters.map(() => []);
  for (const score of flora.scores) if (score.points) measured[score.character].push(score);
  const edges = flora.characters.map((c, i) =>
    c.states.length > 0 ? [] : classEdges(measured[i], c.kind, tuning.classes),
  );
  const seen = flora.characters.map((c) => seenOn(flora, scoresOf, c, tuning));
  const varies = variations(flora);
  const model: Model = {
    flora,
    observerError,
    tuning,
    conditions,
    conditionTaxon: Int32Array.from(conditions, (z) => z.taxon),
    conditionStage: Uint8Array.from(conditions, (z) => z.stage),
    conditionLifeForm: Uint8Array.from(conditions, (z) => taxonLifeForm[z.taxon]),
    firstCondition,
    answers: Int32Array.from(flora.characters, (c, i) => (c.states.length > 0 ? c.states.length : edges[i].length + 1)),
    edges,
    table: [],
    firstRow: [],
    background: [],
    recording: recordings(flora, scoresOf, tuning),
    characterIndex: new Map(flora.characters.map((c, i) => [c.id, i])),
    taxonIndex: new Map(flora.taxa.map((t, i) => [t.name, i])),
    taxonLifeForm,
    plantsOfForm: Float64Array.from(LIFE_FORMS, (_, form) => taxonLifeForm.filter((f) => f === form).length),
    treatments,
    treatmentOf,
    seen,
    seenStep: Uint8Array.from(seen, (of) => (of.length > STAGES.length ? STAGES.length : 0)),
    relativeLikeness: new Float64Array(flora.characters.length),
    varies,
    variesAtAll: Uint8Array.from(flora.characters, (_, c) =>
      varies.subarray(c * flora.taxa.length, (c + 1) * flora.taxa.length).includes(1) ? 1 : 0,
    ),
    scoresOf,
    measuredScores: measured,
    relativeShares: flora.characters.map(() => new Map()),
    lacking: flora.characters.map(() => null),
    groupNames: new Map(STATUSES.map((s) => [s, treatments.map((treatment) => `${s}: ${treatment}`)])),
    crosses: crossesOf(flora),
    unscoredTwins: unscoredTwins(flora),
  };
  fillTables(model);
  return model;
}

/** What rests on the rest of the model: the tables of answers, and how often parts are lacking. */
function fillTables(model: Model): void {
  const { flora } = model;
  for (const c of flora.characters.keys()) {
    model.relativeShares[c] = sharesOfRelatives(model, c);
    fillCharacter(model, c);
    model.relativeLikeness[c] = relativeLikeness(model, c);
  }
  for (const c of flora.characters.keys()) model.lacking[c] = lackingOf(model, c);
}

/** Each plant in each of its forms at each stage. */
function conditionsOf(flora: CompiledFlora): Pick<Model, "conditions" | "firstCondition"> {
  const conditions: Condition[] = [];
  const firstCondition = new Int32Array(flora.taxa.length + 1);
  flora.taxa.forEach((taxon, t) => {
    firstCondition[t] = conditions.length;
    for (let form = 0; form < taxon.forms.length; form++)
      for (let stage = 0; stage < STAGES.length; stage++) conditions.push({ taxon: t, stage, form });
  });
  firstCondition[flora.taxa.length] = conditions.length;
  return { conditions, firstCondition };
}

function treatmentsOf(flora: CompiledFlora): Pick<Model, "treatments" | "treatmentOf"> {
  const words = flora.taxa.map(
    (t) => `${t.lifeForm}, ${t.cycle}, ${t.sprouts.length > 0 || t.fragments !== "none" ? "resprouts" : "from seed"}`,
  );
  const treatments = [...new Set(words)];
  return { treatments, treatmentOf: Uint16Array.from(words, (own) => treatments.indexOf(own)) };
}
