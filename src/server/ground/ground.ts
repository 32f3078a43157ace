import { firstOf, itemAt } from "@/core/items";
import { and, desc, eq, isNull, sql } from "drizzle-orm";
import { z } from "zod";
import { lastDayBeforeSeed } from "@/core/control";
import type { Transaction } from "@/db/client";
import { district, finding, followUp, listEntry, patch, plan, site } from "@/db/schema";
import { listFor } from "../control/list";
import { findingLines } from "../findings/findings";
import { plantsHere, plantsOf } from "../flora/amendments";
import { shippedFlora } from "../flora/flora";
import { methodNamesHere } from "../flora/own-methods";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { picturesOfChecks } from "../records/check-pictures";
import { entriesOf } from "../records/ledger-pages";
import { signature } from "../records/signature";
import { visitStanding } from "../records/visits";
import { sizeAt } from "./stand-size";
import { waterNear } from "./water";
import { plainText } from "@/core/limits";
import { now, todayIn } from "../platform/clock";
import { GROUND_PER_PLANT_M2, patchSchema, polygonSchema, siteSchema, type PatchRequest } from "@/contracts/ground";
import type { Polygon } from "geojson";

/** A patch is worked on foot: 100 km² are none. A site may be a whole valley. */
const MOST_PATCH_M2 = 1e8;
const MOST_SITE_M2 = 1e10;

/** Saves a patch with its outline, once per id. Its area is geodesic, worked out by the database. */
export async function savePatch(member: Member, raw: unknown): Promise<{ id: string; areaM2: number }> {
  const input = patchSchema.parse(raw);
  const plants = await plantsOf(member);
  plants.mustHold(input.taxon);
  return asMember(member, async (tx) => {
    const [held] = await tx.select({ id: site.id }).from(site).where(eq(site.id, input.siteId));
    if (!held) throw notFound("The site");
    const { outline, areaFrom } = input.outline
      ? { outline: input.outline, areaFrom: "drawn" as const }
      : await roundTheFinding(tx, input);
    const { areaM2 } = await measureOutline(tx, outline, MOST_PATCH_M2);
    const made = await tx
      .insert(patch)
      .values({
        districtId: member.districtId,
        id: input.id,
        siteId: input.siteId,
        taxon: input.taxon,
        plantId: plants.idOf(input.taxon),
        name: input.name,
        outline,
        areaM2: input.areaM2 ?? (input.outline ? areaM2 : (input.plants ?? 0) * GROUND_PER_PLANT_M2),
        areaFrom,
        plants: input.plants ?? null,
        coverShare: input.coverShare,
        createdAt: now(),
        ...signature("madeBy", member),
      })
      .onConflictDoNothing()
      .returning({ id: patch.id });
    if (made.length > 0) await count(tx, member, "patch");
    else await mustBeOnSite(tx, input.id, input.siteId);
    if (input.findingId) await tieFinding(tx, input.findingId, { patchId: input.id, siteId: input.siteId });
    return { id: input.id, areaM2 };
  });
}

/** A patch that is not drawn: site and plant are those of its finding, and never what a form says. */
export async function savePatchOfFinding(
  member: Member,
  input: Pick<PatchRequest, "id" | "name" | "areaM2" | "plants"> & { findingId: string },
): Promise<{ id: string; areaM2: number }> {
  const of = z.uuid().safeParse(input.findingId);
  const [found] = of.success ? await asMember(member, (tx) => findingLines(tx, eq(finding.id, of.data), 1)) : [];
  if (!found) throw notFound("The finding");
  if (!found.taxon) throw new Refusal(409, "This finding names no plant yet, so no patch can be made of it.");
  return savePatch(member, { ...input, siteId: found.siteId, taxon: found.taxon });
}

/** A round outline about the point of the patch's finding, as large as the area that was typed or that so many plants take up. */
async function roundTheFinding(
  tx: Transaction,
  { findingId, areaM2, plants }: z.output<typeof patchSchema>,
): Promise<{ outline: Polygon; areaFrom: "typed" | "counted" }> {
  const wanted = areaM2 ?? (plants ?? 1) * GROUND_PER_PLANT_M2;
  const radius = Math.sqrt(wanted / Math.PI);
  const [found] = await tx
    .select({
      outline: sql<string>`ST_AsGeoJSON(ST_Buffer(${finding.place}::geography, ${radius}::float8, 16)::geometry, 9)`,
    })
    .from(finding)
    .where(eq(finding.id, findingId ?? ""));
  if (!found) throw notFound("The finding");
  return { outline: polygonSchema.parse(JSON.parse(found.outline)), areaFrom: areaM2 ? "typed" : "counted" };
}

/** The same id again is the same patch; another site's patch it cannot be. */
async function mustBeOnSite(tx: Transaction, patchId: string, siteId: string): Promise<void> {
  const [known] = await tx.select({ siteId: patch.siteId }).from(patch).where(eq(patch.id, patchId));
  if (known?.siteId !== siteId)
    throw new Refusal(409, "A patch of another site has this id.", [{ field: "id", what: "make a new id" }]);
}

