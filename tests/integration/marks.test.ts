import { sql } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Marks } from "@/core/measure";
import { closePools, inDistrict } from "@/db/client";
import { findingDetail, saveFinding } from "@/server/findings/findings";
import { saveMarks, savePicture } from "@/server/ground/pictures";
import { checkMadeFor, deviceKey } from "@/server/platform/session";
import { asOwner, member, OTTER, PINE, uuidv7 } from "../support/database";

const scout = member(["scout"], PINE);
const neighbour = member(["scout"], OTTER);
const [findingId, pictureId] = [uuidv7(), uuidv7()];
const marks = (n: number): Marks => ({
  widthPx: 40,
  heightPx: 30,
  pointingPx: 1,
  calibration: null,
  marks: Array.from({ length: n }, (_, i) => ({
    id: `m${i}`,
    tool: "angle",
    points: [
      [0, 0],
      [5, 5],
      [9, 0],
    ],
  })),
});
const kept = async () => (await findingDetail(scout, findingId)).pictures.find((p) => p.id === pictureId)?.marks;

beforeAll(async () => {
  const siteId = await asOwner(
    async (client) => (await client.query("SELECT id FROM site WHERE district_id = $1 LIMIT 1", [PINE])).rows[0].id,
  );
  await saveFinding(scout, {
    id: findingId,
    siteId,
    place: { longitude: -131.2, latitude: 44.36 },
    day: "2026-06-09",
    stage: "vegetative",
    observations: [{ character: "plant-kind", states: ["herb"] }],
  });
  await savePicture(
    scout,
    pictureId,
    findingId,
    await sharp({ create: { width: 40, height: 30, channels: 3, background: "#4a7" } })
      .png()
      .toBuffer(),
  );
});
afterAll(closePools);

describe("what is marked on a picture", () => {
  it("is kept once under its id, and the last of several holds", async () => {
    expect(await kept()).toBeNull();
    const id = uuidv7();
    for (let i = 0; i < 2; i++) await saveMarks(scout, pictureId, { id, marks: marks(1) });
    expect((await kept())?.marks).toHaveLength(1);
    await saveMarks(scout, pictureId, { id: uuidv7(), marks: marks(2) });
    expect((await kept())?.marks).toHaveLength(2);
    const { rows } = await inDistrict(PINE, (tx) =>
      tx.execute(sql`SELECT count(*)::int AS n FROM picture_marks WHERE picture_id = ${pictureId}`),
    );
    expect(rows[0].n).toBe(2);
  });

  it.each([
    ["points that are no numbers", { ...marks(1), marks: [{ id: "m", tool: "angle", points: [["a", 0]] }] }],
    ["a tool that is none", { ...marks(1), marks: [{ id: "m", tool: "weight", points: [] }] }],
    ["a picture of no width", { ...marks(1), widthPx: 0 }],
  ])("is refused with %s, and nothing is stored", async (_, bad) => {
    const before = await kept();
    await expect(saveMarks(scout, pictureId, { id: uuidv7(), marks: bad })).rejects.toThrow();
    expect(await kept()).toEqual(before);
  });

  it("is neither seen nor made from another district, nor changed afterwards", async () => {
    await expect(saveMarks(neighbour, pictureId, { id: uuidv7(), marks: marks(1) })).rejects.toMatchObject({
      status: 404,
    });
    expect(
      (await inDistrict(OTTER, (tx) => tx.execute(sql`SELECT * FROM picture_marks WHERE picture_id = ${pictureId}`)))
        .rows,
    ).toEqual([]);
    await expect(inDistrict(PINE, (tx) => tx.execute(sql`UPDATE picture_marks SET marks = '{}'`))).rejects.toThrow();
  });
});

describe("what a device sends later", () => {
  it("is taken for whom it was made, and refused under another's name or district", () => {
    expect(() => checkMadeFor(scout, deviceKey(scout))).not.toThrow();
    expect(() => checkMadeFor(scout, null)).not.toThrow();
    for (const other of [deviceKey(neighbour), deviceKey({ ...scout, personId: "someone-else" })])
      expect(() => checkMadeFor(scout, other)).toThrow(expect.objectContaining({ status: 409 }));
  });
});
