import { sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { judge } from "@/core/identify";
import { lineText, type Pack, PACK_TABLES, PLANT_KEY, taxonId } from "@/core/pack";
import { closePools, inDistrict } from "@/db/client";
import { setStatus } from "@/server/control/list";
import { amendmentHistory, makeAmendment, modelOf, revertAmendments } from "@/server/flora/amendments";
import { shippedFlora } from "@/server/flora/flora";
import { findNames } from "@/server/flora/names";
import { makePack, packToCsv, packToJson, rowsOfFiles } from "@/server/flora/packs";
import { asOwner, member, OTTER, PINE, uuidv7 } from "../support/database";
import { changedVerdictsNow, previewPackNow, takePackNow } from "../support/long-work";
import { caseFrom } from "../support/tiny-flora";

const specialist = member(["specialist"], PINE);
const neighbour = member(["specialist"], OTTER);
const hogweed = "Heracleum mantegazzianum";
const reason = "Twelve plants looked at below the weir, all alike.";
const says = async (who = specialist) => lineText((await modelOf(who)).flora, hogweed, "sap");
const one = (text: string) => [{ name: "pack", text }];
const tables = (pack: Pack) => PACK_TABLES.map((table) => ({ name: `${table}.csv`, text: packToCsv(pack, table) }));
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
    const [made] = await inDistrict(PINE, (tx) => amendmentHistory(tx, "heracleum-mantegazzianum"));
    expect(made).toMatchObject({ key: "sap", before: shipped, value: "milky usually", madeBy: "Test Person", reason });
    await revertAmendments(specialist, [made.id]);
    expect(await says()).toBe(shipped);
    expect((await inDistrict(PINE, (tx) => amendmentHistory(tx, "heracleum-mantegazzianum")))[0].revertedBy).toBe(
      "Test Person",
    );
    await expect(revertAmendments(specialist, [made.id])).rejects.toMatchObject({ status: 404 });
  });
  it("made twice falls back to the one before when the last is taken back", async () => {
    await makeAmendment(specialist, { taxon: hogweed, key: "sap", value: "milky usually", reason });
    await makeAmendment(specialist, { taxon: hogweed, key: "sap", value: "", reason });
    expect(await says()).toBeNull();
    const [last] = await inDistrict(PINE, (tx) => amendmentHistory(tx, "heracleum-mantegazzianum"));
    await revertAmendments(specialist, [last.id]);
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
    expect(
      (await inDistrict(OTTER, (tx) => tx.execute(sql`SELECT * FROM amendment WHERE district_id = ${PINE}`))).rows,
    ).toEqual([]);
    await clean();
  });
});

describe("findings whose verdict would change", () => {
  it("are those on which the character was seen, and are found before anything is stored", async () => {
    const { flora } = await modelOf(neighbour);
    const rows = await asOwner((client) =>
      client.query<{
        body: { observations: { character: string; states?: string[] }[] };
        finding_id: string;
        taxon: string;
      }>(
        "SELECT e.body, e.finding_id, f.taxon FROM finding_event e JOIN finding f ON f.id = e.finding_id WHERE e.kind = 'observations' AND f.verdict = 'clear' AND f.district_id = $1 ORDER BY f.number",
        [OTTER],
      ),
    );
    const found = rows.rows
      .map((row) => ({
        ...row,
        seen: row.body.observations.find(
          (o) => o.states?.length === 1 && lineText(flora, row.taxon, o.character) !== null,
        ),
      }))
      .find((row) => row.seen);
    const other =
      flora.characters
        .find((c) => c.id === found?.seen?.character)
        ?.states.filter((s) => s.id !== found?.seen?.states?.[0]) ?? [];
    const changes = rows.rows
      .filter((r) => r.taxon === found?.taxon)
      .flatMap((r) => r.body.observations)
      .filter((o, i, all) => o.states?.length === 1 && all.findIndex((x) => x.character === o.character) === i)
      .map((o) => ({
        taxon: found?.taxon as string,
        key: o.character,
        value: `${flora.characters.find((c) => c.id === o.character)?.states.find((s) => s.id !== o.states?.[0])?.id} always ~sure`,
      }));
    expect(other.length).toBeGreaterThan(0);
    const { changed, judged } = await changedVerdictsNow(neighbour, changes);
    expect(judged).toBeGreaterThan(0);
    expect(changed.map((c) => c.id)).toContain(found?.finding_id);
    expect(await inDistrict(OTTER, (tx) => amendmentHistory(tx))).toEqual([]);
  });
  it("are none where nothing is changed", async () => {
    expect((await changedVerdictsNow(neighbour, [])).judged).toBe(0);
  });
});

