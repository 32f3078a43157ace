import { eq, sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { appDatabase, closePools, inDistrict, jobsDatabase } from "@/db/client";
import { finding, followUp, ledgerEntry, mail, membership, patch, site } from "@/db/schema";
import { claim } from "@/jobs/claim";
import { perform } from "@/jobs/perform";
import { findingDetail } from "@/server/findings/findings";
import { patchDetail } from "@/server/ground/ground";
import { writeLetter } from "@/server/platform/letters";
import { asMember } from "@/server/platform/session";
import { ledgerDetail } from "@/server/records/ledger-pages";
import { asApplication, asOwner, member, OTTER, PINE, uuidv7 } from "../support/database";
import { tileAt } from "../support/map";

afterAll(closePools);

describe("the wall between districts", () => {
  it("shows a query without a where only its own district", async () => {
    const otter = await inDistrict(OTTER, (tx) => tx.select().from(site));
    const pine = await inDistrict(PINE, (tx) => tx.select().from(site));
    expect(otter.length).toBe(12);
    expect(pine.map((s) => s.name)).toContain("Ridge Top");
    expect(pine.every((s) => s.districtId === PINE)).toBe(true);
    expect(otter.every((s) => s.districtId === OTTER)).toBe(true);
    // Other tests may have made some of Pine's by now: what counts is whose they are.
    for (const table of [finding, patch, ledgerEntry, followUp]) {
      const [own, others] = [
        await inDistrict(OTTER, (tx) => tx.select().from(table)),
        await inDistrict(PINE, (tx) => tx.select().from(table)),
      ];
      expect(own.length).toBeGreaterThan(0);
      expect([
        ...own.filter((row) => row.districtId !== OTTER),
        ...others.filter((row) => row.districtId !== PINE),
      ]).toEqual([]);
    }
  });

  it("shows nothing at all where no district was set", async () => {
    expect(await appDatabase().select().from(site)).toEqual([]);
    expect(await appDatabase().select().from(membership)).toEqual([]);
  });

  it("covers every table that carries a district", async () => {
    const open = await asOwner(
      async (c) =>
        (
          await c.query(
            "SELECT c.relname FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid WHERE a.attname = 'district_id' AND c.relkind = 'r' AND c.relnamespace = 'public'::regnamespace AND NOT c.relrowsecurity",
          )
        ).rows,
    );
    expect(open).toEqual([]);
  });

  it("refuses to write into another district", async () => {
    await expect(
      inDistrict(PINE, (tx) =>
        tx
          .insert(mail)
          .values({ districtId: OTTER, id: uuidv7(), recipient: "x@example.test", subject: "x", body: "x" }),
      ),
    ).rejects.toThrow();
  });

  it("gives nothing for another district's ids", async () => {
    const [f] = await inDistrict(OTTER, (tx) => tx.select({ id: finding.id }).from(finding).limit(1));
    const [p] = await inDistrict(OTTER, (tx) => tx.select({ id: patch.id }).from(patch).limit(1));
    const [e] = await inDistrict(OTTER, (tx) => tx.select({ id: ledgerEntry.id }).from(ledgerEntry).limit(1));
    const stranger = member(["keeper", "specialist", "scout"], PINE);
    await expect(findingDetail(stranger, f.id)).rejects.toThrow(/not found/);
    await expect(patchDetail(stranger, p.id)).rejects.toThrow(/not found/);
    await expect(ledgerDetail(stranger, e.id)).rejects.toThrow(/not found/);
  });

  it("holds for the letters: the jobs process hands one over once, and forgets its text; nobody else can read it", async () => {
    const id = uuidv7();
    const keeper = member(["keeper"]);
    const secret = `link ${id}`;
    await asMember(keeper, (tx) => writeLetter(tx, OTTER, keeper, { to: "a@example.test", subject: id, body: secret }));
    await expect(inDistrict(OTTER, (tx) => tx.select().from(mail))).rejects.toThrow();
    const sent: string[] = [];
    const port = { simulated: false, send: async ({ body }: { body: string }) => void sent.push(body) };
    for (let own = await claim("letters"); own; own = await claim("letters"))
      await perform(own, { mail: port, registry: null });
    expect(sent.filter((body) => body === secret)).toHaveLength(1);
    const [letter] = await jobsDatabase().select().from(mail).where(eq(mail.subject, id));
    expect(letter).toMatchObject({ body: "", sentAt: expect.any(Date) });
  });

  it("keeps sign-in apart: the application's role cannot read accounts, sign-in's cannot read districts", async () => {
    await expect(asApplication((c) => c.query("SELECT * FROM auth.account"))).rejects.toThrow(/permission denied/);
    const { authDatabase } = await import("@/db/client");
    await expect(authDatabase().execute(sql`SELECT * FROM site`)).rejects.toThrow();
  });

  it("lets the application's role own nothing and bypass nothing", async () => {
    const rows = await asOwner(
      async (c) =>
        (
          await c.query(
            "SELECT rolsuper, rolbypassrls FROM pg_roles WHERE rolname LIKE 'sentinel_%' AND rolcanlogin AND rolname <> 'sentinel_owner'",
          )
        ).rows,
    );
    for (const row of rows) expect(row).toEqual({ rolsuper: false, rolbypassrls: false });
    expect(
      (await asOwner((c) => c.query("SELECT 1 FROM pg_class WHERE relowner = 'sentinel_app'::regrole"))).rowCount,
    ).toBe(0);
  });
});

describe("the map", () => {
  it("uses the spatial index as the application's role, with many rows", async () => {
    const siteId = await inDistrict(PINE, async (tx) => (await tx.select().from(site))[0].id);
    await asOwner(async (c) => {
      await c.query(
        "INSERT INTO finding (district_id, id, number, site_id, place, day, verdict, because, made_by) SELECT $1, gen_random_uuid(), 100000 + n, $2, ST_SetSRID(ST_MakePoint(-131 + (n % 200) * 0.01, 44 + (n / 200) * 0.01), 4326), '2026-01-01', 'open', '', 'load' FROM generate_series(1, 30000) n",
        [PINE, siteId],
      );
      await c.query("ANALYZE finding");
    });
    const scans = async () =>
      asOwner(async (c) =>
        Number(
          (
            await c.query(
              "SELECT pg_stat_force_next_flush(), idx_scan FROM pg_stat_user_indexes WHERE indexrelname = 'finding_mercator'",
            )
          ).rows[0].idx_scan,
        ),
      );
    const before = await scans();
    const tile = await asApplication(async (c) => {
      await c.query("BEGIN");
      await c.query("SELECT set_config('app.district', $1, true)", [PINE]);
      const { rows } = await c.query("SELECT length(map_tile(14, 2232, 5934)) AS bytes");
      await c.query("SELECT pg_stat_force_next_flush()");
      await c.query("COMMIT");
      return rows[0].bytes;
    });
    expect(tile).toBeGreaterThan(0);
    await new Promise((resolve) => setTimeout(resolve, 1500));
    expect(await scans()).toBeGreaterThan(before);
    await asOwner((c) => c.query("DELETE FROM finding WHERE made_by = 'load'"));
  });

  it("masks places of protected plants in tiles, boxes and lists", async () => {
    const stranger = member(["visitor"]);
    const scout = member(["scout"]);
    const [hidden] = await inDistrict(
      OTTER,
      (tx) => tx.select({ id: finding.id }).from(finding).where(eq(finding.protected, true)).limit(1),
      scout,
    );
    const { line } = await findingDetail(scout, hidden.id);
    expect(line.place).toHaveLength(2);
    await expect(findingDetail(stranger, hidden.id)).rejects.toThrow(/not found/);
    const tileOf = (sees: string) =>
      asApplication(async (c) => {
        await c.query("BEGIN");
        await c.query("SELECT set_config('app.district', $1, true), set_config('app.sees_protected', $2, true)", [
          OTTER,
          sees,
        ]);
        const { rows } = await c.query("SELECT map_tile(12, $1, $2) AS tile", tileAt(12, line.place));
        await c.query("ROLLBACK");
        return rows[0].tile as Buffer;
      });
    expect((await tileOf("yes")).equals(await tileOf("no"))).toBe(false);
  });
});
