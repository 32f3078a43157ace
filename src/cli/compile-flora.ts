import { mkdirSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { compileFlora } from "@/flora/compile";
import { COMPILED_PATH, FLORA_ROOT } from "@/flora/load";

const { flora, problems } = compileFlora(FLORA_ROOT);
for (const { file, line, what } of problems) process.stderr.write(`${file}:${line}: ${what}\n`);
if (problems.length > 0) process.exit(1);
mkdirSync(dirname(COMPILED_PATH), { recursive: true });
writeFileSync(COMPILED_PATH, JSON.stringify(flora));
