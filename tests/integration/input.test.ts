import { and, eq, isNull, sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { closePools, inDistrict } from "@/db/client";
import { feature, finding, followUp, invitation, membership, patch, plan, site } from "@/db/schema";
import { listFor, listLines, setStatus, takeOffList } from "@/server/control/list";
import { makePlan } from "@/server/control/make-plan";
import { planningFor } from "@/server/control/planning";
import { findingDetail, overrule, saveFinding } from "@/server/findings/findings";
import { seasonOf, setSeason } from "@/server/ground/district";
import { mapTile, patchDetail, patchLines, savePatch, saveSite, siteLines } from "@/server/ground/ground";
import { pictureContent } from "@/server/ground/pictures";
import { acceptInvitation, invite } from "@/server/people/invitations";
import { peopleOf, setRoles } from "@/server/people/people";
import { setUp } from "@/server/people/set-up";
import { makeSetUpCode } from "@/server/accounts/set-up-code";
import { saveFeature } from "@/server/ground/features";
import sharp from "sharp";
import { checkPictureContent, saveCheckPicture } from "@/server/records/check-pictures";
import { recordCheck } from "@/server/records/follow-ups";
import { clearHogweed } from "../support/acting";
import { asOwner, member, OTTER, PINE, uuidv7 } from "../support/database";

afterAll(closePools);
const scout = member(["scout"]);
const keeper = member(["keeper"]);
const specialist = member(["specialist", "scout"]);
const visitor = member(["visitor"]);
const saw = (character: string, state: string) => ({ character, states: [state] });
const siteNamed = (name: string) =>
  inDistrict(OTTER, async (tx) => (await tx.select({ id: site.id }).from(site).where(eq(site.name, name)))[0].id);
const body = (siteId: string, extra = {}) => ({
  id: uuidv7(),
  siteId,
  place: { longitude: -131.2, latitude: 44.35 },
  day: "2026-06-09",
  stage: "vegetative",
  observations: [saw("plant-kind", "herb")],
  ...extra,
});
const square = (west: number, south: number, size: number) => ({
  type: "Polygon" as const,
  coordinates: [
    [
      [west, south],
      [west + size, south],
      [west + size, south + size],
      [west, south + size],
      [west, south],
    ],
  ],
});
const count = (
  table: typeof feature | typeof finding | typeof patch | typeof plan | typeof membership | typeof invitation,
) => inDistrict(OTTER, async (tx) => (await tx.select({ n: sql<number>`count(*)::int` }).from(table))[0].n);

/** The work is refused with these words, and the table holds as many rows as before. */
async function refused(table: Parameters<typeof count>[0], work: () => Promise<unknown>, words: RegExp) {
  const before = await count(table);
  await expect(work()).rejects.toThrow(words);
  expect(await count(table)).toBe(before);
}

describe("the season of a district", () => {
  it("moves when its plants flower, in this district alone, and refuses what is no number of days", async () => {
    const other = member(["keeper"], PINE);
    const before = await seasonOf(keeper);
    const elsewhere = await seasonOf(other);
    const version = async () => (await seasonOf(keeper)).version;
    await setSeason(keeper, { hemisphere: "north", seasonShift: "25", version: await version() });
    const after = await seasonOf(keeper);
    const flowers = (season: typeof before) => new Map(season.examples.map((e) => [e.plant, e.from]));
    const both = [...flowers(before)].flatMap(([plant, from]) =>
      flowers(after).has(plant) && /-0[345]-/.test(from) ? [[from, flowers(after).get(plant) as string]] : [],
    );
    expect(both.length).toBeGreaterThan(0);
    for (const [usual, late] of both) expect(late > usual).toBe(true);
    expect(await seasonOf(other)).toEqual(elsewhere);
    for (const wrong of ["41", "-41", "2.5", "soon"])
      await expect(
        setSeason(keeper, { hemisphere: "north", seasonShift: wrong, version: await version() }),
        wrong,
      ).rejects.toThrow(/seasonShift/);
    await expect(setSeason(keeper, { hemisphere: "east", seasonShift: "0", version: await version() })).rejects.toThrow(
      /hemisphere/,
    );
    expect((await seasonOf(keeper)).seasonShift).toBe(25);
    await setSeason(keeper, { hemisphere: "north", seasonShift: "0", version: await version() });
    expect(await seasonOf(keeper)).toEqual({ ...before, version: await version() });
  });
});

describe("a finding that is not right stores nothing", () => {
  it("on a site that is not here", () =>
    refused(finding, () => saveFinding(scout, body(uuidv7())), /site.*not found/i));
  it("on a site of another district", async () => {
    const [strange] = await inDistrict(PINE, (tx) => tx.select({ id: site.id }).from(site).limit(1));
    await refused(finding, () => saveFinding(scout, body(strange.id)), /not found/);
  });
  it("on a patch of another site", async () => {
    const [one] = await inDistrict(OTTER, (tx) =>
      tx.select({ id: patch.id, siteId: patch.siteId }).from(patch).limit(1),
    );
    const [other] = await inDistrict(OTTER, (tx) =>
      tx.select({ id: site.id }).from(site).where(sql`${site.id} <> ${one.siteId}`).limit(1),
    );
    await refused(finding, () => saveFinding(scout, body(other.id, { patchId: one.id })), /another site/);
  });
  it("with an id that is no UUID, a stage that is none, or a note of a book's length", async () => {
    const siteId = await siteNamed("Fern Wood");
    await refused(finding, () => saveFinding(scout, body(siteId, { id: "7" })), /UUID/i);
    await refused(finding, () => saveFinding(scout, body(siteId, { stage: "old" })), /stage|option/i);
    await refused(finding, () => saveFinding(scout, body(siteId, { note: "x".repeat(4001) })), /4000/);
  });
  it("with a measure where states are wanted", async () => {
    const siteId = await siteNamed("Fern Wood");
    await refused(
      finding,
      () => saveFinding(scout, body(siteId, { observations: [{ character: "sap", value: 3 }] })),
      /sap has states: name one of/,
    );
  });
});

describe("many findings at once", () => {
  it("get numbers of their own, in a row, and none is lost", async () => {
    const siteId = await siteNamed("Fern Wood");
    const saved = await Promise.all(Array.from({ length: 10 }, () => saveFinding(scout, body(siteId))));
    const numbers = saved.map((s) => s.number).sort((a, b) => a - b);
    expect(new Set(numbers).size).toBe(10);
    expect(numbers[9] - numbers[0]).toBe(9);
    const rows = await Promise.all(saved.map((s) => findingDetail(scout, s.id)));
    expect(rows.every((r) => r.line.verdict !== "clear")).toBe(true);
  });
});

describe("overruling", () => {
  it("needs a plant of the flora, a finding of this district and a reason", async () => {
    const siteId = await siteNamed("Fern Wood");
    const { id } = await saveFinding(scout, body(siteId));
    const reason = "I grew it on in a pot and it flowered.";
    await expect(overrule(specialist, { findingId: id, taxon: "Planta ignota", reason })).rejects.toThrow(
      /not in the flora/,
    );
    await expect(overrule(specialist, { findingId: uuidv7(), taxon: "Jacobaea vulgaris", reason })).rejects.toThrow(
      /not found/,
    );
    await expect(overrule(specialist, { findingId: id, taxon: "Jacobaea vulgaris", reason: "sure" })).rejects.toThrow(
      /20 letters/,
    );
    const { line } = await findingDetail(specialist, id);
    expect(line.overruled).toBe(false);
  });
});

describe("a patch", () => {
  it("must be of a plant of the flora, on a site, with a sound outline", async () => {
    const siteId = await siteNamed("Fern Wood");
    const sound = {
      id: uuidv7(),
      siteId,
      taxon: "Hedera helix",
      name: "Test",
      outline: square(-131.21, 44.35, 0.0005),
    };
    await refused(patch, () => savePatch(scout, { ...sound, taxon: "Planta ignota" }), /not in the flora/);
    await refused(patch, () => savePatch(scout, { ...sound, siteId: uuidv7() }), /not found/);
    await refused(patch, () => savePatch(scout, { ...sound, name: " " }), /give the patch a name/);
    await refused(patch, () => savePatch(scout, { ...sound, coverShare: 1.2 }), /1/);
    await refused(
      patch,
      () => savePatch(scout, { ...sound, outline: square(-131.21, 44.35, 0) }),
      /no area|corners|Invalid|crosses/i,
    );
    await refused(patch, () => savePatch(scout, { ...sound, findingId: uuidv7() }), /not found/);
  });
  it("saved twice under one id is one patch", async () => {
    const siteId = await siteNamed("Fern Wood");
    const sound = {
      id: uuidv7(),
      siteId,
      taxon: "Hedera helix",
      name: "Twice",
      outline: square(-131.21, 44.35, 0.0005),
    };
    const before = await count(patch);
    await savePatch(scout, sound);
    await savePatch(scout, sound);
    expect(await count(patch)).toBe(before + 1);
    expect((await patchLines(scout, siteId)).filter((p) => p.id === sound.id)).toHaveLength(1);
  });
  it("has an area that grows as the square of its side", async () => {
    const siteId = await siteNamed("Fern Wood");
    const area = async (size: number) =>
      (
        await savePatch(scout, {
          id: uuidv7(),
          siteId,
          taxon: "Hedera helix",
          name: `Side ${size}`,
          outline: square(-131.21, 44.35, size),
        })
      ).areaM2;
    expect((await area(0.001)) / (await area(0.0005))).toBeCloseTo(4, 1);
  });
  it("is not found by an id that is none", async () => {
    for (const id of ["", "1", "' OR 1=1", uuidv7()]) await expect(patchDetail(scout, id)).rejects.toThrow(/not found/);
  });
});

describe("a site", () => {
  it("of one name and outline is stored once per id", async () => {
    const id = uuidv7();
    const input = {
      id,
      name: "Test Bank",
      outline: square(-131.22, 44.36, 0.002),
      ground: "riverbank",
      rules: { grazed: true },
    };
    await saveSite(keeper, input);
    await saveSite(keeper, input);
    const lines = (await siteLines(keeper)).filter((s) => s.id === id);
    expect(lines).toHaveLength(1);
    expect(lines[0].rules).toEqual({ grazed: true });
    await asOwner((c) => c.query("DELETE FROM site WHERE id = $1", [id]));
  });
});

describe("what a visitor sees", () => {
  it("is never more than what a specialist sees, and no protected place", async () => {
    const [few, all] = [await siteLines(visitor), await siteLines(specialist)];
    for (const line of few) expect(line.patches).toBeLessThanOrEqual(all.find((s) => s.id === line.id)?.patches ?? 0);
    const hidden = await inDistrict(OTTER, (tx) =>
      tx.select({ id: patch.id }).from(patch).where(eq(patch.protected, true)),
    );
    const shown = new Set((await patchLines(visitor)).map((p) => p.id));
    expect(hidden.some((p) => shown.has(p.id))).toBe(false);
    for (const p of hidden) await expect(patchDetail(visitor, p.id)).rejects.toThrow(/not found/);
  });
  it("is an empty tile where nothing lies", async () => {
    expect((await mapTile(visitor, 14, 0, 0)).length).toBe(0);
  });
  it("is no picture by a made-up id", async () => {
    await expect(pictureContent(visitor, uuidv7())).rejects.toThrow(/not found/);
    await expect(pictureContent(visitor, "x")).rejects.toThrow(/not found/);
  });
});

describe("a plan", () => {
  it("is refused with a method, a day or a person that does not fit, and says what would", async () => {
    const { id: findingId } = await clearHogweed();
    const view = await planningFor(specialist, findingId);
    const suited = view.advice.find((a) => a.window);
    const window = suited?.window as { from: string; to: string };
    const sound = {
      findingId,
      method: suited?.method.id,
      intendedOn: window.from,
      personId: view.people[0].id,
      cover: "nothing",
      coverWhy: "The meadow closes by itself.",
    };
    await refused(plan, () => makePlan(specialist, { ...sound, method: "wishing" }), /method does not exist/);
    await refused(plan, () => makePlan(specialist, { ...sound, intendedOn: "2019-01-01" }), /outside the window of/);
    await refused(plan, () => makePlan(specialist, { ...sound, personId: "nobody" }), /may not be done now/);
    await refused(plan, () => makePlan(specialist, { ...sound, coverWhy: "" }), /say why nothing is sown/);
    const never = view.advice.find((a) => a.answer === "never");
    if (never)
      await refused(
        plan,
        () => makePlan(specialist, { ...sound, method: never.method.id }),
        new RegExp(never.method.name),
      );
  });
  it("offers the work only to those who may do it", async () => {
    const view = await planningFor(specialist, (await clearHogweed()).id);
    for (const p of view.people)
      expect(
        p.roles.some((r) => r === "applicator" || r === "specialist"),
        p.name,
      ).toBe(true);
  });
  it("needs a patch to stand on", async () => {
    const { id } = await saveFinding(scout, body(await siteNamed("Fern Wood")));
    await expect(planningFor(specialist, id)).rejects.toThrow(/no patch yet/);
  });
});

describe("a check that is due", () => {
  it("is recorded with a day, an amount and the stages that were seen, and never as gone", async () => {
    const [due] = await inDistrict(OTTER, (tx) => tx.select().from(followUp).where(isNull(followUp.doneOn)).limit(1));
    const sound = { id: due.id, doneOn: "2026-06-20", seen: "some", stages: ["seedling"], note: "Five stems left." };
    await expect(recordCheck(scout, { ...sound, seen: "gone" })).rejects.toThrow(/how much of the plant/);
    await expect(recordCheck(scout, { ...sound, stages: [] })).rejects.toThrow(/in which stages/);
    await expect(recordCheck(scout, { ...sound, stages: ["asleep"] })).rejects.toThrow();
    await expect(recordCheck(scout, { ...sound, doneOn: "soon" })).rejects.toThrow();
    await expect(recordCheck(member(["scout"], PINE), sound)).rejects.toThrow(/not found/);
    const [still] = await inDistrict(OTTER, (tx) => tx.select().from(followUp).where(eq(followUp.id, due.id)));
    expect(still.doneOn).toBeNull();
  });
});

describe("a picture of a check", () => {
  const anyCheck = async () =>
    (
      await inDistrict(OTTER, (tx) => tx.select({ id: followUp.id, patchId: followUp.patchId }).from(followUp).limit(1))
    )[0];
  it("is re-encoded, stored once, shown with the patch, and is this district's alone", async () => {
    const check = await anyCheck();
    const id = uuidv7();
    const image = await sharp({ create: { width: 30, height: 20, channels: 3, background: "#557755" } })
      .withExif({ IFD0: { Artist: "x" } })
      .jpeg()
      .toBuffer();
    await saveCheckPicture(scout, id, check.id, image);
    await saveCheckPicture(scout, id, check.id, image);
    const stored = await checkPictureContent(scout, id);
    const { format, width, exif } = await sharp(stored).metadata();
    expect({ format, width, exif }).toEqual({ format: "webp", width: 30, exif: undefined });
    expect(
      (await patchDetail(scout, check.patchId)).checkPictures.get(check.id)?.filter((known) => known === id),
    ).toEqual([id]);
    const stranger = member(["scout"], PINE);
    await expect(checkPictureContent(stranger, id)).rejects.toThrow(/not found/);
    await expect(saveCheckPicture(stranger, uuidv7(), check.id, image)).rejects.toThrow(/not found/);
    await expect(saveCheckPicture(scout, uuidv7(), check.id, Buffer.from("<svg onload=1>"))).rejects.toThrow(
      /not a picture/,
    );
    await expect(saveCheckPicture(scout, "x", check.id, image)).rejects.toThrow(/not a UUID/);
    await expect(asOwner((c) => c.query("DELETE FROM check_picture"))).rejects.toThrow(/append-only/);
  });
});

describe("the list", () => {
  it("takes a status that there is, for a plant that there is", async () => {
    await expect(setStatus(keeper, { taxon: "Planta ignota", status: "target" })).rejects.toThrow(/not in the flora/);
    await expect(setStatus(keeper, { taxon: "Hedera helix", status: "hated" })).rejects.toThrow();
  });
  it("keeps one line per plant, however often it is changed", async () => {
    const before = await inDistrict(OTTER, (tx) => listFor(tx, null));
    for (const status of ["watch", "target", "watch"] as const) await setStatus(keeper, { taxon: "Poa annua", status });
    const after = await inDistrict(OTTER, (tx) => listFor(tx, null));
    expect(after.status["Poa annua"]).toBe("watch");
    const { rows } = await inDistrict(OTTER, (tx) =>
      tx.execute<{ n: number }>(
        sql`SELECT count(*)::int AS n FROM list_entry WHERE taxon = 'Poa annua' AND site_id IS NULL`,
      ),
    );
    expect(rows[0].n).toBe(1);
    if (before.status["Poa annua"]) await setStatus(keeper, { taxon: "Poa annua", status: before.status["Poa annua"] });
    else
      await inDistrict(OTTER, (tx) =>
        tx.execute(sql`DELETE FROM list_entry WHERE taxon = 'Poa annua' AND site_id IS NULL`),
      );
  });
});

describe("the list of a site", () => {
  it("is of a site that is here: another district's is not found, as one that is none", async () => {
    const [strange] = await inDistrict(PINE, (tx) => tx.select({ id: site.id }).from(site).limit(1));
    for (const siteId of [strange.id, uuidv7()])
      await expect(setStatus(keeper, { taxon: "Poa annua", status: "watch", siteId })).rejects.toMatchObject({
        status: 404,
      });
  });
  it("changed by two at once from one page is changed by one; the other is told both", async () => {
    const { listVersions } = await import("@/server/control/list");
    const versions = JSON.stringify(await inDistrict(OTTER, (tx) => listVersions(tx, "poa-annua")));
    const before = (await inDistrict(OTTER, (tx) => listFor(tx, null))).status["Poa annua"];
    await setStatus(keeper, { taxon: "Poa annua", status: "watch", versions });
    await expect(setStatus(keeper, { taxon: "Poa annua", status: "target", versions })).rejects.toMatchObject({
      status: 409,
      issues: [
        { field: "version", what: expect.stringContaining("watch") },
        { field: "version", what: expect.stringContaining("target") },
      ],
    });
    await expect(setStatus(keeper, { taxon: "Poa annua", status: "watch", versions: "{" })).rejects.toThrow(/versions/);
    await setStatus(keeper, { taxon: "Poa annua", status: before });
  });
});

describe("the list on one sheet", () => {
  it("shows the district's word and where a site says otherwise, and lets a site follow the district again", async () => {
    const [place] = await siteLines(keeper);
    await setStatus(keeper, { taxon: "Poa annua", status: "watch", siteId: place.id });
    const lineOf = async () => (await listLines(keeper)).find((l) => l.taxon === "Poa annua");
    const own = (await lineOf())?.exceptions.find((e) => e.siteId === place.id);
    expect(own).toMatchObject({ siteName: place.name, status: "watch", changedBy: keeper.personName });
    expect((await inDistrict(OTTER, (tx) => listFor(tx, place.id))).status["Poa annua"]).toBe("watch");
    await expect(takeOffList(member(["keeper"], PINE), { id: own?.id })).rejects.toThrow(/no longer on the list/);
    expect((await lineOf())?.exceptions).toHaveLength(1);
    expect(await takeOffList(keeper, { id: own?.id })).toBe("Poa annua");
    expect((await lineOf())?.exceptions ?? []).toHaveLength(0);
    await expect(takeOffList(keeper, { id: own?.id })).rejects.toThrow(/no longer on the list/);
    await expect(takeOffList(keeper, { id: "all" })).rejects.toThrow();
  });
});

describe("people", () => {
  it("set-up is refused without the printed code, and once there is a district", async () => {
    const input = {
      code: "00000000",
      districtName: "Second",
      zone: "Europe/Vienna",
      hemisphere: "north",
      name: "Some Body",
      email: "body@example.test",
      password: "long enough words",
    };
    await expect(setUp(input)).rejects.toThrow(/No code has been printed|not the code|set up already/);
    await expect(setUp({ ...input, zone: "Mars/Base" })).rejects.toThrow(/time zone/);
    await expect(setUp({ ...input, password: "short" })).rejects.toThrow(/at least 10/);
  });
  it("an invitation needs a name, an address and a role", async () => {
    await refused(
      invitation,
      () => invite(keeper, { name: "A", email: "a@example.test", roles: ["scout"] }),
      /give the name/,
    );
    await refused(
      invitation,
      () => invite(keeper, { name: "Anna", email: "no address", roles: ["scout"] }),
      /email address/,
    );
    await refused(
      invitation,
      () => invite(keeper, { name: "Anna", email: "a@example.test", roles: [] }),
      /at least one role/,
    );
    await refused(invitation, () => invite(keeper, { name: "Anna", email: "a@example.test", roles: ["king"] }), /./);
  });
  it("a made-up link lets nobody in", async () => {
    await refused(
      membership,
      () => acceptInvitation("made-up", null, { name: "Some Body", password: "long enough words" }),
      /used up, too old, or not ours/,
    );
  });
  it("roles are given only to people of this district", async () => {
    await expect(setRoles(keeper, { personId: "nobody", version: 1, roles: ["scout"] })).rejects.toThrow(
      /not in this district/,
    );
    const [stranger] = await inDistrict(PINE, (tx) =>
      tx
        .select()
        .from(membership)
        .where(and(eq(membership.districtId, PINE)))
        .limit(1),
    );
    const otter = await peopleOf(keeper);
    if (stranger && !otter.people.some((p) => p.personId === stranger.personId))
      await expect(setRoles(keeper, { personId: stranger.personId, version: 1, roles: ["keeper"] })).rejects.toThrow(
        /not in this district/,
      );
  });
  it("letters are shown to keepers only", async () => {
    expect((await peopleOf(scout)).letters).toEqual([]);
  });
});

describe("a feature of the map", () => {
  const creek = {
    kind: "creek",
    name: "Test Creek",
    shape: {
      type: "LineString",
      coordinates: [
        [-131.3, 44.3],
        [-131.29, 44.31],
      ],
    },
    flows: true,
  };
  const ring = [
    [-131.3, 44.3],
    [-131.29, 44.3],
    [-131.29, 44.31],
    [-131.3, 44.3],
  ];
  it("is a line with a direction or an outline, and sound", async () => {
    const ask = (extra: object) => saveFeature(keeper, { id: uuidv7(), ...creek, ...extra });
    await refused(feature, () => ask({ kind: "lake" }), /as an outline/);
    await refused(feature, () => ask({ kind: "track" }), /only a stream flows/);
    await refused(feature, () => ask({ name: "" }), /give it a name/);
    await refused(feature, () => ask({ kind: "swamp" }), /say what it is/);
    const bow = [ring[0], ring[2], ring[1], [-131.3, 44.31], ring[0]];
    await refused(
      feature,
      () => ask({ kind: "lake", flows: false, shape: { type: "Polygon", coordinates: [bow] } }),
      /crosses itself/,
    );
    const id = uuidv7();
    await saveFeature(keeper, { id, ...creek });
    await saveFeature(keeper, { id, ...creek, name: "Twice" });
    const rows = await inDistrict(OTTER, (tx) => tx.select().from(feature).where(eq(feature.id, id)));
    expect(rows).toMatchObject([{ name: "Test Creek", flows: true, madeBy: keeper.personName }]);
    expect(await inDistrict(PINE, (tx) => tx.select().from(feature).where(eq(feature.id, id)))).toEqual([]);
  });
});

describe("a further district", () => {
  it("is made once with a code from the terminal, by a new keeper or one who knows their own password", async () => {
    const input = {
      districtName: "Heron Marsh",
      zone: "America/Los_Angeles",
      hemisphere: "north",
      name: "Sorrel Finch",
      email: "keeper@pine.example",
    };
    const code = await makeSetUpCode();
    await expect(setUp({ ...input, code, password: "not the password" })).rejects.toThrow(/not your password/);
    const districtId = await setUp({ ...input, code, password: "otter-valley-demo" });
    const people = await inDistrict(districtId, (tx) => tx.select().from(membership));
    expect(people).toMatchObject([{ name: "Sorrel Finch", roles: ["keeper", "specialist", "scout"] }]);
    await expect(setUp({ ...input, code, password: "otter-valley-demo" })).rejects.toThrow(/set up already/);
    // Other tests count on this keeper's one district.
    await asOwner(async (c) => {
      for (const table of ["membership", "district"])
        await c.query(`DELETE FROM ${table} WHERE district_id = $1`, [districtId]);
    });
  });
});
