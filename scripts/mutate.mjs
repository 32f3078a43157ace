import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { availableParallelism, tmpdir } from "node:os";
import { join } from "node:path";
import { ended, ensurePackages, ROOT } from "./lib/machine.mjs";
import { main, say } from "./lib/say.mjs";
import { MUTATIONS } from "./mutations.mjs";

/**
 * Puts one fault after another into a copy of the core and runs the core's own tests: a fault that no test notices survives.
 * `--json` prints the outcome, `--few N` takes N of the faults, spread evenly, one further along each day.
 */
const flag = (name) => process.argv.includes(`--${name}`);
const few = flag("few") ? Number(process.argv[process.argv.indexOf("--few") + 1]) : MUTATIONS.length;

/** The core and its tests in a folder of their own, with the packages of this one. */
function copyOfCore() {
  const folder = mkdtempSync(join(tmpdir(), "mutate-"));
  cpSync(join(ROOT, "src", "core"), join(folder, "src", "core"), { recursive: true });
  cpSync(join(ROOT, "tests", "support"), join(folder, "tests", "support"), { recursive: true });
  for (const file of ["package.json", "tsconfig.json", "vitest.config.ts"])
    cpSync(join(ROOT, file), join(folder, file));
  symlinkSync(join(ROOT, "node_modules"), join(folder, "node_modules"));
  return folder;
}

/** The tests of one area of the core, such as src/core/identify. */
const areaOf = (file) => file.split("/").slice(0, 3).join("/");
const runTests = (folder, area) =>
  ended(
    process.execPath,
    [join(folder, "node_modules", "vitest", "vitest.mjs"), "run", "--project", "unit", "--bail", "1", area],
    { cwd: folder, stdio: ["ignore", "pipe", "pipe"] },
  );

/** @returns the fault with its outcome */
async function tryOut(mutation, folder) {
  const path = join(folder, mutation.file);
  const text = readFileSync(path, "utf8");
  const found = text.split(mutation.find).length - 1;
  if (found !== 1) throw new Error(`${mutation.file}: "${mutation.find}" occurs ${found} times, not once`);
  writeFileSync(
    path,
    text.replace(mutation.find, () => mutation.replace),
  );
  const { status, printed } = await runTests(folder, areaOf(mutation.file));
  writeFileSync(path, text);
  // A copy that cannot even be read as a program proves nothing about the tests.
  if (status !== 0 && /Transform failed|SyntaxError/.test(printed))
    throw new Error(`${mutation.what}: no program is left`);
  say(`${status === 0 ? "SURVIVED" : "killed  "}  ${mutation.what}`);
  return { file: mutation.file, what: mutation.what, killed: status !== 0 };
}

function chosen() {
  if (few >= MUTATIONS.length) return MUTATIONS;
  const day = Math.floor(Date.now() / 86400e3);
  return Array.from(
    { length: few },
    (_, i) => MUTATIONS[(day + Math.floor((i * MUTATIONS.length) / few)) % MUTATIONS.length],
  );
}

main(async () => {
  await ensurePackages();
  const waiting = [...chosen()];
  const folders = Array.from({ length: Math.min(2, availableParallelism()) }, copyOfCore);
  const list = [];
  try {
    const unharmed = await runTests(folders[0], "src/core");
    if (unharmed.status !== 0) throw new Error(`the tests fail before any fault is put in:\n${unharmed.printed}`);
    await Promise.all(
      folders.map(async (folder) => {
        for (let next = waiting.shift(); next; next = waiting.shift()) list.push(await tryOut(next, folder));
      }),
    );
  } finally {
    for (const folder of folders) rmSync(folder, { recursive: true, force: true });
  }
  const survived = list.filter((m) => !m.killed).length;
  if (flag("json"))
    process.stdout.write(
      `${JSON.stringify({ mutations: list.length, killed: list.length - survived, survived, list }, null, 1)}\n`,
    );
  if (survived > 0) process.exitCode = 1;
});
