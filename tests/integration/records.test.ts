import { and, eq, sql } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, describe, expect, it } from "vitest";
import { engineVersion } from "@/core/identify";
import { verifyChain } from "@/core/records";
import { closePools, inDistrict } from "@/db/client";
import { finding, findingEvent, ledgerEntry, membership, patch, plan } from "@/db/schema";
import { makePlan } from "@/server/control/make-plan";
import { planningFor } from "@/server/control/planning";
import { overrule, saveFinding } from "@/server/findings/findings";
import { patchDetail, savePatch, savePatchOfFinding } from "@/server/ground/ground";
import { savePicture } from "@/server/ground/pictures";
import { setRoles } from "@/server/people/people";
import { recordTreatment } from "@/server/records/treatments";
import { HOGWEED_SEEN as HOGWEED, siteNamed } from "../support/acting";
import { asOwner, member, OTTER, PINE, uuidv7 } from "../support/database";

afterAll(closePools);
const scout = member(["scout"]);
const specialist = member(["specialist", "scout"]);
const applicator = { ...member(["applicator"]), personName: "Tansy Quillfeather" };
const input = (siteId: string, observations: unknown[], extra = {}) => ({
  id: uuidv7(),
  siteId,
  place: { longitude: -131.2, latitude: 44.35 },
  day: "2026-06-09",
  stage: "vegetative",
  observations,
  ...extra,
});
const saw = (character: string, state: string) => ({ character, states: [state] });

describe("a patch that is not drawn", () => {
  const named = async () => {
    const siteId = await siteNamed("Otter Reach, river wood");
    const { id } = await saveFinding(scout, input(siteId, HOGWEED));
    return { id, siteId };
  };

  it("lies round its finding, as large as was typed, and carries the finding's own plant and site", async () => {
    const finding = await named();
    const id = uuidv7();
    expect(
      await savePatchOfFinding(scout, { id, name: "One by the track", areaM2: 12, findingId: finding.id }),
    ).toEqual({
      id,
      areaM2: expect.closeTo(12, 0),
    });
    const { patch: made, site } = await patchDetail(scout, id);
    expect(made).toMatchObject({ taxon: "Heracleum mantegazzianum", areaM2: 12, areaFrom: "typed", plants: null });
    expect(site.id).toBe(finding.siteId);
  });

  it("counts a square meter for each plant where only their number is told", async () => {
    const finding = await named();
    const id = uuidv7();
    await savePatchOfFinding(scout, { id, name: "Three", plants: 3, findingId: finding.id });
    expect((await patchDetail(scout, id)).patch).toMatchObject({ areaM2: 3, areaFrom: "counted", plants: 3 });
  });

  it("is refused without area or number, without a finding, of another district, and of a finding that names no plant", async () => {
    const finding = await named();
    const ask = (extra: object, by = scout) =>
      savePatchOfFinding(by, { id: uuidv7(), name: "x", findingId: finding.id, ...extra });
    await expect(ask({})).rejects.toThrow(/draw the patch, or give its area/);
    await expect(ask({ plants: 2.5 })).rejects.toThrow(/whole number/);
    await expect(ask({ areaM2: 4, findingId: uuidv7() })).rejects.toThrow(/was not found/);
    await expect(ask({ areaM2: 4 }, member(["scout"], PINE))).rejects.toThrow(/was not found/);
    const open = await saveFinding(scout, input(finding.siteId, HOGWEED.slice(0, 1)));
    await expect(ask({ areaM2: 4, findingId: open.id })).rejects.toThrow(/names no plant/);
    await expect(
      savePatch(scout, { id: uuidv7(), siteId: finding.siteId, taxon: "Heracleum maximum", name: "x", areaM2: 4 }),
    ).rejects.toThrow(/needs a finding/);
  });
});

