import { firstOf, itemAt } from "@/core/items";
import { type Climate, dayOfYear, isTarget, type Stage, STAGES, stageShares, type Status } from "@/core/flora";
import {
  caseAt,
  type DecidingCheck,
  decidingChecks,
  decidingChecksLater,
  describeScore,
  judge,
  type Model,
  plainName,
  riskiestPairs,
  twinsOf,
  usuallySeen,
} from "@/core/identify";
import { district } from "@/db/schema";
import { listFor } from "../control/list";
import { todayIn } from "../platform/clock";
import { asMember, type Member } from "../platform/session";
import { modelOf } from "./amendments";

const MOST_ROWS = 24;
/** From this share of what could be told, a check is marked as parting the plants well. */
const WELL = 0.5;

export interface TwinsView {
  model: Model;
  stage: Stage;
  stages: Stage[];
  plants: { index: number; id: string; name: string; common: string; status: Status }[];
  rows: {
    character: string;
    name: string;
    ask: string;
    seconds: number;
    parts: boolean;
    cells: { words: string; apart: boolean }[];
  }[];
  later: { stage: Stage; from: string; name: string; ask: string }[];
  sameTreatment: boolean;
  mistake: string | null;
  hazards: string[];
}

/**
 * Two to four plants side by side, what tells them apart best at this stage first.
 * @returns null unless two to four known plants are asked for
 */
export async function compareTwins(member: Member, ids: string[], asked: Stage | undefined): Promise<TwinsView | null> {
  const model = await modelOf(member);
  const taxa = [...new Set(ids)].map((id) => model.flora.taxa.findIndex((t) => t.id === id));
  if (taxa.length < 2 || taxa.some((t) => t < 0)) return null;
  const { list, here } = await asMember(member, async (tx) => ({
    list: await listFor(tx, null),
    here: firstOf(await tx.select().from(district)),
  }));
  const day = todayIn(here.zone);
  const stages = STAGES.filter((stage) => taxa.every((t) => itemAt(model.flora.taxa, t).calendar[stage]));
  const stage = stages.find((s) => s === asked) ?? stageNow(model, taxa, stages, day, here);
  const full = Math.log2(taxa.length);
  const judgement = judge(
    model,
    caseAt({ ...climateOf(here), list: list.status, actions: list.actions }, { day }, model),
  );
  const [a, b] = taxa.map((t) => itemAt(model.flora.taxa, t).id);
  const pair = model.flora.pairs.find((p) => !p.found && ((p.a === a && p.b === b) || (p.a === b && p.b === a)));
  return {
    model,
    stage,
    stages,
    plants: taxa.map((index) => ({
      index,
      id: itemAt(model.flora.taxa, index).id,
      name: itemAt(model.flora.taxa, index).name,
      common: plainName({ model }, index),
      status: list.status[itemAt(model.flora.taxa, index).name] ?? "kept",
    })),
    rows: decidingChecks(model, taxa, stage)
      .slice(0, MOST_ROWS)
      .map(({ character, bits, seconds, apart }) => {
        const c = itemAt(model.flora.characters, character);
        return {
          character: c.id,
          name: c.name,
          ask: c.ask,
          seconds,
          parts: bits >= WELL * full,
          cells: taxa.map((t, k) => ({ words: wordsOf(model, t, character, stage), apart: itemAt(apart, k) })),
        };
      }),
    later: decidingChecksLater(model, taxa, stage, day, here).map((l) => ({
      stage: l.stage,
      from: l.from,
      name: itemAt(model.flora.characters, l.check.character).name,
      ask: itemAt(model.flora.characters, l.check.character).ask,
    })),
    sameTreatment: taxa.every((t) => !judgement.keptSide[t] && judgement.group[t] === judgement.group[itemAt(taxa, 0)]),
    mistake: taxa.length === 2 ? (pair?.mistake ?? null) : null,
    hazards: hazardsOf(model, taxa),
  };
}

/** What a plant shows, in words. */
const wordsOf = (model: Model, taxon: number, c: number, stage: Stage): string =>
  describeScore({ model }, taxon, c, stage) || "varies";

function stageNow(model: Model, taxa: number[], stages: Stage[], day: string, climate: Climate): Stage {
  const sums = STAGES.map((_, s) =>
    taxa.reduce((sum, t) => sum + itemAt(stageShares(itemAt(model.flora.taxa, t), dayOfYear(day, climate)), s), 0),
  );
  return (
    [...stages].sort((x, y) => itemAt(sums, STAGES.indexOf(y)) - itemAt(sums, STAGES.indexOf(x)))[0] ?? "vegetative"
  );
}

const climateOf = ({ hemisphere, seasonShift }: Climate): Climate => ({ hemisphere, seasonShift });

export interface FoundTwin {
  id: string;
  name: string;
  common: string;
  status: Status;
  likeness: number;
}

