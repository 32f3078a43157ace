import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import { compileFlora } from "@/flora/compile";

/**
 * The shipped flora compiled with one file changed. A change that changes nothing is a mistake of the test.
 * @param scope "whole", or "set": one set with the characters and groups, and no pairs, which compiles in a tenth of the time
 * @throws {Error} where the text did not change
 */
export function changedFlora(
  file: string,
  change: (text: string) => string,
  scope: "whole" | "set" = "whole",
): ReturnType<typeof compileFlora> {
  const folder = mkdtempSync(join(tmpdir(), "flora-"));
  try {
    const set = file.startsWith("sets/") ? basename(file) : "12-canes.yaml";
    const wanted = (path: string) => scope === "whole" || !/sets\/.+\.yaml$/.test(path) || basename(path) === set;
    cpSync("flora", folder, { recursive: true, filter: wanted });
    if (scope === "set")
      for (const pairs of ["pairs.yaml", "pairs-found.yaml", "pairs-dismissed.yaml"])
        writeFileSync(join(folder, pairs), "[]\n");
    const path = join(folder, file);
    const before = readFileSync(path, "utf8");
    const after = change(before);
    if (after === before) throw new Error(`the change to ${file} must change something`);
    writeFileSync(path, after);
    return compileFlora(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
