import { allBegin, type Stage, STAGES } from "../../flora";
import { answersAt } from "../model/answer-tables";
import { recordingOf, usuallySeen } from "../model/scores";
import { conditionShare, type Judgement } from "../posterior/judgement";
import { topOnSide } from "../verdict/sides";
import type { TwinInTheWay } from "../verdict/twins-in-the-way";

export interface LaterCheck {
  character: number;
  /** the stage that shows it, and the first day, from today, on which both plants may be in it */
  stage: Stage;
  from: string;
  parts: [number, number];
}

/**
 * What would part the likeliest target from the likeliest kept plant at a later stage, and from which day:
 * the day on which both show the part. Strongest first.
 */
export function laterChecks(judgement: Judgement, most = 4): LaterCheck[] {
  const { model } = judgement;
  const target = topOnSide(judgement, 0);
  const kept = topOnSide(judgement, 1);
  if (target < 0 || kept < 0) return [];
  const answered = answeredCharacters(judgement);
  const now = new Set(foreseenStages(judgement, target).concat(foreseenStages(judgement, kept)));
  const found: (LaterCheck & { distance: number })[] = [];
  const both = [target, kept].map((t) => model.flora.taxa[t]);
  const begins = new Map(STAGES.map((stage) => [stage, allBegin(both, stage, judgement.case.day, judgement.case)]));
  model.flora.characters.forEach((character, c) => {
    if (
      answered.has(character.id) ||
      character.stages.some((stage) => now.has(stage)) ||
      recordingOf(model, target, c) !== "recorded" ||
      recordingOf(model, kept, c) !== "recorded"
    )
      return;
    for (const stage of character.stages) {
      const distance = variation(judgement, c, target, kept, STAGES.indexOf(stage));
      const from = begins.get(stage);
      if (distance < model.tuning.laterDistance || !from) continue;
      found.push({ character: c, stage, from, parts: [target, kept], distance });
      break;
    }
  });
  return found
    .sort((a, b) => b.distance - a.distance)
    .slice(0, most)
    .map(({ distance: _, ...rest }) => rest);
}

/** The same of a twin that the flora does not include, by what people call it. */
export type LaterTwinLook = Omit<LaterCheck, "parts"> & { parts: [number, string] };

/** What would tell a plant apart from twins that the flora does not include at another stage, soonest first; of those that nothing seen may be. */
export function laterTwinLooks(judgement: Judgement, open: TwinInTheWay[], most = 4): LaterTwinLook[] {
  const { model, case: given } = judgement;
  const answered = answeredCharacters(judgement);
  const found = open
    .filter((twin) => !twin.fits)
    .flatMap(({ taxon, twin }) => {
      const now = foreseenStages(judgement, taxon);
      return twin.shows.flatMap(({ character }): LaterTwinLook[] => {
        const c = model.characterIndex.get(character) as number;
        if (answered.has(character) || now.some((stage) => usuallySeen(model, taxon, c, stage))) return [];
        const listed = (stage: Stage) =>
          twin.deciders.some((d) => (d.stage === stage || d.stage === "any") && d.characters.includes(character));
        const shown = STAGES.filter((stage) => listed(stage) && usuallySeen(model, taxon, c, stage)).flatMap(
          (stage): LaterTwinLook[] => {
            const from = allBegin([model.flora.taxa[taxon]], stage, given.day, given);
            return from ? [{ character: c, stage, from, parts: [taxon, twin.common] }] : [];
          },
        );
        return soonest(shown).slice(0, 1);
      });
    });
  return soonest(found).slice(0, most);
}

const soonest = (looks: LaterTwinLook[]): LaterTwinLook[] => looks.sort((a, b) => a.from.localeCompare(b.from));

/** Characters of which something was told. */
const answeredCharacters = ({ case: given }: Judgement): Set<string> =>
  new Set(given.observations.filter((o) => o.answer === "seen" || o.answer === "absent").map((o) => o.character));

/** Stages that hold at least a tenth of what the plant may be in now. */
function foreseenStages(judgement: Judgement, taxon: number) {
  const { model } = judgement;
  const shares = STAGES.map(() => 0);
  for (let z = model.firstCondition[taxon]; z < model.firstCondition[taxon + 1]; z++)
    shares[model.conditions[z].stage] += conditionShare(judgement, z);
  return STAGES.filter((_, s) => shares[s] >= 0.1);
}

/** Total variation between two plants' answers at a stage, in [0, 1]. */
export function variation(judgement: Pick<Judgement, "model">, c: number, a: number, b: number, stage: number): number {
  const { model } = judgement;
  const first = answersAt(model, a, c, stage);
  const second = answersAt(model, b, c, stage);
  let sum = 0;
  for (let o = 0; o < first.length; o++) sum += Math.abs(first[o] - second[o]);
  return sum / 2;
}

/** The look to come back for: the first that begins after a day; where there is none, one that others of its kind show already. */
export const nextLater = <Look extends { from: string }>(later: Look[], day: string): Look | undefined =>
  later.find(({ from }) => from > day) ?? later[0];
