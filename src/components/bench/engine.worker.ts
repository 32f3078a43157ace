import { expose } from "comlink";
import { askableCharacters, buildModel, type Case, caseSchema, type CaseInput, type Character, type CompiledFlora, type Identification, judge, type Judgement, type Lens, type Memory, type Model, newMemory, type Observation, plainName, report, type Status, topOnSide, weightsOfEvidence } from "@/core/identify";

/** What the Bench needs to know of the flora, once. */
export interface Vocabulary {
  characters: Character[];
  taxa: { name: string; common: string[]; lifeForm: string }[];
  /** the name that a scout would use, by accepted name */
  plainNames: Record<string, string>;
  version: string;
}

export interface BenchView {
  identification: Identification;
  /** decibans between the likeliest target and the likeliest kept plant */
  evidence: { seen: string; decibans: number }[];
  pair: { kept: string; target: string } | null;
  field: FieldMark[];
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
let memory = newMemory();
let observations = new Map<string, Observation>();

function remembered(given: Case): [Case, Memory] {
  const now = JSON.stringify(given.list);
  if (now !== list) {
    list = now;
    memory = newMemory();
    observations = new Map();
  }
  const own = given.observations.map((observation) => {
    const key = JSON.stringify(observation);
    const known = observations.get(key) ?? observation;
    observations.set(key, known);
    return known;
  });
  return [{ ...given, observations: own }, memory];
}

const SHOWN_ON_FIELD = 0.002;

function viewOf(judgement: Judgement, lens: Lens): BenchView {
  const { taxa } = judgement.model.flora;
  const target = topOnSide(judgement, 0);
  const kept = topOnSide(judgement, 1);
  const marks: FieldMark[] = [];
  judgement.local.taxa.forEach((probability, t) => {
    const flat = judgement.flat.taxa[t];
    if (Math.max(probability, flat) < SHOWN_ON_FIELD) return;
    marks.push({ taxon: taxa[t].name, name: plainName(judgement, t), status: judgement.status[t], side: judgement.keptSide[t] ? "kept" : "target", probability, flat });
  });
  marks.push({ taxon: "unknown", name: "Not in this flora", status: "unknown", side: "kept", probability: judgement.local.unknown, flat: judgement.flat.unknown });
  return {
    identification: report(judgement, lens),
    evidence: target >= 0 && kept >= 0 ? weightsOfEvidence(judgement, target, kept).map(({ seen, decibans }) => ({ seen, decibans })) : [],
    pair: target >= 0 && kept >= 0 ? { target: plainName(judgement, target), kept: plainName(judgement, kept) } : null,
    field: marks.sort((a, b) => b.probability - a.probability),
    askable: askableCharacters(judgement),
  };
}

const REHEARSALS = 8;

/** Reckons a few made-up cases while the scout still reads the first question, so that the first answers find the code compiled. */
async function rehearse(ready: Model): Promise<void> {
  const asked = ready.flora.characters.filter((c) => c.states.length > 0);
  for (let n = 1; n <= REHEARSALS; n++) {
    await new Promise((resolve) => setTimeout(resolve));
    const observations = Array.from({ length: n }, (_, i) => asked[(i * 7 + n) % asked.length]).map((c) => ({ character: c.id, states: [c.states[n % c.states.length].id] }));
    viewOf(judge(ready, caseSchema.parse({ day: "2026-06-01", stage: "vegetative", list: { [ready.flora.taxa[0].name]: "target" }, observations })), null);
  }
}

const engine = {
  /** Loads the compiled flora and makes the model; answers with the vocabulary. */
  async load(url: string): Promise<Vocabulary> {
    const response = await fetch(url);
    if (!response.ok) throw new Error(`the flora could not be loaded (${response.status})`);
    const flora = (await response.json()) as CompiledFlora;
    const made = buildModel(flora);
    model = made;
    void rehearse(made);
    return {
      characters: flora.characters,
      taxa: flora.taxa.map((t) => ({ name: t.name, common: t.common, lifeForm: t.lifeForm })),
      plainNames: Object.fromEntries(flora.taxa.map((t, i) => [t.name, plainName({ model: made }, i)])),
      version: flora.version,
    };
  },
  view(input: CaseInput, lens: Lens): BenchView {
    if (!model) throw new Error("the flora is not loaded");
    return viewOf(judge(model, ...remembered(caseSchema.parse(input))), lens);
  },
};
export type Engine = typeof engine;
expose(engine);