describe("a pack", () => {
  it("goes out and comes back unchanged, as JSON and as a table", async () => {
    const pack = await makePack(specialist, { set: "umbels" });
    expect(pack.scores.length).toBeGreaterThan(400);
    expect(pack.flora).toBe(shippedFlora().version);
    for (const text of [packToCsv(pack), `\uFEFF${packToCsv(pack).replace(/\n/g, "\r\n")}`]) {
      expect(await previewPackNow(specialist, one(text))).toMatchObject({
        changes: [],
        refused: [],
        same: pack.scores.length,
      });
    }
    const whole = await previewPackNow(specialist, one(packToJson(pack)));
    expect(whole).toMatchObject({ changes: [], refused: [] });
    expect(whole.same).toBe((await previewPackNow(specialist, tables(pack))).same);
    expect(whole.same).toBeGreaterThan(pack.scores.length + pack.plants.length);
  });
  it("names each row that does not check by its line, and takes nothing in", async () => {
    const pack = await makePack(specialist, { set: "umbels" });
    const broken = packToCsv(pack).split("\n");
    broken[2] = broken[2].replace(/^[^,]+/, "Nullus verus");
    broken[4] = "only,two";
    const text = broken.join("\n");
    expect((await previewPackNow(specialist, one(text))).refused.map((r) => r.line)).toEqual([3, 5]);
    await expect(takePackNow(specialist, one(text), reason)).rejects.toMatchObject({
      status: 400,
      message: expect.stringContaining("Nothing was taken in"),
    });
    const json = packToJson({ ...pack, scores: [pack.scores[0], { ...pack.scores[1], character: "no-such" }] });
    expect((await previewPackNow(specialist, one(json))).refused).toEqual([
      {
        line: json.split("\n").findIndex((l) => l.includes("no-such")) + 1,
        field: "character",
        what: expect.stringContaining("no-such"),
      },
    ]);
    expect(await inDistrict(PINE, (tx) => amendmentHistory(tx))).toEqual([]);
  });
  it("carries one district's amendments to another", async () => {
    await makeAmendment(specialist, { taxon: hogweed, key: "sap", value: "milky usually", reason });
    const pack = await makePack(specialist, "amendments");
    expect(pack.scores).toEqual([{ taxon: hogweed, character: "sap", where: "", score: "milky usually", reason }]);
    const preview = await previewPackNow(neighbour, one(packToCsv(pack)));
    expect(preview.changes).toHaveLength(1);
    await clean();
    expect(await takePackNow(specialist, one(packToJson(pack)), "From the valley below, agreed at our meeting.")).toBe(
      1,
    );
    expect((await inDistrict(PINE, (tx) => amendmentHistory(tx)))[0].reason).toBe(reason);
    expect(await takePackNow(specialist, one(packToJson(pack)), "From the valley below, agreed at our meeting.")).toBe(
      0,
    );
    await clean();
  });
  it("names the file beside the line where several tables are read together", async () => {
    const pack = await makePack(specialist, { set: "umbels" });
    const [plants, twins, scores] = tables(pack);
    const broken = { ...twins, text: twins.text.replace(/^([^\n]*\n[^,]*,)[^,]*/, "$1Nullus verus") };
    expect((await previewPackNow(specialist, [plants, broken, scores])).refused).toContainEqual(
      expect.objectContaining({ file: "twins.csv", line: 2, field: "twin" }),
    );
  });
  it.each([
    ["{ broken", /not JSON/],
    ["taxon,life-form\nA,herb\n", /table of plants lacks the column family/],
    ["taxon,deciders\nA,sap\n", /table of twins lacks the column twin/],
    ['{"pack": "something/9", "title": "x", "flora": "y", "scores": []}', /not a flora pack/],
    ["name,colour\nA,b\n", /lacks the column/],
  ])("that is none is refused plainly: %s", (text, message) =>
    expect(() => rowsOfFiles([{ name: "pack", text }])).toThrow(message),
  );
  it("of no set is refused", async () =>
    expect(makePack(specialist, { set: uuidv7() })).rejects.toMatchObject({ status: 404 }));
});

