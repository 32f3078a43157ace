import { afterAll, describe, expect, it } from "vitest";
import { closePools } from "@/db/client";
import { asApplication, asOwner, OTTER, PINE, uuidv7 } from "../support/database";

afterAll(closePools);

const refused = (sql: string, values: unknown[] = [], words = /denied|must be superuser|may not|append-only/) =>
  expect(
    asApplication(async (c) => {
      await c.query("BEGIN");
      await c.query("SELECT set_config('app.district', $1, true)", [OTTER]);
      await c.query(sql, values);
    }),
    sql,
  ).rejects.toThrow(words);
const one = async (sql: string, values: unknown[] = []) => (await asOwner((c) => c.query(sql, values))).rows[0];

describe("whoever has the application's role", () => {
  it("cannot make itself more than it is by what it lays in the way of functions that run with another's rights", async () => {
    await refused("CREATE FUNCTION pg_temp.evil() RETURNS boolean LANGUAGE sql AS 'SELECT true'");
    await refused("CREATE TEMP VIEW district AS SELECT 1 AS x");
    await refused("CREATE TEMP TABLE district (x int)");
    await refused("CREATE FUNCTION public.now() RETURNS boolean LANGUAGE sql AS 'SELECT true'");
    await refused("SET ROLE sentinel_definer");
    await refused("ALTER ROLE sentinel_app BYPASSRLS");
    const { rows } = await asOwner((c) =>
      c.query(
        "SELECT p.proname, r.rolname, r.rolsuper, r.rolcanlogin, p.proconfig FROM pg_proc p JOIN pg_roles r ON r.oid = p.proowner WHERE p.prosecdef AND p.pronamespace = 'public'::regnamespace AND NOT EXISTS (SELECT 1 FROM pg_depend d WHERE d.objid = p.oid AND d.deptype = 'e')",
      ),
    );
    expect(rows.length).toBeGreaterThan(8);
    for (const row of rows) {
      expect([row.rolsuper, row.rolcanlogin], row.proname).toEqual([false, false]);
      expect(row.proconfig, row.proname).toContain("search_path=public, pg_temp");
    }
  });
  it("cannot read the queue, the letters' texts, sign-in, or how far all districts together reach", async () => {
    await refused("SELECT * FROM queue.job");
    await refused("SELECT body FROM mail");
    await refused("SELECT * FROM auth.account");
    await refused("SELECT ST_EstimatedExtent('finding', 'place')");
    await refused("SELECT pg_read_file('/etc/passwd')");
  });
  it("cannot empty a table, nor write the trail, the anchors or another's clock", async () => {
    await refused("TRUNCATE finding_event");
    await expect(asOwner((c) => c.query("TRUNCATE finding_event"))).rejects.toThrow(/may not be emptied/);
    await expect(asOwner((c) => c.query("TRUNCATE ledger_entry CASCADE"))).rejects.toThrow(/may not be emptied/);
    await refused("INSERT INTO change (district_id, at, what, row_id, act) VALUES ($1, now(), 'site', 'x', 'update')", [
      OTTER,
    ]);
    await refused("UPDATE ledger_anchor SET seq = 0");
    await refused("DELETE FROM ledger_anchor");
    await refused("INSERT INTO ledger_anchor (district_id, seq, hash) VALUES ($1, 1, 'x')", [OTTER]);
    await refused("DELETE FROM membership");
  });
  it("works under limits of time that it was not asked for", async () => {
    const settings = await asApplication(
      async (c) =>
        (
          await c.query(
            "SELECT current_setting('statement_timeout') s, current_setting('lock_timeout') l, current_setting('idle_in_transaction_session_timeout') i",
          )
        ).rows[0],
    );
    expect(settings).toEqual({ s: "10s", l: "6s", i: "20s" });
  });
});

