import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { sql } from "drizzle-orm";
import pg from "pg";
import * as schema from "./schema";

export type Database = NodePgDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database["transaction"]>[0]>[0];

/** A laptop that wakes, or a disk that stalls, may take some seconds to answer. */
const CONNECTION_WAIT_MS = 15_000;
const pools = new Map<string, pg.Pool>();
/** One for each pool: making it reads the whole schema. */
const databases = new Map<string, Database>();
type Url = "DATABASE_APP_URL" | "DATABASE_AUTH_URL" | "DATABASE_VERIFY_URL";

function pool(variable: Url): pg.Pool {
  const url = process.env[variable];
  if (!url) throw new Error(`${variable} is not set; start with npm run demo or npm start`);
  const known = pools.get(variable);
  if (known) return known;
  const made = new pg.Pool({
    connectionString: url,
    max: 10,
    connectionTimeoutMillis: CONNECTION_WAIT_MS,
    keepAlive: true,
  });
  made.on("error", () => undefined);
  pools.set(variable, made);
  return made;
}

function database(variable: Url): Database {
  const made = databases.get(variable) ?? drizzle(pool(variable), { schema });
  databases.set(variable, made);
  return made;
}

/** As the application: owns nothing, sees only the district of the transaction. */
export const appDatabase = (): Database => database("DATABASE_APP_URL");
/** As sign-in: sees the auth schema only. */
export const authDatabase = (): Database => database("DATABASE_AUTH_URL");
/** As the verifier of ledgers: reads ledgers of all districts, writes nothing. */
export const verifyDatabase = (): Database => database("DATABASE_VERIFY_URL");

export async function closePools(): Promise<void> {
  await Promise.all([...pools.values()].map((p) => p.end()));
  pools.clear();
  databases.clear();
}

/**
 * Runs work inside one district. The district is set for this transaction only, and is the only one its queries can see.
 * @param seesProtected whether exact places of protected plants may be read
 */
export async function inDistrict<T>(
  districtId: string,
  work: (tx: Transaction) => Promise<T>,
  seesProtected = false,
): Promise<T> {
  return appDatabase().transaction(async (tx) => {
    await tx.execute(
      sql`SELECT set_config('app.district', ${districtId}, true), set_config('app.sees_protected', ${seesProtected ? "yes" : "no"}, true)`,
    );
    return work(tx);
  });
}
