import { caseAt, type Case, type CaseInput } from "@/core/identify";
import type { Character, CompiledFlora, Score, Taxon } from "@/core/flora";

const character = (id: string, block: string, states: string[], extra: Partial<Character> = {}): Character => ({
  id,
  name: id,
  ask: `${id}?`,
  help: "",
  station: "leaf",
  kind: "states",
  block,
  comparative: false,
  stages: ["seedling", "vegetative", "flowering", "fruiting", "winter"],
  answered: extra.stages ?? ["seedling", "vegetative", "flowering", "fruiting", "winter"],
  seconds: 5,
  kit: [],
  destroys: false,
  mistake: "nominal",
  errorRate: 0.05,
  alike: [],
  applies: ["herb", "grass"],
  states: states.map((s) => ({ id: s, name: s, help: "" })),
  ...extra,
});

const taxon = (name: string, extra: Partial<Taxon> = {}): Taxon => ({
  id: name.toLowerCase().replace(" ", "-"),
  name,
  rank: "species",
  genus: name.split(" ")[0],
  family: "Testaceae",
  lifeForm: "herb",
  cycle: "perennial",
  common: [name],
  synonyms: [],
  sets: ["tiny"],
  calendar: { vegetative: [[3, 6]], flowering: [[6, 8]], fruiting: [[8, 10]], winter: [[11, 2]] },
  spread: ["seed"],
  sprouts: [],
  fragments: "none",
  seedYears: [1, 2],
  hazards: {},
  interfertile: [],
  forms: [{ id: "any", share: 1 }],
  ...extra,
});

/** A flora small enough to calculate by hand: two targets, two kept plants, five characters in four blocks. */
export function tinyFlora(): CompiledFlora {
  const characters = [
    character("edge", "edge", ["smooth", "teeth"]),
    character("hair", "hair", ["none", "some"], { mistake: "overlooked" }),
    character("sap", "sap", ["clear", "milky"]),
    character("petals", "flower", ["four", "five"], { stages: ["flowering"] }),
    character("length", "size", [], { kind: "measure", unit: "cm" }),
  ];
  const taxa = [taxon("Malus prima"), taxon("Malus secunda"), taxon("Bonus prima"), taxon("Bonus rara")];
  const shares: Record<string, (number[] | null)[]> = {
    edge: [
      [0.95, 0.05],
      [0.9, 0.1],
      [0.1, 0.9],
      [0.5, 0.5],
    ],
    hair: [
      [0.05, 0.95],
      [0.1, 0.9],
      [0.9, 0.1],
      [0.5, 0.5],
    ],
    sap: [[0.02, 0.98], [0.95, 0.05], [0.9, 0.1], null],
    petals: [
      [0.05, 0.95],
      [0.05, 0.95],
      [0.9, 0.1],
      [0.5, 0.5],
    ],
  };
  const scores: Score[] = [];
  for (const [id, rows] of Object.entries(shares))
    for (const [t, row] of rows.entries())
      if (row)
        scores.push({ taxon: t, character: characters.findIndex((c) => c.id === id), confidence: 0.95, shares: row });
  for (const [t, points] of [
    [2, 4, 6, 8],
    [3, 5, 8, 10],
    [8, 10, 14, 18],
    [1, 2, 10, 16],
  ].entries())
    scores.push({ taxon: t, character: 4, confidence: 0.95, points: points as [number, number, number, number] });
  return {
    version: "tiny",
    blocks: { edge: 0.02, hair: 0.04, sap: 0.02, flower: 0.02, size: 0.05 },
    characters,
    taxa,
    sets: [{ id: "tiny", name: "Tiny", taxa: taxa.map((t) => t.id), read: null }],
    scores,
    pairs: [],
  };
}

/** A case made in one go; its list may name any plant, so that a wrong name is seen. */
export const caseFrom = (input: { [name in keyof CaseInput]?: unknown }): Case => {
  const { id, day, stage, stages, kit, observations, ...place } = input as CaseInput;
  return caseAt(place, { id, day, stage, stages, kit, observations }, { taxonIndex: new EveryName() });
};

class EveryName extends Map<string, number> {
  override has(): boolean {
    return true;
  }
}

export const tinyCase = (observations: Case["observations"] = [], extra: Partial<CaseInput> = {}): Case =>
  caseFrom({
    id: "t",
    day: "2026-05-01",
    stage: "vegetative",
    list: { "Malus prima": "target", "Malus secunda": "target", "Bonus prima": "kept" },
    costs: { wrongClear: 500, missedTarget: 10, hold: 10 },
    observations,
    ...extra,
  });

export const seen = (character: string, state: string, extra = {}): Case["observations"][number] => ({
  character,
  answer: "seen",
  states: [state],
  join: "any",
  sure: "sure",
  ...extra,
});
export const read = (character: string, value: number, extra = {}): Case["observations"][number] => ({
  character,
  answer: "seen",
  value,
  join: "any",
  sure: "sure",
  ...extra,
});