describe("a finding", () => {
  it("is judged by the server; a verdict sent along is not looked at", async () => {
    const siteId = await siteNamed("Otter Reach, river wood");
    const saved = await saveFinding(scout, {
      ...input(siteId, HOGWEED.slice(0, 2)),
      verdict: "clear",
      taxon: "Heracleum maximum",
    });
    expect(saved.verdict).not.toBe("clear");
    const [row] = await inDistrict(OTTER, (tx) => tx.select().from(finding).where(eq(finding.id, saved.id)));
    expect(row.verdict).toBe(saved.verdict);
  });

  it("is stored once, however often it is sent", async () => {
    const siteId = await siteNamed("Otter Reach, river wood");
    const body = input(siteId, HOGWEED);
    const [a, b] = await Promise.all([saveFinding(scout, body), saveFinding(scout, body)]);
    expect(a.number).toBe(b.number);
    expect([a.again, b.again].sort()).toEqual([false, true]);
    const events = await inDistrict(OTTER, (tx) =>
      tx.select().from(findingEvent).where(eq(findingEvent.findingId, body.id)),
    );
    expect(events).toHaveLength(2);
  });

  it("keeps the versions that gave its verdict, and its events cannot be changed", async () => {
    const siteId = await siteNamed("Otter Reach, river wood");
    const { id } = await saveFinding(scout, input(siteId, HOGWEED));
    const [event] = await inDistrict(OTTER, (tx) =>
      tx
        .select()
        .from(findingEvent)
        .where(and(eq(findingEvent.findingId, id), eq(findingEvent.kind, "verdict"))),
    );
    expect(event.body).toMatchObject({
      versions: { engine: engineVersion(), flora: expect.any(String), list: expect.any(String) },
    });
    await expect(
      inDistrict(OTTER, (tx) => tx.execute(sql`UPDATE finding_event SET body = '{}' WHERE id = ${event.id}`)),
    ).rejects.toThrow();
    await expect(asOwner((c) => c.query("DELETE FROM finding_event WHERE id = $1", [event.id]))).rejects.toThrow(
      /append-only/,
    );
  });

  it.each([
    [{ observations: [] }, "answer at least one question"],
    [{ day: "2026-13-01" }, /date/i],
    [{ place: { longitude: 200, latitude: 0 } }, /180/],
    [{ observations: [saw("plant-kind", "cactus")] }, "give one of"],
  ])("refuses what is not right and stores nothing: %#", async (wrong, words) => {
    const siteId = await siteNamed("Fern Wood");
    const body = { ...input(siteId, HOGWEED), ...wrong };
    await expect(saveFinding(scout, body)).rejects.toThrow(words);
    expect(await inDistrict(OTTER, (tx) => tx.select().from(finding).where(eq(finding.id, body.id)))).toEqual([]);
  });

  it("takes pictures only if they are pictures, and strips them of where they were taken", async () => {
    const siteId = await siteNamed("Fern Wood");
    const { id } = await saveFinding(scout, input(siteId, HOGWEED));
    const image = await sharp({ create: { width: 40, height: 30, channels: 3, background: "#557755" } })
      .withExif({ IFD0: { Artist: "x" } })
      .jpeg()
      .toBuffer();
    await savePicture(scout, uuidv7(), id, image);
    await expect(savePicture(scout, uuidv7(), id, Buffer.from("<svg onload=1>"))).rejects.toThrow(/not a picture/);
    const { rows } = await inDistrict(OTTER, (tx) =>
      tx.execute<{ content: Buffer }>(sql`SELECT content FROM picture WHERE finding_id = ${id}`),
    );
    expect((await sharp(rows[0].content).metadata()).exif).toBeUndefined();
  });
});

async function clearFinding() {
  const siteId = await siteNamed("Otter Reach, river wood");
  const patchId = uuidv7();
  const [x, y] = [-131.175, 44.365];
  await savePatch(scout, {
    id: patchId,
    siteId,
    taxon: "Heracleum mantegazzianum",
    name: "Test bank",
    outline: {
      type: "Polygon",
      coordinates: [
        [
          [x, y],
          [x + 0.0002, y],
          [x + 0.0002, y + 0.0002],
          [x, y + 0.0002],
          [x, y],
        ],
      ],
    },
  });
  const saved = await saveFinding(scout, input(siteId, HOGWEED, { patchId }));
  return { ...saved, patchId };
}

