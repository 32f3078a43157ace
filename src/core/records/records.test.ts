import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  type ChainedEntry,
  checkTreatment,
  entryHash,
  GENESIS,
  restrictionsAfter,
  type Treatment,
  treatmentSchema,
  verifyChain,
} from "./index";

const product: NonNullable<Treatment["product"]> = {
  labelId: "01920000-0000-7000-8000-000000000001",
  labelName: "Sample",
  limits: {
    rateUnit: "L",
    ratePerHaMax: 6,
    seasonMaxPerHa: 9,
    windMaxMS: 4,
    temperatureMaxC: 29,
    reentryHours: 12,
    grazingDays: 14,
    hayingDays: 21,
    waterBufferM: 10,
  },
  ratePerHa: 3,
  total: 0.3,
  carrierL: 20,
};
const base: Treatment = {
  who: "T. Quillfeather",
  licence: "INV-1",
  licenceExpires: "2027-01-01",
  from: "2026-06-01T08:00:00Z",
  to: "2026-06-01T10:00:00Z",
  zone: "Etc/GMT+8",
  siteName: "Meadow",
  patchName: "Gate",
  areaM2: 1000,
  taxon: "Jacobaea vulgaris",
  stage: "vegetative",
  method: "spot-treat",
  methodName: "Spot",
  equipment: "backpack",
  product,
  windMS: 2,
  windFrom: "SW",
  temperatureC: 18,
  waterDistanceM: 50,
  note: "",
};
/** The patch is a tenth of a hectare, as the area treated. */
const UNUSED = { used: 0, patchM2: 1000 };
const grave = (t: Treatment, used = 0) =>
  checkTreatment(t, true, { used, patchM2: 1000 })
    .filter((f) => f.grave)
    .map((f) => f.field);

describe("treatment record", () => {
  it("passes when complete and within the label", () => expect(checkTreatment(base, true, UNUSED)).toEqual([]));
  it.each([["windMS"], ["temperatureC"], ["windFrom"], ["licence"], ["product"]] as const)(
    "is not complete without %s",
    (field) => expect(grave({ ...base, [field]: undefined })).toContain(field),
  );
  it("allows the highest rate itself and refuses one above", () => {
    expect(grave({ ...base, product: { ...product, ratePerHa: 6, total: 0.6 } })).toEqual([]);
    expect(grave({ ...base, product: { ...product, ratePerHa: 6.1, total: 0.61 } })).toContain("product.ratePerHa");
  });
  it("adds up amounts on the patch: 0.6 L and 0.3 L more on a tenth of a hectare are the limit of 9 L/ha", () => {
    expect(grave(base, 0.6)).toEqual([]);
    expect(grave(base, 0.65)).toContain("product.total");
  });
  it("counts a spot treatment by its amount, not by its rate", () => {
    const spot = { ...base, areaM2: 100, product: { ...product, total: 0.03 } };
    expect(checkTreatment(spot, true, { used: 0.6, patchM2: 1000 }).filter((f) => f.grave)).toEqual([]);
  });
  it("wants rate times area to be the total", () =>
    expect(grave({ ...base, product: { ...product, total: 0.4 } })).toContain("product.total"));
  it("keeps the label's distance to water, the limit included", () => {
    expect(grave({ ...base, waterDistanceM: 10 })).toEqual([]);
    expect(grave({ ...base, waterDistanceM: 9.9 })).toContain("waterDistanceM");
    const near = (water: Treatment["water"]) => grave({ ...base, waterDistanceM: null, water });
    expect(near({ known: "none-within", meters: 10, by: "W. Halloway" })).toEqual([]);
    expect(near({ known: "none-within", meters: 9, by: "W. Halloway" })).toContain("waterDistanceM");
    expect(near({ known: "unknown" })).toContain("waterDistanceM");
    expect(near({ known: "unknown", atMost: 4 })).toContain("waterDistanceM");
  });
  it("warns of wind over the label, which does not stop the record of what was done", () =>
    expect(checkTreatment({ ...base, windMS: 5 }, true, UNUSED)).toMatchObject([{ field: "windMS", grave: false }]));
  it("refuses a lapsed licence", () => expect(grave({ ...base, licenceExpires: "2026-05-31" })).toContain("licence"));
  it("refuses an end before the start", () =>
    expect(treatmentSchema.safeParse({ ...base, to: "2026-06-01T07:00:00Z" }).success).toBe(false));
  it("closes grazing and haying only where they happen, from the end of the work", () => {
    const all = restrictionsAfter(base, { grazed: true, hayed: true });
    expect(all.find((r) => r.what === "No haying")?.until).toBe("2026-06-22T10:00:00.000Z");
    expect(restrictionsAfter(base, {}).map((r) => r.what)).toEqual(["No entry without protective clothing"]);
  });
});

