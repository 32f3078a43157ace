import { spawn } from "node:child_process";
import { randomBytes } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { Cluster } from "./lib/cluster.mjs";
import {
  checkDisk,
  checkNode,
  ensureBuild,
  ensureDebian,
  ensureFlora,
  ensurePackages,
  portIsFree,
  ROOT,
  tsx,
} from "./lib/machine.mjs";
import { main, say, Trouble } from "./lib/say.mjs";

const demo = process.argv[2] === "demo";
const flag = (name) => process.argv.includes(`--${name}`);
const value = (name) =>
  process.argv.includes(`--${name}`) ? process.argv[process.argv.indexOf(`--${name}`) + 1] : undefined;

main(async () => {
  checkNode();
  checkDisk(ROOT);
  const port = Number(value("port") ?? process.env.PORT ?? 3210);
  if (!(Number.isInteger(port) && port > 0 && port < 65536))
    throw new Trouble(`--port ${value("port")} is no port.`, "npm run demo -- --port 3300");
  if (!(await portIsFree(port)))
    throw new Trouble(
      `Port ${port} is taken by another program. Nothing was changed.`,
      `npm ${demo ? "run demo" : "start"} -- --port ${port + 1}`,
    );
  await Promise.all([ensureDebian(false), ensurePackages()]);
  const environment = await database();
  await ensureFlora();
  await Promise.all([fill(environment), ensureBuild()]);
  serve(port, environment);
});

async function fill(environment) {
  await tsx(["src/db/migrate.ts"], environment);
  if (demo) await tsx(["src/demo/load.ts"], { ...environment, DEMO: "1" });
}

/** The private cluster, or the one that DATABASE_URL names. */
async function database() {
  if (!demo && process.env.DATABASE_URL) return givenDatabase(process.env.DATABASE_URL);
  const cluster = new Cluster(join(ROOT, ".data", demo ? "demo" : "real"));
  if (flag("reset") && demo) {
    say("Resetting the demonstration …");
    cluster.destroy();
    return (await new Cluster(join(ROOT, ".data", "demo")).start()).environment();
  }
  await cluster.start();
  process.once("exit", () => cluster.stop());
  return cluster.environment();
}

/** Roles and passwords for a database that the user runs: made once, kept in .data. */
async function givenDatabase(url) {
  const path = join(ROOT, ".data", "given.json");
  const kept = existsSync(path)
    ? JSON.parse(readFileSync(path, "utf8"))
    : Object.fromEntries(["app", "auth", "verify", "secret"].map((k) => [k, randomBytes(24).toString("base64url")]));
  writeFileSync(path, JSON.stringify(kept), { mode: 0o600 });
  const as = (role) => {
    const parsed = new URL(url);
    parsed.username = `sentinel_${role}`;
    parsed.password = kept[role];
    return parsed.href;
  };
  return {
    DATABASE_OWNER_URL: url,
    DATABASE_APP_URL: as("app"),
    DATABASE_AUTH_URL: as("auth"),
    DATABASE_VERIFY_URL: as("verify"),
    AUTH_SECRET: kept.secret,
  };
}

function serve(port, environment) {
  const address = `http://127.0.0.1:${port}`;
  const { DATABASE_OWNER_URL: _, ...needed } = environment;
  const child = spawn(
    process.execPath,
    [join(ROOT, "node_modules/next/dist/bin/next"), "start", "-H", "127.0.0.1", "-p", String(port)],
    {
      cwd: ROOT,
      stdio: ["ignore", "inherit", "inherit"],
      env: {
        ...process.env,
        ...needed,
        NODE_ENV: "production",
        NEXT_TELEMETRY_DISABLED: "1",
        SENTINEL_URL: address,
        ...(demo ? { DEMO: "1" } : {}),
      },
    },
  );
  say(`\n  Merry Sentinel: ${address}\n`);
  if (demo)
    say(
      "  Sign in with one of these, password for all: otter-valley-demo\n    scout@otter.example  specialist@otter.example  applicator@otter.example\n    keeper@otter.example  visitor@otter.example  keeper@pine.example (the second district)\n",
    );
  for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, () => child.kill("SIGTERM"));
  child.once("exit", (code) => process.exit(code ?? 0));
}
