import { randomBytes } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { Cluster } from "./cluster.mjs";
import { ROOT } from "./machine.mjs";
import { Trouble } from "./say.mjs";

const GIVEN_ROLES = ["app", "auth", "jobs", "verify", "loader"];

/** Where this checkout keeps its state, or where SENTINEL_DATA says. */
export const DATA = process.env.SENTINEL_DATA ?? join(ROOT, ".data");
/** The folder in which an installation keeps its state. */
export const stateFolder = (demo) => join(DATA, demo ? "demo" : "real");

/**
 * The private cluster, started, or the database that DATABASE_URL names.
 * @param begun true where it must have been started from here before: nothing is begun by looking at it
 * @returns its addresses; the cluster where it is private; and it again where it was started for this, to be stopped afterwards
 */
export async function openDatabase(demo, { begun = false } = {}) {
  if (!demo && process.env.DATABASE_URL)
    return { environment: givenDatabase(process.env.DATABASE_URL, begun), cluster: null, started: null };
  const cluster = new Cluster(stateFolder(demo));
  const running = cluster.settings !== null && cluster.isRunning();
  await cluster.start();
  return { environment: cluster.environment(), cluster, started: running ? null : cluster };
}

/** Takes the secret of a backup for this installation's own: what is encrypted in the database was encrypted with it. */
export function keepSecret(cluster, secret) {
  if (cluster) return cluster.save({ ...cluster.settings, secret });
  const path = join(DATA, "given.json");
  writeWhole(path, { ...JSON.parse(readFileSync(path, "utf8")), secret });
}

function writeWhole(path, value) {
  writeFileSync(`${path}.new`, JSON.stringify(value), { mode: 0o600 });
  renameSync(`${path}.new`, path);
}

/** Roles and passwords for a database that the user runs: made once, kept in .data. A second node gets a copy of the file. */
function givenDatabase(url, begun) {
  const path = join(DATA, "given.json");
  if (begun && !existsSync(path))
    throw new Trouble(
      `The database that DATABASE_URL names has not been used from here: ${path} is missing.`,
      "start once with npm start, or copy the file from the node that uses it",
    );
  const kept = existsSync(path) ? JSON.parse(readFileSync(path, "utf8")) : {};
  for (const name of [...GIVEN_ROLES, "secret"]) kept[name] ??= randomBytes(24).toString("base64url");
  mkdirSync(DATA, { recursive: true });
  writeWhole(path, kept);
  const as = (role) => {
    const parsed = new URL(url);
    parsed.username = `sentinel_${role}`;
    parsed.password = kept[role];
    return parsed.href;
  };
  return {
    DATABASE_OWNER_URL: url,
    ...Object.fromEntries(GIVEN_ROLES.map((role) => [`DATABASE_${role.toUpperCase()}_URL`, as(role)])),
    AUTH_SECRET: kept.secret,
  };
}