describe("plan and ledger", () => {
  it("works from a clear finding to a chained entry, due for a check", async () => {
    const found = await clearFinding();
    expect(found.verdict).toBe("clear");
    const view = await planningFor(specialist, found.id);
    expect(view.reasons).toEqual([]);
    const advice =
      view.advice.find((a) => a.method.id === "smother-sheet" && a.window) ?? view.advice.find((a) => a.window);
    const person = view.people[0].id;
    const window = advice?.window as { from: string; to: string };
    const planId = await makePlan(specialist, {
      findingId: found.id,
      method: advice?.method.id,
      intendedOn: window.from,
      personId: person,
      cover: "nothing",
      coverWhy: "The meadow closes by itself.",
    });
    await expect(
      makePlan(specialist, {
        findingId: found.id,
        method: advice?.method.id,
        intendedOn: "2020-01-01",
        personId: person,
        cover: "nothing",
        coverWhy: "The meadow closes by itself.",
      }),
    ).rejects.toThrow(/outside the window/);
    const treatment = {
      from: "2026-06-10T08:00:00Z",
      to: "2026-06-10T10:00:00Z",
      areaM2: 300,
      stage: "vegetative",
      equipment: "sheet",
    };
    const body = { id: uuidv7(), planId, treatment };
    const saved = await recordTreatment(applicator, body);
    expect((await recordTreatment(applicator, body)).seq).toBe(saved.seq);
    const [after] = await inDistrict(OTTER, (tx) => tx.select().from(plan).where(eq(plan.id, planId)));
    expect(after.state).toBe("done");
    const due = await inDistrict(OTTER, (tx) =>
      tx.execute(sql`SELECT due_on FROM follow_up WHERE ledger_id = ${body.id}`),
    );
    expect(due.rows.length).toBe(1);
    const correction = { ...body, id: uuidv7(), supersedes: body.id, treatment: { ...body.treatment, areaM2: 280 } };
    await expect(recordTreatment(applicator, correction)).rejects.toThrow(/reason/);
    await recordTreatment(applicator, {
      ...correction,
      treatment: { ...correction.treatment, correctionReason: "The area was misread." },
    });
    await expect(
      recordTreatment(applicator, {
        ...correction,
        id: uuidv7(),
        treatment: { ...correction.treatment, correctionReason: "again" },
      }),
    ).rejects.toThrow(/already corrected/);
  });

  it("takes who did it and with which license from the register, and seals who entered it by id and roles", async () => {
    const [tansy] = await inDistrict(OTTER, (tx) =>
      tx.select().from(membership).where(eq(membership.email, "applicator@otter.example")),
    );
    const who = { ...member(["applicator", "scout"]), personId: tansy.personId, personName: tansy.name };
    const found = await clearFinding();
    const view = await planningFor(specialist, found.id);
    const advice = view.advice.find((a) => a.window && a.method.kind !== "product");
    const planId = await makePlan(specialist, {
      findingId: found.id,
      method: advice?.method.id,
      intendedOn: advice?.window?.from,
      personId: tansy.personId,
      cover: "nothing",
      coverWhy: "The meadow closes by itself.",
    });
    const treatment = {
      from: "2026-06-10T08:00:00Z",
      to: "2026-06-10T10:00:00Z",
      areaM2: 300,
      stage: "vegetative",
      equipment: "sheet",
    };
    const body = { id: uuidv7(), planId, treatment };
    const later = { ...treatment, from: "2999-06-10T08:00:00Z", to: "2999-06-10T10:00:00Z" };
    await expect(recordTreatment(who, { ...body, treatment: later })).rejects.toThrow(/give a day from 1950-01-01/);
    const forged = {
      ...{ who: "Odile Marsh", licence: "NONE", licenceExpires: "2199-01-01", zone: "Europe/Vienna" },
      ...{ siteName: "Elsewhere", patchName: "Another", taxon: "Hedera helix", method: "mow", waterDistanceM: 9999 },
    };
    await recordTreatment(who, { ...body, patchId: uuidv7(), treatment: { ...treatment, ...forged } });
    const [row] = await inDistrict(OTTER, (tx) => tx.select().from(ledgerEntry).where(eq(ledgerEntry.id, body.id)));
    expect(row.body).toMatchObject({
      ...{ who: tansy.name, licence: tansy.licence, zone: "Etc/GMT+8", siteName: "Otter Reach, river wood" },
      ...{ patchName: "Test bank", taxon: "Heracleum mantegazzianum", method: advice?.method.id },
    });
    expect(row.patchId).toBe(found.patchId);
    expect(row).toMatchObject({
      format: 2,
      kind: "treatment",
      plantId: "heracleum-mantegazzianum",
      enteredBy: tansy.name,
      enteredById: tansy.personId,
      enteredByRoles: ["applicator", "scout"],
    });
  });

  it("plans nothing on a hold, unless a specialist overrules in writing, and that stays on the finding permanently", async () => {
    const siteId = await siteNamed("Otter Reach, river wood");
    const { patchId } = await clearFinding();
    const held = await saveFinding(
      scout,
      input(
        siteId,
        HOGWEED.slice(0, 4).filter((o) => o.character !== "stem-marks"),
        { patchId },
      ),
    );
    expect(held.verdict).not.toBe("clear");
    const wanted = {
      findingId: held.id,
      method: "dig",
      intendedOn: "2026-06-12",
      personId: "x",
      cover: "nothing",
      coverWhy: "The meadow closes by itself.",
    };
    await expect(makePlan(specialist, wanted)).rejects.toMatchObject({
      status: 409,
      issues: expect.arrayContaining([{ field: "gate", what: expect.stringMatching(/not clear to act/) }]),
    });
    await expect(
      overrule(specialist, { findingId: held.id, taxon: "Heracleum mantegazzianum", reason: "short" }),
    ).rejects.toThrow();
    await overrule(specialist, {
      findingId: held.id,
      taxon: "Heracleum mantegazzianum",
      reason: "I counted 90 rays on the dead umbel beside it.",
    });
    const view = await planningFor(specialist, held.id);
    expect(view.reasons).toEqual([]);
    expect(view.overruling?.reason).toMatch(/90 rays/);
  });

  it("records nothing without a plan", async () => {
    const treatment = {
      ...{ from: "2026-06-10T08:00", to: "2026-06-10T10:00", areaM2: 300, stage: "vegetative", equipment: "x" },
    };
    await expect(recordTreatment(applicator, { id: uuidv7(), treatment })).rejects.toThrow(/Plan it first/);
    await expect(recordTreatment(applicator, { id: uuidv7(), planId: uuidv7(), treatment })).rejects.toThrow(
      /plan was not found/,
    );
  });

  it("keeps a chain that verifies, whoever writes at the same time, and that nobody can change", async () => {
    const entries = await inDistrict(OTTER, (tx) => tx.select().from(ledgerEntry).orderBy(ledgerEntry.seq));
    expect(entries.length).toBeGreaterThan(50);
    expect(await verifyChain(entries)).toMatchObject({ ok: true, entries: entries.length });
    await expect(inDistrict(OTTER, (tx) => tx.execute(sql`DELETE FROM ledger_entry WHERE seq = 1`))).rejects.toThrow();
    await expect(asOwner((c) => c.query("UPDATE ledger_entry SET body = '{}' WHERE seq = 1"))).rejects.toThrow(
      /append-only/,
    );
  });

  it("measures an outline on the spheroid and refuses one that crosses itself", async () => {
    const siteId = await siteNamed("Fern Wood");
    const outline = (ring: number[][]) => ({ type: "Polygon", coordinates: [ring] });
    const square = await savePatch(scout, {
      id: uuidv7(),
      siteId,
      taxon: "Hedera helix",
      name: "Square",
      outline: outline([
        [-131, 44],
        [-130.99, 44],
        [-130.99, 44.01],
        [-131, 44.01],
        [-131, 44],
      ]),
    });
    expect(square.areaM2 / 1e4).toBeCloseTo(89.1, 0);
    await expect(
      savePatch(scout, {
        id: uuidv7(),
        siteId,
        taxon: "Hedera helix",
        name: "Bow",
        outline: outline([
          [0, 0],
          [1, 1],
          [1, 0],
          [0, 1],
          [0, 0],
        ]),
      }),
    ).rejects.toThrow(/crosses itself/);
    expect(await inDistrict(OTTER, (tx) => tx.select().from(patch).where(eq(patch.name, "Bow")))).toEqual([]);
  });
});

describe("people", () => {
  it("leaves a district never without a keeper", async () => {
    const people = await inDistrict(OTTER, (tx) => tx.select().from(membership));
    const keeper = people.find((p) => p.roles.includes("keeper"));
    await expect(
      setRoles(member(["keeper"]), { personId: keeper?.personId, version: keeper?.version, roles: ["scout"] }),
    ).rejects.toThrow(/at least one keeper/);
  });
});
