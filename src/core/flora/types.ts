/** The compiled flora: what the compiler writes and the engine reads. Plain data, indices instead of names. */

export const STAGES = ["seedling", "vegetative", "flowering", "fruiting", "winter"] as const;
export type Stage = (typeof STAGES)[number];
/** A plant's stage within a sentence. */
export const IN_STAGE: Record<Stage, string> = {
  seedling: "at the seedling stage",
  vegetative: "in leaf",
  flowering: "in flower",
  fruiting: "in seed",
  winter: "in winter rest",
};
export const POSITIONS = ["low", "middle", "high"] as const;
export type Position = (typeof POSITIONS)[number];
export const STATUSES = ["target", "watch", "tolerated", "kept", "protected", "crop"] as const;
export type Status = (typeof STATUSES)[number];

/** True of a plant that is to be treated or reported; every other one is left standing. */
export const isTarget = (status: Status): boolean => status === "target" || status === "watch";

export const LIFE_FORMS = ["grass", "rush", "herb", "vine", "liana", "shrub", "tree", "aquatic"] as const;
export type LifeForm = (typeof LIFE_FORMS)[number];
export const KIT = ["lens", "ruler", "knife", "trowel", "gloves"] as const;
export type Kit = (typeof KIT)[number];

export type CharacterKind = "states" | "count" | "measure" | "ratio" | "angle";
/** How observers go wrong: evenly, towards neighbors, or by missing what is there. */
export type Mistake = "nominal" | "ordered" | "overlooked";

export interface CharacterState {
  id: string;
  name: string;
  help: string;
}

export interface Character {
  id: string;
  name: string;
  ask: string;
  help: string;
  /** everyday words for it and what it shows, by which it is found */
  words?: string;
  station: string;
  kind: CharacterKind;
  unit?: string;
  block: string;
  comparative: boolean;
  /** of a comparative character: the measured character that is compared with another plant's */
  compares?: string;
  /** those at which it is asked: the part is there then as a rule */
  stages: Stage[];
  /** every stage at which a plant of that kind can have the part, so that it may be answered */
  answered: Stage[];
  /** a plant that is not full-grown shows any smaller number */
  grows?: true;
  /** parts of the plant at which it is scored apart */
  positions?: Position[];
  /** typical time to look, seconds */
  seconds: number;
  kit: Kit[];
  destroys: boolean;
  /** contact the check needs: sap on the hand, or bare skin */
  touch?: "sap" | "skin";
  mistake: Mistake;
  /** chance that a careful observer names another state, at the reference observer error of 5% */
  errorRate: number;
  /** states that are mistaken for one another more than for the rest */
  alike: [string, string][];
  applies: LifeForm[];
  /** applies only where this character shows one of these states */
  when?: { character: string; states: string[] };
  /**
   * seen in winter too, on plants that then keep what it is part of: character and states that say so. The first of them is
   * asked before it; the others are facts of the plant alone.
   */
  winter?: { character: string; states: string[] }[];
  states: CharacterState[];
}

/** Months of a stage as [first, last], 1–12, wrapping over the year end; north. */
export type MonthRange = [number, number];

export const SEED_COLOURS = [
  "black",
  "dark brown",
  "brown",
  "red-brown",
  "straw",
  "yellow",
  "orange",
  "red",
  "purple",
  "blue",
  "green",
  "grey",
  "silver",
  "white",
] as const;
export type SeedColour = (typeof SEED_COLOURS)[number];

export const STANDS = ["seed", "clonal", "both"] as const;
export type Stand = (typeof STANDS)[number];
export const STOCK = ["sheep", "goats", "cattle", "horses"] as const;
export type Stock = (typeof STOCK)[number];

/** How a plant harms stock where `hazards.stock` says that it does: it poisons, it wounds with awn and bur, or it is no feed. */
export const STOCK_HARMS = ["poison", "wound", "feed"] as const;
export type StockHarm = (typeof STOCK_HARMS)[number];

export interface Hazards {
  people?: string;
  stock?: string;
  handling?: string;
  /** what must not touch bare skin */
  contact?: "sap" | "skin";
}

export interface Taxon {
  id: string;
  name: string;
  rank: "species" | "genus" | "hybrid" | "subspecies";
  genus: string;
  family: string;
  lifeForm: LifeForm;
  cycle: "annual" | "biennial" | "perennial";
  common: string[];
  synonyms: string[];
  sets: string[];
  calendar: Partial<Record<Stage, MonthRange[]>>;
  spread: string[];
  sprouts: string[];
  fragments: string;
  /** years that seed lives in the ground, [low, high]; left out: not recorded */
  seedYears?: [number, number];
  /** seed ripens on stems that were cut or pulled in flower; left out: not recorded */
  ripensCut?: boolean;
  /** whether the plants of a stand came from seed, are shoots of one plant, or both; left out: not recorded */
  stand?: Stand;
  /** it poisons stock when it is wilted or dried; left out: not recorded */
  wiltedToxic?: boolean;
  /** the stock that eats it, in order; left out: not recorded */
  grazedBy?: Stock[];
  /** months in which the bark slips off the wood, so that a stem that is pulled leaves its root, north; left out: not woody, or not recorded */
  barkSlips?: MonthRange[];
  /** what ripe seed looks like as it falls: in its husk or coat, or, of a fleshy fruit, the fruit; left out: not recorded */
  ripeSeed?: SeedColour[];
  /** what its remains need, beyond what follows from how it spreads and whom it harms */
  disposal?: string;
  hazards: Hazards;
  /** left out of a plant that harms stock: it poisons */
  stockHarm?: StockHarm;
  interfertile: string[];
  forms: { id: string; share: number }[];
}

/** One score. `shares` sum to 1 over the states; `points` are extreme low, low, high, extreme high. */
export interface Score {
  taxon: number;
  character: number;
  stage?: Stage;
  position?: Position;
  form?: string;
  confidence: number;
  shares?: number[];
  points?: [number, number, number, number];
  notApplicable?: true;
}

/** What a plant that is not held shows of a part: some of its states, or from one number to another. */
export interface Shown {
  character: string;
  states?: string[];
  range?: [number, number];
}

export interface Pair {
  a: string;
  b: string;
  deciders: { stage: Stage | "any"; characters: string[] }[];
  mistake: string;
  /** a mistake kills, maims or cannot be undone */
  grave?: true;
  /** of such a pair: stages at which nothing tells the two plants apart */
  notAt?: Stage[];
  /** why nothing recorded separates the two; such a pair is counted, and not a fault of the files */
  inseparable?: string;
  /** where the flora includes `a` alone: the other plant, of which nothing is known but what tells it apart from `a` */
  unheld?: { name: string; common: string; shows: Shown[] };
  /** found by the simulation alone: nobody has said that people confuse the two */
  found?: true;
}

export interface CompiledFlora {
  version: string;
  blocks: Record<string, number>;
  characters: Character[];
  taxa: Taxon[];
  sets: { id: string; name: string; taxa: string[]; read: { by: string; objections: number } | null }[];
  scores: Score[];
  pairs: Pair[];
}
