import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { gunzipSync } from "node:zlib";
import pg from "pg";
import { afterAll, beforeAll, describe, expect, it } from "vitest";

/** A database of an earlier version, before people and plants went by id, as it was dumped then. */
const NAME = "upgrade";
const named = (url: string | undefined, name = NAME) => (url as string).replace(/\/[^/]+$/, `/${name}`);
const on = async <T>(work: (client: pg.Client) => Promise<T>, name = NAME): Promise<T> => {
  const client = new pg.Client({ connectionString: named(process.env.DATABASE_OWNER_URL, name) });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
};
const rows = async (sql: string) => (await on((c) => c.query(sql))).rows;
const tsx = (...args: string[]) =>
  spawnSync(process.execPath, ["node_modules/tsx/dist/cli.mjs", ...args], {
    encoding: "utf8",
    env: {
      ...process.env,
      ...Object.fromEntries(
        Object.entries(process.env)
          .filter(([k]) => /^DATABASE_.*_URL$/.test(k))
          .map(([k, v]) => [k, named(v)]),
      ),
    },
  });

beforeAll(async () => {
  await on((c) => c.query(`DROP DATABASE IF EXISTS ${NAME}`), "postgres");
  await on((c) => c.query(`CREATE DATABASE ${NAME}`), "postgres");
  const dump = gunzipSync(readFileSync("tests/support/old/c09f40b.sql.gz")).toString("utf8");
  // What begins with a backslash is for psql alone.
  await on((c) => c.query(dump.replace(/^\\.*$/gm, "")));
  const migrated = tsx("src/db/migrate.ts");
  expect(migrated.stderr).not.toMatch(/Error|error:/);
  expect(migrated.status).toBe(0);
});
afterAll(() => on((c) => c.query(`DROP DATABASE IF EXISTS ${NAME} WITH (FORCE)`), "postgres"));

describe("a database of an earlier version", () => {
  it("keeps every row, and is said to keep all rules", async () => {
    const counts = await rows(
      "SELECT (SELECT count(*)::int FROM finding) f, (SELECT count(*)::int FROM finding_event) e, (SELECT count(*)::int FROM plan) p, (SELECT count(*)::int FROM ledger_entry) l, (SELECT count(*)::int FROM picture) i, (SELECT count(*)::int FROM membership) m",
    );
    expect(counts[0]).toEqual({ f: 2, e: 5, p: 2, l: 2, i: 1, m: 4 });
    expect(await rows("SELECT conname FROM pg_constraint WHERE NOT convalidated")).toEqual([]);
  });
  it("has plants by their ids", async () => {
    expect(
      await rows(
        "SELECT DISTINCT taxon, plant_id FROM patch UNION SELECT taxon, plant_id FROM plan UNION SELECT taxon, plant_id FROM list_entry UNION SELECT taxon, plant_id FROM finding UNION SELECT taxon, plant_id FROM amendment ORDER BY 1",
      ),
    ).toEqual([
      { taxon: "Hedera helix", plant_id: "hedera-helix" },
      { taxon: "Heracleum mantegazzianum", plant_id: "heracleum-mantegazzianum" },
      { taxon: "Heracleum maximum", plant_id: "heracleum-maximum" },
    ]);
  });
  it("has people by their ids where a name names one member, and by name alone where two have it", async () => {
    const [keeper] = await rows("SELECT person_id FROM membership WHERE name = 'Ida Fern'");
    const overruled = await rows("SELECT by, by_id, by_roles FROM finding_event WHERE kind = 'overruling'");
    for (const row of overruled) expect(row).toEqual({ by: "Ida Fern", by_id: keeper.person_id, by_roles: null });
    expect(overruled.length).toBeGreaterThan(0);
    expect(await rows("SELECT made_by, made_by_id FROM finding WHERE made_by = 'Sam Reed'")).toEqual([
      { made_by: "Sam Reed", made_by_id: null },
    ]);
  });
  it("keeps the later of two lines of the list that were one", async () =>
    expect(await rows("SELECT status FROM list_entry WHERE taxon = 'Hedera helix'")).toEqual([{ status: "target" }]));
  it("goes on counting findings where it was", async () =>
    expect(await rows("SELECT kind, last FROM counter")).toEqual([{ kind: "finding", last: 402 }]));
  it("holds no secret link in clear any more", async () =>
    expect(await rows("SELECT body FROM mail")).toEqual([{ body: "" }]));
  it("has a ledger of format 1 that verifies, anchored", async () => {
    const { stdout, status } = tsx("src/cli/ledger.ts", "verify");
    expect(status).toBe(0);
    expect(JSON.parse(stdout).districts.map((d: { entries: number; ok: boolean }) => [d.entries, d.ok])).toEqual(
      expect.arrayContaining([
        [2, true],
        [0, true],
      ]),
    );
  });
});

/** What nobody of the application can do, whoever owns the machine can: with the triggers off. */
const meddle = (sql: string) =>
  on(async (c) => {
    await c.query("SET session_replication_role = replica");
    await c.query(sql);
  });
const verify = (...more: string[]) => {
  const { stdout, status } = tsx("src/cli/ledger.ts", "verify", ...more);
  return { status, answer: JSON.parse(stdout) };
};

describe("a ledger that someone with the machine meddled with", () => {
  const broken = (words: RegExp) => {
    const { status, answer } = verify();
    expect(status).toBe(1);
    expect(answer.districts.filter((d: { ok: boolean }) => !d.ok).map((d: { problem: string }) => d.problem)).toEqual([
      expect.stringMatching(words),
    ]);
  };
  it("is told by a print where its end is another", async () => {
    const [{ hash }] = await rows("SELECT hash FROM ledger_entry WHERE seq = 2");
    expect(verify("--head", hash, "--count", "2").status).toBe(0);
    expect(verify("--head", hash, "--count", "3")).toMatchObject({ status: 1, answer: { print: { ok: false } } });
    expect(verify("--head", "0".repeat(64), "--count", "2").status).toBe(1);
    expect(tsx("src/cli/ledger.ts", "verify", "--head", "x", "--count", "2").status).toBe(2);
  });
  it("is seen to be cut at its end, and whole again once what was cut is back", async () => {
    await on(async (c) => {
      await c.query("CREATE TABLE kept AS SELECT * FROM ledger_entry WHERE seq = 2");
    });
    await meddle("DELETE FROM ledger_entry WHERE seq = 2");
    broken(/tells of 2 entries; 1 are here/);
    await meddle("INSERT INTO ledger_entry SELECT * FROM kept");
    expect(verify().status).toBe(0);
  });
  it("is seen to be gone with its district", async () => {
    await on((c) => c.query("CREATE TABLE kept_district AS SELECT * FROM district"));
    await meddle("DELETE FROM district WHERE name = 'First Hollow'");
    broken(/the district is gone/);
    await meddle("INSERT INTO district SELECT * FROM kept_district WHERE name = 'First Hollow'");
    expect(verify().status).toBe(0);
  });
  it("is seen to have been emptied", async () => {
    await on((c) => c.query("CREATE TABLE kept_all AS SELECT * FROM ledger_entry"));
    await meddle("DELETE FROM ledger_entry");
    broken(/tells of 2 entries; 0 are here/);
    await meddle("INSERT INTO ledger_entry SELECT * FROM kept_all");
  });
});
