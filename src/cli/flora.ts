import { compileFlora } from "@/flora/compile";
import { floraFigures } from "@/flora/figures";
import { FLORA_ROOT } from "@/flora/load";
import { printJson, run } from "./output";

/** Reads, compiles and checks the flora. `--check` prints problems by file and line, and fails if there are any. */
run(() => {
  const figures = floraFigures(compileFlora(FLORA_ROOT), FLORA_ROOT);
  if (!process.argv.includes("--check")) return printJson(figures);
  for (const { file, line, what } of figures.problems) process.stderr.write(`${file}:${line}: ${what}\n`);
  if (figures.pairsConfusedUnlisted > 0)
    process.stderr.write(`${figures.pairsConfusedUnlisted} pairs are confused but not listed\n`);
  if (figures.problems.length + figures.pairsConfusedUnlisted > 0) process.exitCode = 1;
  return undefined;
});
