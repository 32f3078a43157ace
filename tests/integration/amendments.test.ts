import { sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { scoreText } from "@/core/pack";
import { closePools, inDistrict } from "@/db/client";
import { amendmentHistory, makeAmendment, modelOf, revertAmendment } from "@/server/amendments";
import { changedVerdicts } from "@/server/changed-verdicts";
import { shippedFlora } from "@/server/flora";
import { importPack, makePack, packToCsv, packToJson, previewPack, rowsOfFile } from "@/server/packs";
import { asOwner, member, OTTER, PINE, uuidv7 } from "../support/database";

const specialist = member(["specialist"], PINE);
const neighbour = member(["specialist"], OTTER);
const hogweed = "Heracleum mantegazzianum";
const reason = "Twelve plants looked at below the weir, all alike.";
const says = async (who = specialist) => scoreText((await modelOf(who)).flora, hogweed, "sap");
const clean = () => asOwner((client) => client.query("DELETE FROM amendment WHERE district_id = $1", [PINE]));

beforeAll(clean);
afterAll(async () => {
  await clean();
  await closePools();
});

describe("an amendment of a district", () => {
  it("holds in that district alone, over the shipped flora, until it is taken back", async () => {
    const shipped = await says();
    await makeAmendment(specialist, { taxon: hogweed, key: "sap", value: "milky usually", reason });
    expect(await says()).toBe("milky usually");
    expect(await says(neighbour)).toBe(shipped);
    const [made] = await inDistrict(PINE, (tx) => amendmentHistory(tx, hogweed));
    expect(made).toMatchObject({ key: "sap", before: shipped, value: "milky usually", madeBy: "Test Person", reason });
    await revertAmendment(specialist, made.id);
    expect(await says()).toBe(shipped);
    expect((await inDistrict(PINE, (tx) => amendmentHistory(tx, hogweed)))[0].revertedBy).toBe("Test Person");
    await expect(revertAmendment(specialist, made.id)).rejects.toMatchObject({ status: 404 });
  });
  it("made twice falls back to the one before when the last is taken back", async () => {
    await makeAmendment(specialist, { taxon: hogweed, key: "sap", value: "milky usually", reason });
    await makeAmendment(specialist, { taxon: hogweed, key: "sap", value: "", reason });
    expect(await says()).toBeNull();
    const [last] = await inDistrict(PINE, (tx) => amendmentHistory(tx, hogweed));
    await revertAmendment(specialist, last.id);
    expect(await says()).toBe("milky usually");
    await clean();
  });
  it.each([
    [{ taxon: hogweed, key: "sap", value: "golden", reason }, /golden/],
    [{ taxon: hogweed, key: "sap", value: "milky", reason: "so" }, /at least 10 letters/],
    [{ taxon: "Nullus verus", key: "sap", value: "milky", reason }, /Nullus/],
  ])("that does not check is refused and nothing is stored", async (input, message) => {
    await expect(makeAmendment(specialist, input)).rejects.toThrow(message);
    expect(await inDistrict(PINE, (tx) => amendmentHistory(tx))).toEqual([]);
  });
  it("cannot be changed afterwards by the application, nor seen by another district", async () => {
    await makeAmendment(specialist, { taxon: hogweed, key: "sap", value: "milky usually", reason });
    await expect(inDistrict(PINE, (tx) => tx.execute(sql`UPDATE amendment SET value = 'clear'`))).rejects.toThrow();
    await expect(inDistrict(PINE, (tx) => tx.execute(sql`DELETE FROM amendment`))).rejects.toThrow();
    expect((await inDistrict(OTTER, (tx) => tx.execute(sql`SELECT * FROM amendment WHERE district_id = ${PINE}`))).rows).toEqual([]);
    await clean();
  });
});

describe("findings whose verdict would change", () => {
  it("are those on which the character was seen, and are found before anything is stored", async () => {
    const { flora } = await modelOf(neighbour);
    const rows = await asOwner((client) => client.query<{ body: { observations: { character: string; states?: string[] }[] }; finding_id: string; taxon: string }>("SELECT e.body, e.finding_id, f.taxon FROM finding_event e JOIN finding f ON f.id = e.finding_id WHERE e.kind = 'observations' AND f.verdict = 'clear' AND f.district_id = $1 ORDER BY f.number", [OTTER]));
    const found = rows.rows.map((row) => ({ ...row, seen: row.body.observations.find((o) => o.states?.length === 1 && scoreText(flora, row.taxon, o.character) !== null) })).find((row) => row.seen);
    const other = flora.characters.find((c) => c.id === found?.seen?.character)?.states.filter((s) => s.id !== found?.seen?.states?.[0]) ?? [];
    const changes = rows.rows.filter((r) => r.taxon === found?.taxon).flatMap((r) => r.body.observations).filter((o, i, all) => o.states?.length === 1 && all.findIndex((x) => x.character === o.character) === i).map((o) => ({ taxon: found?.taxon as string, key: o.character, value: `${flora.characters.find((c) => c.id === o.character)?.states.find((s) => s.id !== o.states?.[0])?.id} always ~sure` }));
    expect(other.length).toBeGreaterThan(0);
    const { changed, reckoned } = await inDistrict(OTTER, (tx) => changedVerdicts(tx, changes));
    expect(reckoned).toBeGreaterThan(0);
    expect(changed.map((c) => c.id)).toContain(found?.finding_id);
    expect(await inDistrict(OTTER, (tx) => amendmentHistory(tx))).toEqual([]);
  });
  it("are none where nothing is changed", async () => {
    expect((await inDistrict(OTTER, (tx) => changedVerdicts(tx, []))).reckoned).toBe(0);
  });
});

describe("a pack", () => {
  it("goes out and comes back unchanged, as JSON and as a table", async () => {
    const pack = await makePack(specialist, { set: "umbels" });
    expect(pack.scores.length).toBeGreaterThan(400);
    expect(pack.flora).toBe(shippedFlora().version);
    for (const text of [packToJson(pack), packToCsv(pack), `\uFEFF${packToCsv(pack).replace(/\n/g, "\r\n")}`]) {
      const preview = await previewPack(specialist, text);
      expect(preview).toMatchObject({ changes: [], refused: [], same: pack.scores.length });
    }
  });
  it("names each row that does not check by its line, and takes nothing in", async () => {
    const pack = await makePack(specialist, { set: "umbels" });
    const broken = packToCsv(pack).split("\n");
    broken[2] = broken[2].replace(/^[^,]+/, "Nullus verus");
    broken[4] = "only,two";
    const text = broken.join("\n");
    expect((await previewPack(specialist, text)).refused.map((r) => r.line)).toEqual([3, 5]);
    await expect(importPack(specialist, text, reason)).rejects.toMatchObject({ status: 400, message: expect.stringContaining("Nothing was taken in") });
    const json = packToJson({ ...pack, scores: [pack.scores[0], { ...pack.scores[1], character: "no-such" }] });
    expect((await previewPack(specialist, json)).refused).toEqual([{ line: json.split("\n").findIndex((l) => l.includes("no-such")) + 1, field: "character", what: expect.stringContaining("no-such") }]);
    expect(await inDistrict(PINE, (tx) => amendmentHistory(tx))).toEqual([]);
  });
  it("carries one district's amendments to another", async () => {
    await makeAmendment(specialist, { taxon: hogweed, key: "sap", value: "milky usually", reason });
    const pack = await makePack(specialist, "amendments");
    expect(pack.scores).toEqual([{ taxon: hogweed, character: "sap", where: "", score: "milky usually", reason }]);
    const preview = await previewPack(neighbour, packToCsv(pack));
    expect(preview.changes).toHaveLength(1);
    await clean();
    expect(await importPack(specialist, packToJson(pack), "From the valley below, agreed at our meeting.")).toBe(1);
    expect((await inDistrict(PINE, (tx) => amendmentHistory(tx)))[0].reason).toBe(reason);
    expect(await importPack(specialist, packToJson(pack), "From the valley below, agreed at our meeting.")).toBe(0);
    await clean();
  });
  it.each([
    ["{ broken", /no JSON/],
    ['{"pack": "something/9", "title": "x", "flora": "y", "scores": []}', /no flora pack/],
    ["name,colour\nA,b\n", /lacks the column/],
  ])("that is none is refused plainly: %s", (text, message) => expect(() => rowsOfFile(text)).toThrow(message));
  it("of no set is refused", async () => expect(makePack(specialist, { set: uuidv7() })).rejects.toMatchObject({ status: 404 }));
});
