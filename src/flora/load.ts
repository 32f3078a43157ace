import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { CompiledFlora, Status } from "@/core/identify/flora-types";
import { compileFlora } from "./compile";
import { readYaml } from "./read-yaml";

export const FLORA_ROOT = join(process.cwd(), "flora");
export const COMPILED_PATH = join(process.cwd(), "public", "flora.json");

export interface DistrictList {
  id: string;
  name: string;
  status: Record<string, Status>;
  actions: Record<string, string>;
  sites: Record<string, Record<string, Status>>;
}

/** A shipped list, by plant name. */
export function loadList(id: string): DistrictList {
  const { data } = readYaml(join(FLORA_ROOT, "lists", `${id}.yaml`), `flora/lists/${id}.yaml`);
  const status: Record<string, Status> = {};
  for (const [key, names] of Object.entries(data.status as Record<Status, string[]>)) for (const name of names) status[name] = key as Status;
  return { id: data.list, name: data.name, status, actions: data.actions ?? {}, sites: data.sites ?? {} };
}

let compiled: CompiledFlora | undefined;
/** The compiled flora: the artefact if it is there, else compiled now. */
export function loadFlora(): CompiledFlora {
  if (!compiled) compiled = existsSync(COMPILED_PATH) ? (JSON.parse(readFileSync(COMPILED_PATH, "utf8")) as CompiledFlora) : compileFlora(FLORA_ROOT).flora;
  return compiled;
}
