import { existsSync, readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { type CompiledFlora, readCompiledFlora, type Status } from "@/core/flora";
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
  for (const [key, names] of Object.entries(data.status as Record<Status, string[]>))
    for (const name of names) status[name] = key as Status;
  return { id: data.list, name: data.name, status, actions: data.actions ?? {}, sites: data.sites ?? {} };
}

const readCompiled = (): CompiledFlora => readCompiledFlora(JSON.parse(readFileSync(COMPILED_PATH, "utf8")));

/** When a file under the folder was last written, ms. */
const newest = (folder: string): number =>
  Math.max(
    ...readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((f) => f.isFile())
      .map((f) => statSync(join(f.parentPath, f.name)).mtimeMs),
  );

/** The flora as its files say now, for commands and tests: the artefact where nothing that makes it is younger, else compiled again, which takes seconds. */
export function currentFlora(): CompiledFlora {
  const fresh =
    existsSync(COMPILED_PATH) &&
    statSync(COMPILED_PATH).mtimeMs > Math.max(...["flora", "src/flora", "src/core/pack"].map(newest));
  return fresh ? readCompiled() : compileFlora(FLORA_ROOT).flora;
}
