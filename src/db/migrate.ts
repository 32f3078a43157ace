import { drizzle } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import { join } from "node:path";
import pg from "pg";
import PgBoss from "pg-boss";
import { QUEUES, QUEUE_SCHEMA } from "./queue-names";

/** Makes the database and the roles if missing, then migrates: tables, walls, the queue and its queues. */
async function main() {
  const owner = process.env.DATABASE_OWNER_URL;
  if (!owner) throw new Error("DATABASE_OWNER_URL is not set; start with npm run demo or npm start");
  await ensureDatabase(owner);
  const client = new pg.Client({ connectionString: owner });
  await client.connect();
  for (const [name, role] of [
    ["DATABASE_APP_URL", "sentinel_app"],
    ["DATABASE_AUTH_URL", "sentinel_auth"],
    ["DATABASE_VERIFY_URL", "sentinel_verify"],
  ])
    await ensureRole(client, role, process.env[name]);
  await migrate(drizzle(client), { migrationsFolder: join(process.cwd(), "src/db/migrations") });
  await ensureQueue(client);
  await client.end();
}

async function ensureDatabase(url: string): Promise<void> {
  const name = new URL(url).pathname.slice(1);
  const probe = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
  try {
    await probe.connect();
    await probe.end();
  } catch (error) {
    if ((error as { code?: string }).code !== "3D000") throw unreachable(url, error as Error);
    const server = new URL(url);
    server.pathname = "/postgres";
    const client = new pg.Client({ connectionString: server.href });
    await client.connect();
    await client.query(`CREATE DATABASE ${pg.escapeIdentifier(name)}`);
    await client.end();
  }
}

function unreachable(url: string, cause: Error): Error {
  const { hostname, port } = new URL(url);
  return new Error(
    `The database at ${hostname}:${port || 5432} cannot be reached (${cause.message}). Nothing was changed.\n  Check DATABASE_URL, or unset it to use the private cluster: unset DATABASE_URL`,
  );
}

async function ensureRole(client: pg.Client, role: string, url: string | undefined): Promise<void> {
  if (!url) throw new Error(`no address for the role ${role}`);
  const password = decodeURIComponent(new URL(url).password);
  const { rowCount } = await client.query("SELECT 1 FROM pg_roles WHERE rolname = $1", [role]);
  const verb = rowCount ? "ALTER" : "CREATE";
  await client.query(
    `${verb} ROLE ${role} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOBYPASSRLS PASSWORD ${pg.escapeLiteral(password)}`,
  );
}

/** The queue's tables and queues are made here, not at run time: the application's role may only use them. */
async function ensureQueue(client: pg.Client): Promise<void> {
  const { rowCount } = await client.query("SELECT 1 FROM pg_namespace WHERE nspname = $1", [QUEUE_SCHEMA]);
  if (!rowCount) await client.query(PgBoss.getConstructionPlans(QUEUE_SCHEMA));
  for (const name of QUEUES)
    await client.query(
      `SELECT ${QUEUE_SCHEMA}.create_queue($1, $2) WHERE NOT EXISTS (SELECT 1 FROM ${QUEUE_SCHEMA}.queue WHERE name = $1)`,
      [name, JSON.stringify({ policy: "standard", retryLimit: 3, retryDelay: 5 })],
    );
  await client.query(
    `GRANT USAGE ON SCHEMA ${QUEUE_SCHEMA} TO sentinel_app; GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA ${QUEUE_SCHEMA} TO sentinel_app; GRANT EXECUTE ON ALL FUNCTIONS IN SCHEMA ${QUEUE_SCHEMA} TO sentinel_app`,
  );
}

main().catch((error) => {
  process.stderr.write(`\n${error.message}\n${error.cause ? `  ${error.cause}\n` : ""}\n`);
  process.exit(1);
});
