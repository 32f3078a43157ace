import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { Cluster } from "./lib/cluster.mjs";
import { checkDisk, checkNode, ensureBuild, ensureDebian, ensureFlora, ensurePackages, freePort, ROOT, tsx } from "./lib/machine.mjs";
import { main, say } from "./lib/say.mjs";

const bin = (name, ...path) => join(ROOT, "node_modules", name, ...path);
const results = [];

/** Runs one check or runner; its outcome counts in the closing line. What it prints is kept until it ends where others run beside it. */
async function step(name, args, { env = {}, count = () => null, quiet = false } = {}) {
  if (!quiet) say(`\n== ${name}`);
  const began = Date.now();
  const { status, printed } = await ended(spawn(process.execPath, args, { cwd: ROOT, stdio: ["ignore", ...(quiet ? ["pipe", "pipe"] : ["inherit", "inherit"])], env: { ...process.env, ...env } }));
  const counted = count() ?? (status === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 });
  if (status !== 0 && counted.failed === 0) counted.failed = 1;
  results.push(counted);
  say(`${printed}== ${name}: ${counted.passed} passed, ${counted.failed} failed, ${Math.round((Date.now() - began) / 1000)} s`);
}

function ended(child) {
  let printed = "";
  for (const stream of [child.stdout, child.stderr]) stream?.on("data", (part) => {
    printed += part;
  });
  return new Promise((resolve) => child.once("close", (status) => resolve({ status, printed })));
}

/** Types, lint and layers, one after the other, beside the check of the flora: two at a time, as small machines have two cores. */
async function staticChecks() {
  const code = async () => {
    await step("types", [bin("typescript-native", "bin", "tsc"), "--noEmit"], { quiet: true });
    await step("lint", [bin("@biomejs", "biome", "bin", "biome"), "check", "."], { quiet: true });
    await step("layers", [bin("dependency-cruiser", "bin", "dependency-cruise.mjs"), "--config", ".dependency-cruiser.cjs", "--ts-config", "tsconfig.json", "--output-type", "err", "src"], { quiet: true });
  };
  say("\n== types, lint, layers, flora");
  await Promise.all([code(), step("flora", [bin("tsx", "dist", "cli.mjs"), "src/cli/flora.ts", "--check"], { quiet: true })]);
}

const vitestCount = (file) => () => {
  if (!existsSync(file)) return null;
  const report = JSON.parse(readFileSync(file, "utf8"));
  return { passed: report.numPassedTests, failed: report.numFailedTests };
};

const playwrightCount = (file) => () => {
  if (!existsSync(file)) return null;
  const { stats } = JSON.parse(readFileSync(file, "utf8"));
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected };
};

main(async () => {
  checkNode();
  checkDisk(ROOT);
  ensureDebian(true);
  ensurePackages();
  const folder = join(ROOT, ".test");
  const out = join(ROOT, "test-results");
  rmSync(out, { recursive: true, force: true });
  mkdirSync(out, { recursive: true });
  if (existsSync(join(folder, "cluster.json"))) new Cluster(folder, true).destroy();
  ensureFlora();
  await staticChecks();
  await step("unit tests", [bin("vitest", "vitest.mjs"), "run", "--project", "unit", "--reporter=default", "--reporter=json", `--outputFile.json=${join(out, "unit.json")}`], { count: vitestCount(join(out, "unit.json")) });
  const cluster = await new Cluster(folder, true).start();
  const environment = cluster.environment();
  let server;
  try {
    tsx(["src/db/migrate.ts"], environment);
    tsx(["src/demo/load.ts"], { ...environment, DEMO: "1" });
    await step("integration tests", [bin("vitest", "vitest.mjs"), "run", "--project", "integration", "--reporter=default", "--reporter=json", `--outputFile.json=${join(out, "integration.json")}`], { env: { ...environment, DEMO: "1" }, count: vitestCount(join(out, "integration.json")) });
    ensureBuild();
    const port = await freePort(3900);
    const address = `http://127.0.0.1:${port}`;
    server = await startServer(port, { ...environment, SENTINEL_URL: address, DEMO: "1" });
    await step("browser tests", [bin("@playwright", "test", "cli.js"), "test"], { env: { ...environment, SENTINEL_URL: address }, count: playwrightCount(join(out, "e2e.json")) });
  } finally {
    server?.kill("SIGTERM");
    cluster.destroy();
  }
  const sum = (key) => results.reduce((total, r) => total + r[key], 0);
  console.log(`${sum("passed")} passed, ${sum("failed")} failed`);
  process.exit(sum("failed") > 0 ? 1 : 0);
});

/** Waits for the server to answer; its owner's address is not given to it. */
async function startServer(port, { DATABASE_OWNER_URL: _, ...env }) {
  const child = spawn(process.execPath, [bin("next", "dist", "bin", "next"), "start", "-H", "127.0.0.1", "-p", String(port)], { cwd: ROOT, stdio: ["ignore", "ignore", "inherit"], env: { ...process.env, ...env, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" } });
  for (let i = 0; i < 60; i++) {
    const answer = await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null);
    if (answer?.ok) return child;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  throw new Error("the server did not answer within 30 s");
}
