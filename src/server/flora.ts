import { readFileSync } from "node:fs";
import { join } from "node:path";
import { parse } from "yaml";
import { type Method, methodSchema } from "@/core/control";
import { buildModel, type CompiledFlora, type Model } from "@/core/identify";

let flora: CompiledFlora | undefined;
let model: Model | undefined;
let methods: Method[] | undefined;

/** The shipped flora, as compiled. Read-only, so one copy per process is enough. */
export function shippedFlora(): CompiledFlora {
  flora ??= JSON.parse(readFileSync(join(process.cwd(), "public", "flora.json"), "utf8")) as CompiledFlora;
  return flora;
}

export function shippedModel(): Model {
  model ??= buildModel(shippedFlora());
  return model;
}

export function shippedMethods(): Method[] {
  methods ??= methodSchema.array().parse(parse(readFileSync(join(process.cwd(), "flora", "methods.yaml"), "utf8")));
  return methods;
}

/** Version of the engine's rules, kept with every verdict. */
export const ENGINE_VERSION = "2";
