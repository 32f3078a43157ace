import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { readTableQuery } from "@/core/paging";
import { closePools, inDistrict } from "@/db/client";
import {
  change,
  finding,
  findingEvent,
  followUp,
  ledgerEntry,
  patch,
  picture,
  plan,
  report,
  waterSeen,
} from "@/db/schema";
import { listLines, setStatus, takeOffList } from "@/server/control/list";
import { planLines } from "@/server/control/plan-lines";
import { todayFor } from "@/server/control/today";
import { findingDetail } from "@/server/findings/findings";
import { plantPage } from "@/server/flora/plant-page";
import { mapTile, patchDetail, patchLines, siteLines } from "@/server/ground/ground";
import { sayWater } from "@/server/ground/water";
import type { Member } from "@/server/platform/session";
import { ledgerDetail, ledgerPage } from "@/server/records/ledger-pages";
import { recordTreatment } from "@/server/records/treatments";
import { makeReport, reportDetail } from "@/server/reports/reports";
import { clearHogweed, HOGWEED, keeper, memberCalled, planOn, scout, visitor, workOn } from "../support/acting";
import { OTTER, uuidv7 } from "../support/database";
import { tileAt } from "../support/map";

afterAll(closePools);

/** A plant with everything that can hang on one: patch, findings, a report, a plan, a record, checks, a word on water. */
let made: { findingId: string; patchId: string; entryId: string; reportId: string };
beforeAll(async () => {
  const tansy = await memberCalled("applicator@otter.example");
  const { id: findingId, patchId } = await clearHogweed();
  const reportId = await makeReport(scout, { id: uuidv7(), findingId });
  await sayWater(scout, { id: uuidv7(), patchId, kind: "at", meters: 30, day: "2026-06-09" });
  const planId = await planOn(findingId, tansy.personId);
  const { id: entryId } = await recordTreatment(tansy, { id: uuidv7(), planId, treatment: workOn("2026-06-20") });
  await planOn(findingId, tansy.personId);
  made = { findingId, patchId, entryId, reportId };
});

const placeOf = (patchId: string): Promise<[number, number]> =>
  inDistrict(
    OTTER,
    async (tx) => {
      const { rows } = await tx.execute<{ x: number; y: number }>(
        sql`SELECT ST_X(ST_Centroid(outline)) AS x, ST_Y(ST_Centroid(outline)) AS y FROM patch WHERE id = ${patchId}`,
      );
      return [rows[0]?.x ?? 0, rows[0]?.y ?? 0];
    },
    scout,
  );

const countIn = (member: Member) => async (table: Parameters<typeof eq>[0] | unknown, column: unknown, id: string) =>
  inDistrict(
    OTTER,
    async (tx) => {
      const { rows } = await tx.execute<{ n: number }>(
        sql`SELECT count(*)::int AS n FROM ${table as never} WHERE ${column as never} = ${id}`,
      );
      return rows[0]?.n ?? 0;
    },
    member,
  );
/** How much of it a member is shown, on every way to it. */
async function shown(member: Member): Promise<Record<string, boolean>> {
  const { findingId, patchId, entryId, reportId } = made;
  const count = countIn(member);
  const found = (work: Promise<unknown>) =>
    work.then(
      () => true,
      () => false,
    );
  const tile = async () =>
    (await mapTile(member, 13, ...tileAt(13, await placeOf(patchId)))).toString("latin1").includes(patchId);
  const ledger = await ledgerPage(
    member,
    readTableQuery({ find: "test bank" }, ["seq"], { sort: "seq", descending: true }),
  );
  return {
    finding: await found(findingDetail(member, findingId)),
    patch: await found(patchDetail(member, patchId)),
    "list of patches": (await patchLines(member)).some((p) => p.id === patchId),
    tile: await tile(),
    season: (await planLines(member)).some((line) => line.plan.patchId === patchId),
    ledger: ledger.page.rows.some((line) => line.id === entryId),
    entry: await found(ledgerDetail(member, entryId)),
    report: await found(reportDetail(member, reportId)),
    today: (await todayFor(member)).windows.some((w) => w.patchId === patchId),
    events: (await count(findingEvent, findingEvent.findingId, findingId)) > 0,
    checks: (await count(followUp, followUp.patchId, patchId)) > 0,
    plans: (await count(plan, plan.patchId, patchId)) > 0,
    entries: (await count(ledgerEntry, ledgerEntry.patchId, patchId)) > 0,
    reports: (await count(report, report.findingId, findingId)) > 0,
    water: (await count(waterSeen, waterSeen.patchId, patchId)) > 0,
    changes: (await count(change, change.rowId, patchId)) > 0,
  };
}
const all = (value: boolean) => async (member: Member) => {
  const seen = await shown(member);
  expect(Object.entries(seen).filter(([, is]) => is !== value)).toEqual([]);
};

describe("a plant that is put on the list as protected", () => {
  it("hides its old places on every way to them, counts too, and shows them again when it is not", async () => {
    const counts = async () => (await siteLines(visitor)).reduce((sum, s) => sum + s.patches + s.findings, 0);
    const before = await counts();
    const seen = await shown(visitor);
    expect(Object.entries(seen).filter(([name, is]) => !is && name !== "changes")).toEqual([]);
    await setStatus(keeper, { taxon: HOGWEED, status: "protected" });
    await all(false)(visitor);
    await all(true)(scout);
    expect(await counts()).toBeLessThan(before);
    await setStatus(keeper, { taxon: HOGWEED, status: "target" });
    expect(await counts()).toBe(before);
  });

  it("on one site alone hides it there", async () => {
    const [row] = await inDistrict(OTTER, (tx) => tx.select().from(finding).where(eq(finding.id, made.findingId)));
    await setStatus(keeper, { taxon: HOGWEED, status: "protected", siteId: row?.siteId });
    await all(false)(visitor);
    const line = (await listLines(keeper)).find((l) => l.taxon === HOGWEED);
    await takeOffList(keeper, { id: line?.exceptions.find((e) => e.siteId === row?.siteId)?.id });
    expect((await shown(visitor)).finding).toBe(true);
  });

  it("hides a finding that may be it, though it is named something else", async () => {
    const masked = await inDistrict(
      OTTER,
      (tx) =>
        tx.select({ id: finding.id, concerns: finding.concerns }).from(finding).where(eq(finding.protected, true)),
      scout,
    );
    expect(masked.length).toBeGreaterThan(0);
    const pictures = await inDistrict(OTTER, (tx) => tx.select({ id: picture.findingId }).from(picture), visitor);
    const ids = new Set(masked.map((f) => f.id));
    expect(pictures.filter((p) => ids.has(p.id))).toEqual([]);
    expect(await inDistrict(OTTER, (tx) => tx.select().from(patch).where(eq(patch.protected, true)), visitor)).toEqual(
      [],
    );
  });

  it("is counted nowhere on the page of a plant, its own or that of the name it was given", async () => {
    const masked = await inDistrict(
      OTTER,
      (tx) =>
        tx
          .select({ id: finding.id, plantId: finding.plantId })
          .from(finding)
          .where(sql`${finding.protected} AND ${finding.plantId} IS NOT NULL`),
      scout,
    );
    const plants = [...new Set(masked.map(({ plantId }) => plantId as string))];
    expect(plants.length).toBeGreaterThan(0);
    for (const plantId of plants) {
      const shownIds = ((await plantPage(visitor, plantId, "vegetative"))?.findings ?? []).map(({ id }) => id);
      expect(masked.filter(({ id }) => shownIds.includes(id))).toEqual([]);
    }
  });
});
