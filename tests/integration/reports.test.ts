import { eq, sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { closePools, inDistrict, jobsDatabase } from "@/db/client";
import { finding, job, report, reportEvent } from "@/db/schema";
import { claim } from "@/jobs/claim";
import { perform } from "@/jobs/perform";
import type { RegistryPort } from "@/ports/registry";
import { listLines, setStatus, takeOffList } from "@/server/control/list";
import { planningFor } from "@/server/control/planning";
import { todayFor } from "@/server/control/today";
import { acknowledge, answerQuestion, makeReport, reportDetail, waive } from "@/server/reports/reports";
import { sendReport } from "@/server/reports/send";
import { SampleRegistry } from "@/stand-ins/sample-registry";
import { clearHogweed, HOGWEED, keeper, scout, specialist } from "../support/acting";
import { asOwner, OTTER, uuidv7 } from "../support/database";

afterAll(closePools);

const stateOf = async (id: string) =>
  (await inDistrict(OTTER, (tx) => tx.select().from(report).where(eq(report.id, id)), scout))[0];
/** The report-first line of the district, for as long as work is done. */
async function reportedFirst(work: () => Promise<void>, status = "watch", extra = {}): Promise<void> {
  await setStatus(keeper, { taxon: HOGWEED, status, ...extra });
  try {
    await work();
  } finally {
    await setStatus(keeper, { taxon: HOGWEED, status: "target" });
  }
}
const always = (answer: Awaited<ReturnType<RegistryPort["hand"]>>): RegistryPort => ({
  simulated: true,
  hand: async () => answer,
});
const codes = async (id: string) => (await planningFor(specialist, id)).reasons.map((r) => r.code);
const send = (id: string, registry: RegistryPort) => sendReport(OTTER, scout, id, registry);
/** A key that the invented registry asks nothing about. */
function quietKey(): string {
  const id = uuidv7();
  return `${id.slice(0, -1)}1`;
}

describe("a plant that is reported first", () => {
  it("is acted on after the acknowledgment, and not before", async () => {
    await reportedFirst(async () => {
      const { id: findingId, siteId } = await clearHogweed();
      expect(await codes(findingId)).toEqual(["report"]);
      const id = await makeReport(scout, { id: quietKey(), findingId, note: "Eleven plants." });
      expect(await makeReport(scout, { id, findingId })).toBe(id);
      await expect(makeReport(scout, { id: uuidv7(), findingId })).rejects.toThrow(/reported already/);
      expect(await codes(findingId)).toEqual(["report"]);
      expect((await todayFor(scout)).reportsOpen.map((r) => r.id)).toContain(id);
      const body = (await stateOf(id))?.body;
      await send(id, new SampleRegistry({ down: 0 }));
      expect(await stateOf(id)).toMatchObject({
        state: "acknowledged",
        reference: expect.stringMatching(/^INV-/),
        body,
      });
      expect(await codes(findingId)).toEqual([]);
      // A site's own line cannot take it away.
      const second = await clearHogweed();
      await setStatus(keeper, { taxon: HOGWEED, status: "target", siteId });
      expect(await codes(second.id)).toEqual(["report"]);
      const line = (await listLines(keeper)).find((l) => l.taxon === HOGWEED);
      await takeOffList(keeper, { id: line?.exceptions.find((e) => e.siteId === siteId)?.id });
    });
  });

  it("may be a target too, by a line of the list", async () => {
    await reportedFirst(async () => expect(await codes((await clearHogweed()).id)).toEqual(["report"]), "target", {
      reportFirst: true,
    });
  });

  it("may be acted on by a specialist's written waiver", async () => {
    await reportedFirst(async () => {
      const { id: findingId } = await clearHogweed();
      await expect(waive(specialist, { findingId, reason: "hurry" })).rejects.toThrow(/at least 20 letters/);
      await waive(specialist, { findingId, reason: "Seed falls this week, and the registry is closed until Monday." });
      expect(await codes(findingId)).toEqual([]);
    });
  });

  it("that was sent back is reported again; a question is answered, and the answer goes along", async () => {
    const { id: findingId } = await clearHogweed();
    const first = await makeReport(scout, { id: uuidv7(), findingId });
    await send(first, always({ said: "refused", why: "The place lies in the sea." }));
    expect((await stateOf(first))?.state).toBe("refused");
    const id = await makeReport(scout, { id: uuidv7(), findingId });
    await expect(answerQuestion(scout, { reportId: id, answer: "Nothing was asked." })).rejects.toThrow(
      /no open question/,
    );
    await send(id, always({ said: "question", text: "How many plants?" }));
    await answerQuestion(scout, { reportId: id, answer: "About forty." });
    const heard: string[][] = [];
    await send(id, {
      simulated: true,
      async hand({ answers }) {
        heard.push(answers);
        return { said: "taken" };
      },
    });
    expect(heard).toEqual([["About forty."]]);
    expect((await stateOf(id))?.state).toBe("sent");
    const today = new Date().toISOString().slice(0, 10);
    await expect(
      acknowledge(keeper, { reportId: id, day: "2019-01-01", by: "R. Reed", reference: "7" }),
    ).rejects.toThrow(/older than the report/);
    await acknowledge(keeper, { reportId: id, day: today, by: "R. Reed", reference: "7" });
    await expect(acknowledge(keeper, { reportId: id, day: today, by: "R. Reed", reference: "8" })).rejects.toThrow(
      /acknowledged already/,
    );
    const told = (await reportDetail(scout, id)).events.map((e) => e.kind);
    expect(told).toEqual(["question", "answer", "sent", "acknowledged"]);
  });

  it("is of this district alone, and what is sent never changes", async () => {
    const { id: findingId } = await clearHogweed();
    const id = await makeReport(scout, { id: uuidv7(), findingId });
    const stranger = { ...scout, districtId: "01920000-0000-7000-8000-00000000a002" };
    await expect(reportDetail(stranger, id)).rejects.toThrow(/not found/);
    await expect(makeReport(stranger, { id: uuidv7(), findingId })).rejects.toThrow(/not found/);
    await expect(
      inDistrict(OTTER, (tx) => tx.update(report).set({ body: "Nothing here." }).where(eq(report.id, id)), scout),
    ).rejects.toThrow();
    await expect(asOwner((c) => c.query("DELETE FROM report_event"))).rejects.toThrow(/append-only/);
  });

  it("is tried again for days by its job while the registry is down", async () => {
    const { id: findingId } = await clearHogweed();
    await jobsDatabase().delete(job).where(eq(job.kind, "report"));
    const id = await makeReport(scout, { id: quietKey(), findingId });
    const down = new SampleRegistry({ down: 1 });
    const own = await claim("letters");
    if (!own) throw new Error("no job waits");
    await perform(own, { mail: null, registry: down });
    const [waiting] = await jobsDatabase().select().from(job).where(eq(job.id, own.id));
    expect(waiting).toMatchObject({ state: "waiting", attempts: 1 });
    expect(waiting?.notBefore.getTime()).toBeGreaterThan(Date.now());
    await jobsDatabase().update(job).set({ notBefore: sql`now()`, attempts: 39 }).where(eq(job.id, own.id));
    const again = await claim("letters");
    if (!again) throw new Error("no job waits");
    await perform(again, { mail: null, registry: new SampleRegistry({ down: 0 }) });
    expect((await stateOf(id))?.state).toBe("acknowledged");
  });
});

describe("500 reports through a registry that fails in 30%", () => {
  it("arrive once each, though a third of the failures come after it took the report", async () => {
    const { id: like } = await clearHogweed();
    const ids = Array.from({ length: 500 }, () => uuidv7());
    await asOwner(async (c) => {
      await c.query(
        `INSERT INTO finding (district_id, id, number, site_id, place, day, verdict, because, made_by)
         SELECT f.district_id, x.id::uuid, 100000 + x.n, f.site_id, f.place, f.day, 'clear', 'many', 'many' FROM finding f, unnest($2::text[]) WITH ORDINALITY x(id, n) WHERE f.id = $1`,
        [like, ids],
      );
      await c.query(
        `INSERT INTO report (district_id, id, finding_id, plant_id, taxon, way, body, made_by)
         SELECT district_id, id, id, 'heracleum-mantegazzianum', 'Heracleum mantegazzianum', 'registry', E'Plant: x\\nPlace: 44.3, -131.2\\nSeen on: 2026-06-09', 'many' FROM finding WHERE made_by = 'many'`,
      );
    });
    const registry = new SampleRegistry({ seed: 5 });
    let failures = 0;
    let arrivals = 0;
    const counted: RegistryPort = {
      simulated: true,
      async hand(one) {
        const before = registry.arrived.size;
        try {
          return await registry.hand({ ...one, answers: ["At once."] });
        } finally {
          arrivals += registry.arrived.size - before;
        }
      },
    };
    for (const id of ids)
      for (let tries = 0; tries < 40; tries++)
        try {
          await send(id, counted);
          break;
        } catch {
          failures++;
        }
    expect(failures).toBeGreaterThan(150);
    expect(arrivals).toBe(500);
    expect(new Set(registry.arrived.keys())).toEqual(new Set(ids));
    const rows = await inDistrict(
      OTTER,
      (tx) => tx.select({ state: report.state }).from(report).where(eq(report.madeBy, "many")),
      scout,
    );
    expect(rows.map((row) => row.state).filter((state) => state !== "acknowledged")).toEqual([]);
    const events = await inDistrict(
      OTTER,
      (tx) =>
        tx.execute<{ n: number }>(
          sql`SELECT count(*)::int AS n FROM ${reportEvent} e JOIN ${report} r ON r.id = e.report_id WHERE r.made_by = 'many' GROUP BY e.report_id HAVING count(*) <> 1`,
        ),
      scout,
    );
    expect(events.rows).toEqual([]);
    const left = await inDistrict(
      OTTER,
      (tx) => tx.select().from(finding).where(eq(finding.madeBy, "many")).limit(1),
      scout,
    );
    expect(left).toHaveLength(1);
  });
});
