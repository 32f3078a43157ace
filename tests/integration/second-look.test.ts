import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { DEFAULT_COSTS } from "@/core/identify";
import { closePools } from "@/db/client";
import { EXAMPLES } from "@/server/control/cost-examples";
import { costsOf } from "@/server/control/costs";
import { setStatus } from "@/server/control/list";
import { findingDetail, saveFinding } from "@/server/findings/findings";
import { makeAmendment } from "@/server/flora/amendments";
import { standingOf, takeNewVerdict } from "@/server/judge/second-look";
import { asOwner, member, PINE, uuidv7 } from "../support/database";
import { previewCostsNow, secondLookNow, setCostsNow } from "../support/long-work";

const specialist = member(["specialist", "keeper"], PINE);
const HOGWEED = "Heracleum mantegazzianum";
/** A giant hogweed that was looked at closely: clear to act, and not by much. */
const MORE = [
  ["leaf-kind", "three"],
  ["leaf-tip", "drawn-out"],
  ["leaf-edge", "coarse"],
  ["stem-hollow", "hollow"],
  ["stalk-foot", "bladder"],
] as const;
const clear = {
  ...EXAMPLES[1],
  observations: [
    ...EXAMPLES[1].observations,
    ...MORE.map(([character, state]) => ({ character, states: [state] })),
    { character: "leaf-length", value: 110 },
  ],
};
/** On the ridge, where the second district has its one site. */
const PLACE = { longitude: -131.23, latitude: 44.37 };
const COSTS = { hour: 1, ...DEFAULT_COSTS };
let site = "";

const save = async () => {
  const id = uuidv7();
  return saveFinding(specialist, {
    id,
    siteId: site,
    place: PLACE,
    day: clear.day,
    stage: clear.stage,
    observations: clear.observations,
  });
};
const lookAt = async (id: string) => (await secondLookNow(specialist)).changed.find((f) => f.id === id);

/** Work on a finding, in each of the states given. */
const plansOn = (findingId: string, states: ("planned" | "done")[]) =>
  asOwner(async (client) => {
    const patchId = uuidv7();
    await client.query(
      "INSERT INTO patch (district_id, id, site_id, name, taxon, plant_id, outline, area_m2, made_by) VALUES ($1, $2, $3, 'Below the weir', $4, 'heracleum-mantegazzianum', (ST_GeomFromText('POLYGON((0 0, 0.001 0, 0.001 0.001, 0 0))', 4326)), 6000, 'Test Person')",
      [PINE, patchId, site, HOGWEED],
    );
    await client.query("UPDATE finding SET patch_id = $2 WHERE district_id = $1 AND id = $3", [
      PINE,
      patchId,
      findingId,
    ]);
    return Promise.all(
      states.map(async (state) => {
        const id = uuidv7();
        await client.query(
          "INSERT INTO plan (district_id, id, patch_id, finding_id, method, taxon, plant_id, window_from, window_to, intended_on, on_days, person_id, followed_by, state, made_by) VALUES ($1, $2, $3, $4, 'dig', $5, 'heracleum-mantegazzianum', '2026-05-01', '2026-06-01', '2026-05-10', '{2026-05-10}', 'test-person', 'Sow grass.', $6, 'Test Person')",
          [PINE, id, patchId, findingId, HOGWEED, state],
        );
        return id;
      }),
    );
  });
const stateOf = (planId: string) =>
  asOwner(async (client) => (await client.query("SELECT state FROM plan WHERE id = $1", [planId])).rows[0].state);

beforeAll(async () => {
  site = await asOwner(
    async (client) => (await client.query("SELECT id FROM site WHERE district_id = $1 LIMIT 1", [PINE])).rows[0].id,
  );
  await setStatus(specialist, { taxon: HOGWEED, status: "target" });
});
/** Findings cannot be deleted: each test makes its own, and leaves it. */
afterEach(async () => {
  await asOwner((client) => client.query("DELETE FROM amendment WHERE district_id = $1", [PINE]));
  await setCostsNow(specialist, COSTS);
  await setStatus(specialist, { taxon: HOGWEED, status: "target" });
});
afterAll(closePools);