async function tieFinding(tx: Transaction, findingId: string, to: { patchId: string; siteId: string }): Promise<void> {
  const [found] = await tx
    .select({ siteId: finding.siteId, patchId: finding.patchId })
    .from(finding)
    .where(eq(finding.id, findingId))
    .for("update");
  if (!found) throw notFound("The finding");
  if (found.siteId !== to.siteId) throw new Refusal(400, "The finding is on another site.");
  if (found.patchId === to.patchId) return;
  if (found.patchId) throw new Refusal(409, "The finding already belongs to another patch.");
  await tx.update(finding).set({ patchId: to.patchId }).where(eq(finding.id, findingId));
}

/** Saves a site with its boundary, once per id. It takes the district's time zone. */
export async function saveSite(member: Member, raw: unknown): Promise<{ id: string; areaM2: number }> {
  const input = siteSchema.parse(raw);
  const states =
    shippedFlora()
      .characters.find((c) => c.id === "ground")
      ?.states.map((s) => s.id) ?? [];
  if (!states.includes(input.ground))
    throw new Refusal(400, "That kind of ground does not exist.", [
      { field: "ground", what: `choose one of ${states.join(", ")}` },
    ]);
  return asMember(member, async (tx) => {
    const { areaM2 } = await measureOutline(tx, input.outline, MOST_SITE_M2);
    const here = firstOf(await tx.select({ zone: district.zone }).from(district));
    await count(tx, member, "site");
    await tx
      .insert(site)
      .values({
        districtId: member.districtId,
        id: input.id,
        name: input.name,
        boundary: input.outline,
        zone: here.zone,
        setting: { ground: [input.ground] },
        rules: input.rules,
        note: input.note,
      })
      .onConflictDoNothing();
    return { id: input.id, areaM2 };
  });
}

async function measureOutline(tx: Transaction, outline: Polygon, mostM2: number): Promise<{ areaM2: number }> {
  const shape = sql`ST_SetSRID(ST_GeomFromGeoJSON(${JSON.stringify(outline)}), 4326)`;
  const { rows } = await tx.execute<{ valid: boolean; reason: string; area: number }>(
    sql`SELECT ST_IsValid(${shape}) AS valid, ST_IsValidReason(${shape}) AS reason, ST_Area(${shape}::geography) AS area`,
  );
  const { valid, reason, area } = firstOf(rows);
  if (!valid)
    throw new Refusal(400, `The outline crosses itself (${itemAt(reason.split("["), 0).trim()}). Draw it again.`, [
      { field: "outline", what: "draw a line that does not cross itself" },
    ]);
  if (!(area > 0.01))
    throw new Refusal(400, "The outline has no area.", [{ field: "outline", what: "draw at least three corners" }]);
  if (area > mostM2)
    throw new Refusal(
      400,
      `The outline is ${Math.round(area / 1e6)} km²; at most ${mostM2 / 1e6} km² are allowed here.`,
      [{ field: "outline", what: "draw a smaller one" }],
    );
  return { areaM2: Math.round(area * 100) / 100 };
}

/** Sites with their boundaries (GeoJSON) and how much stands on each. */
export async function siteLines(member: Member) {
  return asMember(member, async (tx) => {
    const rows = await tx
      .select({
        id: site.id,
        name: site.name,
        zone: site.zone,
        setting: site.setting,
        rules: site.rules,
        note: site.note,
        water: site.water,
        boundary: sql<string>`ST_AsGeoJSON(${site.boundary}, 6)`,
        patches: sql<number>`(SELECT count(*)::int FROM ${patch} p WHERE p.site_id = "site"."id" AND p.withdrawn_at IS NULL)`,
        findings: sql<number>`(SELECT count(*)::int FROM ${finding} f WHERE f.site_id = "site"."id")`,
      })
      .from(site)
      .orderBy(site.name);
    return rows.map((r) => ({ ...r, boundary: polygonSchema.parse(JSON.parse(r.boundary)) }));
  });
}

