import { LIFE_FORMS, type Stage, STAGES } from "../flora";
import { backgroundRow, type Model, rowStart } from "../identify";
import { itemAt } from "../items";
import type { Trait } from "./individual";

/** The answer that a sure observer would give to a trait: its state, or the class that its number falls into. */
export function answerOf(model: Model, trait: Trait): number {
  if ("state" in trait) return trait.state;
  const edges = model.edges[trait.character];
  const at = edges.findIndex((edge) => trait.value < edge);
  return at < 0 ? edges.length : at;
}

/** Chances of a block's traits in each condition: all of them sound, all of them under the background, and the block's own factor. */
interface Part {
  sound: Float64Array;
  gone: Float64Array;
  factor: Float64Array;
}

/**
 * What is believed of a plant at a stage that is known, over the whole flora: every plant as likely as any other before the first
 * trait, no season, no district. Blocks of traits can go wrong as a whole, as the engine has it:
 * L_b = (1 − ε) Π P(trait | plant) + ε Π P₀(trait).
 */
export class Belief {
  private constructor(
    private readonly model: Model,
    private readonly stage: Stage,
    private readonly conditions: number[],
    /** weight of each condition, times the factors of all blocks */
    private readonly chance: Float64Array,
    private readonly parts: ReadonlyMap<string, Part>,
  ) {}

  static at(model: Model, stage: Stage): Belief {
    const { conditions, weight } = conditionsAt(model, stage);
    return new Belief(model, stage, conditions, weight, new Map());
  }

  /** The belief once a trait is seen too. */
  with(trait: Trait): Belief {
    const block = this.model.flora.characters[trait.character].block;
    const part = this.partWith(block, trait);
    const chance = this.chanceWith(block, part);
    return new Belief(this.model, this.stage, this.conditions, chance, new Map(this.parts).set(block, part));
  }

  /** The share that one plant would have once a trait is seen too. */
  shareWith(trait: Trait, taxon: number): number {
    const block = this.model.flora.characters[trait.character].block;
    const chance = this.chanceWith(block, this.partWith(block, trait));
    let [own, total] = [0, 0];
    for (let i = 0; i < chance.length; i++) {
      total += chance[i];
      if (this.model.conditionTaxon[this.conditions[i]] === taxon) own += chance[i];
    }
    return own / total;
  }

  /** Shares of all plants of the flora, summing to 1. */
  shares(): Float64Array {
    const shares = new Float64Array(this.model.flora.taxa.length);
    let total = 0;
    for (let i = 0; i < this.chance.length; i++) {
      shares[this.model.conditionTaxon[this.conditions[i]]] += this.chance[i];
      total += this.chance[i];
    }
    return shares.map((share) => share / total);
  }

  private partWith(block: string, trait: Trait): Part {
    const { model, conditions } = this;
    const { character: c } = trait;
    const answer = answerOf(model, trait);
    const doubt = model.flora.blocks[block];
    const before = this.parts.get(block);
    const background = LIFE_FORMS.map((_, form) => backgroundRow(model, c, form)[answer]);
    const size = conditions.length;
    const part = { sound: new Float64Array(size), gone: new Float64Array(size), factor: new Float64Array(size) };
    const table = model.table[c];
    const rows = rowsAt(model, this.stage, c);
    for (let i = 0; i < size; i++) {
      const sound = (before ? before.sound[i] : 1) * table[rows[i] + answer];
      const gone = (before ? before.gone[i] : 1) * background[model.conditionLifeForm[conditions[i]]];
      part.sound[i] = sound;
      part.gone[i] = gone;
      part.factor[i] = (1 - doubt) * sound + doubt * gone;
    }
    return part;
  }

  private chanceWith(block: string, { factor }: Part): Float64Array {
    const before = this.parts.get(block)?.factor;
    const chance = new Float64Array(factor.length);
    for (let i = 0; i < chance.length; i++) chance[i] = (this.chance[i] * factor[i]) / (before ? before[i] : 1);
    return chance;
  }

  /** Mutual information of plant and answer to a character, bits (Shannon 1948), from the plants that still fit. */
  bits(c: number, shares = this.shares()): number {
    const { model } = this;
    const z = STAGES.indexOf(this.stage);
    const n = model.answers[c];
    const mean = new Float64Array(n);
    const fitting = [...shares.keys()].filter((t) => shares[t] > FITS);
    for (const t of fitting) {
      const from = rowStart(model, c, model.firstCondition[t] + z);
      for (let o = 0; o < n; o++) mean[o] += shares[t] * model.table[c][from + o];
    }
    let bits = 0;
    for (const t of fitting) {
      const from = rowStart(model, c, model.firstCondition[t] + z);
      for (let o = 0; o < n; o++) {
        const p = model.table[c][from + o];
        if (p > 0) bits += shares[t] * p * Math.log2(p / itemAt(mean, o));
      }
    }
    return bits;
  }
}

/** A plant with a smaller share than this no longer counts for what an answer would tell. */
const FITS = 1e-3;

const rowsKnown = new WeakMap<Model, Map<string, Int32Array>>();

/** Where the answers of each condition at a stage begin in the table of a character. */
function rowsAt(model: Model, stage: Stage, c: number): Int32Array {
  const byKey = rowsKnown.get(model) ?? new Map<string, Int32Array>();
  rowsKnown.set(model, byKey);
  const key = `${stage} ${c}`;
  const before = byKey.get(key);
  if (before) return before;
  const made = Int32Array.from(conditionsAt(model, stage).conditions, (z) => rowStart(model, c, z));
  byKey.set(key, made);
  return made;
}

const known = new WeakMap<Model, Map<Stage, { conditions: number[]; weight: Float64Array }>>();

/** Every form of every plant at a stage, each weighted by how common the form is. */
function conditionsAt(model: Model, stage: Stage): { conditions: number[]; weight: Float64Array } {
  const before = known.get(model)?.get(stage);
  if (before) return before;
  const wanted = STAGES.indexOf(stage);
  const conditions = [...model.conditions.keys()].filter((z) => model.conditions[z].stage === wanted);
  const weight = Float64Array.from(conditions, (z) => {
    const { taxon, form } = model.conditions[z];
    return model.flora.taxa[taxon].forms[form].share;
  });
  const made = { conditions, weight };
  known.set(model, (known.get(model) ?? new Map()).set(stage, made));
  return made;
}

export interface Standing {
  /** share of the plant that it is */
  truth: number;
  /** the likeliest other one, and its share */
  runnerUp: number;
  rival: number;
}

export function standingOf(shares: Float64Array, taxon: number): Standing {
  let rival = -1;
  for (let t = 0; t < shares.length; t++) if (t !== taxon && (rival < 0 || shares[t] > shares[rival])) rival = t;
  return { truth: shares[taxon], runnerUp: shares[rival], rival };
}
