import type { Character, CompiledFlora, Score, Taxon } from "../flora";
import { seededChance } from "../random";

/** A made-up flora of any size, for measuring speed: every plant scored for every character. */
export function syntheticFlora(taxa: number, characters: number, states: number, seed = 1): CompiledFlora {
  const chance = seededChance(seed);
  const made: Character[] = Array.from({ length: characters }, (_, c) => ({
    id: `c${c}`,
    name: `c${c}`,
    ask: "",
    help: "",
    station: `s${c % 10}`,
    kind: "states",
    block: `b${c % 40}`,
    comparative: false,
    stages: ["vegetative", "flowering"],
    answered: ["vegetative", "flowering"],
    seconds: 5,
    kit: [],
    destroys: false,
    mistake: "nominal",
    errorRate: 0.05,
    alike: [],
    applies: ["herb"],
    states: Array.from({ length: states }, (_, s) => ({ id: `s${s}`, name: `s${s}`, help: "" })),
  }));
  const plants: Taxon[] = Array.from({ length: taxa }, (_, t) => ({
    id: `t${t}`,
    name: `Planta t${t}`,
    rank: "species",
    genus: `G${t % 400}`,
    family: `F${t % 60}`,
    lifeForm: "herb",
    cycle: "perennial",
    common: [],
    synonyms: [],
    sets: ["all"],
    calendar: { vegetative: [[3, 6]], flowering: [[6, 9]] },
    spread: [],
    sprouts: [],
    fragments: "none",
    seedYears: [1, 2],
    hazards: {},
    interfertile: [],
    forms: [{ id: "any", share: 1 }],
  }));
  const scores: Score[] = [];
  for (let t = 0; t < taxa; t++)
    for (let c = 0; c < characters; c++) {
      const raw = Array.from({ length: states }, () => chance.uniform() ** 4 + 0.005);
      const total = raw.reduce((a, b) => a + b, 0);
      scores.push({ taxon: t, character: c, confidence: 0.95, shares: raw.map((r) => r / total) });
    }
  return {
    version: "synthetic",
    blocks: Object.fromEntries(Array.from({ length: 40 }, (_, b) => [`b${b}`, 0.02])),
    characters: made,
    taxa: plants,
    sets: [{ id: "all", name: "all", taxa: plants.map((p) => p.id), read: null }],
    scores,
    pairs: [],
  };
}
