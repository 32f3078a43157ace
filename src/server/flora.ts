import { readFileSync } from "node:fs";
import { join } from "node:path";
import { parse } from "yaml";
import { type Method, methodSchema } from "@/core/control";
import { buildModel, type Model } from "@/core/identify";
import type { CompiledFlora } from "@/core/flora";
import { once } from "./once";

/** The shipped flora, as compiled. */
export const shippedFlora = (): CompiledFlora =>
  once("flora", () => JSON.parse(readFileSync(join(process.cwd(), "public", "flora.json"), "utf8")) as CompiledFlora);

export const shippedModel = (): Model => once("model", () => buildModel(shippedFlora()));

export const shippedMethods = (): Method[] =>
  once("methods", () =>
    methodSchema.array().parse(parse(readFileSync(join(process.cwd(), "flora", "methods.yaml"), "utf8"))),
  );
