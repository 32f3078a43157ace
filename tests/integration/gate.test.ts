import { and, eq, isNull } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { closePools, inDistrict } from "@/db/client";
import { followUp, label, ledgerEntry, patch, plan } from "@/db/schema";
import { listLines, setStatus, takeOffList } from "@/server/control/list";
import { dropPlan } from "@/server/control/change-plan";
import { planningFor } from "@/server/control/planning";
import { todayFor } from "@/server/control/today";
import { overrule, saveFinding } from "@/server/findings/findings";
import { withdrawPatch } from "@/server/ground/ground";
import { setRoles } from "@/server/people/people";
import type { Member } from "@/server/platform/session";
import { recordTreatment } from "@/server/records/treatments";
import { voidEntry } from "@/server/records/voids";
import {
  clearHogweed,
  freshPatch,
  siteNamed,
  HOGWEED,
  HOGWEED_SEEN,
  keeper,
  memberCalled,
  planOn,
  scout,
  specialist,
  workOn,
} from "../support/acting";
import { asOwner, OTTER, uuidv7 } from "../support/database";

afterAll(closePools);
let tansy: Member;
beforeAll(async () => {
  tansy = await memberCalled("applicator@otter.example");
});

const WORD = "It was cut before anyone had looked at the list.";
const record = (planId: string, extra: object = {}, by = tansy, work = {}) =>
  recordTreatment(by, { id: uuidv7(), planId, treatment: workOn("2026-06-20", work), ...extra });
const planState = async (id: string) =>
  (await inDistrict(OTTER, (tx) => tx.select().from(plan).where(eq(plan.id, id))))[0]?.state;
const entry = async (id: string) =>
  (await inDistrict(OTTER, (tx) => tx.select().from(ledgerEntry).where(eq(ledgerEntry.id, id))))[0];
const checksOf = (ledgerId: string) =>
  inDistrict(OTTER, (tx) =>
    tx
      .select()
      .from(followUp)
      .where(and(eq(followUp.ledgerId, ledgerId), isNull(followUp.droppedAt))),
  );
const later = ({ siteId, patchId }: { siteId: string; patchId: string }, observations: unknown[], day = "2026-06-15") =>
  saveFinding(scout, {
    id: uuidv7(),
    siteId,
    patchId,
    place: { longitude: -131.2, latitude: 44.35 },
    day,
    stage: "vegetative",
    observations,
  });
/** On this site the plant is something else for as long as work is done. */
async function whileListed(siteId: string, status: string, work: () => Promise<void>, extra = {}): Promise<void> {
  await setStatus(keeper, { taxon: HOGWEED, status, siteId, ...extra });
  try {
    await work();
  } finally {
    const line = (await listLines(keeper)).find((l) => l.taxon === HOGWEED);
    await takeOffList(keeper, { id: line?.exceptions.find((e) => e.siteId === siteId)?.id });
  }
}

