import { readFileSync } from "node:fs";
import { join } from "node:path";
import { parse } from "yaml";
import { type Method, methodSchema } from "@/core/control";
import { indexNames, type NameIndex } from "@/core/names";
import { buildModel, type CompiledFlora, type Model, type Taxon } from "@/core/identify";

let flora: CompiledFlora | undefined;
let model: Model | undefined;
let methods: Method[] | undefined;
let names: NameIndex | undefined;

/** The shipped flora, as compiled. Read-only, so one copy per process is enough. */
export function shippedFlora(): CompiledFlora {
  flora ??= JSON.parse(readFileSync(join(process.cwd(), "public", "flora.json"), "utf8")) as CompiledFlora;
  return flora;
}

export function shippedModel(): Model {
  model ??= buildModel(shippedFlora());
  return model;
}

/** Every name of the shipped flora, ready to be searched. */
export function shippedNames(): NameIndex {
  names ??= indexNames(shippedFlora().taxa, shippedFlora().pairs);
  return names;
}

export function taxonByName(name: string): Taxon | undefined {
  return shippedFlora().taxa.find((t) => t.name === name);
}

/** The name a person would use: first common name, with a capital, else the accepted name. */
export function commonName(name: string): string {
  const common = taxonByName(name)?.common[0];
  return common ? common.charAt(0).toUpperCase() + common.slice(1) : name;
}

/** The name that a person would use of every plant, by accepted name. */
export const plainNames = (): Record<string, string> => Object.fromEntries(shippedFlora().taxa.map((t) => [t.name, commonName(t.name)]));

export function shippedMethods(): Method[] {
  methods ??= methodSchema.array().parse(parse(readFileSync(join(process.cwd(), "flora", "methods.yaml"), "utf8")));
  return methods;
}

/** Version of the engine's rules, kept with every verdict. */
export const ENGINE_VERSION = "2";
