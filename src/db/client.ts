import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { AsyncLocalStorage } from "node:async_hooks";
import { sql } from "drizzle-orm";
import pg from "pg";
import { type DatabaseVariable, env } from "@/env";
import * as schema from "./schema";
import { Turnstile } from "./turnstile";
import type { Role } from "@/core/roles";

export type Database = NodePgDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database["transaction"]>[0]>[0];

/** A laptop that wakes, or a disk that stalls, may take some seconds to answer. */
const CONNECTION_WAIT_MS = 15_000;
const CONNECTIONS = 10;
/** Of these one district may use so many at once, so that the others always find one. */
const CONNECTIONS_A_DISTRICT = 6;
const pools = new Map<string, pg.Pool>();
/** One for each pool: making it reads the whole schema. */
const databases = new Map<string, Database>();

function pool(variable: DatabaseVariable): pg.Pool {
  const url = env()[variable];
  if (!url) throw new Error(`${variable} is not set; start with npm run demo or npm start`);
  const known = pools.get(variable);
  if (known) return known;
  const made = new pg.Pool({
    connectionString: url,
    max: CONNECTIONS,
    connectionTimeoutMillis: CONNECTION_WAIT_MS,
    keepAlive: true,
    application_name: "merry-sentinel",
  });
  made.on("error", () => undefined);
  pools.set(variable, made);
  return made;
}

function database(variable: DatabaseVariable): Database {
  const made = databases.get(variable) ?? drizzle(pool(variable), { schema });
  databases.set(variable, made);
  return made;
}

/** The application's own address, or the loader's, which is the application with the right to say when a change was made. */
let application: DatabaseVariable = "DATABASE_APP_URL";
let played: (() => Date) | null = null;
/** @param moment the time at which what is loaded happened */
export function asLoader(moment: () => Date): void {
  application = "DATABASE_LOADER_URL";
  played = moment;
}
/** As the application: owns nothing, sees only the district of the transaction. */
export const appDatabase = (): Database => database(application);
/** As sign-in: sees the auth schema only. */
export const authDatabase = (): Database => database("DATABASE_AUTH_URL");
/** As the jobs process: sees jobs and letters of all districts, nothing else. */
export const jobsDatabase = (): Database => database("DATABASE_JOBS_URL");
/** As the verifier of ledgers: reads ledgers of all districts, writes nothing. */
export const verifyDatabase = (): Database => database("DATABASE_VERIFY_URL");

export async function closePools(): Promise<void> {
  await Promise.all([...pools.values()].map((p) => p.end()));
  pools.clear();
  databases.clear();
}

/** Who works in a transaction: the trail of changes names them, and their roles say what the database shows. */
export interface Actor {
  personId: string;
  personName: string;
  roles: Role[];
}

/** The transaction of a district that is being loaded: what is done in it belongs to it, and is stored with it or not at all. */
const whole = new AsyncLocalStorage<{ districtId: string; tx: Transaction }>();

/** For the loader of a demonstration: a district is loaded whole or not at all. */
export const inOneTransaction = <T>(
  districtId: string,
  work: (tx: Transaction) => Promise<T>,
  actor: Actor,
): Promise<T> => inDistrict(districtId, (tx) => whole.run({ districtId, tx }, () => work(tx)), actor);

const turnstile = new Turnstile(CONNECTIONS_A_DISTRICT, CONNECTION_WAIT_MS);

/**
 * Runs work inside one district. The district is set for this transaction only, and is the only one its queries can see.
 * @param actor who does it; null for the program itself, which sees no protected place
 * @throws {Busy} where this district already uses its share of the connections and none comes free in time
 */
export async function inDistrict<T>(
  districtId: string,
  work: (tx: Transaction) => Promise<T>,
  actor: Actor | null = null,
): Promise<T> {
  const loading = whole.getStore();
  const inside = async (tx: Transaction) => {
    await setActor(tx, districtId, actor);
    return work(tx);
  };
  if (loading?.districtId === districtId) return loading.tx.transaction(inside);
  return turnstile.pass(districtId, () => appDatabase().transaction(inside));
}

async function setActor(tx: Transaction, districtId: string, actor: Actor | null): Promise<void> {
  const seesProtected = actor?.roles.some((role) => role !== "visitor") ? "yes" : "no";
  const keeper = actor?.roles.includes("keeper") ? "yes" : "no";
  await tx.execute(
    sql`SELECT set_config('app.district', ${districtId}, true), set_config('app.sees_protected', ${seesProtected}, true),
      set_config('app.keeper', ${keeper}, true), set_config('app.person_id', ${actor?.personId ?? ""}, true), set_config('app.person_name', ${actor?.personName ?? ""}, true)`,
  );
  if (played) await tx.execute(sql`SELECT set_config('app.clock', ${played().toISOString()}, true)`);
}
