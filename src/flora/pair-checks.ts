import { type CompiledFlora, type Pair, type Stage, STAGES } from "@/core/flora";
import { type Model, recordingOf, usuallySeen, variation } from "@/core/identify";
import type { Problem } from "./read-yaml";

/** Above this share of what two plants show alike, a check does not tell them apart. */
const MOST_ALIKE = 0.65;

/** Lines of pairs.yaml, by the ids of the pair. */
export type PairLines = Map<string, number>;
export const pairKey = (a: string, b: string): string => [a, b].sort().join("|");

/**
 * What is wrong with the checks of the pairs that people wrote: a check that is not recorded for both, is not seen on both at
 * that stage, or shows more than 65% alike; and a grave pair without a check at a stage at which both stand.
 */
export function pairCheckFaults(model: Model, lines: PairLines): Problem[] {
  return model.flora.pairs
    .filter((pair) => !pair.found)
    .flatMap((pair) => {
      const say = (what: string): Problem => ({
        file: "flora/pairs.yaml",
        line: lines.get(pairKey(pair.a, pair.b)) ?? 1,
        what: `${pair.a} / ${pair.b}: ${what}`,
      });
      return [...checksThatFail(model, pair).map(say), ...stagesWithoutCheck(model.flora, pair).map(say)];
    });
}

function checksThatFail(model: Model, pair: Pair): string[] {
  const plants = plantsOf(model.flora, pair);
  return pair.deciders.flatMap(({ stage, characters }) =>
    characters.flatMap((id) => {
      const fault = faultOf(model, plants, model.characterIndex.get(id) as number, stage);
      return fault ? [`${id} at ${stage}: ${fault}`] : [];
    }),
  );
}

const plantsOf = (flora: CompiledFlora, { a, b }: Pair): number[] =>
  [a, b].map((id) => flora.taxa.findIndex((taxon) => taxon.id === id)).filter((t) => t >= 0);

function faultOf(model: Model, plants: number[], c: number, stage: Stage | "any"): string | null {
  const recordings = plants.map((t) => recordingOf(model, t, c));
  if (recordings.includes("not-recorded")) return "it is not recorded for both";
  const seen = (stage === "any" ? [...STAGES] : [stage]).filter((one) =>
    plants.every((t, i) => recordings[i] === "not-applicable" || usuallySeen(model, t, c, one)),
  );
  if (seen.length === 0) return "it is not seen on both then";
  const [a, b] = plants;
  if (a === undefined || b === undefined) return null;
  const alike = Math.min(...seen.map((one) => 1 - variation({ model }, c, a, b, STAGES.indexOf(one))));
  return alike > MOST_ALIKE ? `the two show ${Math.round(100 * alike)}% alike` : null;
}

/** Both plants are met at the stage, and the pair neither has a check then nor says that there is none. */
function stagesWithoutCheck(flora: CompiledFlora, pair: Pair): string[] {
  const plants = plantsOf(flora, pair).map((t) => flora.taxa[t]);
  if (!pair.grave) return [];
  return STAGES.filter(
    (stage) =>
      plants.every((taxon) => taxon.calendar[stage]) &&
      !pair.deciders.some((d) => d.stage === stage || d.stage === "any") &&
      !pair.notAt?.includes(stage),
  ).map((stage) => `a grave pair needs a check at ${stage}, or that stage under not-at`);
}