describe("a second look at old findings", () => {
  it("finds nothing where nothing changed", async () => {
    const { id, verdict } = await save();
    expect(verdict).toBe("clear");
    expect(await lookAt(id)).toBeUndefined();
  });

  it("names the costs where under the old ones the verdict would stand, and rewrites nothing", async () => {
    const { id } = await save();
    await setCostsNow(specialist, { ...COSTS, wrongClear: 50_000 });
    expect(await lookAt(id)).toMatchObject({
      before: { verdict: "clear" },
      after: { verdict: "hold" },
      why: expect.stringContaining("costs"),
    });
    expect((await findingDetail(specialist, id)).line.verdict).toBe("clear");
  });

  it("names the list where a target is kept from now on", async () => {
    const { id } = await save();
    await setStatus(specialist, { taxon: HOGWEED, status: "protected" });
    expect(await lookAt(id)).toMatchObject({ after: { verdict: "keep" }, why: expect.stringContaining("the list") });
  });

  it("names a score corrected here where by the shipped flora the verdict would stand", async () => {
    const { id } = await save();
    for (const [key, value] of [
      ["stem-marks", "plain"],
      ["stem-hair", "none"],
      ["stem-hollow", "solid"],
    ])
      await makeAmendment(specialist, {
        taxon: HOGWEED,
        key,
        value,
        reason: "Twelve plants below the weir, all of them so.",
      });
    expect(await lookAt(id)).toMatchObject({ why: expect.stringContaining("corrected in this district") });
  });

  it("takes the new verdict as an event that follows the old one, when a person says so", async () => {
    const { id } = await save();
    await setCostsNow(specialist, { ...COSTS, wrongClear: 50_000 });
    expect(await takeNewVerdict(specialist, { findingId: id })).toMatchObject({ verdict: "hold", dropped: 0 });
    const { line, verdicts } = await findingDetail(specialist, id);
    expect(line.verdict).toBe("hold");
    expect(verdicts).toHaveLength(2);
    expect(await lookAt(id)).toBeUndefined();
  });

  it("drops the work that was planned on a verdict that no longer clears, and leaves alone what was done", async () => {
    const { id } = await save();
    const [planned, done] = await plansOn(id, ["planned", "done"]);
    await setCostsNow(specialist, { ...COSTS, wrongClear: 50_000 });
    expect((await standingOf(specialist, [id])).get(id)).toMatchObject({ plans: 1 });
    expect(await takeNewVerdict(specialist, { findingId: id })).toMatchObject({ verdict: "hold", dropped: 1 });
    expect(await stateOf(planned)).toBe("dropped");
    expect(await stateOf(done)).toBe("done");
  });

  it("keeps planned work where the new verdict still clears", async () => {
    const { id } = await save();
    const [planned] = await plansOn(id, ["planned"]);
    expect(await takeNewVerdict(specialist, { findingId: id })).toMatchObject({ verdict: "clear", dropped: 0 });
    expect(await stateOf(planned)).toBe("planned");
  });

  it("does not know the findings of another district", async () => {
    await expect(takeNewVerdict(specialist, { findingId: uuidv7() })).rejects.toMatchObject({ status: 404 });
  });
});

describe("what a wrong act costs", () => {
  it("is kept in hours and shown in the money it was said in", async () => {
    await setCostsNow(specialist, { hour: 40, wrongClear: 20_000, missedTarget: 400, hold: 5 });
    expect(await costsOf(specialist)).toMatchObject({
      input: { hour: 40, wrongClear: 20_000, missedTarget: 400, hold: 5 },
      limit: expect.closeTo(10 / 510, 6),
    });
  });

  it("shows on examples and on the district's findings what it would do, and stores nothing", async () => {
    const { id } = await save();
    const preview = await previewCostsNow(specialist, { ...COSTS, wrongClear: 50_000 });
    expect(preview.limitAfter).toBeLessThan(preview.limitBefore);
    expect(preview.examples).toHaveLength(EXAMPLES.length);
    expect(preview.changed.map((f) => f.id)).toContain(id);
    expect((await costsOf(specialist)).input.wrongClear).toBe(DEFAULT_COSTS.wrongClear);
  });

  it("makes no verdict laxer than 2%, however dear a missed target", async () => {
    expect(await setCostsNow(specialist, { ...COSTS, missedTarget: 1e6 })).toBe(0.02);
  });

  it.each([
    [{ ...COSTS, hour: 0 }, "hour"],
    [{ ...COSTS, wrongClear: "dear" }, "wrongClear"],
    [{ ...COSTS, hold: -1 }, "hold"],
  ])("refuses what is no cost, and names it", async (input, field) => {
    await expect(setCostsNow(specialist, input)).rejects.toMatchObject({
      issues: [expect.objectContaining({ path: [field] })],
    });
  });
});