/** What this plant would be mistaken for at a stage, worked out by the engine: the kept ones first, for they are what is lost. */
export function findTwins(model: Model, taxonId: string, stage: Stage, status: Record<string, Status>): FoundTwin[] {
  const taxon = model.flora.taxa.findIndex((t) => t.id === taxonId);
  if (taxon < 0) return [];
  return twinsOf(model, taxon, stage, 10)
    .map(({ taxon: t, likeness }) => ({
      id: itemAt(model.flora.taxa, t).id,
      name: itemAt(model.flora.taxa, t).name,
      common: plainName({ model }, t),
      status: status[itemAt(model.flora.taxa, t).name] ?? ("kept" as const),
      likeness,
    }))
    .sort((x, y) => Number(isTarget(x.status)) - Number(isTarget(y.status)) || y.likeness - x.likeness);
}

/** Looks that a line of the set's card has room for. */
const CARD_LOOKS = 2;

export interface SetCard {
  model: Model;
  name: string;
  stage: Stage;
  stages: Stage[];
  lines: {
    target: CardPlant;
    kept: CardPlant;
    likeness: number;
    looks: { character: string; name: string; target: string; kept: string }[];
  }[];
  /** plants to keep that the flora does not include, and what the target shows at this stage that they do not: "ocrea: saucer" */
  unheld: { target: CardPlant; name: string; common: string; looks: string[] }[];
  hazards: string[];
}
export interface CardPlant {
  index: number;
  id: string;
  name: string;
  common: string;
  status: Status;
}

/**
 * The field card of a set: what is acted on here, beside the plants to keep that are mistaken for it, and the checks that tell them apart.
 * @returns null where no set has that id
 */
export async function setCard(member: Member, id: string, asked: Stage | undefined): Promise<SetCard | null> {
  const model = await modelOf(member);
  const set = model.flora.sets.find((s) => s.id === id);
  if (!set) return null;
  const { list, here } = await asMember(member, async (tx) => ({
    list: await listFor(tx, null),
    here: firstOf(await tx.select().from(district)),
  }));
  const statusOf = (t: number): Status => list.status[itemAt(model.flora.taxa, t).name] ?? "kept";
  const keptSide = model.flora.taxa.map((_, t) => (isTarget(statusOf(t)) ? 0 : 1));
  const taxa = set.taxa.map((taxon) => model.flora.taxa.findIndex((t) => t.id === taxon));
  const targets = taxa.filter((t) => !keptSide[t]);
  const stages = STAGES.filter((stage) =>
    (targets.length > 0 ? targets : taxa).some((t) => itemAt(model.flora.taxa, t).calendar[stage]),
  );
  const stage =
    stages.find((s) => s === asked) ??
    stageNow(model, targets.length > 0 ? targets : taxa, stages, todayIn(here.zone), here);
  const plant = (index: number): CardPlant => ({
    index,
    id: itemAt(model.flora.taxa, index).id,
    name: itemAt(model.flora.taxa, index).name,
    common: plainName({ model }, index),
    status: statusOf(index),
  });
  return {
    model,
    name: set.name,
    stage,
    stages,
    lines: riskiestPairs(model, taxa, keptSide, stage).map(({ target, kept, likeness, checks }) => ({
      target: plant(target),
      kept: plant(kept),
      likeness,
      looks: cardLooks(checks)
        .map(({ character }) => {
          const { id: c, name } = itemAt(model.flora.characters, character);
          return {
            character: c,
            name,
            target: wordsOf(model, target, character, stage),
            kept: wordsOf(model, kept, character, stage),
          };
        })
        .filter((look) => look.target !== look.kept),
    })),
    unheld: targets.flatMap((t) => unheldOn(model, t, stage).map((twin) => ({ target: plant(t), ...twin }))),
    hazards: hazardsOf(model, targets),
  };
}

/** The best checks in which the two stand apart; where there is none, the best there is. */
function cardLooks(checks: DecidingCheck[]): DecidingCheck[] {
  const telling = checks.filter(({ apart }) => apart[0]);
  return (telling.length > 0 ? telling : checks.slice(0, 1)).slice(0, CARD_LOOKS);
}

/** Plants to keep that the flora does not include and that are mistaken for this one, with what it shows and they do not. */
function unheldOn(model: Model, taxon: number, stage: Stage): Omit<SetCard["unheld"][number], "target">[] {
  return itemAt(model.unscoredTwins, taxon).map(({ name, common, deciders, shows }) => {
    const now = new Set(deciders.filter((d) => d.stage === stage || d.stage === "any").flatMap((d) => d.characters));
    const looks = shows.flatMap(({ character }) => {
      const c = model.characterIndex.get(character) as number;
      const words =
        now.has(character) && usuallySeen(model, taxon, c, stage) ? describeScore({ model }, taxon, c, stage, 1) : "";
      return words ? [`${itemAt(model.flora.characters, c).name.toLowerCase()}: ${words}`] : [];
    });
    return { name, common, looks };
  });
}

/** What of these plants harms people or the hand, by plant. */
function hazardsOf(model: Model, taxa: number[]): string[] {
  return [
    ...new Set(
      taxa.flatMap((t) =>
        [itemAt(model.flora.taxa, t).hazards.people, itemAt(model.flora.taxa, t).hazards.handling]
          .filter((h) => h !== undefined)
          .map((h) => `${plainName({ model }, t)}: ${h}`),
      ),
    ),
  ];
}
