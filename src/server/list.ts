import { createHash } from "node:crypto";
import { and, eq, isNull, or } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { type Status, STATUSES } from "@/core/identify";
import type { Transaction } from "@/db/client";
import { listEntry, site } from "@/db/schema";
import { Refusal } from "./faults";
import { plantsOf } from "./plants";
import { asMember, type Member } from "./session";

export interface PlaceList {
  status: Record<string, Status>;
  actions: Record<string, string>;
  version: string;
}

/** The district's list as it holds on one site: the district's entries, overlaid by the site's own. */
export async function listFor(tx: Transaction, siteId: string | null): Promise<PlaceList> {
  const rows = await tx
    .select({ taxon: listEntry.taxon, status: listEntry.status, action: listEntry.action, siteId: listEntry.siteId })
    .from(listEntry)
    .where(siteId ? or(isNull(listEntry.siteId), eq(listEntry.siteId, siteId)) : isNull(listEntry.siteId))
    .orderBy(listEntry.taxon);
  const status: Record<string, Status> = {};
  const actions: Record<string, string> = {};
  for (const row of [...rows.filter((r) => !r.siteId), ...rows.filter((r) => r.siteId)]) {
    status[row.taxon] = row.status;
    if (row.action) actions[row.taxon] = row.action;
  }
  const version = createHash("sha256")
    .update(JSON.stringify([status, actions]))
    .digest("hex")
    .slice(0, 12);
  return { status, actions, version };
}

export const statusInputSchema = z.object({
  taxon: z.string().min(1),
  status: z.enum(STATUSES),
  siteId: z.union([z.uuid(), z.literal("")]).default(""),
  action: z.string().trim().max(80).optional(),
});

/** Puts a plant on the district's list, or on one site's exceptions; who and when are kept. Verdicts already given stay as they were. */
export async function setStatus(member: Member, raw: unknown): Promise<Status> {
  const input = statusInputSchema.parse(raw);
  (await plantsOf(member)).mustHold(input.taxon);
  const siteId = input.siteId || null;
  await asMember(member, async (tx) => {
    await tx
      .delete(listEntry)
      .where(and(eq(listEntry.taxon, input.taxon), siteId ? eq(listEntry.siteId, siteId) : isNull(listEntry.siteId)));
    await tx.insert(listEntry).values({
      districtId: member.districtId,
      id: uuidv7(),
      taxon: input.taxon,
      siteId,
      status: input.status,
      action: input.action || null,
      changedBy: member.personName,
    });
  });
  return input.status;
}

export interface ListLine {
  taxon: string;
  /** null where the district as a whole says nothing and only a site does: then it counts as kept */
  entry: { id: string; status: Status; action: string | null; changedBy: string; changedAt: Date } | null;
  exceptions: { id: string; siteId: string; siteName: string; status: Status; changedBy: string; changedAt: Date }[];
}

/** The whole list on one sheet: each plant with its status in the district and where a site says otherwise. */
export async function listLines(member: Member): Promise<ListLine[]> {
  const rows = await asMember(member, (tx) =>
    tx
      .select({ entry: listEntry, siteName: site.name })
      .from(listEntry)
      .leftJoin(site, eq(listEntry.siteId, site.id))
      .orderBy(listEntry.taxon, site.name),
  );
  const lines = new Map<string, ListLine>();
  for (const { entry, siteName } of rows) {
    const line = lines.get(entry.taxon) ?? { taxon: entry.taxon, entry: null, exceptions: [] };
    const { id, status, action, changedBy, changedAt } = entry;
    if (entry.siteId)
      line.exceptions.push({ id, siteId: entry.siteId, siteName: siteName ?? "", status, changedBy, changedAt });
    else line.entry = { id, status, action, changedBy, changedAt };
    lines.set(entry.taxon, line);
  }
  return [...lines.values()];
}

/** Takes one line off the list: a site follows the district again, a plant of the district counts as kept again. */
export async function takeOffList(member: Member, raw: unknown): Promise<string> {
  const { id } = z.object({ id: z.uuid() }).parse(raw);
  const gone = await asMember(member, (tx) =>
    tx.delete(listEntry).where(eq(listEntry.id, id)).returning({ taxon: listEntry.taxon }),
  );
  if (gone.length === 0) throw new Refusal(404, "That line is no longer on the list.", []);
  return gone[0].taxon;
}
