import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { Cluster } from "./lib/cluster.mjs";
import {
  checkDisk,
  checkNode,
  ended,
  ensureBuild,
  ensureDebian,
  ensureFlora,
  ensurePackages,
  freePort,
  ROOT,
  tsx,
} from "./lib/machine.mjs";
import { startJobs, startWeb } from "./lib/processes.mjs";
import { main, say } from "./lib/say.mjs";

const bin = (name, ...path) => join(ROOT, "node_modules", name, ...path);
const tsxCli = bin("tsx", "dist", "cli.mjs");
const OUT = join(ROOT, "test-results");
const results = [];

/** Runs one check or runner; its outcome counts in the closing line. What it prints is kept until it ends, as another runs beside it, unless it runs `alone`. */
async function step(name, args, { env = {}, count = () => null, alone = false } = {}) {
  say(`\n== ${name} …`);
  const began = Date.now();
  const { status, printed } = await ended(process.execPath, args, {
    stdio: ["ignore", ...(alone ? ["inherit", "inherit"] : ["pipe", "pipe"])],
    env: { ...process.env, ...env },
  });
  const counted = count() ?? (status === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 });
  if (status !== 0 && counted.failed === 0) counted.failed = 1;
  // Of a long run often only the end is kept: what failed is said there once more.
  const failures = counted.failed > 0 ? (counted.failures?.length ? counted.failures : [printed.slice(-2000)]) : [];
  results.push({ ...counted, failures: failures.map((text) => `${name}: ${text.slice(0, 1500)}`) });
  say(
    `${printed}== ${name}: ${counted.passed} passed, ${counted.failed} failed, ${Math.round((Date.now() - began) / 1000)} s`,
  );
}

/** What needs no database: types, lint, layers, unit tests, and the build that the browser tests run against. */
async function withoutDatabase() {
  await step("types", [bin("typescript-native", "bin", "tsc"), "--noEmit"]);
  await step("indexed", ["scripts/check-indexed.mjs"]);
  await step("unused", [bin("knip", "bin", "knip.js")]);
  await step("lint", [bin("@biomejs", "biome", "bin", "biome"), "check", "."]);
  await step("layers", [
    bin("dependency-cruiser", "bin", "dependency-cruise.mjs"),
    "--config",
    ".dependency-cruiser.cjs",
    "--ts-config",
    "tsconfig.json",
    "--output-type",
    "err",
    "src",
  ]);
  await vitest("unit");
  await step("mutations", ["scripts/mutate.mjs", "--few", "5"]);
  await vitest("flora");
  await ensureBuild();
}

/** The flora, a throw-away database with the demonstration in it, and the tests against it. */
async function withDatabase(cluster) {
  await step("flora", [tsxCli, "src/cli/flora.ts", "--check"]);
  await cluster.start();
  const environment = { ...cluster.environment(), DEMO: "1" };
  await tsx(["src/db/migrate.ts"], environment);
  await tsx(["src/demo/load.ts"], environment);
  await vitest("integration", { ...environment, SENTINEL_URL: "http://127.0.0.1:3210" });
  return environment;
}

function vitest(project, env = {}) {
  const report = join(OUT, `${project}.json`);
  return step(
    `${project} tests`,
    [
      bin("vitest", "vitest.mjs"),
      "run",
      "--project",
      project,
      "--reporter=default",
      "--reporter=json",
      `--outputFile.json=${report}`,
    ],
    { env, count: vitestCount(report) },
  );
}

const vitestCount = (file) => () => {
  if (!existsSync(file)) return null;
  const report = JSON.parse(readFileSync(file, "utf8"));
  const failures = report.testResults.flatMap((file) =>
    file.assertionResults
      .filter(({ status }) => status === "failed")
      .map(({ fullName, failureMessages }) => `${file.name}: ${fullName}\n${failureMessages.join("\n")}`),
  );
  return { passed: report.numPassedTests, failed: report.numFailedTests, failures };
};

const playwrightCount = (file) => () => {
  if (!existsSync(file)) return null;
  const { stats, suites } = JSON.parse(readFileSync(file, "utf8"));
  const specsOf = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsOf)];
  const failures = suites
    .flatMap(specsOf)
    .filter(({ ok }) => !ok)
    .map(
      ({ title, tests }) =>
        `${title}\n${tests.flatMap(({ results: of }) => of.map(({ error }) => error?.message ?? "")).join("\n")}`,
    );
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected, failures };
};

main(async () => {
  checkNode();
  checkDisk(ROOT);
  await Promise.all([ensureDebian(true), ensurePackages()]);
  const folder = join(ROOT, ".test");
  rmSync(OUT, { recursive: true, force: true });
  mkdirSync(OUT, { recursive: true });
  if (existsSync(join(folder, "cluster.json"))) new Cluster(folder, true).destroy();
  await ensureFlora();
  const cluster = new Cluster(folder, true);
  let server;
  try {
    // Two lanes, as small machines have two cores.
    const lanes = await Promise.allSettled([withDatabase(cluster), withoutDatabase()]);
    for (const lane of lanes) if (lane.status === "rejected") throw lane.reason;
    const port = await freePort(3900);
    const environment = { ...lanes[0].value, SENTINEL_URL: `http://127.0.0.1:${port}` };
    server = await startServer(port, environment);
    await vitest("http", environment);
    await step("browser tests", [bin("@playwright", "test", "cli.js"), "test"], {
      env: environment,
      count: playwrightCount(join(OUT, "e2e.json")),
      alone: true,
    });
    await vitest("last", environment);
  } finally {
    for (const child of Object.values(server ?? {})) child.kill("SIGTERM");
    cluster.destroy();
  }
  for (const failure of results.flatMap(({ failures }) => failures)) console.log(`== failed: ${failure}\n`);
  const sum = (key) => results.reduce((total, r) => total + r[key], 0);
  console.log(`${sum("passed")} passed, ${sum("failed")} failed`);
  process.exit(sum("failed") > 0 ? 1 : 0);
});

/** The two processes of the application, each with what it may know; waits for the web process to answer. */
async function startServer(port, environment) {
  const web = startWeb(port, environment, ["ignore", "ignore", "inherit"]);
  const jobs = startJobs(environment, ["ignore", "ignore", "inherit"]);
  for (let i = 0; i < 90; i++) {
    const answer = await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null);
    if (answer?.ok) return { web, jobs };
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  throw new Error("the server did not answer within 45 s");
}
