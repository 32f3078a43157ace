import { drizzle } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import { join } from "node:path";
import pg from "pg";
import PgBoss from "pg-boss";
import { QUEUE_SCHEMA, WAKE_QUEUE } from "./queue-names";
import { ensureRoles } from "./roles";

/** One migration at a time, however many nodes start at once. */
const MIGRATION_LOCK = 7_261_001;

/** Makes the database and the roles if missing, then migrates: the queue, tables, walls. */
async function main() {
  const owner = process.env.DATABASE_OWNER_URL;
  if (!owner) throw new Error("DATABASE_OWNER_URL is not set; start with npm run demo or npm start");
  await ensureDatabase(owner);
  const client = new pg.Client({ connectionString: owner });
  await client.connect();
  await client.query("SELECT pg_advisory_lock($1)", [MIGRATION_LOCK]);
  await client.query("SELECT set_config('app.migrating', 'yes', false)");
  await ensureRoles(client, process.env);
  await ensureQueue(client);
  await migrate(drizzle(client), { migrationsFolder: join(process.cwd(), "src/db/migrations") });
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

/**
 * The queue's tables are made here, not at run time. The jobs process alone reads them; the application writes to them only by the
 * trigger that wakes the jobs process, whose role may add a row and nothing else.
 */
async function ensureQueue(client: pg.Client): Promise<void> {
  const { rowCount } = await client.query("SELECT 1 FROM pg_namespace WHERE nspname = $1", [QUEUE_SCHEMA]);
  if (!rowCount) await client.query(PgBoss.getConstructionPlans(QUEUE_SCHEMA));
  await client.query(
    `SELECT ${QUEUE_SCHEMA}.create_queue($1, $2) WHERE NOT EXISTS (SELECT 1 FROM ${QUEUE_SCHEMA}.queue WHERE name = $1)`,
    [WAKE_QUEUE, JSON.stringify({ policy: "standard", retryLimit: 0 })],
  );
  await client.query(`
    REVOKE ALL ON ALL TABLES IN SCHEMA ${QUEUE_SCHEMA} FROM sentinel_app;
    REVOKE ALL ON ALL FUNCTIONS IN SCHEMA ${QUEUE_SCHEMA} FROM sentinel_app, PUBLIC;
    REVOKE ALL ON SCHEMA ${QUEUE_SCHEMA} FROM sentinel_app;
    GRANT USAGE ON SCHEMA ${QUEUE_SCHEMA} TO sentinel_jobs, sentinel_definer;
    GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA ${QUEUE_SCHEMA} TO sentinel_jobs;
    GRANT EXECUTE ON ALL FUNCTIONS IN SCHEMA ${QUEUE_SCHEMA} TO sentinel_jobs;
    GRANT INSERT ON ${QUEUE_SCHEMA}.job TO sentinel_definer`);
}

main().catch((error) => {
  process.stderr.write(`\n${error.message}\n${error.cause ? `  ${error.cause}\n` : ""}\n`);
  process.exit(1);
});
