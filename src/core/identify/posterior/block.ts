import { LIFE_FORMS } from "../../flora";
import type { Observation } from "../case/case";
import { crossBlockChance } from "../evidence/cross-evidence";
import type { Evidence } from "../evidence/evidence";
import type { BaseKnown } from "../evidence/missing-part";
import type { Model } from "../model/model";

/**
 * Evidence of one block taken together. All its chances are over the largest that any condition gives (`scale`), so that the
 * product of many blocks stays a number and no logarithm is needed on the way.
 */
export interface Block {
  name: string;
  doubt: number;
  members: number[];
  scale: number;
  /** chance of the block's observations in each condition */
  chance: Float64Array;
  /** what of that is left, by life form, where the block has gone wrong as a whole */
  failed: Float64Array;
  /** chance under the widened background of each life form */
  unknown: Float64Array;
  /** chance for an unlisted relative, in each condition */
  relatives: Float64Array;
  /** chance for each cross at each stage */
  cross: Float64Array;
}

/** Share of a block's chance in a condition in which it has not gone wrong as a whole. */
export const intactShare = (model: Model, block: Block, z: number): number =>
  1 - block.failed[model.conditionLifeForm[z]] / block.chance[z];

/** What was worked out for earlier cases under one model, to be used again for the observations that stayed. */
export interface Memory {
  evidence: WeakMap<Observation, { item: Evidence | null; base: BaseKnown; stage: string }>;
  blocks: Map<string, { items: Evidence[]; block: Block }>;
  season?: Season;
}

export const newMemory = (): Memory => ({ evidence: new WeakMap(), blocks: new Map() });

export const scaleLogOf = (blocks: Iterable<Block>): number =>
  [...blocks].reduce((sum, block) => sum + Math.log(block.scale), 0);

export function groupBlocks(model: Model, evidence: (Evidence | null)[], memory?: Memory): Map<string, Block> {
  const members = new Map<string, number[]>();
  evidence.forEach((item, i) => {
    if (item) members.set(item.block, [...(members.get(item.block) ?? []), i]);
  });
  return new Map(
    [...members].map(([name, list]) => [
      name,
      rememberedBlock(
        model,
        name,
        list.map((i) => evidence[i] as Evidence),
        list,
        memory,
      ),
    ]),
  );
}

function rememberedBlock(model: Model, name: string, items: Evidence[], members: number[], memory?: Memory): Block {
  const known = memory?.blocks.get(name);
  if (known && known.items.length === items.length && known.items.every((item, i) => item === items[i]))
    return { ...known.block, members };
  const block = blockOf(model, name, items, members);
  memory?.blocks.set(name, { items, block });
  return block;
}

/** L_b = (1 − ε) Π P(obs | t, z) + ε Π P₀(obs): a block can go wrong as a whole, so what it proves is bounded. */
export function blockOf(model: Model, name: string, items: Evidence[], members: number[]): Block {
  const doubt = model.flora.blocks[name];
  const gone = Float64Array.from(LIFE_FORMS, (_, form) =>
    items.reduce((product, item) => product * item.background[form], doubt),
  );
  const size = model.conditions.length;
  const chance = new Float64Array(size).fill(1 - doubt);
  const kin = new Float64Array(size).fill(1 - doubt);
  for (const item of items) {
    const likeness = model.relativeLikeness[item.character];
    for (let z = 0; z < size; z++) {
      chance[z] *= item.chance[z];
      kin[z] *= likeness * item.chance[z] + (1 - likeness) * item.background[model.conditionLifeForm[z]];
    }
  }
  let scale = 0;
  for (let z = 0; z < size; z++) {
    const wrong = gone[model.conditionLifeForm[z]];
    chance[z] += wrong;
    kin[z] += wrong;
    if (chance[z] > scale) scale = chance[z];
  }
  const per = 1 / scale;
  for (let z = 0; z < size; z++) {
    chance[z] *= per;
    kin[z] *= per;
  }
  const { widened } = model.tuning;
  const unknown = Float64Array.from(LIFE_FORMS, (_, form) =>
    items.reduce((product, item) => product * (widened * item.background[form] + (1 - widened) * item.even), 1 / scale),
  );
  return {
    name,
    doubt,
    members,
    scale,
    chance,
    failed: gone.map((g) => g / scale),
    unknown,
    relatives: kin,
    cross: crossBlockChance(model, doubt, items, scale),
  };
}

export interface Season {
  /** day, hemisphere, shift and stage that it is of */
  key: string;
  conditionChance: Float64Array;
  findable: Float64Array;
}