export async function patchLines(member: Member, siteId?: string) {
  return asMember(member, async (tx) => {
    const rows = await tx
      .select({
        id: patch.id,
        name: patch.name,
        plantId: patch.plantId,
        taxon: patch.taxon,
        areaM2: patch.areaM2,
        state: patch.state,
        siteId: patch.siteId,
        siteName: site.name,
        /** its plant is not acted on here */
        kept: sql<boolean>`coalesce((SELECT l.status FROM ${listEntry} l WHERE l.plant_id = ${patch.plantId} AND (l.site_id = ${patch.siteId} OR l.site_id IS NULL) ORDER BY l.site_id NULLS LAST LIMIT 1), 'kept') NOT IN ('target', 'watch')`,
      })
      .from(patch)
      .innerJoin(site, eq(site.id, patch.siteId))
      .where(and(siteId ? eq(patch.siteId, siteId) : undefined, isNull(patch.withdrawnAt)))
      .orderBy(site.name, patch.name);
    const plants = await plantsHere(tx);
    const here = firstOf(await tx.select().from(district));
    const today = todayIn(here.zone);
    return rows.map((r) => {
      const taxon = plants.byName(plants.nameNow(r));
      return {
        ...r,
        taxon: plants.nameNow(r),
        plant: plants.common(plants.nameNow(r)),
        /** of a plant that is acted on there */
        lastBeforeSeed: taxon && !r.kept ? lastDayBeforeSeed(taxon, today, here) : null,
      };
    });
  });
}

/** A patch with its site, its history and what is next. */
export async function patchDetail(member: Member, id: string) {
  if (!z.uuid().safeParse(id).success) throw notFound("The patch");
  return asMember(member, async (tx) => {
    const [row] = await tx
      .select({ p: patch, s: site, outline: sql<string>`ST_AsGeoJSON(${patch.outline}, 6)` })
      .from(patch)
      .innerJoin(site, eq(site.id, patch.siteId))
      .where(eq(patch.id, id));
    if (!row) throw notFound("The patch");
    const plants = await plantsHere(tx);
    const taxon = plants.nameNow(row.p);
    const status = (await listFor(tx, row.s.id)).status[taxon] ?? "kept";
    const methodNamed = await methodNamesHere(tx);
    const plantHere = plants.byName(taxon);
    const here = firstOf(await tx.select().from(district));
    const followUps = await tx
      .select()
      .from(followUp)
      .where(and(eq(followUp.patchId, id), isNull(followUp.droppedAt)))
      .orderBy(followUp.dueOn);
    return {
      patch: {
        ...row.p,
        outline: polygonSchema.parse(JSON.parse(row.outline)),
        taxon,
        plant: plants.common(taxon),
      },
      site: row.s,
      /** what the plant is on this site now; a plant that is not acted on has a patch to be protected */
      status,
      water: await waterNear(tx, id),
      findings: await findingLines(tx, eq(finding.patchId, id)),
      plans: (await tx.select().from(plan).where(eq(plan.patchId, id)).orderBy(desc(plan.intendedOn))).map((held) => ({
        ...held,
        methodName: methodNamed(held.method),
      })),
      size: await sizeAt(tx, id),
      visits: await visitStanding(tx, id),
      lastBeforeSeed: plantHere ? lastDayBeforeSeed(plantHere, todayIn(row.s.zone), here) : null,
      entries: await entriesOf(tx, id),
      followUps,
      checkPictures: await picturesOfChecks(
        tx,
        followUps.map((check) => check.id),
      ),
      today: todayIn(row.s.zone),
    };
  });
}

const withdrawnSchema = z.object({
  patchId: z.uuid(),
  reason: plainText(10, 1000, "say in at least 10 letters why", true),
});

/** A patch that should not be there: drawn twice, or by a slip. It stays with its reason, and nothing may be done on it. */
export async function withdrawPatch(member: Member, raw: unknown): Promise<void> {
  const input = withdrawnSchema.parse(raw);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const [held] = await tx
      .select({ withdrawnAt: patch.withdrawnAt })
      .from(patch)
      .where(eq(patch.id, input.patchId))
      .for("update");
    if (!held) throw notFound("The patch");
    if (held.withdrawnAt) throw new Refusal(409, "This patch was withdrawn already.");
    await tx
      .update(patch)
      .set({ withdrawnAt: now(), withdrawnWhy: input.reason, ...signature("withdrawnBy", member) })
      .where(eq(patch.id, input.patchId));
  });
}

/** A tile of the map, as vector tile bytes; masked in the database for those who may not see protected places. */
export async function mapTile(member: Member, z: number, x: number, y: number): Promise<Buffer> {
  return asMember(member, async (tx) => {
    const { rows } = await tx.execute<{ tile: Buffer }>(
      sql`SELECT map_tile(${z}, ${x}, ${y}) || name_tile(${z}, ${x}, ${y}) AS tile`,
    );
    return itemAt(rows, 0).tile;
  });
}

/** West, south, east, north of all sites, for the first view of the map. */
export async function districtBounds(member: Member): Promise<[number, number, number, number] | null> {
  return asMember(member, async (tx) => {
    const { rows } = await tx.execute<{ w: number | null; s: number; e: number; n: number }>(
      sql`SELECT ST_XMin(b) w, ST_YMin(b) s, ST_XMax(b) e, ST_YMax(b) n FROM (SELECT ST_Extent(${site.boundary}) b FROM ${site}) t`,
    );
    const b = firstOf(rows);
    return b.w === null ? null : [b.w, b.s, b.e, b.n];
  });
}
