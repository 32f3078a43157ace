import { existsSync } from "node:fs";
import { gzipSync } from "node:zlib";
import { join } from "node:path";
import {
  answersAt,
  buildModel,
  caseAt,
  hasWorkingDecider,
  judge,
  type Model,
  recordingOf,
  scoreFor,
  usuallySeen,
  variation,
} from "@/core/identify";
import { type CompiledFlora, type Stage, STAGES } from "@/core/flora";
import { NOT_DRAWN } from "@/core/flora";
import { drawState } from "@/drawings/states/draw-state";
import type { compileFlora, Dismissed } from "./compile";
import { pairCheckFaults } from "./pair-checks";
import { type Problem, readYaml } from "./read-yaml";
import { spineOf, type SpineShares } from "./spine";

/** Share of a plant's walks on which its twin comes first, above which the pair must be listed. */
const CONFUSED_SHARE = 0.05;
/** A stage for which fewer characters than this are recorded says nothing about confusion: the plant is not described there yet. */
const FEWEST_TO_JUDGE = 8;
/** Nor is a plant a twin because nothing is recorded of it: at least this share of the characters must be. */
const DESCRIBED_SHARE = 0.6;

export interface FloraFigures {
  sets: number;
  taxa: number;
  characters: number;
  states: number;
  scores: number;
  medianScores: number;
  taxaUnder30: number;
  taxaUnder25: number;
  leastScores: { taxon: string; scores: number }[];
  pairs: number;
  /** of these, pairs with a plant that the flora does not include */
  unheldTwins: number;
  /** pairs that the simulation confuses and no person does */
  pairsDismissed: number;
  pairsWithoutDecider: number;
  pairsConfusedUnlisted: number;
  confusedUnlisted: [string, string][];
  statesWithoutDrawing: number;
  statesDrawnAlike: number;
  setsReadTwice: number;
  objections: number;
  /** of each general character, how its cells are filled */
  spine: SpineShares[];
  compiledKb: number;
  problems: Problem[];
}

/** Counts of the flora and all that a checker finds wrong, by file and line. */
export function floraFigures(
  { flora, problems, sought, dismissed, pairLines }: ReturnType<typeof compileFlora>,
  root: string,
): FloraFigures {
  const spine = spineOf(flora, sought);
  const model = buildModel(flora);
  const counts = differingScores(flora);
  const drawings = drawingFaults(flora);
  const without = flora.pairs.filter((pair) => !hasWorkingDecider(model, pair));
  const confused = confusedUnlisted(model, dismissed);
  const sorted = [...counts].sort((a, b) => a - b);
  const found = [
    ...problems,
    ...taxaWithoutTwin(flora),
    ...without
      .filter((p) => !p.inseparable)
      .map((p) => ({ file: "flora/pairs.yaml", line: 1, what: `${p.a} / ${p.b}: no decider separates them` })),
    ...pairCheckFaults(model, pairLines),
    ...spine.faults,
  ];
  return {
    sets: flora.sets.length,
    taxa: flora.taxa.length,
    characters: flora.characters.length,
    states: flora.characters.reduce((sum, c) => sum + c.states.length, 0),
    scores: counts.reduce((a, b) => a + b, 0),
    medianScores: sorted[Math.floor(sorted.length / 2)],
    taxaUnder30: counts.filter((n) => n < 30).length,
    taxaUnder25: counts.filter((n) => n < 25).length,
    leastScores: flora.taxa
      .map((t, i) => ({ taxon: t.name, scores: counts[i] }))
      .sort((a, b) => a.scores - b.scores)
      .slice(0, 5),
    pairs: flora.pairs.length,
    unheldTwins: flora.pairs.filter((p) => p.unheld).length,
    pairsDismissed: dismissed.length,
    pairsWithoutDecider: without.length,
    pairsConfusedUnlisted: confused.length,
    confusedUnlisted: confused,
    statesWithoutDrawing: drawings.missing.length,
    statesDrawnAlike: drawings.alike.length,
    setsReadTwice: flora.sets.filter((s) => s.read).length,
    objections: flora.sets.reduce((sum, s) => sum + (s.read?.objections ?? 0), 0),
    spine: spine.shares,
    compiledKb: Math.round(gzipSync(JSON.stringify(flora)).length / 1024),
    problems: [
      ...found,
      ...drawings.missing.map((what) => ({ file: "src/drawings/states.ts", line: 1, what: `no drawing for ${what}` })),
      ...drawings.alike.map((what) => ({ file: "src/drawings/states.ts", line: 1, what: `drawn alike: ${what}` })),
      ...readingFaults(flora, root),
    ],
  };
}

/** Scores of each plant that differ from at least one set-mate: only these tell anything. */
export function differingScores(flora: CompiledFlora): number[] {
  const base = flora.taxa.map(
    (_, t) =>
      new Map(
        flora.scores
          .filter((s) => s.taxon === t && !s.stage && !s.position && !s.form)
          .map((s) => [s.character, JSON.stringify(s.notApplicable ?? s.shares ?? s.points)]),
      ),
  );
  return flora.taxa.map((_, t) => {
    const mates = setMates(flora, t);
    return [...base[t]].filter(
      ([character, value]) =>
        value !== "true" && mates.some((o) => base[o].get(character) !== undefined && base[o].get(character) !== value),
    ).length;
  });
}