describe("a plant of the district's own", () => {
  const name = "Heracleum novum";
  const grown = async (): Promise<Pack> => {
    const like = await makePack(specialist, { plant: "heracleum-mantegazzianum" });
    return {
      ...like,
      plants: like.plants.map((row) => ({
        ...row,
        taxon: name,
        common: "new hogweed",
        synonyms: "",
        interfertile: "",
      })),
      twins: [
        {
          taxon: name,
          twin: hogweed,
          stage: "any",
          deciders: "stem-marks",
          mistake: "Taken for it from afar.",
          reason: "",
        },
      ],
      scores: like.scores.map((row) => ({
        ...row,
        taxon: name,
        score: row.character === "stem-marks" && !row.where ? "plain always" : row.score,
      })),
    };
  };

  it("comes in as three tables, is known by its name here alone, and goes when it is taken back", async () => {
    const pack = await grown();
    const files = tables(pack);
    const preview = await previewPackNow(specialist, files);
    expect(preview.refused).toEqual([]);
    expect(preview.changes.filter((c) => c.key === PLANT_KEY && c.before === null).map((c) => c.taxon)).toEqual([name]);
    expect(await takePackNow(specialist, files, reason)).toBe(preview.changes.length + preview.more);

    const { flora } = await modelOf(specialist);
    expect(flora.taxa.at(-1)?.name).toBe(name);
    expect((await modelOf(neighbour)).flora.taxa.some((t) => t.name === name)).toBe(false);
    expect((await findNames(specialist, "new hogweed")).plants[0]).toMatchObject({
      name,
      common: "New hogweed",
      status: "kept",
    });
    expect((await findNames(neighbour, "new hogweed")).plants.some((p) => p.name === name)).toBe(false);
    await setStatus(specialist, { taxon: name, status: "target" });
    await expect(setStatus(neighbour, { taxon: name, status: "target" })).rejects.toThrow(/not in the flora/);
    expect((await findNames(specialist, "new hogweed")).plants[0].status).toBe("target");

    const out = await makePack(specialist, "amendments");
    expect([out.plants.length, out.twins.length, out.scores.length]).toEqual([1, 1, pack.scores.length]);
    expect((await previewPackNow(neighbour, one(packToJson(out)))).refused).toEqual([]);

    const own = (await inDistrict(PINE, (tx) => amendmentHistory(tx, taxonId(name)))).find((a) => a.key === PLANT_KEY);
    await revertAmendments(specialist, [own?.id as string]);
    expect((await modelOf(specialist)).flora.taxa.some((t) => t.name === name)).toBe(false);
    expect((await findNames(specialist, "new hogweed")).plants.some((p) => p.name === name)).toBe(false);
    // What is left of it says nothing, and goes out in no pack, which another district would have to refuse.
    expect(await makePack(specialist, "amendments")).toMatchObject({ plants: [], twins: [], scores: [] });
    await asOwner((client) =>
      client.query("DELETE FROM list_entry WHERE district_id = $1 AND taxon = $2", [PINE, name]),
    );
    await clean();
  });
  it("stands in the way of its twin from then on: what fitted the one plant alone fits two", async () => {
    const observations = [
      { character: "plant-kind", states: ["herb"] },
      { character: "height", value: 280 },
    ];
    const given = caseFrom({ day: "2026-06-20", hemisphere: "north", stage: "flowering", observations });
    const shareOf = async (who: typeof specialist, plant = hogweed) => {
      const model = await modelOf(who);
      return judge(model, given).flat.taxa[model.taxonIndex.get(plant) as number];
    };
    const before = await shareOf(specialist);
    await takePackNow(specialist, tables(await grown()), reason);
    const after = await shareOf(specialist);
    expect(after).toBeLessThan(before);
    expect(await shareOf(specialist, name)).toBeCloseTo(after, 2);
    expect(await shareOf(neighbour)).toBe(before);
    await clean();
  });
  it("that is refused leaves nothing behind", async () => {
    const pack = await grown();
    await expect(takePackNow(specialist, tables({ ...pack, twins: [] }), reason)).rejects.toMatchObject({
      status: 400,
    });
    expect(await inDistrict(PINE, (tx) => amendmentHistory(tx))).toEqual([]);
  });
});
