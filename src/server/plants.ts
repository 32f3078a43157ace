import type { CompiledFlora, Taxon } from "@/core/identify";
import { indexNames, type NameIndex } from "@/core/names";
import type { Transaction } from "@/db/client";
import { districtModel } from "./amendments";
import { Refusal } from "./faults";
import { once } from "./once";
import { asMember, type Member } from "./session";

const indexes = once("name indexes", () => new WeakMap<CompiledFlora, NameIndex>());

/** The plants of a flora by their accepted names. */
export class Plants {
  readonly flora: CompiledFlora;
  private readonly held: Map<string, Taxon>;

  constructor(flora: CompiledFlora) {
    this.flora = flora;
    this.held = new Map(flora.taxa.map((t) => [t.name, t]));
  }

  byName(name: string): Taxon | undefined {
    return this.held.get(name);
  }

  /** The name a person would use: first common name, with a capital, else the accepted name. */
  common(name: string): string {
    const common = this.held.get(name)?.common[0];
    return common ? common.charAt(0).toUpperCase() + common.slice(1) : name;
  }

  /** The name that a person would use of every plant, by accepted name. */
  plainNames(): Record<string, string> {
    return Object.fromEntries(this.flora.taxa.map((t) => [t.name, this.common(t.name)]));
  }

  /** Every name, ready to be searched. */
  names(): NameIndex {
    const index = indexes.get(this.flora) ?? indexNames(this.flora.taxa, this.flora.pairs);
    indexes.set(this.flora, index);
    return index;
  }

  /** @throws {Refusal} if the flora holds no plant of this name */
  mustHold(name: string): void {
    if (!this.held.has(name))
      throw new Refusal(400, "That plant is not in the flora.", [
        { field: "taxon", what: "choose a plant of the flora" },
      ]);
  }
}

/** One for each flora: a district's stays as long as its model does. */
const made = new WeakMap<CompiledFlora, Plants>();

export function plantsIn(flora: CompiledFlora): Plants {
  const known = made.get(flora) ?? new Plants(flora);
  made.set(flora, known);
  return known;
}

/** The plants as this district knows them: the shipped ones, and those that it added. */
export const plantsHere = async (tx: Transaction): Promise<Plants> => plantsIn((await districtModel(tx)).flora);

export const plantsOf = (member: Member): Promise<Plants> => asMember(member, plantsHere);