describe("planning", () => {
  it("is refused where the plant is kept on this site now, though the finding was clear", async () => {
    const found = await clearHogweed();
    await whileListed(found.siteId, "kept", async () => {
      const view = await planningFor(specialist, found.id);
      expect(view.reasons.map((r) => r.code)).toContain("list");
      await expect(planOn(found.id, tansy.personId)).rejects.toThrow(/may not be done now/);
    });
    expect((await planningFor(specialist, found.id)).reasons).toEqual([]);
  });

  it("is refused after a later finding on the patch that holds, and open again once that is overruled", async () => {
    const found = await clearHogweed();
    const held = await later(found, [HOGWEED_SEEN[0], ...HOGWEED_SEEN.slice(3, 6)]);
    expect(held.verdict).toBe("hold");
    const kept = await planningFor(specialist, found.id);
    expect(kept.reasons.map((r) => r.code)).toEqual(["later-finding"]);
    await overrule(specialist, {
      findingId: held.id,
      taxon: HOGWEED,
      reason: "The same plant, seen again with its stem.",
    });
    expect((await planningFor(specialist, found.id)).reasons).toEqual([]);
    const other = await later(found, HOGWEED_SEEN.slice(0, 2), "2026-06-16");
    await overrule(specialist, {
      findingId: other.id,
      taxon: "Heracleum maximum",
      reason: "The native, beyond doubt: smooth stem.",
    });
    const closed = await planningFor(specialist, found.id);
    expect(closed.reasons.map((r) => r.code)).toEqual(["later-finding"]);
  });

  it("is refused on a finding of seasons ago, and on a withdrawn patch", async () => {
    const old = await clearHogweed({ day: "2024-06-09" });
    expect((await planningFor(specialist, old.id)).reasons.map((r) => r.code)).toEqual(["too-old"]);
    const found = await clearHogweed();
    await withdrawPatch(specialist, { patchId: found.patchId, reason: "It was drawn twice by mistake." });
    expect((await planningFor(specialist, found.id)).reasons.map((r) => r.code)).toEqual(["withdrawn"]);
    await expect(
      withdrawPatch(specialist, { patchId: found.patchId, reason: "Once more, by mistake." }),
    ).rejects.toThrow(/withdrawn already/);
  });

  it("flags on Today what closes the gate afterwards, and a dropped plan brings its finding back", async () => {
    const found = await clearHogweed({ day: "2026-11-20" });
    const planId = await planOn(found.id, tansy.personId);
    const mine = async () => (await todayFor(tansy)).windows.find((w) => w.id === planId);
    expect(await mine()).toMatchObject({ mine: true, against: [] });
    await whileListed(found.siteId, "protected", async () => {
      expect((await mine())?.against.join()).toMatch(/was protected on this site/);
    });
    expect((await todayFor(specialist)).unplanned.map((f) => f.id)).not.toContain(found.id);
    await dropPlan(specialist, { planId, version: 1, reason: "The river is too high this year." });
    expect(await planState(planId)).toBe("dropped");
    expect((await todayFor(specialist)).unplanned.map((f) => f.id)).toContain(found.id);
    await expect(record(planId)).rejects.toThrow(/was dropped/);
    await expect(dropPlan(specialist, { planId, version: 2, reason: "Once more, to be sure." })).rejects.toThrow(
      /dropped already/,
    );
  });

  it("lets an overruled finding wait for a plan on Today", async () => {
    const held = await later(await clearHogweed(), HOGWEED_SEEN.slice(0, 2), "2026-11-21");
    await overrule(specialist, {
      findingId: held.id,
      taxon: HOGWEED,
      reason: "Ninety rays on the dead umbel beside it.",
    });
    expect((await todayFor(specialist)).unplanned.map((f) => f.id)).toContain(held.id);
  });
});

