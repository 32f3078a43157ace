import pg from "pg";

/** Roles that sign in, and where their address stands; each process is given only those that it needs. */
const LOGINS = {
  sentinel_app: "DATABASE_APP_URL",
  sentinel_auth: "DATABASE_AUTH_URL",
  sentinel_jobs: "DATABASE_JOBS_URL",
  sentinel_verify: "DATABASE_VERIFY_URL",
  sentinel_loader: "DATABASE_LOADER_URL",
} as const;
/** No request may hold the database longer than this; the jobs process asks for more where it needs more. */
const REQUEST_LIMITS = {
  statement_timeout: "10s",
  lock_timeout: "6s",
  idle_in_transaction_session_timeout: "20s",
} as const;

/**
 * Makes the roles that are missing. The password of a role that is there is never set again: another installation on the same
 * server may live by it.
 * @throws {Error} with what to do, where a role is there and our password does not open it
 */
export async function ensureRoles(owner: pg.Client, environment: NodeJS.ProcessEnv): Promise<void> {
  const there = new Set(
    (await owner.query("SELECT rolname FROM pg_roles WHERE rolname LIKE 'sentinel_%'")).rows.map((r) => r.rolname),
  );
  // They own the functions that run with another's rights; nobody signs in as one of them.
  if (!there.has("sentinel_definer"))
    await owner.query("CREATE ROLE sentinel_definer NOLOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE BYPASSRLS");
  if (!there.has("sentinel_anchor"))
    await owner.query("CREATE ROLE sentinel_anchor NOLOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOBYPASSRLS");
  for (const [role, variable] of Object.entries(LOGINS)) {
    const url = environment[variable];
    if (!url) throw new Error(`${variable} is not set; start with npm run demo or npm start`);
    if (there.has(role)) await mustOpen(role, url);
    else
      await owner.query(
        `CREATE ROLE ${role} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOBYPASSRLS PASSWORD ${pg.escapeLiteral(decodeURIComponent(new URL(url).password))}`,
      );
  }
  const database = pg.escapeIdentifier((await owner.query("SELECT current_database() AS name")).rows[0].name);
  // A restored database has the rights of a new one: what belongs to the database as a whole is said at every start.
  await owner.query(`REVOKE TEMPORARY ON DATABASE ${database} FROM PUBLIC`);
  for (const role of ["sentinel_app", "sentinel_auth"])
    for (const [setting, value] of Object.entries(REQUEST_LIMITS))
      await owner.query(`ALTER ROLE ${role} IN DATABASE ${database} SET ${setting} = '${value}'`);
}

async function mustOpen(role: string, url: string): Promise<void> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
  try {
    await client.connect();
  } catch (error) {
    if ((error as { code?: string }).code !== "28P01") throw error;
    throw new Error(
      `The role ${role} is there already on this database server, with a password that this installation does not have. Nothing was changed.\n  A second node of the same installation: copy .data/given.json from the first. Another installation: give it a database server of its own.`,
    );
  } finally {
    await client.end().catch(() => undefined);
  }
}