async function chain(bodies: unknown[], formats: (1 | 2)[] = []): Promise<(ChainedEntry & { hash: string })[]> {
  const entries: (ChainedEntry & { hash: string })[] = [];
  for (const [i, body] of bodies.entries()) {
    const link: ChainedEntry = {
      format: formats[i] ?? 2,
      kind: "treatment",
      districtId: "d",
      seq: i + 1,
      id: `e${i}`,
      supersedes: null,
      patchId: "p",
      planId: null,
      plantId: "jacobaea-vulgaris",
      body,
      enteredBy: "x",
      enteredById: "x1",
      enteredByRoles: ["applicator"],
      enteredAt: "2026-01-01T00:00:00Z",
      previousHash: entries.at(-1)?.hash ?? GENESIS,
    };
    entries.push({ ...link, hash: await entryHash(link) });
  }
  return entries;
}

describe("hash chain", () => {
  it("verifies what was written, and an empty ledger", async () => {
    expect(await verifyChain(await chain([{ a: 1 }, { b: 2 }, { c: 3 }]))).toMatchObject({ ok: true, entries: 3 });
    expect(await verifyChain([])).toEqual({ entries: 0, ok: true, head: GENESIS });
  });
  it("does not mind the order of keys: the hash is over canonical JSON", async () => {
    const [a] = await chain([{ x: 1, y: 2 }]);
    const [b] = await chain([{ y: 2, x: 1 }]);
    expect(a.hash).toBe(b.hash);
  });
  it("finds any change of any entry, and names the first", async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ n: fc.integer() }), { minLength: 2, maxLength: 6 }),
        fc.nat(),
        async (bodies, pick) => {
          const entries = await chain(bodies);
          const at = pick % entries.length;
          const changed = entries.map((e, i) =>
            i === at ? { ...e, body: { n: (e.body as { n: number }).n + 1 } } : e,
          );
          expect(await verifyChain(changed)).toMatchObject({ ok: false, firstBad: at + 1 });
        },
      ),
      { seed: 31, numRuns: 25 },
    );
  });
  it("finds a missing entry", async () => {
    const entries = await chain([1, 2, 3]);
    expect(await verifyChain([entries[0], entries[2]])).toMatchObject({ ok: false, firstBad: 2 });
  });
  it.each([
    ["patchId", "another"],
    ["planId", "another"],
    ["plantId", "another"],
    ["kind", "another"],
    ["enteredBy", "another"],
    ["enteredById", "another"],
    ["enteredByRoles", ["keeper"]],
    ["enteredAt", "2027-01-01T00:00:00Z"],
    ["supersedes", "another"],
    ["id", "another"],
  ])("finds a change of %s", async (column, value) => {
    const entries = await chain([1, 2, 3]);
    const changed = entries.map((e, i) => (i === 1 ? { ...e, [column]: value } : e));
    expect(await verifyChain(changed)).toMatchObject({ ok: false, firstBad: 2 });
  });
  it("verifies format 1 before format 2 has begun, and not afterwards", async () => {
    expect(await verifyChain(await chain([1, 2, 3], [1, 1, 2]))).toMatchObject({ ok: true, entries: 3 });
    expect(await verifyChain(await chain([1, 2, 3], [1, 2, 1]))).toMatchObject({ ok: false, firstBad: 3 });
  });
  it("finds a cut tail, a longer one and another end, by an anchor or by a print", async () => {
    const entries = await chain([1, 2, 3]);
    const end = (seq: number, hash: string, exact = true) => [{ seq, hash, exact, who: "the anchor" }];
    expect(await verifyChain(entries, end(3, entries[2].hash))).toMatchObject({ ok: true });
    expect(await verifyChain(entries.slice(0, 2), end(3, entries[2].hash))).toMatchObject({ ok: false, firstBad: 3 });
    expect(await verifyChain([], end(3, entries[2].hash))).toMatchObject({ ok: false, firstBad: 1 });
    expect(await verifyChain(entries, end(2, entries[1].hash))).toMatchObject({ ok: false, firstBad: 3 });
    expect(await verifyChain(entries, end(2, entries[1].hash, false))).toMatchObject({ ok: true });
    expect(await verifyChain(entries, end(2, entries[0].hash, false))).toMatchObject({ ok: false, firstBad: 2 });
  });
});