function drawingFaults(flora: CompiledFlora): { missing: string[]; alike: string[] } {
  const missing: string[] = [];
  const alike: string[] = [];
  for (const character of flora.characters) {
    if (NOT_DRAWN.includes(character.id)) continue;
    const seen = new Map<string, string>();
    for (const state of character.states) {
      const shapes = drawState(character.id, state.id);
      if (!shapes?.length) {
        missing.push(`${character.id}: ${state.id}`);
        continue;
      }
      const geometry = JSON.stringify(shapes.map((s) => [s.d, s.width, s.dash]));
      const twin = seen.get(geometry);
      if (twin) alike.push(`${character.id}: ${twin} and ${state.id}`);
      seen.set(geometry, state.id);
    }
  }
  return { missing, alike };
}

function taxaWithoutTwin(flora: CompiledFlora): Problem[] {
  if (flora.pairs.length === 0) return [];
  const paired = new Set(flora.pairs.flatMap((p) => [p.a, p.b]));
  return flora.taxa
    .filter((t) => !paired.has(t.id))
    .map((t) => ({ file: "flora/pairs.yaml", line: 1, what: `${t.name} has no twin` }));
}

/**
 * Pairs that a scout would confuse and nobody listed. For each plant and stage its most typical answers to the
 * ten characters that tell most within its set are judged; a twin within reach of 5% after them is confused.
 */
function confusedUnlisted(model: Model, dismissed: Dismissed[]): [string, string][] {
  const known = [...model.flora.pairs.map((p) => [p.a, p.b]), ...dismissed.map((d) => d.pair)];
  const listed = new Set(known.map((pair) => [...pair].sort().join("|")));
  const found = new Map<string, [string, string]>();
  model.flora.taxa.forEach((taxon, t) => {
    for (const stage of STAGES) {
      if (!taxon.calendar[stage]) continue;
      for (const twin of twinsAt(model, t, stage)) {
        const key = [taxon.id, model.flora.taxa[twin].id].sort().join("|");
        if (!listed.has(key)) found.set(key, key.split("|") as [string, string]);
      }
    }
  });
  return [...found.values()];
}

/** Plants that keep at least 5% of what this plant's own typical answers at a stage leave it. */
export function twinsAt(model: Model, taxon: number, stage: Stage, characters = 12): number[] {
  const { flora } = model;
  const s = STAGES.indexOf(stage);
  const mates = setMates(flora, taxon);
  const useful = flora.characters
    .map((character, c) => ({
      c,
      character,
      spread:
        usuallySeen(model, taxon, c, stage) && recordingOf(model, taxon, c) === "recorded"
          ? meanVariation(model, taxon, mates, c, s)
          : 0,
    }))
    .filter((x) => x.spread > 0)
    .sort((a, b) => b.spread - a.spread)
    .slice(0, characters);
  if (useful.length < FEWEST_TO_JUDGE) return [];
  const observations = useful.map(({ c, character }) => {
    const points = scoreFor(model, taxon, c, stage, undefined, flora.taxa[taxon].forms[0].id)?.points;
    if (points)
      return {
        character: character.id,
        answer: "seen" as const,
        value: (points[1] + points[2]) / 2,
        join: "any" as const,
        sure: "sure" as const,
      };
    const row = answersAt(model, taxon, c, s);
    return {
      character: character.id,
      answer: "seen" as const,
      states: [character.states[row.indexOf(Math.max(...row))].id],
      join: "any" as const,
      sure: "sure" as const,
    };
  });
  const [first] = flora.taxa[taxon].calendar[stage]?.[0] ?? [6];
  const day = `2026-${String(first).padStart(2, "0")}-20`;
  const judgement = judge(model, caseAt({}, { id: "twins", day, stage, kit: [], observations }, model));
  const own = judgement.flat.taxa[taxon];
  const described = (t: number) =>
    useful.filter(({ c }) => model.scoresOf[t].has(c)).length >= DESCRIBED_SHARE * useful.length;
  return [...judgement.flat.taxa.keys()].filter(
    (t) =>
      t !== taxon &&
      described(t) &&
      judgement.flat.taxa[t] > CONFUSED_SHARE * Math.max(own, 1e-9) &&
      judgement.flat.taxa[t] > CONFUSED_SHARE,
  );
}

/** Other plants of the sets that a plant is in. */
function setMates(flora: CompiledFlora, taxon: number): number[] {
  const { sets } = flora.taxa[taxon];
  return flora.taxa.flatMap((other, o) => (o !== taxon && other.sets.some((s) => sets.includes(s)) ? [o] : []));
}

function meanVariation(model: Model, taxon: number, mates: number[], c: number, stage: number): number {
  return mates.reduce((sum, o) => sum + variation({ model }, c, taxon, o, stage), 0) / Math.max(1, mates.length);
}

/** A reading with few objections argues why; every objection says how it was settled. */
function readingFaults(flora: CompiledFlora, root: string): Problem[] {
  return flora.sets.flatMap((set) => {
    const path = join(root, "readings", `${set.id}.yaml`);
    const file = `flora/readings/${set.id}.yaml`;
    if (!existsSync(path)) return [{ file, line: 1, what: "the set was not read a second time" }];
    const source = readYaml(path, file);
    const open = source.data.objections.flatMap((o: { about?: string; outcome?: string }, i: number) =>
      o.about && o.outcome
        ? []
        : [{ file, line: source.lineOf(["objections", i]), what: "an objection needs about and outcome" }],
    );
    if (source.data.objections.length < 4 && !source.data["why-few"])
      open.push({ file, line: 1, what: "few objections: argue why (why-few)" });
    return open;
  });
}
