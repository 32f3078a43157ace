import { eq } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { systemClock } from "@/adapters/system-clock";
import { inDistrict } from "@/db/client";
import { label, labelPaper, plan } from "@/db/schema";
import { checkLabelAgain } from "@/server/control/change-plan";
import { makePlan } from "@/server/control/make-plan";
import { planDetail } from "@/server/control/plan-lines";
import { planningFor } from "@/server/control/planning";
import { todayFor } from "@/server/control/today";
import { labelChoices, labelLines, labelPaperContent, saveLabel, saveLabelPaper } from "@/server/records/labels";
import { recordTreatment } from "@/server/records/treatments";
import { playBy } from "@/server/platform/clock";
import { clearHogweed, freshPatch, memberCalled, siteNamed, specialist, workOn } from "../support/acting";
import { member, OTTER, PINE, uuidv7 } from "../support/database";

const applicator = member(["applicator"]);
const entered = async (limits: object = {}, replaces = "") => {
  const id = uuidv7();
  await saveLabel(applicator, {
    id,
    name: "Test label",
    replaces,
    limits: { rateUnit: "L", ratePerHaMax: 6, ...limits },
  });
  return id;
};
/** A plan with the first method that suits and uses a product. */
const withProduct = async (findingId: string, personId: string) => {
  const { advice } = await planningFor(specialist, findingId);
  const first = advice.find((a) => a.window && a.method.kind === "product");
  return {
    ...{ findingId, personId, method: first?.method.id, intendedOn: first?.window?.from },
    ...{ cover: "nothing", coverWhy: "The meadow closes by itself." },
  };
};
const isInForce = async (id: string) => (await labelLines(specialist)).some((line) => line.id === id);

describe("a label", () => {
  it("has versions: one is in force, each is replaced once, and the old ones stay", async () => {
    const first = await entered();
    const second = await entered({ ratePerHaMax: 4 }, first);
    expect([await isInForce(first), await isInForce(second)]).toEqual([false, true]);
    await expect(entered({}, first)).rejects.toThrow(/Version 2 of “Test label” took its place/);
    const rows = await inDistrict(OTTER, (tx) => tx.select().from(label).where(eq(label.id, first)));
    expect(rows).toMatchObject([{ version: 1, limits: { ratePerHaMax: 6 } }]);
    await expect(
      saveLabel(member(["applicator"], PINE), {
        id: uuidv7(),
        name: "Theirs",
        replaces: second,
        limits: { rateUnit: "L" },
      }),
    ).rejects.toThrow(/not found/);
    await expect(entered({ percentVvMax: 200 })).rejects.toThrow();
  });
  it("is checked again under a plan that was made with an older version, and its old version fills no new record", async () => {
    const tansy = await memberCalled("applicator@otter.example");
    const first = await entered();
    const found = await clearHogweed({ day: "2026-11-20" });
    const sound = await withProduct(found.id, tansy.personId);
    await expect(makePlan(specialist, { ...sound, labelId: uuidv7() })).rejects.toThrow(/not in force/);
    const planId = await makePlan(specialist, { ...sound, labelId: first });
    expect((await planDetail(specialist, planId)).labelChange).toBeNull();
    const second = await entered({ ratePerHaMax: 4, intervalDays: 21 }, first);
    const detail = await planDetail(specialist, planId);
    expect(detail.labelChange).toMatchObject({
      from: 1,
      to: 2,
      lines: ["Highest rate per ha: 6, now 4", "Days between two applications: not said, now 21"],
    });
    expect((await todayFor(specialist)).windows.find((w) => w.id === planId)?.labelChanged).toBe(true);
    const product = { labelId: first, ratePerHa: 2, total: 0.06, carrierL: 6 };
    const work = workOn("2026-11-29", { product, windMS: 2, windFrom: "W", temperatureC: 12 });
    await expect(recordTreatment(tansy, { id: uuidv7(), planId, treatment: work })).rejects.toThrow(
      /Version 2 .* is in force now/,
    );
    await checkLabelAgain(specialist, { planId, version: detail.plan.version });
    expect((await planDetail(specialist, planId)).labelChange).toBeNull();
    const [held] = await inDistrict(OTTER, (tx) => tx.select().from(plan).where(eq(plan.id, planId)));
    expect(held.labelId).toBe(second);
    await expect(checkLabelAgain(specialist, { planId, version: held.version })).rejects.toThrow(/has not changed/);
  });
  it("has its PDF as it was sent; what is no PDF, or another district's, is refused", async () => {
    const id = await entered();
    const pdf = Buffer.from(`%PDF-1.4\n${"x".repeat(200)}\n%%EOF`);
    await expect(saveLabelPaper(applicator, id, Buffer.from("<html>".padEnd(300)))).rejects.toThrow(
      /not a complete PDF/,
    );
    await expect(saveLabelPaper(applicator, id, pdf.subarray(0, 150))).rejects.toThrow(/not a complete PDF/);
    await expect(saveLabelPaper(member(["applicator"], PINE), id, pdf)).rejects.toThrow(/not found/);
    await saveLabelPaper(applicator, id, pdf);
    expect(await labelPaperContent(specialist, id)).toEqual(pdf);
    await expect(labelPaperContent(member(["applicator"], PINE), id)).rejects.toThrow(/not found/);
    expect(await inDistrict(PINE, (tx) => tx.select().from(labelPaper))).toEqual([]);
  });
});

