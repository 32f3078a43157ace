import type { CompiledFlora, Taxon } from "@/core/flora";
import { indexNames, type NameIndex } from "@/core/names";
import { taxonId } from "@/core/pack";
import { Refusal } from "../platform/faults";
import { perProcess } from "../platform/per-process";

const indexes = perProcess("name indexes", () => new WeakMap<CompiledFlora, NameIndex>());

/** The plants of a flora by their accepted names. */
export class Plants {
  readonly flora: CompiledFlora;
  private readonly held: Map<string, Taxon>;
  private readonly ids: Map<string, Taxon>;

  constructor(flora: CompiledFlora) {
    this.flora = flora;
    this.held = new Map(flora.taxa.map((t) => [t.name, t]));
    this.ids = new Map(flora.taxa.map((t) => [t.id, t]));
  }

  byName(name: string): Taxon | undefined {
    return this.held.get(name);
  }

  hasId(id: string): boolean {
    return this.ids.has(id);
  }

  /** The frozen id of a plant; of one that this flora lacks the id that its name would have. */
  idOf(name: string): string {
    return this.held.get(name)?.id ?? taxonId(name);
  }

  /** The accepted name now of a plant that was written down by id; the name of then where this flora lacks it. */
  nameNow(row: { plantId: string | null; taxon: string | null }): string {
    return (row.plantId ? this.ids.get(row.plantId)?.name : undefined) ?? row.taxon ?? "";
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

  /** @throws {Refusal} if the flora includes no plant of this name */
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
