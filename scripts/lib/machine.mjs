import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, statfsSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { join } from "node:path";
import { say, Trouble } from "./say.mjs";

export const ROOT = join(import.meta.dirname, "..", "..");
export const PG_BIN = "/usr/lib/postgresql/15/bin";
const LEAST_FREE_BYTES = 600e6;

export function checkNode(version = process.versions.node) {
  const [major, minor] = version.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 19) || major > 22)
    throw new Trouble(
      `Merry Sentinel runs on Node.js 20.19 to 22; this is ${version}.`,
      "apt-get install nodejs   (or choose Node.js 20 in your version manager)",
    );
}

export function checkDisk(folder, read = statfsSync) {
  const { bavail, bsize } = read(folder);
  if (bavail * bsize < LEAST_FREE_BYTES)
    throw new Trouble(
      `The disk under ${folder} is almost full: ${Math.round((bavail * bsize) / 1e6)} MB are free, 600 MB are needed. Nothing was changed.`,
      `df -h ${folder}   (then free some space and start again)`,
    );
}

/** Runs a program to its end. @returns its exit status, and what it printed on a piped stdout and stderr */
export function ended(command, args, options) {
  const child = spawn(command, args, { cwd: ROOT, ...options });
  let printed = "";
  for (const stream of [child.stdout, child.stderr])
    stream?.on("data", (part) => {
      printed += part;
    });
  return new Promise((resolve, reject) =>
    child.once("error", reject).once("close", (status) => resolve({ status, printed })),
  );
}

/** Installs the Debian packages that are missing; without root, names the exact command. */
export async function ensureDebian(withBrowser, has = existsSync, root = process.getuid?.() === 0) {
  const wanted = [];
  if (!has(join(PG_BIN, "initdb"))) wanted.push("postgresql-15");
  if (!has("/usr/share/postgresql/15/extension/postgis.control")) wanted.push("postgresql-15-postgis-3");
  if (withBrowser && !has("/usr/bin/chromium")) wanted.push("chromium");
  if (wanted.length === 0) return;
  const command = `apt-get update && apt-get install -y --no-install-recommends ${wanted.join(" ")}`;
  if (!root)
    throw new Trouble(
      `These Debian packages are missing: ${wanted.join(", ")}. Only root may install them.`,
      `sudo sh -c '${command}'`,
    );
  say(`Installing ${wanted.join(", ")} …`);
  const result = await ended("sh", ["-c", command], {
    stdio: ["ignore", "ignore", "inherit"],
    env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" },
  });
  if (result.status !== 0) throw new Trouble("The Debian packages could not be installed.", command);
}

/** `npm ci`, unless node_modules is already what the lock file says. */
export async function ensurePackages() {
  const stamp = join(ROOT, "node_modules", ".made-from");
  const lock = hashOf(["package-lock.json"]);
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
  if (installedAsLocked()) return writeFileSync(stamp, lock);
  say("Installing packages …");
  const result = await ended("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"], {
    stdio: ["ignore", "ignore", "inherit"],
  });
  if (result.status !== 0) throw new Trouble("The packages could not be installed.", "npm ci");
  writeFileSync(stamp, lock);
}

/** True where npm itself notes every locked package as installed, those left out that are for other platforms. */
function installedAsLocked() {
  const note = join(ROOT, "node_modules", ".package-lock.json");
  if (!existsSync(note)) return false;
  const [locked, installed] = [join(ROOT, "package-lock.json"), note].map(
    (path) => JSON.parse(readFileSync(path, "utf8")).packages,
  );
  return Object.entries(locked).every(
    ([path, { version, optional }]) =>
      path === "" || (installed[path] ? installed[path].version === version : optional),
  );
}

/** Hash over files and folders below the root, for knowing whether a build is stale. */
export function hashOf(paths) {
  const hash = createHash("sha256");
  const list = spawnSync("find", [...paths, "-type", "f", "-not", "-path", "*/node_modules/*"], {
    cwd: ROOT,
    encoding: "utf8",
  })
    .stdout.split("\n")
    .filter(Boolean)
    .sort();
  for (const file of list) hash.update(file).update(readFileSync(join(ROOT, file)));
  return hash.digest("hex");
}

/** Runs a script of ours written in TypeScript; what it says on stderr is shown as it goes. */
export async function tsx(args, env) {
  const { status, printed } = await ended(
    process.execPath,
    [join(ROOT, "node_modules", "tsx", "dist", "cli.mjs"), ...args],
    { stdio: ["ignore", "pipe", "inherit"], env: { ...process.env, ...env } },
  );
  if (status !== 0) throw new Trouble(`"${args.join(" ")}" failed; what it said stands above.\n${printed}`);
}

/** The same; what it prints on stdout is returned. */
export async function tsxOutput(args, env) {
  const child = spawn(process.execPath, [join(ROOT, "node_modules", "tsx", "dist", "cli.mjs"), ...args], {
    cwd: ROOT,
    stdio: ["ignore", "pipe", "inherit"],
    env: { ...process.env, ...env },
  });
  let printed = "";
  child.stdout.on("data", (part) => {
    printed += part;
  });
  const status = await new Promise((resolve, reject) => child.once("error", reject).once("close", resolve));
  if (status !== 0) throw new Trouble(`"${args[0]}" failed; what it said stands above.`);
  return printed;
}

/** Compiles the flora if its readable files changed since. */
export async function ensureFlora() {
  const stamp = join(ROOT, ".data", "flora-made-from");
  const state = hashOf(["flora", "src/flora", "src/core"]);
  if (existsSync(join(ROOT, "public", "flora.json")) && existsSync(stamp) && readFileSync(stamp, "utf8") === state)
    return;
  await tsx(["src/cli/compile-flora.ts"]);
  mkdirSync(join(ROOT, ".data"), { recursive: true });
  writeFileSync(stamp, state);
}

/** Builds the application if its sources changed since. */
export async function ensureBuild() {
  const stamp = join(ROOT, ".next", "made-from");
  const state = hashOf(["src", "public", "flora", "package-lock.json", "next.config.ts", "postcss.config.mjs"]);
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === state) return;
  say("Building …");
  const result = await ended(process.execPath, [join(ROOT, "node_modules/next/dist/bin/next"), "build"], {
    stdio: ["ignore", "pipe", "pipe"],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", NODE_ENV: "production" },
  });
  if (result.status !== 0) throw new Trouble(`The build failed:\n${result.printed}`);
  writeFileSync(stamp, state);
}

export function portIsFree(port) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once("error", () => resolve(false));
    probe.listen(port, "127.0.0.1", () => probe.close(() => resolve(true)));
  });
}

export async function freePort(from) {
  for (let port = from; port < from + 200; port++) if (await portIsFree(port)) return port;
  throw new Trouble(`No free port from ${from} to ${from + 199}.`);
}