describe("a record", () => {
  it("closes its plan once", async () => {
    const planId = await planOn((await clearHogweed()).id, tansy.personId);
    await record(planId);
    expect(await planState(planId)).toBe("done");
    await expect(record(planId)).rejects.toThrow(/carried out already/);
  });

  it("is asked of the list as it was on the day of the work", async () => {
    const found = await clearHogweed();
    const planId = await planOn(found.id, tansy.personId);
    const hour = (n: number) => new Date(Date.now() + n * 3600e3).toISOString();
    await whileListed(found.siteId, "kept", async () => {
      // On the day of the work it was a target, whatever it is now.
      const saved = await record(planId);
      await voidEntry(specialist, { id: uuidv7(), entryId: saved.id, reason: "To record it once more." });
      await asOwner((c) => c.query("SELECT pg_sleep(0.05)"));
      await expect(
        record(planId, {}, tansy, { from: hour(0), to: new Date(Date.now() + 60_000).toISOString() }),
      ).rejects.toThrow(/was kept on this site/);
    });
  });

  it("of work done against the gate is taken with a specialist's word, says so, and stands on Today", async () => {
    const found = await clearHogweed();
    const planId = await planOn(found.id, tansy.personId);
    await withdrawPatch(specialist, { patchId: found.patchId, reason: "It was drawn twice by mistake." });
    const today = new Date(Date.now() - 3600e3).toISOString();
    const work = { from: new Date(Date.now() - 2 * 3600e3).toISOString(), to: today };
    // Withdrawn a moment ago, after this work began: the gate was open then.
    const open = await record(planId, { againstGate: WORD }, specialist, work);
    expect((await entry(open.id))?.body).not.toHaveProperty("againstGate");
    await voidEntry(specialist, { id: uuidv7(), entryId: open.id, reason: "Only a test of the moment." });
    const { id: heldId, patchId } = await clearHogweed();
    const second = await planOn(heldId, tansy.personId);
    await later({ siteId: found.siteId, patchId }, HOGWEED_SEEN.slice(0, 2), "2026-06-18").then(({ id }) =>
      overrule(specialist, {
        findingId: id,
        taxon: "Heracleum maximum",
        reason: "The native, beyond doubt: smooth stem.",
      }),
    );
    // The specialist's word came after the day of the work: then the later finding was open, and against nothing.
    expect((await record(second)).seq).toBeGreaterThan(0);
    const third = await clearHogweed({ day: "2024-06-09" });
    const [p] = await inDistrict(OTTER, (tx) => tx.select().from(plan).where(eq(plan.id, second)));
    await inDistrict(
      OTTER,
      (tx) =>
        tx.insert(plan).values({
          ...(p as NonNullable<typeof p>),
          id: third.id,
          patchId: third.patchId,
          findingId: third.id,
          state: "planned",
        }),
      specialist,
    );
    await expect(record(third.id)).rejects.toThrow(/older than this district allows.*a specialist records it/);
    await expect(record(third.id, {}, specialist)).rejects.toMatchObject({
      status: 409,
      issues: [{ field: "againstGate", what: expect.stringMatching(/older than this district allows/) }],
    });
    await expect(record(third.id, { againstGate: "short" }, specialist)).rejects.toThrow(/at least 20 letters/);
    await expect(record(third.id, { againstGate: WORD })).rejects.toThrow(/a specialist records it/);
    const done = await record(third.id, { againstGate: WORD }, specialist);
    expect((await entry(done.id))?.body).toMatchObject({
      who: tansy.personName,
      againstGate: { word: WORD, by: specialist.personName, reasons: [expect.stringMatching(/older than/)] },
    });
    expect(await planState(third.id)).toBe("done");
  });

  it("is of the past, and lies on the day of the site", async () => {
    const planId = await planOn((await clearHogweed()).id, tansy.personId);
    const soon = (hours: number) => new Date(Date.now() + hours * 3600e3).toISOString();
    await expect(record(planId, {}, tansy, { from: soon(-1), to: soon(1) })).rejects.toMatchObject({
      issues: [{ field: "treatment.to", what: expect.stringMatching(/is over/) }],
    });
    await expect(record(planId, {}, tansy, { from: "2026-06-20T10:00", to: "2026-06-20T09:00" })).rejects.toThrow(
      /later than the start/,
    );
    const saved = await record(planId, {}, tansy, { from: "2026-06-20T16:30", to: "2026-06-20T17:30" });
    const [check] = (await checksOf(saved.id)).sort((a, b) => a.dueOn.localeCompare(b.dueOn));
    const days = (Date.parse(check?.dueOn ?? "") - Date.parse("2026-06-20")) / 86400e3;
    expect([28, 30, 42]).toContain(days);
  });

  it("with a lapsed license closes the gate, by the register of the day of the work", async () => {
    const found = await clearHogweed();
    const planId = await planOn(found.id, tansy.personId, true);
    const [held] = await inDistrict(OTTER, (tx) => tx.select({ id: label.id }).from(label).limit(1));
    const product = { labelId: held?.id, ratePerHa: 3, total: 0.09, carrierL: 6 };
    const sprayed = { product, windMS: 2, windFrom: "SW", temperatureC: 14 };
    const roles = { personId: tansy.personId, roles: tansy.roles, licence: "INV-20417" };
    const version = async () =>
      (await import("@/server/people/people"))
        .peopleOf(keeper)
        .then(({ people }) => people.find((p) => p.personId === tansy.personId)?.version);
    await setRoles(keeper, { ...roles, version: await version(), licenceExpires: "2026-06-01" });
    try {
      const now = { from: new Date().toISOString(), to: new Date(Date.now() + 60_000).toISOString() };
      await expect(record(planId, {}, tansy, { ...sprayed, ...now })).rejects.toThrow(
        /license of Tansy Quillfeather ended on 1 June 2026/,
      );
      // In June the register said otherwise, and that is what counts for the work of June.
      expect((await record(planId, {}, tansy, sprayed)).seq).toBeGreaterThan(0);
    } finally {
      await setRoles(keeper, { ...roles, version: await version(), licenceExpires: "2028-01-04" });
    }
  });
});

