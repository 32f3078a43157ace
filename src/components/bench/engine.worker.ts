import { expose } from "comlink";
import { askableCharacters, buildModel, type Case, caseSchema, type CaseInput, type Character, type CompiledFlora, type EvidenceCache, type Identification, judge, type Lens, type Model, type Observation, plainName, report, type Status, topOnSide, weightsOfEvidence } from "@/core/identify";

export interface BenchView {
  identification: Identification;
  /** decibans between the likeliest target and the likeliest kept plant */
  evidence: { seen: string; decibans: number }[];
  pair: { kept: string; target: string } | null;
  field: FieldMark[];
  names: Record<string, string>;
  /** parts that suit what still fits */
  askable: string[];
}

/** One mark on the hedge: who still fits, and how well. */
export interface FieldMark {
  taxon: string;
  name: string;
  status: Status | "unknown";
  side: "kept" | "target";
  probability: number;
  flat: number;
}

let model: Model | undefined;
/** What was worked out for an observation holds until the list changes: only the new answer is reckoned. */
let list = "";
let cache: EvidenceCache = new WeakMap();
let observations = new Map<string, Observation>();

function remembered(given: Case): [Case, EvidenceCache] {
  const now = JSON.stringify(given.list);
  if (now !== list) {
    list = now;
    cache = new WeakMap();
    observations = new Map();
  }
  const own = given.observations.map((observation) => {
    const key = JSON.stringify(observation);
    const known = observations.get(key) ?? observation;
    observations.set(key, known);
    return known;
  });
  return [{ ...given, observations: own }, cache];
}

const SHOWN_ON_FIELD = 0.002;

const engine = {
  /** Loads the compiled flora and makes the model; answers with the vocabulary. */
  async load(url: string): Promise<{ characters: Character[]; taxa: { name: string; common: string[]; lifeForm: string }[]; version: string }> {
    const response = await fetch(url);
    if (!response.ok) throw new Error(`the flora could not be loaded (${response.status})`);
    const flora = (await response.json()) as CompiledFlora;
    model = buildModel(flora);
    return { characters: flora.characters, taxa: flora.taxa.map((t) => ({ name: t.name, common: t.common, lifeForm: t.lifeForm })), version: flora.version };
  },
  view(input: CaseInput, lens: Lens): BenchView {
    if (!model) throw new Error("the flora is not loaded");
    const ready = model;
    const judgement = judge(ready, ...remembered(caseSchema.parse(input)));
    const target = topOnSide(judgement, 0);
    const kept = topOnSide(judgement, 1);
    const marks: FieldMark[] = [];
    judgement.local.taxa.forEach((probability, t) => {
      const flat = judgement.flat.taxa[t];
      if (Math.max(probability, flat) < SHOWN_ON_FIELD) return;
      marks.push({ taxon: ready.flora.taxa[t].name, name: plainName(judgement, t), status: judgement.status[t], side: judgement.keptSide[t] ? "kept" : "target", probability, flat });
    });
    marks.push({ taxon: "unknown", name: "Not in this flora", status: "unknown", side: "kept", probability: judgement.local.unknown, flat: judgement.flat.unknown });
    const identification = report(judgement, lens);
    return {
      identification,
      evidence: target >= 0 && kept >= 0 ? weightsOfEvidence(judgement, target, kept).map(({ seen, decibans }) => ({ seen, decibans })) : [],
      pair: target >= 0 && kept >= 0 ? { target: plainName(judgement, target), kept: plainName(judgement, kept) } : null,
      field: marks.sort((a, b) => b.probability - a.probability),
      names: Object.fromEntries(ready.flora.taxa.map((t, i) => [t.name, plainName(judgement, i)])),
      askable: askableCharacters(judgement),
    };
  },
};
export type Engine = typeof engine;
expose(engine);