describe("what a label names", () => {
  it("is of this district, and else refused with the value", async () => {
    const elsewhere = uuidv7();
    await expect(entered({ sitesNamed: [elsewhere] })).rejects.toMatchObject({
      status: 400,
      message: expect.stringContaining(elsewhere),
      issues: [{ field: "limits.sitesNamed" }],
    });
    await expect(entered({ plantsNamed: ["no-such-plant"] })).rejects.toThrow(/no-such-plant/);
    await expect(entered({ stagesNamed: ["ripe"] })).rejects.toThrow();
    const { sitesNamed } = await labelChoices(member(["applicator"], PINE));
    await expect(entered({ sitesNamed: sitesNamed.map(({ id }) => id) })).rejects.toThrow(/not of this district/);
  });
  it("refuses a plan on another site, asks about another plant, and says in words what has changed", async () => {
    const tansy = await memberCalled("applicator@otter.example");
    const { plantsNamed } = await labelChoices(specialist);
    const broom = plantsNamed.find(({ name }) => name === "Scotch broom")?.id;
    const river = await siteNamed("Otter Reach, river wood");
    const first = await entered({ sitesNamed: [await siteNamed("Bluff Prairie")], plantsNamed: [broom] });
    const found = await clearHogweed({ day: "2026-11-20" });
    const sound = await withProduct(found.id, tansy.personId);
    await expect(makePlan(specialist, { ...sound, labelId: first })).rejects.toMatchObject({
      status: 409,
      message: "The label is not for this site, Otter Reach, river wood.",
      issues: [{ field: "labelId" }],
    });
    const second = await entered({ sitesNamed: [river], plantsNamed: [broom], stagesNamed: ["flowering"] }, first);
    const planId = await makePlan(specialist, { ...sound, labelId: second });
    expect((await planDetail(specialist, planId)).labelSays).toEqual({
      against: [],
      ask: [expect.stringMatching(/^The label does not name Giant hogweed/)],
    });
    const product = { labelId: second, ratePerHa: 2, total: 0.06, carrierL: 6 };
    const work = workOn("2026-11-29", { product, windMS: 2, windFrom: "W", temperatureC: 12 });
    await expect(recordTreatment(tansy, { id: uuidv7(), planId, treatment: work })).rejects.toThrow(
      /names plants in flower; these were in leaf/,
    );
    await entered({ sitesNamed: [river], plantsNamed: [broom], stagesNamed: ["vegetative"] }, second);
    expect((await planDetail(specialist, planId)).labelChange?.lines).toEqual([
      "Stages at which it may be used: in flower, now in leaf",
    ]);
  });
});

describe("one site of action on one patch", () => {
  afterAll(() => playBy(systemClock));
  it("is pointed out in the third season running, and not before", async () => {
    const tansy = await memberCalled("applicator@otter.example");
    const labelId = await entered({ siteOfAction: "9" });
    const siteId = await siteNamed("Otter Reach, river wood");
    const patchId = await freshPatch(siteId);
    const said: string[][] = [];
    for (const year of [2024, 2025, 2026]) {
      playBy({ now: () => new Date(`${year}-06-20T18:00:00Z`) });
      const found = await clearHogweed({ day: `${year}-06-09`, patchId, siteId });
      const planId = await makePlan(specialist, { ...(await withProduct(found.id, tansy.personId)), labelId });
      const product = { labelId, ratePerHa: 2, total: 0.06, carrierL: 6 };
      const work = workOn(`${year}-06-19`, { product, windMS: 2, windFrom: "W", temperatureC: 12 });
      const { warnings } = await recordTreatment(tansy, { id: uuidv7(), planId, treatment: work });
      said.push(warnings.filter((what) => what.includes("Site of action")));
    }
    expect(said).toEqual([[], [], [expect.stringContaining("for season 3 running")]]);
  });
});