describe("a correction and a void", () => {
  const done = async () => {
    const found = await clearHogweed();
    const planId = await planOn(found.id, tansy.personId);
    const saved = await record(planId);
    return { ...found, planId, entryId: saved.id };
  };

  it("moves the checks with the day of the work, and keeps the person, the plan and the patch", async () => {
    const { entryId, planId, patchId } = await done();
    const before = (await checksOf(entryId)).map((c) => c.dueOn).sort();
    const corrected = await recordTreatment(tansy, {
      id: uuidv7(),
      supersedes: entryId,
      treatment: workOn("2026-06-25", { correctionReason: "It was done on the 25th." }),
    });
    expect(await checksOf(entryId)).toEqual([]);
    const after = (await checksOf(corrected.id)).map((c) => c.dueOn).sort();
    const moved = after.map((day, i) => (Date.parse(day) - Date.parse(before[i] ?? "")) / 86400e3);
    expect(moved).toEqual(before.map(() => 5));
    expect(await entry(corrected.id)).toMatchObject({ planId, patchId, body: { who: tansy.personName } });
    expect(await planState(planId)).toBe("done");
  });

  it("may say that the work was on another patch of the same site, and moves what hangs on it", async () => {
    const { entryId, planId, patchId, siteId } = await done();
    const other = await freshPatch(siteId);
    const correct = (extra: object) =>
      recordTreatment(tansy, {
        id: uuidv7(),
        supersedes: entryId,
        treatment: workOn("2026-06-20", { correctionReason: "It was the bank across the creek." }),
        ...extra,
      });
    const elsewhere = await freshPatch(await siteNamed("Fern Wood"));
    await expect(correct({ patchId: elsewhere })).rejects.toThrow(/on another site/);
    const moved = await correct({ patchId: other });
    expect(await entry(moved.id)).toMatchObject({ planId, patchId: other });
    expect((await checksOf(moved.id)).map((c) => c.patchId)).toEqual([other]);
    const states = await inDistrict(
      OTTER,
      (tx) => tx.select({ id: patch.id, state: patch.state }).from(patch),
      specialist,
    );
    const stateOf = (id: string) => states.find((p) => p.id === id)?.state;
    expect([stateOf(patchId), stateOf(other)]).toEqual(["open", "treated"]);
  });

  it("undoes checks, plan and state; it asks for a role and a reason alone, and is done once", async () => {
    const { entryId, planId, patchId, siteId } = await done();
    const ask = (extra: object = {}) =>
      voidEntry(specialist, { id: uuidv7(), entryId, reason: "Written on the wrong patch.", ...extra });
    await expect(ask({ reason: "no" })).rejects.toThrow(/at least 10 letters/);
    await whileListed(siteId, "protected", async () => {
      await ask();
    });
    expect(await planState(planId)).toBe("planned");
    expect(await checksOf(entryId)).toEqual([]);
    const [at] = await inDistrict(OTTER, (tx) => tx.select().from(patch).where(eq(patch.id, patchId)), specialist);
    expect(at?.state).toBe("open");
    await expect(ask()).rejects.toThrow(/was voided by entry/);
    await expect(
      recordTreatment(tansy, {
        id: uuidv7(),
        supersedes: entryId,
        treatment: workOn("2026-06-25", { correctionReason: "x" }),
      }),
    ).rejects.toThrow(/was voided by entry/);
  });

  it("is refused of what another district wrote", async () => {
    const { entryId } = await done();
    const stranger = { ...specialist, districtId: "01920000-0000-7000-8000-00000000a002" };
    await expect(voidEntry(stranger, { id: uuidv7(), entryId, reason: "Not mine, but I try." })).rejects.toThrow(
      /not found/,
    );
  });
});