describe("what the database itself refuses", () => {
  const point = "ST_SetSRID(ST_MakePoint(-131.2, 44.36), 4326)";
  const finding = (site: string, extra: { patch?: string; day?: string; verdict?: string; district?: string } = {}) =>
    asOwner((c) =>
      c.query(
        `INSERT INTO finding (district_id, id, number, site_id, patch_id, place, day, verdict, because, made_by) VALUES ($1, $2, $3, $4, $5, ${point}, $6, $7, '', 'x')`,
        [
          extra.district ?? OTTER,
          uuidv7(),
          900000 + Math.floor(Math.random() * 90000),
          site,
          extra.patch ?? null,
          extra.day ?? "2026-01-01",
          extra.verdict ?? "open",
        ],
      ),
    );
  it("is a row that points into another district", async () => {
    const { id: otters } = await one("SELECT id FROM site WHERE district_id = $1 LIMIT 1", [OTTER]);
    await expect(finding(otters, { district: PINE })).rejects.toThrow(/finding_site_fk/);
  });
  it("is a finding on a patch of another site", async () => {
    const patch = await one("SELECT id, site_id FROM patch WHERE district_id = $1 LIMIT 1", [OTTER]);
    const other = await one("SELECT id FROM site WHERE district_id = $1 AND id <> $2 LIMIT 1", [OTTER, patch.site_id]);
    await expect(finding(other.id, { patch: patch.id })).rejects.toThrow(/finding_patch_fk/);
  });
  it("is a word that is none, a day beyond all days, half the world as a patch", async () => {
    const { id: site } = await one("SELECT id FROM site WHERE district_id = $1 LIMIT 1", [OTTER]);
    await expect(finding(site, { verdict: "maybe" })).rejects.toThrow(/finding_verdict/);
    await expect(finding(site, { day: "9999-12-31" })).rejects.toThrow(/finding_day/);
    const patch = (outline: string, area: number) =>
      asOwner((c) =>
        c.query(
          `INSERT INTO patch (district_id, id, site_id, taxon, plant_id, name, outline, area_m2, made_by) VALUES ($1, $2, $3, 'x', 'x', 'x', ST_GeomFromText('${outline}', 4326), ${area}, 'x')`,
          [OTTER, uuidv7(), site],
        ),
      );
    await expect(patch("POLYGON((0 0, 90 0, 90 80, 0 0))", 2.8e13)).rejects.toThrow(/patch_area/);
    await expect(patch("POLYGON((0 86, 1 86, 1 87, 0 86))", 10)).rejects.toThrow(/patch_outline/);
    await expect(patch("POINT(0 0)", 10)).rejects.toThrow(/patch_outline/);
  });
  it("is one plant twice on the list of one place, district or site", async () => {
    const { taxon, plant_id: plant } = await one(
      "SELECT taxon, plant_id FROM list_entry WHERE district_id = $1 AND site_id IS NULL LIMIT 1",
      [OTTER],
    );
    await expect(
      asOwner((c) =>
        c.query(
          "INSERT INTO list_entry (district_id, id, taxon, plant_id, status, changed_by) VALUES ($1, $2, $3, $4, 'watch', 'x')",
          [OTTER, uuidv7(), taxon, plant],
        ),
      ),
    ).rejects.toThrow(/list_entry_place/);
  });
  it("is one number for two findings", async () => {
    const { site_id: site, number } = await one("SELECT site_id, number FROM finding WHERE district_id = $1 LIMIT 1", [
      OTTER,
    ]);
    await expect(
      asOwner((c) =>
        c.query(
          `INSERT INTO finding (district_id, id, number, site_id, place, day, verdict, because, made_by) VALUES ($1, $2, $3, $4, ${point}, '2026-01-01', 'open', '', 'x')`,
          [OTTER, uuidv7(), number, site],
        ),
      ),
    ).rejects.toThrow(/finding_number/);
  });
  it("is an entry of the ledger that is not the next link", async () => {
    const { patch_id: patch } = await one("SELECT patch_id FROM ledger_entry WHERE district_id = $1 LIMIT 1", [OTTER]);
    const entry = (seq: number, format = 2) =>
      asOwner((c) =>
        c.query(
          "INSERT INTO ledger_entry (district_id, seq, id, format, patch_id, body, entered_by, entered_by_id, entered_by_roles, entered_at, previous_hash, hash) VALUES ($1, $2, $3, $4, $5, '{}', 'x', 'x', '{keeper}', 'x', $6, $6)",
          [OTTER, seq, uuidv7(), format, patch, "0".repeat(64)],
        ),
      );
    await expect(entry(9999)).rejects.toThrow(/not the next link/);
    const { seq, hash } = await one("SELECT seq, hash FROM ledger_anchor WHERE district_id = $1", [OTTER]);
    await expect(
      asOwner((c) =>
        c.query(
          "INSERT INTO ledger_entry (district_id, seq, id, format, patch_id, body, entered_by, entered_at, previous_hash, hash) VALUES ($1, $2, $3, 1, $4, '{}', 'x', 'x', $5, $5)",
          [OTTER, seq + 1, uuidv7(), patch, hash],
        ),
      ),
    ).rejects.toThrow(/format 2/);
  });
});
