import { and, eq, sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { closePools, inDistrict } from "@/db/client";
import { followUp, listEntry, patch, site } from "@/db/schema";
import { listFor, setStatus } from "@/server/control/list";
import { todayFor } from "@/server/control/today";
import { findingLines, saveFinding } from "@/server/findings/findings";
import { districtBounds, mapTile, patchDetail, patchLines, saveSite, siteLines } from "@/server/ground/ground";
import { health } from "@/server/platform/health";
import { recordCheck } from "@/server/records/follow-ups";
import { readTableQuery } from "@/core/paging";
import { saveLabel } from "@/server/records/labels";
import { recordingFor } from "@/server/records/recording";
import { ledgerPage } from "@/server/records/ledger-pages";
import { readLabelForm, readTreatmentForm } from "@/server/records/treatment-form";
import { asOwner, member, OTTER, PINE, uuidv7 } from "../support/database";

afterAll(closePools);
const scout = member(["scout"]);
const specialist = member(["specialist"]);

describe("Today, whatever day it is", () => {
  it("has something due, a window open and something on hold, in the order of acting on it", async () => {
    const view = await todayFor(scout);
    expect(view.checks.some((c) => c.days <= 0)).toBe(true);
    expect(view.windows.some((w) => w.open)).toBe(true);
    expect(view.holds.length).toBeGreaterThan(0);
    expect(view.checks.map((c) => c.dueOn)).toEqual([...view.checks.map((c) => c.dueOn)].sort());
    const due = view.holds.map((h) => (h.verdict === "open" ? 2 : 0) + (h.due ? 0 : 1));
    expect(due).toEqual([...due].sort());
    for (const w of view.windows) expect(w.to >= w.from).toBe(true);
  });

  it("records a check once; how the patch stands follows from what was seen", async () => {
    const [due] = (await todayFor(scout)).checks;
    await recordCheck(scout, {
      id: due.id,
      doneOn: "2026-11-20",
      seen: "many",
      stages: ["vegetative"],
      note: "More than last year.",
    });
    const [row] = await inDistrict(OTTER, (tx) => tx.select().from(followUp).where(eq(followUp.id, due.id)));
    expect(row.result).toEqual({ seen: "many", stages: ["vegetative"], note: "More than last year." });
    await expect(recordCheck(scout, { id: due.id, doneOn: "2026-11-21", seen: "none" })).rejects.toThrow(
      /already recorded/,
    );
    const [place] = await inDistrict(OTTER, (tx) =>
      tx.select({ state: patch.state }).from(patch).where(eq(patch.id, due.patchId)),
    );
    expect(place.state).toBe("open");
  });

  it("is empty, not broken, in a district without work", async () => {
    const district = uuidv7();
    await asOwner((c) =>
      c.query(
        `INSERT INTO district (district_id, name, zone, costs) VALUES ($1, 'Empty Hollow', 'Etc/GMT+8', '{"wrongClear":600,"missedTarget":10,"hold":10}')`,
        [district],
      ),
    );
    const view = await todayFor(member(["keeper"], district));
    await asOwner((c) => c.query("DELETE FROM district WHERE district_id = $1", [district]));
    expect([view.checks, view.windows, view.holds, view.reports]).toEqual([[], [], [], []]);
  });
});

describe("the demonstration", () => {
  it("is of the size that was promised", async () => {
    const sites = await siteLines(scout);
    expect(sites).toHaveLength(12);
    expect((await patchLines(scout)).length).toBeGreaterThanOrEqual(40);
    const lines = await inDistrict(OTTER, (tx) => findingLines(tx, undefined, 500), scout);
    expect(lines.length).toBeGreaterThanOrEqual(120);
    expect(
      (await ledgerPage(scout, readTableQuery({}, [], { sort: "seq", descending: true }))).count,
    ).toBeGreaterThanOrEqual(60);
    expect(sites.every((s) => s.boundary.type === "Polygon")).toBe(true);
  });
  it("shows a patch with its history, its area and the water near it", async () => {
    const [{ patch_id: id }] = (
      await inDistrict(OTTER, (tx) =>
        tx.execute<{ patch_id: string }>(sql`SELECT patch_id FROM ledger_entry ORDER BY seq DESC LIMIT 1`),
      )
    ).rows;
    const view = await patchDetail(scout, id);
    expect(view.patch.areaM2).toBeGreaterThan(1);
    expect(view.entries.length + view.findings.length).toBeGreaterThan(0);
    expect(["at", "none-within", "unknown"]).toContain(view.water.known);
    expect(view.patch.outline.coordinates[0].length).toBeGreaterThan(3);
  });
  it("serves its map: bounds around the sites, tiles that hold them, nothing for another district's ground", async () => {
    const bounds = (await districtBounds(scout)) as [number, number, number, number];
    expect(bounds[0]).toBeLessThan(bounds[2]);
    const tile = await mapTile(scout, 12, 555, 1483);
    expect(tile.toString("latin1")).toContain("Fern Wood");
    expect((await mapTile(member(["scout"], PINE), 12, 555, 1483)).toString("latin1")).not.toContain("Fern Wood");
  });
  it("writes the name of a site once, in however many tiles it lies", async () => {
    const near = Array.from({ length: 64 }, (_, i) => [4440 + (i % 8), 11864 + Math.floor(i / 8)]);
    const tiles = (await Promise.all(near.map(([x, y]) => mapTile(scout, 15, x, y)))).map((tile) =>
      tile.toString("latin1"),
    );
    const holding = tiles.filter((tile) => tile.includes("Long Hay Meadow"));
    expect(holding.length).toBeGreaterThan(1);
    // once in each tile for the outline, and once more where the name stands
    expect(holding.reduce((sum, tile) => sum + tile.split("Long Hay Meadow").length - 1, 0)).toBe(holding.length + 1);
  });
  it("says that it is well", async () =>
    expect(await health(new Headers({ "x-sentinel-peer": "127.0.0.1" }))).toMatchObject({
      ok: true,
      database: true,
      migrations: true,
    }));
  it("tells its parts to this machine alone, and not through a proxy", async () => {
    const near = { "x-sentinel-peer": "127.0.0.1" };
    for (const headers of <Record<string, string>[]>[
      {},
      { "x-sentinel-peer": "10.0.0.9" },
      { ...near, "x-sentinel-forwarded": "127.0.0.1" },
    ])
      expect(await health(new Headers(headers))).toEqual({ ok: true });
  });
});

describe("list, sites and labels", () => {
  it("lets one site's exception stand over the district's list", async () => {
    const [field] = await inDistrict(OTTER, (tx) => tx.select().from(site).where(eq(site.name, "Fern Wood")));
    const of = (siteId: string | null) =>
      inDistrict(OTTER, async (tx) => (await listFor(tx, siteId)).status["Holcus lanatus"]);
    expect(await of(field.id)).toBe("tolerated");
    expect(await setStatus(specialist, { taxon: "Holcus lanatus", status: "target", siteId: field.id })).toBe("target");
    expect([await of(field.id), await of(null)]).toEqual(["target", "tolerated"]);
    await setStatus(specialist, { taxon: "Holcus lanatus", status: "watch", siteId: field.id });
    const rows = await inDistrict(OTTER, (tx) =>
      tx
        .select()
        .from(listEntry)
        .where(and(eq(listEntry.taxon, "Holcus lanatus"), eq(listEntry.siteId, field.id))),
    );
    expect(rows).toHaveLength(1);
    await expect(setStatus(specialist, { taxon: "Planta ignota", status: "target" })).rejects.toThrow(
      /not in the flora/,
    );
  });

  it("changes the version that goes with a verdict, and no verdict already given", async () => {
    const version = () => inDistrict(OTTER, async (tx) => (await listFor(tx, null)).version);
    const [wood] = await inDistrict(OTTER, (tx) => tx.select().from(site).where(eq(site.name, "Fern Wood")));
    const saved = await saveFinding(scout, {
      id: uuidv7(),
      siteId: wood.id,
      place: { longitude: -131.2, latitude: 44.36 },
      day: "2026-06-01",
      stage: "vegetative",
      observations: [{ character: "plant-kind", states: ["grasslike"] }],
    });
    const before = await version();
    await setStatus(specialist, { taxon: "Poa annua", status: "target" });
    expect(await version()).not.toBe(before);
    const [line] = await inDistrict(OTTER, (tx) => findingLines(tx, eq(sql`finding.id`, saved.id), 1), scout);
    expect(line.verdict).toBe(saved.verdict);
    await setStatus(specialist, { taxon: "Poa annua", status: "tolerated" });
  });

  it("makes a site with its rules, and none on ground that is kind of ground does not exist", async () => {
    const outline = {
      type: "Polygon",
      coordinates: [
        [
          [-131.3, 44.3],
          [-131.29, 44.3],
          [-131.29, 44.31],
          [-131.3, 44.3],
        ],
      ],
    };
    const id = uuidv7();
    const { areaM2 } = await saveSite(member(["keeper"], PINE), {
      id,
      name: "Spur",
      outline,
      ground: "bluff",
      rules: { noProduct: true },
    });
    expect(areaM2 / 1e4).toBeCloseTo(44.3, 0);
    const made = (await siteLines(member(["keeper"], PINE))).find((s) => s.id === id);
    expect(made).toMatchObject({
      name: "Spur",
      setting: { ground: ["bluff"] },
      rules: { noProduct: true },
      zone: "Etc/GMT+8",
    });
    await expect(
      saveSite(member(["keeper"], PINE), { id: uuidv7(), name: "Moon", outline, ground: "crater", rules: {} }),
    ).rejects.toThrow(/kind of ground does not exist/);
  });

  it("takes a label as it is typed, with a comma for a point, and leaves empty what the label does not say", async () => {
    const form = new FormData();
    const id = uuidv7();
    for (const [name, value] of Object.entries({
      id,
      name: "Typed label (invented)",
      rateUnit: "L",
      ratePerHaMax: "2,5",
      windMaxMS: "4",
      registration: "",
    }))
      form.set(name, value);
    const input = readLabelForm(form) as { limits: unknown };
    expect(input.limits).toEqual({ rateUnit: "L", ratePerHaMax: 2.5, windMaxMS: 4 });
    await saveLabel(member(["applicator"]), input);
    const [planned] = (
      await inDistrict(OTTER, (tx) =>
        tx.execute<{ id: string }>(sql`SELECT id FROM plan WHERE state = 'planned' LIMIT 1`),
      )
    ).rows;
    const owner = (
      await inDistrict(OTTER, (tx) =>
        tx.execute<{ person_id: string }>(
          sql`SELECT person_id FROM membership WHERE 'applicator' = ANY(roles) LIMIT 1`,
        ),
      )
    ).rows[0].person_id;
    const view = await recordingFor({ ...member(["applicator"]), personId: owner }, planned.id);
    expect(view.labels.map((l) => l.name)).toContain("Typed label (invented)");
    expect(view.method).not.toBeNull();
  });

  it("reads the record form: times are of the site, an empty field is left out, not 0", () => {
    const form = new FormData();
    for (const [name, value] of Object.entries({
      id: "x",
      day: "2026-06-10",
      fromTime: "08:00",
      toTime: "09:30",
      areaM2: "12,5",
      windMS: "",
      temperatureC: "0",
    }))
      form.set(name, value);
    const { treatment } = readTreatmentForm(form) as { treatment: Record<string, unknown> };
    expect(treatment).toMatchObject({
      from: "2026-06-10T08:00",
      to: "2026-06-10T09:30",
      areaM2: 12.5,
      temperatureC: 0,
    });
    expect(treatment.windMS).toBeUndefined();
    expect(treatment).not.toHaveProperty("product");
  });
});
