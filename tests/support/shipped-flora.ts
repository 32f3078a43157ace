import { existsSync, readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import type { CompiledFlora } from "@/core/identify";
import { compileFlora } from "@/flora/compile";

const COMPILED = "public/flora.json";

/** When a file under these folders was last written, ms. */
const newest = (folder: string): number => Math.max(...readdirSync(folder, { recursive: true, withFileTypes: true }).filter((f) => f.isFile()).map((f) => statSync(join(f.parentPath, f.name)).mtimeMs));

/** The shipped flora: as it was compiled, where that is not older than its files; compiled anew takes seconds for every test file. */
export function shippedFlora(): CompiledFlora {
  const fresh = existsSync(COMPILED) && statSync(COMPILED).mtimeMs > Math.max(newest("flora"), newest("src/flora"), newest("src/core/pack"));
  return fresh ? (JSON.parse(readFileSync(COMPILED, "utf8")) as CompiledFlora) : compileFlora("flora").flora;
}
