import { randomBytes } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { Cluster } from "./cluster.mjs";
import { ROOT } from "./machine.mjs";

const GIVEN_ROLES = ["app", "auth", "jobs", "verify", "loader"];

/** Where this checkout keeps its state, or where SENTINEL_DATA says. */
export const DATA = process.env.SENTINEL_DATA ?? join(ROOT, ".data");
/** The folder in which an installation keeps its state. */
export const stateFolder = (demo) => join(DATA, demo ? "demo" : "real");

/** The private cluster, started, or the database that DATABASE_URL names. @returns its addresses, and the cluster where it is private */
export async function openDatabase(demo) {
  if (!demo && process.env.DATABASE_URL) return { environment: givenDatabase(process.env.DATABASE_URL), cluster: null };
  const cluster = await new Cluster(stateFolder(demo)).start();
  return { environment: cluster.environment(), cluster };
}

/** Roles and passwords for a database that the user runs: made once, kept in .data. A second node gets a copy of the file. */
function givenDatabase(url) {
  const path = join(DATA, "given.json");
  const kept = existsSync(path) ? JSON.parse(readFileSync(path, "utf8")) : {};
  for (const name of [...GIVEN_ROLES, "secret"]) kept[name] ??= randomBytes(24).toString("base64url");
  mkdirSync(DATA, { recursive: true });
  writeFileSync(`${path}.new`, JSON.stringify(kept), { mode: 0o600 });
  renameSync(`${path}.new`, path);
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
