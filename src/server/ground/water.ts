import { desc, eq, sql } from "drizzle-orm";
import { z } from "zod";
import type { WaterNear } from "@/core/records";
import { dayWords } from "@/core/time";
import type { Transaction } from "@/db/client";
import { patch, site, waterSeen } from "@/db/schema";
import { now, todayIn } from "../platform/clock";
import { notFound } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";
import { mustBePastAt } from "./patch-day";

/**
 * Water near a patch: what a person saw there counts before the map, and the map counts as far as someone says that it is complete.
 * Beyond that the distance is unknown.
 */
export async function waterNear(tx: Transaction, patchId: string): Promise<WaterNear> {
  const [seen] = await tx
    .select()
    .from(waterSeen)
    .where(eq(waterSeen.patchId, patchId))
    .orderBy(desc(waterSeen.day), desc(waterSeen.at))
    .limit(1);
  if (seen)
    return {
      known: seen.kind === "at" ? "at" : "none-within",
      meters: seen.meters,
      by: `${seen.seenBy}, on the ground, ${dayWords(seen.day)}`,
    };
  const [row] = await tx
    .select({ water: site.water, mapped: sql<number | null>`water_distance_m(${patch.id})` })
    .from(patch)
    .innerJoin(site, eq(site.id, patch.siteId))
    .where(eq(patch.id, patchId));
  const mapped = row?.mapped ?? null;
  if (!row?.water) return { known: "unknown", ...(mapped === null ? {} : { atMost: mapped }) };
  const by = `${row.water.by}, on the map, ${dayWords(row.water.day)}`;
  if (mapped !== null && mapped <= row.water.withinM) return { known: "at", meters: Math.round(mapped), by };
  return { known: "none-within", meters: row.water.withinM, by };
}

const seenSchema = z.object({
  id: z.uuid(),
  patchId: z.uuid(),
  kind: z.enum(["none", "at"], "say whether you see water"),
  meters: z.coerce
    .number({ error: "give a number of meters" })
    .min(0)
    .max(5000, "give at most 5000 m: farther cannot be seen"),
  day: z.iso.date(),
});

/** What a person sees of water at a patch, signed, with the day. The newest word counts. */
export async function sayWater(member: Member, raw: unknown): Promise<void> {
  const input = seenSchema.parse(raw);
  await asMember(member, async (tx) => {
    await mustBePastAt(tx, input.patchId, "day", input.day);
    await count(tx, member, "change");
    await tx
      .insert(waterSeen)
      .values({ districtId: member.districtId, ...input, at: now(), ...signature("seenBy", member) })
      .onConflictDoNothing();
  });
}

const mappedSchema = z.object({
  siteId: z.uuid(),
  withinM: z.coerce.number({ error: "give a number of meters" }).min(0).max(20_000),
});

/** Says how far around a site all water is on the map. */
export async function sayMapped(member: Member, raw: unknown): Promise<void> {
  const input = mappedSchema.parse(raw);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const [at] = await tx.select({ zone: site.zone }).from(site).where(eq(site.id, input.siteId)).for("update");
    if (!at) throw notFound("The site");
    await tx
      .update(site)
      .set({ water: { withinM: input.withinM, by: member.personName, day: todayIn(at.zone) } })
      .where(eq(site.id, input.siteId));
  });
}
