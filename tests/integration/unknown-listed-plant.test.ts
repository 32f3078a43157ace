import { sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { closePools, inDistrict } from "@/db/client";
import { costsOf, previewCosts, readCostsPreview } from "@/server/control/costs";
import { saveFinding } from "@/server/findings/findings";
import { benchPackOf } from "@/server/flora/bench-pack";
import { compareTwins } from "@/server/flora/twins";
import { readSecondLook, secondLook } from "@/server/judge/second-look";
import { asOwner, member, OTTER, uuidv7 } from "../support/database";

const keeper = member(["keeper", "scout", "specialist"]);
const entry = uuidv7();

/** A plant that came with a pack, was put on the list, and went with the pack when that was taken back. */
describe("a listed plant that the flora does not include", () => {
  beforeAll(() =>
    asOwner((c) =>
      c.query(
        "INSERT INTO list_entry (district_id, id, plant_id, taxon, status, changed_by, changed_by_id, changed_by_roles) SELECT district_id, $2, 'planta-ignota', 'Planta ignota', 'target', changed_by, changed_by_id, changed_by_roles FROM list_entry WHERE district_id = $1 LIMIT 1",
        [OTTER, entry],
      ),
    ),
  );
  afterAll(async () => {
    await asOwner((c) => c.query("DELETE FROM list_entry WHERE id = $1", [entry]));
    await closePools();
  });

  it("stops no finding from being judged", async () => {
    const [{ id: siteId }] = (
      await inDistrict(OTTER, (tx) =>
        tx.execute<{ id: string }>(sql`SELECT id FROM site WHERE name = 'Otter Reach, river wood'`),
      )
    ).rows;
    const saved = await saveFinding(keeper, {
      id: uuidv7(),
      siteId,
      place: { longitude: -131.2, latitude: 44.35 },
      day: "2026-06-09",
      stage: "vegetative",
      observations: [{ character: "plant-kind", states: ["herb"] }],
    });
    expect(saved.verdict).toBe("open");
  });

  it("stops neither the preview of costs nor a second look", async () => {
    const { input } = await costsOf(keeper);
    const preview = await previewCosts(await inDistrict(OTTER, readCostsPreview), input, async () => undefined);
    expect(preview.examples.length).toBeGreaterThan(3);
    expect(preview.changed).toEqual([]);
    const looks = await secondLook(await inDistrict(OTTER, readSecondLook), async () => undefined);
    expect(looks.judged).toBeGreaterThan(10);
  });

  it("goes to the Bench with the list, and stops no page of look-alikes", async () => {
    expect((await benchPackOf(keeper, true)).status["Planta ignota"]).toBe("target");
    const view = await compareTwins(keeper, ["heracleum-mantegazzianum", "heracleum-maximum"], undefined);
    expect(view?.rows.length).toBeGreaterThan(0);
  });
});
